// A hit area as it was drawn once, so that a point hits the same everywhere.
#pragma once
#include <map>
#include <utility>
#include <vector>

#include "runtime/document/ids.h"
#include "runtime/session/hit_test.h"

namespace bristle {

// Rows of 1 px, from `top` down; each with the stretches [from, to) that belong to the area, in
// order. In px from the upper left corner of the button's box.
struct HitMask {
  int top = 0;
  std::vector<std::vector<std::pair<int, int>>> rows;
  // Whether the point belongs to the area; from the box’s upper left corner.
  bool holds(Px x, Px y) const;
  bool operator==(const HitMask&) const = default;
};

// The areas of a project's buttons at the sizes that they have on its displays.
struct HitAreas {
  struct Use {
    ItemId button;
    Px w = 0, h = 0;  // of its box
    size_t mask = 0;  // place in `masks`
    bool operator==(const Use&) const = default;
  };
  std::vector<HitMask> masks;
  std::vector<Use> uses;
  bool operator==(const HitAreas&) const = default;
};

// Answers from what was drawn before. A button that is not in it counts as its whole box.
class KnownAreas : public HitTest {
 public:
  // Takes the areas over.
  explicit KnownAreas(HitAreas areas);
  bool hits(const Item& button, const Kind& kind, const Look& look, const Box& box, Px x,
            Px y) const override;

 private:
  HitAreas areas_;
  std::map<ItemId, std::vector<size_t>> uses_;
};

}  // namespace bristle
