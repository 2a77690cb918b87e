// What the devices of a running menu hold down, and where its pointers are.
#pragma once
#include <optional>
#include <vector>

#include "runtime/session/input.h"

namespace bristle {

// A key, button or finger that is down. One of Accept or PointDown may have armed a button.
struct DownKey {
  InputType type = InputType::Accept;  // PointDown, Move, Accept, Cancel, Shoulder or Shortcut
  Source source;
  Dir dir = Dir::Up;      // of Move and Shoulder
  std::string name = {};  // of Shortcut
  int press = 0;          // the number of the press that it armed a button by; 0: none
  // Whether it was this device’s key or button that went down.
  bool is(InputType t, const InputEvent& e) const {
    const bool directed = t == InputType::Move || t == InputType::Shoulder;
    return type == t && source == e.source() && (!directed || dir == e.dir) &&
           (t != InputType::Shortcut || name == e.name);
  }
};

// A mouse, or a finger while it touches.
struct Pointer {
  Source source;  // without key
  Px x = 0, y = 0;
  int over = -1;        // the box of the top screen that it is on
  bool hidden = false;  // by a direction key, until it moves
  int downs = 0;        // how many of its buttons are down
  int press = 0;        // the number of the press that it armed a button by last
};

// Keeps the books of what went down and not yet up. A second "down" and an "up" without one are
// told apart here, so that nothing downstream ever sees them.
class DownKeys {
 public:
  bool has(InputType type, const InputEvent& event) const;
  // Null when it is down already.
  DownKey* press(InputType type, const InputEvent& event);
  // What the event lets go; nothing when it was not down.
  std::optional<DownKey> release(InputType type, const InputEvent& event);
  // All that one device held, which is held no more.
  std::vector<DownKey> takeAway(Device device, int unit);
  // The direction that went down last among those that are held; null when none is.
  const DownKey* newestMove() const;

 private:
  std::vector<DownKey> down_;  // in the order in which they went down
};

}  // namespace bristle
