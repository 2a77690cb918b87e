// Routes where there are scrollers and fly-outs: what is in one is solved by itself, a scroller in
// the order of its whole content; the screen is solved with what can be seen of each scroller, and
// without what flies out.
#pragma once
#include "runtime/focus/screen_routes.h"

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
// The boxes in the order in which one reads: what is in a scroller together, where that stands.
std::vector<int> readingOrder(const ScreenRoutes& routes);

}  // namespace bristle
