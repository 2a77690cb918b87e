// What a box and a direction may lead to without making a person wonder.
#pragma once
#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

#include "runtime/focus/field.h"

namespace bristle {

struct Pick {
  int target;
  float cost;
};

// The natural picks: in the cone, nothing jumped, not dominated, and hardly dearer than the best
// (relation.h has the figures). With nothing in the cone: what begins beyond the box's edge, at any
// angle, by the same measure.
struct Picks {
  static constexpr size_t kMost = 16;
  std::array<Pick, kMost> all;  // the cheapest first; of equal cost by rank
  std::uint8_t count = 0;
  bool aside = false;    // nothing lies within 45°
  bool natural = false;  // else they are stopgaps
  // What costs more, px, would change nothing here, wherever it were.
  double limit = 0;

  std::span<const Pick> list() const { return {all.data(), count}; }
  bool has(int target) const {
    for (size_t i = 0; i < count; ++i)
      if (all[i].target == target) return true;
    return false;
  }
};

// Looks for one box after another; keeps its lists' memory.
class PickFinder {
 public:
  // `rank` decides between picks of one cost: the less, the sooner.
  PickFinder(const Field& field, std::span<const int> rank) : field_(field), rank_(rank) {}

  Picks pick(int box, Dir dir);
  // All that could be gone to without jumping anything, the cheapest first; at most `most`. For
  // repairs, which may be less natural.
  std::vector<Pick> admissible(int box, Dir dir, size_t most);

 private:
  struct Found {
    int target;
    double near;
    Terms terms;
    double cost;
  };
  void start(int box, Dir dir);
  void consider(int target);
  bool jumped(const Found& found) const;
  double limit() const;
  void price();
  void walkCone(bool toTheEnd);
  std::optional<Found> beyond(int target) const;
  void widen(const Slabs& slabs, const Slabs::Slab& slab);
  void walkBeyond();
  void sort();
  bool dominated(size_t place) const;
  void settle(Picks& out);
  void settleForLess(Picks& out);
  bool before(const Found& a, const Found& b) const;

  const Field& field_;
  std::span<const int> rank_;
  int box_ = -1;
  Dir dir_ = Dir::Up;
  Facing from_{};
  // Where what stands in the way ends: the nearest, and the next but that one.
  double nearestEnd_ = 0, secondEnd_ = 0;
  int blocker_ = -1;
  double least_ = 0;  // the least cost of what is admissible so far
  std::vector<Found> found_;
};

// Whether a box that stands (or stood) at `other` matters to what `picks` of `from` are.
bool matters(const Picks& picks, const Facing& from, const Facing& other);

}  // namespace bristle
