// Values in between: what a property shows while it runs from one value to another.
#pragma once
#include "runtime/document/value.h"

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

// How far apart two colours look, their opacity aside: the distance in OKLab (B. Ottosson, 2020).
double lookApart(Colour a, Colour b);

// OKLCH (CSS Color Module Level 4 §9.4): lightness 0–1, chroma 0–0.4 or so, hue in degrees.
struct Lch {
  double l = 0, c = 0, h = 0;
};
// Lightness, chroma and hue in OKLab (Ottosson 2020), without the opacity.
Lch toLch(Colour colour);
// Chroma is reduced as far as sRGB needs it; lightness and hue stay (§13.2, by bisection).
Colour fromLch(Lch lch, std::uint8_t alpha = 255);
// One colour over another, as it is painted.
Colour over(Colour top, Colour below);
// The colour with the nearest lightness whose contrast against `behind` reaches `wanted`; black or
// white, whichever is better, where none does.
Colour nudged(Colour text, Colour behind, double wanted);

}  // namespace bristle
