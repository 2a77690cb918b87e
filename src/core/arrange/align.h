// Lines up, spreads out and evens boxes. All in layout px; what comes back is as long as `boxes`.
#pragma once
#include <span>
#include <vector>

#include "runtime/layout/layout.h"

namespace bristle {

enum class Alignment { Left, Centre, Right, Top, Middle, Bottom };
// Each moved so that it lines up with `to`.
std::vector<Box> aligned(std::span<const Box> boxes, Alignment how, const Box& to);

// Centres: those between the first and the last are moved until all centres are evenly apart. Gaps:
// until all gaps are alike; where there is not enough room they overlap alike.
enum class Spread { Centres, Gaps };
// Along x or along y, in the order in which they lie. Fewer than three stay.
std::vector<Box> spreadOut(std::span<const Box> boxes, bool horizontal, Spread how);
// With that gap between each and the next, from the first on.
std::vector<Box> spacedBy(std::span<const Box> boxes, bool horizontal, double gap);

// All as wide, or as high, as `as`, each about its upper left.
std::vector<Box> evened(std::span<const Box> boxes, bool widths, bool heights, const Box& as);

}  // namespace bristle
