#include "desktop/rehearse/rehearse_bench.h"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "core/rehearse/reel.h"
#include "desktop/rehearse/pad.h"
#include "desktop/rehearse/prompt_line.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/running_menu.h"
#include "desktop/rehearse/set_up_form.h"
#include "desktop/rehearse/takes_panel.h"
#include "desktop/rehearse/time_line.h"
#include "desktop/rehearse/trace_panel.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/card_tabs.h"
#include "desktop/view/empty_page.h"
#include "desktop/work/work.h"
#include "devices/controllers.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr Ms kFrame = 16;
constexpr int kTakes = 1;  // of the cards

QToolButton* tool(const QString& text, const QString& name, const QString& tip = {}) {
  auto* out = new QToolButton;
  out->setText(text);
  out->setAccessibleName(name);
  out->setToolTip(tip.isEmpty() ? name : tip);
  return out;
}

}  // namespace

RehearseBench::RehearseBench(Work& work, QWidget* parent)
    : Bench(parent), work_(work), rehearsal_(std::make_unique<Rehearsal>(work)) {
  build();
  buildCard();
  addCommands();
  polling_.setInterval(4);
  connect(&polling_, &QTimer::timeout, this, &RehearseBench::poll);
  // Time goes on while nothing happens: told now and then, without a frame of the menu.
  ticking_.setInterval(200);
  connect(&ticking_, &QTimer::timeout, this, [this] {
    if (!rehearsal_->running() || rehearsal_->still()) return;
    showTime();
    line_->update();
  });
  connect(rehearsal_.get(), &Rehearsal::advanced, this, &RehearseBench::refresh);
  connect(rehearsal_.get(), &Rehearsal::clockChanged, this, &RehearseBench::showClock);
  connect(rehearsal_.get(), &Rehearsal::replayEnded, this, [this] { takes_->told(); });
  connect(menu_, &RunningMenu::wantsStart, this, &RehearseBench::restart);
  connect(menu_, &RunningMenu::wantsFull, this, &RehearseBench::turnFull);
  connect(menu_, &RunningMenu::wantsBack, this, [this] {
    turnFull();
    Q_EMIT wantsBench(QString());
  });
  // What runs is what was there when it began; a change begins it anew.
  connect(&work, &Work::changed, this, [this] {
    if (isVisible() && rehearsal_->running() && isAnother()) restart();
  });
}

RehearseBench::~RehearseBench() {
  if (menu_->isWindow()) delete menu_;
}

void RehearseBench::build() {
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  title_->setText(tr("Rehearsal"));
  about_ = about;
  // What stands beside it stays where it is while the time goes on.
  about_->setMinimumWidth(about_->fontMetrics().horizontalAdvance(tr("%1 s").arg(8888.8)));
  menu_ = new RunningMenu(work_, *rehearsal_);
  pages_ = new QStackedWidget;
  pages_->addWidget(menu_);
  pages_->addWidget(new EmptyPage(
      tr("The menu runs here, with mouse, keys and controller. It needs a screen with buttons "
         "first."),
      {{tr("Place buttons on a screen"), [this] { Q_EMIT wantsBench(QStringLiteral("place")); }}}));
  buildHead(*head);
  column->addWidget(pages_, 1);
  column->addWidget(prompts_ = new PromptLine);
  column->addWidget(line_ = new TimeLine(*rehearsal_));
  buildBelow();
}

void RehearseBench::buildHead(QHBoxLayout& head) {
  other_ = tool(tr("Other run"), tr("The run that was set aside"),
                tr("What came before you went on from the past; and back"));
  other_->hide();
  connect(other_, &QToolButton::clicked, this, [this] { rehearsal_->changeToOther(); });
  head.addWidget(other_);
  auto* before = tool(QStringLiteral("⇤"), tr("To what happened before"),
                      tr("To what happened before (Ctrl+Left on the time line)"));
  connect(before, &QToolButton::clicked, this, [this] { rehearsal_->toPrevious(); });
  head.addWidget(before);
  pause_ = new QPushButton;
  pause_->setAccessibleName(tr("Stand still or go on"));
  pause_->setToolTip(tr("Stand still or go on (Ctrl+Space)"));
  connect(pause_, &QPushButton::clicked, this,
          [this] { rehearsal_->setStill(!rehearsal_->still()); });
  head.addWidget(pause_);
  auto* after = tool(QStringLiteral("⇥"), tr("To what happened next"),
                     tr("To what happened next (Ctrl+Right on the time line)"));
  connect(after, &QToolButton::clicked, this, [this] { rehearsal_->toNext(); });
  head.addWidget(after);
  speed_ = new QComboBox;
  speed_->addItems({tr("full speed"), tr("half speed"), tr("quarter speed")});
  speed_->setAccessibleName(tr("Speed"));
  connect(speed_, &QComboBox::activated, this, [this](int i) {
    constexpr double kSpeeds[] = {1, 0.5, 0.25};
    rehearsal_->setSpeed(kSpeeds[i]);
  });
  head.addWidget(speed_);
  auto* step = new QPushButton(tr("16 ms"));
  step->setAccessibleName(tr("Step by 16 ms"));
  step->setToolTip(step->accessibleName());
  connect(step, &QPushButton::clicked, this, [this] { stepBy(kFrame); });
  head.addWidget(step);
  auto* again = new QPushButton(tr("Restart"));
  again->setAccessibleName(tr("Restart the rehearsal"));
  connect(again, &QPushButton::clicked, this, &RehearseBench::restart);
  head.addWidget(again);
  showClock();
}

void RehearseBench::buildBelow() {
  auto* below = new QHBoxLayout;
  below->setContentsMargins(16, 4, 16, 6);
  below->setSpacing(24);
  below->addWidget(pad_ = new Pad(*rehearsal_));
  auto* words = new QLabel(
      tr("The controller shows what a real one does; press it with the mouse, drag its stick.\n"
         "Keys: arrows, Enter, Esc, Tab, and what is bound.\n"
         "A finger: hold Ctrl and press with the mouse."));
  words->setProperty("quiet", true);
  words->setWordWrap(true);
  below->addWidget(words, 1);
  static_cast<QVBoxLayout*>(layout())->addLayout(below);
}

QWidget* RehearseBench::card() {
  return card_;
}

void RehearseBench::buildCard() {
  trace_ = new TracePanel(work_, *rehearsal_);
  takes_ = new TakesPanel(work_, *rehearsal_, *line_, trace_->model());
  setUp_ = new SetUpForm(work_, *rehearsal_);
  card_ = new CardTabs({tr("Trace"), tr("Takes"), tr("Set-up")});
  for (QWidget* each : {static_cast<QWidget*>(trace_), static_cast<QWidget*>(takes_),
                        static_cast<QWidget*>(setUp_)})
    card_->addCard(each);
  connect(card_, &CardTabs::chose, this, [this](int at) {
    if (at == kTakes) takes_->refreshWhatIsKept();
  });
  connect(trace_, &TracePanel::wantsBench, this, &Bench::wantsBench);
  connect(takes_, &TakesPanel::replays, this, &RehearseBench::begun);
  connect(setUp_, &SetUpForm::changed, this, &RehearseBench::restart);
}

void RehearseBench::addCommands() {
  Commands& all = work_.commands();
  const auto add = [&](const QString& name, const QKeySequence& keys, auto run) {
    all.add(this, name, keys, run, KeysWork::InWindow);
  };
  add(tr("Restart the rehearsal"), QKeySequence(Qt::CTRL | Qt::Key_R), [this] { restart(); });
  add(tr("Stand still or go on"), QKeySequence(Qt::CTRL | Qt::Key_Space),
      [this] { rehearsal_->setStill(!rehearsal_->still()); });
  add(tr("Step by 16 ms"), QKeySequence(Qt::CTRL | Qt::Key_Period), [this] { stepBy(kFrame); });
  add(tr("To what happened before"), QKeySequence(Qt::CTRL | Qt::Key_BracketLeft),
      [this] { rehearsal_->toPrevious(); });
  add(tr("To what happened next"), QKeySequence(Qt::CTRL | Qt::Key_BracketRight),
      [this] { rehearsal_->toNext(); });
  add(tr("The run that was set aside"), {}, [this] { rehearsal_->changeToOther(); });
  add(tr("The menu on the whole screen"), QKeySequence(Qt::Key_F11), [this] { turnFull(); });
  add(tr("Keep this rehearsal as a take"), {}, [this] { takes_->keep(); });
  add(tr("Replay the take"), {}, [this] { takes_->replayPicked(); });
  add(tr("Run all takes everywhere"), {}, [this] { takes_->runAll(); });
  add(tr("Let a restless visitor press everything"), {}, [this] { takes_->runRestless(); });
  add(tr("Cut the take before this moment"), {}, [this] { line_->cutBefore(); });
  add(tr("Cut the take after this moment"), {}, [this] { line_->cutAfter(); });
}

void RehearseBench::poll() {
  for (const ControllerEvent& each : work_.controllers().poll(0)) {
    if (each.sign) {
      rehearsal_->press(*each.sign, each.event.down, each.event.unit);
      pad_->show(*each.sign, each.event.down);
    } else {
      rehearsal_->send(each.event);
      if (each.event.type == InputType::Move) pad_->show(each.event.dir, each.event.down);
      if (each.event.type == InputType::Gone) pad_->showNothing();
    }
  }
}

void RehearseBench::enter() {
  work_.controllers().poll(0);  // what was pressed elsewhere is not meant here
  polling_.start();
  ticking_.start();
  takes_->refresh();
  restart();
  menu_->setFocus();
}

void RehearseBench::leave() {
  if (menu_->isWindow()) turnFull();
  polling_.stop();
  ticking_.stop();
  rehearsal_->stop();
  trace_->begin();
}

// Whether the menu would run otherwise: its name is nothing to it, and saving may give it one.
bool RehearseBench::isAnother() const {
  Project before = ran_;
  before.name = work_.project().name;
  return changeBetween(before, work_.project()).any();
}

void RehearseBench::restart() {
  turnTo(pages_, work_.project().screens.empty() ? 1 : 0);
  trace_->begin();
  line_->uncut();
  setUp_->refresh();
  const ScreenId from = setUp_->here() ? work_.picked().screen : ScreenId{};
  if (!rehearsal_->start(from) && work_.project().screens.empty()) return;
  rehearsal_->setStill(false);
  begun();
}

bool RehearseBench::restartFor(const Take& take) {
  const bool started = rehearsal_->startFor(take);
  rehearsal_->setStill(false);
  begun();
  return started;
}

// Another run is on the reel.
void RehearseBench::begun() {
  shown_ = 0;
  ran_ = work_.project();
  trace_->begin();
  line_->uncut();
  setUp_->refresh();
  refresh();
  menu_->update();
  if (isVisible()) menu_->setFocus();
}

void RehearseBench::stepBy(Ms ms) {
  rehearsal_->stepBy(ms);
}

void RehearseBench::showClock() {
  pause_->setText(rehearsal_->still() ? tr("Go on") : tr("Pause"));
}

void RehearseBench::refresh() {
  const Session* session = rehearsal_->session();
  if (!session) return;
  const size_t happened = rehearsal_->trace().size();
  // What can be pressed changes with what happens, not with each frame.
  if (shown_ != happened || rehearsal_->still()) {
    if (!session->stack().empty()) prompts_->refresh(*session);
    trace_->refresh();
    if (card_->chosen() == kTakes) takes_->refreshWhatIsKept();
  }
  shown_ = happened;
  other_->setVisible(rehearsal_->reel()->hasOther());
  showTime();
}

void RehearseBench::showTime() {
  const Session* session = rehearsal_->session();
  const QString now = QString::number(double(session->now()) / 1000, 'f', 1);
  const QString end = QString::number(double(rehearsal_->reel()->end()) / 1000, 'f', 1);
  about_->setText(rehearsal_->reel()->atEnd() ? tr("%1 s").arg(now)
                                              : tr("%1 of %2 s").arg(now, end));
  about_->setToolTip(tr("On %1").arg(toQt(session->display().name)));
}

// A window of its own without a frame; the keys that leave it are its own, too.
void RehearseBench::turnFull() {
  if (menu_->isWindow()) {
    menu_->setWindowFlags(Qt::Widget);
    pages_->insertWidget(0, menu_);
    turnTo(pages_, 0);
  } else {
    menu_->setParent(nullptr);
    menu_->setWindowFlags(Qt::Window | Qt::FramelessWindowHint);
    menu_->setWindowTitle(tr("Rehearsal"));
    menu_->showFullScreen();
    menu_->activateWindow();
  }
  menu_->setFocus();
}

QString RehearseBench::hint() const {
  return tr(
      "The menu has the keys · F6 leaves it · F11 whole screen · Ctrl+Space stands still · "
      "drag the line to go back in time");
}

}  // namespace bristle
