// What is wrong with how a screen lies, told on its items.
#include "core/findings/place_faults.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "support/layouts.h"
#include "support/measure.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;

// A screen of 1920 × 1080 with a safe area of 54 px, and one button of 280 × 64.
struct Lying {
  History history{emptyProject()};
  ScreenId screen;
  ItemId button;
  Lying() {
    must(history, addKind("Entry", Wins::Hover));
    must(history, addScreen("First"));
    screen = history.now().screens[0]->id;
    must(history, addButton(screen, history.now().kinds[0]->id, "Dive", 400, 300));
    button = test::buttons(history.now()).back();
  }
  void move(Px x, Px y) {
    must(history, changeItems(screen, {button}, "move", {}, [=](Item& item) {
           item.place.x.offset = x;
           item.place.y.offset = y;
         }));
  }
  std::vector<PlaceFault> faults(bool cut = false) const {
    const Project& p = history.now();
    return placeFaults(p, *p.screens[0], layOut(p, *p.screens[0], p.displays[0], kMeasure),
                       [=](size_t) { return cut; });
  }
  std::vector<PlaceFaultSort> sorts(bool cut = false) const {
    std::vector<PlaceFaultSort> out;
    for (const PlaceFault& fault : faults(cut)) out.push_back(fault.sort);
    return out;
  }
  std::string words(size_t which = 0) const {
    return inWords(faults().at(which), *history.now().screens[0]);
  }
};
using Sorts = std::vector<PlaceFaultSort>;

TEST(PlaceFaults, WhatIsUnderANotchOrInARoundCornerIsTold) {
  Lying l;
  Project p = l.history.now();
  const auto blocked = [&](Px x, Px y) {
    l.move(x, y);
    p.screens = l.history.now().screens;
    for (const PlaceFault& fault :
         placeFaults(p, *p.screens[0], layOut(p, *p.screens[0], p.displays[0], kMeasure),
                     [](size_t) { return false; }))
      if (fault.sort == PlaceFaultSort::Blocked) return fault.by;
    return 0.0;
  };
  p.displays[0].blocked = {{600, 0, 400, 60}};
  EXPECT_EQ(blocked(300, 60), 0) << "below and beside it";
  EXPECT_EQ(blocked(590, 30), 30);
  EXPECT_EQ(blocked(310, 0), 0) << "up to its edge, 590";
  EXPECT_EQ(blocked(340, 0), 20);
  p.displays[0].blocked.clear();
  p.displays[0].corner = 100;
  EXPECT_EQ(blocked(0, 100), 0);
  EXPECT_NEAR(blocked(0, 0), std::hypot(100, 100) - 100, 1e-9);
  EXPECT_NEAR(blocked(1920 - 280, 1080 - 64), std::hypot(100, 100) - 100, 1e-9);
  EXPECT_EQ(blocked(40, 40), 0) << "its corner lies within the round";
}

TEST(PlaceFaults, WhatIsNotPinnedIsToldWhereTheDisplayHasAnotherShape) {
  Lying l;
  const Project& p = l.history.now();
  const auto on = [&](size_t display) {
    const Layout layout = layOut(p, *p.screens[0], p.displays[display], kMeasure);
    return placeFaults(p, *p.screens[0], layout, [](size_t) { return false; });
  };
  EXPECT_TRUE(on(0).empty());
  ASSERT_EQ(on(1).size(), 1u) << "1920 × 1200: higher than what it was drawn for";
  EXPECT_EQ(on(1)[0].sort, PlaceFaultSort::Unpinned);
  must(l.history, changeItems(l.screen, {l.button}, "pin", {},
                              [](Item& item) { item.place.y.pin = Pin::Start; }));
  EXPECT_TRUE(on(1).empty()) << "as wide in px of the screen, so that x needs no pin";
  // A column with what is in it is told of once.
  must(l.history, gather(l.screen, {l.button}, {.flow = Flow::Column}));
  ASSERT_EQ(on(1).size(), 1u);
  EXPECT_EQ(on(1)[0].sort, PlaceFaultSort::Unpinned);
  EXPECT_TRUE(p.screens[0]->items[on(1)[0].item]->container());
}

TEST(PlaceFaults, AButtonInTheSafeAreaHasNone) {
  Lying l;
  EXPECT_EQ(l.sorts(), Sorts{});
  EXPECT_EQ(l.sorts(true), Sorts{PlaceFaultSort::CaptionCut});
}

TEST(PlaceFaults, OutOfTheSafeAreaBeyondAndOutsideAreThreeThings) {
  Lying l;
  l.move(54, 54);
  EXPECT_EQ(l.sorts(), Sorts{});
  l.move(50, 300);
  EXPECT_EQ(l.sorts(), Sorts{PlaceFaultSort::Unsafe});
  EXPECT_EQ(l.words(), "reaches 4 px out of the safe area");
  l.move(1800, 300);
  EXPECT_EQ(l.sorts(), Sorts{PlaceFaultSort::Beyond});
  EXPECT_EQ(l.words(), "reaches 160 px beyond the display");
  l.move(2000, 300);
  EXPECT_EQ(l.sorts(), Sorts{PlaceFaultSort::Outside});
}

TEST(PlaceFaults, HitAreasThatOverlapAreToldOnTheUpperOne) {
  Lying l;
  must(l.history, addButton(l.screen, l.history.now().kinds[0]->id, "Log", 400, 340));
  ASSERT_EQ(l.sorts(), Sorts{PlaceFaultSort::Overlap});
  EXPECT_EQ(l.faults()[0].item, 1u);
  EXPECT_EQ(l.faults()[0].by, 24);
  EXPECT_EQ(l.words(), "its hit area lies 24 px over that of “Dive”");
}

TEST(PlaceFaults, AContainerThatIsTooSmallSaysByHowMuch) {
  Lying l;
  must(l.history,
       addSeries(l.screen, l.history.now().kinds[0]->id, {"a", "b"}, Flow::Column, 900, 300));
  EXPECT_EQ(l.sorts(), Sorts{});
  const ItemId column = l.history.now().screens[0]->items[1]->id;
  must(l.history,
       changeItems(l.screen, {column}, "resize", {}, [](Item& item) { item.place.y.size = 100; }));
  ASSERT_EQ(l.sorts(), Sorts{PlaceFaultSort::TooSmall});
  EXPECT_EQ(l.words(), "too small for what is in it, by 44 px") << "64 + 16 + 64 in 100";
}

TEST(PlaceFaults, ABackgroundIsToldOfUntilItIsLocked) {
  Lying l;
  Item panel;
  panel.place = {{Pin::Both, -20, 0, -20}, {Pin::Both, -20, 0, -20}};
  panel.what = PanelData{};
  must(l.history, addItem(l.screen, "panel", panel));
  EXPECT_EQ(l.sorts(), (Sorts{PlaceFaultSort::Unlocked, PlaceFaultSort::Beyond}));
  must(l.history, changeItems(l.screen, {l.history.now().screens[0]->items[0]->id}, "lock", {},
                              [](Item& item) { item.locked = true; }));
  EXPECT_EQ(l.sorts(), Sorts{}) << "a locked backdrop may reach beyond the display";
}

TEST(PlaceFaults, WhatIsHiddenIsNotToldOf) {
  Lying l;
  l.move(2000, 300);
  must(l.history,
       changeItems(l.screen, {l.button}, "hide", {}, [](Item& item) { item.hidden = true; }));
  EXPECT_EQ(l.sorts(true), Sorts{});
}

TEST(PlaceFaults, WhatAContainerCutsOffIsNotOutside) {
  Lying l;
  std::vector<std::string> captions(20, "Fern");  // 20 × 64 and gaps: higher than the display
  must(l.history,
       addSeries(l.screen, l.history.now().kinds[0]->id, captions, Flow::Column, 900, 100));
  const ItemId column = l.history.now().screens[0]->items[1]->id;
  const auto clip = [&](bool on) {
    must(l.history, changeItems(l.screen, {column}, "clip", {}, [on](Item& item) {
           item.place.y.size = 400;
           item.container()->clips = on;
         }));
    const auto sorts = l.sorts();
    return std::count(sorts.begin(), sorts.end(), PlaceFaultSort::Outside);
  };
  EXPECT_GT(clip(false), 0);
  EXPECT_EQ(clip(true), 0);
}

// Against the plain way: each pair of hit areas is looked at.
TEST(PlaceFaults, OverlapsAreThoseOfThePlainWay) {
  for (std::uint64_t seed = 1; seed <= 40; ++seed) {
    test::Dice dice(seed);
    Lying l;
    for (int i = dice.whole(1, 30); i > 0; --i)
      must(l.history, addButton(l.screen, l.history.now().kinds[0]->id, "x", dice.whole(60, 1500),
                                dice.whole(60, 900)));
    const Project& p = l.history.now();
    const Layout layout = layOut(p, *p.screens[0], p.displays[0], kMeasure);
    std::vector<std::pair<size_t, size_t>> plain, found;
    for (size_t i = 0; i < layout.items.size(); ++i)
      for (size_t j = 0; j < i; ++j) {
        const Box both = common(layout.items[i].visible, layout.items[j].visible);
        if (both.w > 0.5 && both.h > 0.5) plain.emplace_back(i, j);
      }
    for (const PlaceFault& fault : l.faults())
      if (fault.sort == PlaceFaultSort::Overlap) found.emplace_back(fault.item, fault.other);
    std::sort(found.begin(), found.end());
    std::sort(plain.begin(), plain.end());
    EXPECT_EQ(found, plain) << "seed " << seed;
  }
}

}  // namespace
}  // namespace bristle
