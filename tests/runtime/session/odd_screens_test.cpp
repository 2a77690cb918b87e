// Screens with hardly anything on them, and routes that lead nowhere sensible: the menu stays where
// it is and says so.
#include <gmock/gmock.h>

#include "core/edit/screen_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

using testing::Contains;
using testing::HasSubstr;

void expectStays(const Project& project, const ItemId& where) {
  Playing run(project);
  run.lines();
  ASSERT_EQ(run.session().focused(), where);
  for (const Dir dir : kDirs) {
    const auto lines = run.move(dir);
    EXPECT_EQ(run.session().focused(), where) << int(dir);
    if (where) EXPECT_THAT(lines, Contains(HasSubstr("bump"))) << int(dir);
  }
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
  run.point(InputType::Point, 5, 5);
  EXPECT_FALSE(run.session().gaveUp());
}

TEST(OddScreens, OneWithoutButtonsHasNoFocus) {
  const Project project = test::columnMenu({"Alone"});
  expectStays(test::after(project, removeItems(project.screens[0]->id, test::buttons(project))),
              {});
}

TEST(OddScreens, OnOneButtonFocusStays) {
  const Project project = test::columnMenu({"Alone"});
  expectStays(project, test::buttons(project)[0]);
}

TEST(OddScreens, WhereAllAreDisabledNoneHasFocusOrAllMayAsIsChosen) {
  Project project = test::columnMenu({"One", "Two"});
  for (const ItemId& id : test::buttons(project))
    edit(*edit(project, project.screens[0]->id), id)->button()->disabled = true;
  expectStays(project, {});
  edit(project, project.screens[0]->id)->passDisabled = false;
  Playing run(project);
  const ItemId before = run.session().focused();
  EXPECT_TRUE(before);
  run.move(Dir::Down);
  EXPECT_NE(run.session().focused(), before);
  EXPECT_THAT(run.key(InputType::Accept, true), testing::Not(Contains(HasSubstr("pressed"))));
}

TEST(OddScreens, PinnedToItselfToWhatIsHiddenOrOnAnotherScreenLeadsNowhere) {
  Project project = test::columnMenu({"One", "Two"});
  const auto ids = test::buttons(project);
  project = test::after(project, addScreen("Other"));
  project =
      test::after(project, addButton(project.screens[1]->id, project.kinds[0]->id, "Far", 0, 0));
  const ItemId far = test::buttons(project, 1)[0];
  edit(*edit(project, project.screens[0]->id), ids[1])->hidden = true;
  RouteRules& routes = edit(*edit(project, project.screens[0]->id), ids[0])->button()->routes;
  routes[Dir::Left] = {RouteType::Pinned, ids[0]};
  routes[Dir::Right] = {RouteType::Pinned, far};
  routes[Dir::Down] = {RouteType::Pinned, ids[1]};
  routes[Dir::Up] = {RouteType::Pinned, ItemId{"never-was"}};
  expectStays(project, ids[0]);
}

}  // namespace
}  // namespace bristle
