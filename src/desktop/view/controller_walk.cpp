#include "desktop/view/controller_walk.h"

#include <QEvent>

#include "desktop/work/work.h"
#include "devices/controllers.h"

namespace bristle {
namespace {
constexpr int kPolled = 8;  // every so many ms
}

ControllerWalk::ControllerWalk(Work& work, QWidget& where)
    : QObject(&where), work_(work), where_(where) {
  polling_.setInterval(kPolled);
  connect(&polling_, &QTimer::timeout, this, &ControllerWalk::poll);
  where.installEventFilter(this);
}

bool ControllerWalk::eventFilter(QObject* watched, QEvent* event) {
  if (event->type() == QEvent::Show) {
    work_.controllers().poll(0);  // what was pressed elsewhere is not meant here
    down_ = {};
    signs_ = {};
    clock_.start();
    polling_.start();
  }
  if (event->type() == QEvent::Hide) polling_.stop();
  return QObject::eventFilter(watched, event);
}

void ControllerWalk::poll() {
  const Ms now = clock_.elapsed();
  const bool used = where_.window()->isActiveWindow();
  for (const ControllerEvent& each : work_.controllers().poll(now)) {
    InputEvent event = each.event;
    if (each.sign) {
      const int unit = event.unit;
      const auto meant = event.down ? signs_.down(work_.project(), work_.screen(), *each.sign, unit)
                                    : signs_.up(*each.sign, unit);
      if (!meant) continue;
      event = *meant;
      event.at = now;
    }
    if (used) take(event);
  }
  const DownKey* held = down_.newestMove();
  if (!used || !held || now < nextRepeat_) return;
  nextRepeat_ = now + work_.project().settings.repeatInterval;
  Q_EMIT stepped(held->dir);
}

void ControllerWalk::take(const InputEvent& event) {
  switch (event.type) {
    case InputType::Move:
      nextRepeat_ = event.at + work_.project().settings.repeatDelay;
      if (!event.down)
        down_.release(InputType::Move, event);
      else if (down_.press(InputType::Move, event))
        Q_EMIT stepped(event.dir);
      break;
    case InputType::Accept:
    case InputType::Cancel:
      if (event.down) Q_EMIT wentThrough(event.type == InputType::Accept);
      break;
    case InputType::Shoulder:
      if (event.down) Q_EMIT turned(event.dir == Dir::Right);
      break;
    case InputType::Gone:
      down_.takeAway(event.device, event.unit);
      signs_.forget(Sign::Of::Button, event.unit);
      break;
    default:
      break;
  }
}

}  // namespace bristle
