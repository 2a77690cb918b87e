// All for one: makes every box reachable from every other with few changes to solved routes.
#pragma once
#include <array>

#include "runtime/focus/pairing.h"

namespace bristle {

struct RepairInput {
  const Field& field;
  const AllPicks& picks;
  std::span<const int> rank;
  // By box and direction: whether it may be changed.
  const std::vector<std::array<bool, 4>>& free;
};

// Changes `routes` in place and marks what it changed. First it fills directions that lead nowhere
// (steep, but nothing is lost); then it turns routes to other natural picks, those that do not
// return before pairs; last to anything that jumps nothing. Returns the number of changes.
int repair(const RepairInput& input, Routes& routes);

}  // namespace bristle
