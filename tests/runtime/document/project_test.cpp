#include "runtime/document/project.h"

#include <gmock/gmock.h>

#include "support/menus.h"

namespace bristle {
namespace {

TEST(Shared, IsCopiedOnlyWhenSomebodyElseHoldsIt) {
  Shared<Screen> mine;
  const Screen* alone = &*mine;
  mine.edit().name = "a";
  EXPECT_EQ(&*mine, alone);
  const Shared<Screen> theirs = mine;
  EXPECT_TRUE(mine.same(theirs));
  mine.edit().name = "b";
  EXPECT_FALSE(mine.same(theirs));
  EXPECT_EQ(theirs->name, "a");
}

TEST(Project, ACopyIsAValueOfItsOwn) {
  const Project before = test::fullProject();
  Project after = before;
  edit(*edit(after, after.screens[0]->id), test::buttons(after)[0])->button()->caption = "Changed";
  edit(after, after.kinds[0]->id)->name = "Changed";
  EXPECT_EQ(findItem(*before.screens[0], test::buttons(before)[0])->button()->caption.base, "One");
  EXPECT_NE(before.kinds[0]->name, "Changed");
  EXPECT_TRUE(before.screens[1].same(after.screens[1])) << "what did not change is shared";
}

TEST(Project, EqualSeesEveryDifference) {
  const Project a = test::fullProject();
  const auto differs = [&](auto change) {
    Project b = a;
    change(b);
    return !equal(a, b);
  };
  EXPECT_TRUE(equal(a, test::fullProject()));
  EXPECT_TRUE(differs([](Project& p) { p.name += "x"; }));
  EXPECT_TRUE(differs([](Project& p) { p.first = {}; }));
  EXPECT_TRUE(differs([](Project& p) { p.languages[0].rightToLeft = true; }));
  EXPECT_TRUE(differs([](Project& p) { edit(p, p.screens[0]->id)->clusters.pop_back(); }));
  EXPECT_TRUE(differs([](Project& p) { p.displays[0].safe.top += 1; }));
  EXPECT_TRUE(differs([](Project& p) { p.values[0].start += 1; }));
  EXPECT_TRUE(
      differs([](Project& p) { edit(p, p.machines[0]->id)->transitions[0].guard = "over"; }));
  EXPECT_TRUE(differs([](Project& p) { edit(p, p.kinds[0]->id)->hitPadding += 1; }));
  EXPECT_TRUE(differs([](Project& p) { edit(p, p.screens[0]->id)->dimBelow = 0.3; }));
  EXPECT_TRUE(differs([](Project& p) { edit(p, p.screens[0]->id)->items.pop_back(); }));
}

TEST(Project, NamesAreMadeFreeByCounting) {
  EXPECT_EQ(freeName({}, "Screen"), "Screen");
  EXPECT_EQ(freeName({"Screen"}, "Screen"), "Screen 2");
  EXPECT_EQ(freeName({"Screen", "Screen 2"}, "Screen"), "Screen 3");
}

TEST(Item, IsCalledByNameCaptionOrWhatItIs) {
  Item item;
  ButtonData button;
  item.what = button;
  EXPECT_EQ(displayName(item), "button");
  item.button()->accessibleName = "Spoken";
  EXPECT_EQ(displayName(item), "Spoken");
  item.button()->caption = "Dive";
  EXPECT_EQ(displayName(item), "Dive");
  item.name = "Entry";
  EXPECT_EQ(displayName(item), "Entry");
  const std::pair<Flow, const char*> containers[] = {{Flow::Row, "row"},
                                                     {Flow::Column, "column"},
                                                     {Flow::Grid, "grid"},
                                                     {Flow::Ring, "ring"},
                                                     {Flow::Free, "group"}};
  for (const auto& [flow, name] : containers) {
    Item box;
    box.what = ContainerData{flow, 0, 0, Across::Start};
    EXPECT_EQ(displayName(box), name);
  }
}

TEST(Dir, OppositeIsItsOwnInverseAndNamesGoBothWays) {
  for (Dir dir : kDirs) {
    EXPECT_NE(opposite(dir), dir);
    EXPECT_EQ(opposite(opposite(dir)), dir);
    EXPECT_EQ(parseDir(nameOf(dir)), dir);
  }
  EXPECT_FALSE(parseDir("north"));
}

TEST(Names, OfEventsAndRolesGoBothWays) {
  for (int e = 0; e <= int(Event::Message); ++e)
    EXPECT_EQ(parseEvent(nameOf(static_cast<Event>(e))), static_cast<Event>(e));
  for (int r = 0; r <= int(Role::Disabled); ++r)
    EXPECT_EQ(parseRole(nameOf(static_cast<Role>(r))), static_cast<Role>(r));
  EXPECT_FALSE(parseEvent("click"));
  EXPECT_FALSE(parseRole("sleepy"));
}

}  // namespace
}  // namespace bristle
