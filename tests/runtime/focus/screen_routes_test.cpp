#include "runtime/focus/screen_routes.h"

#include <gtest/gtest.h>

#include "support/menus.h"

namespace bristle {
namespace {

ScreenRoutes routesOf(const Project& project) {
  const Screen& screen = *project.screens[0];
  return screenRoutes(project, screen,
                      layOut(project, screen, project.displays[0], PlainMeasure()));
}

int target(const ScreenRoutes& r, int box, Dir dir) {
  return r.output.routes[size_t(box)][size_t(dir)].target;
}

struct Menu {
  Project project = test::columnMenu({"a", "b", "c", "d"});
  ScreenId screen = project.screens[0]->id;
  std::vector<ItemId> ids = test::buttons(project);
  ScreenRoutes with(size_t button, Dir dir, RouteRule rule) {
    return routesOf(test::after(project, setRoute(screen, ids[button], dir, rule)));
  }
};

TEST(ScreenRoutes, AColumnGoesDownAndUp) {
  const Menu menu;
  const ScreenRoutes r = routesOf(menu.project);
  ASSERT_EQ(r.items.size(), 4U);
  for (int i = 0; i < 3; ++i) {
    EXPECT_EQ(target(r, i, Dir::Down), i + 1);
    EXPECT_EQ(target(r, i + 1, Dir::Up), i);
  }
  EXPECT_EQ(target(r, 3, Dir::Down), -1);
}

TEST(ScreenRoutes, WrapGoesRoundToTheFarEnd) {
  Menu menu;
  const ScreenRoutes r = menu.with(3, Dir::Down, {RouteType::Wrap, {}});
  EXPECT_EQ(target(r, 3, Dir::Down), 0);
  EXPECT_TRUE(r.wraps[3][size_t(Dir::Down)]);
}

TEST(ScreenRoutes, APinnedRouteHoldsAndAMissingTargetIsToldAsBroken) {
  Menu menu;
  const ScreenRoutes pinned = menu.with(0, Dir::Down, {RouteType::Pinned, menu.ids[3]});
  EXPECT_EQ(target(pinned, 0, Dir::Down), 3);
  const ScreenRoutes broken = menu.with(0, Dir::Down, {RouteType::Pinned, {"gone"}});
  EXPECT_TRUE(broken.broken[0][size_t(Dir::Down)]);
  EXPECT_EQ(target(broken, 0, Dir::Down), 1) << "meanwhile it is solved";
}

TEST(ScreenRoutes, HiddenButtonsTakeNoPart) {
  Menu menu;
  const Project hidden = test::after(
      menu.project,
      changeItems(menu.screen, {menu.ids[1]}, "hide", {}, [](Item& i) { i.hidden = true; }));
  const ScreenRoutes r = routesOf(hidden);
  EXPECT_EQ(r.items.size(), 3U);
  EXPECT_EQ(target(r, 0, Dir::Down), 1);
  EXPECT_EQ(hidden.screens[0]->items[size_t(r.items[1])]->id, menu.ids[2]);
}

TEST(ScreenRoutes, EntryIsTheScreensElseTheFirstInReadingOrder) {
  Menu menu;
  const ScreenRoutes r = routesOf(menu.project);
  Screen screen = *menu.project.screens[0];
  screen.entry = menu.ids[2];
  EXPECT_EQ(entryBox(screen, r, false), 2);
  screen.entry = {};
  EXPECT_EQ(entryBox(screen, r, false), 0);
  EXPECT_EQ(entryBox(screen, ScreenRoutes{}, false), -1);
}

}  // namespace
}  // namespace bristle
