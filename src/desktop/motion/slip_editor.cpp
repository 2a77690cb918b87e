#include "desktop/motion/slip_editor.h"

#include <QApplication>
#include <QHBoxLayout>
#include <QKeyEvent>

#include "core/edit/machine_edits.h"
#include "desktop/motion/event_choice.h"
#include "desktop/view/form.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

SlipEditor::SlipEditor(Work& work, MotionView& view, QWidget* graph)
    : QFrame(graph), work_(work), view_(view) {
  setFrameShape(QFrame::StyledPanel);
  setAutoFillBackground(true);
  auto* line = new QHBoxLayout(this);
  line->setContentsMargins(6, 4, 6, 4);
  on_ = new QComboBox;
  on_->setAccessibleName(tr("Event, on the slip"));
  on_->addItems(eventNames());
  guard_ = new QLineEdit;
  guard_->setAccessibleName(tr("Guard, on the slip"));
  guard_->setPlaceholderText(tr("if: always"));
  guard_->setMinimumWidth(140);
  line->addWidget(on_);
  line->addWidget(guard_, 1);
  connect(on_, &QComboBox::activated, this, [this](int i) {
    if (view_.transition() < 0 || !work_.machine()) return;
    work_.perform(changeTransition(work_.machine()->id, size_t(view_.transition()), "change event",
                                   {}, [i](Transition& t) { setEvent(t, i); }));
  });
  connect(guard_, &QLineEdit::returnPressed, this, [this] {
    if (view_.transition() < 0 || !work_.machine()) return;
    const std::string guard = fromQt(guard_->text().trimmed());
    // What cannot be read stays to be mended; why is told below.
    if (work_.perform(changeTransition(work_.machine()->id, size_t(view_.transition()),
                                       "change guard", {},
                                       [&](Transition& t) { t.guard = guard; })))
      close();
  });
  for (QWidget* field : {static_cast<QWidget*>(on_), static_cast<QWidget*>(guard_)})
    field->installEventFilter(this);
  hide();
}

void SlipEditor::openAt(const QPointF& at) {
  const Machine* machine = work_.machine();
  const int index = view_.transition();
  if (!machine || index < 0 || index >= int(machine->transitions.size())) return;
  const Transition& t = machine->transitions[size_t(index)];
  refill(on_, eventIndex(t.on));
  guard_->setText(toQt(t.guard));
  adjustSize();
  const QSize room = parentWidget()->size() - size();
  move(std::clamp(int(at.x()) - width() / 2, 0, std::max(0, room.width())),
       std::clamp(int(at.y()) - height() / 2, 0, std::max(0, room.height())));
  show();
  raise();
  on_->setFocus();
}

void SlipEditor::close() {
  if (!isVisible()) return;
  hide();
  parentWidget()->setFocus();
}

// Keys stay here: Return in the graph would open it anew.
void SlipEditor::keyPressEvent(QKeyEvent* event) {
  event->accept();
}

// Escape closes it, and so does going elsewhere.
bool SlipEditor::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::KeyPress || event->type() == QEvent::ShortcutOverride) {
    if (static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape) {
      event->accept();
      if (event->type() == QEvent::KeyPress) close();
      return true;
    }
  }
  if (event->type() == QEvent::FocusOut) {
    const QWidget* to = QApplication::focusWidget();
    const bool popup = on_->view()->isVisible();
    if (to && !isAncestorOf(to) && !popup) hide();
  }
  return QFrame::eventFilter(watched, event);
}

}  // namespace bristle
