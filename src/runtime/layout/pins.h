// Places by pins: what lies freely on a screen keeps its distance to edges or centre.
#pragma once
#include "runtime/document/box.h"
#include "runtime/layout/baseline.h"
#include "runtime/layout/child.h"

namespace bristle {

// One of a place’s axes.
inline const AxisPlace& axisOf(const Place& place, bool horizontal) {
  return horizontal ? place.x : place.y;
}
inline AxisPlace& axisOf(Place& place, bool horizontal) {
  return horizontal ? place.x : place.y;
}

// A size within the place’s bounds. In px, like all here.
Px withinBounds(const AxisPlace& place, Px size);

// Where an item lies in what holds it, on one axis; `natural` is its size where its place says
// none. What is pinned to both edges is 1 px long at the least.
Span placeOnAxis(const AxisPlace& place, Px natural, Px from, Px extent, const Baseline& baseline);

// The place that puts an item's box at `box`, keeping how it is pinned. For drags on the canvas.
Place placeFor(const Place& old, const Box& box, const Box& holder, const Baseline& baseline = {});

}  // namespace bristle
