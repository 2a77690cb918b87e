#include "core/derive/route_quality.h"

#include <algorithm>

#include "runtime/document/screen.h"
#include "runtime/focus/clusters.h"
#include "runtime/focus/scopes.h"
#include "runtime/layout/scroll.h"

namespace bristle {
namespace {

using Graph = std::vector<std::vector<int>>;

Graph turnedRound(const Graph& graph) {
  Graph out(graph.size());
  for (size_t a = 0; a < graph.size(); ++a)
    for (const int b : graph[a]) out[size_t(b)].push_back(static_cast<int>(a));
  return out;
}

// Steps to each; −1: there is no way.
std::vector<int> stepsFrom(const Graph& graph, int from) {
  std::vector<int> out(graph.size(), -1), queue{from};
  out[size_t(from)] = 0;
  for (size_t at = 0; at < queue.size(); ++at)
    for (const int next : graph[size_t(queue[at])]) {
      if (out[size_t(next)] >= 0) continue;
      out[size_t(next)] = out[size_t(queue[at])] + 1;
      queue.push_back(next);
    }
  return out;
}

class StepSum {
 public:
  void add(const std::vector<int>& steps) {
    for (const int s : steps) {
      if (s <= 0) continue;
      sum_ += s;
      ++count_;
      most_ = std::max(most_, s);
    }
  }
  Steps steps() const { return {count_ > 0 ? sum_ / count_ : 0, most_}; }

 private:
  double sum_ = 0, count_ = 0;
  int most_ = 0;
};

// One step leads to four others at most, two to sixteen…
Steps leastSteps(int buttons) {
  StepSum sum;
  std::vector<int> steps;
  for (int left = buttons - 1, fan = 4, far = 1; left > 0; left -= fan, fan *= 4, ++far)
    steps.insert(steps.end(), static_cast<size_t>(std::min(left, fan)), far);
  sum.add(steps);
  return sum.steps();
}

// What was said of the way back stands against the session's memory.
bool comesBack(const ScreenRoutes& routes, int to, Dir back, int from) {
  const RouteType said = routes.said[size_t(to)][size_t(back)];
  if (said != RouteType::Pinned && said != RouteType::Closed) return true;
  return routes.output.routes[size_t(to)][size_t(back)].target == from;
}

// The routes as they are while a certain part of what scrolls can be seen.
struct Position {
  ScreenRoutes routes;
  std::vector<Sight> sights;
};

bool isSeen(const ScreenRoutes& routes, int box) {
  for (int in = routes.scrollerOf[size_t(box)]; in >= 0; in = routes.scrollers[size_t(in)].outer)
    if (!routes.seenIn(size_t(box), in)) return false;
  return true;
}

// What is scrolled out of sight is judged as it is when the view has followed focus there.
class Positions {
 public:
  Positions(const Screen& screen, const Layout& layout, const ScreenRoutes& routes) {
    add(routes);
    of_.assign(routes.items.size(), 0);
    for (int b = 0; b < static_cast<int>(of_.size()); ++b) of_[size_t(b)] = find(screen, layout, b);
  }
  const Position& of(int box) const { return all_[of_[size_t(box)]]; }

 private:
  void add(ScreenRoutes routes) {
    auto sights = sightsOf(routes);
    all_.push_back({std::move(routes), std::move(sights)});
  }
  size_t find(const Screen& screen, const Layout& layout, int box) {
    for (size_t i = 0; i < all_.size(); ++i)
      if (isSeen(all_[i].routes, box)) return i;
    const auto item = static_cast<size_t>(all_[0].routes.items[size_t(box)]);
    Layout moved = layout;
    if (!scroll(moved, offsetsToShow(screen, layout, item))) return 0;
    add(screenRoutes(screen, moved));
    return all_.size() - 1;
  }

  std::vector<Position> all_;
  std::vector<size_t> of_;  // by box
};

// The directions, what a button and its fly-out have between them, and what cancel and a direction
// lead to from within a single stop.
Graph graphOf(const Layout& layout, const Positions& positions, const ScreenRoutes& routes) {
  Graph out(routes.items.size());
  for (size_t b = 0; b < out.size(); ++b)
    for (const Route& route : positions.of(static_cast<int>(b)).routes.output.routes[b])
      if (route.target >= 0) out[b].push_back(route.target);
  for (size_t c = 0; c < routes.output.stops.size(); ++c)
    for (const int b : routes.clusters[c].boxes)
      for (const Route& route : positions.of(b).routes.output.stops[c])
        if (route.target >= 0) out[size_t(b)].push_back(route.target);
  for (size_t b = 0; b < out.size(); ++b) {
    const int in = routes.flyOutOf[b];
    if (in < 0) continue;
    const int from = routes.boxOf[layout.flyOuts[size_t(in)].from];
    if (from < 0) continue;
    out[b].push_back(from);
    out[size_t(from)].push_back(static_cast<int>(b));
  }
  return out;
}

// Round the edge, or pinned both ways, as the ends of a loop are: nobody wonders who said so twice.
bool isMeant(const ScreenRoutes& routes, const RouteMove& move, int target) {
  if (routes.wraps[size_t(move.box)][size_t(move.dir)]) return true;
  const Dir back = opposite(move.dir);
  return routes.said[size_t(move.box)][size_t(move.dir)] == RouteType::Pinned &&
         routes.said[size_t(target)][size_t(back)] == RouteType::Pinned &&
         routes.output.routes[size_t(target)][size_t(back)].target == move.box;
}

void sortMove(const Position& at, const RouteMove& move, RouteQuality& out) {
  const ScreenRoutes& routes = at.routes;
  const Route& route = routes.output.routes[size_t(move.box)][size_t(move.dir)];
  const Sight* in = innermost(at.sights, move.box, route.target);
  if (route.target < 0) {
    const bool closed = routes.said[size_t(move.box)][size_t(move.dir)] == RouteType::Closed ||
                        shutting(routes, move.box) >= 0 ||
                        exitAt(routes, routes.output.routes, move.box, move.dir);
    if (!closed && in &&
        whyEmpty(in->input, in->placeOf[size_t(move.box)], move.dir) == Emptiness::Beside)
      out.empty.push_back(move);
    return;
  }
  ++out.moves;
  if (!route.returns) out.oneWay.push_back(move);
  if (!comesBack(routes, route.target, opposite(move.dir), move.box)) out.noMemory.push_back(move);
  if (route.reason == RouteReason::Stopgap) return out.stopgaps.push_back(move);
  if (route.reason == RouteReason::Repair) return out.repairs.push_back(move);
  // Between scopes nothing can be compared.
  if (!in || isMeant(routes, move, route.target)) return;
  switch (merit(in->input, in->placeOf[size_t(move.box)], move.dir,
                in->placeOf[size_t(route.target)])) {
    case Verdict::Behind:
      return out.jumps.push_back(move);
    case Verdict::Aside:
    case Verdict::Beside:
    case Verdict::WrongWay:
      return out.steep.push_back(move);
    case Verdict::Dearer:
    case Verdict::Dominated:
      return out.dear.push_back(move);
    case Verdict::Chosen:
    case Verdict::Natural:
      return;
  }
}

}  // namespace

RouteQuality routeQuality(const Screen& screen, const Layout& layout, const ScreenRoutes& routes,
                          const std::atomic<bool>* stop) {
  RouteQuality out;
  out.buttons = static_cast<int>(routes.items.size());
  if (out.buttons == 0) return out;
  const Positions positions(screen, layout, routes);
  const auto stopped = [stop] { return stop && *stop; };
  for (int b = 0; b < out.buttons && !stopped(); ++b)
    for (const Dir dir : kDirs) sortMove(positions.of(b), {b, dir}, out);
  const Graph graph = graphOf(layout, positions, routes);
  const int entry = entryBox(screen, routes);
  const auto there = stepsFrom(graph, entry), back = stepsFrom(turnedRound(graph), entry);
  StepSum fromEntry, between;
  fromEntry.add(there);
  for (int b = 0; b < out.buttons && !stopped(); ++b) {
    if (there[size_t(b)] < 0) out.unreachable.push_back(b);
    if (back[size_t(b)] < 0) out.traps.push_back(b);
    between.add(stepsFrom(graph, b));
  }
  out.stepsTo = there;
  out.fromEntry = fromEntry.steps();
  out.between = between.steps();
  out.least = leastSteps(out.buttons);
  return out;
}

std::vector<RouteMove> changedMoves(const ScreenRoutes& routes, const ScreenRoutes& other) {
  std::vector<RouteMove> out;
  const auto itemAt = [](const ScreenRoutes& of, int box, Dir dir) {
    const int to = box < 0 ? -1 : of.output.routes[size_t(box)][size_t(dir)].target;
    return to < 0 ? -1 : of.items[size_t(to)];
  };
  for (int b = 0; b < static_cast<int>(routes.items.size()); ++b) {
    const int there = other.boxOf[size_t(routes.items[size_t(b)])];
    for (const Dir dir : kDirs)
      if (itemAt(routes, b, dir) != itemAt(other, there, dir)) out.push_back({b, dir});
  }
  return out;
}

}  // namespace bristle
