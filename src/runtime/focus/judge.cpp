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

// What a move is weighed by, px each, and the neutral cost of it.
struct Weights {
  double along, aside, across;
  double cost() const { return along + 2 * aside + 0.15 * across; }
  double sum() const { return along + aside + across; }
};

Weights weights(const Turned& a, const Turned& b) {
  return {std::max(0.0, b.begin - a.end), std::max({0.0, b.low - a.high, a.low - b.high}),
          std::abs((a.low + a.high) / 2 - (b.low + b.high) / 2)};
}

bool better(const Weights& a, const Weights& b) {
  return a.along <= b.along && a.aside <= b.aside && a.across <= b.across && b.sum() - a.sum() > 16;
}

// What may be chosen from one box in one direction.
struct Choice {
  std::vector<int> cone, admissible, natural;
  bool anythingBeyond = false;  // begins where this ends, at any angle
  double nearest = HUGE_VAL, least = HUGE_VAL;
  bool required() const { return !cone.empty(); }
};

bool in(const std::vector<int>& list, int box) {
  return std::find(list.begin(), list.end(), box) != list.end();
}

class Judge {
 public:
  Judge(std::span<const Box> boxes, const Routes& routes, const Reading& reading)
      : n_(boxes.size()), routes_(routes), reading_(reading) {
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

  bool inCone(const Turned& a, const Turned& b) const {
    if (!reading_.byCentres) return angle(a, b) <= 45 + 1e-9;
    return std::abs((a.low + a.high) / 2 - (b.low + b.high) / 2) <=
           (b.begin + b.end) / 2 - (a.begin + a.end) / 2;
  }

  bool blocks(const Turned& a, const Turned& b) const {
    const double across = std::min(a.high, b.high) - std::max(a.low, b.low);
    const double smaller = std::min(a.high - a.low, b.high - b.low);
    return across >= reading_.blocks * smaller && across >= 1;
  }

  Choice choose(size_t a, Dir dir) const {
    const auto& boxes = turned_[size_t(dir)];
    Choice out;
    std::vector<int> blockers;
    for (size_t b = 0; b < n_; ++b) {
      if (b == a || !beyond(boxes[a], boxes[b])) continue;
      out.anythingBeyond |= boxes[b].begin >= boxes[a].end - 1;
      if (!inCone(boxes[a], boxes[b])) continue;
      out.cone.push_back(static_cast<int>(b));
      if (blocks(boxes[a], boxes[b])) blockers.push_back(static_cast<int>(b));
    }
    for (int b : out.cone) {
      const Turned& target = boxes[size_t(b)];
      if (std::any_of(blockers.begin(), blockers.end(),
                      [&](int k) { return k != b && boxes[size_t(k)].end < target.begin + 1; }))
        continue;
      out.admissible.push_back(b);
      out.nearest = std::min(out.nearest, distance(boxes[a], target));
      out.least = std::min(out.least, weights(boxes[a], target).cost());
    }
    for (int b : out.admissible)
      if (!isOdd(out, boxes[a], boxes[size_t(b)]) && !isDominated(out, a, b, dir))
        out.natural.push_back(b);
    return out;
  }

  static bool isOdd(const Choice& c, const Turned& a, const Turned& b) {
    return c.least < HUGE_VAL && weights(a, b).cost() > 1.25 * c.least + 16 + 1e-6;
  }

  bool isDominated(const Choice& c, size_t a, int b, Dir dir) const {
    const auto& boxes = turned_[size_t(dir)];
    return std::any_of(c.cone.begin(), c.cone.end(), [&](int other) {
      return other != b &&
             better(weights(boxes[a], boxes[size_t(other)]), weights(boxes[a], boxes[size_t(b)]));
    });
  }

  void move(int a, Dir dir) {
    const Choice& c = choice(a, dir);
    const Route& route = routes_[size_t(a)][size_t(dir)];
    const int b = route.target;
    out_.required += c.required();
    if (b < 0) {
      out_.missed += c.required();
      out_.empty += c.anythingBeyond;
      return;
    }
    const Turned &from = turned_[size_t(dir)][size_t(a)], &to = turned_[size_t(dir)][size_t(b)];
    out_.wrongWay += !beyond(from, to);
    if (route.reason == RouteReason::Stopgap || route.reason == RouteReason::Repair) {
      ++(route.reason == RouteReason::Stopgap ? out_.stopgaps : out_.repairs);
      return;
    }
    ++out_.moves;
    if (c.required()) {
      if (!in(c.cone, b)) {
        out_.steep += beyond(from, to);
      } else if (!in(c.admissible, b)) {
        ++out_.jumped;
      }
      out_.dominated += isDominated(c, size_t(a), b, dir);
      out_.odd += isOdd(c, from, to);
      out_.farPicks += distance(from, to) > 2 * c.nearest + 16;
    }
    out_.mutual += routes_[size_t(b)][size_t(opposite(dir))].target == a;
    out_.withMemory += in(choice(b, opposite(dir)).admissible, a);
  }

  // The largest number of pairs along one axis (Kuhn's augmenting paths).
  int most(Dir dir) const {
    std::vector<int> owner(n_, -1), seen(n_, -1);
    const std::function<bool(int, int)> place = [&](int a, int round) {
      for (int b : choice(a, dir).natural) {
        if (seen[size_t(b)] == round || !in(choice(b, opposite(dir)).natural, a)) continue;
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
  Reading reading_;
  std::array<std::vector<Turned>, 4> turned_;
  std::array<std::vector<Choice>, 4> choices_;
  Judgement out_;
};

}  // namespace

Judgement judge(std::span<const Box> boxes, const Routes& routes, const Reading& reading) {
  return Judge(boxes, routes, reading).run();
}

}  // namespace bristle
