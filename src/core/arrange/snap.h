// Where a dragged box comes to rest near what else is there, and why: so that the canvas can draw
// the reason while it is dragged.
#pragma once
#include <optional>
#include <span>
#include <vector>

#include "runtime/document/box.h"
#include "runtime/document/screen.h"

namespace bristle {

enum class SnapTo : std::uint8_t { Guide, Edge, Centre, Holder, Gap, Grid };

// On one axis. All in layout px.
struct SnapReason {
  SnapTo to = SnapTo::Grid;
  bool upright = true;  // the line that it lies on; for gaps: the axis of x
  Px at = 0;            // of the line; of gaps: how wide they are
  // What is lined up reaches from here to there along the line. Gaps: nothing.
  Px from = 0, until = 0;
  // The gaps that are alike, as boxes; for Gap alone.
  std::vector<Box> gaps;
};

struct Snapped {
  Px dx = 0, dy = 0;  // to be added to where the pointer would put it
  std::vector<SnapReason> reasons;
};

// What there is to snap to. Neighbours are what is shown beside what is dragged.
struct SnapField {
  std::vector<Box> neighbours = {};
  std::vector<Box>
      holders;  // the display, its safe area, the container it is in: edges and centres
  std::vector<Guide> guides = {};
  Px gridWidth = 0, gridHeight = 0;  // 0: none
};

// A box that is moved. On each axis what is nearest counts, within `reach` px; of what is equally
// near the first in the order of SnapTo. The grid counts only where nothing else is within reach.
// Edges meet edges and guides, centres meet centres and guides; gaps are made equal between two
// neighbours in the same strip, or as that of the two beside it. Takes time in line with the number
// of neighbours.
Snapped snapMoved(const Box& box, const SnapField& field, Px reach);

// Which edges are dragged.
struct Edges {
  bool left = false, top = false, right = false, bottom = false;
};
// A box that is resized by those edges: how far each of them goes on.
Snapped snapResized(const Box& box, Edges edges, const SnapField& field, Px reach);

}  // namespace bristle
