// Rows and columns: children one after another, a gap between, lined up across.
#pragma once
#include <span>

#include "runtime/document/box.h"
#include "runtime/document/screen.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

// The size that holds children of these sizes with gaps and padding; an empty one is 48 px wide and
// high, so that it can be seen and picked.
Size measureLine(const ContainerData& line, std::span<const Size> children);

// Where they lie, in `box`, in their order; a row begins at the right where the language does.
// `places` is as long as `children`.
void arrangeLine(const ContainerData& line, const Box& box, bool rightToLeft,
                 std::span<const Size> children, std::span<Box> places);

}  // namespace bristle
