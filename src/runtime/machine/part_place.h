// Where a part stands in its button, and how it is moved there; the one answer for all who paint.
#pragma once
#include "runtime/document/affine.h"
#include "runtime/document/box.h"
#include "runtime/document/kind.h"
#include "runtime/machine/part_values.h"

namespace bristle {

// The part's rectangle before it is turned and scaled. Shapes, labels and pictures are as large as
// the box where they have no size of their own; markers and icons stand with their centre on the
// edge that they are pinned to.
Box partBox(const PartValues& values, const Box& box);
// Turns and scales about the part's pivot in its rectangle.
Affine partMotion(const PartValues& values, const Box& rect);
// How the whole button is moved, turned and scaled about its pivot.
Affine wholeMotion(const PartValues& whole, const Box& box);
// The part of a label's rectangle that its padding leaves.
Box labelRoom(const PartValues& label, const Box& rect);
// The colour of the caption that is shown, which icons may follow.
Colour captionColour(const Kind& kind, const Look& look);

}  // namespace bristle
