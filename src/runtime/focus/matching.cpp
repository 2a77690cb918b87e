#include "runtime/focus/matching.h"

#include <algorithm>
#include <tuple>

namespace bristle {
namespace {

class Matcher {
 public:
  Matcher(size_t from, size_t to, std::span<const MatchEdge> edges)
      : edges_(edges), mate_(from, -1), owner_(to, -1), first_(from + 1, 0) {
    for (const MatchEdge& e : edges_) ++first_[size_t(e.from) + 1];
    for (size_t i = 1; i < first_.size(); ++i) first_[i] += first_[i - 1];
  }

  std::vector<int> run() {
    greedy();
    while (layer()) {
      next_ = first_;
      for (size_t i = 0; i < mate_.size(); ++i)
        if (mate_[i] < 0) augment(static_cast<int>(i));
    }
    exchange();
    return std::move(mate_);
  }

 private:
  void greedy() {
    std::vector<MatchEdge> order(edges_.begin(), edges_.end());
    std::sort(order.begin(), order.end(), [](const MatchEdge& a, const MatchEdge& b) {
      return std::tie(a.cost, a.from, a.to) < std::tie(b.cost, b.from, b.to);
    });
    for (const MatchEdge& e : order)
      if (mate_[size_t(e.from)] < 0 && owner_[size_t(e.to)] < 0) join(e.from, e.to);
  }

  void join(int from, int to) {
    mate_[size_t(from)] = to;
    owner_[size_t(to)] = from;
  }

  // Breadth first from all without a partner at once; true when one without is in reach on the
  // other side.
  bool layer() {
    depth_.assign(mate_.size(), -1);
    queue_.clear();
    for (size_t i = 0; i < mate_.size(); ++i) {
      if (mate_[i] >= 0 || first_[i] == first_[i + 1]) continue;
      depth_[i] = 0;
      queue_.push_back(static_cast<int>(i));
    }
    bool found = false;
    for (size_t at = 0; at < queue_.size(); ++at) {
      const auto a = size_t(queue_[at]);
      for (int e = first_[a]; e < first_[a + 1]; ++e) {
        const int back = owner_[size_t(edges_[size_t(e)].to)];
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
    path_.assign(1, root);
    while (!path_.empty()) {
      const auto a = size_t(path_.back());
      if (next_[a] == first_[a + 1]) {
        depth_[a] = -1;
        path_.pop_back();
        if (!path_.empty()) ++next_[size_t(path_.back())];
        continue;
      }
      const int to = edges_[size_t(next_[a])].to;
      const int back = owner_[size_t(to)];
      if (back < 0) {
        for (int from : path_) join(from, edges_[size_t(next_[size_t(from)])].to);
        return true;
      }
      if (depth_[size_t(back)] == depth_[a] + 1) {
        path_.push_back(back);
      } else {
        ++next_[a];
      }
    }
    return false;
  }

  const MatchEdge* edge(int from, int to) const {
    for (int e = first_[size_t(from)]; e < first_[size_t(from) + 1]; ++e)
      if (edges_[size_t(e)].to == to) return &edges_[size_t(e)];
    return nullptr;
  }

  // Where two pairs could swap partners, or one could move to a free partner, for less, they do:
  // augmenting keeps the number but not the cost.
  void exchange() {
    for (int round = 0; round < kRounds; ++round) {
      bool changed = false;
      for (size_t a = 0; a < mate_.size(); ++a) changed |= improve(static_cast<int>(a));
      if (!changed) return;
    }
  }

  bool improve(int a) {
    const int b = mate_[size_t(a)];
    if (b < 0) return false;
    const float now = edge(a, b)->cost;
    for (int e = first_[size_t(a)]; e < first_[size_t(a) + 1]; ++e) {
      const MatchEdge& other = edges_[size_t(e)];
      if (other.to == b || other.cost >= now) continue;
      const int c = owner_[size_t(other.to)];
      if (c < 0) {
        owner_[size_t(b)] = -1;
        join(a, other.to);
        return true;
      }
      const MatchEdge* swapped = edge(c, b);
      if (!swapped) continue;
      if (other.cost + swapped->cost + 1e-3F < now + edge(c, other.to)->cost) {
        join(a, other.to);
        join(c, b);
        return true;
      }
    }
    return false;
  }

  static constexpr int kRounds = 4;

  std::span<const MatchEdge> edges_;
  std::vector<int> mate_, owner_, first_, next_, depth_, queue_, path_;
};

}  // namespace

std::vector<int> mostPairs(size_t from, size_t to, std::span<const MatchEdge> edges) {
  return Matcher(from, to, edges).run();
}

}  // namespace bristle
