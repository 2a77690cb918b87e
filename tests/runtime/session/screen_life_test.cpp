// A screen opens, is covered, is uncovered and goes, with motions that take time; and what buttons
// ask of values follows them (behaviour: the life of screens, values).
#include "runtime/session/screen_life.h"

#include <gmock/gmock.h>

#include "core/edit/templates.h"
#include "runtime/machine/condition.h"
#include "runtime/machine/opening.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;
using testing::Not;

constexpr ScreenMotion kFade{ScreenMotionForm::Fade, 200, {.type = EasingType::Linear}};

// A first screen whose second button puts another on top and whose third opens it; that one goes
// back by its only button. All fade in 200 ms.
struct Fading {
  Project project = test::columnMenu({"One", "Top", "Open"});
  ScreenId first, second;
  Fading() {
    History h{project};
    test::must(h, addScreen("Second"));
    first = h.now().screens[0]->id;
    second = h.now().screens[1]->id;
    test::must(h, addButton(second, h.now().kinds[0]->id, "Back", 10, 10));
    project = h.now();
    at(second, 0).actions = {{ActionType::Back, {}, {}}};
    at(first, 1).actions = {{ActionType::PutOnTop, second, {}}};
    at(first, 2).actions = {{ActionType::Open, second, {}}};
    for (const ScreenId& id : {first, second}) {
      screen(id).comes = kFade;
      screen(id).goes = kFade;
    }
  }
  Screen& screen(const ScreenId& id) { return *edit(project, id); }
  ButtonData& at(const ScreenId& id, size_t i) {
    const ItemId item = test::buttons(project, id == first ? 0 : 1)[i];
    return *edit(screen(id), item)->button();
  }
};

ScreenPhase phase(Playing& run, size_t depth) {
  return run.session().stack()[depth].life.phase();
}
double presence(Playing& run, size_t depth) {
  return run.session().stack()[depth].life.presence(run.now);
}
void accept(Playing& run) {
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
}
void down(Playing& run, int times) {
  for (int i = 0; i < times; ++i) run.move(Dir::Down);
}

TEST(ScreenLife, ComesOverItsTimeAndIsThenShown) {
  Fading menu;
  Playing run(menu.project);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Opening);
  EXPECT_EQ(presence(run, 0), 0);
  run.wait(50);
  EXPECT_DOUBLE_EQ(presence(run, 0), 0.25);
  EXPECT_TRUE(run.session().moving());
  run.wait(150);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Shown);
  EXPECT_EQ(presence(run, 0), 1);
  EXPECT_FALSE(run.session().screensMove());
}

TEST(ScreenLife, IsCoveredThenUncoveredWhileTheOtherGoes) {
  Fading menu;
  Playing run(menu.project);
  run.wait(1000);
  down(run, 1);
  accept(run);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Covered);
  EXPECT_EQ(phase(run, 1), ScreenPhase::Opening);
  run.wait(500);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Covered);
  EXPECT_EQ(phase(run, 1), ScreenPhase::Shown);
  accept(run);
  ASSERT_EQ(run.session().stack().size(), 1u);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Uncovered);
  // What goes is still to be seen, over what comes back.
  auto seen = run.session().seen();
  ASSERT_EQ(seen.size(), 2u);
  EXPECT_EQ(seen[0]->screen->id, menu.first);
  EXPECT_EQ(seen[1]->life.phase(), ScreenPhase::Closing);
  run.wait(100);
  EXPECT_DOUBLE_EQ(run.session().seen()[1]->life.presence(run.now), 0.5);
  run.wait(100);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Shown);
  EXPECT_EQ(run.session().seen().size(), 1u);
}

TEST(ScreenLife, WhatIsReplacedGoesBeneathWhatReplacesIt) {
  Fading menu;
  Playing run(menu.project);
  run.wait(1000);
  down(run, 2);
  accept(run);
  const auto seen = run.session().seen();
  ASSERT_EQ(seen.size(), 2u);
  EXPECT_EQ(seen[0]->screen->id, menu.first);
  EXPECT_EQ(seen[0]->life.phase(), ScreenPhase::Closing);
  EXPECT_EQ(seen[1]->screen->id, menu.second);
}

TEST(ScreenLife, WhatHasComeAQuarterOfTheWayGoesInAQuarterOfTheTime) {
  Fading menu;
  Playing run(menu.project);
  run.wait(1000);
  down(run, 1);
  accept(run);
  run.wait(50);
  accept(run);
  ASSERT_EQ(run.session().seen().size(), 2u);
  EXPECT_DOUBLE_EQ(run.session().seen()[1]->life.presence(run.now), 0.25);
  run.wait(49);
  EXPECT_EQ(run.session().seen().size(), 2u);
  run.wait(1);
  EXPECT_EQ(run.session().seen().size(), 1u);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Shown);
}

// “The new top takes input from its first ms unless it says ‘wait until shown’.”
TEST(ScreenLife, TakesInputFromItsFirstMsUnlessItWaits) {
  for (const bool waits : {false, true}) {
    Fading menu;
    menu.screen(menu.first).waitUntilShown = waits;
    Playing run(menu.project);
    run.lines();
    run.wait(100);
    EXPECT_EQ(run.move(Dir::Down).empty(), waits);
    const ItemId one = test::buttons(menu.project)[0];
    const auto hovers = Contains(HasSubstr("→ hover"));
    const auto pointed = run.point(InputType::Point, one);
    EXPECT_EQ(testing::Value(pointed, hovers), !waits);
    // What rests beneath the pointer once the screen has come is over it then.
    EXPECT_EQ(testing::Value(run.wait(200), hovers), waits);
    EXPECT_THAT(run.move(Dir::Down), Not(IsEmpty()));
  }
}

// A key that was pressed while the screen waited has pressed nothing, and lets go of nothing.
TEST(ScreenLife, APressBeforeAWaitingScreenIsShownIsNone) {
  Fading menu;
  menu.screen(menu.first).waitUntilShown = true;
  Playing run(menu.project);
  run.lines();
  run.key(InputType::Accept, true);
  const ItemId one = test::buttons(menu.project)[0];
  run.point(InputType::PointDown, one);
  run.wait(300);
  run.lines();
  EXPECT_THAT(run.key(InputType::Accept, false), Not(Contains(HasSubstr("activate"))));
  EXPECT_THAT(run.point(InputType::PointUp, one), Not(Contains(HasSubstr("activate"))));
  run.point(InputType::PointDown, one);
  EXPECT_THAT(run.point(InputType::PointUp, one), Contains("activate " + one.text));
}

TEST(ScreenLife, ReducedMotionCutsWhatIsOnItsWay) {
  Fading menu;
  Playing run(menu.project);
  run.wait(50);
  run.session().setReducedMotion(true);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Shown);
  EXPECT_EQ(presence(run, 0), 1);
  down(run, 2);
  accept(run);
  EXPECT_EQ(run.session().seen().size(), 1u);
  EXPECT_EQ(phase(run, 0), ScreenPhase::Shown);
}

// … and what lies beneath a resting pointer then hears of it at once, with all that comes of it.
TEST(ScreenLife, ReducedMotionEndsAWait) {
  Fading menu;
  menu.screen(menu.first).waitUntilShown = true;
  for (Transition& t : edit(menu.project, menu.project.machines[0]->id)->transitions)
    if (t.on == Event::OverBegin) t.effects = {{.type = EffectType::Message, .message = "over"}};
  Playing run(menu.project);
  run.wait(50);
  run.point(InputType::Point, test::buttons(menu.project)[0]);
  run.lines();
  run.session().setReducedMotion(true);
  EXPECT_THAT(run.lines(), Contains("message over"));
}

// A controller that is pulled out takes along what it holds, on whichever screen that is, and the
// menu goes on with another device.
TEST(ScreenLife, AControllerPulledOutWhileScreensChangeLeavesNothingHeld) {
  Fading menu;
  menu.at(menu.second, 0).actions = {};
  Playing run(menu.project);
  run.wait(1000);
  down(run, 1);
  run.key(InputType::Accept, true, Device::Controller);
  run.key(InputType::Accept, false, Device::Controller);
  ASSERT_EQ(run.session().stack().size(), 2u);
  run.wait(60);
  ASSERT_TRUE(run.session().screensMove());
  run.key(InputType::Accept, true, Device::Controller);
  const auto armed = [&] {
    int out = 0;
    for (const ScreenRun* screen : run.session().seen())
      for (const ButtonRun& each : screen->buttons) out += each.running.signals.has(Signals::Armed);
    return out;
  };
  ASSERT_EQ(armed(), 1);
  const auto lines = run.key(InputType::Gone, false, Device::Controller);
  EXPECT_EQ(armed(), 0);
  EXPECT_THAT(lines, Not(Contains(HasSubstr("activate"))));
  EXPECT_TRUE(run.session().focused());
  run.wait(1000);
  EXPECT_FALSE(run.session().screensMove());
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Accept, false), Contains(HasSubstr("activate")));
}

// The motion is not told: the same menu without gives the same trace.
TEST(ScreenLife, MotionLeavesTheTraceAsItIs) {
  Fading menu, cut;
  for (const ScreenId& id : {cut.first, cut.second}) {
    cut.screen(id).comes = {};
    cut.screen(id).goes = {};
  }
  Playing one(menu.project), other(cut.project);
  for (Playing* run : {&one, &other}) {
    down(*run, 1);
    accept(*run);
    run->wait(30);
    accept(*run);
    down(*run, 1);
    accept(*run);
  }
  EXPECT_EQ(one.session().trace(), other.session().trace());
}

// A button that is enabled from 2 on, one that is current at 1; messages of the first count up.
struct Asking {
  Project project = test::columnMenu({"More", "From two", "Current at one"});
  std::vector<ItemId> ids = test::buttons(project);
  Asking() {
    project.values.push_back({{"v1"}, "level", 0, {}});
    data(1).when.enabled = "@v1 >= 2";
    data(2).when.current = "@v1 = 1";
  }
  ButtonData& data(size_t i) {
    return *edit(*edit(project, project.screens[0]->id), ids[i])->button();
  }
  static void set(Playing& run, double to) {
    run.session().feed({.at = run.now, .type = InputType::SetValue, .name = "v1", .number = to});
  }
};

Signals signals(Playing& run, size_t button) {
  return run.session().stack()[0].buttons[button].running.signals;
}

TEST(Conditions, AreWorkedOutBeforeTheScreenOpens) {
  Asking menu;
  Playing run(menu.project);
  EXPECT_FALSE(signals(run, 1).has(Signals::Enabled));
  EXPECT_THAT(run.lines(), Not(Contains(HasSubstr("disabled")))) << "it opens at rest";
  menu.project.values[0].start = 2;
  Playing other(menu.project);
  EXPECT_TRUE(signals(other, 1).has(Signals::Enabled));
}

TEST(Conditions, FollowTheValuesAndTellTheMachines) {
  Asking menu;
  Playing run(menu.project);
  run.lines();
  Asking::set(run, 1);
  EXPECT_THAT(run.lines(), ElementsAre("value v1 = 1"));
  EXPECT_TRUE(signals(run, 2).has(Signals::Current));
  Asking::set(run, 2);
  EXPECT_THAT(run.lines(),
              ElementsAre("value v1 = 2", "state " + menu.ids[1].text + " disabled → normal",
                          "unlock " + menu.ids[1].text));
  EXPECT_FALSE(signals(run, 2).has(Signals::Current));
}

// A machine that has states for it moves at once, and opens in the right one without moving.
TEST(Conditions, ABarEntryFollowsWhatIsCurrent) {
  Asking menu;
  Machine& machine = *edit(menu.project, menu.project.machines[0]->id);
  machine = fromTemplate(Template::BarEntry, machine.id, machine.name, Wins::Focused);
  menu.project.values[0].start = 1;
  Playing run(menu.project);
  const std::string id = menu.ids[2].text;
  EXPECT_THAT(run.lines(), Not(Contains(HasSubstr("state " + id)))) << "it opens at rest";
  for (size_t i = 1; i < 3; ++i)  // the first has focus
    EXPECT_EQ(openingState(menu.project, machine, startsEnabled(menu.project, menu.data(i)),
                           startsCurrent(menu.project, menu.data(i), menu.project.screens[0]->id)),
              run.session().stack()[0].buttons[i].running.state)
        << "pictures show it as it opens: " << i;
  Asking::set(run, 0);
  EXPECT_THAT(run.lines(), ElementsAre("value v1 = 0", "state " + id + " current-normal → normal"));
  Asking::set(run, 1);
  EXPECT_THAT(run.lines(), ElementsAre("value v1 = 1", "state " + id + " normal → current-normal"));
}

// The host's word and the condition must both hold.
TEST(Conditions, TheHostMayForbidButNotAllowMore) {
  Asking menu;
  Playing run(menu.project);
  const auto host = [&](bool on) {
    run.session().feed(
        {.at = run.now, .type = InputType::Enable, .down = on, .name = menu.ids[1].text});
  };
  host(true);
  EXPECT_FALSE(signals(run, 1).has(Signals::Enabled));
  Asking::set(run, 3);
  EXPECT_TRUE(signals(run, 1).has(Signals::Enabled));
  host(false);
  EXPECT_FALSE(signals(run, 1).has(Signals::Enabled));
  Asking::set(run, 4);
  EXPECT_FALSE(signals(run, 1).has(Signals::Enabled));
  host(true);
  EXPECT_TRUE(signals(run, 1).has(Signals::Enabled));
}

// What a machine sets counts before the effects that it queued behind: the message that comes
// after reaches a button that is enabled by then.
TEST(Conditions, AreWorkedOutBeforeEffectsGoOn) {
  Asking menu;
  Machine& machine = *edit(menu.project, menu.project.machines[0]->id);
  for (Transition& t : machine.transitions)
    if (t.on == Event::Press)
      t.effects = {{.type = EffectType::Message, .message = "look"},
                   {.type = EffectType::SetValue, .value = {"v1"}, .formula = "2"}};
  Playing run(menu.project);
  run.lines();
  const auto lines = run.key(InputType::Accept, true);
  const auto find = [&](const std::string& line) {
    return std::find(lines.begin(), lines.end(), line) - lines.begin();
  };
  const auto enabled = find("state " + menu.ids[1].text + " disabled → normal");
  ASSERT_LT(size_t(enabled), lines.size());
  EXPECT_LT(enabled, find("message look"));
}

// A button that forbids itself by what it sets when it is allowed, and the other way round: no run
// without end, and the session says so.
TEST(Conditions, ACircleIsCutAndTold) {
  Asking menu;
  Machine& machine = *edit(menu.project, menu.project.machines[0]->id);
  for (Transition& t : machine.transitions) {
    if (t.on != Event::Enable && t.on != Event::Disable) continue;
    t.effects = {{.type = EffectType::SetValue,
                  .value = {"v1"},
                  .formula = t.on == Event::Enable ? "0" : "2"}};
  }
  Playing run(menu.project);
  Asking::set(run, 2);
  EXPECT_THAT(run.lines(), Contains(HasSubstr("endless chain")));
  Asking::set(run, 7);  // and it goes on
  EXPECT_EQ(run.session().gaveUp(), false);
}

TEST(Conditions, ThatCannotBeReadAreToldBeforeTheMenuRuns) {
  const PlainMeasure measure;
  for (const char* text : {"@v1 >=", "@gone = 1", "over", "@v1 and focus"}) {
    Asking menu;
    menu.data(1).when.enabled = text;
    const auto session = Session::start(menu.project, menu.project.displays[0], measure);
    ASSERT_FALSE(session) << text;
    EXPECT_THAT(session.error().text(), HasSubstr("From two"));
    EXPECT_THAT(session.error().text(), HasSubstr(text));
  }
}

}  // namespace
}  // namespace bristle
