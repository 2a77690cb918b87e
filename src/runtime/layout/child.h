// One axis of what is in a container, as its arrangement needs it.
#pragma once
#include <algorithm>

#include "runtime/document/screen.h"
#include "runtime/layout/baseline.h"

namespace bristle {

// What an empty container measures, px, so that it can be seen and picked.
inline constexpr Px kEmptyContainer = 48;

struct Child {
  Px base = 0;      // its own size on this axis, within its bounds
  double rest = 0;  // its share of what the others leave; 0: it keeps its size
  Px least = 0;     // bounds; `most` is 0 where there is none
  Px most = 0;
  bool sized = false;                // a person has set its size
  int line = 0;                      // of a row that wraps
  int first = 0, cells = 1;          // of a grid: its first column or row, and how many it takes
  const AxisPlace* place = nullptr;  // its pins: where it is free
  Baseline baseline = {};            // only up and down

  Px within(Px size) const { return std::max(most > 0 ? std::min(size, most) : size, least); }
};

// Where one lies on an axis, px from the near edge of what holds it.
struct Span {
  Px at = 0, size = 0;
};

}  // namespace bristle
