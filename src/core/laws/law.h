// The ten laws of a button's machine, what breaks them, and the shortest way there.
#pragma once
#include <array>
#include <optional>
#include <string>
#include <vector>

#include "runtime/machine/program.h"

namespace bristle {

enum class Law : std::uint8_t {
  Rest = 1,          // left alone, it comes to a rest state
  DeadWhenDisabled,  // a disabled button never activates and shows a disabled state
  OneForOne,         // one press, one activation, as the machine says
  FocusShows,        // focus by keys can be seen
  PressShows,        // a press is seen before it ends
  NoOrphan,          // every state can be reached
  NoDeadEnd,         // every state can be left
  OneAnswer,         // no two transitions answer alike
  Settles,           // no endless chain without time passing
  Follows,           // the state's role is the one that the signals call for
};
inline constexpr int kLaws = 10;
inline constexpr std::int64_t kMostLawWork = 2'000'000;  // steps of a check: about a second
// "Rest", "Dead when disabled" …
std::string_view nameOf(Law law);

// What it asks for, in one sentence.
std::string_view meaningOf(Law law);

// What can happen to a button from outside.
enum class Deed : std::uint8_t {
  Over,          // the pointer comes over it,
  Out,           // and goes
  PointerPress,  // a press by pointer or finger begins
  KeyPress,      // a press by accept begins
  Release,       // the press ends where it is; `index` 1: the one by accept, for drawing
  Cancel,        // the press is called off; the same
  Lift,          // the finger lifts: the press ends where it is, and nothing is over it any more
  Gone,          // the device goes: the press is called off, and nothing is over it any more
  Focus,
  Blur,
  Enable,
  Disable,
  Message,   // `index`: of the message in the symbols
  SetValue,  // somebody else sets `index` to `value`
  Current,   // it leads to the screen shown, or its formula holds, from now on,
  NotCurrent,
  Unlock,  // it became available for the first time
  Wait,    // nothing but time: what is told happens by then
};
// "over", "press", "not.current", … as in files and reports.
std::string_view nameOf(Deed deed);
std::optional<Deed> parseDeed(std::string_view name);
struct LawStep {
  Deed deed;
  Ms at = 0;  // since the screen opened
  int index = 0;
  double value = 0;
  bool operator==(const LawStep&) const = default;
};
using Sequence = std::vector<LawStep>;

enum class LawVerdict : std::uint8_t { Kept, Broken, NotProved };
// "kept", "broken", "not proved".
std::string_view nameOf(LawVerdict verdict);

struct LawResult {
  bool broken = false;
  std::string what;    // what happened, in words
  Sequence sequence;   // the shortest that breaks it; empty where none leads there (an orphan)
  std::string waived;  // the reason why the law is switched off; counts as kept then
};

struct LawReport {
  std::array<LawResult, kLaws> laws;
  std::vector<std::uint32_t> neverTaken;  // places in Machine::transitions
  std::vector<std::string> advice;        // what may be meant, but should be looked at
  size_t visited = 0;                     // situations: state, signals, values, timers
  bool whole = true;  // false: not all situations could be visited, so that nothing is called kept
  std::string whyNotWhole;  // in words, with the figure
  // A law that is switched off counts as kept.
  LawVerdict verdict(Law law) const;
  const LawResult& of(Law law) const { return laws[static_cast<size_t>(law) - 1]; }
  LawResult& of(Law law) { return laws[static_cast<size_t>(law) - 1]; }
  bool allKept() const;     // every one, proved or switched off
  bool noneBroken() const;  // none is known to be broken
};

// What the laws need to know of looks. Without one, two states look different when they are two.
class LawLooks {
 public:
  virtual ~LawLooks() = default;
  // Whether a change from one state to the other can be seen at all.
  virtual bool differ(StateIndex a, StateIndex b) const = 0;
  // Whether it is enough to be seen as focus (WCAG 2.2 §2.4.13).
  virtual bool showsFocus(StateIndex focused, StateIndex rest) const = 0;
};

}  // namespace bristle
