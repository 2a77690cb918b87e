// Where something that is dragged over a screen would go if it were dropped.
#pragma once
#include <span>
#include <vector>

#include "core/edit/tree_edits.h"
#include "runtime/layout/layout.h"

namespace bristle {

struct DropSpot {
  Spot to;
  // What is shown for it, layout px: the gap that it would go into (w or h is 0), or all of what
  // would hold it where that does not keep an order.
  Box mark;
  bool ordered = false;  // its place follows from the order; else from where it is dropped
};

// At x, y, in the innermost container there that is shown and not locked, and that is none of
// `dragged` and in none of them; else on the screen.
DropSpot dropSpotAt(const Screen& screen, const Layout& layout, Px x, Px y,
                    std::span<const ItemId> dragged = {});

}  // namespace bristle
