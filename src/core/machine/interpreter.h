// Runs one button's machine. Time is handed in; nothing is allocated per event once the caller's
// outcome list has grown to its size; the same input gives the same output.
//
//   Running run;
//   enterOver(program, run, now, values, outcomes);
#pragma once
#include <cstdint>
#include <span>
#include <vector>

#include "core/machine/program.h"

namespace bristle {

// All that a running machine remembers. Plain, so that a session can be copied and stepped back.
struct Running {
  StateIndex state = 0;
  Signals signals;
  bool byKey = false;  // the armed press is by a key or a controller button: down wherever it is
  bool held = false;   // `hold` has come in this press
  Ms enteredAt = 0;    // when the state was entered
  Ms afterDone = -1;   // the `after` events up to this time in the state have come
  Ms downSince = 0;
  Ms nextRepeat = 0;
  bool operator==(const Running&) const = default;
};

enum class OutcomeType : std::uint8_t { State, Activate, Message, SetValue, Runaway };

// What a machine did. For State `index` is the transition in the program.
struct Outcome {
  OutcomeType type;
  StateIndex from = 0, to = 0;
  std::uint32_t index = 0;  // of the transition, the message or the value
  double value = 0;         // what a value was set to
  Ms at = 0;
};

// A step's surroundings: the time, the project's values, and where what happens is appended.
struct StepContext {
  Ms now = 0;
  std::span<const double> values;
  std::vector<Outcome>* out = nullptr;
};

// One event, worked off whole. `message` is only for Event::Message, `after` only for Event::After.
void deliver(const Program&, Running&, Event, const StepContext&, int message = -1, Ms after = 0);

// What can happen to a button from outside. Each sets the signals, then delivers. Asking for what
// is so already does nothing.
void setOver(const Program&, Running&, bool over, const StepContext&);
void setFocus(const Program&, Running&, bool focus, const StepContext&);
void setEnabled(const Program&, Running&, bool enabled, const StepContext&);
void beginPress(const Program&, Running&, bool byKey, const StepContext&);
void endPress(const Program&, Running&, const StepContext&);  // release, or abandon when not down
void abandonPress(const Program&, Running&, const StepContext&);

// The time at which the next timer (after, hold, repeat) is due; −1 when there is none.
Ms nextDue(const Program&, const Running&);
// Fires what is due up to `context.now`, each at its own time. A chain of 1,000 without time
// passing is cut and told as Runaway.
void advance(const Program&, Running&, StepContext context);

}  // namespace bristle
