#include "runtime/focus/judge.h"

#include <algorithm>
#include <cmath>
#include <functional>

namespace bristle {
namespace {

constexpr double kPi = 3.14159265358979323846;

// A box along a direction: begin and end along it, low and high across it.
struct Turned {
  double begin, end, low, high;
};

Turned turned(const Box& b, Dir dir) {
  const double x2 = b.x + b.w, y2 = b.y + b.h;
  if (dir == Dir::Right) return {b.x, x2, b.y, y2};
  if (dir == Dir::Left) return {-x2, -b.x, b.y, y2};
  if (dir == Dir::Down) return {b.y, y2, b.x, x2};
  return {-y2, -b.y, b.x, x2};
}

bool beyond(const Turned& a, const Turned& b) {
  return (b.begin + b.end) / 2 - (a.begin + a.end) / 2 > 0.5;
}

double angle(const Turned& a, const Turned& b) {
  const double gap = b.begin - a.end;
  const double across = std::min(a.high, b.high) - std::max(a.low, b.low);
  const double along = std::min(a.end, b.end) - std::max(a.begin, b.begin);
  if (across > 0 && gap >= -1) return 0;
  if (across > 0 && along > 0) return along <= across ? 0 : 90;
  return std::atan2(std::max(0.0, -across), gap) * 180 / kPi;
}

double distance(const Turned& a, const Turned& b) {
  const double along = std::max({0.0, b.begin - a.end, a.begin - b.end});
  const double across = std::max({0.0, b.low - a.high, a.low - b.high});
  return std::hypot(along, across);
}

// What may be chosen from one box in one direction.
struct Choice {
  std::vector<int> admissible;
  bool anythingBeyond = false;
  bool required = false;
  double nearest = HUGE_VAL;
  bool has(int box) const {
    return std::find(admissible.begin(), admissible.end(), box) != admissible.end();
  }
};

bool isJumped(const std::vector<Turned>& boxes, const std::vector<int>& blockers, int target) {
  return std::any_of(blockers.begin(), blockers.end(), [&](int b) {
    return b != target && boxes[size_t(b)].end < boxes[size_t(target)].begin + 1;
  });
}

class Judge {
 public:
  Judge(std::span<const Box> boxes, const Routes& routes) : n_(boxes.size()), routes_(routes) {
    for (Dir dir : kDirs) {
      for (const Box& box : boxes) turned_[size_t(dir)].push_back(turned(box, dir));
      for (size_t a = 0; a < n_; ++a) choices_[size_t(dir)].push_back(choose(a, dir));
    }
  }

  Judgement run() {
    for (size_t a = 0; a < n_; ++a)
      for (Dir dir : kDirs) move(static_cast<int>(a), dir);
    out_.mostMutual = 2 * (most(Dir::Right) + most(Dir::Down));
    ways();
    return out_;
  }

 private:
  const Choice& choice(int box, Dir dir) const { return choices_[size_t(dir)][size_t(box)]; }

  Choice choose(size_t a, Dir dir) {
    const auto& boxes = turned_[size_t(dir)];
    Choice out;
    std::vector<int> cone, blockers;
    for (size_t b = 0; b < n_; ++b) {
      if (b == a || !beyond(boxes[a], boxes[b])) continue;
      out.anythingBeyond = true;
      if (angle(boxes[a], boxes[b]) > 45 + 1e-9) continue;
      cone.push_back(static_cast<int>(b));
      const double across =
          std::min(boxes[a].high, boxes[b].high) - std::max(boxes[a].low, boxes[b].low);
      const double smaller = std::min(boxes[a].high - boxes[a].low, boxes[b].high - boxes[b].low);
      if (across >= 0.25 * smaller && across >= 1) blockers.push_back(static_cast<int>(b));
    }
    out.required = !cone.empty();
    for (int b : cone) {
      if (isJumped(boxes, blockers, b)) continue;
      out.admissible.push_back(b);
      out.nearest = std::min(out.nearest, distance(boxes[a], boxes[size_t(b)]));
    }
    return out;
  }

  void move(int a, Dir dir) {
    const Choice& c = choice(a, dir);
    const int b = routes_[size_t(a)][size_t(dir)].target;
    out_.required += c.required;
    if (b < 0) {
      out_.missed += c.required;
      out_.empty += c.anythingBeyond;
      return;
    }
    ++out_.moves;
    const Turned &from = turned_[size_t(dir)][size_t(a)], &to = turned_[size_t(dir)][size_t(b)];
    if (!beyond(from, to)) {
      ++out_.wrongWay;
    } else if (!c.required) {
      ++out_.steepRepairs;
    } else if (angle(from, to) > 45 + 1e-9) {
      ++out_.steep;
    } else if (!c.has(b)) {
      ++out_.jumped;
    }
    if (c.required && distance(from, to) > 2 * c.nearest + 16) ++out_.farPicks;
    const Choice& back = choice(b, opposite(dir));
    if (!c.required || !back.required) return;
    out_.mutual += routes_[size_t(b)][size_t(opposite(dir))].target == a;
    out_.withMemory += back.has(a);
  }

  // The largest number of pairs along one axis (Kuhn's augmenting paths).
  int most(Dir dir) const {
    std::vector<int> owner(n_, -1), seen(n_, -1);
    const std::function<bool(int, int)> place = [&](int a, int round) {
      for (int b : choice(a, dir).admissible) {
        if (seen[size_t(b)] == round || !choice(b, opposite(dir)).has(a)) continue;
        seen[size_t(b)] = round;
        if (owner[size_t(b)] >= 0 && !place(owner[size_t(b)], round)) continue;
        owner[size_t(b)] = a;
        return true;
      }
      return false;
    };
    int count = 0;
    for (size_t a = 0; a < n_; ++a) count += place(static_cast<int>(a), static_cast<int>(a));
    return count;
  }

  void ways() {
    double reached = 0, steps = 0;
    std::vector<int> queue, depth;
    for (size_t from = 0; from < n_; ++from) {
      depth.assign(n_, -1);
      depth[from] = 0;
      queue.assign(1, static_cast<int>(from));
      for (size_t at = 0; at < queue.size(); ++at) {
        for (const Route& r : routes_[size_t(queue[at])]) {
          if (r.target < 0 || depth[size_t(r.target)] >= 0) continue;
          depth[size_t(r.target)] = depth[size_t(queue[at])] + 1;
          queue.push_back(r.target);
        }
      }
      reached += static_cast<double>(queue.size() - 1);
      for (int v : queue) {
        steps += depth[size_t(v)];
        out_.mostSteps = std::max(out_.mostSteps, depth[size_t(v)]);
      }
    }
    const double pairs = static_cast<double>(n_) * (static_cast<double>(n_) - 1);
    out_.reach = pairs > 0 ? reached / pairs : 1;
    out_.meanSteps = reached > 0 ? steps / reached : 0;
  }

  size_t n_;
  const Routes& routes_;
  std::array<std::vector<Turned>, 4> turned_;
  std::array<std::vector<Choice>, 4> choices_;
  Judgement out_;
};

}  // namespace

Judgement judge(std::span<const Box> boxes, const Routes& routes) {
  return Judge(boxes, routes).run();
}

}  // namespace bristle
