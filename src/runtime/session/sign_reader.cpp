#include "runtime/session/sign_reader.h"

#include <algorithm>

namespace bristle {
namespace {

// Beside the arrows, the D-pad and the stick, which move by themselves.
constexpr int kFirstMover = 1000;

InputEvent eventOf(const Binding& binding, int unit) {
  InputEvent out;
  out.device = binding.sign.of == Sign::Of::Key ? Device::Keyboard : Device::Controller;
  out.unit = unit;
  out.key = placeOf(binding.sign);
  const auto moves = [&](Dir dir) {
    out.type = InputType::Move;
    out.dir = dir;
    out.key += kFirstMover;
  };
  switch (binding.does) {
    case Does::Accept:
      out.type = InputType::Accept;
      break;
    case Does::Cancel:
      out.type = InputType::Cancel;
      break;
    case Does::TabLeft:
    case Does::TabRight:
      out.type = InputType::Shoulder;
      out.dir = binding.does == Does::TabLeft ? Dir::Left : Dir::Right;
      break;
    case Does::Up:
      moves(Dir::Up);
      break;
    case Does::Down:
      moves(Dir::Down);
      break;
    case Does::Left:
      moves(Dir::Left);
      break;
    case Does::Right:
      moves(Dir::Right);
      break;
    case Does::Shortcut:
      out.type = InputType::Shortcut;
      out.name = binding.shortcut.text;
      break;
    case Does::Nothing:
      break;
  }
  return out;
}

}  // namespace

std::optional<InputEvent> SignReader::down(const Project& project, const Screen* screen,
                                           const Sign& sign, int unit) {
  const bool isDown = std::any_of(held_.begin(), held_.end(), [&](const Held& held) {
    return held.of == sign.of && held.name == sign.name && held.unit == unit;
  });
  const Binding* binding = isDown ? nullptr : bindingOf(project, screen, sign);
  if (!binding) return {};
  held_.push_back({sign.of, sign.name, unit, eventOf(*binding, unit)});
  return held_.back().event;
}

std::optional<InputEvent> SignReader::up(const Sign& sign, int unit) {
  const auto at = std::find_if(held_.begin(), held_.end(), [&](const Held& held) {
    return held.of == sign.of && held.name == sign.name && held.unit == unit;
  });
  if (at == held_.end()) return {};
  InputEvent out = std::move(at->event);
  held_.erase(at);
  out.down = false;
  return out;
}

void SignReader::forget(Sign::Of of, int unit) {
  std::erase_if(held_, [&](const Held& held) { return held.of == of && held.unit == unit; });
}

}  // namespace bristle
