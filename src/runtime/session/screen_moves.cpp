// Where a move leads: along the routes, back, into clusters and fly-outs and out of them.
#include <algorithm>
#include <cmath>
#include <tuple>

#include "runtime/focus/clusters.h"
#include "runtime/focus/scopes.h"
#include "runtime/layout/fly_outs.h"
#include "runtime/session/screen_run.h"

namespace bristle {

namespace {

bool enabled(const ScreenRun& run, int box) {
  return run.buttons[size_t(box)].running.signals.has(Signals::Enabled);
}

// Of the single stop that has focus, else of the button.
const Route& routeOf(const ScreenRun& run, int from, Dir dir) {
  const int stop = run.stopOf(from);
  return stop < 0 ? run.routes.output.routes[size_t(from)][size_t(dir)]
                  : run.routes.output.stops[size_t(stop)][size_t(dir)];
}

const char* howOf(const ScreenRun& run, int from, Dir dir) {
  if (run.stopOf(from) < 0 && run.routes.wraps[size_t(from)][size_t(dir)]) return "wrap";
  switch (routeOf(run, from, dir).reason) {
    case RouteReason::Fixed:
      return "pinned";
    case RouteReason::Repair:
      return "repair";
    case RouteReason::Stopgap:
      return "stopgap";
    default:
      return "solved";
  }
}

// Where several face one large button, the way back leads where focus came from.
int remembered(const ScreenRun& run, int from, Dir dir) {
  if (run.stopOf(from) >= 0) return -1;
  const int came = run.memory[size_t(from)][size_t(dir)];
  const Route& route = run.routes.output.routes[size_t(from)][size_t(dir)];
  if (came < 0 || route.reason != RouteReason::Solved || route.target == came) return -1;
  // Not out of, nor into, what the route itself stays in or out of.
  if (run.routes.clustersOf[size_t(route.target)] != run.routes.clustersOf[size_t(came)]) return -1;
  return admissible(run.routes, from, dir, came) ? came : -1;
}

}  // namespace

namespace {

RouteType saidOf(const ScreenRun& run, int box, Dir dir) {
  return run.routes.said[size_t(box)][size_t(dir)];
}

}  // namespace

bool canHaveFocus(const ScreenRun& run, int box) {
  if (run.routes.isAside(size_t(box))) return false;
  if (run.layout.items[size_t(run.routes.items[size_t(box)])].closed) return false;
  return enabled(run, box) || !run.screen->passDisabled;
}

namespace {

double distance(const Box& a, const Box& b) {
  return std::hypot(a.x + a.w / 2 - b.x - b.w / 2, a.y + a.h / 2 - b.y - b.h / 2);
}

// Which of a cluster's buttons gets focus that comes from `from`; −1: none of them can have it.
int entryOf(const ScreenRun& run, int cluster, int from) {
  std::vector<int> can = run.routes.clusters[size_t(cluster)].boxes;
  std::erase_if(can, [&](int box) { return !canHaveFocus(run, box); });
  if (can.empty()) return -1;
  const Cluster& it = run.screen->clusters[size_t(cluster)];
  const auto among = [&](int box) { return std::find(can.begin(), can.end(), box) != can.end(); };
  if (it.enter == Enter::LastUsed) {
    const int last = run.lastIn[size_t(cluster)];
    if (among(last)) return last;
  }
  if (it.enter == Enter::Chosen)
    for (int box : can)
      if (run.buttons[size_t(box)].item->id == it.chosen.alone()) return box;
  if (it.enter == Enter::Nearest) {
    const auto& boxes = run.routes.input.boxes;
    const auto away = [&](int box) { return distance(boxes[size_t(from)], boxes[size_t(box)]); };
    return *std::min_element(can.begin(), can.end(),
                             [&](int a, int b) { return away(a) < away(b); });
  }
  return can.front();
}

// The cluster that a person's word leads to; −1: none.
int clusterSaid(const ScreenRun& run, int from, Dir dir) {
  const int stop = run.stopOf(from);
  if (stop >= 0) return run.routes.clusters[size_t(stop)].exits[size_t(dir)].cluster;
  if (const auto* exit = exitAt(run.routes, run.routes.output.routes, from, dir))
    return exit->cluster;
  return run.routes.toCluster[size_t(from)][size_t(dir)];
}

int targetOf(const ScreenRun& run, int from, Dir dir) {
  const Route& route = routeOf(run, from, dir);
  if (route.target < 0) return -1;
  int to = route.target;
  if (const int said = clusterSaid(run, from, dir); said >= 0) to = entryOf(run, said, from);
  // Into the clusters on the way, from the outside in.
  std::vector<int> done;
  while (to >= 0) {
    const int into = entered(run.routes, from, to, route.reason, done);
    if (into < 0) break;
    done.push_back(into);
    const int entry = entryOf(run, into, from);
    // Where two clusters only overlap, one's rule does not lead out of what the other keeps in.
    if (entry < 0 || run.stopOf(from) >= 0 || !isShut(run.routes, from, entry)) to = entry;
  }
  return to;
}

Move alongRoutes(const ScreenRun& run, int from, Dir dir) {
  int at = from;
  for (size_t steps = 0; steps <= run.buttons.size(); ++steps) {
    const int memory = remembered(run, at, dir);
    const int next = memory >= 0 ? memory : targetOf(run, at, dir);
    const char* how = memory >= 0 ? "memory" : howOf(run, at, dir);
    if (next < 0)
      return {-1, saidOf(run, at, dir) == RouteType::Closed ? "closed" : "nothing there"};
    if (next == from) return {-1, "nothing there"};
    if (canHaveFocus(run, next)) return {next, how};
    at = next;
  }
  return {};
}

RouteType saidOfStop(const ScreenRun& run, int box, Dir dir) {
  return run.routes.clusters[size_t(run.stopOf(box))].exits[size_t(dir)].type;
}

// The way back of the newest move, whatever the routes say; −1 where a person's word counts more.
int wayBack(const ScreenRun& run, int from, Dir dir) {
  if (run.trail.empty()) return -1;
  const MoveMade& last = run.trail.back();
  if (last.to != from || last.dir != opposite(dir) || !canHaveFocus(run, last.from)) return -1;
  const RouteType said = saidOf(run, from, dir);
  const bool leaves = exitAt(run.routes, run.routes.output.routes, from, dir) ||
                      isShut(run.routes, from, last.from);
  const bool stop = run.stopOf(from) >= 0;
  if (stop) return saidOfStop(run, from, dir) == RouteType::Solved ? last.from : -1;
  return said == RouteType::Pinned || said == RouteType::Closed || leaves ? -1 : last.from;
}

}  // namespace

namespace {

Dir dirOf(Side side) {
  switch (side) {
    case Side::Below:
      return Dir::Down;
    case Side::Above:
      return Dir::Up;
    case Side::Right:
      return Dir::Right;
    case Side::Left:
      return Dir::Left;
  }
  return Dir::Down;
}

// Into the open fly-out that lies that way; −1: there is none.
int intoFlyOut(const ScreenRun& run, int from, Dir dir) {
  for (size_t f = 0; f < run.layout.flyOuts.size(); ++f) {
    const PlacedFlyOut& it = run.layout.flyOuts[f];
    if (!it.open || run.routes.boxOf[it.from] != from || dirOf(sideOf(run.layout, it)) != dir)
      continue;
    for (const int box : readingOrder(run.routes))
      if (run.routes.flyOutOf[size_t(box)] == static_cast<int>(f) && canHaveFocus(run, box))
        return box;
  }
  return -1;
}

// Out of a fly-out: back to its button, or aside as from there.
Move outOfFlyOut(const ScreenRun& run, int from, Dir dir) {
  const int in = run.routes.flyOutOf[size_t(from)];
  if (in < 0) return {};
  const PlacedFlyOut& it = run.layout.flyOuts[size_t(in)];
  const int button = run.routes.boxOf[it.from];
  const Dir side = dirOf(sideOf(run.layout, it));
  if (dir == side || button < 0) return {};
  if (dir == opposite(side)) return {button, "out of the fly-out"};
  const Move aside = alongRoutes(run, button, dir);
  return aside.target < 0 ? outOfFlyOut(run, button, dir) : aside;
}

Move alongFlyOuts(const ScreenRun& run, int from, Dir dir) {
  const RouteType said = saidOf(run, from, dir);
  if (said == RouteType::Solved)
    if (const int into = intoFlyOut(run, from, dir); into >= 0) return {into, "fly-out"};
  const Move found = alongRoutes(run, from, dir);
  if (found.target >= 0 || said == RouteType::Closed) return found;
  const Move out = outOfFlyOut(run, from, dir);
  return out.target < 0 ? found : out;
}

}  // namespace

Move resolveMove(const ScreenRun& run, int from, Dir dir) {
  Move found = alongFlyOuts(run, from, dir);
  const int back = wayBack(run, from, dir);
  if (back < 0) return found;
  if (found.target != back) found = {back, "memory"};
  found.takesBack = true;
  return found;
}

std::vector<MoveMade> remember(ScreenRun& run, const Move& move, Dir dir) {
  run.memory[size_t(move.target)][size_t(opposite(dir))] = run.focus;
  std::vector<MoveMade> trail = std::move(run.trail);
  if (move.takesBack) {
    trail.pop_back();
  } else {
    if (trail.size() == kMostTakenBack) trail.erase(trail.begin());
    trail.push_back({run.focus, move.target, dir});
  }
  return trail;
}

namespace {

bool isInside(const ScreenRun& run, int box) {
  const auto& around = run.routes.clustersOf[size_t(box)];
  return std::any_of(around.begin(), around.end(), [&](int c) { return run.inside[size_t(c)]; });
}

}  // namespace

int stepFrom(const ScreenRun& run, int from, bool forwards) {
  std::vector<int> order = readingOrder(run.routes);
  // A single stop is one step: another button of it only once focus has gone in, and then no other.
  const auto outOfReach = [&](int box) {
    const int stop = run.stopOf(box);
    if (stop >= 0 && from >= 0 && holds(run.routes, stop, from)) return box != from;
    if (stop >= 0) return box != entryOf(run, stop, from < 0 ? box : from);
    return from >= 0 && isInside(run, from) && isShut(run.routes, from, box);
  };
  std::erase_if(order, [&](int box) { return !canHaveFocus(run, box) || outOfReach(box); });
  if (order.empty()) return -1;
  const auto at = std::find(order.begin(), order.end(), from);
  if (at == order.end()) return forwards ? order.front() : order.back();
  const auto index = static_cast<size_t>(at - order.begin());
  return order[(index + (forwards ? 1 : order.size() - 1)) % order.size()];
}

int focusInstead(const ScreenRun& run) {
  for (size_t i = run.trail.size(); i-- > 0;)
    if (canHaveFocus(run, run.trail[i].from)) return run.trail[i].from;
  const Box& was = run.routes.input.boxes[size_t(run.focus)];
  int best = -1;
  double least = 0;
  for (size_t b = 0; b < run.buttons.size(); ++b) {
    if (!canHaveFocus(run, static_cast<int>(b))) continue;
    const double away = distance(was, run.routes.input.boxes[b]);
    if (best >= 0 && away >= least) continue;
    best = static_cast<int>(b);
    least = away;
  }
  return best < 0 ? startBox(run) : best;
}

int startBox(const ScreenRun& run) {
  const int entry = entryBox(*run.screen, run.routes);
  return entry < 0 || canHaveFocus(run, entry) ? entry : stepFrom(run, entry, true);
}

}  // namespace bristle
