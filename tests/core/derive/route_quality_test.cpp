#include "core/derive/route_quality.h"

#include <gtest/gtest.h>

#include <algorithm>

#include "core/derive/route_words.h"
#include "core/edit/route_edits.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

struct Judged {
  explicit Judged(const Project& project)
      : layout(layOut(project, *project.screens[0], project.displays[0], PlainMeasure())),
        routes(screenRoutes(*project.screens[0], layout)),
        quality(routeQuality(*project.screens[0], layout, routes)) {}
  Layout layout;
  ScreenRoutes routes;
  RouteQuality quality;
};

struct Menu {
  Project project = test::columnMenu({"a", "b", "c", "d"});
  ScreenId screen = project.screens[0]->id;
  std::vector<ItemId> ids = test::buttons(project);
  void route(size_t button, Dir dir, RouteRule rule) {
    project = test::after(project, setRoute(screen, ids[button], dir, std::move(rule)));
  }
};

TEST(RouteQuality, AColumnHasNothingToMend) {
  const RouteQuality q = Judged(Menu().project).quality;
  EXPECT_EQ(q.buttons, 4);
  EXPECT_EQ(q.moves, 6);
  EXPECT_TRUE(q.sound());
  EXPECT_EQ(q.returning(), 1);
  EXPECT_EQ(q.fromEntry.most, 3);
  EXPECT_EQ(q.fromEntry.mean, 2);
  EXPECT_NEAR(q.between.mean, 20.0 / 12, 1e-12) << "3 × 1 + 2 × 2 + 1 × 3, both ways";
  EXPECT_EQ(q.least.mean, 1) << "with four directions each of three others is one step away";
  for (const auto* none :
       {&q.oneWay, &q.noMemory, &q.jumps, &q.steep, &q.dear, &q.stopgaps, &q.repairs, &q.empty})
    EXPECT_TRUE(none->empty());
}

TEST(RouteQuality, SaysWhereFocusIsTrappedAndWhatItCannotReach) {
  Menu menu;
  menu.route(2, Dir::Up, {RouteType::Closed, {}});
  RouteQuality q = Judged(menu.project).quality;
  EXPECT_EQ(q.traps, (std::vector{2, 3})) << "once down there, there is no way up";
  EXPECT_TRUE(q.unreachable.empty());
  EXPECT_EQ(q.noMemory, (std::vector{RouteMove{1, Dir::Down}})) << "the way back is closed";
  menu.route(1, Dir::Down, {RouteType::Closed, {}});
  q = Judged(menu.project).quality;
  EXPECT_EQ(q.unreachable, (std::vector{2, 3}));
  EXPECT_FALSE(q.sound());
}

TEST(RouteQuality, WhatAPersonPinnedIsJudgedAsIfItHadBeenPicked) {
  Menu menu;
  menu.route(0, Dir::Down, {RouteType::Pinned, menu.ids[3]});
  menu.route(3, Dir::Right, {RouteType::Pinned, menu.ids[0]});
  const RouteQuality q = Judged(menu.project).quality;
  EXPECT_EQ(q.jumps, (std::vector{RouteMove{0, Dir::Down}}));
  EXPECT_EQ(q.steep, (std::vector{RouteMove{3, Dir::Right}}));
  EXPECT_NE(std::find(q.oneWay.begin(), q.oneWay.end(), RouteMove{0, Dir::Down}), q.oneWay.end());
}

TEST(RouteQuality, ALoopPinnedBothWaysIsMeant) {
  Menu menu;
  menu.project =
      test::after(menu.project,
                  pinLine(menu.screen, {menu.ids[0], menu.ids[1], menu.ids[3]}, {Dir::Down, true}));
  const RouteQuality q = Judged(menu.project).quality;
  EXPECT_TRUE(q.steep.empty()) << "from the last down to the first";
  EXPECT_TRUE(q.jumps.empty()) << "over the one between, both ways";
  EXPECT_EQ(q.unreachable, std::vector{2}) << "that one is left out, which is told";
}

TEST(RouteQuality, MovesThatLeadElsewhereOnAnotherDisplayAreFound) {
  Menu menu;
  const Judged before(menu.project);
  menu.route(0, Dir::Down, {RouteType::Pinned, menu.ids[2]});
  const Judged after(menu.project);
  EXPECT_EQ(changedMoves(before.routes, after.routes), (std::vector{RouteMove{0, Dir::Down}}));
  EXPECT_TRUE(changedMoves(after.routes, after.routes).empty());
}

// Steps by the plainest algorithm there is, over routes of every sort of layout.
// In no scroller, fly-out or cluster, and nothing said of it.
void standAlone(ScreenRoutes& routes) {
  const size_t n = routes.input.boxes.size();
  routes.said.assign(n, {});
  routes.wraps.assign(n, {});
  routes.flyOutOf.assign(n, -1);
  routes.scrollerOf.assign(n, -1);
  routes.clustersOf.resize(n);
}

TEST(RouteQuality, StepsAreThoseOfThePlainModel) {
  for (std::uint64_t seed = 0; seed < 20; ++seed) {
    const auto& families = test::layoutFamilies();
    ScreenRoutes routes;
    routes.input.boxes = test::layoutOf(families[seed % families.size()], seed, 40);
    const size_t n = routes.input.boxes.size();
    routes.input.rules.resize(n);
    for (size_t i = 0; i < n; ++i) routes.input.names.push_back("b" + std::to_string(i));
    routes.output = solve(routes.input);
    standAlone(routes);
    Screen screen;
    for (size_t i = 0; i < n; ++i) {
      Item item;
      item.id = ItemId{"b" + std::to_string(i)};
      item.what = ButtonData{};
      routes.items.push_back(static_cast<int>(i));
      routes.boxOf.push_back(static_cast<int>(i));
      screen.items.push_back(Shared<Item>(std::move(item)));
    }
    screen.entry = ItemId{"b0"};
    const RouteQuality q = routeQuality(screen, Layout{}, routes);
    std::vector<std::vector<int>> far(n, std::vector<int>(n, 1'000'000));
    for (size_t a = 0; a < n; ++a) {
      far[a][a] = 0;
      for (const Route& r : routes.output.routes[a])
        if (r.target >= 0 && size_t(r.target) != a) far[a][size_t(r.target)] = 1;
    }
    for (size_t k = 0; k < n; ++k)
      for (size_t a = 0; a < n; ++a)
        for (size_t b = 0; b < n; ++b) far[a][b] = std::min(far[a][b], far[a][k] + far[k][b]);
    for (size_t b = 0; b < n; ++b) EXPECT_EQ(q.stepsTo[b], far[0][b]) << "seed " << seed;
    double sum = 0;
    int most = 0;
    for (const auto& row : far)
      for (const int steps : row) {
        sum += steps;
        most = std::max(most, steps);
      }
    EXPECT_NEAR(q.between.mean, sum / double(n * (n - 1)), 1e-9) << "seed " << seed;
    EXPECT_EQ(q.between.most, most);
    EXPECT_EQ(q.fromEntry.most, *std::max_element(far[0].begin(), far[0].end()));
    EXPECT_LE(q.least.mean, q.between.mean);
    EXPECT_TRUE(q.sound());
    EXPECT_TRUE(q.jumps.empty() && q.steep.empty() && q.dear.empty());
  }
}

TEST(RouteWords, SayWhyNotAnotherAndWhatWouldHelp) {
  ScreenRoutes routes;
  routes.input.boxes = {{0, 0, 100, 40},   {0, 60, 100, 40},  {180, 60, 60, 40},
                        {0, 300, 100, 40}, {20, 108, 60, 20}, {90, 30, 60, 40}};
  const size_t n = routes.input.boxes.size();
  routes.input.rules.resize(n);
  for (size_t i = 0; i < n; ++i) routes.input.names.push_back("b" + std::to_string(i));
  routes.output = solve(routes.input);
  routes.items = {0, 1, 2, 3, 4, 5};
  standAlone(routes);
  const auto name = [](int box) { return "box " + std::to_string(box); };
  const auto words = [&](int target, Dir dir) {
    return whyNotInWords(routes, 0, dir, target, name);
  };
  EXPECT_EQ(words(2, Dir::Down),
            "20 px on, 80 px aside, 76° off: too far aside; with 60 px less aside it would lie "
            "within 45°");
  EXPECT_EQ(words(3, Dir::Down), "straight ahead, 260 px: behind box 1");
  EXPECT_EQ(words(1, Dir::Up), "it does not lie that way: the wrong way");
  // What helps does help: moved by so much it is within 45°.
  ScreenRoutes moved = routes;
  moved.input.boxes[2].x -= 60;
  moved.output = solve(moved.input);
  EXPECT_NE(whyNot(moved.input, moved.output.routes, 0, Dir::Down, 2).verdict, Verdict::Aside);
  EXPECT_EQ(reasonInWords(routes, 0, Dir::Down), "solved");
  EXPECT_EQ(reasonInWords(routes, 0, Dir::Up), "nothing lies that way");
}

TEST(RouteWords, SayWhereABoxLiesAndWhyItWasNotTaken) {
  SolveInput input;
  input.boxes = {{0, 0, 100, 40}, {0, 124, 100, 40}, {180, 60, 60, 40}, {0, 300, 100, 40}};
  const SolveOutput out = solve(input);
  const auto name = [](int box) { return "box " + std::to_string(box); };
  const auto words = [&](int target, Dir dir) {
    const RankedCandidate c = whyNot(input, out.routes, 0, dir, target);
    return whereInWords(c) + ", " + verdictInWords(c, name);
  };
  EXPECT_EQ(words(1, Dir::Down), "straight ahead, 84 px, chosen");
  EXPECT_EQ(words(2, Dir::Down), "20 px on, 80 px aside, 76° off, too far aside");
  EXPECT_EQ(words(3, Dir::Down), "straight ahead, 260 px, behind box 1");
  EXPECT_EQ(words(1, Dir::Up), "it does not lie that way, the wrong way");
  EXPECT_EQ(inWords(whyEmpty(input, 0, Dir::Up)), "nothing lies that way");
}

}  // namespace
}  // namespace bristle
