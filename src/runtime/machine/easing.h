// Easing functions as in CSS Easing Functions Level 1 (§2.2 cubic Bézier, §2.3 steps).
#pragma once

#include "runtime/document/machine.h"

namespace bristle {

// `progress` 0–1 in; out 0–1, beyond it where a cubic Bézier or a spring overshoots.
double ease(const Easing& easing, double progress);

// How long a spring moves until it is within a thousandth of its way from rest, ms. A spring of
// the damping ratio ζ and the angular frequency ω = 2π ÷ period from standstill: for ζ < 1
// x = 1 − e^(−ζωt) (cos ω₁t + ζω/ω₁ · sin ω₁t), ω₁ = ω √(1 − ζ²); for ζ ≥ 1 without waves.
double restsAfter(const Easing& spring);

// How long a run takes after its delay, ms: the duration, or until the spring rests.
double runTime(const Timing& timing);

}  // namespace bristle
