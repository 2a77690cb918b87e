// Easing functions as in CSS Easing Functions Level 1 (§2.2 cubic Bézier, §2.3 steps).
#pragma once

#include "core/document/machine.h"

namespace bristle {

// `progress` 0–1 in; out 0–1, beyond it where a cubic Bézier overshoots.
double ease(const Easing& easing, double progress);

}  // namespace bristle
