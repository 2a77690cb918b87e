// A visitor who presses everything: seeded random rehearsals that look for what a menu must never
// come to, and the shortest way there.
#pragma once
#include <cstdint>
#include <functional>
#include <string_view>
#include <vector>

#include "runtime/session/take.h"

namespace bristle {

class Session;

enum class Trouble : std::uint8_t {
  Stuck,       // nothing that can be pressed does anything, and there is no way back
  FocusLost,   // a direction was pressed, something could have focus, and nothing has it
  Highlights,  // two buttons look as if they were the one that is meant
  PressLeft,   // all is let go, and one is still armed or looks pressed
  Endless      // a chain of messages or timers had to be cut
};
// A word for file names, and what it means, as the end of a sentence.
std::string_view nameOf(Trouble trouble);
std::string_view wordsFor(Trouble trouble);

struct Found {
  Trouble trouble = Trouble::Stuck;
  ItemId item;      // that shows it; empty: the screen does
  ScreenId screen;  // on top when it came to that
  Take take;        // the fewest events that lead there, pointers by the buttons that they are on
};

struct Restless {
  std::uint64_t events = 0;  // done
  std::vector<Found> found;  // one of each trouble and place
};

// Feeds so many events, in rounds that each begin as `begun` does. The same seed does the same
// everywhere. `goesOn` is asked between rounds with how many are done; false ends it.
Restless visit(const Session& begun, std::uint64_t events, std::uint64_t seed,
               const std::function<bool(std::uint64_t done)>& goesOn = {});

// Whether nothing that a person can press leads anywhere any more. Tries all of it on copies.
bool isStuck(const Session& session);

}  // namespace bristle
