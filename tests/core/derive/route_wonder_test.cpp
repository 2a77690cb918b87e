// What a person would wonder about on a screen, worst first, and that each mend mends it.
#include "core/derive/route_wonder.h"

#include <gmock/gmock.h>

#include <algorithm>

#include "core/edit/screen_edits.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

struct Looked {
  ScreenRoutes routes;
  std::vector<Wonder> wonders;

  explicit Looked(const Project& project) {
    const Screen& screen = *project.screens[0];
    const Layout layout = layOut(project, screen, project.displays[0], PlainMeasure());
    routes = screenRoutes(screen, layout);
    wonders = routeWonders(screen, layout, routes, routeQuality(screen, layout, routes));
  }
  bool has(const RouteMove& move) const {
    return std::any_of(wonders.begin(), wonders.end(),
                       [&](const Wonder& w) { return w.move == move; });
  }
};

std::vector<Box> grid(int count, int columns) {
  std::vector<Box> out;
  for (int i = 0; i < count; ++i)
    out.push_back({100.0 + i % columns * 120, 100.0 + i / columns * 60, 100, 40});
  return out;
}

TEST(RouteWonder, AGoodScreenHasNone) {
  EXPECT_TRUE(Looked(test::placedMenu(grid(12, 4))).wonders.empty());
  EXPECT_TRUE(Looked(test::columnMenu({"a", "b", "c"})).wonders.empty());
}

TEST(RouteWonder, APinThatBecameOddComesFirstAndIsReleased) {
  Project project = test::placedMenu(grid(12, 4));
  const auto ids = test::buttons(project);
  const ScreenId screen = project.screens[0]->id;
  project = test::after(project, setRoute(screen, ids[0], Dir::Down, {RouteType::Pinned, ids[8]}));
  const Looked looked(project);
  ASSERT_FALSE(looked.wonders.empty());
  const Wonder& first = looked.wonders[0];
  EXPECT_EQ(first.move, (RouteMove{0, Dir::Down}));
  EXPECT_THAT(first.why, testing::HasSubstr("pinned, behind b4"));
  ASSERT_EQ(first.mends.size(), 1u);
  EXPECT_EQ(first.mends[0].name, "release down");
  EXPECT_TRUE(Looked(test::after(project, first.mends[0])).wonders.empty());
}

// Of several rules for one direction only the one that counts is given up.
TEST(RouteWonder, AnOddPinOfOneLanguageIsReleasedThereAlone) {
  Project project = test::placedMenu(grid(12, 4));
  const auto ids = test::buttons(project);
  Screen& screen = *edit(project, project.screens[0]->id);
  const DisplayId display = project.displays[0].id;
  const RouteRule odd{RouteType::Pinned, ids[8]};
  const RouteException general{display, {}, Dir::Down, odd};
  edit(screen, ids[0])->button()->routes.where = {
      {display, project.languages[0].id, Dir::Down, odd}, general};
  const Looked looked(project);
  ASSERT_FALSE(looked.wonders.empty());
  const Project after = test::after(project, looked.wonders[0].mends.at(0));
  EXPECT_EQ(findItem(*after.screens[0], ids[0])->button()->routes.where, std::vector{general});
}

// Two that lie 60 px apart and far aside: a stopgap, until one of them is moved.
TEST(RouteWonder, AStopgapIsMovedPinnedOrClosed) {
  const Project project = test::placedMenu({{100, 100, 100, 40}, {400, 200, 100, 40}});
  const Looked looked(project);
  const auto down = std::find_if(looked.wonders.begin(), looked.wonders.end(), [](const Wonder& w) {
    return w.move == RouteMove{0, Dir::Down};
  });
  ASSERT_NE(down, looked.wonders.end());
  ASSERT_EQ(down->mends.size(), 2u);
  EXPECT_EQ(down->mends[0].name, "move “b1” 140 px left");
  const Looked moved(test::after(project, down->mends[0]));
  EXPECT_EQ(moved.routes.output.routes[0][size_t(Dir::Down)].reason, RouteReason::Solved);
  EXPECT_EQ(down->mends[1].name, "close down");
}

TEST(RouteWonder, EachMendMendsOnLayoutsOfEveryFamily) {
  std::uint64_t seed = 0;
  int mends = 0;
  for (const std::string& family : test::layoutFamilies()) {
    const Project project = test::placedMenu(test::layoutOf(family, ++seed, 24));
    const Looked looked(project);
    EXPECT_TRUE(
        std::is_sorted(looked.wonders.begin(), looked.wonders.end(),
                       [](const Wonder& a, const Wonder& b) { return a.weight > b.weight; }));
    for (const Wonder& wonder : looked.wonders) {
      EXPECT_FALSE(wonder.why.empty());
      for (const Edit& mend : wonder.mends) {
        ++mends;
        const Looked after(test::after(project, mend));
        const Route& route =
            after.routes.output.routes[size_t(wonder.move.box)][size_t(wonder.move.dir)];
        EXPECT_TRUE(route.reason == RouteReason::None || route.reason == RouteReason::Fixed ||
                    route.reason == RouteReason::Solved)
            << family << ": " << mend.name;
      }
    }
  }
  EXPECT_GT(mends, 40);
}

}  // namespace
}  // namespace bristle
