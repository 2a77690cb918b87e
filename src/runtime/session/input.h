// What devices become: the only way into a running menu.
#pragma once
#include <cstdint>
#include <string>

#include "runtime/document/basics.h"
#include "runtime/document/route_rule.h"

namespace bristle {

enum class InputType : std::uint8_t {
  Tick,
  Point,
  PointDown,
  PointUp,
  Scroll,
  Move,
  Accept,
  Cancel,
  Step,
  Gone,
  // From the host, that is the game or the page around the menu:
  Enable,
  Message,
  SetValue,
  Shoulder,
  Shortcut
};
enum class Device : std::uint8_t { Mouse, Touch, Keyboard, Controller };

// Which key or button of which device something comes from. What began by one is ended only by it.
struct Source {
  Device device = Device::Keyboard;
  int unit = 0;  // of several of a sort; of touch: the finger
  int key = 0;   // of the keys or buttons that mean the same, for example Enter and Space
  bool operator==(const Source&) const = default;
};

// Point*: x, y in layout px. Scroll: what lies there is moved on by `number` px towards `dir`.
// Move: dir, and whether it went down or up. Accept, Cancel, Shoulder, Shortcut: down or up;
// Shoulder: dir is left or right; Shortcut: `name` is its id. Step (Tab): `down` is forwards, in
// reading order. Gone: the device `unit` was taken away; what it held is given up. Enable: the
// button `name` becomes enabled (down) or disabled. Message: `name`. SetValue: the value `name`
// becomes `number`. `at` is in ms since the session began; it may not go back.
struct InputEvent {
  Ms at = 0;
  InputType type = InputType::Tick;
  Device device = Device::Keyboard;
  Px x = 0, y = 0;
  Dir dir = Dir::Up;
  bool down = true;
  int unit = 0, key = 0;
  std::string name = {};
  double number = 0;
  bool operator==(const InputEvent&) const = default;
  Source source() const { return {device, unit, key}; }
};

// Point, down or up.
inline bool isPointerEvent(InputType type) {
  return type == InputType::Point || type == InputType::PointDown || type == InputType::PointUp;
}
// A mouse or a finger.
inline bool isPointer(Device device) {
  return device == Device::Mouse || device == Device::Touch;
}
// A key or a controller's button goes down that is held until it is let go.
inline bool isKeyDown(const InputEvent& event) {
  switch (event.type) {
    case InputType::Move:
    case InputType::Accept:
    case InputType::Cancel:
    case InputType::Shoulder:
    case InputType::Shortcut:
      return event.down;
    default:
      return false;
  }
}
// What a person's device does, as against time and the host.
inline bool isByPerson(InputType type) {
  switch (type) {
    case InputType::Tick:
    case InputType::Gone:
    case InputType::Enable:
    case InputType::Message:
    case InputType::SetValue:
      return false;
    default:
      return true;
  }
}

}  // namespace bristle
