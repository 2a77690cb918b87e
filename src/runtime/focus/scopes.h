// Routes where there are scrollers and fly-outs: what is in one is solved by itself, a scroller in
// the order of its whole content; the screen is solved with what can be seen of each scroller, and
// without what flies out.
#pragma once
#include <span>

#include "runtime/focus/screen_routes.h"
#include "runtime/focus/why.h"

namespace bristle {

// Which boxes are solved together: scrollers, then fly-outs, last the screen itself.
std::vector<std::vector<int>> scopesOf(const ScreenRoutes& routes);
// Solves each scope; a direction in which a scroller has nothing more leads out of it. Without
// either the same as solve(routes.input).
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
  std::vector<int> boxes;    // by place in it
  std::vector<int> placeOf;  // by box; −1: not in it
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
