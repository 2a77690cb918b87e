#include "runtime/focus/pairing.h"

#include <algorithm>
#include <limits>

namespace bristle {
namespace {

struct PairEdge {
  int from, to;
  int aside;  // how many of both ways lie to the side
  float effort;
};

class Matcher {
 public:
  Matcher(size_t boxes, std::vector<PairEdge> edges) : edges_(std::move(edges)) {
    pairs_.forward.assign(boxes, -1);
    pairs_.backward.assign(boxes, -1);
    first_.assign(boxes + 1, 0);
    for (const PairEdge& e : edges_) ++first_[size_t(e.from) + 1];
    for (size_t i = 1; i < first_.size(); ++i) first_[i] += first_[i - 1];
  }

  Pairs run() {
    greedy();
    while (layer()) {
      next_ = first_;
      for (size_t i = 0; i < pairs_.forward.size(); ++i)
        if (pairs_.forward[i] < 0) augment(static_cast<int>(i));
    }
    exchange();
    return std::move(pairs_);
  }

 private:
  void greedy() {
    std::vector<int> order(edges_.size());
    for (size_t i = 0; i < order.size(); ++i) order[i] = static_cast<int>(i);
    std::sort(order.begin(), order.end(), [&](int x, int y) {
      const PairEdge &a = edges_[size_t(x)], &b = edges_[size_t(y)];
      if (a.aside != b.aside) return a.aside < b.aside;
      if (a.effort != b.effort) return a.effort < b.effort;
      return x < y;
    });
    for (int i : order) {
      const PairEdge& e = edges_[size_t(i)];
      if (pairs_.forward[size_t(e.from)] < 0 && pairs_.backward[size_t(e.to)] < 0)
        join(e.from, e.to);
    }
  }

  void join(int from, int to) {
    pairs_.forward[size_t(from)] = to;
    pairs_.backward[size_t(to)] = from;
  }

  // Breadth first from all unpaired at once; true when an unpaired other side is in reach.
  bool layer() {
    depth_.assign(pairs_.forward.size(), -1);
    queue_.clear();
    for (size_t i = 0; i < pairs_.forward.size(); ++i) {
      if (pairs_.forward[i] >= 0 || first_[i] == first_[i + 1]) continue;
      depth_[i] = 0;
      queue_.push_back(static_cast<int>(i));
    }
    bool found = false;
    for (size_t at = 0; at < queue_.size(); ++at) {
      const auto a = size_t(queue_[at]);
      for (int e = first_[a]; e < first_[a + 1]; ++e) {
        const int back = pairs_.backward[size_t(edges_[size_t(e)].to)];
        if (back < 0) {
          found = true;
        } else if (depth_[size_t(back)] < 0) {
          depth_[size_t(back)] = depth_[a] + 1;
          queue_.push_back(back);
        }
      }
    }
    return found;
  }

  // Depth first along the layers, without recursion: such a path may be thousands long.
  bool augment(int root) {
    std::vector<int>& path = path_;
    path.assign(1, root);
    while (!path.empty()) {
      const auto a = size_t(path.back());
      if (next_[a] == first_[a + 1]) {
        depth_[a] = -1;
        path.pop_back();
        if (!path.empty()) ++next_[size_t(path.back())];
        continue;
      }
      const int to = edges_[size_t(next_[a])].to;
      const int back = pairs_.backward[size_t(to)];
      if (back < 0) {
        for (int from : path) join(from, edges_[size_t(next_[size_t(from)])].to);
        return true;
      }
      if (depth_[size_t(back)] == depth_[a] + 1) {
        path.push_back(back);
      } else {
        ++next_[a];
      }
    }
    return false;
  }

  const PairEdge* edge(int from, int to) const {
    for (int e = first_[size_t(from)]; e < first_[size_t(from) + 1]; ++e)
      if (edges_[size_t(e)].to == to) return &edges_[size_t(e)];
    return nullptr;
  }

  static double price(const PairEdge& e) { return e.effort + kAside * e.aside; }

  // Where two pairs could swap partners, or one could move to a free partner, for less effort,
  // they do: augmenting keeps the number but not the naturalness.
  void exchange() {
    for (int round = 0; round < kRounds; ++round) {
      bool changed = false;
      for (size_t a = 0; a < pairs_.forward.size(); ++a) changed |= improve(static_cast<int>(a));
      if (!changed) return;
    }
  }

  bool improve(int a) {
    const int b = pairs_.forward[size_t(a)];
    if (b < 0) return false;
    const double now = price(*edge(a, b));
    for (int e = first_[size_t(a)]; e < first_[size_t(a) + 1]; ++e) {
      const PairEdge& other = edges_[size_t(e)];
      if (other.to == b || price(other) >= now) continue;
      const int c = pairs_.backward[size_t(other.to)];
      if (c < 0) {
        pairs_.backward[size_t(b)] = -1;
        join(a, other.to);
        return true;
      }
      const PairEdge* swapped = edge(c, b);
      if (!swapped) continue;
      if (price(other) + price(*swapped) + 1e-6 < now + price(*edge(c, other.to))) {
        join(a, other.to);
        join(c, b);
        return true;
      }
    }
    return false;
  }

  static constexpr int kRounds = 4;
  static constexpr double kAside = 60;  // px: what one way to the side is worth

  std::vector<PairEdge> edges_;
  std::vector<int> first_, next_, depth_, queue_, path_;
  Pairs pairs_;
};

}  // namespace

Pairs pairUp(const Candidates& forward, const Candidates& backward, size_t boxes,
             const std::vector<char>& skipForward, const std::vector<char>& skipBackward) {
  std::vector<PairEdge> edges;
  edges.reserve(boxes * 3);
  for (size_t a = 0; a < boxes; ++a) {
    if (skipForward[a]) continue;
    for (const Candidate& there : forward.of(static_cast<int>(a))) {
      if (skipBackward[size_t(there.target)]) continue;
      const Candidate* back = backward.find(there.target, static_cast<int>(a));
      if (!back) continue;
      edges.push_back({static_cast<int>(a), there.target, !there.ahead + !back->ahead,
                       there.effort + back->effort});
    }
  }
  return Matcher(boxes, std::move(edges)).run();
}

}  // namespace bristle
