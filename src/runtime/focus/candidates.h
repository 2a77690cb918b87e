// For every box and direction, the boxes that a route may lead to.
#pragma once
#include <array>
#include <cstdint>
#include <span>
#include <vector>

#include "runtime/focus/relation.h"

namespace bristle {

struct Candidate {
  int target;
  bool ahead;  // in the strip ahead; the others lie to the side
  float effort;
};

// The admissible targets of all boxes in one direction, best first (ahead before aside, then the
// least effort).
class Candidates {
 public:
  std::span<const Candidate> of(int box) const {
    const auto i = static_cast<size_t>(box);
    return {all_.data() + from_[i], from_[i + 1] - from_[i]};
  }
  // Null where the target is no candidate of the box.
  const Candidate* find(int box, int target) const;

 private:
  friend Candidates gather(std::span<const Box>, Dir, const std::vector<std::vector<int>>&, size_t);
  std::vector<Candidate> all_;
  std::vector<std::uint32_t> from_;
};

// For each box the boxes that overlap it by more than the touch tolerance on both axes.
std::vector<std::vector<int>> overlaps(std::span<const Box> boxes);

// How many of the best are worth keeping for each box. A screen's worth of boxes keeps all that
// matter, so that the pairing is the true maximum; thousands keep fewer, for speed.
size_t candidatesKept(size_t boxes);

// At most `most` are kept for each box.
Candidates gather(std::span<const Box> boxes, Dir dir,
                  const std::vector<std::vector<int>>& overlapping, size_t most);

}  // namespace bristle
