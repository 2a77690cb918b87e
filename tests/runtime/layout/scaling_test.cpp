// Pins to safe areas, fractions and baselines, and screens that grow with the display.
#include "runtime/layout/scaling.h"

#include <gtest/gtest.h>

#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "runtime/layout/layout.h"
#include "runtime/layout/line.h"
#include "support/measure.h"
#include "support/menus.h"

namespace bristle {
namespace {

// One panel of 200 × 100 that was drawn at 300, 150 on a display of 1000 × 500.
struct Drawn {
  Project project = emptyProject();
  Screen screen;
  Drawn() {
    project.displays = {{{"d1"}, "drawn", 1000, 500}};
    Item item;
    item.id = {"i"};
    item.what = PanelData{};
    item.place = {{.offset = 300, .size = 200}, {.offset = 150, .size = 100}};
    screen.items.emplace_back(item);
  }
  Place& place() { return screen.items[0].edit().place; }
  Placed on(const Display& display) const {
    return layOut(project, screen, display, kMeasure).items[0];
  }
  Box at(Px width, Px height) const { return on({{"d"}, "other", width, height}).box; }
};

TEST(Pins, WhatHasNoneLiesWhereItWasDrawn) {
  Drawn d;
  EXPECT_EQ(d.at(1000, 500), (Box{300, 150, 200, 100}));
  EXPECT_EQ(d.at(640, 1600), (Box{300, 150, 200, 100}));
}

TEST(Pins, OfTheSafeAreaKeepTheirDistanceToIt) {
  Drawn d;
  d.place().safe = true;
  d.place().x.pin = Pin::End;
  d.place().y.pin = Pin::Centre;
  d.place().x.offset = 10;
  d.place().y.offset = 0;
  Display phone{{"d"}, "phone", 1000, 500};
  phone.safe = {100, 20, 40, 60};
  EXPECT_EQ(d.on(phone).box, (Box{1000 - 40 - 10 - 200, 20 + (500 - 80) / 2.0 - 50, 200, 100}));
  phone.scale = 2;
  EXPECT_EQ(d.on(phone).box, (Box{500 - 20 - 10 - 200, 10 + (250 - 40) / 2.0 - 50, 200, 100}))
      << "the safe area is in px of the display";
}

TEST(Pins, ToAFractionPutTheCentreThere) {
  Drawn d;
  d.place().x = {.pin = Pin::Fraction, .offset = 5, .size = 200, .fraction = 0.25};
  EXPECT_EQ(d.at(1000, 500).x, 250 + 5 - 100);
  EXPECT_EQ(d.at(2000, 500).x, 500 + 5 - 100);
}

TEST(Pins, AShareIsAFractionOfWhatItIsPinnedIn) {
  Drawn d;
  d.place().x.share = 0.5;
  d.place().y.share = 0.1;
  d.place().safe = true;
  Display phone{{"d"}, "phone", 1000, 500};
  phone.safe = 50;
  EXPECT_EQ(d.on(phone).box.w, 450);
  EXPECT_EQ(d.on(phone).box.h, 40);
  d.place().x.most = 300;
  EXPECT_EQ(d.on(phone).box.w, 300) << "within its bounds";
}

TEST(Scaling, GrowsByWidthHeightSmallerOrGreater) {
  Drawn d;
  const std::pair<Scaling, double> wanted[] = {{Scaling::None, 1},
                                               {Scaling::Width, 3},
                                               {Scaling::Height, 2},
                                               {Scaling::Smaller, 2},
                                               {Scaling::Greater, 3}};
  for (const auto& [how, factor] : wanted) {
    d.screen.scaling = how;
    EXPECT_EQ(d.at(3000, 1000), (Box{300 * factor, 150 * factor, 200 * factor, 100 * factor}));
    EXPECT_EQ(d.on({{"d"}, "", 3000, 1000}).scale, factor);
    EXPECT_EQ(d.at(1000, 500), (Box{300, 150, 200, 100})) << "as it was drawn";
  }
}

TEST(Scaling, OfAnItemCountsBeforeItsScreens) {
  Drawn d;
  d.screen.scaling = Scaling::Width;
  d.place().scaling = Scaling::None;
  EXPECT_EQ(d.at(3000, 1000), (Box{300, 150, 200, 100}));
}

TEST(Scaling, IsFromTheDisplayThatTheScreenWasDrawnOn) {
  Drawn d;
  d.project.displays.push_back({{"d2"}, "large", 2000, 1000});
  d.screen.scaling = Scaling::Smaller;
  d.screen.drawnOn = {"d2"};
  EXPECT_EQ(d.at(1000, 500), (Box{150, 75, 100, 50}));
}

TEST(Scaling, PinsHoldInTheGrownScreen) {
  Drawn d;
  d.screen.scaling = Scaling::Height;
  d.place().x = {.pin = Pin::End, .offset = 20, .size = 200};
  d.place().y = {.pin = Pin::Both, .offset = 10, .farOffset = 30};
  EXPECT_EQ(d.at(3000, 1000), (Box{3000 - 2 * (20 + 200), 20, 400, 1000 - 2 * 40}));
}

TEST(Scaling, WhatIsInSomethingGrowsWithItAndSoDoHitAreas) {
  History history{test::columnMenu({"a", "b"})};
  test::must(history,
             changeKind(history.now().kinds[0]->id, "pad", {}, [](Kind& k) { k.hitPadding = 8; }));
  const ScreenId screen = history.now().screens[0]->id;
  test::must(history,
             changeScreen(screen, "grow", {}, [](Screen& s) { s.scaling = Scaling::Width; }));
  const Project& p = history.now();
  Display twice = p.displays[0];
  twice.width *= 2;
  twice.height *= 2;
  const Layout before = layOut(p, *p.screens[0], p.displays[0], kMeasure);
  const Layout after = layOut(p, *p.screens[0], twice, kMeasure);
  for (size_t i = 0; i < before.items.size(); ++i) {
    const auto is2 = [](const Box& a, const Box& b) {
      return Box{a.x * 2, a.y * 2, a.w * 2, a.h * 2} == b;
    };
    EXPECT_TRUE(is2(before.items[i].box, after.items[i].box)) << i;
    EXPECT_TRUE(is2(before.items[i].hit, after.items[i].hit)) << i;
    EXPECT_EQ(after.items[i].own().w, before.items[i].box.w);
  }
}

TEST(Scaling, TellsWhatIsNotPinnedWhereTheDisplayHasAnotherShape) {
  Drawn d;
  const auto told = [&](Px w, Px h) {
    const Unpinned out = unpinned(d.project, d.screen, d.screen.items[0]->place, {{"d"}, "", w, h});
    return std::pair(out.x, out.y);
  };
  EXPECT_EQ(told(1000, 500), std::pair(false, false));
  EXPECT_EQ(told(2000, 500), std::pair(true, false));
  d.screen.scaling = Scaling::Height;
  EXPECT_EQ(told(2000, 1000), std::pair(false, false)) << "the same shape, only larger";
  EXPECT_EQ(told(2200, 1000), std::pair(true, false));
  d.place().x.pin = Pin::Centre;
  EXPECT_EQ(told(2200, 1000), std::pair(false, false));
}

TEST(Pins, AreMirroredWhereOneReadsFromTheRight) {
  Drawn d;
  d.project.languages[0].rightToLeft = true;
  EXPECT_EQ(d.at(1000, 500).x, 300) << "what is not pinned stays where it was drawn";
  d.place().x.pin = Pin::Start;
  EXPECT_EQ(d.at(1000, 500).x, 1000 - 300 - 200);
  d.place().x = {.pin = Pin::End, .offset = 20, .size = 200};
  EXPECT_EQ(d.at(1000, 500).x, 20);
}

TEST(Display, OfOneOrOfTheMostPixelsIsLaidOut) {
  Drawn d;
  d.place().safe = true;
  for (const Px side : {1.0, 16384.0})
    for (int how = 0; how <= 4; ++how)
      for (int pin = 0; pin <= 5; ++pin) {
        d.screen.scaling = static_cast<Scaling>(how);
        d.place().x.pin = d.place().y.pin = static_cast<Pin>(pin);
        Display display{{"d"}, "", side, side};
        display.safe = 1000;
        const Placed at = d.on(display);
        EXPECT_TRUE(std::isfinite(at.box.x) && std::isfinite(at.box.w) && at.box.w > 0);
      }
}

// A button of a given height with one caption in the middle, 24 px large: capitals are 16.8 px.
TEST(Baseline, CaptionsOfDifferentButtonsStandOnOneLine) {
  History history{test::columnMenu({"a", "b"})};
  const ScreenId screen = history.now().screens[0]->id;
  const ItemId box = history.now().screens[0]->items[0]->id;
  const ItemId second = history.now().screens[0]->items[2]->id;
  test::must(history, changeItems(screen, {box}, "row", {}, [](Item& i) {
               i.container()->flow = Flow::Row;
               i.container()->across = Across::Baseline;
             }));
  test::must(history,
             changeItems(screen, {second}, "high", {}, [](Item& i) { i.place.y.size = 200; }));
  const Project& p = history.now();
  const Layout l = layOut(p, *p.screens[0], p.displays[0], kMeasure);
  const Box &a = l.items[1].box, &b = l.items[2].box;
  EXPECT_EQ(a.y + a.h / 2, b.y + b.h / 2) << "one size of letters: the middles agree";
  EXPECT_EQ(l.items[0].box.h, 200);
}

// Large and small letters: the feet agree, not the middles. Plainly by hand.
TEST(Baseline, OfARowIsThatOfTheDeepest) {
  const std::vector<Child> children{{.base = 100, .baseline = {0.5, 20}},
                                    {.base = 40, .baseline = {0.5, 6}},
                                    {.base = 30}};  // no caption: its lower edge
  std::vector<Span> at(3);
  ContainerData row{.flow = Flow::Row, .padding = 4, .across = Across::Baseline};
  EXPECT_EQ(measureAcross(row, children), 70 + 30 + 8);
  arrangeAcross(row, 108, children, at);
  EXPECT_EQ(at[0].at, 4);
  EXPECT_EQ(at[1].at, 4 + 70 - 26);
  EXPECT_EQ(at[2].at, 4 + 70 - 30);
}

TEST(Baseline, APinToItPutsTheCaptionsFeetThere) {
  History history{test::columnMenu({"a"})};
  const ScreenId screen = history.now().screens[0]->id;
  test::must(history, dissolve(screen, history.now().screens[0]->items[0]->id, {}));
  const ItemId button = test::buttons(history.now()).back();
  test::must(history, changeItems(screen, {button}, "pin", {}, [](Item& i) {
               i.place.y = {.pin = Pin::Baseline, .offset = 300, .size = 80};
             }));
  const Project& p = history.now();
  const Placed at = layOut(p, *p.screens[0], p.displays[0], kMeasure).items[0];
  EXPECT_NEAR(at.box.y + 40 + 24 * 0.7 / 2, 300, 1e-9) << "half the capitals below the middle";
}

}  // namespace
}  // namespace bristle
