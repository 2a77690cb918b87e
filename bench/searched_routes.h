// How few steps routes could have that keep all rules: natural picks are exchanged one by one, with
// the whole screen in view, as long as that saves steps and enough of them still return. No solver
// that looks at what is near could do so; it tells what is to be had at all.
#pragma once
#include <algorithm>
#include <numeric>
#include <random>
#include <tuple>
#include <vector>

#include "runtime/focus/judge.h"
#include "runtime/focus/picks.h"

namespace bristle::bench {

class RouteSearch {
 public:
  // `routes`: solved; they are where the search begins.
  RouteSearch(const std::vector<Box>& boxes, Routes routes)
      : boxes_(boxes), routes_(std::move(routes)), picks_(boxes.size()) {
    std::vector<int> order(boxes.size()), rank(boxes.size());
    std::iota(order.begin(), order.end(), 0);
    std::sort(order.begin(), order.end(), [&](int i, int j) {
      const Box &a = boxes[size_t(i)], &b = boxes[size_t(j)];
      return std::tie(a.y, a.x, a.h, a.w) < std::tie(b.y, b.x, b.h, b.w);
    });
    for (size_t i = 0; i < order.size(); ++i) rank[size_t(order[i])] = static_cast<int>(i);
    const Field field(boxes);
    PickFinder finder(field, rank);
    for (size_t i = 0; i < boxes.size(); ++i)
      for (const Dir dir : kDirs) {
        picks_[i][size_t(dir)] = finder.pick(static_cast<int>(i), dir);
        if (picks_[i][size_t(dir)].count > 1) slots_.emplace_back(i, dir);
      }
    fewestPairs_ = 0.97 * judge(boxes, routes_).mostMutual;
    steps_ = steps();
  }

  Routes run() {
    std::mt19937 random(1);
    bool better = true;
    for (int round = 0; round < 12 && better; ++round) {
      better = false;
      std::shuffle(slots_.begin(), slots_.end(), random);
      for (const auto& [box, dir] : slots_) better |= exchange(box, dir);
    }
    return std::move(routes_);
  }

 private:
  bool exchange(size_t box, Dir dir) {
    const Picks& picks = picks_[box][size_t(dir)];
    Route& route = routes_[box][size_t(dir)];
    bool better = false;
    for (const Pick& pick : picks.list()) {
      const Route before = route;
      if (pick.target == before.target) continue;
      const auto reason = picks.natural ? RouteReason::Solved : RouteReason::Stopgap;
      route = {pick.target, reason, false};
      const double now = steps();
      if (now < steps_ && mutual() >= fewestPairs_) {
        steps_ = now;
        better = true;
      } else {
        route = before;
      }
    }
    return better;
  }

  // From each box to each other; what cannot be reached is as far as can be.
  double steps() {
    double out = 0;
    for (size_t from = 0; from < routes_.size(); ++from) {
      depth_.assign(routes_.size(), -1);
      depth_[from] = 0;
      queue_.assign(1, static_cast<int>(from));
      for (size_t at = 0; at < queue_.size(); ++at)
        for (const Route& r : routes_[size_t(queue_[at])])
          if (r.target >= 0 && depth_[size_t(r.target)] < 0) {
            depth_[size_t(r.target)] = depth_[size_t(queue_[at])] + 1;
            queue_.push_back(r.target);
          }
      for (const int depth : depth_) out += depth < 0 ? double(routes_.size()) : depth;
    }
    return out;
  }

  int mutual() const {
    int out = 0;
    for (size_t i = 0; i < routes_.size(); ++i)
      for (const Dir dir : kDirs) {
        const Route& r = routes_[i][size_t(dir)];
        out += r.reason == RouteReason::Solved &&
               routes_[size_t(r.target)][size_t(opposite(dir))].target == static_cast<int>(i);
      }
    return out;
  }

  const std::vector<Box>& boxes_;
  Routes routes_;
  std::vector<std::array<Picks, 4>> picks_;
  std::vector<std::pair<size_t, Dir>> slots_;
  double fewestPairs_ = 0, steps_ = 0;
  std::vector<int> depth_, queue_;
};

}  // namespace bristle::bench
