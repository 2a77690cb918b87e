#include <gmock/gmock.h>

#include <set>

#include "core/edit/kind_edits.h"
#include "core/edit/tree_edits.h"
#include "core/findings/check.h"
#include "support/menus.h"
#include "support/wrong.h"

namespace bristle {
namespace {

using test::must;
using testing::HasSubstr;
using testing::IsEmpty;

struct Desk {
  History history{test::fullProject()};
  ScreenId first = history.now().screens[0]->id;
  std::vector<ItemId> ids = test::buttons(history.now());
  const Screen& screen() { return *history.now().screens[0]; }
  const ButtonData& button(size_t i) { return *findItem(screen(), ids[i])->button(); }
  KindId kind = history.now().kinds[0]->id;
};

TEST(Edits, RenamingNeverBreaksAReference) {
  Desk d;
  const auto before = check(d.history.now()).size();
  must(d.history, renameKind(d.kind, "Another name"));
  must(d.history, renameScreen(d.history.now().screens[1]->id, "Elsewhere"));
  must(d.history, changeItems(d.first, d.ids, "rename", {}, [](Item& i) { i.name = "same"; }));
  EXPECT_EQ(check(d.history.now()).size(), before);
}

TEST(Edits, NamesOfKindsAndScreensStayUniqueAndNotEmpty) {
  Desk d;
  must(d.history, addScreen("Second"));
  EXPECT_EQ(d.history.now().screens[2]->name, "Second 2");
  EXPECT_FALSE(d.history.perform(renameScreen(d.first, "Second")));
  EXPECT_FALSE(d.history.perform(renameScreen(d.first, "")));
  must(d.history, duplicateKind(d.kind));
  EXPECT_NE(d.history.now().kinds[0]->name, d.history.now().kinds[1]->name);
}

TEST(Edits, RemovingAButtonFreesWhatPointedToIt) {
  Desk d;
  must(d.history, setEntry(d.first, d.ids[2]));
  EXPECT_EQ(d.button(0).routes[Dir::Up].target, d.ids[2]);
  must(d.history, removeItems(d.first, {d.ids[2]}));
  EXPECT_EQ(d.button(0).routes[Dir::Up].type, RouteType::Solved);
  EXPECT_FALSE(d.screen().entry);
}

TEST(Edits, RemovingAContainerTakesItsContents) {
  Desk d;
  must(d.history, removeItems(d.first, {d.screen().items[0]->id}));
  EXPECT_THAT(test::buttons(d.history.now()), IsEmpty());
}

TEST(Edits, DuplicatesPointAmongThemselves) {
  Desk d;
  must(d.history, duplicateItems(d.first, {d.ids[0], d.ids[2]}));
  const auto ids = test::buttons(d.history.now());
  ASSERT_EQ(ids.size(), 5U);
  EXPECT_EQ(findItem(d.screen(), ids[3])->button()->routes[Dir::Up].target, ids[4]);
  EXPECT_EQ(std::set(ids.begin(), ids.end()).size(), 5U);
}

TEST(Edits, AKindInUseIsNotRemoved) {
  Desk d;
  const auto refused = d.history.perform(removeKind(d.kind));
  ASSERT_FALSE(refused);
  EXPECT_THAT(refused.error().text(), HasSubstr("is used on"));
  must(d.history, duplicateKind(d.kind));
  const KindId copy = d.history.now().kinds[1]->id;
  must(d.history, removeKind(copy));
  EXPECT_EQ(d.history.now().machines.size(), 1U) << "the machine is still used by the other kind";
}

TEST(Edits, AnEditGoesToAllColumnsNamedAndClearsBackToTheBase) {
  Desk d;
  const PropKey size{d.history.now().kinds[0]->parts[2].id, Prop::Size};
  must(d.history, setLook(d.kind, {Column{}, StateId{"hover"}, StateId{"pressed"}}, size, 40.0));
  const auto value = [&](const char* state) {
    return std::get<double>(valueIn(*d.history.now().kinds[0], {state}, size));
  };
  EXPECT_EQ(value("normal"), 40);
  EXPECT_EQ(value("hover"), 40);
  must(d.history, setLook(d.kind, {Column{}}, size, 30.0));
  EXPECT_EQ(value("normal"), 30);
  EXPECT_EQ(value("hover"), 40) << "a departure stays one";
  must(d.history, clearLook(d.kind, {StateId{"hover"}}, size));
  EXPECT_EQ(value("hover"), 30);
}

TEST(Edits, ValuesOfTheWrongSortOrRangeAreRefusedWithWhatWasExpected) {
  Desk d;
  const PartId plate = d.history.now().kinds[0]->parts[0].id;
  const auto wrongType = d.history.perform(setLook(d.kind, {Column{}}, {plate, Prop::Fill}, 3.0));
  ASSERT_FALSE(wrongType);
  const auto tooLarge = d.history.perform(setLook(d.kind, {Column{}}, {{}, Prop::Opacity}, 1.5));
  ASSERT_FALSE(tooLarge);
  EXPECT_THAT(tooLarge.error().text(), HasSubstr("from 0 to 1"));
  EXPECT_FALSE(d.history.perform(setLook(d.kind, {Column{}}, {{"gone"}, Prop::Fill}, Fill{})));
}

TEST(Edits, RemovingAPartTakesItsValuesFromAllStates) {
  Desk d;
  const PartId ring = d.history.now().kinds[0]->parts[1].id;
  must(d.history, removePart(d.kind, ring));
  const Kind& kind = *d.history.now().kinds[0];
  for (const auto& entry : kind.base) EXPECT_NE(entry.first.part, ring);
  for (const auto& state : kind.departures) {
    EXPECT_FALSE(state.second.empty());
    for (const auto& entry : state.second) EXPECT_NE(entry.first.part, ring);
  }
}

TEST(Edits, ReorderSwapsWithTheNextInTheSameContainer) {
  Desk d;
  must(d.history, reorder(d.first, d.ids[0], 1));
  EXPECT_EQ(test::buttons(d.history.now())[1], d.ids[0]);
  must(d.history, reorder(d.first, d.ids[0], -1));
  EXPECT_EQ(test::buttons(d.history.now())[0], d.ids[0]);
}

TEST(Edits, PanelsGoBehindButtons) {
  Desk d;
  Item panel;
  panel.what = PanelData{};
  must(d.history, addItem(d.first, "add panel", panel));
  EXPECT_FALSE(d.screen().items[0]->button() || d.screen().items[0]->container());
}

TEST(Edits, TheFirstScreenOpensTheMenuAndItsFirstButtonTakesFocus) {
  const Project p = test::columnMenu({"a", "b"});
  EXPECT_EQ(p.first, p.screens[0]->id);
  EXPECT_EQ(p.screens[0]->entry, test::buttons(p)[0]);
  const Project q = test::after(p, removeScreen(p.first));
  EXPECT_FALSE(q.first);
}

TEST(Check, TellsEachSortOfBrokenReference) {
  Project p = test::fullProject();
  Screen& screen = *edit(p, p.screens[0]->id);
  const auto ids = test::buttons(p);
  edit(screen, ids[0])->button()->kind = {"gone"};
  edit(screen, ids[1])->button()->actions = {{ActionType::Open, {"nowhere"}, {}}};
  edit(screen, ids[2])->button()->routes[Dir::Up] = {RouteType::Pinned, ItemId{"nobody"}};
  edit(screen, ids[2])->button()->caption = {};
  screen.entry = {"noone"};
  edit(p, p.kinds[0]->id)->departures[StateId{"asleep"}];
  edit(p, p.machines[0]->id)->transitions[0].to = {"limbo"};
  std::string all;
  for (const Finding& f : check(p)) all += f.place + ": " + f.reason + "\n";
  for (const char* id :
       {"gone", "nowhere", "nobody", "asleep", "limbo", "focus starts on", "accessible name"})
    EXPECT_THAT(all, HasSubstr(id));
}

TEST(Check, TellsWhatHasNoStartAndWhatCannotBeReached) {
  Project p = test::columnMenu({"a", "b"});
  Screen& screen = *edit(p, p.screens[0]->id);
  const auto ids = test::buttons(p);
  edit(screen, ids[0])->button()->routes[Dir::Down] = {RouteType::Closed, {}};
  edit(screen, ids[1])->button()->routes[Dir::Up] = {RouteType::Closed, {}};
  ASSERT_EQ(test::wrongWith(p).size(), 1U);
  EXPECT_EQ(test::wrongWith(p)[0].rule, "reach");
  screen.entry = {};
  EXPECT_EQ(test::wrongWith(p)[0].rule, "focus start");
}

}  // namespace
}  // namespace bristle
