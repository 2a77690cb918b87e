#include "core/rehearse/restless_events.h"

#include "core/rehearse/held.h"

namespace bristle {

InputEvent RestlessEvents::key(InputType type) {
  InputEvent e;
  e.type = type;
  e.device = below(2) ? Device::Keyboard : Device::Controller;
  if (type == InputType::Accept) e.key = static_cast<int>(below(2));
  if (type == InputType::Move) e.dir = kDirs[below(4)];
  if (type == InputType::Shoulder) e.dir = below(2) ? Dir::Left : Dir::Right;
  return e;
}

InputEvent RestlessEvents::pointer(const Session& session, InputType type) {
  InputEvent e;
  e.type = type;
  e.device = below(4) ? Device::Mouse : Device::Touch;
  if (e.device == Device::Touch) e.unit = static_cast<int>(below(2));
  const ScreenRun& top = session.stack().back();
  if (top.buttons.empty()) return e;
  const size_t box = below(top.buttons.size());
  const Box& all = top.routes.input.boxes[box];
  e.x = all.x + all.w / 2;
  e.y = all.y + all.h / 2;
  e.name = top.buttons[box].item->id.text;
  return e;
}

InputEvent RestlessEvents::release() {
  return endOf(held_[below(held_.size())]);
}

InputEvent RestlessEvents::choose(const Session& session) {
  const auto what = below(100);
  if (what < 30) return key(InputType::Move);
  if (what < 52 && !held_.empty()) return release();
  if (what < 64) return key(InputType::Accept);
  if (what < 69) return key(InputType::Cancel);
  if (what < 72) {
    InputEvent e = key(InputType::Step);
    e.device = Device::Keyboard;
    e.down = below(2) != 0;
    return e;
  }
  if (what < 82) return pointer(session, InputType::Point);
  if (what < 93) return pointer(session, InputType::PointDown);
  if (what < 95) return key(InputType::Shoulder);
  const auto& shortcuts = session.project().shortcuts;
  if (what < 98 && !shortcuts.empty()) {
    InputEvent e = key(InputType::Shortcut);
    e.name = shortcuts[below(shortcuts.size())].id.text;
    return e;
  }
  InputEvent e;
  if (what < 99) return e;
  e.type = InputType::Gone;
  e.device = static_cast<Device>(below(4));
  return e;
}

InputEvent RestlessEvents::next(const Session& session) {
  InputEvent e = choose(session);
  const auto pause = below(100);
  e.at = session.now() + Ms(pause < 85 ? below(80) : pause < 98 ? below(500) : below(5'000));
  noteHeld(held_, e);
  return e;
}

std::vector<InputEvent> RestlessEvents::letGo(Ms at) {
  std::vector<InputEvent> out;
  for (const InputEvent& down : held_) {
    out.push_back(endOf(down));
    out.back().at = at;
  }
  held_.clear();
  return out;
}

}  // namespace bristle
