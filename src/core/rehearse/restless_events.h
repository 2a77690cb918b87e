// What a restless visitor does next.
#pragma once
#include <random>
#include <vector>

#include "runtime/session/session.h"

namespace bristle {

// Any of what mouse, finger, keyboard and controller can do, in the midst of one another's presses.
class RestlessEvents {
 public:
  explicit RestlessEvents(std::uint64_t seed) : random_(seed) {}
  // A new round: nothing is held.
  void begin() { held_.clear(); }
  // At a time not before the session's. Pointers are at the middle of a button, and have its name.
  InputEvent next(const Session& session);
  // What lets go of all that is held, at a time.
  std::vector<InputEvent> letGo(Ms at);

 private:
  std::uint64_t below(std::uint64_t n) { return random_() % n; }
  InputEvent key(InputType type);
  InputEvent pointer(const Session& session, InputType type);
  InputEvent release();
  InputEvent choose(const Session& session);

  std::mt19937_64 random_;
  std::vector<InputEvent> held_;
};

}  // namespace bristle
