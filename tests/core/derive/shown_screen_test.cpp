// What layouts, routes and pictures rest on: random edits, each held against making all anew.
#include "core/derive/shown_screen.h"

#include <gmock/gmock.h>

#include <random>

#include "core/edit/language_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/tree_edits.h"
#include "runtime/document/tree.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::Optional;

// Two kinds with machines of their own; the first screen uses the first only.
struct Two {
  History history{test::columnMenu({"a", "b", "c"})};
  Two() {
    test::must(history, addKind("Other", Wins::Hover));
    test::must(history, addScreen("Second"));
    test::must(history, addButton(history.now().screens[1]->id, kind(1), "d", 10, 10));
  }
  KindId kind(size_t i) const { return history.now().kinds[i]->id; }
  ShownScreen shown(size_t screen = 0) const {
    const Project& p = history.now();
    return {p, p.screens[screen]->id, p.displays[0]};
  }
  Layout layout(const ShownScreen& s) const {
    return layOut(s.project, *s.find(), s.showing, PlainMeasure());
  }
};

TEST(ShownScreens, AnEditOfAKindTouchesOnlyTheScreensThatUseIt) {
  Two t;
  const ShownScreen first = t.shown(0), second = t.shown(1);
  test::must(t.history, changeKind(t.kind(1), "wider", {}, [](Kind& k) { k.width += 50; }));
  EXPECT_TRUE(sameLayout(first, t.shown(0)));
  EXPECT_TRUE(samePicture(first, t.shown(0)));
  EXPECT_FALSE(sameLayout(second, t.shown(1)));
  const MachineId machine = t.history.now().kinds[1]->machine;
  const ShownScreen before = t.shown(1);
  test::must(t.history, changeMachine(machine, "hold", {}, [](Machine& m) { m.hold += 10; }));
  EXPECT_TRUE(sameLayout(before, t.shown(1))) << "no machine moves a button";
  EXPECT_FALSE(samePicture(before, t.shown(1)));
  EXPECT_TRUE(samePicture(first, t.shown(0)));
}

TEST(ShownScreens, DisplaysLanguagesAndNamedValuesCount) {
  Two t;
  const ShownScreen before = t.shown();
  ShownScreen other = before;
  other.showing.display.width += 1;
  EXPECT_FALSE(sameLayout(before, other));
  other = before;
  other.screen = t.history.now().screens[1]->id;
  EXPECT_FALSE(sameLayout(before, other));
  test::must(t.history, addNamed(NamedType::Length, "gap", 3.0));
  EXPECT_FALSE(sameLayout(before, t.shown()));
  const ShownScreen named = t.shown();
  test::must(t.history, addLanguage("ar", ""));
  EXPECT_FALSE(sameLayout(named, t.shown()));
}

// A plain second opinion: which boxes and items differ.
std::vector<size_t> reallyChanged(const ShownScreen& a, const Layout& x, const ShownScreen& b,
                                  const Layout& y) {
  std::vector<size_t> out;
  for (size_t i = 0; i < x.items.size(); ++i)
    if (!(*a.find()->items[i] == *b.find()->items[i]) || !(x.items[i].box == y.items[i].box))
      out.push_back(i);
  return out;
}

TEST(ShownScreens, RandomEditsNeverLeaveSomethingOldStanding) {
  for (unsigned seed = 1; seed <= 30; ++seed) {
    Two t;
    std::mt19937 random(seed);
    ShownScreen before = t.shown();
    Layout old = t.layout(before);
    for (int step = 0; step < 40; ++step) {
      const ScreenId screen = before.screen;
      const auto& items = before.find()->items;
      const ItemId item = items[random() % items.size()]->id;
      const double by = 1 + random() % 40;
      switch (random() % 8) {
        case 0:
          test::must(t.history, changeItems(screen, {item}, "m", {},
                                            [&](Item& i) { i.place.x.offset += by; }));
          break;
        case 1:
          test::must(t.history,
                     changeItems(screen, {item}, "h", {}, [&](Item& i) { i.hidden = !i.hidden; }));
          break;
        case 2:
          test::must(t.history, changeKind(t.kind(random() % 2), "k", {},
                                           [&](Kind& k) { k.height = 20 + by; }));
          break;
        case 3:
          test::must(t.history, addButton(screen, t.kind(random() % 2), "x", by, by));
          break;
        case 4:
          test::must(t.history, reorder(screen, item, random() % 2 ? 1 : -1));
          break;
        case 5:
          test::must(t.history, changeItems(screen, {item}, "c", {}, [&](Item& i) {
                       if (i.button()) i.button()->caption = std::to_string(by);
                       if (i.container()) i.container()->clips = !i.container()->clips;
                     }));
          break;
        case 6:
          test::must(t.history,
                     changeScreen(screen, "b", {}, [&](Screen& s) { s.dimBelow = by / 100; }));
          break;
        default:
          if (t.history.canUndo()) t.history.undo();
      }
      const ShownScreen now = t.shown();
      const Layout fresh = t.layout(now);
      if (sameLayout(before, now)) {
        ASSERT_EQ(old.items.size(), fresh.items.size());
        for (size_t i = 0; i < fresh.items.size(); ++i)
          ASSERT_EQ(old.items[i].box, fresh.items[i].box) << "seed " << seed;
      }
      if (const auto changed = changedItems(before, old, now, fresh)) {
        for (size_t i : reallyChanged(before, old, now, fresh))
          ASSERT_THAT(*changed, testing::Contains(i)) << "seed " << seed;
        ASSERT_EQ(before.find()->dimBelow, now.find()->dimBelow);
      }
      before = now;
      old = fresh;
    }
  }
}

TEST(ShownScreens, OneThatIsMovedIsTheOnlyOneThatChanges) {
  Two t;
  test::must(t.history, addButton(t.shown().screen, t.kind(0), "free", 700, 10));
  const ShownScreen before = t.shown();
  test::must(t.history, changeItems(before.screen, {test::buttons(t.history.now())[3]}, "move", {},
                                    [](Item& i) { i.place.x.offset += 5; }));
  EXPECT_THAT(changedItems(before, t.layout(before), t.shown(), t.layout(t.shown())),
              Optional(ElementsAre(4U)));
}

}  // namespace
}  // namespace bristle
