// The outlines of parts as SVG path data (SVG 1.1 §8.3), for where they are drawn by others.
#pragma once
#include <string>

#include "runtime/document/box.h"
#include "runtime/machine/part_values.h"

namespace bristle {

// Whether CSS can draw the form as a box with rounded corners.
bool isRoundedBox(const PartValues& shape);
// Of a rounded box: its radii, for an outline that lies `by` px outside the form's own, as the
// value of border-radius.
std::string cssRadii(const PartValues& shape, double by);
// The outline of a shape in a rectangle, `by` px outside its own.
std::string formPathData(const PartValues& shape, const Box& rect, double by = 0);
// The form of a marker about 0, 0; `size` in px.
std::string markerPathData(const std::string& glyph, double size);

}  // namespace bristle
