#include "core/rehearse/held.h"

namespace bristle {
namespace {

bool ends(const InputEvent& e, const InputEvent& down) {
  if (e.type == InputType::Gone) return e.device == down.device && e.unit == down.unit;
  if (!(e.source() == down.source())) return false;
  const InputEvent up = endOf(down);
  return e.type == up.type && e.down == up.down && e.dir == up.dir &&
         (isPointerEvent(e.type) || e.name == up.name);
}

}  // namespace

bool goesDown(const InputEvent& event) {
  return event.type == InputType::PointDown || isKeyDown(event);
}

InputEvent endOf(InputEvent down) {
  if (down.type == InputType::PointDown)
    down.type = InputType::PointUp;
  else
    down.down = false;
  return down;
}

void noteHeld(std::vector<InputEvent>& held, const InputEvent& event) {
  std::erase_if(held, [&](const InputEvent& down) { return ends(event, down); });
  if (goesDown(event)) held.push_back(event);
}

}  // namespace bristle
