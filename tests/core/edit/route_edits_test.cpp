// Routes of several buttons at once.
#include "core/edit/route_edits.h"

#include <gmock/gmock.h>

#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

class RouteEdits : public testing::Test {
 protected:
  // Two columns of two, and a loose one.
  void SetUp() override {
    project = test::columnMenu({"a", "b"});
    screen = project.screens[0]->id;
    here = project.screens[0]->items[0]->id;
    project = test::after(project, duplicateItems(screen, {here}));
    for (const auto& item : project.screens[0]->items)
      if (item->container() && item->id != here) there = item->id;
    project = test::after(project, addButton(screen, project.kinds[0]->id, "Far", 900, 500));
    for (const auto& item : project.screens[0]->items)
      if (item->button())
        (item->parent == here ? in : item->parent == there ? other : loose).push_back(item->id);
  }
  const RouteRule& rule(const ItemId& id, Dir dir) {
    return findItem(*project.screens[0], id)->button()->routes[dir];
  }
  Project project;
  ScreenId screen;
  ItemId here, there;
  std::vector<ItemId> in, other, loose;
};

TEST_F(RouteEdits, ALineIsPinnedOneWayOrBothAndRoundTheEnds) {
  const std::vector<ItemId> line{in[0], in[1], loose[0]};
  const Project before = project;
  project = test::after(before, pinLine(screen, line, {Dir::Right, false, false}));
  EXPECT_EQ(rule(in[0], Dir::Right).target.item, ItemPath(in[1]));
  EXPECT_EQ(rule(in[1], Dir::Left).type, RouteType::Solved) << "one way";
  EXPECT_EQ(rule(loose[0], Dir::Right).type, RouteType::Solved);
  project = test::after(before, pinLine(screen, line, {Dir::Right, true, true}));
  EXPECT_EQ(rule(loose[0], Dir::Right).target.item, ItemPath(in[0]));
  EXPECT_EQ(rule(in[0], Dir::Left).target.item, ItemPath(loose[0]));
  EXPECT_FALSE(pinLine(screen, {in[0]}, {}).apply(before));
}

TEST_F(RouteEdits, AGroupGetsTheRoutesOfAnother) {
  ASSERT_EQ(in.size(), 2u);
  ASSERT_EQ(other.size(), 2u);
  project =
      test::after(project, setRoute(screen, other[0], Dir::Up, {RouteType::Pinned, other[1]}));
  project = test::after(project, setRoute(screen, other[1], Dir::Left, {RouteType::Closed, {}}));
  project =
      test::after(project, setRoute(screen, other[1], Dir::Right, {RouteType::Pinned, loose[0]}));
  project = test::after(project, setRoute(screen, other[0], Dir::Left, {RouteType::Pinned, in[0]}));
  EXPECT_EQ(groupsLike(*project.screens[0], here), std::vector{there});
  project = test::after(project, routesLike(screen, here, there));
  EXPECT_EQ(rule(in[0], Dir::Up).target.item, ItemPath(in[1])) << "its counterpart";
  EXPECT_EQ(rule(in[1], Dir::Left).type, RouteType::Closed);
  EXPECT_EQ(rule(in[1], Dir::Right).target.item, ItemPath(loose[0])) << "what lies outside";
  EXPECT_EQ(rule(in[0], Dir::Left).type, RouteType::Solved) << "none leads to itself";
}

TEST_F(RouteEdits, GroupsOfAnotherSizeAreNotOfferedAndRefused) {
  project = test::after(project, removeItems(screen, {other[1]}));
  EXPECT_TRUE(groupsLike(*project.screens[0], here).empty());
  const auto refused = routesLike(screen, here, there).apply(project);
  ASSERT_FALSE(refused);
  EXPECT_THAT(refused.error().text(), HasSubstr("2 buttons, the other one 1"));
  EXPECT_FALSE(routesLike(screen, ItemId{"gone"}, there).apply(project));
  EXPECT_TRUE(groupsLike(*project.screens[0], ItemId{"gone"}).empty());
}

TEST_F(RouteEdits, WhatAContainerIsInIsNotOffered) {
  project = test::after(project, removeItems(screen, {loose[0]}));
  project = test::after(project, gather(screen, {here, there}, {}));
  for (const ItemId& id : groupsLike(*project.screens[0], here)) EXPECT_EQ(id, there);
}

}  // namespace
}  // namespace bristle
