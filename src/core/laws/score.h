// A sequence as it is drawn: stretches in lanes, and messages. What the scope edits.
#pragma once
#include "core/laws/sequence.h"

namespace bristle {

enum class Lane : std::uint8_t { Over, Press, Accept, Focus, Disabled, Current };
inline constexpr int kLaneCount = 6;
// As the lane is called on the scope.
std::string_view nameOf(Lane lane);

// The lane's signal is on from one time to the other; −1: to the end.
struct Stretch {
  Lane lane = Lane::Over;
  Ms from = 0, to = -1;
  bool calledOff = false;  // a press that ends by cancel
  // A press that ends by the same cause as the pointer over it, where both end at one time: the
  // finger lifts, or its device goes.
  bool lifts = false;
  bool operator==(const Stretch&) const = default;
};
struct Moment {  // a message or a value that is set
  LawStep step;
  bool operator==(const Moment&) const = default;
};

struct Score {
  std::vector<Stretch> stretches;
  std::vector<Moment> marks;
  Ms length = 2000;
  bool operator==(const Score&) const = default;
};

// Steps in the order of their times; at the same time what ends comes before what begins, and a
// press after what it needs.
Sequence sequenceOf(const Score& score);
// For watching: steps of one time that depend on their order are set apart.
Score scoreOf(const Sequence& sequence);
// At the very times that it has.
Score scoreAsKept(const Sequence& sequence);

// Turns a lane on or off from `from` to `to`; what it touches there is joined or cut.
void setLane(Score& score, Lane lane, Ms from, Ms to, bool on);

enum class Preset : std::uint8_t {
  Click,
  DragOff,
  Sweep,
  FocusElsewhere,  // focus by keys while the mouse rests on another
  DisabledWhileHeld,
  Frantic,
};
// In the order in which they are offered.
std::span<const Preset> allPresets();
// As it stands in the menu.
std::string_view nameOf(Preset preset);
// The signals of a preset, from 0 ms on.
Score scoreOf(Preset preset);

// What a machine did with a score: which state from when, and what came of it.
struct StatePeriod {
  Ms from = 0;
  StateIndex state = 0;
  std::int32_t transition = -1;  // its place in Machine::transitions; −1 at the start
  std::uint16_t taken = 0;       // … and in the program
};
struct ScoreRun {
  std::vector<StatePeriod> states;
  std::vector<Outcome> outcomes;
  // The state that lasts at a time; the first before anything happened.
  StateIndex at(Ms time) const;
};
// "state normal → hover", "activate", …: states by ids, as in a trace.
std::string toLine(const Outcome& outcome, const Machine& machine, const Symbols& symbols);
ScoreRun play(const Program& program, const std::vector<double>& values, const Score& score);

}  // namespace bristle
