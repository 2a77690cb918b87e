// A take: a recorded run, and what is expected to happen in it.
#pragma once
#include <functional>
#include <optional>
#include <string>
#include <variant>
#include <vector>

#include "core/session/session.h"

namespace bristle {

// `line` is one of the trace's: it must come after the one that the last expectation found, and
// not later than `at`.
struct Expectation {
  Ms at = 0;
  std::string line;
  bool operator==(const Expectation&) const = default;
};

struct TakeStep {
  std::variant<InputEvent, Expectation> what;
  int source = 0;  // its line in the file; 0 when it never was in one
  ItemId on = {};  // a pointer's event: at this button's centre, wherever it lies then
};

// The step's event with its place filled in; nothing when what it points at is not on the screen.
std::optional<InputEvent> eventOf(const TakeStep& step, const Session& session);

struct Take {
  std::string name;
  DisplayId display;
  ScreenId screen;  // where it begins; empty: the project's first
  std::vector<TakeStep> steps;
};

struct TakeFailure {
  int source = 0;
  std::string expected;
  std::vector<std::string> happened;  // in the trace since the last expectation that was met
};

struct TakeResult {
  std::vector<TraceEntry> trace;
  std::vector<TakeFailure> failures;
};

// Runs a take from the start; `seen` is called when it has begun (with a tick), and whenever an
// event was worked off. An error when it cannot run at all.
using TakeSeen = std::function<void(const Session& session, const InputEvent& event)>;
Result<TakeResult> play(const Project& project, const Take& take, const TextMeasure& measure,
                        const HitTest* test = nullptr, const TakeSeen& seen = {});

// Checks expectations while a take is played elsewhere (in the window).
class TakeCheck {
 public:
  // Call when the session has come to the expectation's time.
  void check(const TakeStep& step, const std::vector<TraceEntry>& trace);
  const std::vector<TakeFailure>& failures() const { return failures_; }

 private:
  size_t cursor_ = 0;
  std::vector<TakeFailure> failures_;
};

// A take of what was fed, expecting what happened: all but the states, which follow from the rest.
Take keepAsTake(std::string name, const Session& session, const std::vector<InputEvent>& fed);

}  // namespace bristle
