// behaviour.md §4, the way back: what was moved is taken back, the newest first.
#include <gmock/gmock.h>

#include <random>

#include "core/edit/kind_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

using testing::Contains;

Project scattered(unsigned seed, int count) {
  History h(emptyProject());
  test::must(h, addKind("Spot", Wins::Hover));
  test::must(h, addScreen("S"));
  const ScreenId s = h.now().screens[0]->id;
  std::mt19937 random(seed);
  for (int i = 0; i < count; ++i) {
    test::must(h, addButton(s, h.now().kinds[0]->id, "b", double(random() % 1600),
                            double(random() % 950)));
    const ItemId id = test::buttons(h.now()).back();
    const double w = 40 + double(random() % 200), t = 30 + double(random() % 90);
    test::must(h, changeItems(s, {id}, "size", {}, [&](Item& item) {
                 item.place.x.size = w;
                 item.place.y.size = t;
               }));
  }
  return h.now();
}

TEST(WayBack, TheOppositeDirectionAlwaysReturnsStepByStep) {
  int taken = 0;
  for (unsigned seed = 1; seed <= 12; ++seed) {
    const Project project = scattered(seed, 14);
    Playing run(project);
    std::mt19937 random(seed);
    for (int round = 0; round < 60; ++round) {
      std::vector<std::pair<ItemId, Dir>> model;  // where from, which way
      const int length = 1 + int(random() % 20);
      for (int i = 0; i < length; ++i) {
        const Dir dir = kDirs[random() % 4];
        const ItemId from = run.session().focused();
        const bool back = !model.empty() && dir == opposite(model.back().second);
        const ItemId wanted = back ? model.back().first : ItemId{};
        run.move(dir);
        if (back) {
          ASSERT_EQ(run.session().focused(), wanted) << "seed " << seed;
          model.pop_back();
        } else if (run.session().focused() != from) {
          model.emplace_back(from, dir);
        }
      }
      for (; !model.empty(); model.pop_back(), ++taken) {
        run.move(opposite(model.back().second));
        ASSERT_EQ(run.session().focused(), model.back().first) << "seed " << seed;
      }
      run.key(InputType::Step, true);  // any other way of moving focus forgets
    }
  }
  EXPECT_GT(taken, 2000);
}

TEST(WayBack, WhatAPersonPinnedOrClosedCountsMore) {
  History h(scattered(3, 8));
  const ScreenId s = h.now().screens[0]->id;
  Playing probe(h.now());
  const ItemId a = probe.session().focused();
  Dir dir = Dir::Up;
  for (const Dir d : kDirs) {
    probe.move(d);
    dir = d;
    if (probe.session().focused() != a) break;
  }
  const ItemId b = probe.session().focused();
  ASSERT_NE(a, b);
  test::must(h, setRoute(s, b, opposite(dir), {RouteType::Closed, {}}));
  Playing run(h.now());
  run.move(dir);
  ASSERT_EQ(run.session().focused(), b);
  EXPECT_THAT(run.move(opposite(dir)), Contains(testing::HasSubstr("closed")));
  EXPECT_EQ(run.session().focused(), b);
}

TEST(WayBack, KeepsThirtyTwoMovesAtMost) {
  // Two boxes side by side and a chain round and round by wrapping.
  History h{test::columnMenu({"1", "2", "3"})};
  const ScreenId s = h.now().screens[0]->id;
  const auto ids = test::buttons(h.now());
  test::must(h, setRoute(s, ids[2], Dir::Down, {RouteType::Wrap, {}}));
  Playing run(h.now());
  for (int i = 0; i < 40; ++i) run.move(Dir::Down);
  EXPECT_EQ(run.session().stack().back().trail.size(), kMostTakenBack);
  for (int i = 0; i < 32; ++i) run.move(Dir::Up);
  EXPECT_EQ(run.session().focused(), ids[8 % 3]);
}

}  // namespace
}  // namespace bristle
