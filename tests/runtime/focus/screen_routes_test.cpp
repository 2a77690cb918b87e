#include "runtime/focus/screen_routes.h"

#include <gtest/gtest.h>

#include "core/edit/language_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

ScreenRoutes routesOf(const Project& project) {
  const Screen& screen = *project.screens[0];
  return screenRoutes(screen, layOut(project, screen, project.displays[0], PlainMeasure()));
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
  const ScreenRoutes broken = menu.with(0, Dir::Down, {RouteType::Pinned, ItemId{"gone"}});
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
  EXPECT_EQ(entryBox(screen, r), 2);
  screen.entry = {};
  EXPECT_EQ(entryBox(screen, r), 0);
  EXPECT_EQ(entryBox(screen, ScreenRoutes{}), -1);
}

TEST(ScreenRoutes, ADisplayAndALanguageMayHaveRulesOfTheirOwn) {
  Menu menu;
  Project p = test::after(menu.project, addLanguage("ar", ""));
  const DisplayId tv = p.displays[0].id, handheld = p.displays[1].id;
  const LanguageId arabic = p.languages[1].id;
  auto& rules = edit(*edit(p, menu.screen), menu.ids[0])->button()->routes;
  const auto to = [&](size_t i) { return RouteRule{RouteType::Pinned, menu.ids[i]}; };
  rules[Dir::Down] = to(1);
  rules.where = {{handheld, {}, Dir::Down, to(2)},
                 {{}, arabic, Dir::Down, to(3)},
                 {handheld, arabic, Dir::Down, {RouteType::Closed, {}}}};
  const auto down = [&](const DisplayId& on, const LanguageId& in) {
    const auto showing = showingOf(p, on, in);
    return target(screenRoutes(*p.screens[0], layOut(p, *p.screens[0], *showing, PlainMeasure())),
                  0, Dir::Down);
  };
  EXPECT_EQ(down(tv, {}), 1);
  EXPECT_EQ(down(handheld, {}), 2);
  EXPECT_EQ(down(tv, arabic), 3);
  EXPECT_EQ(down(handheld, arabic), -1) << "both together count most";
}

TEST(ScreenRoutes, ARouteOnOneDisplayIsSetAndTakenBack) {
  Menu menu;
  History h(menu.project);
  const DisplayId tv = h.now().displays[0].id;
  const auto set = [&](std::optional<RouteRule> rule) {
    test::must(h, setRouteOn(menu.screen, menu.ids[0], Dir::Down, tv, std::move(rule)));
    return target(routesOf(h.now()), 0, Dir::Down);
  };
  EXPECT_EQ(set(RouteRule{RouteType::Pinned, menu.ids[3]}), 3);
  EXPECT_EQ(set(RouteRule{RouteType::Pinned, menu.ids[2]}), 2) << "changed, not added";
  EXPECT_EQ(set({}), 1);
  EXPECT_TRUE(equal(h.now(), menu.project));
}

TEST(ScreenRoutes, WhatIsRemovedIsForgottenByRulesAndClustersEverywhere) {
  Menu menu;
  Project p = menu.project;
  Screen& screen = *edit(p, menu.screen);
  edit(screen, menu.ids[0])->button()->routes.where = {
      {p.displays[0].id, {}, Dir::Down, {RouteType::Pinned, menu.ids[3]}}};
  screen.clusters = {{{"g"}, "G", {menu.ids[2], menu.ids[3]}, Enter::First, {}, {}}};
  const Project gone = test::after(p, removeItems(menu.screen, {menu.ids[3]}));
  EXPECT_EQ(findItem(*gone.screens[0], menu.ids[0])->button()->routes.where[0].rule, RouteRule{});
  EXPECT_EQ(gone.screens[0]->clusters[0].items, std::vector<ItemPath>{menu.ids[2]});
}

}  // namespace
}  // namespace bristle
