#include "runtime/focus/clusters.h"

#include <algorithm>

namespace bristle {

bool holds(const ScreenRoutes& routes, int cluster, int box) {
  const auto& around = routes.clustersOf[size_t(box)];
  return std::find(around.begin(), around.end(), cluster) != around.end();
}

int keeping(const ScreenRoutes& routes, int box) {
  for (const int c : routes.clustersOf[size_t(box)])
    if (routes.clusters[size_t(c)].leave != Leave::Open) return c;
  return -1;
}

namespace {

bool isShutAround(const RouteCluster& cluster) {
  return cluster.leave == Leave::Sealed || cluster.leave == Leave::SingleStop;
}

}  // namespace

int shutting(const ScreenRoutes& routes, int box) {
  for (const int c : routes.clustersOf[size_t(box)])
    if (isShutAround(routes.clusters[size_t(c)])) return c;
  return -1;
}

bool isShut(const ScreenRoutes& routes, int from, int target) {
  const auto& around = routes.clustersOf[size_t(from)];
  return std::any_of(around.begin(), around.end(), [&](int c) {
    return isShutAround(routes.clusters[size_t(c)]) && !holds(routes, c, target);
  });
}

const RouteCluster::Exit* exitAt(const ScreenRoutes& routes, const Routes& solved, int box,
                                 Dir dir) {
  if (routes.said[size_t(box)][size_t(dir)] != RouteType::Solved) return nullptr;
  const int target = solved[size_t(box)][size_t(dir)].target;
  for (const int c : routes.clustersOf[size_t(box)]) {
    const RouteCluster& cluster = routes.clusters[size_t(c)];
    if (isShutAround(cluster)) return nullptr;
    const RouteCluster::Exit& exit = cluster.exits[size_t(dir)];
    const bool leaves = target < 0 || !holds(routes, c, target);
    const bool says = exit.type == RouteType::Closed || exit.target >= 0;
    if (leaves && says) return &exit;
  }
  return nullptr;
}

void followClusters(const ScreenRoutes& routes, SolveOutput& out) {
  const Routes solved = out.routes;
  for (size_t b = 0; b < out.routes.size(); ++b)
    for (const Dir dir : kDirs) {
      Route& route = out.routes[b][size_t(dir)];
      const int box = static_cast<int>(b);
      if (route.target >= 0 && isShut(routes, box, route.target)) route = {};
      if (const auto* exit = exitAt(routes, solved, box, dir))
        route = exit->type == RouteType::Closed ? Route{}
                                                : Route{exit->target, RouteReason::Fixed, false};
    }
}

int entered(const ScreenRoutes& routes, int from, int target, RouteReason by,
            std::span<const int> done) {
  int out = -1;
  for (const int c : routes.clustersOf[size_t(target)]) {
    if (holds(routes, c, from) || std::find(done.begin(), done.end(), c) != done.end()) continue;
    const RouteCluster& cluster = routes.clusters[size_t(c)];
    const bool rules = cluster.enter != Enter::Nearest && by != RouteReason::Fixed;
    if (rules || cluster.leave == Leave::SingleStop) out = c;
  }
  return out;
}

}  // namespace bristle
