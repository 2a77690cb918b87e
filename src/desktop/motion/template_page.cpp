#include "desktop/motion/template_page.h"

#include <QHBoxLayout>
#include <QKeyEvent>
#include <QVBoxLayout>

#include "core/edit/machine_edits.h"
#include "desktop/motion/graph_view.h"
#include "desktop/view/counted.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

TemplatePage::TemplatePage(Work& work, QWidget* parent) : QWidget(parent), work_(work) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 4, 16, 16);
  column->setSpacing(8);
  head_ = new QLabel;
  head_->setProperty("heading", true);
  column->addWidget(head_);
  meaning_ = new QLabel;
  meaning_->setWordWrap(true);
  column->addWidget(meaning_);
  auto* both = new QVBoxLayout;
  column->addLayout(both, 1);
  sides_[0] = makeSide(&work_, tr("Before"), this);
  sides_[1] = makeSide(&after_, tr("After"), this);
  for (const Side& side : sides_) {
    both->addWidget(side.about);
    both->addWidget(side.graph, 1);
  }
  auto* buttons = new QHBoxLayout;
  apply_ = new QPushButton;
  apply_->setProperty("main", true);
  auto* leave = new QPushButton(tr("Leave it as it is"));
  for (QPushButton* button : {apply_, leave}) {
    button->setAutoDefault(true);
    buttons->addWidget(button);
  }
  apply_->setAccessibleName(tr("Apply the template"));
  leave->setAccessibleName(leave->text());
  leave->setShortcut(Qt::Key_Escape);
  buttons->addStretch();
  column->addLayout(buttons);
  connect(apply_, &QPushButton::clicked, this, &TemplatePage::apply);
  connect(leave, &QPushButton::clicked, this, [this] { Q_EMIT done(); });
  setFocusProxy(apply_);
}

TemplatePage::Side TemplatePage::makeSide(Work* work, const QString& name, QWidget* into) {
  Side side{work, new MotionView(*work, into), new LawWatch(*work, into), nullptr, new QLabel};
  side.graph = new GraphView(*work, *side.view, *side.laws);
  side.graph->setAccessibleName(name);
  side.graph->setReadOnly(true);
  side.graph->setFocusPolicy(Qt::ClickFocus);  // keys come to “apply” first
  side.about->setProperty("quiet", true);
  side.about->setObjectName(name);
  connect(side.laws, &LawWatch::changed, this, [this, work] {
    for (const Side& each : sides_)
      if (each.work == work) tell(each);
  });
  return side;
}

void TemplatePage::tell(const Side& side) {
  const Machine* m = side.work->machine();
  if (!m) return;
  QString laws = tr("checking …");
  if (const Lawfulness* now = side.laws->now(); now && !now->error) {
    int broken = 0;
    for (const LawResult& law : now->report.laws) broken += law.broken && law.waived.empty();
    laws =
        broken ? counted(broken, tr("%n law broken"), tr("%n laws broken")) : tr("all laws kept");
  }
  side.about->setText(tr("%1 · %2 states · %3 transitions · %4")
                          .arg(side.about->objectName())
                          .arg(m->states.size())
                          .arg(m->transitions.size())
                          .arg(laws));
}

void TemplatePage::show(Template which) {
  which_ = which;
  const Machine* machine = work_.machine();
  if (!machine) return;
  const auto made = applyTemplate(machine->id, which, machine->wins).apply(work_.project());
  if (!made) return work_.tell(toQt(made.error().text()), true);
  after_.replace(*made, work_.folder(), true);
  after_.pickKind(work_.picked().kind);
  head_->setText(tr("TEMPLATE · %1").arg(toQt(std::string(nameOf(which))).toUpper()));
  int kinds = 0;
  for (const auto& kind : work_.project().kinds) kinds += kind->machine == machine->id;
  meaning_->setText(
      toQt(std::string(meaningOf(which))) +
      (kinds > 1 ? tr(" %1 kinds run this machine: all change.").arg(kinds) : QString()));
  apply_->setText(tr("Apply “%1”").arg(toQt(std::string(nameOf(which)))));
  for (const Side& side : sides_) tell(side);
}

void TemplatePage::setOn(bool on) {
  for (const Side& side : sides_) side.laws->setOn(on);
}

void TemplatePage::apply() {
  if (const Machine* m = work_.machine()) work_.perform(applyTemplate(m->id, which_, m->wins));
  Q_EMIT done();
}

}  // namespace bristle
