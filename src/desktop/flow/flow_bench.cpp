#include "desktop/flow/flow_bench.h"

#include <QButtonGroup>
#include <QComboBox>
#include <QHBoxLayout>
#include <QStackedWidget>
#include <QToolButton>

#include "core/derive/flow_graph.h"
#include "core/findings/finding.h"
#include "desktop/flow/flow_card.h"
#include "desktop/flow/flow_view.h"
#include "desktop/flow/steps_page.h"
#include "desktop/flow/values_page.h"
#include "desktop/view/bench_head.h"
#include "desktop/view/controller_walk.h"
#include "desktop/view/counted.h"
#include "desktop/view/empty_page.h"
#include "desktop/view/form.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

FlowBench::FlowBench(Work& work, QWidget* parent) : Bench(parent), work_(work) {
  const auto [column, head, title, about] = makeHead(this);
  title_ = title;
  title_->setText(tr("Flow"));
  about_ = about;
  buildHead(*head);
  card_ = new FlowCard(work);
  pages_ = new QStackedWidget;
  pages_->addWidget(view_ = new FlowView(work));
  pages_->addWidget(steps_ = new StepsPage(work));
  pages_->addWidget(list_ = new ValuesPage(work));
  pages_->addWidget(new EmptyPage(
      tr("What leads where between screens: there are none yet."),
      {{tr("Make a screen"), [this] { Q_EMIT wantsBench(QStringLiteral("place")); }}}));
  column->addWidget(pages_, 1);
  connect(view_, &FlowView::stepChanged, card_, [this] { card_->show(view_->step()); });
  connect(card_, &FlowCard::inHand, view_, &FlowView::pickAction);
  connect(view_, &FlowView::opened, this, [this] { Q_EMIT wantsBench(QStringLiteral("place")); });
  auto* controllers = new ControllerWalk(work, *view_);
  connect(controllers, &ControllerWalk::stepped, view_, &FlowView::goTo);
  connect(controllers, &ControllerWalk::turned, view_,
          [this](bool forwards) { view_->stepBy(forwards ? 1 : -1); });
  connect(controllers, &ControllerWalk::wentThrough, view_,
          [this](bool into) { into ? view_->takeLead() : view_->dropLead(); });
  addCommands();
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void FlowBench::buildHead(QHBoxLayout& head) {
  find_ = new QComboBox;
  find_->setAccessibleName(tr("Go to a screen"));
  find_->setToolTip(tr("Go to a screen"));
  find_->setMinimumContentsLength(14);
  connect(find_, &QComboBox::activated, this, [this](int index) {
    if (index < 1 || size_t(index) > work_.project().screens.size()) return;
    work_.pickScreen(work_.project().screens[size_t(index) - 1]->id);
    picture_->click();
    view_->reveal(index - 1);
    view_->setFocus();
  });
  head.addWidget(find_);
  auto* group = new QButtonGroup(this);
  const auto page = [&](const QString& text, const QString& tip, bool on) {
    auto* out = new QToolButton;
    out->setText(text);
    out->setAccessibleName(tip);
    out->setToolTip(tip);
    out->setCheckable(true);
    out->setChecked(on);
    group->addButton(out);
    head.addWidget(out);
    connect(out, &QToolButton::toggled, this, [this](bool checked) {
      if (checked) turn();
    });
    return out;
  };
  picture_ = page(tr("Picture"), tr("Flow as a picture"), true);
  table_ = page(tr("Table"), tr("Flow as a table"), false);
  values_ = page(tr("Values"), tr("Values of the project"), false);
}

void FlowBench::addCommands() {
  const auto add = [this](const QString& name, const QKeySequence& keys, auto run) {
    work_.commands().add(this, name, keys, run, KeysWork::InWindow);
  };
  add(tr("Lead the picked button to a screen"), QKeySequence(Qt::CTRL | Qt::Key_Return), [this] {
    picture_->click();
    view_->setFocus();
    view_->beginLead();
  });
  add(tr("Flow as a picture"), {}, [this] { picture_->click(); });
  add(tr("Flow as a table"), {}, [this] { table_->click(); });
  add(tr("Values of the project"), {}, [this] { values_->click(); });
  add(tr("Show the whole flow"), QKeySequence(Qt::CTRL | Qt::Key_0), [this] { view_->fit(); });
  add(tr("Flow larger"), QKeySequence(Qt::CTRL | Qt::Key_Plus), [this] { view_->zoomBy(1.25); });
  add(tr("Flow smaller"), QKeySequence(Qt::CTRL | Qt::Key_Minus), [this] { view_->zoomBy(0.8); });
}

QWidget* FlowBench::card() {
  return card_;
}

QWidget* FlowBench::workplace() {
  return pages_->currentWidget();
}

void FlowBench::showPlaceOf(const Finding& finding) {
  if (finding.rule == "value") return values_->setChecked(true);
  if (values_->isChecked()) picture_->setChecked(true);
}

void FlowBench::turn() {
  const bool any = !work_.project().screens.empty();
  pages_->setCurrentIndex(values_->isChecked() ? 2 : !any ? 3 : table_->isChecked() ? 1 : 0);
  Q_EMIT hintChanged();
}

void FlowBench::refresh() {
  const FlowGraph graph = flowOf(work_.project());
  const auto leads = std::count_if(graph.steps.begin(), graph.steps.end(),
                                   [](const FlowStep& each) { return each.to >= 0; });
  about_->setText(
      tr("%1 · %2").arg(counted(qint64(graph.screens.size()), tr("%n screen"), tr("%n screens")),
                        counted(leads, tr("%n way"), tr("%n ways"))));
  QStringList names{tr("Go to…")};
  int at = 0;
  for (const auto& screen : work_.project().screens) {
    if (screen->id == work_.picked().screen) at = int(names.size());
    names << toQt(screen->name);
  }
  refill(find_, names, at);
  turn();
}

QString FlowBench::hint() const {
  if (values_->isChecked()) return tr("What conditions ask and actions set");
  if (table_->isChecked()) return tr("Cells are edited in all picked rows at once");
  return tr(
      "Draw a button to a screen to lead there, to empty ground for a new one · Return: by "
      "keys · double click: to its bench");
}

}  // namespace bristle
