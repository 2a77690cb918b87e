// A list that is longer than its view: focus goes through it and the view follows, a wheel moves
// it, and what is beside it is reached from what can be seen.
#include <gmock/gmock.h>

#include "runtime/document/tree.h"
#include "runtime/formats/project_file.h"
#include "runtime/formats/take_file.h"
#include "support/lists.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::List;
using test::Playing;
using testing::Contains;
using testing::ElementsAre;
using testing::HasSubstr;

std::string atFocus(Playing& run) {
  return run.session().focused().text;
}
Px offset(Playing& run) {
  return run.session().stack().back().layout.scrollers[0].offset;
}
void go(Playing& run, Dir dir, int times = 1) {
  for (int i = 0; i < times; ++i) run.move(dir);
}
InputEvent wheel(Px x, Px y, Dir dir, Px px) {
  return {
      .type = InputType::Scroll, .device = Device::Mouse, .x = x, .y = y, .dir = dir, .number = px};
}

TEST(Scrolling, FocusGoesThroughAllOfAListAndTheViewFollows) {
  List l(60);
  l.screen().entry = {"e0"};
  Playing run(l.project);
  for (int i = 0; i < 60; ++i) {
    EXPECT_EQ(atFocus(run), "e" + std::to_string(i));
    const ScreenRun& screen = run.session().stack().back();
    const Box& box = screen.layout.items[size_t(screen.routes.items[size_t(screen.focus)])].box;
    EXPECT_GE(box.y, 100) << i;
    EXPECT_LE(box.y + box.h, 300) << i;
    go(run, Dir::Down);
  }
  EXPECT_EQ(atFocus(run), "below") << "beyond the last one it is left";
  go(run, Dir::Up);
  EXPECT_EQ(atFocus(run), "e59") << "the way back";
  for (int i = 59; i-- > 0;) {
    go(run, Dir::Up);
    EXPECT_EQ(atFocus(run), "e" + std::to_string(i));
  }
  EXPECT_EQ(offset(run), 0);
  go(run, Dir::Up);
  EXPECT_EQ(atFocus(run), "above");
}

TEST(Scrolling, IsTold) {
  List l(10);
  l.screen().entry = {"e3"};
  Playing run(l.project);
  run.lines();
  EXPECT_THAT(run.move(Dir::Down), Contains("scroll list to 56"));
}

TEST(Scrolling, OpensWithItsEntryInView) {
  List l(60);
  l.screen().entry = {"e30"};
  Playing run(l.project);
  EXPECT_EQ(atFocus(run), "e30");
  EXPECT_GT(offset(run), 0);
}

// From beside it one comes to what is seen there, not to what lies hidden behind the edge.
TEST(Scrolling, FromBesideOneComesToWhatCanBeSeen) {
  List l(60);
  l.screen().entry = {"left"};  // at the height of the view's lower end
  Playing run(l.project);
  go(run, Dir::Right);
  EXPECT_EQ(atFocus(run), "e3");
  go(run, Dir::Left);
  run.session().feed(wheel(300, 200, Dir::Down, 1000));
  EXPECT_EQ(offset(run), 1006) << "6 px were needed for e3";
  run.session().feed({.type = InputType::Step});  // forgets the way back
  while (atFocus(run) != "left") run.session().feed({.type = InputType::Step, .down = false});
  go(run, Dir::Right);
  const int entry = std::stoi(atFocus(run).substr(1));
  EXPECT_GE(entry, 20);
  EXPECT_LE(entry, 23) << "1000 px farther on";
}

TEST(Scrolling, OneLeavesItWhereOneStandsInTheView) {
  List l(60);
  l.screen().entry = {"e20"};
  Playing run(l.project);
  go(run, Dir::Right);
  EXPECT_EQ(atFocus(run), "right");
}

TEST(Scrolling, TheWheelMovesItUnderThePointerAndNothingElse) {
  List l(60);
  l.screen().entry = {"left"};
  Playing run(l.project);
  run.point(InputType::Point, 300, 120);
  run.lines();
  run.session().feed(wheel(300, 120, Dir::Down, 96));
  EXPECT_EQ(offset(run), 96);
  EXPECT_THAT(run.lines(), Contains("state e2 normal → hover")) << "what lies there now";
  run.session().feed(wheel(300, 120, Dir::Up, 500));
  EXPECT_EQ(offset(run), 0);
  run.session().feed(wheel(800, 500, Dir::Down, 96));
  EXPECT_EQ(offset(run), 0) << "beside it";
}

TEST(Scrolling, AWheelMovesWhatGoesAcrossToo) {
  List l(20, Scrolls::Across);
  Playing run(l.project);
  run.session().feed(wheel(300, 120, Dir::Down, 96));
  EXPECT_EQ(offset(run), 96);
  run.session().feed(wheel(300, 120, Dir::Left, 50));
  EXPECT_EQ(offset(run), 46);
}

TEST(Scrolling, TabGoesThroughTheListBeforeWhatComesAfterIt) {
  List l(12);
  Playing run(l.project);
  std::vector<std::string> seen{atFocus(run)};
  for (int i = 0; i < 15; ++i) {
    run.session().feed({.type = InputType::Step});
    seen.push_back(atFocus(run));
  }
  EXPECT_EQ(seen.front(), "above");
  EXPECT_EQ(seen[1], "e0");
  for (int i = 0; i < 12; ++i) EXPECT_EQ(seen[size_t(1 + i)], "e" + std::to_string(i));
  EXPECT_EQ(seen[13], "right");
  EXPECT_EQ(seen[15], "below");
}

TEST(Scrolling, AScreenBeneathComesBackScrolledAsItWas) {
  List l(60);
  l.screen().entry = {"e30"};
  Screen top;
  top.id = {"top"};
  l.project.screens.emplace_back(top);
  l.item("e30").button()->actions = {{ActionType::PutOnTop, {"top"}, {}}};
  Playing run(l.project);
  run.session().feed(wheel(300, 200, Dir::Down, 30));
  const Px before = offset(run);
  for (const bool down : {true, false}) run.key(InputType::Accept, down);
  ASSERT_EQ(run.session().stack().size(), 2u);
  for (const bool down : {true, false}) run.key(InputType::Cancel, down);
  EXPECT_EQ(run.session().stack().size(), 1u);
  EXPECT_EQ(offset(run), before);
}

TEST(Scrolling, WrapGoesRoundTheEndsOfTheList) {
  List l(60);
  l.screen().entry = {"e0"};
  l.item("e0").button()->routes[Dir::Up] = {RouteType::Wrap, {}};
  Playing run(l.project);
  go(run, Dir::Up);
  EXPECT_EQ(atFocus(run), "e59");
}

TEST(Scrolling, IsInProjectsAndTakes) {
  List l(3, Scrolls::Across, Follow::Page);
  const std::string text = writeProject(l.project);
  const auto read = parseProject(text);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_TRUE(equal(read->project, l.project));
  Take take;
  take.steps.push_back({.what = wheel(3, 4, Dir::Down, 96)});
  const auto again = parseTake(writeTake(take));
  ASSERT_TRUE(again) << again.error().text();
  EXPECT_EQ(std::get<InputEvent>(again->steps.at(0).what), wheel(3, 4, Dir::Down, 96));
}

}  // namespace
}  // namespace bristle
