// A take: a recorded run, and what is expected to happen in it.
#pragma once
#include <string>
#include <variant>
#include <vector>

#include "runtime/document/ids.h"
#include "runtime/session/input.h"

namespace bristle {

// `line` is one of the trace's: it must come after the one that the last expectation found, and
// not later than `at`.
struct Expectation {
  Ms at = 0;
  std::string line;
  bool operator==(const Expectation&) const = default;
};

// A pointer's event with a `name` is at the centre of the button of that id, wherever it lies then.
struct TakeStep {
  std::variant<InputEvent, Expectation> what;
  int source = 0;  // its line in the file; 0 when it never was in one
};

struct Take {
  std::string name;
  DisplayId display;
  LanguageId language;  // empty: the project's first
  ScreenId screen;      // where it begins; empty: the project's first
  std::string about;    // what it is for, in a person's words
  // Where it is not meant to be played, when it is played everywhere.
  std::vector<DisplayId> notOn;
  std::vector<LanguageId> notIn;
  std::vector<TakeStep> steps;
};

struct TakeFailure {
  int source = 0;
  std::string expected;
  std::vector<std::string> happened;  // in the trace since the last expectation that was met
};

}  // namespace bristle
