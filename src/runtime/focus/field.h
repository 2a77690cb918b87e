// All boxes of a layout as each direction sees them, searchable; kept up to date as boxes move.
#pragma once
#include <array>
#include <span>
#include <vector>

#include "runtime/focus/slabs.h"

namespace bristle {

class Field {
 public:
  Field() = default;
  explicit Field(std::span<const Box> boxes);

  size_t size() const { return overlapping_.size(); }
  const Facing& facing(int box, Dir dir) const { return facing_[size_t(dir)][size_t(box)]; }
  const Slabs& slabs(Dir dir) const { return slabs_[size_t(dir)]; }
  // Those that overlap it on both axes, in no order; of a heap at most kMostOverlapping.
  std::span<const int> overlapping(int box) const { return overlapping_[size_t(box)]; }
  // Some box has more over it than are known.
  bool heaped() const { return heaped_; }

  // Takes time in the number of boxes.
  void move(int box, const Box& to);

  // A heap of thousands in one place is no menu, and all pairs of it would fill the memory.
  static constexpr size_t kMostOverlapping = 256;

 private:
  void overlap(int a, int b);
  std::array<std::vector<Facing>, 4> facing_;
  std::array<Slabs, 4> slabs_;
  std::vector<std::vector<int>> overlapping_;
  bool heaped_ = false;
};

}  // namespace bristle
