// behaviour.md §4: clusters – how focus leaves them, how they nest, and their exits.
#include "runtime/focus/clusters.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>

#include "core/derive/route_words.h"
#include "runtime/focus/scopes.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

// Buttons in rows of `columns`, and clusters of them by index.
struct Grid {
  Project project;
  std::vector<ItemId> ids;

  explicit Grid(int count, int columns) : Grid(boxes(count, columns)) {}
  explicit Grid(const std::vector<Box>& boxes) : project(test::placedMenu(boxes)) {
    ids = test::buttons(project);
  }
  static std::vector<Box> boxes(int count, int columns) {
    std::vector<Box> out;
    for (int i = 0; i < count; ++i)
      out.push_back({100.0 + i % columns * 120, 100.0 + i / columns * 60, 100, 40});
    return out;
  }
  Screen& screen() { return *edit(project, project.screens[0]->id); }
  Cluster& add(Leave leave, const std::vector<int>& in, Enter enter = Enter::Nearest) {
    Cluster cluster;
    cluster.id = ClusterId{"g" + std::to_string(screen().clusters.size())};
    for (const int i : in) cluster.items.emplace_back(ids[size_t(i)]);
    cluster.enter = enter;
    cluster.leave = leave;
    screen().clusters.push_back(cluster);
    return screen().clusters.back();
  }
  ScreenRoutes routes() const {
    const Screen& its = *project.screens[0];
    return screenRoutes(its, layOut(project, its, project.displays[0], PlainMeasure()));
  }
  int target(int box, Dir dir) const {
    return routes().output.routes[size_t(box)][size_t(dir)].target;
  }
  int stop(int cluster, Dir dir) const {
    return routes().output.stops[size_t(cluster)][size_t(dir)].target;
  }
};

//  0 1 2 3
//  4 5 6 7
//  8 9 10 11
TEST(ClusterRoutes, AnOpenOneChangesNoRoute) {
  Grid grid(12, 4);
  const auto before = grid.routes().output.routes;
  grid.add(Leave::Open, {1, 2, 5, 6}, Enter::First);
  EXPECT_EQ(grid.routes().output.routes, before);
}

TEST(ClusterRoutes, ASealedOneIsNotLeftButComeInto) {
  Grid grid(12, 4);
  grid.add(Leave::Sealed, {1, 2, 5, 6});
  EXPECT_EQ(grid.target(1, Dir::Right), 2);
  EXPECT_EQ(grid.target(2, Dir::Right), -1);
  EXPECT_EQ(grid.target(1, Dir::Up), -1);
  EXPECT_EQ(grid.target(5, Dir::Down), -1);
  EXPECT_EQ(grid.target(0, Dir::Right), 1);
  EXPECT_EQ(grid.target(9, Dir::Up), 5);
}

// Staggered, so that without the cluster the way down from the first would lead out of it.
TEST(ClusterRoutes, WithEndsItIsLeftOnlyWhereNothingOfItLiesFurtherOn) {
  const Grid bare({{100, 100, 100, 40}, {150, 300, 100, 40}, {100, 160, 100, 40}});
  EXPECT_EQ(bare.target(0, Dir::Down), 2);
  Grid grid = bare;
  grid.add(Leave::Ends, {0, 1});
  EXPECT_EQ(grid.target(0, Dir::Down), 1) << "the other one of it comes first";
  EXPECT_EQ(grid.target(1, Dir::Up), 0);
  grid.screen().clusters[0].leave = Leave::Open;
  EXPECT_EQ(grid.target(0, Dir::Down), 2);
  Grid more({{100, 100, 100, 40}, {100, 160, 100, 40}, {100, 220, 100, 40}});
  more.add(Leave::Ends, {0, 1});
  EXPECT_EQ(more.target(1, Dir::Down), 2) << "at the end it is left";
}

TEST(ClusterRoutes, ASingleStopIsOneBoxForAllThatIsAround) {
  Grid grid(12, 4);
  grid.add(Leave::SingleStop, {1, 2, 5, 6});
  EXPECT_TRUE(std::set({0, 4}).count(grid.stop(0, Dir::Left)));
  const ScreenRoutes routes = grid.routes();
  for (const int outside : {0, 4, 8, 9, 10, 3, 7, 11})
    for (const Dir dir : kDirs) {
      const int to = routes.output.routes[size_t(outside)][size_t(dir)].target;
      EXPECT_TRUE(to < 0 || !holds(routes, 0, to) || to == 1) << outside << " " << nameOf(dir);
    }
  for (const int inside : {1, 2, 5, 6})
    for (const Dir dir : kDirs) {
      const int to = routes.output.routes[size_t(inside)][size_t(dir)].target;
      EXPECT_TRUE(to < 0 || holds(routes, 0, to)) << inside << " " << nameOf(dir);
    }
}

TEST(ClusterRoutes, WhatLeadsIntoAStopReturnsByTheStopsOwnRoute) {
  Grid grid(3, 1);
  grid.add(Leave::SingleStop, {1});
  const ScreenRoutes r = grid.routes();
  EXPECT_TRUE(r.output.routes[0][size_t(Dir::Down)].returns);
  EXPECT_TRUE(r.output.routes[2][size_t(Dir::Up)].returns);
  EXPECT_TRUE(r.output.stops[0][size_t(Dir::Up)].returns);
  grid.screen().clusters[0].exits[size_t(Dir::Up)] = {RouteType::Closed, {}};
  EXPECT_FALSE(grid.routes().output.routes[0][size_t(Dir::Down)].returns);
}

TEST(ClusterRoutes, ExitsLeadWhereTheySayAndAButtonsOwnRuleCountsMore) {
  Grid grid(12, 4);
  Cluster& cluster = grid.add(Leave::Open, {0, 1, 4, 5});
  cluster.exits[size_t(Dir::Right)] = {RouteType::Pinned, grid.ids[11]};
  cluster.exits[size_t(Dir::Down)] = {RouteType::Closed, {}};
  EXPECT_EQ(grid.target(0, Dir::Right), 1) << "within it as before";
  EXPECT_EQ(grid.target(1, Dir::Right), 11);
  EXPECT_EQ(grid.target(5, Dir::Right), 11);
  EXPECT_EQ(grid.target(5, Dir::Down), -1);
  EXPECT_EQ(grid.target(1, Dir::Down), 5);
  edit(grid.screen(), grid.ids[5])->button()->routes[Dir::Right] = {RouteType::Pinned, grid.ids[0]};
  EXPECT_EQ(grid.target(5, Dir::Right), 0);
}

TEST(ClusterRoutes, OnesThatNestAreLeftFromTheInsideOut) {
  Grid grid(12, 4);
  grid.add(Leave::Sealed, {0, 1, 2, 4, 5, 6});
  grid.add(Leave::Ends, {0, 1, 4, 5});
  EXPECT_EQ(grid.target(1, Dir::Right), 2) << "out of the inner one";
  EXPECT_EQ(grid.target(2, Dir::Right), -1) << "not out of the outer one";
  EXPECT_EQ(grid.target(4, Dir::Down), -1);
}

TEST(ClusterRoutes, AStopWithinASealedOneStaysInIt) {
  Grid grid(12, 4);
  grid.add(Leave::Sealed, {0, 1, 2, 4, 5, 6});
  grid.add(Leave::SingleStop, {1, 5});
  EXPECT_EQ(grid.stop(1, Dir::Down), -1);
  EXPECT_EQ(grid.stop(1, Dir::Right) >= 0, true);
  EXPECT_TRUE(std::set({2, 6}).count(grid.stop(1, Dir::Right)));
}

TEST(ClusterRoutes, AContainerStandsForAllThatIsInIt) {
  Project project = test::columnMenu({"a", "b", "c"});
  Screen& screen = *edit(project, project.screens[0]->id);
  Cluster cluster;
  cluster.id = {"g"};
  cluster.items = {screen.items[0]->id};
  screen.clusters = {cluster};
  const ScreenRoutes routes =
      screenRoutes(screen, layOut(project, screen, project.displays[0], PlainMeasure()));
  EXPECT_EQ(routes.clusters[0].boxes, (std::vector<int>{0, 1, 2}));
}

TEST(ClusterRoutes, AreToldOfInWords) {
  Grid grid(12, 4);
  grid.add(Leave::Ends, {0, 1, 4, 5}).exits[size_t(Dir::Down)] = {RouteType::Closed, {}};
  grid.add(Leave::Sealed, {2, 3});
  grid.add(Leave::SingleStop, {10, 11});
  const ScreenRoutes r = grid.routes();
  const auto name = [](int box) { return std::to_string(box); };
  EXPECT_EQ(reasonInWords(r, 5, Dir::Down), "the exit of its cluster is closed");
  EXPECT_EQ(reasonInWords(r, 2, Dir::Down), "only cancel leaves its cluster");
  EXPECT_EQ(reasonInWords(r, 10, Dir::Left), "its cluster is one stop: cancel comes out of it");
  EXPECT_EQ(whyNotInWords(r, 0, Dir::Down, 8, name),
            "its cluster is left at its ends only, and goes on that way");
  EXPECT_EQ(whyNotInWords(r, 3, Dir::Down, 7, name), "only cancel leaves its cluster");
  for (const auto& c : rank(r, 2, Dir::Right)) EXPECT_EQ(c.target, 3);
  EXPECT_TRUE(rank(r, 3, Dir::Down).empty());
}

// Bad input: nothing crashes, nothing loops, what is outside is as it was.
TEST(ClusterRoutes, EmptyDeeplyNestedAndPinnedToThemselvesAreBorne) {
  Grid grid(12, 4);
  const auto before = grid.routes().output.routes;
  grid.add(Leave::SingleStop, {});
  grid.add(Leave::Sealed, {});
  EXPECT_EQ(grid.routes().output.routes, before);
  for (int i = 0; i < 20; ++i)
    grid.add(i % 2 ? Leave::SingleStop : Leave::Ends, {0, 1, 2, 3, 4, 5});
  grid.screen().clusters[5].exits[0] = {RouteType::Pinned, grid.screen().clusters[5].id};
  grid.screen().clusters[6].exits[1] = {RouteType::Pinned, ItemId{"gone"}};
  grid.screen().clusters[7].exits[2] = {RouteType::Pinned, ClusterId{"gone"}};
  const ScreenRoutes routes = grid.routes();
  ASSERT_EQ(routes.items.size(), 12u);
  for (const int outside : {8, 9, 10, 11})
    EXPECT_EQ(routes.output.routes[size_t(outside)][size_t(Dir::Right)].target,
              before[size_t(outside)][size_t(Dir::Right)].target);
}

// The first so many, so that they nest, or any.
std::vector<int> some(test::Dice& dice, int n, bool any) {
  std::vector<int> out;
  const int much = dice.whole(1, n);
  for (int i = 0; i < n; ++i)
    if (any ? dice.chance(0.4) : i < much) out.push_back(i);
  return out;
}

// Clusters at random, nested or not, over layouts of every family: against what the words say.
TEST(ClusterRoutes, HoldWhatTheySayOnLayoutsOfEveryFamily) {
  std::uint64_t seed = 0;
  for (const std::string& family : test::layoutFamilies())
    for (int round = 0; round < 8; ++round) {
      test::Dice dice(++seed);
      Grid grid(test::layoutOf(family, seed, 24));
      const int n = static_cast<int>(grid.ids.size());
      for (int k = 0; k < 3; ++k)
        grid.add(static_cast<Leave>(dice.whole(0, 3)), some(dice, n, round % 2));
      const ScreenRoutes routes = grid.routes();
      for (int b = 0; b < n; ++b)
        for (const Dir dir : kDirs) {
          const Route route = routes.output.routes[size_t(b)][size_t(dir)];
          if (route.target < 0) continue;
          ASSERT_NE(route.target, b);
          EXPECT_FALSE(isShut(routes, b, route.target)) << seed << ": " << b << " " << nameOf(dir);
          for (const int c : routes.clustersOf[size_t(route.target)]) {
            const RouteCluster& cluster = routes.clusters[size_t(c)];
            if (holds(routes, c, b) || cluster.leave != Leave::SingleStop) continue;
            const int stop = entered(routes, b, route.target, route.reason);
            EXPECT_EQ(route.target, routes.clusters[size_t(stop)].boxes.front()) << seed;
          }
          // Left at its end only: what is in it alone has nothing that way.
          for (const int c : routes.clustersOf[size_t(b)]) {
            if (routes.clusters[size_t(c)].leave != Leave::Ends || holds(routes, c, route.target))
              continue;
            SolveInput alone;
            int self = -1;
            for (const int in : routes.clusters[size_t(c)].boxes) {
              if (in == b) self = static_cast<int>(alone.boxes.size());
              alone.boxes.push_back(routes.input.boxes[size_t(in)]);
              alone.names.push_back(routes.input.names[size_t(in)]);
            }
            const bool stops = std::any_of(
                routes.clusters.begin(), routes.clusters.end(),
                [](const RouteCluster& each) { return each.leave == Leave::SingleStop; });
            if (!stops && round % 2 == 0)
              EXPECT_LT(solve(alone).routes[size_t(self)][size_t(dir)].target, 0) << seed;
          }
        }
    }
}

}  // namespace
}  // namespace bristle
