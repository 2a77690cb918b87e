// behaviour.md §4: a route that leads to a cluster enters it by its entry rule.
#include <gmock/gmock.h>

#include "support/layouts.h"
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

//  0 1 2
//  3 4 5
//  6 7 8
struct Nine {
  Project project;
  std::vector<ItemId> ids;
  Nine() {
    std::vector<Box> boxes;
    for (int i = 0; i < 9; ++i) boxes.push_back({100.0 + i % 3 * 120, 100.0 + i / 3 * 60, 100, 40});
    project = test::placedMenu(boxes);
    ids = test::buttons(project);
    screen().entry = ids[0];
  }
  Screen& screen() { return *edit(project, project.screens[0]->id); }
  Cluster& add(Leave leave, const std::vector<size_t>& in, Enter enter = Enter::Nearest) {
    Cluster cluster;
    cluster.id = ClusterId{"g" + std::to_string(screen().clusters.size())};
    for (const size_t i : in) cluster.items.emplace_back(ids[i]);
    cluster.enter = enter;
    cluster.leave = leave;
    screen().clusters.push_back(cluster);
    return screen().clusters.back();
  }
};

// Whatever leads into it: the entry rule says where, the way back leads back.
TEST(Clusters, ARouteThatWasSolvedEntersByTheRule) {
  Nine nine;
  nine.add(Leave::Open, {1, 2, 4, 5}, Enter::Chosen).chosen = nine.ids[5];
  Playing run(nine.project);
  run.move(Dir::Right);
  EXPECT_EQ(run.session().focused(), nine.ids[5]);
  run.move(Dir::Left);
  EXPECT_EQ(run.session().focused(), nine.ids[0]) << "the way back";
  run.move(Dir::Down);
  run.move(Dir::Down);
  run.move(Dir::Right);
  EXPECT_EQ(run.session().focused(), nine.ids[7]);
  run.move(Dir::Up);
  EXPECT_EQ(run.session().focused(), nine.ids[5]) << "from below, too";
}

TEST(Clusters, WhatAPersonPinnedToAButtonIsEnteredThere) {
  Nine nine;
  nine.add(Leave::Open, {1, 2, 4, 5}, Enter::Chosen).chosen = nine.ids[5];
  edit(nine.screen(), nine.ids[0])->button()->routes[Dir::Right] = {RouteType::Pinned, nine.ids[2]};
  Playing run(nine.project);
  run.move(Dir::Right);
  EXPECT_EQ(run.session().focused(), nine.ids[2]);
}

TEST(Clusters, ASingleStopIsPassedInOneStepAcceptGoesInAndCancelComesOut) {
  Nine nine;
  nine.add(Leave::SingleStop, {3, 4, 5}, Enter::First).name = "Tools";
  Playing run(nine.project);
  run.move(Dir::Down);
  ASSERT_EQ(run.session().focused(), nine.ids[3]);
  run.move(Dir::Down);
  EXPECT_EQ(run.session().focused(), nine.ids[7]) << "past all of it, from its middle";
  run.move(Dir::Up);
  ASSERT_EQ(run.session().focused(), nine.ids[3]);
  run.move(Dir::Right);
  EXPECT_EQ(run.session().focused(), nine.ids[3]) << "nothing beside the stop";
  using testing::Contains;
  using testing::HasSubstr;
  const auto in = run.key(InputType::Accept, true);
  EXPECT_THAT(in, Contains(HasSubstr("into g0")));
  EXPECT_EQ(toLine(run.session().trace().back(), nine.project), "into Tools at b3");
  EXPECT_THAT(run.key(InputType::Accept, false), testing::Not(Contains(HasSubstr("activate"))));
  run.move(Dir::Right);
  EXPECT_EQ(run.session().focused(), nine.ids[4]);
  EXPECT_THAT(run.move(Dir::Up), Contains(HasSubstr("bump")));
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Accept, false), Contains(HasSubstr("activate")));
  EXPECT_THAT(run.key(InputType::Cancel, true), Contains(HasSubstr("out of g0")));
  run.key(InputType::Cancel, false);
  EXPECT_EQ(run.session().focused(), nine.ids[4]) << "it stands where one was in it";
  run.move(Dir::Up);
  EXPECT_NE(run.session().focused(), nine.ids[4]);
}

TEST(Clusters, APointerGoesStraightIntoASingleStop) {
  Nine nine;
  nine.project.settings.pointerMovesFocus = true;
  nine.add(Leave::SingleStop, {3, 4, 5});
  Playing run(nine.project);
  run.point(InputType::Point, nine.ids[4]);
  run.move(Dir::Right);
  EXPECT_EQ(run.session().focused(), nine.ids[5]);
}

TEST(Clusters, APointerGoesIntoNothingButASingleStop) {
  for (const Leave leave : {Leave::Open, Leave::Ends, Leave::Sealed}) {
    Nine nine;
    nine.add(leave, {3, 4, 5});
    Playing run(nine.project);
    run.point(InputType::PointDown, nine.ids[4]);
    run.point(InputType::PointUp, nine.ids[4]);
    EXPECT_THAT(run.key(InputType::Cancel, true), testing::Contains(testing::HasSubstr("bump")))
        << "cancel is for the screen";
  }
}

TEST(Clusters, StepsOfTabPassASingleStopOnceAndStayInItOnceWithin) {
  Nine nine;
  nine.add(Leave::SingleStop, {3, 4, 5}, Enter::First);
  Playing run(nine.project);
  const auto& at = [&] { return run.session().focused(); };
  for (const size_t wanted : {1, 2, 3, 6}) {
    run.key(InputType::Step, true);
    EXPECT_EQ(at(), nine.ids[wanted]);
  }
  run.move(Dir::Up);
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
  for (const size_t wanted : {4, 5, 3}) {
    run.key(InputType::Step, true);
    EXPECT_EQ(at(), nine.ids[wanted]);
  }
}

TEST(Clusters, AClosedExitIsAPersonsWordAndHoldsAgainstTheWayBack) {
  Nine nine;
  nine.add(Leave::Open, {1, 4, 7}).exits[size_t(Dir::Left)] = {RouteType::Closed, {}};
  Playing run(nine.project);
  run.move(Dir::Right);
  ASSERT_EQ(run.session().focused(), nine.ids[1]);
  run.move(Dir::Left);
  EXPECT_EQ(run.session().focused(), nine.ids[1]);
}

// “Every move followed by its opposite returns”, through clusters of every kind, where nobody said
// otherwise.
TEST(Clusters, EveryMoveIsTakenBackByItsOpposite) {
  int moves = 0;
  for (std::uint64_t seed = 1; seed <= 60; ++seed) {
    test::Dice dice(seed);
    const auto& families = test::layoutFamilies();
    Nine nine;
    nine.project = test::placedMenu(test::layoutOf(families[seed % families.size()], seed, 20));
    nine.ids = test::buttons(nine.project);
    for (int k = 0; k < 3; ++k) {
      std::vector<size_t> in;
      for (size_t i = 0; i < nine.ids.size(); ++i)
        if (dice.chance(0.35)) in.push_back(i);
      const Leave leave = static_cast<Leave>(dice.whole(0, 3));
      // Out of what is never left there is no way, so there is none back into the open either.
      nine.add(leave == Leave::Sealed ? Leave::Ends : leave, in,
               static_cast<Enter>(dice.whole(0, 2)));
    }
    Playing run(nine.project);
    for (int step = 0; step < 60; ++step) {
      if (dice.chance(0.1)) run.key(InputType::Accept, true), run.key(InputType::Accept, false);
      if (dice.chance(0.1) && run.session().stack()[0].stopOf(run.session().stack()[0].focus) < 0)
        run.point(InputType::Point, nine.ids[size_t(dice.whole(0, int(nine.ids.size()) - 1))]);
      const ItemId before = run.session().focused();
      const Dir dir = kDirs[size_t(dice.whole(0, 3))];
      const std::string there = testing::PrintToString(run.move(dir));
      if (run.session().focused() == before) continue;
      ++moves;
      const std::string back = testing::PrintToString(run.move(opposite(dir)));
      EXPECT_EQ(run.session().focused(), before) << seed << ", step " << step << there << back;
      run.move(dir);
    }
  }
  EXPECT_GT(moves, 500);
}

// A list that is one stop, half of it out of sight: gone into, all of it can be walked to.
TEST(Clusters, AScrollersContentIsOneStopAndWalkedWholeFromWithin) {
  Project project = test::columnMenu({"a", "b", "c", "d", "e", "f"});
  const auto ids = test::buttons(project);
  Screen& screen = *edit(project, project.screens[0]->id);
  Item& list = screen.items[0].edit();
  list.container()->scrolls = Scrolls::Down;
  list.place.y.size = 200;
  Cluster cluster;
  cluster.id = {"g"};
  cluster.items = {list.id};
  cluster.leave = Leave::SingleStop;
  screen.clusters = {cluster};
  Playing run(project);
  run.move(Dir::Down);
  ASSERT_EQ(run.session().focused(), ids[0]) << "nothing lies below the stop";
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
  for (size_t i = 1; i < ids.size(); ++i) {
    run.move(Dir::Down);
    EXPECT_EQ(run.session().focused(), ids[i]);
  }
}

}  // namespace
}  // namespace bristle
