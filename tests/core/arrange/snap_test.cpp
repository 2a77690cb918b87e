// Snapping: by example, and that what it says is true on random canvases.
#include <gtest/gtest.h>

#include <cmath>

#include "core/arrange/snap.h"
#include "support/layouts.h"

namespace bristle::test {
namespace {

const SnapReason* reasonOn(const Snapped& snapped, bool upright) {
  for (const SnapReason& reason : snapped.reasons)
    if (reason.upright == upright) return &reason;
  return nullptr;
}

TEST(Snap, AnEdgeMeetsANeighboursEdgeAndSaysHowFarTheLineGoes) {
  const SnapField field{.neighbours = {{100, 300, 80, 40}}};
  const Snapped s = snapMoved({103, 100, 50, 20}, field, 6);
  EXPECT_EQ(s.dx, -3);
  EXPECT_EQ(s.dy, 0);
  ASSERT_EQ(s.reasons.size(), 1u);
  EXPECT_EQ(s.reasons[0].to, SnapTo::Edge);
  EXPECT_EQ(s.reasons[0].at, 100);
  EXPECT_EQ(s.reasons[0].from, 100);
  EXPECT_EQ(s.reasons[0].until, 340);
}

TEST(Snap, CentresMeetCentresButNotEdges) {
  const SnapField field{.neighbours = {{100, 300, 80, 40}}};
  const Snapped centre = snapMoved({118, 100, 48, 20}, field, 6);
  EXPECT_EQ(centre.dx, -2);
  EXPECT_EQ(reasonOn(centre, true)->to, SnapTo::Centre);
  EXPECT_EQ(snapMoved({78, 100, 48, 20}, field, 5).dx, 0) << "its centre lies near an edge only";
}

TEST(Snap, OfWhatIsEquallyNearAGuideCountsFirst) {
  SnapField field{.neighbours = {{100, 300, 80, 40}}};
  field.guides = {{true, 100}, {false, 100}};
  const Snapped s = snapMoved({102, 97, 50, 20}, field, 6);
  EXPECT_EQ(reasonOn(s, true)->to, SnapTo::Guide);
  EXPECT_EQ(s.dy, 3);
}

TEST(Snap, TheGridCountsOnlyWhereNothingElseIsWithinReach) {
  SnapField field{.neighbours = {{105, 300, 80, 40}}, .gridWidth = 8, .gridHeight = 10};
  EXPECT_EQ(snapMoved({103, 0, 50, 20}, field, 6).dx, 2) << "the edge at 105, not the 104";
  EXPECT_EQ(snapMoved({203, 14, 50, 20}, field, 6).dx, -3) << "to 200, and 14 to 10";
  EXPECT_EQ(snapMoved({203, 14, 50, 20}, field, 6).dy, -4);
}

TEST(Snap, GapsAreMadeAlikeBetweenTwoAndBesideTwo) {
  const SnapField row{.neighbours = {{0, 0, 50, 40}, {250, 0, 50, 40}}};
  const Snapped between = snapMoved({123, 60 - 25, 60, 40}, row, 6);
  EXPECT_EQ(between.dx, -3) << "70 on either side";
  EXPECT_EQ(reasonOn(between, true)->to, SnapTo::Gap);
  EXPECT_EQ(reasonOn(between, true)->at, 70);
  EXPECT_EQ(reasonOn(between, true)->gaps.size(), 2u);

  const SnapField two{.neighbours = {{0, 0, 50, 40}, {70, 0, 50, 40}}};
  const Snapped after = snapMoved({137, 15, 33, 40}, two, 6);
  EXPECT_EQ(after.dx, 3) << "20 after the second, as between the two";
  EXPECT_EQ(reasonOn(after, true)->at, 20);
  const Snapped before = snapMoved({-55, 15, 33, 40}, two, 6);
  EXPECT_EQ(before.dx, 2);
  EXPECT_EQ(snapMoved({137, 80, 33, 40}, two, 6).dx, 0) << "not in their strip";
}

TEST(Snap, TheDisplayAndItsSafeAreaAreMet) {
  const SnapField field{.holders = {{0, 0, 1000, 600}, {40, 40, 920, 520}}};
  EXPECT_EQ(snapMoved({37, 200, 50, 20}, field, 6).dx, 3);
  EXPECT_EQ(snapMoved({472, 200, 50, 20}, field, 6).dx, 3) << "centred";
  EXPECT_EQ(reasonOn(snapMoved({945, 200, 50, 20}, field, 6), true)->to, SnapTo::Holder);
}

TEST(Snap, OnlyTheDraggedEdgesSnapWhenResized) {
  const SnapField field{.neighbours = {{100, 300, 80, 40}}};
  const Snapped s = snapResized({20, 298, 78, 30}, {.right = true}, field, 6);
  EXPECT_EQ(s.dx, 2);
  EXPECT_EQ(s.dy, 0) << "the top edge is near 300, but it is not dragged";
  EXPECT_EQ(snapResized({103, 0, 78, 30}, {.left = true}, field, 6).dx, -3);
}

// What is said is so, it is within reach, and no other neighbour's edge is nearer.
TEST(Snap, WhatItSaysIsTrue) {
  for (std::uint64_t seed = 1; seed <= 300; ++seed) {
    Dice dice(seed);
    SnapField field;
    for (int i = dice.whole(0, 30); i > 0; --i)
      field.neighbours.push_back(
          {dice.real(0, 900), dice.real(0, 600), dice.real(10, 200), dice.real(10, 100)});
    if (dice.chance(0.5)) field.gridWidth = field.gridHeight = dice.whole(4, 20);
    if (dice.chance(0.5)) field.guides.push_back({dice.chance(0.5), dice.real(0, 600)});
    const Box box{dice.real(0, 900), dice.real(0, 600), dice.real(10, 200), dice.real(10, 100)};
    const Snapped s = snapMoved(box, field, 8);
    EXPECT_LE(std::abs(s.dx), 8);
    EXPECT_LE(std::abs(s.dy), 8);
    EXPECT_EQ(reasonOn(s, true) == nullptr && s.dx != 0, false) << "moved for a reason";
    for (const bool upright : {true, false}) {
      const SnapReason* why = reasonOn(s, upright);
      const double by = upright ? s.dx : s.dy;
      const double near = upright ? box.x : box.y, size = upright ? box.w : box.h;
      double nearest = 8;
      bool meets = false;
      for (const Box& n : field.neighbours) {
        const double from = upright ? n.x : n.y, to = from + (upright ? n.w : n.h);
        for (const double mine : {near, near + size})
          for (const double edge : {from, to}) {
            nearest = std::min(nearest, std::abs(edge - mine));
            meets |= why && std::abs(edge - why->at) < 1e-9 && std::abs(mine + by - edge) < 1e-6;
          }
      }
      if (!why) continue;
      EXPECT_TRUE(meets || why->to != SnapTo::Edge) << "seed " << seed;
      const bool grid = why->to == SnapTo::Grid;
      EXPECT_EQ(grid, nearest >= 8 && grid) << "seed " << seed;
      if (!grid) {
        EXPECT_LE(std::abs(by), nearest + 1e-9);
      }
      for (const Box& gap : why->gaps) EXPECT_NEAR(upright ? gap.w : gap.h, why->at, 1e-6);
    }
  }
}

}  // namespace
}  // namespace bristle::test
