// Places by pins: what lies freely on a screen keeps its distance to edges or centre.
#pragma once
#include "runtime/document/box.h"
#include "runtime/document/screen.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

// Where an item lies in what holds it; `natural` is its size where its place says none. In px.
Box placePinned(const Place& place, Size natural, const Box& holder);

// The place that puts an item's box at `box`, keeping how it is pinned. For drags on the canvas.
Place placeFor(const Place& old, const Box& box, const Box& holder);

}  // namespace bristle
