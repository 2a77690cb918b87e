// What of a picture can be made longer without a trace: the nine pieces of nine-slice scaling.
#pragma once
#include "deliver/drawn.h"

namespace bristle {

// Along each axis the longest run of columns or rows that are alike, of 4 px and more; what lies
// before and after it keeps its size. `rect` is the part of the image that is asked about.
Slices slicesOf(const QImage& image, const QRect& rect);

}  // namespace bristle
