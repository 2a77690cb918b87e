// Runs one button's machine. Time is handed in; nothing is allocated per event once the caller's
// outcome list has grown to its size; the same input gives the same output.
//
//   Running run;
//   enterOver(program, run, now, values, outcomes);
#pragma once
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

#include "runtime/machine/program.h"

namespace bristle {

// All that a running machine remembers. Plain, so that a session can be copied and stepped back.
struct Running {
  StateIndex state = 0;
  Signals signals;
  bool byKey = false;  // the armed press is by a key or a controller button: down wherever it is
  bool held = false;   // `hold` has come in this press; another one needs a new press
  Ms enteredAt = 0;    // when the state was entered
  Ms afterDone = -1;   // the `after` events up to this time in the state have come
  Ms downSince = 0;
  Ms nextRepeat = 0;
  bool operator==(const Running&) const = default;
};

enum class OutcomeType : std::uint8_t { State, Activate, Message, SetValue, Sound, Runaway };

// What a machine did. For State `index` is the transition in the program.
struct Outcome {
  OutcomeType type;
  StateIndex from = 0, to = 0;
  std::uint32_t index = 0;  // of the transition, the message, the value or the sound
  double value = 0;         // what a value was set to; a sound's volume
  Ms at = 0;
};

// Is asked before each event is worked off. For checkers; running menus have none.
class DeliveryWatch {
 public:
  virtual ~DeliveryWatch() = default;
  virtual void delivering(const Program& program, const Running& run, Event event, int message,
                          Ms after, std::span<const double> values) = 0;
};

// A step's surroundings: the time, the project's values, and where what happens is appended.
struct StepContext {
  Ms now = 0;
  std::span<const double> values;
  std::vector<Outcome>* out = nullptr;
  DeliveryWatch* watch = nullptr;
  double* sets = nullptr;  // where values are set, at once: the same ones; null: nowhere
};

// One event, worked off whole. `message` is only for Event::Message, `after` only for Event::After.
void deliver(const Program&, Running&, Event, const StepContext&, int message = -1, Ms after = 0);

// What one cause changes of a button's signals: all of them first, then the events are delivered in
// the order disable | focus.lose, release, over.end, abandon, enable, current.end, current.begin,
// focus.gain, over.begin, so that no state flashes in between. What is so already stays without an
// event.
enum class Ends : std::uint8_t {
  Nothing,
  Press,
  Abandoned
};  // an armed press: let go, or given up
struct SignalChange {
  std::optional<bool> over = {}, focus = {}, enabled = {}, current = {};
  Ends ends = Ends::Nothing;
};
void change(const Program&, Running&, const SignalChange&, const StepContext&);

// The same for one signal each.
void setOver(const Program&, Running&, bool over, const StepContext&);
void setFocus(const Program&, Running&, bool focus, const StepContext&);
void setEnabled(const Program&, Running&, bool enabled, const StepContext&);
void setCurrent(const Program&, Running&, bool current, const StepContext&);
void beginPress(const Program&, Running&, bool byKey, const StepContext&);
void endPress(const Program&, Running&, const StepContext&);  // release, or abandon when not down
void abandonPress(const Program&, Running&, const StepContext&);

enum class Timer : std::uint8_t { None, After, Hold, Repeat };
// The next `after` of this state that has not come yet, ms in the state; −1 when there is none.
Ms nextAfter(const Program&, const Running&);
// One timer's event, at the context's time.
void fire(const Program&, Running&, Timer, const StepContext&);
// The next timer that is due, and when; at one time `after` before `hold` before `repeat`. −1 and
// None when there is none.
struct Due {
  Ms at = -1;
  Timer timer = Timer::None;
};
// The timer that fires next, and when, ms; Timer::None where none runs.
Due nextTimer(const Program&, const Running&);
// When that is.
inline Ms nextDue(const Program& program, const Running& run) {
  return nextTimer(program, run).at;
}
// Fires the first timer that is due at the context's time: one event, so that what comes of it can
// be worked off before the next.
void fireNext(const Program&, Running&, const StepContext&);
// Counts the timers of one button that fire one after the other at the same time: a chain of more
// than 1,000 is cut.
class FiringChain {
 public:
  // False where too many timers fired at one ms: something goes round without end.
  bool goesOn(Ms due);

 private:
  Ms last_ = -1;
  int length_ = 0;
};
// Ends such a chain: told as Runaway, and the state's `after` that are due have come.
void cutShort(Running&, const StepContext&);
// Fires what is due up to `context.now`, each at its own time, where nothing comes of
// it that would have to be worked off in between.
void advance(const Program&, Running&, StepContext context);

}  // namespace bristle
