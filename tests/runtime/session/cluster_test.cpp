// behaviour.md §4: a route that leads to a cluster enters it by its entry rule.
#include <gmock/gmock.h>

#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

struct Clustered {
  Project project = test::columnMenu({"a", "b", "c", "d", "e"});
  std::vector<ItemId> ids = test::buttons(project);
  Screen& screen() { return *edit(project, project.screens[0]->id); }
  Clustered(Enter enter, std::vector<size_t> in, size_t chosen = 0) {
    Cluster cluster{{"g"}, "G", {}, enter, ids[chosen], {}};
    for (size_t i : in) cluster.items.emplace_back(ids[i]);
    screen().clusters = {cluster};
    edit(screen(), ids[0])->button()->routes[Dir::Right] = {RouteType::Pinned, ClusterId{"g"}};
    screen().entry = ids[0];
  }
  // Where moving right from the first leads.
  ItemId entered(Playing& run) {
    run.move(Dir::Right);
    return run.session().focused();
  }
  ItemId entered() {
    Playing run(project);
    return entered(run);
  }
};

TEST(Clusters, AreEnteredAtTheFirstTheNearestOrTheChosen) {
  EXPECT_EQ(Clustered(Enter::First, {4, 2, 3}).entered(), Clustered(Enter::First, {4}).ids[4]);
  EXPECT_EQ(Clustered(Enter::Nearest, {4, 2, 3}).entered(), Clustered(Enter::First, {4}).ids[2]);
  EXPECT_EQ(Clustered(Enter::Chosen, {4, 2, 3}, 3).entered(), Clustered(Enter::First, {4}).ids[3]);
}

TEST(Clusters, LastUsedIsWhereFocusWasInIt) {
  Clustered c(Enter::LastUsed, {2, 3, 4});
  c.project.settings.pointerMovesFocus = true;
  Playing run(c.project);
  EXPECT_EQ(c.entered(run), c.ids[2]) << "the first, before any was used";
  run.move(Dir::Down);
  ASSERT_EQ(run.session().focused(), c.ids[3]);
  run.point(InputType::Point, c.ids[0]);  // leaves without a way back
  EXPECT_EQ(c.entered(run), c.ids[3]);
}

TEST(Clusters, WhatIsDisabledIsNotEntered) {
  Clustered c(Enter::First, {2, 3});
  edit(c.screen(), c.ids[2])->button()->disabled = true;
  EXPECT_EQ(c.entered(), c.ids[3]);
  edit(c.screen(), c.ids[3])->button()->disabled = true;
  Playing run(c.project);
  EXPECT_THAT(run.move(Dir::Right), testing::Contains(testing::HasSubstr("bump")));
}

TEST(Clusters, OneThatIsGoneIsTold) {
  Clustered c(Enter::First, {2});
  c.screen().clusters.clear();
  Playing run(c.project);
  EXPECT_TRUE(run.session().stack()[0].routes.broken[0][size_t(Dir::Right)]);
}

}  // namespace
}  // namespace bristle
