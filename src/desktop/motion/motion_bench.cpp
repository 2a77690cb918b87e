#include "desktop/motion/motion_bench.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/formats/file_io.h"
#include "deliver/statechart.h"
#include "desktop/motion/graph_view.h"
#include "desktop/motion/in_state_card.h"
#include "desktop/motion/laws_panel.h"
#include "desktop/motion/live_button.h"
#include "desktop/motion/motion_card.h"
#include "desktop/motion/scope_tools.h"
#include "desktop/motion/scope_view.h"
#include "desktop/motion/template_page.h"
#include "desktop/motion/timeline_view.h"
#include "desktop/view/ask_file.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/empty_page.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
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
  makeCard();
  makeTemplatePage();
  addCommands();
  new WhileSeen(work, this, [this] { refresh(); });
  connect(view_, &MotionView::scoreChanged, this, &MotionBench::turn);
  connect(view_, &MotionView::heard, this,
          [this](const std::string& file, double volume) { work_.sounds().play(file, volume); });
  turn();
  refresh();
}

void MotionBench::makeCard() {
  cards_ = new QWidget;
  auto* column = new QVBoxLayout(cards_);
  column->setContentsMargins(0, 0, 0, 0);
  card_ = new MotionCard(work_, *view_);
  stateCard_ = new InStateCard(work_, *view_);
  column->addWidget(card_);
  column->addWidget(stateCard_);
}

void MotionBench::makeTemplatePage() {
  template_ = new TemplatePage(work_);
  pages_->addWidget(template_);
  connect(card_, &MotionCard::wantsTemplate, this, &MotionBench::showTemplate);
  connect(template_, &TemplatePage::done, this, [this] {
    template_->setOn(false);
    pages_->setCurrentIndex(0);
    graph_->setFocus();
    Q_EMIT view_->picked();  // the choice goes back to where it began
  });
}

// The keys stay where they are: with the choice, on to the next one.
void MotionBench::showTemplate(Template which) {
  view_->setPlaying(false);
  template_->show(which);
  template_->setOn(true);
  pages_->setCurrentWidget(template_);
}

QWidget* MotionBench::makeScope() {
  auto* out = new QWidget;
  auto* column = new QVBoxLayout(out);
  column->setContentsMargins(0, 0, 0, 8);
  column->setSpacing(2);
  tools_ = new ScopeTools(work_, *view_, *this);
  column->addWidget(tools_);
  auto* row = new QHBoxLayout;
  row->setSpacing(0);
  scope_ = new ScopeView(work_, *view_);
  timeline_ = new TimelineView(work_, *view_);
  lower_ = new QStackedWidget;
  lower_->addWidget(scope_);
  lower_->addWidget(timeline_);
  row->addWidget(lower_, 1);
  auto* live = new LiveButton(work_, *view_);
  live->setFixedWidth(222);
  row->addWidget(live);
  column->addLayout(row, 1);
  return out;
}

// The time line has a card of its own.
void MotionBench::turn() {
  lower_->setCurrentIndex(view_->inState() ? 1 : 0);
  card_->setVisible(!view_->inState());
  stateCard_->setVisible(view_->inState());
  Q_EMIT hintChanged();
}

void MotionBench::addCommands() {
  // On the card, too.
  const auto add = [this](const QString& name, const QKeySequence& keys,
                          std::function<void()> run) {
    work_.commands().add(this, name, keys, std::move(run), KeysWork::InWindow);
  };
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
    const QString path = askWhereToSave(this, tr("Export as a statechart"), work_.folder(), charts,
                                        QStringLiteral(".scxml"));
    if (!path.isEmpty()) exportChart(path);
  });
  add(tr("Scope or time line of the state"), QKeySequence(Qt::CTRL | Qt::Key_T), [this] {
    view_->setInState(!view_->inState());
    lower_->currentWidget()->setFocus();
  });
}

bool MotionBench::importChart(const QString& path) {
  const Machine* machine = work_.machine();
  if (!machine) return false;
  const auto bytes = readFile(fromQt(path), 16 << 20);
  if (!bytes) return work_.tell(toQt(bytes.error().text()), true), false;
  const auto read = readStatechart(QByteArray::fromStdString(*bytes), work_.project());
  if (!read) {
    work_.tell(toQt(read.error().text()), true);
    return false;
  }
  return work_.perform(replaceMachine(machine->id, *read));
}

bool MotionBench::exportChart(const QString& wanted) {
  const Machine* machine = work_.machine();
  if (!machine) return false;
  const QString path = withEnding(wanted, QStringLiteral(".scxml"));
  const auto chart = writeStatechart(*machine, work_.project());
  if (!chart) return work_.tell(toQt(chart.error().text()), true), false;
  const auto written = writeFile(fromQt(path), chart->toStdString());
  work_.tell(written ? tr("Written: %1").arg(path) : toQt(written.error().text()), !written);
  return written.has_value();
}

void MotionBench::enter() {
  laws_->setOn(true);
  if (!work_.kind()) pages_->currentWidget()->setFocus();
}

void MotionBench::leave() {
  laws_->setOn(false);
  template_->setOn(false);
  if (pages_->currentWidget() == template_) pages_->setCurrentIndex(0);
  view_->setPlaying(false);
}

void MotionBench::refresh() {
  const Kind* kind = work_.kind();
  const Machine* machine = work_.machine();
  if (!machine || pages_->currentWidget() != template_) turnTo(pages_, machine ? 0 : 1);
  title_->setText(kind ? toQt(kind->name) : tr("No kind yet"));
  about_->setText(machine ? tr("%1 · %2 states · %3 transitions")
                                .arg(toQt(machine->name))
                                .arg(machine->states.size())
                                .arg(machine->transitions.size())
                          : QString());
}

QString MotionBench::hint() const {
  if (!work_.machine()) return tr("A kind brings its machine along");
  if (view_->inState())
    return tr(
        "Double-click adds a key frame · ←→ key frames, ↑↓ tracks, with Ctrl they move it · Insert "
        "adds at the play head, Delete removes · Space plays · Ctrl+T back to the scope");
  return tr(
      "Drag from tile to tile adds a transition · ←→ states, ↑↓ transitions, Return its event and "
      "guard · on the scope draw in lanes, Return turns a lane on, Space plays");
}

}  // namespace bristle
