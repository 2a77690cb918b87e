#include "runtime/focus/scopes.h"

#include <algorithm>
#include <numeric>

namespace bristle {
namespace {

// What was said counts there, too; a pin that leads out of the scope is put in afterwards.
SolveInput inputOf(const ScreenRoutes& routes, const std::vector<int>& scope) {
  std::vector<int> place(routes.input.boxes.size(), -1);
  for (size_t i = 0; i < scope.size(); ++i) place[size_t(scope[i])] = static_cast<int>(i);
  SolveInput out;
  out.rightToLeft = routes.input.rightToLeft;
  for (const int box : scope) {
    out.boxes.push_back(routes.input.boxes[size_t(box)]);
    out.names.push_back(routes.input.names[size_t(box)]);
    auto rules = routes.input.rules[size_t(box)];
    for (SlotRule& rule : rules)
      if (rule.type == SlotRule::Fixed) {
        const int target = place[size_t(rule.target)];
        rule = target < 0 ? SlotRule{SlotRule::Closed, -1} : SlotRule{SlotRule::Fixed, target};
      }
    out.rules.push_back(rules);
  }
  return out;
}

void takeOver(const SolveOutput& solved, const std::vector<int>& scope, SolveOutput& into) {
  for (size_t i = 0; i < scope.size(); ++i)
    for (const Dir dir : kDirs) {
      Route route = solved.routes[i][size_t(dir)];
      Route& to = into.routes[size_t(scope[i])][size_t(dir)];
      if (route.target < 0 || to.target >= 0) continue;
      route.target = scope[size_t(route.target)];
      to = route;
    }
  into.repairs += solved.repairs;
  into.allReached = into.allReached && solved.allReached;
}

void fixPins(const ScreenRoutes& routes, SolveOutput& out) {
  for (size_t b = 0; b < out.routes.size(); ++b)
    for (const Dir dir : kDirs) {
      const SlotRule& rule = routes.input.rules[b][size_t(dir)];
      Route& route = out.routes[b][size_t(dir)];
      if (rule.type == SlotRule::Closed) route = {};
      if (rule.type == SlotRule::Fixed) route = {rule.target, RouteReason::Fixed, false};
    }
  for (size_t b = 0; b < out.routes.size(); ++b)
    for (const Dir dir : kDirs) {
      Route& route = out.routes[b][size_t(dir)];
      route.returns =
          route.target >= 0 &&
          out.routes[size_t(route.target)][size_t(opposite(dir))].target == static_cast<int>(b);
    }
}

}  // namespace

std::vector<std::vector<int>> scopesOf(const ScreenRoutes& routes) {
  const size_t scrollers = routes.scrollers.size();
  std::vector<std::vector<int>> out(scrollers + size_t(routes.flyOuts) + 1);
  for (size_t b = 0; b < routes.items.size(); ++b) {
    // From the innermost outwards, for as long as each can be seen in the one it is in.
    int at = routes.scrollerOf[b];
    bool seen = true;
    for (; at >= 0 && seen; at = routes.scrollers[size_t(at)].outer) {
      out[size_t(at)].push_back(static_cast<int>(b));
      seen = routes.seenIn(b, at);
    }
    const int flyOut = routes.flyOutOf[b];
    auto& rest = flyOut < 0 ? out.back() : out[scrollers + size_t(flyOut)];
    if (seen) rest.push_back(static_cast<int>(b));
  }
  return out;
}

SolveOutput solveScopes(const ScreenRoutes& routes) {
  return ScopeSolver().solve(routes);
}

SolveOutput ScopeSolver::solve(const ScreenRoutes& routes) {
  if (routes.scrollers.empty() && routes.flyOuts == 0) {
    solvers_.resize(1);
    return solvers_[0].solve(routes.input);
  }
  SolveOutput out;
  out.routes.resize(routes.items.size());
  const auto scopes = scopesOf(routes);
  solvers_.resize(scopes.size());
  const auto add = [&](size_t s) {
    takeOver(solvers_[s].solve(inputOf(routes, scopes[s])), scopes[s], out);
  };
  // Scrollers in others come after them: from the innermost outwards, the screen last.
  for (size_t s = routes.scrollers.size(); s-- > 0;) add(s);
  for (size_t s = routes.scrollers.size(); s < scopes.size(); ++s) add(s);
  fixPins(routes, out);
  return out;
}

namespace {

Sight sightOf(const ScreenRoutes& routes, const std::vector<int>& scope) {
  Sight out;
  out.boxes = scope;
  out.input = inputOf(routes, scope);
  out.placeOf.assign(routes.items.size(), -1);
  for (size_t i = 0; i < scope.size(); ++i) out.placeOf[size_t(scope[i])] = static_cast<int>(i);
  for (const int box : scope) {
    auto its = routes.output.routes[size_t(box)];
    for (Route& route : its)
      if (route.target >= 0) route.target = out.placeOf[size_t(route.target)];
    out.routes.push_back(its);
  }
  return out;
}

}  // namespace

// As they were solved: scrollers from the inside out, then what flies out, then the screen.
std::vector<Sight> sightsOf(const ScreenRoutes& routes) {
  const auto scopes = scopesOf(routes);
  std::vector<Sight> out;
  for (size_t s = routes.scrollers.size(); s-- > 0;) out.push_back(sightOf(routes, scopes[s]));
  for (size_t s = routes.scrollers.size(); s < scopes.size(); ++s)
    out.push_back(sightOf(routes, scopes[s]));
  return out;
}

const Sight* innermost(std::span<const Sight> sights, int box, int target) {
  const Sight* found = nullptr;
  for (const Sight& each : sights) {
    if (each.placeOf[size_t(box)] < 0) continue;
    if (target < 0) {
      found = &each;
    } else if (each.placeOf[size_t(target)] >= 0) {
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
