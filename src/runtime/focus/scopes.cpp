#include "runtime/focus/scopes.h"

#include <algorithm>
#include <iterator>
#include <numeric>

#include "runtime/focus/clusters.h"

namespace bristle {
namespace {

// What is solved together.
struct Scope {
  std::vector<int> all;      // every box in it, seen or not
  std::vector<int> entries;  // boxes; and, beyond their number, clusters that are one stop in it
  int cluster = -1;          // whose it is
};

int boxesIn(const ScreenRoutes& routes) {
  return static_cast<int>(routes.items.size());
}

// What an entry stands for: itself, or the first of a stop.
int boxAt(const ScreenRoutes& routes, int entry) {
  const int stop = entry - boxesIn(routes);
  return stop < 0 ? entry : routes.clusters[size_t(stop)].boxes.front();
}

bool inScroller(const ScreenRoutes& routes, int box, int scroller) {
  for (int at = routes.scrollerOf[size_t(box)]; at >= 0; at = routes.scrollers[size_t(at)].outer)
    if (at == scroller) return true;
  return false;
}

// Whether what is in a cluster is seen in it: in each scroller that does not hold the whole
// cluster.
bool seenInCluster(const ScreenRoutes& routes, int box, const std::vector<int>& all) {
  for (int at = routes.scrollerOf[size_t(box)]; at >= 0; at = routes.scrollers[size_t(at)].outer) {
    const bool holdsAll =
        std::all_of(all.begin(), all.end(), [&](int b) { return inScroller(routes, b, at); });
    if (holdsAll) return true;
    if (!routes.seenIn(size_t(box), at)) return false;
  }
  return true;
}

// Boxes of a single stop are one entry in what is around it. `outermost`: the scope has nothing
// around it, and no cluster either.
void putStops(const ScreenRoutes& routes, bool outermost, Scope& scope) {
  std::vector<int> shared(routes.clusters.size(), 0);
  for (const int box : scope.all)
    for (const int c : routes.clustersOf[size_t(box)]) ++shared[size_t(c)];
  const int size = static_cast<int>(scope.all.size());
  std::vector<bool> there(routes.clusters.size());
  std::vector<int> entries;
  for (const int box : scope.entries) {
    const auto& around = routes.clustersOf[size_t(box)];
    const auto stop = std::find_if(around.rbegin(), around.rend(), [&](int c) {
      return routes.clusters[size_t(c)].leave == Leave::SingleStop &&
             (outermost || (c != scope.cluster && shared[size_t(c)] < size));
    });
    if (stop == around.rend()) {
      entries.push_back(box);
    } else if (!there[size_t(*stop)]) {
      there[size_t(*stop)] = true;
      entries.push_back(boxesIn(routes) + *stop);
    }
  }
  scope.entries = std::move(entries);
}

void addClusters(const ScreenRoutes& routes, std::vector<Scope>& out) {
  for (size_t c = 0; c < routes.clusters.size(); ++c) {
    const RouteCluster& cluster = routes.clusters[c];
    if (cluster.leave == Leave::Open || cluster.boxes.empty()) continue;
    Scope scope{cluster.boxes, {}, static_cast<int>(c)};
    for (const int box : cluster.boxes)
      if (seenInCluster(routes, box, cluster.boxes)) scope.entries.push_back(box);
    out.push_back(std::move(scope));
  }
}

// From the inside out: scrollers and clusters by how much is in them, fly-outs, last the screen.
std::vector<Scope> scopesOf(const ScreenRoutes& routes) {
  const size_t scrollers = routes.scrollers.size();
  std::vector<Scope> in(scrollers), last(size_t(routes.flyOuts) + 1);
  for (size_t b = 0; b < routes.items.size(); ++b) {
    const int box = static_cast<int>(b);
    // From the innermost outwards, for as long as each can be seen in the one it is in.
    bool seen = true;
    for (int at = routes.scrollerOf[b]; at >= 0; at = routes.scrollers[size_t(at)].outer) {
      in[size_t(at)].all.push_back(box);
      if (seen) in[size_t(at)].entries.push_back(box);
      seen = seen && routes.seenIn(b, at);
    }
    const int flyOut = routes.flyOutOf[b];
    Scope& rest = flyOut < 0 ? last.back() : last[size_t(flyOut)];
    rest.all.push_back(box);
    if (seen) rest.entries.push_back(box);
  }
  std::vector<Scope> out(std::make_move_iterator(in.rbegin()), std::make_move_iterator(in.rend()));
  addClusters(routes, out);
  std::stable_sort(out.begin(), out.end(),
                   [](const Scope& a, const Scope& b) { return a.all.size() < b.all.size(); });
  const size_t inner = out.size();
  out.insert(out.end(), std::make_move_iterator(last.begin()), std::make_move_iterator(last.end()));
  for (size_t s = 0; s < out.size(); ++s) putStops(routes, s >= inner, out[s]);
  return out;
}

bool isWhole(const ScreenRoutes& routes) {
  return routes.scrollers.empty() && routes.flyOuts == 0 &&
         std::none_of(routes.clusters.begin(), routes.clusters.end(), [](const RouteCluster& c) {
           return c.leave != Leave::Open && !c.boxes.empty();
         });
}

std::vector<int> placesIn(const ScreenRoutes& routes, const Scope& scope) {
  std::vector<int> out(routes.items.size(), -1);
  for (size_t i = 0; i < scope.entries.size(); ++i) {
    const int entry = scope.entries[i], stop = entry - boxesIn(routes);
    if (stop < 0)
      out[size_t(entry)] = static_cast<int>(i);
    else
      for (const int box : routes.clusters[size_t(stop)].boxes)
        out[size_t(box)] = static_cast<int>(i);
  }
  return out;
}

Box around(const ScreenRoutes& routes, const RouteCluster& cluster) {
  Box out = routes.input.boxes[size_t(cluster.boxes.front())];
  for (const int box : cluster.boxes) {
    const Box& its = routes.input.boxes[size_t(box)];
    const Px right = std::max(out.x + out.w, its.x + its.w);
    const Px below = std::max(out.y + out.h, its.y + its.h);
    out.x = std::min(out.x, its.x);
    out.y = std::min(out.y, its.y);
    out.w = right - out.x;
    out.h = below - out.y;
  }
  return out;
}

std::array<SlotRule, 4> rulesOf(const RouteCluster& stop) {
  std::array<SlotRule, 4> out;
  for (const Dir dir : kDirs) {
    const RouteCluster::Exit& exit = stop.exits[size_t(dir)];
    if (exit.type == RouteType::Closed) out[size_t(dir)].type = SlotRule::Closed;
    if (exit.target >= 0) out[size_t(dir)] = {SlotRule::Fixed, exit.target};
  }
  return out;
}

// What was said counts there, too; a pin that leads out of the scope is put in afterwards.
SolveInput inputOf(const ScreenRoutes& routes, const Scope& scope, const std::vector<int>& place) {
  SolveInput out;
  out.rightToLeft = routes.input.rightToLeft;
  for (size_t i = 0; i < scope.entries.size(); ++i) {
    const int entry = scope.entries[i], stop = entry - boxesIn(routes);
    const RouteCluster* cluster = stop < 0 ? nullptr : &routes.clusters[size_t(stop)];
    out.boxes.push_back(cluster ? around(routes, *cluster) : routes.input.boxes[size_t(entry)]);
    out.names.push_back(routes.input.names[size_t(boxAt(routes, entry))]);
    auto rules = cluster ? rulesOf(*cluster) : routes.input.rules[size_t(entry)];
    for (SlotRule& rule : rules)
      if (rule.type == SlotRule::Fixed) {
        const int target = place[size_t(rule.target)];
        const bool leaves = target < 0 || target == static_cast<int>(i);
        rule = leaves ? SlotRule{SlotRule::Closed, -1} : SlotRule{SlotRule::Fixed, target};
      }
    out.rules.push_back(rules);
  }
  return out;
}

void markReturns(Routes& routes) {
  for (size_t b = 0; b < routes.size(); ++b)
    for (const Dir dir : kDirs) {
      Route& route = routes[b][size_t(dir)];
      route.returns =
          route.target >= 0 &&
          routes[size_t(route.target)][size_t(opposite(dir))].target == static_cast<int>(b);
    }
}

// Puts together what the scopes come to, from the inside out: the first that leads somewhere
// counts.
class Joining {
 public:
  explicit Joining(const ScreenRoutes& routes)
      : routes_(routes), shut_(routes.items.size() + routes.clusters.size()) {
    out_.routes.resize(routes.items.size());
    const bool stops =
        std::any_of(routes.clusters.begin(), routes.clusters.end(),
                    [](const RouteCluster& c) { return c.leave == Leave::SingleStop; });
    if (stops) out_.stops.resize(routes.clusters.size());
  }
  void add(const SolveOutput& solved, const Scope& scope) {
    for (size_t i = 0; i < scope.entries.size(); ++i) {
      if (shut_[size_t(scope.entries[i])]) continue;
      for (const Dir dir : kDirs) {
        Route route = solved.routes[i][size_t(dir)];
        Route& to = of(scope.entries[i])[size_t(dir)];
        if (route.target < 0 || to.target >= 0) continue;
        route.target = boxAt(routes_, scope.entries[size_t(route.target)]);
        to = route;
      }
    }
    out_.repairs += solved.repairs;
    out_.allReached = out_.allReached && solved.allReached;
    shut(scope);
  }
  SolveOutput done() {
    fixPins();
    followClusters(routes_, out_);
    markReturns(out_.routes);
    return std::move(out_);
  }

 private:
  std::array<Route, 4>& of(int entry) {
    const int stop = entry - boxesIn(routes_);
    return stop < 0 ? out_.routes[size_t(entry)] : out_.stops[size_t(stop)];
  }
  // No direction leads out of it.
  void shut(const Scope& scope) {
    if (scope.cluster < 0) return;
    const Leave leave = routes_.clusters[size_t(scope.cluster)].leave;
    if (leave != Leave::Sealed && leave != Leave::SingleStop) return;
    for (const int box : scope.all) shut_[size_t(box)] = true;
    for (const int entry : scope.entries) shut_[size_t(entry)] = true;
  }
  void fixPins() {
    for (size_t b = 0; b < out_.routes.size(); ++b)
      for (const Dir dir : kDirs) {
        const SlotRule& rule = routes_.input.rules[b][size_t(dir)];
        Route& route = out_.routes[b][size_t(dir)];
        if (rule.type == SlotRule::Closed) route = {};
        if (rule.type == SlotRule::Fixed) route = {rule.target, RouteReason::Fixed, false};
      }
    for (size_t c = 0; c < out_.stops.size(); ++c) {
      const auto rules = rulesOf(routes_.clusters[c]);
      for (const Dir dir : kDirs)
        if (rules[size_t(dir)].type == SlotRule::Fixed &&
            !holds(routes_, static_cast<int>(c), rules[size_t(dir)].target))
          out_.stops[c][size_t(dir)] = {rules[size_t(dir)].target, RouteReason::Fixed, false};
    }
  }

  const ScreenRoutes& routes_;
  std::vector<bool> shut_;  // by entry
  SolveOutput out_;
};

}  // namespace

SolveOutput solveScopes(const ScreenRoutes& routes) {
  return ScopeSolver().solve(routes);
}

SolveOutput ScopeSolver::solve(const ScreenRoutes& routes) {
  if (isWhole(routes)) {
    solvers_.resize(1);
    SolveOutput out = solvers_[0].solve(routes.input);
    if (routes.clusters.empty()) return out;
    followClusters(routes, out);
    markReturns(out.routes);
    return out;
  }
  const auto scopes = scopesOf(routes);
  solvers_.resize(scopes.size());
  Joining joined(routes);
  for (size_t s = 0; s < scopes.size(); ++s)
    joined.add(solvers_[s].solve(inputOf(routes, scopes[s], placesIn(routes, scopes[s]))),
               scopes[s]);
  return joined.done();
}

// As they were solved, from the inside out.
std::vector<Sight> sightsOf(const ScreenRoutes& routes) {
  std::vector<Sight> out;
  for (const Scope& scope : scopesOf(routes)) {
    Sight& sight = out.emplace_back();
    sight.placeOf = placesIn(routes, scope);
    sight.input = inputOf(routes, scope, sight.placeOf);
    for (const int entry : scope.entries) {
      const int stop = entry - boxesIn(routes);
      sight.boxes.push_back(boxAt(routes, entry));
      std::array<Route, 4> its = {};
      if (stop < 0)
        its = routes.output.routes[size_t(entry)];
      else if (size_t(stop) < routes.output.stops.size())
        its = routes.output.stops[size_t(stop)];
      for (Route& route : its)
        if (route.target >= 0) route.target = sight.placeOf[size_t(route.target)];
      sight.routes.push_back(its);
    }
  }
  return out;
}

const Sight* innermost(std::span<const Sight> sights, int box, int target) {
  const Sight* found = nullptr;
  for (const Sight& each : sights) {
    if (each.placeOf[size_t(box)] < 0) continue;
    if (target < 0) {
      found = &each;
    } else if (const int to = each.placeOf[size_t(target)];
               to >= 0 && (to != each.placeOf[size_t(box)] || box == target)) {
      return &each;
    }
  }
  return found;  // where a target was asked for, none has both
}

std::vector<RankedCandidate> rank(const ScreenRoutes& routes, int box, Dir dir, size_t most) {
  const auto sights = sightsOf(routes);
  const Sight* in = innermost(sights, box, routes.output.routes[size_t(box)][size_t(dir)].target);
  if (!in) return {};
  auto out = rank(in->input, in->routes, in->placeOf[size_t(box)], dir, most);
  for (RankedCandidate& c : out) {
    c.target = in->boxes[size_t(c.target)];
    if (c.because >= 0) c.because = in->boxes[size_t(c.because)];
  }
  std::erase_if(out, [&](const RankedCandidate& c) { return isShut(routes, box, c.target); });
  return out;
}

bool admissible(const ScreenRoutes& routes, int box, Dir dir, int target) {
  const auto sights = sightsOf(routes);
  const Sight* in = innermost(sights, box, target);
  return in && admissible(in->input, in->placeOf[size_t(box)], dir, in->placeOf[size_t(target)]);
}

std::vector<int> readingOrder(const ScreenRoutes& routes) {
  // The upper left corners of the scrollers around a box, from the outside in, then its own.
  const auto corner = [&](const Box& box) {
    return std::pair(box.y, routes.input.rightToLeft ? -(box.x + box.w) : box.x);
  };
  std::vector<std::vector<std::pair<Px, Px>>> keys(routes.items.size());
  for (size_t b = 0; b < keys.size(); ++b) {
    keys[b].push_back(corner(routes.input.boxes[b]));
    for (int at = routes.scrollerOf[b]; at >= 0; at = routes.scrollers[size_t(at)].outer)
      keys[b].push_back(corner(routes.scrollers[size_t(at)].view));
    std::reverse(keys[b].begin(), keys[b].end());
  }
  std::vector<int> out(keys.size());
  std::iota(out.begin(), out.end(), 0);
  std::stable_sort(out.begin(), out.end(),
                   [&](int a, int b) { return keys[size_t(a)] < keys[size_t(b)]; });
  return out;
}

}  // namespace bristle
