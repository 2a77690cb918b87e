// Where the screens of a flow are drawn: in columns by their steps from the start, so that few
// strokes cross.
#pragma once
#include <vector>

#include "core/derive/flow_graph.h"
#include "runtime/document/box.h"
#include "runtime/layout/text_measure.h"

namespace bristle {

struct FlowLayout {
  std::vector<Box> boxes;  // of the screens' pictures, as Project::screens
  struct Column {
    Px x = 0;
    int depth = 0;  // −1: nothing leads there
  };
  std::vector<Column> columns;
  Px width = 0, height = 0;  // of it all
};

// Pictures of that size, px. An overlay lies half over the screen that puts it on top first. The
// order in a column is found by the barycentre rule (Sugiyama, Tagawa, Toda 1981), from the order
// of the screens in the project, so that names and places of buttons change nothing.
FlowLayout layOutFlow(const FlowGraph& graph, Size picture);

// How many pairs of strokes between neighbouring columns cross, for tests and figures.
int crossings(const FlowGraph& graph, const FlowLayout& layout);

}  // namespace bristle
