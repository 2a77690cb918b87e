// Boxes in slabs of equal number along a direction, each slab searchable across it. Made for the
// solver's only question: what starts between here and there, and touches this lateral range?
#pragma once
#include <algorithm>
#include <cmath>
#include <span>
#include <vector>

#include "runtime/focus/relation.h"

namespace bristle {

class Slabs {
 public:
  // Sorts the boxes; they may go afterwards.
  explicit Slabs(std::span<const Facing> boxes) {
    const auto n = boxes.size();
    std::vector<int> order(n);
    for (size_t i = 0; i < n; ++i) order[i] = static_cast<int>(i);
    std::sort(order.begin(), order.end(), [&](int a, int b) {
      return boxes[size_t(a)].near < boxes[size_t(b)].near ||
             (boxes[size_t(a)].near == boxes[size_t(b)].near && a < b);
    });
    // About as many slabs as boxes in each: both halves of a search then cost the same.
    const auto each = std::max<size_t>(8, static_cast<size_t>(std::sqrt(static_cast<double>(n))));
    entries_.reserve(n);
    for (size_t from = 0; from < n; from += each) {
      const size_t to = std::min(n, from + each);
      Slab slab{boxes[size_t(order[from])].near, boxes[size_t(order[to - 1])].near, from, to};
      std::sort(order.begin() + static_cast<long>(from), order.begin() + static_cast<long>(to),
                [&](int a, int b) {
                  return boxes[size_t(a)].lo < boxes[size_t(b)].lo ||
                         (boxes[size_t(a)].lo == boxes[size_t(b)].lo && a < b);
                });
      double reach = -HUGE_VAL;
      for (size_t i = from; i < to; ++i) {
        const Facing& box = boxes[size_t(order[i])];
        reach = std::max(reach, box.hi);
        entries_.push_back({box.lo, reach, order[i]});
      }
      slabs_.push_back(slab);
    }
  }

  struct Slab {
    double first, last;  // least and largest near edge
    size_t from, to;
  };
  std::span<const Slab> slabs() const { return slabs_; }

  // The first slab in which something starts at `near` or later.
  size_t firstFrom(double near) const {
    return static_cast<size_t>(
        std::lower_bound(slabs_.begin(), slabs_.end(), near,
                         [](const Slab& s, double value) { return s.last < value; }) -
        slabs_.begin());
  }

  // Calls `visit(box)` for those of the slab whose lateral range may touch [lo, hi].
  template <class Visit>
  void across(const Slab& slab, double lo, double hi, Visit visit) const {
    const auto begin = entries_.begin() + static_cast<long>(slab.from);
    auto at = std::upper_bound(begin, entries_.begin() + static_cast<long>(slab.to), hi,
                               [](double value, const Entry& e) { return value < e.lo; });
    while (at != begin && (--at)->reach >= lo) visit(at->box);
  }

 private:
  struct Entry {
    double lo, reach;  // `reach`: the largest hi of this and all before it in the slab
    int box;
  };
  std::vector<Slab> slabs_;
  std::vector<Entry> entries_;
};

}  // namespace bristle
