// Rows, columns, grids, rings and free containers: by example, and against a plain second layout.
#include <gtest/gtest.h>

#include <cmath>

#include "runtime/layout/grid.h"
#include "runtime/layout/layout.h"
#include "runtime/layout/share.h"
#include "support/layouts.h"
#include "support/measure.h"
#include "support/plain_layout.h"

namespace bristle::test {
namespace {

Item leaf(Px w, Px h) {
  Item item;
  item.place = {{.size = w}, {.size = h}};
  item.what = PanelData{};
  return item;
}

// A container at 100, 50 with what it holds.
struct Holding {
  Project project = emptyProject();
  Screen screen;
  explicit Holding(ContainerData how, std::vector<Item> items, Px w = 0, Px h = 0) {
    Item box;
    box.id = {"c"};
    box.place = {{.offset = 100, .size = w}, {.offset = 50, .size = h}};
    box.what = how;
    screen.items.emplace_back(box);
    for (Item& item : items) {
      item.id = {"i" + std::to_string(screen.items.size())};
      item.parent = box.id;
      screen.items.emplace_back(item);
    }
  }
  std::vector<Box> boxes() const {
    std::vector<Box> out;
    const Layout all = layOut(project, screen, project.displays[0], kMeasure);
    for (const Placed& each : all.items) out.push_back(each.box);
    return out;
  }
};

TEST(Line, WhatTakesTheRestGetsItByItsShare) {
  std::vector<Item> items{leaf(50, 20), leaf(10, 20), leaf(10, 20)};
  items[1].place.x.rest = 1;
  items[2].place.x.rest = 2;
  const auto at = Holding({.flow = Flow::Row, .gap = 10, .padding = 5}, items, 390).boxes();
  EXPECT_EQ(at[1], (Box{105, 55, 50, 20}));
  EXPECT_EQ(at[2], (Box{165, 55, 103 + 1 / 3.0, 20}));
  EXPECT_NEAR(at[3].x + at[3].w, 100 + 390 - 5, 1e-9) << "up to the padding";
}

TEST(Line, ABoundThatIsMetLeavesItsPartToTheOthers) {
  std::vector<Item> items{leaf(1, 20), leaf(1, 20), leaf(1, 20)};
  for (Item& item : items) item.place.x.rest = 1;
  items[0].place.x.most = 40;
  items[2].place.x.least = 200;
  const auto at = Holding({.flow = Flow::Row, .gap = 0}, items, 300).boxes();
  EXPECT_DOUBLE_EQ(at[1].w, 40);
  EXPECT_DOUBLE_EQ(at[2].w, 60);
  EXPECT_DOUBLE_EQ(at[3].w, 200);
}

TEST(Line, WhereBoundsContradictTheLeastCounts) {
  std::vector<Item> items{leaf(100, 20)};
  items[0].place.x.least = 150;
  items[0].place.x.most = 50;
  EXPECT_EQ(Holding({.flow = Flow::Row}, items).boxes()[1].w, 150);
}

TEST(Line, WhatIsLeftOverGoesWhereItIsSaid) {
  const std::vector<Item> items{leaf(50, 20), leaf(50, 20), leaf(50, 20)};
  const auto xs = [&](Along along) {
    const auto at = Holding({.flow = Flow::Row, .gap = 10, .along = along}, items, 370).boxes();
    return std::vector{at[1].x - 100, at[2].x - 100, at[3].x - 100};
  };
  EXPECT_EQ(xs(Along::Start), (std::vector<Px>{0, 60, 120}));
  EXPECT_EQ(xs(Along::Centre), (std::vector<Px>{100, 160, 220}));
  EXPECT_EQ(xs(Along::End), (std::vector<Px>{200, 260, 320}));
  EXPECT_EQ(xs(Along::Spread), (std::vector<Px>{0, 160, 320}));
}

TEST(Line, EqualMeansAsLongAsTheLongestButForWhatHasASize) {
  std::vector<Item> items{leaf(0, 0), leaf(0, 0), leaf(90, 0)};  // a panel is 320 by itself
  items[0].place.x.most = 200;
  const auto at = Holding({.flow = Flow::Row, .equal = true}, items).boxes();
  EXPECT_EQ(at[1].w, 200) << "within its bounds";
  EXPECT_EQ(at[2].w, 320);
  EXPECT_EQ(at[3].w, 90);
}

TEST(Line, ARowThatWrapsGrowsInHeight) {
  const std::vector<Item> items{leaf(60, 20), leaf(60, 35), leaf(60, 10), leaf(200, 15)};
  const auto at =
      Holding({.flow = Flow::Row, .gap = 10, .wraps = true, .lineGap = 7}, items, 140).boxes();
  EXPECT_EQ(at[1], (Box{100, 50, 60, 20}));
  EXPECT_EQ(at[2], (Box{170, 50, 60, 35}));
  EXPECT_EQ(at[3], (Box{100, 50 + 35 + 7, 60, 10}));
  EXPECT_EQ(at[4], (Box{100, 50 + 35 + 7 + 10 + 7, 200, 15})) << "too long for any line";
  EXPECT_EQ(at[0].h, 35 + 7 + 10 + 7 + 15);
}

TEST(Grid, ColumnsAreAsWideAsWhatIsInThem) {
  std::vector<Item> items{leaf(50, 20), leaf(30, 40), leaf(10, 10), leaf(70, 10), leaf(150, 5)};
  items[4].columns = 2;
  const auto at =
      Holding({.flow = Flow::Grid, .gap = 10, .lineGap = 4, .columns = 2}, items).boxes();
  // 50 and 70 wide, and 20 are wanting to the 150 of the last.
  EXPECT_EQ(at[0].w, 150);
  EXPECT_EQ(at[2].x, 100 + 60 + 10);
  EXPECT_EQ(at[3], (Box{100, 50 + 40 + 4, 10, 10}));
  EXPECT_EQ(at[5], (Box{100, 50 + 40 + 4 + 10 + 4, 150, 5}));
}

TEST(Grid, SharedCellsFillTheContainerAndFixedOnesAreAsSaid) {
  const std::vector<Item> items{leaf(50, 20), leaf(30, 40), leaf(10, 10)};
  ContainerData how{.flow = Flow::Grid, .gap = 10, .across = Across::Stretch, .lineGap = 10};
  how.columns = 2;
  how.cells = Cells::Shared;
  auto at = Holding(how, items, 210, 110).boxes();
  EXPECT_EQ(at[1], (Box{100, 50, 100, 50}));
  EXPECT_EQ(at[3], (Box{100, 110, 100, 50}));
  how.cells = Cells::Fixed;
  how.cellWidth = 80;
  how.cellHeight = 30;
  at = Holding(how, items).boxes();
  EXPECT_EQ(at[0], (Box{100, 50, 170, 70}));
  EXPECT_EQ(at[2], (Box{190, 50, 80, 30}));
}

TEST(Grid, WhatTakesSeveralCellsFindsRoomForThem) {
  const std::vector<int> columns{2, 2, 1, 9}, rows{1, 2, 1, 1};
  const auto at = cellsOf(3, columns, rows);
  const auto is = [&](size_t i, int column, int row) {
    return at[i].column == column && at[i].row == row;
  };
  EXPECT_TRUE(is(0, 0, 0));
  EXPECT_TRUE(is(1, 0, 1)) << "one column is left in the first row, and two are wanted";
  EXPECT_TRUE(is(2, 2, 1));
  EXPECT_TRUE(is(3, 0, 3)) << "as wide as the grid at the most, below all that";
}

TEST(Ring, StandsRoundItsMiddle) {
  const std::vector<Item> items(4, leaf(20, 10));
  const auto at = Holding({.flow = Flow::Ring, .radius = 100}, items).boxes();
  EXPECT_EQ(at[0], (Box{100, 50, 220, 210}));
  const auto isAt = [&](size_t i, Px x, Px y) {
    return std::hypot(at[i].x + 10 - x, at[i].y + 5 - y) < 1e-9;
  };
  EXPECT_TRUE(isAt(1, 210, 55)) << "the first is at the top";
  EXPECT_TRUE(isAt(2, 310, 155)) << "and on it goes clockwise";
  EXPECT_TRUE(isAt(3, 210, 255));
  const auto half = Holding({.flow = Flow::Ring, .sweep = 180, .radius = 100}, items).boxes();
  EXPECT_NEAR(half[4].y + 5, 255, 1e-9) << "the last is at the end of the sweep";
}

// Any containers in one another, with any settings.
Item anyContainer(Dice& dice) {
  ContainerData c;
  c.flow = static_cast<Flow>(dice.whole(0, 4));
  c.gap = dice.whole(-2, 20);
  c.lineGap = dice.whole(-2, 20);
  c.padding = dice.whole(0, 12);
  c.across = static_cast<Across>(dice.whole(0, 4));
  c.along = static_cast<Along>(dice.whole(0, 3));
  c.equal = dice.chance(0.3);
  c.wraps = dice.chance(0.4);
  c.columns = dice.whole(1, 4);
  c.cells = static_cast<Cells>(dice.whole(0, 2));
  c.cellWidth = dice.whole(10, 90);
  c.cellHeight = dice.whole(10, 90);
  c.start = dice.whole(-90, 90);
  c.sweep = dice.chance(0.5) ? 360 : dice.whole(-300, 300);
  c.radius = dice.whole(0, 150);
  Item item;
  item.what = c;
  for (AxisPlace* axis : {&item.place.x, &item.place.y})
    if (dice.chance(0.4)) axis->size = dice.whole(50, 500);
  return item;
}

Screen anyScreen(Dice& dice, int items) {
  Screen screen;
  std::vector<ItemId> open;  // containers that what comes next may be in, from the outside in
  for (int i = 0; i < items; ++i) {
    Item item =
        dice.chance(0.35) ? anyContainer(dice) : leaf(dice.whole(1, 120), dice.whole(1, 80));
    item.id = {"i" + std::to_string(i)};
    while (!open.empty() && dice.chance(0.25)) open.pop_back();
    if (!open.empty()) item.parent = open.back();
    item.columns = dice.whole(1, 3);
    item.rows = dice.whole(1, 2);
    for (AxisPlace* axis : {&item.place.x, &item.place.y}) {
      axis->pin = static_cast<Pin>(dice.whole(0, 5));
      axis->fraction = dice.real(0, 1);
      if (dice.chance(0.2)) axis->share = dice.real(0.01, 1);
      axis->offset = dice.whole(-20, 200);
      axis->farOffset = dice.whole(0, 100);
      if (dice.chance(0.3)) axis->rest = dice.whole(1, 3);
      if (dice.chance(0.3)) axis->least = dice.whole(1, 150);
      if (dice.chance(0.3)) axis->most = dice.whole(1, 200);
    }
    if (item.container() && open.size() < 6) open.push_back(item.id);
    screen.items.emplace_back(item);
  }
  return screen;
}

TEST(Containers, AreAsThePlainLayoutHasThem) {
  Project project = emptyProject();
  for (std::uint64_t seed = 1; seed <= 400; ++seed) {
    Dice dice(seed);
    const Screen screen = anyScreen(dice, dice.whole(1, 40));
    project.languages[0].rightToLeft = dice.chance(0.5);
    const Layout layout = layOut(project, screen, project.displays[0], kMeasure);
    const auto plain = plainLayout(screen, layout.width, layout.height, layout.rightToLeft);
    for (size_t i = 0; i < plain.size(); ++i) {
      const Box &a = layout.items[i].box, &b = plain[i];
      ASSERT_NEAR(a.x, b.x, 1e-4) << "seed " << seed << ", item " << i;
      ASSERT_NEAR(a.y, b.y, 1e-4) << "seed " << seed << ", item " << i;
      ASSERT_NEAR(a.w, b.w, 1e-4) << "seed " << seed << ", item " << i;
      ASSERT_NEAR(a.h, b.h, 1e-4) << "seed " << seed << ", item " << i;
    }
  }
}

TEST(Free, HoldsEachWhereItsPinsSay) {
  std::vector<Item> items{leaf(40, 20), leaf(30, 20), leaf(10, 10)};
  items[0].place.x.offset = 200;
  items[1].place.x = {Pin::End, 15, 30};
  items[1].place.y = {Pin::Centre, -25, 20};
  items[2].place.x = {Pin::Both, 5, 10, 7};
  const ContainerData how{.flow = Flow::Free, .padding = 10};
  const auto at = Holding(how, items).boxes();
  EXPECT_EQ(at[0], (Box{100, 50, 260, 90})) << "as large as they need it";
  EXPECT_EQ(at[1], (Box{310, 60, 40, 20}));
  EXPECT_EQ(at[2], (Box{305, 60, 30, 20}));
  EXPECT_EQ(at[3], (Box{115, 60, 228, 10}));
  EXPECT_EQ(Holding(how, items, 400, 100).boxes()[2], (Box{445, 65, 30, 20}));
}

TEST(Containers, WithoutASizeHoldWhatIsInThem) {
  Project project = emptyProject();
  for (std::uint64_t seed = 1; seed <= 200; ++seed) {
    Dice dice(seed);
    Screen screen = anyScreen(dice, 25);
    for (auto& shared : screen.items) {
      Item& item = shared.edit();
      for (AxisPlace* axis : {&item.place.x, &item.place.y}) {
        axis->rest = axis->least = axis->most = axis->share = 0;
        // From a fraction of a size nothing follows for that size.
        if (axis->pin == Pin::Fraction) axis->pin = Pin::Start;
        axis->offset = std::abs(axis->offset);
        if (item.container()) axis->size = 0;
        if (!item.parent && axis->pin == Pin::Both) axis->pin = Pin::Start;
      }
      if (auto* c = item.container()) {
        c->gap = std::abs(c->gap);
        c->lineGap = std::abs(c->lineGap);
        if (c->cells == Cells::Fixed) c->cells = Cells::Content;
      }
    }
    const Layout layout = layOut(project, screen, project.displays[0], kMeasure);
    for (size_t i = 0; i < screen.items.size(); ++i) {
      const ItemId& parent = screen.items[i]->parent;
      if (!parent) continue;
      size_t holder = 0;
      while (screen.items[holder]->id != parent) ++holder;
      const Box &in = layout.items[i].box, &out = layout.items[holder].box;
      const Px padding = screen.items[holder]->container()->padding;
      EXPECT_GE(in.x, out.x + padding - 1e-6) << "seed " << seed;
      EXPECT_GE(in.y, out.y + padding - 1e-6) << "seed " << seed;
      EXPECT_LE(in.x + in.w, out.x + out.w - padding + 1e-6) << "seed " << seed;
      EXPECT_LE(in.y + in.h, out.y + out.h - padding + 1e-6) << "seed " << seed;
    }
  }
}

TEST(Containers, MirroredIsMirrored) {
  Project project = emptyProject();
  for (std::uint64_t seed = 1; seed <= 100; ++seed) {
    Dice dice(seed);
    Screen screen = anyScreen(dice, 25);
    screen.items[0].edit() = anyContainer(dice);
    screen.items[0].edit().id = {"i0"};
    for (size_t i = 1; i < screen.items.size(); ++i)
      if (!screen.items[i]->parent) screen.items[i].edit().parent = {"i0"};
    const Layout left = layOut(project, screen, project.displays[0], kMeasure);
    Project other = project;
    other.languages[0].rightToLeft = true;
    const Layout right = layOut(other, screen, other.displays[0], kMeasure);
    const Box frame = left.items[0].box;
    for (size_t i = 1; i < left.items.size(); ++i) {
      const Box &a = left.items[i].box, &b = right.items[i].box;
      EXPECT_NEAR(a.x - frame.x, frame.x + frame.w - b.x - b.w, 1e-6) << "seed " << seed;
      EXPECT_EQ(a.y, b.y);
      EXPECT_EQ(a.w, b.w);
    }
  }
}

TEST(Containers, ThousandsOfBoundsAreSharedOutAsThePlainWay) {
  Dice dice(3);
  std::vector<Child> children(500);
  for (Child& child : children) {
    child.rest = dice.whole(1, 9);
    child.least = dice.whole(0, 20);
    child.most = dice.chance(0.5) ? dice.whole(1, 60) : 0;
  }
  std::vector<Span> places(children.size());
  for (const Px room : {0.0, 500.0, 5000.0, 10000.0, 1e6}) {
    shareOut(children, room, 0, Along::Start, places);
    double low = 0, high = 1e7;
    const auto sum = [&](double unit) {
      Px out = 0;
      for (const Child& child : children) out += child.within(unit * child.rest);
      return out;
    };
    for (int i = 0; i < 200; ++i) (sum((low + high) / 2) <= room ? low : high) = (low + high) / 2;
    for (size_t i = 0; i < children.size(); ++i)
      EXPECT_NEAR(places[i].size, children[i].within(low * children[i].rest), 1e-5) << room;
  }
}

}  // namespace
}  // namespace bristle::test
