// A walk on the bench leads where the running menu leads.
#include "core/derive/route_walk.h"

#include <gtest/gtest.h>

#include "core/edit/screen_edits.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

TEST(RouteWalk, LeadsWhereTheRunningMenuLeads) {
  const PlainMeasure measure;
  int moves = 0;
  for (std::uint64_t seed = 1; seed <= 20; ++seed) {
    test::Dice dice(seed);
    const auto& families = test::layoutFamilies();
    Project project = test::placedMenu(test::layoutOf(families[seed % families.size()], seed, 20));
    const auto ids = test::buttons(project);
    Screen& screen = *edit(project, project.screens[0]->id);
    screen.entry = ids[0];
    for (int k = 0; k < 2; ++k) {
      Cluster cluster;
      cluster.id = ClusterId{"g" + std::to_string(k)};
      for (const ItemId& id : ids)
        if (dice.chance(0.4)) cluster.items.emplace_back(id);
      cluster.leave = static_cast<Leave>(dice.whole(0, 3));
      cluster.enter = static_cast<Enter>(dice.whole(0, 2));
      screen.clusters.push_back(cluster);
    }
    for (const ItemId& id : ids)
      if (dice.chance(0.1)) edit(screen, id)->button()->disabled = true;
    Playing menu(project);
    RouteWalk walk(measure);
    const ShownScreen shown{project, project.screens[0]->id, {project.displays[0]}};
    ItemId at = walk.step(shown, {}, Dir::Up)->to;  // to the entry
    ASSERT_EQ(at, menu.session().focused());
    for (int step = 0; step < 60; ++step) {
      if (dice.chance(0.1) &&
          menu.session().stack()[0].stopOf(menu.session().stack()[0].focus) >= 0) {
        menu.key(InputType::Accept, true);
        menu.key(InputType::Accept, false);
        ASSERT_TRUE(walk.through(shown, at, true)->to);
      }
      const Dir dir = kDirs[size_t(dice.whole(0, 3))];
      menu.move(dir);
      const auto stepped = walk.step(shown, at, dir);
      if (stepped->to) at = stepped->to, ++moves;
      ASSERT_EQ(at, menu.session().focused()) << seed << ", step " << step;
    }
  }
  EXPECT_GT(moves, 300);
}

// A list of eight of which three are seen, a button below it that the last of three fly out from.
Project listAndFlyOut() {
  Project project = test::columnMenu({"a", "b", "c", "d", "e", "f", "g", "h"});
  Screen& screen = *edit(project, project.screens[0]->id);
  Item& list = screen.items[0].edit();
  list.container()->scrolls = Scrolls::Down;
  list.place = {{Pin::Start, 100, 0}, {Pin::Start, 100, 220}};
  Item button = *screen.items[1];
  button.id = ItemId{"below"};
  button.parent = {};
  button.place = {{Pin::Start, 100, 200}, {Pin::Start, 400, 60}};
  screen.items.emplace_back(button);
  Item box;
  box.id = ItemId{"box"};
  ContainerData data;
  data.flyOut.from = button.id;
  box.what = data;
  screen.items.emplace_back(box);
  for (const char* id : {"x", "y", "z"}) {
    Item in = button;
    in.id = ItemId{id};
    in.parent = box.id;
    screen.items.emplace_back(in);
  }
  screen.entry = test::buttons(project)[0];
  return project;
}

TEST(RouteWalk, FollowsListsAndFlyOutsAsTheRunningMenuDoes) {
  const PlainMeasure measure;
  const Project project = listAndFlyOut();
  const ShownScreen shown{project, project.screens[0]->id, {project.displays[0]}};
  test::Dice dice(7);
  Playing menu(project);
  RouteWalk walk(measure);
  ItemId at = walk.step(shown, {}, Dir::Up)->to;
  bool below = false, flown = false;
  for (int step = 0; step < 300; ++step) {
    // Down more often than up, then the other way round.
    const Dir dir = dice.chance(0.7) == (step / 40 % 2 == 0) ? Dir::Down : Dir::Up;
    menu.move(dir);
    if (const auto stepped = walk.step(shown, at, dir); stepped->to) at = stepped->to;
    ASSERT_EQ(at, menu.session().focused()) << "step " << step;
    below = below || at == ItemId{"below"};
    flown = flown || at == ItemId{"z"};
  }
  EXPECT_TRUE(below && flown);
}

TEST(RouteWalk, BeginsAnewWhereWhatItRestsOnHasChanged) {
  const PlainMeasure measure;
  RouteWalk walk(measure);
  Project project = test::columnMenu({"a", "b", "c"});
  const auto ids = test::buttons(project);
  const ScreenId screen = project.screens[0]->id;
  const auto shown = [&] { return ShownScreen{project, screen, {project.displays[0]}}; };
  EXPECT_EQ(walk.step(shown(), ids[0], Dir::Down)->to, ids[1]);
  project = test::after(project, setRoute(screen, ids[1], Dir::Down, {RouteType::Closed, {}}));
  const auto closed = walk.step(shown(), ids[1], Dir::Down);
  EXPECT_FALSE(closed->to);
  EXPECT_EQ(closed->how, "down, closed");
  project = test::after(project, removeItems(screen, {ids[1]}));
  EXPECT_EQ(walk.step(shown(), ids[1], Dir::Down)->to, ids[0]) << "from where focus starts";
}

}  // namespace
}  // namespace bristle
