// The document's side of a button's machine: plain data. core/machine compiles and runs it.
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"
#include "runtime/document/property.h"
#include "runtime/document/value.h"

namespace bristle {

enum class Role : std::uint8_t { None, Rest, Hover, Press, Focus, Disabled };

struct State {
  StateId id;
  std::string name;
  Role role = Role::None;
  bool final = false;  // meant never to be left
  Extras extra = {};
  bool operator==(const State&) const = default;
};

enum class Event : std::uint8_t {
  OverBegin,
  OverEnd,
  Press,
  Release,
  Abandon,
  FocusGain,
  FocusLose,
  Enable,
  Disable,
  CurrentBegin,  // it leads to the screen shown, or its formula holds, from now on,
  CurrentEnd,    // and no longer
  Hold,
  Repeat,
  After,
  Message,
  Unlock,  // it became available for the first time
};

struct Timing {
  Ms duration = 120;
  Ms delay = 0;
  Easing easing;
  NamedId namedDuration = {}, namedEasing = {};  // where set, these count
  bool operator==(const Timing&) const = default;
};

// A property that has a timing of its own, whichever part it belongs to.
struct PropTiming {
  Prop prop = Prop::Shown;
  Timing timing;
  bool operator==(const PropTiming&) const = default;
};
using PropTimings = std::vector<PropTiming>;  // each property once

enum class EffectType : std::uint8_t { Activate, Message, SetValue, Sound };

struct Effect {
  EffectType type = EffectType::Activate;
  std::string message = {};  // Message
  ValueId value = {};        // SetValue: which
  std::string formula = {};  // SetValue: to what
  std::string file = {};     // Sound: a WAV or OGG file, beside the project
  double volume = 1;         // Sound: 0–1
  bool operator==(const Effect&) const = default;
};

struct Transition {
  std::optional<StateId> from;  // nothing: from every state ("common")
  Event on = Event::Press;
  Ms after = 0;         // On After: time in the state
  std::string message;  // On Message: which
  std::string guard;    // a formula (runtime/machine/formula.h); empty always holds
  StateId to;
  std::optional<Timing> timing;  // nothing: the machine's own
  PropTimings propTimings;       // counts before the machine's, and before `timing`
  std::vector<Effect> effects;
  Extras extra;
  bool operator==(const Transition&) const = default;
};

// Which look shows while the pointer is over a button that has focus.
enum class Wins : std::uint8_t { Hover, Focused };

// What a press has to do before the button activates: end on it, begin, last as long as the
// machine's hold time, or anything while it lasts, again and again.
enum class Fires : std::uint8_t { Release, Press, Hold, Repeat };

// A law that the machine's author has switched off, and why.
struct Waiver {
  int law = 0;  // 1–10, as in core/laws/law.h
  std::string reason;
  bool operator==(const Waiver&) const = default;
};

struct Machine {
  MachineId id;
  std::string name;
  Wins wins = Wins::Hover;
  Fires fires = Fires::Release;
  std::vector<Waiver> waivers;
  std::vector<State> states;  // the first is where a screen opens
  std::vector<Transition> transitions;
  Timing timing;
  PropTimings propTimings;  // counts before any transition's `timing`
  Ms hold = 600;            // `hold` comes after this much down
  Ms repeatDelay = 400;     // `repeat` comes first after this much down,
  Ms repeatInterval = 120;  // then every so often
  Extras extra;
  bool operator==(const Machine&) const = default;
};

// Null where there is none of that id.
const State* findState(const Machine& machine, const StateId& id);

// Calls with every timing that the machine has.
template <class AnyMachine, class Use>
void eachTiming(AnyMachine& machine, Use use) {
  use(machine.timing);
  for (auto& own : machine.propTimings) use(own.timing);
  for (auto& t : machine.transitions) {
    if (t.timing) use(*t.timing);
    for (auto& own : t.propTimings) use(own.timing);
  }
}

// As it stands in files.
std::string_view nameOf(Fires fires);
// Nothing for another word.
std::optional<Fires> parseFires(std::string_view name);
// As it stands in files; empty for none.
std::string_view nameOf(Role role);
// Nothing for another word.
std::optional<Role> parseRole(std::string_view name);
// "over.begin", "release", … as in traces and files.
std::string_view nameOf(Event event);
std::optional<Event> parseEvent(std::string_view name);

}  // namespace bristle
