// Outlines: of shapes, markers and icons.
#pragma once
#include <QPainterPath>
#include <QRectF>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/machine/part_values.h"
#include "runtime/document/value.h"

namespace bristle {

// SVG path data (SVG 1.1 §8.3), all commands; nothing where it is not well-formed or has more than
// 20,000 segments.
std::optional<QPainterPath> parseSvgPath(std::string_view data);

// A rectangle with a radius for each corner, from the top left clockwise. Radii that are too large
// for the sides are scaled down together (CSS Backgrounds Level 3 §4.5).
QPainterPath roundedPath(const QRectF& rect, Four radii);

// The outline of a shape part in its rectangle, grown by `by` px on all sides. An "outline" is
// drawn in a square of 100 × 100, which is stretched over the rectangle.
QPainterPath formPath(const PartValues& shape, const QRectF& rect, double by = 0);

// A marker of the given size about 0, 0, and whether it is stretched along the box.
QPainterPath markerPath(const std::string& glyph, double size);

// The icons of our own family, in the order in which they are offered: strokes of 2 px with round
// ends in a square of 24 × 24.
const std::vector<std::string>& iconNames();
// Null where the family has no such icon.
const QPainterPath* iconPath(const std::string& name);

}  // namespace bristle
