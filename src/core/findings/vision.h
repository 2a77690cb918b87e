// How others see colours: without some of the cones of the eye, without any colour, and on a
// display that stands in the sun.
#pragma once
#include <array>
#include <cstdint>
#include <string_view>

#include "runtime/document/value.h"

namespace bristle {

enum class Vision : std::uint8_t { AsIs, Grey, Protanopia, Deuteranopia, Tritanopia, Sunlight };
inline constexpr std::array kAllVisions{Vision::AsIs,       Vision::Grey,
                                        Vision::Protanopia, Vision::Deuteranopia,
                                        Vision::Tritanopia, Vision::Sunlight};

// What is multiplied with linear red, green and blue, 0–1, and what is added to each: the matrices
// of G. M. Machado, M. M. Oliveira and L. A. F. Fernandes, “A Physiologically-based Model for
// Simulation of Color Vision Deficiency” (2009), severity 1.0; the luminance of WCAG 2.2 for grey.
// Sunlight: the display’s white with a third as much again reflected from it.
struct Seeing {
  std::array<std::array<double, 3>, 3> by;
  double added = 0;
};
Seeing seeingOf(Vision vision);
// The same opacity; what would be out of sRGB is cut to it.
Colour seenWith(Vision vision, Colour colour);
// “without red cones” …
std::string_view nameOf(Vision vision);

}  // namespace bristle
