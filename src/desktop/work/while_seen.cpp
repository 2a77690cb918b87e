#include "desktop/work/while_seen.h"

#include <QEvent>
#include <QWidget>

#include "desktop/work/work.h"

namespace bristle {

WhileSeen::WhileSeen(Work& work, QWidget* view, std::function<void()> refresh)
    : QObject(view), view_(view), refresh_(std::move(refresh)) {
  connect(&work, &Work::changed, this, &WhileSeen::again);
  connect(&work, &Work::pickedChanged, this, &WhileSeen::again);
  connect(&work, &Work::derivedChanged, this, &WhileSeen::again);
  view->installEventFilter(this);
}

void WhileSeen::again() {
  stale_ = !view_->isVisible();
  if (!stale_) refresh_();
}

bool WhileSeen::eventFilter(QObject* watched, QEvent* event) {
  if (watched == view_ && event->type() == QEvent::Show && stale_) {
    stale_ = false;
    refresh_();
  }
  return QObject::eventFilter(watched, event);
}

}  // namespace bristle
