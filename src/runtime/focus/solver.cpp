#include "runtime/focus/solver.h"

#include <algorithm>
#include <numeric>
#include <tuple>

#include "runtime/focus/candidates.h"
#include "runtime/focus/pairing.h"
#include "runtime/focus/repair.h"
#include "runtime/focus/strong.h"

namespace bristle {
namespace {

// The input in an order that depends on the geometry alone, so that ties never follow the order
// of the document; for right-to-left mirrored first, so that mirrored layouts get mirrored routes.
struct Canonical {
  std::vector<Box> boxes;
  std::vector<std::array<SlotRule, 4>> rules;
  std::vector<int> original;  // by canonical index
};

Dir mirrored(Dir dir, bool rightToLeft) {
  return rightToLeft && (dir == Dir::Left || dir == Dir::Right) ? opposite(dir) : dir;
}

Canonical canonical(const SolveInput& input) {
  const auto n = input.boxes.size();
  std::vector<Box> boxes = input.boxes;
  if (input.rightToLeft)
    for (Box& box : boxes) box.x = -(box.x + box.w);
  Canonical out;
  out.original.resize(n);
  std::iota(out.original.begin(), out.original.end(), 0);
  static const std::string none;
  std::sort(out.original.begin(), out.original.end(), [&](int i, int j) {
    const Box &a = boxes[size_t(i)], &b = boxes[size_t(j)];
    const auto left = std::tie(a.y, a.x, a.h, a.w), right = std::tie(b.y, b.x, b.h, b.w);
    if (left != right) return left < right;
    if (input.names.empty()) return i < j;
    return input.names[size_t(i)] < input.names[size_t(j)];
  });
  std::vector<int> place(n);
  for (size_t i = 0; i < n; ++i) place[size_t(out.original[i])] = static_cast<int>(i);
  for (int i : out.original) out.boxes.push_back(boxes[size_t(i)]);
  if (input.rules.empty()) return out;
  for (int i : out.original) {
    std::array<SlotRule, 4> rules;
    for (Dir dir : kDirs) {
      SlotRule rule = input.rules[size_t(i)][size_t(dir)];
      if (rule.type == SlotRule::Fixed) rule.target = place[size_t(rule.target)];
      rules[size_t(mirrored(dir, input.rightToLeft))] = rule;
    }
    out.rules.push_back(rules);
  }
  return out;
}

SlotRule ruleOf(const Canonical& c, size_t box, Dir dir) {
  return c.rules.empty() ? SlotRule{} : c.rules[box][size_t(dir)];
}

// The pairs of one axis, then for what stayed alone its best candidate; one that would be a pair
// were it not taken comes first, since the session's memory returns from there.
void solveAxis(const Canonical& c, const std::array<Candidates, 4>& candidates, Dir forward,
               Routes& routes) {
  const Dir backward = opposite(forward);
  const auto n = c.boxes.size();
  std::vector<char> skipForward(n), skipBackward(n);
  for (size_t i = 0; i < n; ++i) {
    skipForward[i] = ruleOf(c, i, forward).type != SlotRule::Free;
    skipBackward[i] = ruleOf(c, i, backward).type != SlotRule::Free;
  }
  const auto set = [&](int from, Dir dir, int to) {
    routes[size_t(from)][size_t(dir)] = {to, RouteReason::Solved, false};
  };
  // A pinned route returns where the other side is free and may lead back.
  for (Dir dir : {forward, backward}) {
    auto& skip = dir == forward ? skipBackward : skipForward;
    for (size_t i = 0; i < n; ++i) {
      const SlotRule rule = ruleOf(c, i, dir);
      if (rule.type != SlotRule::Fixed || skip[size_t(rule.target)]) continue;
      if (!candidates[size_t(opposite(dir))].find(rule.target, static_cast<int>(i))) continue;
      skip[size_t(rule.target)] = 1;
      set(rule.target, opposite(dir), static_cast<int>(i));
    }
  }
  const Pairs pairs = pairUp(candidates[size_t(forward)], candidates[size_t(backward)], n,
                             skipForward, skipBackward);
  for (size_t i = 0; i < n; ++i) {
    if (pairs.forward[i] >= 0) set(static_cast<int>(i), forward, pairs.forward[i]);
    if (pairs.backward[i] >= 0) set(static_cast<int>(i), backward, pairs.backward[i]);
  }
  for (Dir dir : {forward, backward}) {
    for (size_t i = 0; i < n; ++i) {
      if (routes[i][size_t(dir)].target >= 0 || ruleOf(c, i, dir).type != SlotRule::Free) continue;
      const auto options = candidates[size_t(dir)].of(static_cast<int>(i));
      if (options.empty()) continue;
      const auto returning = std::find_if(options.begin(), options.end(), [&](const Candidate& o) {
        return o.ahead == options[0].ahead &&
               candidates[size_t(opposite(dir))].find(o.target, static_cast<int>(i));
      });
      set(static_cast<int>(i), dir, (returning == options.end() ? options[0] : *returning).target);
    }
  }
}

void markReturns(Routes& routes) {
  for (size_t i = 0; i < routes.size(); ++i)
    for (Dir dir : kDirs) {
      Route& r = routes[i][size_t(dir)];
      r.returns = r.target >= 0 &&
                  routes[size_t(r.target)][size_t(opposite(dir))].target == static_cast<int>(i);
    }
}

}  // namespace

SolveOutput solve(const SolveInput& input) {
  SolveOutput out;
  out.routes.resize(input.boxes.size());
  if (input.boxes.empty()) return out;
  const Canonical c = canonical(input);
  const auto overlapping = overlaps(c.boxes);
  std::array<Candidates, 4> candidates;
  const size_t most = candidatesKept(c.boxes.size());
  for (Dir dir : kDirs) candidates[size_t(dir)] = gather(c.boxes, dir, overlapping, most);
  Routes routes(c.boxes.size());
  for (size_t i = 0; i < routes.size(); ++i)
    for (Dir dir : kDirs)
      if (const SlotRule rule = ruleOf(c, i, dir); rule.type == SlotRule::Fixed)
        routes[i][size_t(dir)] = {rule.target, RouteReason::Fixed, false};
  solveAxis(c, candidates, Dir::Right, routes);
  solveAxis(c, candidates, Dir::Down, routes);
  out.repairs = repair({c.boxes, &candidates, &c.rules}, routes);
  out.allReached = strongParts(routes).count == 1;
  markReturns(routes);
  for (size_t i = 0; i < routes.size(); ++i)
    for (Dir dir : kDirs) {
      Route route = routes[i][size_t(dir)];
      if (route.target >= 0) route.target = c.original[size_t(route.target)];
      out.routes[size_t(c.original[i])][size_t(mirrored(dir, input.rightToLeft))] = route;
    }
  return out;
}

}  // namespace bristle
