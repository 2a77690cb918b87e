// Edits of what moves while a state lasts.
#pragma once
#include <optional>
#include <span>

#include "core/edit/history.h"

namespace bristle {

// The state's motion becomes this one; none where there is nothing, or nothing in it. Key frames
// are put in order. Refused where a track is not of a number of the kind, a time is out of range
// (period 10–600 000 ms, delay 0–600 000 ms, count 0–1000), or a number is beyond the property's
// whole range.
Edit setMotion(KindId kind, StateId state, std::optional<StateMotion> motion, std::string name,
               std::string mergeKey = {});

// Motions to begin with.
enum class Flourish : std::uint8_t { Pulse, Breathe, Nudge, Sway, Arrive };
// In the order in which they are offered.
std::span<const Flourish> allFlourishes();
// As a person reads it: “arrive once”.
std::string_view nameOf(Flourish which);
// For one part, or for the whole button. Arrive comes once, the others go on.
StateMotion flourish(Flourish which, const PartId& part);

}  // namespace bristle
