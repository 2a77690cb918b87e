// Where what is dropped goes.
#include "core/arrange/drop.h"

#include <gtest/gtest.h>

#include "runtime/document/tree.h"
#include "support/layouts.h"
#include "support/measure.h"

namespace bristle::test {
namespace {

struct Held {
  Project project = emptyProject();
  Screen screen;
  explicit Held(ContainerData how, int children = 3, Px w = 0) {
    add("c", {}, how, w, 0);
    for (int i = 0; i < children; ++i) add("i" + std::to_string(i), "c", PanelData{}, 100, 40);
  }
  template <class What>
  void add(const std::string& id, const std::string& parent, What what, Px w, Px h) {
    Item item;
    item.id = {id};
    item.parent = {parent};
    item.place = {{.offset = 200, .size = w}, {.offset = 100, .size = h}};
    item.what = what;
    screen.items.emplace_back(item);
  }
  Layout layout() const { return layOut(project, screen, project.displays[0], kMeasure); }
  DropSpot at(Px x, Px y, std::vector<ItemId> dragged = {}) const {
    return dropSpotAt(screen, layout(), x, y, dragged);
  }
};

TEST(Drop, BesideAContainerIsOnTheScreen) {
  const DropSpot spot = Held({.flow = Flow::Column}).at(10, 10);
  EXPECT_EQ(spot.to, (Spot{}));
  EXPECT_FALSE(spot.ordered);
}

TEST(Drop, InAColumnItGoesBeforeOrAfterTheNearestAsTheMarkShows) {
  const Held column({.flow = Flow::Column, .gap = 20});  // children at y 100, 160, 220
  EXPECT_EQ(column.at(250, 105).to, (Spot{{"c"}, {"i0"}}));
  EXPECT_EQ(column.at(250, 165).to, (Spot{{"c"}, {"i1"}}));
  EXPECT_EQ(column.at(250, 195).to, (Spot{{"c"}, {"i2"}}));
  EXPECT_EQ(column.at(250, 255).to, (Spot{{"c"}, {}}));
  EXPECT_EQ(column.at(250, 165).mark, (Box{200, 160, 100, 0}));
  EXPECT_EQ(column.at(250, 255).mark, (Box{200, 260, 100, 0}));
}

TEST(Drop, WhatIsDraggedIsNeitherABrotherNorAHolder) {
  Held column({.flow = Flow::Column, .gap = 20});
  EXPECT_EQ(column.at(250, 165, {{"i1"}}).to, (Spot{{"c"}, {"i2"}}));
  EXPECT_EQ(column.at(250, 165, {{"c"}}).to, (Spot{}));
}

TEST(Drop, TheInnermostContainerCountsUnlessItIsLocked) {
  Held outer({.flow = Flow::Free}, 0);
  outer.screen.items[0].edit().place.x.size = outer.screen.items[0].edit().place.y.size = 400;
  outer.add("in", "c", ContainerData{.flow = Flow::Row}, 100, 100);  // at 400, 200
  EXPECT_EQ(outer.at(450, 250).to.holder, ItemId{"in"});
  EXPECT_EQ(outer.at(220, 120).to.holder, ItemId{"c"});
  EXPECT_FALSE(outer.at(220, 120).ordered);
  outer.screen.items[1].edit().locked = true;
  EXPECT_EQ(outer.at(450, 250).to.holder, ItemId{"c"});
}

TEST(Drop, RowsAndRingsAreReadInTheirDirection) {
  Held row({.flow = Flow::Row, .gap = 20});  // children at x 200, 320, 440
  EXPECT_EQ(row.at(330, 110).to, (Spot{{"c"}, {"i1"}}));
  EXPECT_EQ(row.at(410, 110).to, (Spot{{"c"}, {"i2"}}));
  row.project.languages[0].rightToLeft = true;  // i0 stands at 440
  EXPECT_EQ(row.at(530, 110).to, (Spot{{"c"}, {"i0"}}));
  EXPECT_EQ(row.at(530, 110).mark.x, 540);
  // Four at noon, three, six and nine; dropped a little after three o'clock.
  const Held ring({.flow = Flow::Ring, .radius = 200}, 4);
  const Box all = ring.layout().items[0].box;
  const Px x = all.x + all.w / 2 + 200, y = all.y + all.h / 2;
  EXPECT_EQ(ring.at(x, y + 10).to, (Spot{{"c"}, {"i2"}}));
  EXPECT_EQ(ring.at(x, y - 10).to, (Spot{{"c"}, {"i1"}}));
}

// Dropped where the mark is, it comes to lie where the mark was: the order after it is the order
// of the places.
TEST(Drop, WhatIsDroppedStandsWhereItWasShown) {
  for (std::uint64_t seed = 1; seed <= 100; ++seed) {
    Dice dice(seed);
    Held held({.flow = dice.chance(0.5) ? Flow::Row : Flow::Column, .gap = 12}, dice.whole(1, 8));
    held.project.languages[0].rightToLeft = dice.chance(0.5);
    const Box all = held.layout().items[0].box;
    const Px x = dice.real(all.x, all.x + all.w - 1), y = dice.real(all.y, all.y + all.h - 1);
    const DropSpot spot = held.at(x, y);
    ASSERT_TRUE(spot.ordered);
    Item fresh = *held.screen.items[1];
    fresh.id = {"new"};
    putBefore(held.screen, {"c"}, spot.to.before, {Shared<Item>(fresh)});
    ASSERT_EQ(whyNoTree(held.screen), "");
    const auto index = indexOf(held.screen, {"new"});
    const Layout after = held.layout();
    const bool row = held.screen.items[0]->container()->flow == Flow::Row;
    // What stood before the mark stands before it, what stood after it after.
    const Box& it = after.items[*index].box;
    for (size_t i = 1; i < held.screen.items.size(); ++i) {
      if (i == *index) continue;
      const Box& other = after.items[i].box;
      const bool reading = i < *index;
      const bool lies =
          row ? (held.project.languages[0].rightToLeft ? other.x > it.x : other.x < it.x)
              : other.y < it.y;
      EXPECT_EQ(lies, reading) << "seed " << seed;
    }
  }
}

}  // namespace
}  // namespace bristle::test
