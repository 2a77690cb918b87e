// Strokes of routes cross no box where there is a way round, and lie apart.
#include "core/derive/route_strokes.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace bristle {
namespace {

bool isInside(const Box& box, const StrokeSpot& at) {
  return at.x > box.x && at.x < box.x + box.w && at.y > box.y && at.y < box.y + box.h;
}

// The plain check: a thousand spots of the stroke, each against each box.
int entered(const std::vector<Box>& boxes, const RouteEnds& route, const StrokeWay& way) {
  int out = 0;
  const auto spots = alongStroke(way, 1000);
  for (size_t b = 0; b < boxes.size(); ++b) {
    if (int(b) == route.from || int(b) == route.to) continue;
    out += std::any_of(spots.begin(), spots.end(),
                       [&](const StrokeSpot& at) { return isInside(boxes[b], at); });
  }
  return out;
}

TEST(RouteStrokes, ANeighbourIsReachedStraightAway) {
  const std::vector<Box> boxes{{0, 0, 100, 40}, {0, 80, 100, 40}};
  const std::vector<RouteEnds> routes{{0, Dir::Down, 1}, {1, Dir::Up, 0}};
  const auto ways = strokeWays(boxes, boxes.size(), routes, 10);
  for (const StrokeWay& way : ways) {
    ASSERT_EQ(way.spots.size(), 2u);
    EXPECT_EQ(way.spots[0].x, way.spots[1].x);
  }
  EXPECT_EQ(std::abs(ways[0].spots[0].x - ways[1].spots[0].x), 10) << "there and back side by side";
  EXPECT_EQ(ways[0].spots[0].y, 40);
  EXPECT_EQ(ways[0].spots[1].y, 80);
}

TEST(RouteStrokes, WhatLiesBetweenIsGoneRound) {
  const std::vector<Box> boxes{{0, 0, 100, 40}, {-20, 80, 140, 40}, {0, 160, 100, 40}};
  const std::vector<RouteEnds> routes{{0, Dir::Down, 2}};
  const auto ways = strokeWays(boxes, boxes.size(), routes, 10);
  EXPECT_GT(ways[0].spots.size(), 2u);
  EXPECT_EQ(entered(boxes, routes[0], ways[0]), 0);
}

TEST(RouteStrokes, WhatIsNoObstacleIsCrossed) {
  // The last two are there for the routes alone.
  const std::vector<Box> boxes{
      {300, 80, 40, 40}, {-20, 80, 140, 40}, {0, 0, 100, 40}, {0, 160, 100, 40}};
  const std::vector<RouteEnds> routes{{2, Dir::Down, 3}};
  EXPECT_EQ(strokeWays(boxes, 1, routes, 10)[0].spots.size(), 2u);
  EXPECT_GT(strokeWays(boxes, 2, routes, 10)[0].spots.size(), 2u);
  const std::vector<RouteEnds> plain{{2, Dir::Down, 3, false}};
  EXPECT_EQ(strokeWays(boxes, 2, plain, 10)[0].spots.size(), 2u);
}

TEST(RouteStrokes, OneThatLeadsBackwardsLeavesAsPressedAndComesInByTheNearSide) {
  const std::vector<Box> boxes{{200, 0, 100, 40}, {0, 0, 100, 40}};
  const std::vector<RouteEnds> routes{{0, Dir::Right, 1}};
  const auto way = strokeWays(boxes, boxes.size(), routes, 10)[0];
  EXPECT_EQ(way.spots.front().x, 300);
  EXPECT_EQ(way.spots.back().x, 100);
}

TEST(RouteStrokes, OneThatLeadsAsideIsABracket) {
  const std::vector<Box> boxes{{0, 0, 100, 40}, {0, 50, 100, 40}, {0, 100, 100, 40}};
  const std::vector<RouteEnds> routes{{0, Dir::Right, 2}};
  const auto way = strokeWays(boxes, boxes.size(), routes, 10)[0];
  EXPECT_EQ(way.spots.front().x, 100);
  EXPECT_EQ(way.spots.back().x, 100);
  EXPECT_EQ(entered(boxes, routes[0], way), 0);
}

TEST(RouteStrokes, WhatLiesAslantIsComeIntoOnTheSideThatFaces) {
  // A row of wide ones, up at the right: from below, not through the lane between them.
  const std::vector<Box> boxes{{0, 300, 100, 40}, {300, 0, 200, 40}, {504, 0, 200, 40}};
  const auto way =
      strokeWays(boxes, boxes.size(), std::vector<RouteEnds>{{0, Dir::Right, 2}}, 10)[0];
  EXPECT_EQ(way.spots.back().y, 40);
}

TEST(RouteStrokes, ThoseThatComeInByOneSideLieApartInTheOrderOfWhereTheyComeFrom) {
  std::vector<Box> boxes{{300, 0, 120, 300}};
  std::vector<RouteEnds> routes;
  for (int i = 0; i < 5; ++i) {
    boxes.push_back({0, i * 60.0, 100, 40});
    routes.push_back({i + 1, Dir::Right, 0});
  }
  routes.push_back({0, Dir::Left, 3});
  const auto ways = strokeWays(boxes, boxes.size(), routes, 10);
  for (size_t i = 0; i + 2 < ways.size(); ++i)
    EXPECT_GE(ways[i + 1].spots.back().y, ways[i].spots.back().y + 8);
  for (size_t i = 0; i + 1 < ways.size(); ++i)
    EXPECT_GE(std::abs(ways[5].spots.front().y - ways[i].spots.back().y), 8) << i;
}

TEST(RouteStrokes, SeveralRoundOneCornerLieApart) {
  std::vector<Box> boxes{{0, 0, 60, 40}, {80, 0, 60, 40}, {-40, 100, 220, 40}, {60, 200, 60, 40}};
  const std::vector<RouteEnds> routes{{0, Dir::Down, 3}, {1, Dir::Down, 3}};
  const auto ways = strokeWays(boxes, boxes.size(), routes, 10);
  for (const auto& a : ways[0].spots)
    for (const auto& b : ways[1].spots) EXPECT_FALSE(a == b) << a.x << ' ' << a.y;
  for (size_t i = 0; i < 2; ++i) EXPECT_EQ(entered(boxes, routes[i], ways[i]), 0);
}

// Boxes with room between them: there always is a way round.
TEST(RouteStrokes, ScatteredBoxesAreNeverCrossed) {
  int bent = 0;
  for (unsigned seed = 1; seed <= 60; ++seed) {
    std::mt19937 random(seed);
    const auto real = [&](double from, double to) {
      return std::uniform_real_distribution<double>(from, to)(random);
    };
    std::vector<Box> boxes;
    for (int i = 0; i < 24; ++i)
      boxes.push_back(
          {(i % 6) * 200 + real(0, 60), (i / 6) * 130 + real(0, 40), real(30, 110), real(20, 60)});
    std::vector<RouteEnds> routes;
    for (int from = 0; from < 24; ++from)
      for (const Dir dir : kDirs)
        if (const int to = int(random() % 24); to != from) routes.push_back({from, dir, to});
    const auto ways = strokeWays(boxes, boxes.size(), routes, 10);
    for (size_t i = 0; i < routes.size(); ++i) {
      EXPECT_EQ(entered(boxes, routes[i], ways[i]), 0)
          << seed << ": " << routes[i].from << ' ' << int(routes[i].dir) << ' ' << routes[i].to
          << " n" << ways[i].spots.size();
      bent += ways[i].spots.size() > 2;
    }
    // The same in any order.
    std::vector<RouteEnds> turned(routes.rbegin(), routes.rend());
    const auto again = strokeWays(boxes, boxes.size(), turned, 10);
    for (size_t i = 0; i < routes.size(); ++i)
      EXPECT_EQ(again[routes.size() - 1 - i].spots, ways[i].spots) << seed << ' ' << i;
  }
  EXPECT_GT(bent, 500);
}

// Lanes of a few px: the strokes go along them.
TEST(RouteStrokes, NarrowLanesAreUsed) {
  std::vector<Box> boxes;
  for (int row = 0; row < 6; ++row)
    for (int column = 0; column < 6; ++column)
      boxes.push_back({column * 80.0 + row % 2 * 30, row * 44.0, 73, 38});
  std::vector<RouteEnds> routes;
  for (int from = 0; from < 36; ++from)
    for (const Dir dir : kDirs)
      if (const int to = (from * 7 + int(dir) * 11) % 36; to != from)
        routes.push_back({from, dir, to});
  const auto ways = strokeWays(boxes, boxes.size(), routes, 9);
  for (size_t i = 0; i < routes.size(); ++i)
    EXPECT_EQ(entered(boxes, routes[i], ways[i]), 0)
        << routes[i].from << ' ' << int(routes[i].dir) << ' ' << routes[i].to;
}

TEST(RouteStrokes, WhatOverlapsOrCannotBeGoneRoundIsNoTrouble) {
  const std::vector<Box> same(5, Box{10, 10, 50, 50});
  EXPECT_EQ(
      strokeWays(same, same.size(), std::vector<RouteEnds>{{0, Dir::Left, 4}}, 10)[0].spots.size(),
      2u);
  // Walled in on all sides.
  const std::vector<Box> walled{{100, 100, 40, 40}, {0, 0, 240, 60},    {0, 180, 240, 60},
                                {0, 50, 60, 140},   {180, 50, 60, 140}, {400, 100, 40, 40}};
  const auto way =
      strokeWays(walled, walled.size(), std::vector<RouteEnds>{{0, Dir::Right, 5}}, 10)[0];
  EXPECT_EQ(way.spots.size(), 2u);
  EXPECT_TRUE(strokeWays({}, 0, {}, 10).empty());
  // Without an extent.
  const std::vector<Box> none{{0, 0, 0, 0}, {0, 0, 0, 0}, {50, 0, 0, 0}};
  const auto flat = strokeWays(none, none.size(), std::vector<RouteEnds>{{0, Dir::Right, 2}}, 10);
  for (const auto& spot : flat[0].spots)
    EXPECT_TRUE(std::isfinite(spot.x) && std::isfinite(spot.y));
}

}  // namespace
}  // namespace bristle
