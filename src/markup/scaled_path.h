// SVG path data (SVG 1.1 §8.3) brought from a square of 100 to a rectangle.
#pragma once
#include <string>
#include <string_view>

#include "runtime/document/box.h"

namespace bristle {

// Mirrored: left and right change places. Empty where it is no path data. Arcs that are turned come
// out exact only where width and height are scaled alike.
std::string scaledPathData(std::string_view data, const Box& to, bool mirrored);

}  // namespace bristle
