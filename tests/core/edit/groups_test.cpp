// Groups that are placed many times: what is changed in one copy changes in all, but for what each
// has of its own.
#include <gtest/gtest.h>

#include "core/edit/clip_edits.h"
#include "core/edit/group_edits.h"
#include "core/edit/screen_edits.h"
#include "runtime/document/tree.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Dice;
using test::must;

// A stepper (a row of “less” and “more”) made reusable, and a second copy of it.
struct Steppers {
  History history{test::columnMenu({"less", "more"})};
  ScreenId screen = history.now().screens[0]->id;
  ItemId first = history.now().screens[0]->items[0]->id, second;
  GroupId group;
  Steppers() {
    must(history, makeGroup(screen, first, "Stepper"));
    group = history.now().groups.at(0)->id;
    second = place();
  }
  ItemId place() {
    must(history, placeGroup(screen, group, {}, 500, 40));
    for (const auto& item : on().items)
      if (!item->parent && item->id != first && item->id != second) return item->id;
    return {};
  }
  const Screen& on() const { return *find(history.now(), screen); }
  // What is in a copy, from the container on.
  std::vector<Item> in(const ItemId& copy) const {
    const size_t at = *indexOf(on(), copy);
    std::vector<Item> out;
    for (size_t i = at; i < nestingOf(on())[at].end; ++i) out.push_back(*on().items[i]);
    return out;
  }
  std::vector<std::string> captions(const ItemId& copy) const {
    std::vector<std::string> out;
    for (const Item& item : in(copy))
      if (item.button()) out.push_back(item.button()->caption.base);
    return out;
  }
  void change(const ItemId& item, std::function<void(Item&)> how) {
    must(history, changeItems(screen, {item}, "change", {}, std::move(how)));
  }
};
using Words = std::vector<std::string>;

TEST(Groups, ACopyIsMadeOfItemsWithIdsOfTheirOwn) {
  Steppers s;
  EXPECT_EQ(s.captions(s.first), (Words{"less", "more"}));
  EXPECT_EQ(s.captions(s.second), (Words{"less", "more"}));
  EXPECT_EQ(s.in(s.second)[0].place.x.offset, 500);
  EXPECT_NE(s.in(s.first)[1].id, s.in(s.second)[1].id);
  EXPECT_EQ(s.in(s.first)[1].origin, s.in(s.second)[1].origin);
}

TEST(Groups, WhatIsChangedInOneCopyChangesInAll) {
  Steppers s;
  s.change(s.second, [](Item& i) { i.container()->gap = 3; });
  s.change(s.in(s.second)[1].id, [](Item& i) { i.place.x.size = 77; });
  EXPECT_EQ(s.in(s.first)[0].container()->gap, 3);
  EXPECT_EQ(s.in(s.first)[1].place.x.size, 77);
  EXPECT_EQ(s.history.now().groups[0]->holds.items[1]->place.x.size, 77);
  s.history.undo();
  EXPECT_EQ(s.in(s.first)[1].place.x.size, 0) << "one step for both";
  EXPECT_EQ(s.in(s.second)[1].place.x.size, 0);
}

TEST(Groups, WhereACopyLiesAndWhatIsItsOwnStaysWithIt) {
  Steppers s;
  s.change(s.second, [](Item& i) {
    i.place.x.offset = 900;
    i.name = "Volume";
    i.hidden = true;
  });
  s.change(s.in(s.second)[1].id, [](Item& i) {
    i.button()->caption = "quieter";
    i.button()->actions = {{ActionType::Message, {}, "volume.less"}};
    i.button()->answers.cancel = true;
    i.button()->routes[Dir::Left] = {RouteType::Closed, {}};
  });
  EXPECT_EQ(s.captions(s.first), (Words{"less", "more"}));
  EXPECT_EQ(s.in(s.first)[0].place.x.offset, 100);
  EXPECT_FALSE(s.in(s.first)[0].hidden);
  EXPECT_TRUE(s.in(s.first)[1].button()->actions.empty());
  EXPECT_FALSE(s.in(s.first)[1].button()->answers.any());
  // Another change of the group leaves it so.
  s.change(s.in(s.first)[1].id, [](Item& i) { i.place.y.size = 30; });
  EXPECT_EQ(s.captions(s.second), (Words{"quieter", "more"}));
  EXPECT_TRUE(s.in(s.second)[1].button()->answers.cancel);
  EXPECT_EQ(s.in(s.second)[1].button()->routes[Dir::Left].type, RouteType::Closed);
  EXPECT_EQ(s.in(s.second)[1].place.y.size, 30);
}

TEST(Groups, WhatIsNotTheCopysOwnIsTheGroups) {
  Steppers s;
  must(s.history, changeGroup(s.group, "own", [](Group& g) { g.ownCaptions = false; }));
  s.change(s.in(s.second)[2].id, [](Item& i) { i.button()->caption = "louder"; });
  EXPECT_EQ(s.captions(s.first), (Words{"less", "louder"}));
}

TEST(Groups, PartsComeAndGoInAllCopies) {
  Steppers s;
  const KindId kind = s.history.now().kinds[0]->id;
  must(s.history, addButtons(s.screen, {kind}, {s.second, {}}));
  EXPECT_EQ(s.in(s.first).size(), 4u);
  s.change(s.in(s.second)[3].id, [](Item& i) { i.place.x.size = 5; });
  EXPECT_EQ(s.in(s.first)[3].place.x.size, 5);
  must(s.history, removeItems(s.screen, {s.in(s.first)[1].id}));
  EXPECT_EQ(s.captions(s.second)[0], "more");
  EXPECT_EQ(s.in(s.second).size(), 3u);
  // Order, too.
  must(s.history, reorder(s.screen, s.in(s.second)[1].id, 1));
  EXPECT_EQ(s.captions(s.first)[1], "more");
  // What leaves a copy leaves the group, and is then like all others.
  const ItemId left = s.in(s.second)[1].id;
  must(s.history, moveInto(s.screen, {left}, {}));
  EXPECT_EQ(s.in(s.first).size(), 2u);
  EXPECT_FALSE(findItem(s.on(), left)->origin);
}

TEST(Groups, RoutesAmongThePartsOfACopyLeadToItsOwn) {
  Steppers s;
  must(s.history, changeGroup(s.group, "own", [](Group& g) { g.ownExits = false; }));
  must(s.history,
       setRoute(s.screen, s.in(s.first)[1].id, Dir::Up, {RouteType::Pinned, s.in(s.first)[2].id}));
  EXPECT_EQ(s.in(s.second)[1].button()->routes[Dir::Up].target.item.alone(), s.in(s.second)[2].id);
  const ItemId third = s.place();
  EXPECT_EQ(s.in(third)[1].button()->routes[Dir::Up].target.item.alone(), s.in(third)[2].id);
}

TEST(Groups, ACopyThatIsLetGoNoLongerChangesAndOnesOfAGroupThatIsGoneStay) {
  Steppers s;
  must(s.history, letGo(s.screen, s.second));
  s.change(s.in(s.first)[1].id, [](Item& i) { i.place.x.size = 9; });
  EXPECT_EQ(s.in(s.second)[1].place.x.size, 0);
  EXPECT_FALSE(s.in(s.second)[1].origin);
  must(s.history, removeGroup(s.group));
  EXPECT_EQ(s.captions(s.first), (Words{"less", "more"}));
  EXPECT_FALSE(s.in(s.first)[0].container()->group);
  EXPECT_FALSE(s.in(s.first)[1].origin);
}

TEST(Groups, ACopyThatIsDuplicatedOrPastedIsOneMore) {
  Steppers s;
  must(s.history, duplicateItems(s.screen, {s.second}));
  const Project& p = s.history.now();
  const auto clip = Shared<Project>(clipOf(p, s.on(), {s.first}, {}));
  s.change(s.in(s.first)[1].id, [](Item& i) { i.place.x.size = 44; });
  // What is pasted was taken before that: it comes up to date, and takes nothing back.
  must(s.history, pasteClip(clip, s.screen, {}, 10, 10));
  int copies = 0;
  for (const auto& item : s.on().items)
    if (item->container() && item->container()->group == s.group) {
      ++copies;
      EXPECT_EQ(s.in(item->id)[1].place.x.size, 44);
    }
  EXPECT_EQ(copies, 4);
}

TEST(Groups, OneNeverHoldsItself) {
  Steppers s;
  const auto inItself = s.history.perform(placeGroup(s.screen, s.group, {s.first, {}}, 0, 0));
  ASSERT_FALSE(inItself);
  EXPECT_NE(inItself.error().text().find("itself"), std::string::npos) << inItself.error().text();
  // By way of another one, and by being moved in the tree.
  must(s.history, gather(s.screen, {s.second}, {.flow = Flow::Row}));
  must(s.history, makeGroup(s.screen, findItem(s.on(), s.second)->parent, "Panel"));
  const ItemId panel = findItem(s.on(), s.second)->parent;
  EXPECT_FALSE(s.history.perform(moveInto(s.screen, {panel}, {s.first, {}})));
}

TEST(Groups, InOneAnotherStayAlikeAtEachDepth) {
  Steppers s;
  must(s.history, gather(s.screen, {s.second}, {.flow = Flow::Column}));
  const ItemId panel = findItem(s.on(), s.second)->parent;
  must(s.history, makeGroup(s.screen, panel, "Panel"));
  const GroupId outer = s.history.now().groups[1]->id;
  must(s.history, placeGroup(s.screen, outer, {}, 900, 500));
  ItemId other;
  for (const auto& item : s.on().items)
    if (item->container() && item->container()->group == outer && item->id != panel)
      other = item->id;
  ASSERT_EQ(s.in(other).size(), 4u);
  // In the stepper itself: it reaches the ones in both panels.
  s.change(s.in(s.first)[1].id, [](Item& i) { i.place.x.size = 21; });
  EXPECT_EQ(s.in(panel)[2].place.x.size, 21);
  EXPECT_EQ(s.in(other)[2].place.x.size, 21);
  // In a stepper inside of a panel: it reaches all.
  s.change(s.in(other)[3].id, [](Item& i) { i.place.x.size = 22; });
  EXPECT_EQ(s.in(panel)[3].place.x.size, 22);
  EXPECT_EQ(s.in(s.first)[2].place.x.size, 22);
  EXPECT_EQ(s.history.now().groups[0]->holds.items[2]->place.x.size, 22);
}

TEST(Groups, AreInTheFile) {
  Steppers s;
  must(s.history, changeGroup(s.group, "own", [](Group& g) { g.ownTargets = false; }));
  const std::string text = writeProject(s.history.now());
  const auto read = parseProject(text);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_TRUE(equal(read->project, s.history.now()));
  EXPECT_EQ(writeProject(read->project), text);
}

// After any edits whatever, each copy is its group but for what is its own.
TEST(Groups, StayAlikeWhateverIsDone) {
  for (std::uint64_t seed = 1; seed <= 60; ++seed) {
    Dice dice(seed);
    Steppers s;
    for (int step = 0; step < 25; ++step) {
      std::vector<ItemId> all, copies;
      for (const auto& item : s.on().items) {
        all.push_back(item->id);
        if (item->container() && item->container()->group) copies.push_back(item->id);
      }
      if (all.empty()) break;
      const ItemId item = all[size_t(dice.whole(0, int(all.size()) - 1))];
      const ItemId other = all[size_t(dice.whole(0, int(all.size()) - 1))];
      const KindId kind = s.history.now().kinds[0]->id;
      switch (dice.whole(0, 7)) {
        case 0:
          (void)s.history.perform(removeItems(s.screen, {item}));
          break;
        case 1:
          (void)s.history.perform(duplicateItems(s.screen, {item}));
          break;
        case 2:
          (void)s.history.perform(moveInto(s.screen, {item}, {other, {}}));
          break;
        case 3:
          (void)s.history.perform(addButtons(s.screen, {kind}, {other, {}}));
          break;
        case 4:
          (void)s.history.perform(placeGroup(s.screen, s.group, {}, 1, 2));
          break;
        case 5:
          (void)s.history.perform(reorder(s.screen, item, 1));
          break;
        case 6:
          (void)s.history.perform(gather(s.screen, {item, other}, {.flow = Flow::Row}));
          break;
        default:
          (void)s.history.perform(changeItems(s.screen, {item}, "size", {}, [&](Item& i) {
            i.place.x.size = dice.whole(1, 300);
            i.place.y.rest = dice.whole(0, 2);
          }));
      }
      const Group& group = *s.history.now().groups[0];
      for (const auto& copy : s.on().items) {
        if (!copy->container() || copy->container()->group != s.group) continue;
        const auto is = s.in(copy->id);
        ASSERT_EQ(is.size(), group.holds.items.size()) << "seed " << seed << ", step " << step;
        for (size_t i = 1; i < is.size(); ++i) {
          EXPECT_EQ(is[i].origin, group.holds.items[i]->id) << "seed " << seed;
          EXPECT_EQ(is[i].place, group.holds.items[i]->place) << "seed " << seed;
        }
      }
    }
  }
}

struct Bars {
  History history{test::columnMenu({"any"})};
  ScreenId screen = history.now().screens[0]->id;
  ItemId bar;
  Bars() {
    must(history, addScreen("Plants"));
    must(history, addScreen("Map"));
    must(history, gatherEmpty());
    bar = history.now().screens[0]->items.back()->id;
    must(history, makeBar(screen, bar, ids(), history.now().kinds[0]->id));
  }
  Edit gatherEmpty() {
    return addItem(screen, "row", [] {
      Item item;
      item.what = ContainerData{.flow = Flow::Row};
      return item;
    }());
  }
  std::vector<ScreenId> ids() const {
    std::vector<ScreenId> out;
    for (const auto& each : history.now().screens) out.push_back(each->id);
    return out;
  }
  Words captions() const {
    Words out;
    for (const auto& item : find(history.now(), screen)->items)
      if (item->parent == bar) out.push_back(displayName(*item));
    return out;
  }
};

TEST(Bars, HaveAButtonForEachScreenThatOpensIt) {
  Bars b;
  ASSERT_EQ(b.captions().size(), 3u);
  EXPECT_EQ(b.captions()[1], "Plants");
  for (const auto& item : find(b.history.now(), b.screen)->items)
    if (item->parent == b.bar) {
      EXPECT_EQ(item->button()->actions.at(0).type, ActionType::Open);
    }
}

TEST(Bars, KeepInStepWithTheirListAndTheScreens) {
  Bars b;
  const ListId list = b.history.now().lists[0].id;
  const auto screens = b.ids();
  must(b.history, renameScreen(screens[1], "Our plants"));
  EXPECT_EQ(b.captions()[1], "Our plants");
  must(b.history, changeList(list, "order", [&](ScreenList& l) {
         l.screens = {screens[2], screens[1]};
       }));
  EXPECT_EQ(b.captions(), (Words{"Map", "Our plants"}));
  must(b.history, removeScreen(screens[2]));
  EXPECT_EQ(b.captions(), (Words{"Our plants"}));
  EXPECT_EQ(b.history.now().lists[0].screens.size(), 1u);
  b.history.undo();
  EXPECT_EQ(b.captions(), (Words{"Map", "Our plants"}));
}

TEST(Bars, LeaveWhatAPersonWroteAndWhatLeadsNowhere) {
  Bars b;
  const auto screens = b.ids();
  ItemId plants;
  for (const auto& item : find(b.history.now(), b.screen)->items)
    if (item->button() && opens(item->button()->actions) == screens[1]) plants = item->id;
  must(b.history, changeItems(b.screen, {plants}, "caption", {},
                              [](Item& i) { i.button()->caption = "All that grows"; }));
  must(b.history, addButtons(b.screen, {b.history.now().kinds[0]->id}, {b.bar, {}}));
  must(b.history, renameScreen(screens[1], "Our plants"));
  ASSERT_EQ(b.captions().size(), 4u);
  EXPECT_EQ(b.captions()[1], "All that grows");
  must(b.history, changeList(b.history.now().lists[0].id, "fewer",
                             [&](ScreenList& l) { l.screens = {screens[1]}; }));
  EXPECT_EQ(b.captions().size(), 2u) << "the one that leads nowhere yet stays";
}

TEST(Bars, AreInTheFileAndFollowNoListThatIsGone) {
  Bars b;
  const std::string text = writeProject(b.history.now());
  const auto read = parseProject(text);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_TRUE(equal(read->project, b.history.now()));
  must(b.history, followList(b.screen, b.bar, {}, {}));
  EXPECT_EQ(b.captions().size(), 3u);
}

}  // namespace
}  // namespace bristle
