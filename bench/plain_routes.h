// Plain ways to choose routes, all pairs looked at and each box and direction by itself: what our
// solver is compared with, on the same layouts in the same run.
#pragma once
#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <vector>

#include "runtime/focus/solver.h"

namespace bristle::bench {

// A box along a direction.
struct Along {
  double begin, end, low, high;
  double centre() const { return (begin + end) / 2; }
  double middle() const { return (low + high) / 2; }
};

inline Along along(const Box& b, Dir dir) {
  if (dir == Dir::Right) return {b.x, b.x + b.w, b.y, b.y + b.h};
  if (dir == Dir::Left) return {-(b.x + b.w), -b.x, b.y, b.y + b.h};
  if (dir == Dir::Down) return {b.y, b.y + b.h, b.x, b.x + b.w};
  return {-(b.y + b.h), -b.y, b.x, b.x + b.w};
}

inline constexpr double kNoWay = std::numeric_limits<double>::infinity();

// The nearest centre in the half-plane.
inline double halfPlane(const Along& a, const Along& b, Dir) {
  const double on = b.centre() - a.centre();
  return on > 0.5 ? std::hypot(on, b.middle() - a.middle()) : kNoWay;
}

// The nearest centre within 45°, a pixel aside counting as two.
inline double coneByAxis(const Along& a, const Along& b, Dir) {
  const double on = b.centre() - a.centre(), aside = std::abs(b.middle() - a.middle());
  return on > 0.5 && aside <= on ? on + 2 * aside : kNoWay;
}

// The distance function of the CSS Spatial Navigation draft (css-nav-1, "find the shortest
// distance"), taken greedily: the distance of the nearest points, plus what lies aside with a
// weight of 30 across and 2 down, minus 5 for the share of the edge that is aligned.
inline double spatialNavigation(const Along& a, const Along& b, Dir dir) {
  if (b.begin < a.end && !(b.centre() > a.centre() + 0.5 && b.begin > a.begin && b.end > a.end))
    return kNoWay;
  const double on = std::max(0.0, b.begin - a.end);
  const double aside = std::max({0.0, b.low - a.high, a.low - b.high});
  const double shared = std::min(a.high, b.high) - std::max(a.low, b.low);
  const bool across = dir == Dir::Left || dir == Dir::Right;
  const double bias = shared > 0 ? 0 : (a.high - a.low) / 2;
  const double aligned = shared > 0 ? std::min(1.0, shared / (a.high - a.low)) : 0;
  return std::hypot(on, aside) + (aside + bias) * (across ? 30 : 2) - 5 * aligned;
}

// For each box and direction that of the least price.
template <class Price>
Routes cheapest(const std::vector<Box>& boxes, Price price) {
  Routes out(boxes.size());
  for (const Dir dir : kDirs) {
    std::vector<Along> turned;
    for (const Box& b : boxes) turned.push_back(along(b, dir));
    for (size_t a = 0; a < boxes.size(); ++a) {
      double least = kNoWay;
      for (size_t b = 0; b < boxes.size(); ++b) {
        if (a == b) continue;
        const double now = price(turned[a], turned[b], dir);
        if (now >= least) continue;
        least = now;
        out[a][size_t(dir)] = {static_cast<int>(b), RouteReason::Solved, false};
      }
    }
  }
  return out;
}

}  // namespace bristle::bench
