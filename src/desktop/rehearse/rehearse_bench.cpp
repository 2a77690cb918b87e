#include "desktop/rehearse/rehearse_bench.h"

#include <QFileInfo>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "desktop/rehearse/pad.h"
#include "desktop/rehearse/running_menu.h"
#include "desktop/view/empty_page.h"
#include "desktop/view/form.h"
#include "desktop/view/takes.h"
#include "desktop/work/work.h"
#include "devices/controllers.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kMostShown = 2000;  // lines of the trace kept in the list

// The first sign of each thing that can be done on the screen on top.
QString signsOn(const Session& session, Sign::Of of) {
  const Project& project = session.project();
  const Screen* screen = session.stack().back().screen;
  QStringList out;
  const auto add = [&](std::initializer_list<Does> doings, const QString& words,
                       const ShortcutId& shortcut = {}) {
    QStringList signs;
    for (const Does does : doings)
      if (const auto all = signsFor(project, screen, of, does, shortcut); !all.empty())
        signs << toQt(toText(all.front()));
    if (!signs.isEmpty()) out << QObject::tr("%1: %2").arg(signs.join(QStringLiteral(", ")), words);
  };
  add({Does::Accept}, QObject::tr("use"));
  add({Does::Cancel}, QObject::tr("back"));
  const auto any = [&](const auto& holds) {
    return std::any_of(screen->items.begin(), screen->items.end(),
                       [&](const auto& item) { return holds(*item); });
  };
  if (any([](const Item& i) { return i.container() && i.container()->tabs != Tabs::No; }))
    add({Does::TabLeft, Does::TabRight}, QObject::tr("tabs"));
  for (const Shortcut& each : project.shortcuts)
    if (!each.actions.empty() ||
        any([&](const Item& i) { return i.button() && i.button()->answers.shortcut == each.id; }))
      add({Does::Shortcut}, toQt(each.name), each.id);
  return out.join(QStringLiteral("   "));
}

QString promptsFor(const Session& session) {
  switch (session.modality()) {
    case Device::Mouse:
      return QObject::tr("Click: use");
    case Device::Touch:
      return QObject::tr("Tap: use");
    case Device::Keyboard:
      return signsOn(session, Sign::Of::Key);
    case Device::Controller:
      return signsOn(session, Sign::Of::Button);
  }
  return {};
}

}  // namespace

RehearseBench::RehearseBench(Work& work, QWidget* parent)
    : Bench(parent), work_(work), rehearsal_(work) {
  build();
  buildCard();
  addCommands();
  polling_.setInterval(4);
  connect(&polling_, &QTimer::timeout, this, [this] {
    for (const ControllerEvent& each : work_.controllers().poll(0))
      if (each.sign)
        rehearsal_.press(*each.sign, each.event.down, each.event.unit);
      else
        rehearsal_.send(each.event);
  });
  connect(&rehearsal_, &Rehearsal::advanced, this, &RehearseBench::refresh);
  connect(&rehearsal_, &Rehearsal::replayEnded, this, &RehearseBench::told);
  connect(menu_, &RunningMenu::wantsStart, this, &RehearseBench::restart);
  // What runs is what was there when it began; a change begins it anew.
  connect(&work, &Work::changed, this, [this] {
    if (isVisible() && rehearsal_.running()) restart();
  });
}

void RehearseBench::build() {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  auto* head = new QHBoxLayout;
  head->setContentsMargins(16, 8, 16, 8);
  head->setSpacing(8);
  title_ = new QLabel(tr("Rehearsal"));
  title_->setProperty("title", true);
  about_ = new QLabel;
  about_->setProperty("quiet", true);
  head->addWidget(title_);
  head->addWidget(about_);
  head->addStretch();
  speed_ = new QComboBox;
  speed_->addItems({tr("full speed"), tr("half speed"), tr("quarter speed"), tr("stand still")});
  speed_->setAccessibleName(tr("Speed"));
  connect(speed_, &QComboBox::activated, this, [this](int i) {
    constexpr double kSpeeds[] = {1, 0.5, 0.25, 0};
    rehearsal_.setSpeed(kSpeeds[i]);
  });
  head->addWidget(speed_);
  auto* reduced = new QCheckBox(tr("Reduced"));
  reduced->setAccessibleName(tr("Reduced motion"));
  reduced->setToolTip(
      tr("Reduced motion, as those see it who asked for less motion: nothing takes time"));
  connect(reduced, &QCheckBox::toggled, this, [this](bool on) {
    rehearsal_.setReducedMotion(on);
    menu_->update();
  });
  head->addWidget(reduced);
  auto* step = new QPushButton(tr("Step 16 ms"));
  step->setAccessibleName(tr("Step by 16 ms"));
  connect(step, &QPushButton::clicked, this, [this] {
    speed_->setCurrentIndex(3);
    rehearsal_.setSpeed(0);
    rehearsal_.stepBy(16);
  });
  head->addWidget(step);
  auto* again = new QPushButton(tr("Restart"));
  again->setAccessibleName(tr("Restart the rehearsal"));
  connect(again, &QPushButton::clicked, this, &RehearseBench::restart);
  head->addWidget(again);
  column->addLayout(head);
  menu_ = new RunningMenu(work_, rehearsal_);
  pages_ = new QStackedWidget;
  pages_->addWidget(menu_);
  pages_->addWidget(new EmptyPage(
      tr("The menu runs here, with mouse, keys and controller. It needs a screen with buttons "
         "first."),
      {{tr("Place buttons on a screen"), [this] { Q_EMIT wantsBench(QStringLiteral("place")); }}}));
  column->addWidget(pages_, 1);
  auto* below = new QHBoxLayout;
  below->setContentsMargins(0, 0, 16, 0);
  below->addWidget(new Pad(rehearsal_));
  prompts_ = new QLabel;
  below->addWidget(prompts_);
  below->addStretch();
  column->addLayout(below);
}

void RehearseBench::buildCard() {
  card_ = new QWidget;
  auto* column = new QVBoxLayout(card_);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);
  auto* head = new Form;
  here_ = head->check(tr("Begins on the screen in hand"), [this](bool) { restart(); });
  here_->setChecked(true);
  here_->setToolTip(tr("Otherwise where the menu opens"));
  head->heading(tr("TRACE"));
  column->addWidget(head);
  trace_ = new QPlainTextEdit;
  trace_->setAccessibleName(tr("Trace: what happened"));
  trace_->setReadOnly(true);
  trace_->setTabChangesFocus(true);
  trace_->setMaximumBlockCount(kMostShown);
  trace_->setMinimumHeight(160);
  auto* inset = new QHBoxLayout;
  inset->setContentsMargins(16, 0, 16, 0);
  inset->addWidget(trace_);
  column->addLayout(inset, 1);
  auto* form = new Form;
  form->heading(tr("TAKES"));
  name_ = form->text(tr("Name"), [](const QString&) { return true; });
  name_->setText(tr("take"));
  keep_ = form->button(tr("Keep this rehearsal as a take"), [this] { keep(); });
  takes_ = form->choice(tr("Take"), {}, [](int) {});
  replay_ = form->button(tr("Replay the take"), [this] { replayPicked(); });
  result_ = form->note(QString());
  column->addWidget(form);
}

void RehearseBench::addCommands() {
  Commands& all = work_.commands();
  all.add(this, tr("Restart the rehearsal"), QKeySequence(Qt::CTRL | Qt::Key_R),
          [this] { restart(); });
  all.add(this, tr("Keep this rehearsal as a take"), {}, [this] { keep(); });
  all.add(this, tr("Replay the take"), {}, [this] { replayPicked(); });
}

void RehearseBench::enter() {
  work_.controllers().poll(0);  // what was pressed elsewhere is not meant here
  polling_.start();
  refreshTakes();
  restart();
  menu_->setFocus();
}

void RehearseBench::leave() {
  polling_.stop();
  rehearsal_.stop();
}

void RehearseBench::restart() {
  clearTrace();
  turnTo(pages_, work_.project().screens.empty() ? 1 : 0);
  const ScreenId from = here_->isChecked() ? work_.picked().screen : ScreenId{};
  if (!rehearsal_.start(from) && work_.project().screens.empty()) return;
  menu_->update();
  menu_->setFocus();
}

bool RehearseBench::restartFor(const Take& take) {
  clearTrace();
  const bool started = rehearsal_.startFor(take);
  menu_->update();
  menu_->setFocus();
  return started;
}

void RehearseBench::clearTrace() {
  trace_->clear();
  shown_ = 0;
  result_->setText({});
}

void RehearseBench::refresh() {
  Session* session = rehearsal_.session();
  if (!session) return;
  const auto& trace = session->trace();
  // What can be pressed changes with what happens, not with each frame.
  if (shown_ < trace.size() && !session->stack().empty()) prompts_->setText(promptsFor(*session));
  for (; shown_ < trace.size(); ++shown_)
    trace_->appendPlainText(
        tr("%1 ms  %2").arg(trace[shown_].at).arg(toQt(toLine(trace[shown_], work_.project()))));
  const Display& d = session->display();
  about_->setText(tr("%1 · %2 s").arg(toQt(d.name)).arg(session->now() / 1000));
  keep_->setEnabled(!rehearsal_.replaying());
}

void RehearseBench::refreshTakes() {
  const QString before = takes_->currentData().toString();
  takes_->clear();
  for (const QString& path : takesIn(work_.folder()))
    takes_->addItem(QFileInfo(path).fileName().section(QLatin1Char('.'), 0, 0), path);
  const int at = takes_->findData(before);
  takes_->setCurrentIndex(at < 0 && takes_->count() ? 0 : at);
  replay_->setEnabled(takes_->count() > 0);
}

void RehearseBench::keep() {
  if (!rehearsal_.running()) return;
  const QString wanted = name_->text().trimmed().isEmpty() ? tr("take") : name_->text().trimmed();
  const auto path = keepTake(work_.folder(), rehearsal_.keep(fromQt(wanted)));
  if (!path) return work_.tell(tr("The take is not kept: %1").arg(toQt(path.error().text())), true);
  refreshTakes();
  takes_->setCurrentIndex(takes_->findData(*path));
  work_.tell(tr("Kept as %1").arg(QFileInfo(*path).fileName()));
}

void RehearseBench::replayPicked() {
  const QString path = takes_->currentData().toString();
  if (path.isEmpty()) return;
  auto take = readTake(path);
  if (!take) return work_.tell(toQt(take.error().text()), true);
  clearTrace();
  if (rehearsal_.replay(std::move(*take)))
    result_->setText(tr("Replaying…"));
  else
    result_->setText(tr("The take can’t be played: %1").arg(rehearsal_.problem()));
}

void RehearseBench::told() {
  const auto& failures = rehearsal_.failures();
  if (!rehearsal_.stopped().isEmpty())
    return result_->setText(tr("The take failed: %1").arg(rehearsal_.stopped()));
  if (failures.empty()) return result_->setText(tr("The take passed: all came as expected."));
  result_->setText(
      tr("The take failed %n time(s). First, line %1 expected “%2”.", nullptr, int(failures.size()))
          .arg(failures.front().source)
          .arg(toQt(failures.front().expected)));
}

QString RehearseBench::hint() const {
  return tr("Arrows, Enter, Esc and Tab play the menu · F6 leaves the menu · Ctrl+R restarts");
}

}  // namespace bristle
