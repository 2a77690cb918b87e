// There and back: of the natural picks along one axis, the largest set of pairs that return.
#pragma once
#include <array>
#include <span>
#include <vector>

#include "runtime/focus/matching.h"
#include "runtime/focus/picks.h"

namespace bristle {

using AllPicks = std::vector<std::array<Picks, 4>>;  // by box and direction

// A direction of a box.
struct Slot {
  int box;
  Dir dir;
};

// Pairs the forward direction of boxes with the backward direction of others. What may pair falls
// into parts that have nothing to do with one another; each is a matching of its own, so that after
// a change only the parts it touches are done again, with the same result.
class Pairing {
 public:
  Pairing() = default;
  // `forward`: Right or Down.
  Pairing(Dir forward, size_t boxes);

  // The box that this one goes to and that comes back; −1: none. `dir`: forward or its opposite.
  int partner(int box, Dir dir) const { return mate_[side(dir)][size_t(box)]; }

  // Pairs all that hangs together with these slots anew. Slots without picks take no part. `rank`
  // decides between equals. Every slot looked at is added to `touched`, once.
  void pair(const AllPicks& picks, std::span<const int> rank, std::span<const Slot> seeds,
            std::vector<Slot>& touched);

 private:
  size_t side(Dir dir) const { return dir == forward_ ? 0 : 1; }
  Dir dirOf(size_t side) const { return side == 0 ? forward_ : opposite(forward_); }
  bool visit(size_t side, int box);
  void collect(const AllPicks& picks, size_t side, int box);
  void match(const AllPicks& picks, std::span<const int> rank);

  Dir forward_ = Dir::Right;
  std::array<std::vector<int>, 2> mate_;   // by side and box
  std::array<std::vector<int>, 2> round_;  // by side and box: when it was last looked at
  std::vector<int> place_;                 // by box: where the second side has it in part_
  std::array<std::vector<int>, 2> part_;   // the boxes of the part in hand
  int now_ = 0;
};

}  // namespace bristle
