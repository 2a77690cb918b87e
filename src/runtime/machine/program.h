// A machine made ready to run: the transitions sorted by state and event, guards compiled, names
// numbered. Immutable; one serves all the buttons that share the machine.
#pragma once
#include <array>
#include <cstdint>
#include <span>
#include <vector>

#include "runtime/document/machine.h"
#include "runtime/document/named.h"
#include "runtime/machine/formula.h"

namespace bristle {

using StateIndex = std::uint16_t;

struct ProgramEffect {
  EffectType type;
  std::uint32_t index = 0;  // of the message, the value or the sound
  Formula formula;
  double volume = 1;
};

// How a transition runs: the properties that have a timing of their own by it, the others by `all`.
struct Pace {
  Timing all;
  PropTimings own;
  // The timing that counts for a property.
  const Timing& of(Prop prop) const;
};

// With what its names stand for.
Timing settledTiming(Timing timing, const Naming& names);

struct ProgramTransition {
  StateIndex to = 0;
  std::uint32_t source = 0;  // its place in Machine::transitions
  bool common = false;       // from every state
  Ms after = 0;
  std::int32_t message = -1;
  Formula guard;
  std::vector<ProgramEffect> effects;
  Pace pace;
};

class Program {
 public:
  // Transitions from or to states that are not there are left out; `check` reports them. Guards
  // which do not compile are an error.
  // Named durations and easings are settled by `names`.
  static Result<Program> compile(const Machine& machine, Symbols& symbols,
                                 const Naming& names = {});

  size_t stateCount() const { return roles_.size(); }
  Role role(StateIndex state) const { return roles_[state]; }
  // Own transitions first, then common ones, each in document order.
  std::span<const std::uint16_t> candidates(StateIndex state, Event event) const {
    const Span& s = spans_[state * kEvents + static_cast<size_t>(event)];
    return {order_.data() + s.from, s.count};
  }
  size_t transitionCount() const { return transitions_.size(); }
  const ProgramTransition& transition(std::uint16_t index) const { return transitions_[index]; }

  // How the machine moves where no transition says otherwise.
  const Pace& pace() const { return pace_; }
  // The first of its rest states; 0 where it has none.
  StateIndex restState() const;

  Ms hold = 0, repeatDelay = 0, repeatInterval = 0;
  bool usesHold = false, usesRepeat = false;
  bool hearsCurrent = false;  // some transition is on current.begin or current.end
  bool hearsUnlock = false;   // the same for unlock

 private:
  static constexpr size_t kEvents = 16;
  struct Span {
    std::uint32_t from = 0;
    std::uint16_t count = 0;
  };
  void sortByStateAndEvent(const Machine& machine);

  Pace pace_;
  std::vector<Role> roles_;
  std::vector<ProgramTransition> transitions_;
  std::vector<std::uint16_t> order_;
  std::vector<Span> spans_;
};

// What, beside the signals of every button, a machine minds: whether it is current, messages that
// it answers, values that its guards read.
struct Minds {
  bool current = false;
  std::vector<int> messages;
  std::vector<std::uint32_t> values;
};
// Which events and signals could make a difference at all.
Minds mindsOf(const Program& program);

}  // namespace bristle
