// Values in between: what a property shows while it runs from one value to another.
#pragma once
#include "core/document/value.h"

namespace bristle {

// The colour in between, in OKLab (B. Ottosson, 2020) with premultiplied alpha, as CSS Color
// Level 4 §12 mixes. `t` 0–1; beyond it the colour is clamped to what can be shown.
Colour mix(Colour a, Colour b, double t);
// Numbers, shadows' lengths and gradient angles go linearly, gradients stop by stop (stops that
// one side lacks are filled in on its own line), none counts as the other side made transparent;
// texts switch at the half. Both values must be of one type. `out` keeps its memory.
void mixInto(Value& out, const Value& a, const Value& b, double t);

// Relative luminance and contrast as in WCAG 2.2 (definitions); both colours opaque.
double luminance(Colour colour);
double contrast(Colour a, Colour b);

}  // namespace bristle
