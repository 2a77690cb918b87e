#include "desktop/motion/motion_bench.h"

#include <QAction>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QMenu>
#include <QSaveFile>
#include <QSplitter>
#include <QToolButton>
#include <QVBoxLayout>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "deliver/statechart.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/empty_page.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kSpeeds[] = {1, 0.5, 0.25};
const char* const kSpeedNames[] = {"speed 1", "speed ½", "speed ¼"};

}  // namespace

MotionBench::MotionBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  view_ = new MotionView(work, this);
  laws_ = new LawWatch(work, this);
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  about_ = about;
  pages_ = new QStackedWidget;
  auto* whole = new QWidget;
  auto* rows = new QVBoxLayout(whole);
  rows->setContentsMargins(0, 0, 0, 0);
  rows->setSpacing(0);
  auto* upper = new QHBoxLayout;
  upper->setSpacing(0);
  graph_ = new GraphView(work, *view_, *laws_);
  upper->addWidget(graph_, 1);
  auto* panel = new LawsPanel(work, *view_, *laws_);
  panel->setFixedWidth(222);
  upper->addWidget(panel);
  rows->addLayout(upper, 5);
  rows->addWidget(makeScope(), 4);
  whole->setFocusProxy(graph_);
  pages_->addWidget(whole);
  pages_->addWidget(new EmptyPage(
      tr("How a kind of button goes from state to state, and the proof that it is right."),
      {{tr("New kind from “menu button”"),
        [this] { work_.perform(addKind("Menu entry", Wins::Hover)); }}}));
  column->addWidget(pages_, 1);
  card_ = new MotionCard(work, *view_);
  addCommands();
  connect(&work, &Work::changed, this, &MotionBench::refresh);
  connect(&work, &Work::pickedChanged, this, &MotionBench::refresh);
  connect(view_, &MotionView::moved, this,
          [this] { play_->setText(view_->playing() ? tr("❚❚ pause") : tr("▶ play")); });
  refresh();
}

QWidget* MotionBench::makeScope() {
  auto* out = new QWidget;
  auto* column = new QVBoxLayout(out);
  column->setContentsMargins(0, 0, 0, 8);
  column->setSpacing(2);
  auto* tools = new QHBoxLayout;
  tools->setContentsMargins(8, 4, 12, 0);
  const auto tool = [&](const QString& name, const QString& spoken) {
    auto* button = new QToolButton;
    button->setText(name);
    button->setAccessibleName(spoken);
    button->setFocusPolicy(Qt::StrongFocus);
    tools->addWidget(button);
    return button;
  };
  play_ = tool(tr("▶ play"), tr("Play or pause"));
  connect(play_, &QToolButton::clicked, this, [this] { view_->setPlaying(!view_->playing()); });
  speed_ = tool(tr(kSpeedNames[0]), tr("Speed"));
  connect(speed_, &QToolButton::clicked, this, [this] {
    const auto at = std::find(std::begin(kSpeeds), std::end(kSpeeds), view_->speed());
    const auto next = size_t(at - std::begin(kSpeeds) + 1) % std::size(kSpeeds);
    view_->setSpeed(kSpeeds[next]);
    speed_->setText(tr(kSpeedNames[next]));
  });
  auto* loop = tool(tr("loop"), tr("Play again and again"));
  loop->setCheckable(true);
  loop->setChecked(true);
  connect(loop, &QToolButton::toggled, view_, &MotionView::setLoops);
  auto* presets = tool(tr("Try"), tr("What happens to the button"));
  presets->setProperty("popup", true);
  presets->setPopupMode(QToolButton::InstantPopup);
  auto* menu = new QMenu(presets);
  for (const Preset preset : allPresets()) {
    const QString name = toQt(std::string(nameOf(preset)));
    commands_.push_back(menu->addAction(name, this, [this, preset] {
      view_->setScore(scoreOf(preset));
      view_->setTime(0);
      view_->setPlaying(true);
    }));
    commands_.back()->setText(tr("Try: %1").arg(name));
  }
  commands_.push_back(
      menu->addAction(tr("Clear the scope"), this, [this] { view_->setScore({}); }));
  presets->setMenu(menu);
  tools->addStretch();
  column->addLayout(tools);
  auto* row = new QHBoxLayout;
  row->setSpacing(0);
  scope_ = new ScopeView(work_, *view_);
  row->addWidget(scope_, 1);
  auto* live = new LiveButton(work_, *view_);
  live->setFixedWidth(222);
  row->addWidget(live);
  column->addLayout(row, 1);
  return out;
}

QAction* MotionBench::add(const QString& name, const QKeySequence& keys,
                          std::function<void()> run) {
  auto* action = new QAction(name, this);
  action->setShortcut(keys);
  action->setShortcutContext(Qt::WidgetWithChildrenShortcut);
  connect(action, &QAction::triggered, this, std::move(run));
  addAction(action);
  commands_.push_back(action);
  return action;
}

void MotionBench::addCommands() {
  add(tr("Play or pause the scope"), QKeySequence(Qt::CTRL | Qt::Key_Space),
      [this] { view_->setPlaying(!view_->playing()); });
  add(tr("Add a transition"), QKeySequence(Qt::Key_Insert), [this] { card_->addOne(); });
  const QString charts = tr("Statecharts (*.scxml)");
  add(tr("Import a statechart…"), {}, [this, charts] {
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Import a statechart"), work_.folder(), charts);
    if (!path.isEmpty()) importChart(path);
  });
  add(tr("Export as a statechart…"), {}, [this, charts] {
    const QString path =
        QFileDialog::getSaveFileName(this, tr("Export as a statechart"), work_.folder(), charts);
    if (!path.isEmpty()) exportChart(path);
  });
  add(tr("A second more on the scope"), {}, [this] {
    Score score = view_->score();
    score.length = std::min<Ms>(score.length + 1000, 60'000);
    view_->setScore(std::move(score));
  });
  add(tr("A second less on the scope"), {}, [this] {
    Score score = view_->score();
    score.length = std::max<Ms>(score.length - 1000, 1000);
    view_->setScore(std::move(score));
  });
}

bool MotionBench::importChart(const QString& path) {
  QFile file(path);
  const Machine* machine = work_.machine();
  if (!machine || !file.open(QIODevice::ReadOnly)) {
    work_.tell(tr("%1: %2").arg(path, file.errorString()), true);
    return false;
  }
  const auto read = readStatechart(file.readAll(), work_.project());
  if (!read) {
    work_.tell(toQt(read.error().text()), true);
    return false;
  }
  return work_.perform(replaceMachine(machine->id, *read));
}

bool MotionBench::exportChart(const QString& path) {
  const Machine* machine = work_.machine();
  const auto chart = machine ? writeStatechart(*machine, work_.project()) : Result<QByteArray>();
  QSaveFile file(path);
  const bool done = chart && file.open(QIODevice::WriteOnly) &&
                    file.write(*chart) == chart->size() && file.commit();
  work_.tell(done    ? tr("Written: %1").arg(path)
             : chart ? tr("%1: %2").arg(path, file.errorString())
                     : toQt(chart.error().text()),
             !done);
  return done;
}

void MotionBench::enter() {
  laws_->setOn(true);
  if (!work_.kind()) pages_->currentWidget()->setFocus();
}

void MotionBench::leave() {
  laws_->setOn(false);
  view_->setPlaying(false);
}

void MotionBench::refresh() {
  const Kind* kind = work_.kind();
  const Machine* machine = work_.machine();
  turnTo(pages_, machine ? 0 : 1);
  title_->setText(kind ? toQt(kind->name) : tr("No kind yet"));
  about_->setText(machine ? tr("%1 · %2 states · %3 transitions")
                                .arg(toQt(machine->name))
                                .arg(machine->states.size())
                                .arg(machine->transitions.size())
                          : QString());
}

QString MotionBench::hint() const {
  if (!work_.machine()) return tr("A kind brings its machine along");
  return tr(
      "Drag from tile to tile adds a transition · ←→ states, ↑↓ transitions · on the scope draw "
      "in lanes, Return turns a lane on, Space plays");
}

}  // namespace bristle
