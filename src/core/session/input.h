// What devices become: the only way into a running menu.
#pragma once
#include <cstdint>

#include "core/document/basics.h"
#include "core/document/screen.h"

namespace bristle {

enum class InputType : std::uint8_t {
  Tick,
  Point,
  PointDown,
  PointUp,
  Move,
  Accept,
  Cancel,
  Step,
  Gone
};
enum class Device : std::uint8_t { Mouse, Touch, Keyboard, Controller };

// Point*: x, y in layout px. Move: dir, and whether it went down or up. Accept, Cancel: down or up.
// Step (Tab): `down` is forwards, in reading order. Gone: the device was taken away; what it held
// is given up. `at` is in ms since the session began and may not go back.
struct InputEvent {
  Ms at = 0;
  InputType type = InputType::Tick;
  Device device = Device::Keyboard;
  Px x = 0, y = 0;
  Dir dir = Dir::Up;
  bool down = true;
  bool operator==(const InputEvent&) const = default;
};

inline bool isPointer(Device device) {
  return device == Device::Mouse || device == Device::Touch;
}

}  // namespace bristle
