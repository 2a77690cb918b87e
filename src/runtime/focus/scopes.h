// Routes where there are scrollers, clusters and fly-outs: what is in one is solved by itself, a
// scroller in the order of its whole content; what is around it is solved with what can be seen of
// each scroller, with one box for each cluster that is a single stop, and without what flies out.
#pragma once
#include <span>

#include "runtime/focus/screen_routes.h"
#include "runtime/focus/why.h"

namespace bristle {

// Solves each scope; a direction in which a scroller or a cluster has nothing more leads out of
// it, but for clusters that are never left so. Without any the same as solve(routes.input).
SolveOutput solveScopes(const ScreenRoutes& routes);
// The same, quicker where few boxes have moved since the last time (FocusSolver).
class ScopeSolver {
 public:
  SolveOutput solve(const ScreenRoutes& routes);

 private:
  std::vector<FocusSolver> solvers_;  // by scope
};
// What was solved together, as solve() saw it: what is asked of a route is asked of this, since
// what is scrolled out of sight or has not flown out is in nobody's way.
struct Sight {
  SolveInput input;
  Routes routes;             // within it; what leads out of it leads nowhere
  std::vector<int> boxes;    // by place in it; of a single stop its first
  std::vector<int> placeOf;  // by box; −1: not in it. All of a single stop are at its place
};
// From the inside out.
std::vector<Sight> sightsOf(const ScreenRoutes& routes);
// The first that has both; without a target (−1) the last that has the box; null: there is none.
const Sight* innermost(std::span<const Sight> sights, int box, int target = -1);
// As in why.h, of the boxes of a screen.
std::vector<RankedCandidate> rank(const ScreenRoutes& routes, int box, Dir dir, size_t most = 8);
bool admissible(const ScreenRoutes& routes, int box, Dir dir, int target);

// The boxes in the order in which one reads: what is in a scroller together, where that stands.
std::vector<int> readingOrder(const ScreenRoutes& routes);

}  // namespace bristle
