// Menus that fly out from buttons: opened by pointing, by focus or by accept, kept open on the way
// to them, closed by leaving and by cancel.
#include <gmock/gmock.h>

#include "runtime/document/tree.h"
#include "support/bars.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Bar;
using test::Playing;
using testing::Contains;

std::string focused(Playing& run) {
  return run.session().focused().text;
}
// Which are open, the outer one first.
std::string open(Playing& run) {
  const ScreenRun& screen = run.session().stack().back();
  std::string out;
  for (const PlacedFlyOut& each : screen.layout.flyOuts)
    if (each.open) out += (out.empty() ? "" : " ") + screen.screen->items[each.item]->id.text;
  return out;
}
Box boxOf(Playing& run, const std::string& id) {
  const ScreenRun& screen = run.session().stack().back();
  return screen.layout.items[*indexOf(*screen.screen, ItemId{id})].box;
}
void pointAt(Playing& run, const std::string& id) {
  const Box box = boxOf(run, id);
  run.point(InputType::Point, box.x + box.w / 2, box.y + box.h / 2);
}
void press(Playing& run, InputType type) {
  run.key(type, true);
  run.key(type, false);
}

TEST(FlyOuts, OpenByFocusAndAreGoneInto) {
  Bar bar;
  Playing run(bar.project);
  EXPECT_EQ(open(run), "");
  run.move(Dir::Right);
  EXPECT_EQ(open(run), "fly");
  run.move(Dir::Down);
  EXPECT_EQ(focused(run), "ferns");
  EXPECT_EQ(open(run), "fly more") << "focus is on its button";
  run.move(Dir::Right);
  EXPECT_EQ(focused(run), "tall");
  run.move(Dir::Down);
  EXPECT_EQ(focused(run), "low");
  run.move(Dir::Left);
  EXPECT_EQ(focused(run), "ferns") << "back to its button";
  run.move(Dir::Down);
  EXPECT_EQ(focused(run), "mosses");
  EXPECT_EQ(open(run), "fly");
  run.move(Dir::Up);
  run.move(Dir::Up);
  EXPECT_EQ(focused(run), "plants");
}

TEST(FlyOuts, OneGoesAsideFromThemAsFromTheirButton) {
  Bar bar;
  Playing run(bar.project);
  run.move(Dir::Right);
  run.move(Dir::Down);
  run.move(Dir::Down);
  EXPECT_EQ(focused(run), "mosses");
  run.move(Dir::Right);
  EXPECT_EQ(focused(run), "map");
  EXPECT_EQ(open(run), "") << "left";
}

TEST(FlyOuts, WhatIsClosedIsNeitherReachedNorHit) {
  Bar bar;
  bar.fly("fly").byFocus = bar.fly("fly").byHover = false;
  Playing run(bar.project);
  run.move(Dir::Right);
  EXPECT_EQ(open(run), "");
  run.move(Dir::Down);
  EXPECT_EQ(focused(run), "far");
  pointAt(run, "mosses");
  EXPECT_EQ(focused(run), "far");
}

TEST(FlyOuts, OpenByPointingAndCloseByLeaving) {
  Bar bar;
  Playing run(bar.project);
  pointAt(run, "plants");
  EXPECT_EQ(open(run), "fly");
  pointAt(run, "ferns");
  EXPECT_EQ(open(run), "fly more");
  pointAt(run, "tall");
  EXPECT_EQ(open(run), "fly more");
  pointAt(run, "far");
  EXPECT_EQ(open(run), "");
  run.point(InputType::Point, 700, 500);
  EXPECT_EQ(open(run), "");
}

// From “ferns” to “low” the straight way leads over “mosses”.
TEST(FlyOuts, StayOpenOnTheDiagonalWayToThem) {
  Bar bar;
  Playing run(bar.project);
  pointAt(run, "plants");
  const Box ferns = boxOf(run, "ferns");
  run.point(InputType::Point, ferns.x + 120, ferns.y + 35);
  EXPECT_EQ(open(run), "fly more");
  run.point(InputType::Point, ferns.x + 145, ferns.y + 45);
  EXPECT_EQ(open(run), "fly more") << "over mosses, on the way to low";
  run.point(InputType::Point, ferns.x + 170, ferns.y + 55);
  EXPECT_EQ(open(run), "fly more");
  EXPECT_EQ(focused(run), "low");
  // Down over mosses is not the way to it.
  run.point(InputType::Point, ferns.x + 120, ferns.y + 35);
  run.point(InputType::Point, ferns.x + 60, ferns.y + 60);
  EXPECT_EQ(open(run), "fly");
}

TEST(FlyOuts, OneThatRestsOnTheWayHasLeft) {
  Bar bar;
  Playing run(bar.project);
  pointAt(run, "plants");
  const Box ferns = boxOf(run, "ferns");
  run.point(InputType::Point, ferns.x + 120, ferns.y + 35);
  run.point(InputType::Point, ferns.x + 145, ferns.y + 45);
  run.wait(390);
  EXPECT_EQ(open(run), "fly more");
  run.wait(20);
  EXPECT_EQ(open(run), "fly") << "it is on mosses";
}

TEST(FlyOuts, TheGapToThemDoesNotCloseThem) {
  Bar bar;
  bar.item("fly").place.y.offset = 20;
  Playing run(bar.project);
  const Box plants = boxOf(run, "plants");
  run.point(InputType::Point, plants.x + 80, plants.y + 38);
  EXPECT_EQ(open(run), "fly");
  run.point(InputType::Point, plants.x + 80, plants.y + 50);
  EXPECT_EQ(open(run), "fly");
}

TEST(FlyOuts, CancelClosesTheInnermostAndGoesBackNoFarther) {
  Bar bar;
  Playing run(bar.project);
  run.move(Dir::Right);
  run.move(Dir::Down);
  run.move(Dir::Right);
  EXPECT_EQ(focused(run), "tall");
  press(run, InputType::Cancel);
  EXPECT_EQ(focused(run), "ferns");
  EXPECT_EQ(open(run), "fly");
  press(run, InputType::Cancel);
  EXPECT_EQ(focused(run), "plants");
  EXPECT_EQ(open(run), "") << "and does not open again at once";
  EXPECT_THAT(run.key(InputType::Cancel, true), Contains("bump plants (nothing to go back to)"));
  run.key(InputType::Cancel, false);
  run.move(Dir::Left);
  run.move(Dir::Right);
  EXPECT_EQ(open(run), "fly") << "when one comes to it anew";
}

TEST(FlyOuts, OpenByAcceptAndTheButtonKeepsWhatItDoes) {
  Bar bar;
  bar.fly("fly") = {{"plants"}, Side::Below, false, false, true};
  bar.item("plants").button()->actions = {{ActionType::Message, {}, "plants"}};
  Playing run(bar.project);
  run.move(Dir::Right);
  EXPECT_EQ(open(run), "");
  run.lines();
  run.key(InputType::Accept, true);
  const auto first = run.key(InputType::Accept, false);
  EXPECT_THAT(first, Contains("fly-out fly opens"));
  EXPECT_THAT(first, testing::Not(Contains("message plants")));
  EXPECT_EQ(open(run), "fly");
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Accept, false), Contains("message plants"));
  run.move(Dir::Down);
  EXPECT_EQ(focused(run), "ferns");
  // By a click, too; a click elsewhere closes it.
  Playing by(bar.project);
  for (const InputType type : {InputType::Point, InputType::PointDown, InputType::PointUp})
    by.point(type, boxOf(by, "plants").x + 9, boxOf(by, "plants").y + 9);
  EXPECT_EQ(open(by), "fly");
  by.point(InputType::Point, 800, 500);
  EXPECT_EQ(open(by), "fly") << "what was clicked open stays";
  by.point(InputType::PointDown, 800, 500);
  EXPECT_EQ(open(by), "");
}

TEST(FlyOuts, WithHoverAloneTheButtonActsAtOnce) {
  Bar bar;
  bar.item("plants").button()->actions = {{ActionType::Message, {}, "plants"}};
  Playing run(bar.project);
  run.move(Dir::Right);
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Accept, false), Contains("message plants"));
}

TEST(FlyOuts, FocusInOneThatClosesGoesToItsButton) {
  Bar bar;
  Playing run(bar.project);
  pointAt(run, "plants");
  pointAt(run, "mosses");
  EXPECT_EQ(focused(run), "mosses");
  run.point(InputType::Point, 900, 550);
  EXPECT_EQ(open(run), "");
  EXPECT_EQ(focused(run), "plants");
}

}  // namespace
}  // namespace bristle
