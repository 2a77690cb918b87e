// How a screen that was drawn for one display is carried over to another: how much larger all is,
// and what its pins hold to.
#pragma once
#include "runtime/document/box.h"
#include "runtime/document/project.h"

namespace bristle {

// The display that the screen's sizes and places are written for.
const Display& drawnOn(const Project& project, const Screen& screen);
// How much larger than written what stands on the screen at that place is on a display: by what its
// place says, else its screen.
double scaleOf(const Project& project, const Screen& screen, const Place& place,
               const Display& display);
// What the place's pins hold to: the display or its safe area, in layout px. At least 1 px wide and
// high.
Box roomFor(const Place& place, const Display& display);
// Whether it is only where it was drawn though the display, as far as scaling evens that out, has
// another shape: in x, y.
struct Unpinned {
  bool x = false, y = false;
  bool any() const { return x || y; }
};
Unpinned unpinned(const Project& project, const Screen& screen, const Place& place,
                  const Display& display);

}  // namespace bristle
