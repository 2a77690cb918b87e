// Where moving and resizing puts things, however they are pinned and whatever holds them.
#include "core/arrange/place_at.h"

#include <gtest/gtest.h>

#include "core/edit/screen_edits.h"
#include "runtime/document/tree.h"
#include "support/bars.h"
#include "support/layouts.h"
#include "support/measure.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

// A free container with a row of two and a panel in it, and a panel beside it.
struct Nest {
  Project project = emptyProject();
  Screen screen;
  Nest() {
    add("free", {}, ContainerData{.flow = Flow::Free, .padding = 10}, 300, 200);
    add("row", "free", ContainerData{.flow = Flow::Row}, 0, 0);
    add("a", "row", PanelData{}, 30, 20);
    add("b", "row", PanelData{}, 30, 20);
    add("panel", "free", PanelData{}, 40, 40);
    add("beside", {}, PanelData{}, 50, 50);
  }
  template <class What>
  void add(const char* id, const char* parent, What what, Px w, Px h) {
    Item item;
    item.id = {id};
    if (parent) item.parent = {parent};
    item.place = {{.offset = 20, .size = w}, {.offset = 30, .size = h}};
    item.what = what;
    screen.items.emplace_back(item);
  }
  // Not the display that it was drawn on, so that what grows with the display has done so.
  Layout layout() const { return layOut(project, screen, project.displays[1], kMeasure); }
};

TEST(PlaceAt, WhatIsKeptInOrderIsMovedByWhatKeepsIt) {
  const Nest n;
  const std::vector<ItemId> b{{"b"}}, both{{"b"}, {"panel"}}, inner{{"a"}, {"free"}};
  EXPECT_EQ(moversOf(n.screen, b), (std::vector<size_t>{1})) << "the row, not the free container";
  EXPECT_EQ(moversOf(n.screen, both), (std::vector<size_t>{1, 4}));
  EXPECT_EQ(moversOf(n.screen, inner), (std::vector<size_t>{0})) << "one that goes along anyway";
}

TEST(PlaceAt, PutsALooseItemExactlyThereHoweverItIsPinned) {
  for (std::uint64_t seed = 1; seed <= 200; ++seed) {
    Dice dice(seed);
    Nest n;
    n.project.languages[0].rightToLeft = dice.chance(0.5);
    const size_t i = dice.chance(0.5) ? 4 : 5;
    Place& place = n.screen.items[i].edit().place;
    place.x.pin = static_cast<Pin>(dice.whole(0, 5));
    place.y.pin = static_cast<Pin>(dice.whole(0, 6));
    place.x.offset = dice.whole(-50, 300);
    place.x.fraction = dice.real(0, 1);
    place.safe = dice.chance(0.5);
    if (dice.chance(0.3)) place.y.share = 0.5;
    n.screen.scaling = static_cast<Scaling>(dice.whole(0, 4));
    if (dice.chance(0.3)) place.scaling = static_cast<Scaling>(dice.whole(0, 4));
    // Their container has a size of its own, so that it stays where it is.
    const Box to{double(dice.whole(0, 900)), double(dice.whole(0, 600)), double(dice.whole(4, 300)),
                 double(dice.whole(4, 300))};
    n.screen.items[i].edit().place = placeAt(n.screen, n.layout(), i, to);
    const Box is = n.layout().items[i].box;
    EXPECT_NEAR(is.x, to.x, 1e-9) << "seed " << seed;
    EXPECT_NEAR(is.y, to.y, 1e-9) << "seed " << seed;
    EXPECT_NEAR(is.w, to.w, 1e-9) << "seed " << seed;
    EXPECT_NEAR(is.h, to.h, 1e-9) << "seed " << seed;
  }
}

TEST(PlaceAt, MovingLeavesASizeThatFollowsFromSomething) {
  Nest n;
  n.screen.items[5].edit().place.x.size = 0;  // as a new panel
  Box box = n.layout().items[5].box;
  box.x += 40;
  EXPECT_EQ(placeAt(n.screen, n.layout(), 5, box).x.size, 0);
}

TEST(PlaceAt, NothingMovesWhenAContainerIsMadeFree) {
  for (const bool mirrored : {false, true}) {
    Nest n;
    n.project.languages[0].rightToLeft = mirrored;
    n.screen.items[1].edit().place.x.size = 200;
    const Layout before = n.layout();
    for (const auto& [id, place] : placesInFree(n.screen, before, 1))
      for (auto& item : n.screen.items)
        if (item->id == id) item.edit().place = place;
    n.screen.items[1].edit().container()->flow = Flow::Free;
    const Layout after = n.layout();
    for (size_t i = 2; i < 4; ++i) EXPECT_EQ(after.items[i].box, before.items[i].box) << i;
  }
}

// Its offsets are from its button: dragged, it goes where it is put, on whichever side it opens.
TEST(PlaceAt, AFlyOutIsMovedFromItsButton) {
  for (const Side side : {Side::Below, Side::Above, Side::Right, Side::Left})
    for (const bool mirrored : {false, true}) {
      Bar bar;
      bar.item("bar").place = {{.offset = 300}, {.offset = 300}};
      bar.fly("fly").side = side;
      bar.project.languages[0].rightToLeft = mirrored;
      const auto laid = [&] {
        return layOut(bar.project, *bar.project.screens[0], bar.project.displays[0], kMeasure);
      };
      const size_t fly = *indexOf(*bar.project.screens[0], ItemId{"fly"});
      const Layout layout = laid();
      Box to = layout.items[fly].box;
      to.x += side == Side::Left ? -9 : 9;
      to.y += side == Side::Above ? -7 : 7;
      bar.item("fly").place = placeAt(*bar.project.screens[0], layout, fly, to);
      const Box is = laid().items[fly].box;
      EXPECT_NEAR(is.x, to.x, 1e-9) << int(side) << mirrored;
      EXPECT_NEAR(is.y, to.y, 1e-9) << int(side) << mirrored;
    }
}

// An entry of a column has room beside it, one of a bar below it.
TEST(PlaceAt, AFlyOutIsLookedForBesideAColumnAndBelowARow) {
  Bar bar;
  Screen& screen = bar.project.screens[0].edit();
  const Item* button = nullptr;
  for (const auto& each : screen.items)
    if (each->button() && each->parent == ItemId{"bar"}) button = &*each;
  ASSERT_TRUE(button);
  bar.item("bar").container()->flow = Flow::Column;
  EXPECT_EQ(sideFlying(*bar.project.screens[0], button->id), Side::Right);
  bar.item("bar").container()->flow = Flow::Row;
  EXPECT_EQ(sideFlying(*bar.project.screens[0], button->id), Side::Below);
  EXPECT_EQ(sideFlying(*bar.project.screens[0], {}), Side::Below);
}

}  // namespace
}  // namespace bristle::test
