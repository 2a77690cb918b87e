// A route may have a motion and a sound of its own: they are in the place of what the machines of
// its two buttons say, and only in its direction.
#include <gmock/gmock.h>

#include "core/edit/route_edits.h"
#include "core/edit/screen_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;

using testing::Contains;
using testing::Not;

class RouteCarriesTest : public testing::Test {
 protected:
  RouteCarriesTest() {
    project = test::columnMenu({"One", "Two", "Three"});
    ids = test::buttons(project);
    for (auto& machine : project.machines)
      for (Transition& t : machine.edit().transitions) {
        t.timing = Timing{100, 0, {EasingType::Linear}};
        if (t.on == Event::FocusGain)
          t.effects.push_back({.type = EffectType::Sound, .file = "tick.wav", .volume = 1});
      }
  }
  void carry(size_t button, Dir dir, RouteCarries carries) {
    project = test::after(project, setCarries(project.screens[0]->id, {ids[button]}, dir, carries));
  }
  static bool moves(Playing& run, size_t button) {
    return run.session().stack()[0].buttons[button].player.moving(run.session().now());
  }
  Project project;
  std::vector<ItemId> ids;
};

TEST_F(RouteCarriesTest, BothButtonsMoveAsLongAsItsMotionLasts) {
  carry(0, Dir::Down, {.motion = RouteMotion{800, {EasingType::Linear}}, .sound = {}});
  Playing run(project);
  run.wait(1000);
  run.move(Dir::Down);
  run.wait(700);
  EXPECT_TRUE(moves(run, 0));
  EXPECT_TRUE(moves(run, 1));
  run.wait(200);
  EXPECT_FALSE(moves(run, 0));
  EXPECT_FALSE(moves(run, 1));
  // The next has none of its own, nor has the way back.
  for (const Dir dir : {Dir::Down, Dir::Up, Dir::Up}) {
    run.move(dir);
    EXPECT_TRUE(moves(run, 1)) << int(dir);
    run.wait(150);
    EXPECT_FALSE(moves(run, 1)) << int(dir);
  }
}

TEST_F(RouteCarriesTest, ReducedMotionTakesNoTime) {
  carry(0, Dir::Down, {.motion = RouteMotion{800, {}}, .sound = {}});
  Playing run(project);
  run.session().setReducedMotion(true);
  run.wait(1000);
  run.move(Dir::Down);
  EXPECT_FALSE(moves(run, 1));
}

TEST_F(RouteCarriesTest, ItsSoundIsHeardInThePlaceOfTheirs) {
  carry(0, Dir::Down, {.motion = {}, .sound = "whoosh.wav", .volume = 0.5});
  Playing run(project);
  run.lines();
  const auto there = run.move(Dir::Down);
  EXPECT_THAT(there, Contains("sound whoosh.wav at 0.5"));
  EXPECT_THAT(there, Not(Contains("sound tick.wav at 1")));
  EXPECT_THAT(run.move(Dir::Up), Contains("sound tick.wav at 1")) << "the way back is another";
}

TEST_F(RouteCarriesTest, ADirectionThatLeadsNowhereSoundsToo) {
  carry(0, Dir::Left, {.motion = {}, .sound = "thud.wav"});
  project = test::after(
      project, setRoute(project.screens[0]->id, ids[0], Dir::Left, {RouteType::Closed, {}}));
  Playing run(project);
  run.lines();
  EXPECT_THAT(run.move(Dir::Left), Contains("sound thud.wav at 1"));
  EXPECT_THAT(run.move(Dir::Right), Not(Contains(testing::HasSubstr("sound"))));
}

TEST_F(RouteCarriesTest, WhatItCarriesStaysWhateverItsTargetBecomes) {
  carry(0, Dir::Down, {.motion = {}, .sound = "whoosh.wav"});
  const ScreenId screen = project.screens[0]->id;
  project = test::after(project, setRoute(screen, ids[0], Dir::Down, {RouteType::Pinned, ids[2]}));
  project = test::after(project, removeItems(screen, {ids[2]}));
  project = test::after(project, releaseRoutes(screen, {ids[0]}));
  Playing run(project);
  run.lines();
  EXPECT_THAT(run.move(Dir::Down), Contains("sound whoosh.wav at 1"));
}

}  // namespace
}  // namespace bristle
