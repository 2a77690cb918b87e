// What clusters make of routes: which of them keep focus in, and where it goes that leaves them.
#pragma once
#include <span>

#include "runtime/focus/screen_routes.h"

namespace bristle {

bool holds(const ScreenRoutes& routes, int cluster, int box);
// The innermost cluster around a box out of which not every route leads; −1: all are open.
int keeping(const ScreenRoutes& routes, int box);
// The innermost around a box that no direction leaves; −1: none.
int shutting(const ScreenRoutes& routes, int box);
// Whether some cluster around `from` never lets a direction lead to `target`.
bool isShut(const ScreenRoutes& routes, int from, int target);
// What was said of leaving the clusters around a box that way, where its route does leave one of
// them or leads nowhere, and nothing was said of the box itself. Null: nothing.
const RouteCluster::Exit* exitAt(const ScreenRoutes& routes, const Routes& solved, int box,
                                 Dir dir);
// Closes what leads out of where nothing may, and puts in where what leaves a cluster goes.
void followClusters(const ScreenRoutes& routes, SolveOutput& out);
// The outermost cluster that focus enters by its own rule when a route leads from one box to
// another, beside those in `done`; −1: none, it comes to the very box. `by` says why the route
// leads there: what a person pinned to a button is not led elsewhere, but by a single stop.
int entered(const ScreenRoutes& routes, int from, int target, RouteReason by,
            std::span<const int> done = {});

}  // namespace bristle
