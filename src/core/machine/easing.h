// Easing functions as in CSS Easing Functions Level 1 (§2.2 cubic Bézier, §2.3 steps).
#pragma once
#include <optional>
#include <string>
#include <string_view>

#include "core/document/machine.h"

namespace bristle {

// `progress` 0–1 in; out 0–1, beyond it where a cubic Bézier overshoots.
double ease(const Easing& easing, double progress);

// "linear", "bezier 0.2 0.7 0.2 1", "steps 4", "steps 4 start"; files and the card use it.
std::string toText(const Easing& easing);
std::optional<Easing> parseEasing(std::string_view text);

}  // namespace bristle
