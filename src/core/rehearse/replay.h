// A take on a reel: what a replay is looked at with.
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "runtime/session/take.h"

namespace bristle {

class Reel;

struct Replayed {
  std::vector<TakeFailure> failures;
  std::optional<Ms> failsAt;  // when the first of them was due
  std::string stopped;        // why it could not be played to its end; empty: it was
};

// Feeds all of it to a reel that has just begun, as fast as it goes.
Replayed replay(const Take& take, Reel& reel);

}  // namespace bristle
