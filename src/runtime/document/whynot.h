// Why something cannot stand in a project: the one set of rules that edits, imports and the reader
// of files share, so that whatever an edit leads to can be written and read again. Each gives
// nothing where all is well, else what was expected, as a sentence's end: "an angle from −3600 to
// 3600".
#pragma once
#include <optional>
#include <string>

#include "runtime/document/project.h"

namespace bristle {

inline constexpr double kFarthest = 1e7;         // no number of a look is meant to be larger
inline constexpr Ms kLongestTime = 3'600'000;    // of a duration, a delay, a timer
inline constexpr size_t kLongestId = 100;        // characters
inline constexpr Px kLargestDisplay = 16384;     // wide or high
inline constexpr size_t kMostBlocked = 16;       // areas of a display
inline constexpr size_t kMostBindings = 500;     // of a project, of a screen
inline constexpr size_t kDeepestContainer = 64;  // containers in containers

// Stops, angle and radius.
std::string whyNot(const Fill& fill);
std::string whyNot(const Shadow& shadow);
std::string whyNot(const Easing& easing);
// Whatever sort it is of; which property it may stand in is whyUnsuitable's matter.
std::string whyNot(const Value& value);
std::string whyNot(const Timing& timing);
std::string whyNot(const ScreenMotion& motion);
std::string whyNot(const Actions& actions);
std::string whyNotId(const std::string& id);

// With the place inside of it: "hover, fill".
std::optional<Error> whyNot(const Display& display);
std::optional<Error> whyNot(const Settings& settings);
std::optional<Error> whyNot(const NamedValue& named);
std::optional<Error> whyNot(const ProjectValue& value);
std::optional<Error> whyNot(const Delivery& delivery);
std::optional<Error> whyNot(const Machine& machine);
std::optional<Error> whyNot(const Kind& kind);
std::optional<Error> whyNot(const Item& item);
// All but its items' own values: ids, and containers that hold themselves.
std::optional<Error> whyNot(const Screen& screen);
// One container, and no copy of itself in it, directly or by other groups.
std::optional<Error> whyNotGroups(const Project& project);
// The whole; parts that are the same as `before`'s are taken to be well.
std::optional<Error> whyNot(const Project& project, const Project* before = nullptr);

}  // namespace bristle
