// Boxes in slabs of about equal number along a direction, each slab searchable across it. Slabs
// follow the field's shape: many thin ones where it is long that way, few where it is wide. Made
// for the solver's only question: what starts between here and there, and touches this lateral
// range?
#pragma once
#include <algorithm>
#include <cmath>
#include <span>
#include <vector>

#include "runtime/focus/relation.h"

namespace bristle {

class Slabs {
 public:
  Slabs() = default;
  // Sorts the boxes; they may go afterwards.
  explicit Slabs(std::span<const Facing> boxes);

  struct Entry {
    double lo, hi, reach;  // `reach`: the largest hi of this and all before it in the slab
    int box;
  };
  struct Slab {
    double first, last;  // nothing in it starts before or after
    std::vector<Entry> entries;
  };
  std::span<const Slab> slabs() const { return slabs_; }

  // The first slab in which something may start at `near` or later.
  size_t firstFrom(double near) const {
    return static_cast<size_t>(
        std::lower_bound(slabs_.begin(), slabs_.end(), near,
                         [](const Slab& s, double value) { return s.last < value; }) -
        slabs_.begin());
  }

  // Calls `visit(box)` for those of the slab whose lateral range may touch [lo, hi].
  template <class Visit>
  void across(const Slab& slab, double lo, double hi, Visit visit) const {
    auto at = std::upper_bound(slab.entries.begin(), slab.entries.end(), hi,
                               [](double value, const Entry& e) { return value < e.lo; });
    while (at != slab.entries.begin() && (--at)->reach >= lo)
      if (at->hi >= lo) visit(at->box);
  }

  // One box has moved; `from` is where it was. After thousands of moves the slabs may be of very
  // different sizes, and searching slower.
  void move(int box, const Facing& from, const Facing& to);

 private:
  static void reach(Slab& slab);
  std::vector<Slab> slabs_;  // by `first`
};

}  // namespace bristle
