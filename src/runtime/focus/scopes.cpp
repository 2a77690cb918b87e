#include "runtime/focus/scopes.h"

#include <algorithm>
#include <numeric>

#include "runtime/focus/clusters.h"
#include "runtime/focus/scope_list.h"

namespace bristle {
namespace {

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
    markReturnsOfStops();
    return std::move(out_);
  }

 private:
  std::array<Route, 4>& of(int entry) {
    const int stop = stopAt(routes_, entry);
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

  // From a single stop one comes back by its own route, to whatever button of it.
  void markReturnsOfStops() {
    if (out_.stops.empty()) return;
    const auto stopFor = [&](int from, int box) {
      return entered(routes_, from, box, RouteReason::Fixed);
    };
    for (size_t b = 0; b < out_.routes.size(); ++b)
      for (const Dir dir : kDirs) {
        Route& route = out_.routes[b][size_t(dir)];
        const int box = static_cast<int>(b);
        const int stop = route.target < 0 ? -1 : stopFor(box, route.target);
        if (stop >= 0)
          route.returns = out_.stops[size_t(stop)][size_t(opposite(dir))].target == box;
      }
    for (size_t c = 0; c < out_.stops.size(); ++c)
      for (const Dir dir : kDirs) {
        Route& route = out_.stops[c][size_t(dir)];
        if (route.target < 0) continue;
        const int first = routes_.clusters[c].boxes.front(), stop = stopFor(first, route.target);
        const auto& there = stop < 0 ? out_.routes[size_t(route.target)] : out_.stops[size_t(stop)];
        const int back = there[size_t(opposite(dir))].target;
        route.returns = back >= 0 && holds(routes_, static_cast<int>(c), back);
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
      const int stop = stopAt(routes, entry);
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
