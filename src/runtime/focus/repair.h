// All for one: makes every box reachable from every other with few changes to solved routes.
#pragma once
#include <array>

#include "runtime/focus/candidates.h"
#include "runtime/focus/solver.h"

namespace bristle {

struct RepairInput {
  std::span<const Box> boxes;
  const std::array<Candidates, 4>* candidates;  // by Dir
  const std::vector<std::array<SlotRule, 4>>* rules;
};

// Changes `routes` in place and marks what it changed. First it fills directions that have nothing
// in their cone (steep, but nothing is lost); then it turns routes which do not return to another
// admissible target; last it gives up pairs. Returns the number of changes.
int repair(const RepairInput& input, Routes& routes);

}  // namespace bristle
