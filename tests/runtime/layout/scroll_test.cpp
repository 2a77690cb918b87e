// Scrollers: what they hold, how far it moves, and what shows an item.
#include "runtime/layout/scroll.h"

#include <gtest/gtest.h>

#include "runtime/document/tree.h"
#include "support/layouts.h"
#include "support/lists.h"
#include "support/measure.h"

namespace bristle {
namespace {

using test::Dice;
using test::List;

Layout layoutOf(const List& l) {
  return layOut(l.project, *l.project.screens[0], l.project.displays[0], kMeasure);
}
const Placed& at(const List& l, const Layout& layout, const std::string& id) {
  return layout.items[*indexOf(*l.project.screens[0], ItemId{id})];
}

TEST(Scroller, IsAsLongAsWhatIsInItWithItsPadding) {
  List l(10);
  const Layout layout = layoutOf(l);
  ASSERT_EQ(layout.scrollers.size(), 1u);
  EXPECT_EQ(layout.scrollers[0].view, 200);
  EXPECT_EQ(layout.scrollers[0].content, 8 + 10 * 40 + 9 * 10 + 8);
  EXPECT_EQ(mostScrolled(layout.scrollers[0]), 506 - 200);
  EXPECT_EQ(layoutOf(List(3)).scrollers[0].content, 200) << "no less than its view";
}

TEST(Scroller, MovesWhatIsInItAndNothingElse) {
  List l(10);
  Layout layout = layoutOf(l);
  const Layout before = layout;
  const std::vector<Px> by{120};
  EXPECT_TRUE(scroll(layout, by));
  EXPECT_FALSE(scroll(layout, by)) << "it lies so already";
  for (size_t i = 0; i < layout.items.size(); ++i) {
    const bool in = layout.items[i].scroller == 0;
    EXPECT_EQ(layout.items[i].box.y, before.items[i].box.y - (in ? 120 : 0));
    EXPECT_EQ(layout.items[i].box.x, before.items[i].box.x);
    EXPECT_EQ(layout.items[i].hit.y - layout.items[i].box.y,
              before.items[i].hit.y - before.items[i].box.y);
  }
  EXPECT_EQ(at(l, layout, "e0").visible.h, 0) << "out of sight";
  // e2 begins at 100 + 8 + 100 − 120, which is 12 px above the view.
  EXPECT_EQ(at(l, layout, "e2").visible.h, 40 - 12);
  const std::vector<Px> far{1e9}, back{-5};
  scroll(layout, far);
  EXPECT_EQ(layout.scrollers[0].offset, 306) << "no farther than to its end";
  EXPECT_EQ(at(l, layout, "e9").box.y + 40, 300 - 8);
  scroll(layout, back);
  for (size_t i = 0; i < layout.items.size(); ++i) {
    EXPECT_EQ(layout.items[i].box, before.items[i].box);
    EXPECT_EQ(layout.items[i].visible, before.items[i].visible);
  }
}

// e0 … e9 begin at 8, 58, 108 … of the content; 200 px of it are seen.
TEST(Scroller, FollowsAsLittleAsItMustOrToTheMiddleOrByAView) {
  const auto offset = [](Follow how, Px now, const char* id) {
    List l(10, Scrolls::Down, how);
    Layout layout = layoutOf(l);
    scroll(layout, std::vector<Px>{now});
    return offsetsToShow(*l.project.screens[0], layout,
                         *indexOf(*l.project.screens[0], ItemId{id}))[0];
  };
  EXPECT_EQ(offset(Follow::Nearest, 0, "e2"), 0) << "seen as it is";
  EXPECT_EQ(offset(Follow::Nearest, 0, "e4"), 208 + 40 + 8 - 200);
  EXPECT_EQ(offset(Follow::Nearest, 306, "e4"), 208 - 8);
  EXPECT_EQ(offset(Follow::Centre, 0, "e4"), 208 + 20 - 100);
  EXPECT_EQ(offset(Follow::Centre, 0, "e0"), 0);
  EXPECT_EQ(offset(Follow::Page, 0, "e4"), 208 - 8) << "it becomes the first of the next view";
  EXPECT_EQ(offset(Follow::Page, 306, "e4"), 208 + 40 + 8 - 200) << "the last of the one before";
  EXPECT_EQ(offset(Follow::Page, 0, "e2"), 0);
  EXPECT_EQ(offset(Follow::Nearest, 0, "above"), 0) << "what is in no scroller moves none";
}

TEST(Scroller, AcrossBeginsAtTheRightWhereOneReadsFromThere) {
  List l(5, Scrolls::Across);
  l.project.languages[0].rightToLeft = true;
  Layout layout = layoutOf(l);
  const Px end = at(l, layout, "list").box.x + 300;
  EXPECT_EQ(at(l, layout, "e0").box.x + 280, end - 8);
  EXPECT_EQ(layout.scrollers[0].content, 8 + 5 * 280 + 4 * 10 + 8);
  scroll(layout, std::vector<Px>{290});
  EXPECT_EQ(at(l, layout, "e1").box.x + 280, end - 8);
}

// Across in down: a shelf of shelves.
TEST(Scroller, InAnotherOneIsMovedByBoth) {
  List l(0);
  std::vector<std::string> shelves;
  auto& items = l.screen().items;
  const Item entry = *items[0];
  const size_t listAt = *indexOf(l.screen(), ItemId{"list"});
  for (int s = 3; s-- > 0;) {
    std::vector<Shared<Item>> shelf;
    Item row;
    row.id = {"row" + std::to_string(s)};
    row.parent = {"list"};
    row.place = {{.offset = 0, .size = 280}, {.offset = 0, .size = 90}};
    row.what = ContainerData{.flow = Flow::Row, .gap = 10, .scrolls = Scrolls::Across};
    shelf.emplace_back(row);
    for (int b = 0; b < 6; ++b) {
      Item one = entry;
      one.id = {"b" + std::to_string(s) + std::to_string(b)};
      one.parent = row.id;
      one.place = {{.size = 100}, {.size = 80}};
      shelf.emplace_back(one);
    }
    items.insert(items.begin() + std::ptrdiff_t(listAt) + 1, shelf.begin(), shelf.end());
  }
  Layout layout = layoutOf(l);
  ASSERT_EQ(layout.scrollers.size(), 4u);
  const Layout before = layout;
  const size_t wanted = *indexOf(*l.project.screens[0], ItemId{"b25"});
  scroll(layout, offsetsToShow(*l.project.screens[0], layout, wanted));
  const Box& is = layout.items[wanted].box;
  EXPECT_EQ(is.x + 100, 208 + 280) << "at the end of its row";
  EXPECT_EQ(at(l, layout, "row2").box.y + 90, 300 - 8);
  EXPECT_TRUE(inView(layout.items[wanted]));
  EXPECT_EQ(at(l, layout, "b00").box.x, at(l, before, "b00").box.x) << "another row stays";
}

// Whatever was scrolled before, an item that is to be shown is: all of it where there is room.
TEST(Scroller, ShowsWhatItIsToShow) {
  for (std::uint64_t seed = 1; seed <= 300; ++seed) {
    Dice dice(seed);
    List l(dice.whole(1, 30), dice.chance(0.5) ? Scrolls::Down : Scrolls::Across,
           static_cast<Follow>(dice.whole(0, 2)));
    l.project.languages[0].rightToLeft = dice.chance(0.5);
    if (dice.chance(0.3)) l.screen().scaling = Scaling::Width;
    l.project.displays.push_back({{"d2"}, "", 1500, 900});
    const Screen& screen = *l.project.screens[0];
    Layout layout = layOut(l.project, screen, l.project.displays[1], kMeasure);
    scroll(layout, std::vector<Px>{dice.real(0, 2000)});
    const size_t item = *indexOf(screen, ItemId{"list"}) + size_t(dice.whole(1, 1));
    scroll(layout, offsetsToShow(screen, layout, item));
    const Box &is = layout.items[item].box, &view = at(l, layout, "list").box;
    EXPECT_GE(is.x, view.x - 1e-9) << "seed " << seed;
    EXPECT_GE(is.y, view.y - 1e-9) << "seed " << seed;
    EXPECT_LE(is.x + is.w, view.x + view.w + 1e-9) << "seed " << seed;
    EXPECT_LE(is.y + is.h, view.y + view.h + 1e-9) << "seed " << seed;
  }
}

}  // namespace
}  // namespace bristle
