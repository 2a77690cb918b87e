// Where a part stands in its button, and what it looks like there.
#pragma once
#include <QRectF>
#include <QTransform>

#include "paint/part_values.h"

namespace bristle {

// The part's rectangle before it is turned and scaled. Shapes, labels and pictures are as large as
// the box where they have no size of their own; markers and icons stand with their centre on the
// edge that they are pinned to.
QRectF partRect(const PartValues& values, const QRectF& box);
// Turns and scales about the part's pivot in its rectangle.
QTransform partTransform(const PartValues& values, const QRectF& rect);
// How the whole button is moved, turned and scaled about its pivot.
QTransform wholeTransform(const PartValues& whole, const QRectF& box);

}  // namespace bristle
