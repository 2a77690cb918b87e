#include "core/edit/history.h"

#include <gmock/gmock.h>

#include "core/edit/kind_edits.h"
#include "core/edit/tree_edits.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Dice;
using test::must;

// Any edit that a person could make just now; some of them are refused.
Edit randomEdit(const Project& p, Dice& dice) {
  const auto kind =
      p.kinds.empty() ? KindId{} : p.kinds[size_t(dice.whole(0, int(p.kinds.size()) - 1))]->id;
  const auto screen = p.screens.empty()
                          ? ScreenId{}
                          : p.screens[size_t(dice.whole(0, int(p.screens.size()) - 1))]->id;
  ItemId item, other;
  if (const Screen* s = find(p, screen); s && !s->items.empty()) {
    item = s->items[size_t(dice.whole(0, int(s->items.size()) - 1))]->id;
    other = s->items[size_t(dice.whole(0, int(s->items.size()) - 1))]->id;
  }
  PropKey key;
  if (const Kind* k = find(p, kind)) {
    const auto all = allProperties(*k);
    key = all[size_t(dice.whole(0, int(all.size()) - 1))];
  }
  const Column column = dice.chance(0.4) ? Column{} : Column{StateId{"hover"}};
  const auto dir = static_cast<Dir>(dice.whole(0, 3));
  switch (dice.whole(0, 24)) {
    case 0:
      return addKind("Kind", dice.chance(0.5) ? Wins::Hover : Wins::Focused);
    case 1:
      return renameKind(kind, dice.chance(0.3) ? "" : "Name " + std::to_string(dice.whole(0, 3)));
    case 2:
      return duplicateKind(kind);
    case 3:
      return removeKind(kind);
    case 4:
      return resizeKind(kind, dice.real(-10, 9000), 40);
    case 5:
    case 6:
      return setLook(kind, {column, StateId{"focused"}}, key, dice.real(0, 20));
    case 7:
      return setLook(kind, {column}, key, Fill::solid({1, 2, 3, 4}));
    case 8:
      return clearLook(kind, {column}, key);
    case 9:
      return addPart(kind, PartType::Marker, "Arrow");
    case 10:
      return removePart(kind, key.part);
    case 11:
      return rewire(kind, Wins::Focused);
    case 12:
      return addScreen("Screen");
    case 13:
      return removeScreen(screen);
    case 14:
      return addSeries(screen, kind, {"a", "b"}, Flow::Row, 10, 20);
    case 15:
      return addButton(screen, kind, "c", dice.real(0, 500), 5);
    case 16:
      return removeItems(screen, {item});
    case 17:
      return duplicateItems(screen, {item, other});
    case 18:
      return placeItems(screen, {{item, {{Pin::End, dice.real(0, 9), 0, 0}, {}}}}, "move", "drag");
    case 19:
      return setRoute(screen, item, dir, {RouteType::Pinned, other});
    case 20:
      return gather(screen, {item}, {.x = 1, .y = 2});
    case 21:
      return moveInto(screen, {item}, {other, {}});
    case 22:
      return moveInto(screen, {item}, {{}, other});
    case 23:
      return dissolve(screen, other, {});
    default:
      return reorder(screen, item, dice.chance(0.5) ? 1 : -1);
  }
}

// One that is not compared would be lost: an edit of it alone would leave no step.
TEST(History, EachMemberOfAScreenCounts) {
  const std::function<void(Screen&)> changes[] = {
      [](Screen& s) { s.name = "Other"; },
      [](Screen& s) {
        s.backdrop = Fill::solid({1, 2, 3, 255});
      },
      [](Screen& s) { s.dimBelow = 0.5; },
      [](Screen& s) { s.comes.form = ScreenMotionForm::Fade; },
      [](Screen& s) { s.goes.duration = 77; },
      [](Screen& s) { s.waitUntilShown = true; },
      [](Screen& s) { s.beside = Beside::Leaves; },
      [](Screen& s) { s.passDisabled = false; },
      [](Screen& s) { s.entry = {}; },
      [](Screen& s) {
        s.clusters.push_back({{"g9"}, "Front", {}, {}, {}, {}});
      },
      [](Screen& s) {
        s.guides.push_back({true, 10});
      },
      [](Screen& s) { s.guidesLocked = true; },
      [](Screen& s) { s.items[0].edit().locked = true; }};
  for (const auto& change : changes) {
    History history(test::columnMenu({"a"}));
    must(history, changeScreen(history.now().screens[0]->id, "change", {}, change));
    EXPECT_TRUE(history.canUndo()) << &change - changes;
  }
}

TEST(History, UndoAndRedoOfAnythingComeBackExactly) {
  for (std::uint64_t seed = 0; seed < 30; ++seed) {
    Dice dice(seed);
    History history(emptyProject());
    std::vector<std::string> states{writeProject(history.now())};
    for (int i = 0; i < 60; ++i) {
      const auto change = history.perform(randomEdit(history.now(), dice));
      history.seal();
      if (change && change->any())
        states.push_back(writeProject(history.now()));
      else
        ASSERT_EQ(writeProject(history.now()), states.back())
            << "a refused or idle edit changes nothing";
    }
    for (size_t i = states.size(); i-- > 1;) {
      ASSERT_EQ(writeProject(history.now()), states[i]) << "seed " << seed;
      history.undo();
    }
    EXPECT_FALSE(history.canUndo());
    for (size_t i = 1; i < states.size(); ++i) {
      history.redo();
      ASSERT_EQ(writeProject(history.now()), states[i]) << "seed " << seed;
    }
    EXPECT_FALSE(history.canRedo());
  }
}

TEST(History, WhateverWasDoneTheFileReadsBackTheSame) {
  for (std::uint64_t seed = 100; seed < 120; ++seed) {
    Dice dice(seed);
    History history(emptyProject());
    for (int i = 0; i < 60; ++i) (void)history.perform(randomEdit(history.now(), dice));
    const std::string text = writeProject(history.now());
    const auto read = parseProject(text);
    ASSERT_TRUE(read) << "seed " << seed << ": " << read.error().text();
    EXPECT_EQ(writeProject(read->project), text);
  }
}

struct Drag {
  History history{test::columnMenu({"a"})};
  ScreenId screen = history.now().screens[0]->id;
  ItemId box = history.now().screens[0]->items[0]->id;
  void to(double x) {
    must(history, placeItems(screen, {{box, {{Pin::None, x, 0, 0}, {Pin::None, 100, 0, 0}}}},
                             "move", "drag 1"));
  }
  double x() { return history.now().screens[0]->items[0]->place.x.offset; }
};

TEST(History, ADragIsOneStep) {
  Drag d;
  const std::string before = d.history.undoName();
  for (double x : {110.0, 120.0, 150.0}) d.to(x);
  EXPECT_EQ(d.history.undoName(), "move");
  d.history.undo();
  EXPECT_EQ(d.x(), 100);
  EXPECT_EQ(d.history.undoName(), before);
  d.history.redo();
  EXPECT_EQ(d.x(), 150);
}

TEST(History, ADragThatEndsWhereItBeganLeavesNoStep) {
  Drag d;
  d.history.markSaved();
  d.to(130);
  EXPECT_FALSE(d.history.saved());
  d.to(100);
  EXPECT_NE(d.history.undoName(), "move");
  EXPECT_TRUE(d.history.saved());
}

TEST(History, ASealEndsTheDrag) {
  Drag d;
  d.to(110);
  d.history.seal();
  d.to(120);
  d.history.undo();
  EXPECT_EQ(d.x(), 110);
}

TEST(History, KnowsWhatIsSavedThroughUndoAndRedo) {
  Drag d;
  d.history.markSaved();
  d.to(110);
  d.history.seal();
  EXPECT_FALSE(d.history.saved());
  d.history.undo();
  EXPECT_TRUE(d.history.saved());
  d.to(111);
  d.history.undo();
  EXPECT_TRUE(d.history.saved());
}

TEST(History, ANewEditForgetsWhatWasUndone) {
  Drag d;
  d.to(110);
  d.history.undo();
  must(d.history, addScreen("x"));
  EXPECT_FALSE(d.history.canRedo());
}

TEST(History, SharesWhatDidNotChange) {
  Drag d;
  const Project before = d.history.now();
  d.to(110);
  EXPECT_TRUE(before.kinds[0].same(d.history.now().kinds[0]));
  EXPECT_FALSE(before.screens[0].same(d.history.now().screens[0]));
  EXPECT_TRUE(before.screens[0]->items[1].same(d.history.now().screens[0]->items[1]));
  const Change change = changeBetween(before, d.history.now());
  EXPECT_TRUE(change.screens);
  EXPECT_FALSE(change.kinds || change.machines || change.settings);
}

}  // namespace
}  // namespace bristle
