#include "runtime/session/session.h"

#include <gmock/gmock.h>

#include "core/edit/kind_edits.h"
#include "runtime/session/stick.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::ElementsAre;
using testing::IsEmpty;
using testing::Not;

// Title with three buttons; the second puts `top` on top, which has one that goes back.
struct Menu {
  History history{test::columnMenu({"One", "Two", "Three"})};
  ScreenId first, second;
  std::vector<ItemId> ids;
  ItemId back;
  Menu() {
    first = history.now().screens[0]->id;
    ids = test::buttons(history.now());
    test::must(history, addScreen("Top"));
    second = history.now().screens[1]->id;
    test::must(history, addButton(second, history.now().kinds[0]->id, "Back", 10, 10));
    back = test::buttons(history.now(), 1)[0];
    test::must(history, setAction(second, back, {ActionType::Back, {}, {}}));
    test::must(history, setAction(first, ids[1], {ActionType::PutOnTop, second, {}}));
  }
  void disable(size_t i) {
    test::must(history, changeItems(first, {ids[i]}, "disable", {},
                                    [](Item& item) { item.button()->disabled = true; }));
  }
  std::string id(size_t i) const { return ids[i].text; }
};

TEST(Session, OpensAtRestWithFocusAtTheEntry) {
  Menu m;
  Playing run(m.history.now());
  EXPECT_THAT(run.lines(),
              ElementsAre("open screen " + m.first.text, "focus – → " + m.id(0) + " (entry)",
                          "state " + m.id(0) + " normal → focused"));
}

// What one timer sets and sends counts before the next that is due at the same time, however the
// time is handed in.
TEST(Session, TimersOfOneTimeAreWorkedOffOneByOne) {
  Menu m;
  Project project = m.history.now();
  project.values.push_back({{"v1"}, "level", 0, {}});
  Machine& machine = *edit(project, project.machines[0]->id);
  machine.states.push_back({{"one"}, "one", Role::None, false, {}});
  machine.states.push_back({{"two"}, "two", Role::None, false, {}});
  const auto add = [&](const char* from, Ms after, const char* to, std::string guard) {
    Transition t;
    t.from = StateId{from};
    t.on = Event::After;
    t.after = after;
    t.to = {to};
    t.guard = std::move(guard);
    t.effects = {{.type = EffectType::SetValue, .value = {"v1"}, .formula = "@v1 + 1"}};
    machine.transitions.push_back(t);
  };
  add("focused", 100, "one", "");
  add("one", 0, "two", "@v1 = 1");
  for (const Ms step : {Ms{1}, Ms{100}, Ms{1000}}) {
    Playing run(project);
    std::vector<std::string> lines;
    for (Ms waited = 0; waited < 1000; waited += step)
      for (const std::string& line : run.wait(step)) lines.push_back(line);
    EXPECT_THAT(lines, Contains("state " + m.id(0) + " one → two")) << step;
  }
}

TEST(Session, DirectionsMoveFocusAndTheStatesFollow) {
  Menu m;
  Playing run(m.history.now());
  run.lines();
  EXPECT_THAT(run.move(Dir::Down),
              ElementsAre("focus " + m.id(0) + " → " + m.id(1) + " (down, solved)",
                          "state " + m.id(0) + " focused → normal",
                          "state " + m.id(1) + " normal → focused"));
  EXPECT_THAT(run.move(Dir::Left), ElementsAre("bump " + m.id(1) + " (left, nothing there)"));
}

TEST(Session, HeldDirectionsRepeatAtTheSetTimes) {
  Menu m;
  Playing run(m.history.now());
  run.move(Dir::Down, false);
  EXPECT_EQ(run.session().focused(), m.ids[1]);
  EXPECT_THAT(run.wait(399), IsEmpty());
  EXPECT_THAT(run.wait(1), Contains("focus " + m.id(1) + " → " + m.id(2) + " (down, solved)"));
  EXPECT_THAT(run.wait(120), ElementsAre("bump " + m.id(2) + " (down, nothing there)"));
  const Ms last = run.session().trace().back().at;
  EXPECT_EQ(last, 520);
}

TEST(Session, AcceptPressesAndReleasesAndActs) {
  Menu m;
  Playing run(m.history.now());
  run.move(Dir::Down);
  EXPECT_THAT(run.key(InputType::Accept, true),
              ElementsAre("state " + m.id(1) + " focused → pressed"));
  const auto lines = run.key(InputType::Accept, false);
  EXPECT_THAT(lines, Contains("activate " + m.id(1)));
  EXPECT_THAT(lines, Contains("put on top " + m.second.text));
  EXPECT_EQ(run.session().focused(), m.back);
}

TEST(Session, WhatIsBeneathComesBackAsItWas) {
  Menu m;
  Playing run(m.history.now());
  run.move(Dir::Down);
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
  ASSERT_EQ(run.session().stack().size(), 2U);
  EXPECT_THAT(run.key(InputType::Cancel, true),
              ElementsAre("state " + m.back.text + " focused → normal", "back to " + m.first.text,
                          "focus " + m.back.text + " → " + m.id(1) + " (back)",
                          "state " + m.id(1) + " normal → focused"));
  run.key(InputType::Cancel, false);
  EXPECT_THAT(run.key(InputType::Cancel, true),
              ElementsAre("bump " + m.id(1) + " (nothing to go back to)"));
}

TEST(Session, CancelWhileHeldGivesThePressUpInsteadOfGoingBack) {
  Menu m;
  Playing run(m.history.now());
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Cancel, true),
              ElementsAre("state " + m.id(0) + " pressed → focused"));
  EXPECT_THAT(run.key(InputType::Accept, false), Not(Contains("activate " + m.id(0))));
}

TEST(Session, ADeviceThatGoesAwayGivesUpWhatItHeld) {
  Menu m;
  Playing run(m.history.now());
  run.move(Dir::Down, false);
  run.key(InputType::Accept, true, Device::Controller);
  EXPECT_THAT(run.key(InputType::Gone, false, Device::Controller),
              ElementsAre("state " + m.id(1) + " pressed → focused"));
  run.key(InputType::Gone, false, Device::Keyboard);
  EXPECT_THAT(run.wait(2000), IsEmpty()) << "the held direction no longer repeats";
}

TEST(Session, TogetherThePointerTakesFocusAlongAndKeysHideItsHover) {
  Menu m;
  Playing run(m.history.now());
  run.lines();
  EXPECT_THAT(run.point(InputType::Point, m.ids[2]),
              ElementsAre("device mouse", "state " + m.id(2) + " normal → hover",
                          "focus " + m.id(0) + " → " + m.id(2) + " (pointer)",
                          "state " + m.id(0) + " focused → normal"));
  const auto lines = run.move(Dir::Up);
  EXPECT_THAT(lines, Contains("state " + m.id(2) + " hover → focused"));
  int lit = 0;
  for (const ButtonRun& b : run.session().stack()[0].buttons) lit += b.running.state != 0;
  EXPECT_EQ(lit, 1) << "never two highlights";
}

TEST(Session, ApartThePointerLeavesFocusAloneAndHidesItsLook) {
  Menu m;
  Project p = m.history.now();
  p.settings.pointerMovesFocus = false;
  Playing run(p);
  run.lines();
  EXPECT_THAT(run.point(InputType::Point, m.ids[2]),
              ElementsAre("device mouse", "state " + m.id(2) + " normal → hover"));
  EXPECT_EQ(run.session().focused(), m.ids[0]);
  EXPECT_THAT(run.move(Dir::Down),
              Contains("focus " + m.id(0) + " → " + m.id(1) + " (down, solved)"));
}

TEST(Session, APressDraggedOffDoesNotActivate) {
  Menu m;
  Playing run(m.history.now());
  run.point(InputType::Point, m.ids[0]);
  run.point(InputType::PointDown, m.ids[0]);
  run.point(InputType::Point, 0, 0);
  EXPECT_THAT(run.point(InputType::PointUp, 0, 0), Not(Contains("activate " + m.id(0))));
}

TEST(Session, ALiftedFingerLeavesNoHover) {
  Menu m;
  Playing run(m.history.now());
  const Box box = run.session().stack()[0].routes.input.boxes[2];
  run.point(InputType::PointDown, box.x + 5, box.y + 5, Device::Touch);
  const auto lines = run.point(InputType::PointUp, box.x + 5, box.y + 5, Device::Touch);
  EXPECT_THAT(lines, Contains("activate " + m.id(2)));
  EXPECT_FALSE(run.session().stack()[0].buttons[2].running.signals.has(Signals::Over));
}

TEST(Session, DisabledButtonsArePassedOverOrStoppedOnAsTheScreenSays) {
  Menu m;
  m.disable(1);
  Playing over(m.history.now());
  EXPECT_THAT(over.move(Dir::Down),
              Contains("focus " + m.id(0) + " → " + m.id(2) + " (down, solved)"));
  test::must(m.history,
             changeScreen(m.first, "stop", {}, [](Screen& s) { s.passDisabled = false; }));
  Playing on(m.history.now());
  on.move(Dir::Down);
  EXPECT_EQ(on.session().focused(), m.ids[1]);
  EXPECT_THAT(on.key(InputType::Accept, true), ElementsAre("bump " + m.id(1) + " (disabled)"));
}

TEST(Session, ADisabledEntryIsPassedOverAtTheStart) {
  Menu m;
  m.disable(0);
  Playing run(m.history.now());
  EXPECT_EQ(run.session().focused(), m.ids[1]);
  EXPECT_EQ(run.session().stack()[0].buttons[0].player.moving(0), false)
      << "it opens disabled, without motion";
}

TEST(Session, ReturnsToTheSmallOneThatFocusCameFrom) {
  // Three small boxes face one large one.
  History h(emptyProject());
  test::must(h, addKind("Entry", Wins::Hover));
  test::must(h, addScreen("S"));
  const ScreenId s = h.now().screens[0]->id;
  for (int i = 0; i < 3; ++i)
    test::must(h, addButton(s, h.now().kinds[0]->id, "small", 0, i * 100));
  test::must(h, addButton(s, h.now().kinds[0]->id, "large", 400, 0));
  auto ids = test::buttons(h.now());
  test::must(h, changeItems(s, {ids[3]}, "size", {}, [](Item& i) { i.place.y.size = 264; }));
  for (size_t from = 0; from < 3; ++from) {
    test::must(h, setEntry(s, ids[from]));
    Playing run(h.now());
    run.move(Dir::Right);
    ASSERT_EQ(run.session().focused(), ids[3]);
    run.move(Dir::Left);
    EXPECT_EQ(run.session().focused(), ids[from]);
  }
}

TEST(Session, TabStepsInReadingOrderAndRoundTheEnd) {
  Menu m;
  m.disable(1);
  Playing run(m.history.now());
  run.key(InputType::Step, true);
  EXPECT_EQ(run.session().focused(), m.ids[2]);
  run.key(InputType::Step, true);
  EXPECT_EQ(run.session().focused(), m.ids[0]);
  run.key(InputType::Step, false);
  EXPECT_EQ(run.session().focused(), m.ids[2]);
}

TEST(Session, MessagesReachOtherMachinesAndValuesChange) {
  Menu m;
  test::must(m.history, setAction(m.first, m.ids[0], {ActionType::Message, {}, "flood"}));
  Project p = m.history.now();
  p.values = {{{"v"}, "count", 4, {}}};
  Transition t;
  t.on = Event::Message;
  t.message = "flood";
  t.to = {"disabled"};
  t.guard = "not focus";
  t.effects = {{.type = EffectType::SetValue, .value = {"v"}, .formula = "@v + 1"}};
  edit(p, p.machines[0]->id)->transitions.push_back(t);
  Playing run(p);
  run.key(InputType::Accept, true);
  const auto lines = run.key(InputType::Accept, false);
  EXPECT_THAT(lines, Contains("message flood"));
  EXPECT_THAT(lines, Contains("state " + m.id(1) + " normal → disabled"));
  EXPECT_THAT(lines, Contains("value v = 5"));
  EXPECT_EQ(run.session().value({"v"}), 6) << "both buttons that are not focused counted";
}

TEST(Session, SoundsAreTracedWithTheirVolume) {
  Menu m;
  Project p = m.history.now();
  for (Transition& t : edit(p, p.machines[0]->id)->transitions)
    if (t.on == Event::Press)
      t.effects.push_back({.type = EffectType::Sound, .file = "sounds/tick.wav", .volume = 0.4});
  Playing run(p);
  run.lines();
  EXPECT_THAT(run.key(InputType::Accept, true), Contains("sound sounds/tick.wav at 0.4"));
}

TEST(Session, AButtonKnowsThatItLeadsToItsOwnScreen) {
  Menu m;
  test::must(m.history, setAction(m.first, m.ids[1], {ActionType::Open, m.first, {}}));
  Project p = m.history.now();
  Machine& machine = *edit(p, p.machines[0]->id);
  machine.states.push_back({{"here"}, "here", Role::None, false, {}});
  Transition t;
  t.from = StateId{"normal"};
  t.on = Event::After;
  t.guard = "current";
  t.to = {"here"};
  machine.transitions.push_back(t);
  Playing run(p);
  run.lines();
  EXPECT_THAT(run.wait(1), ElementsAre("state " + m.id(1) + " normal → here"));
}

TEST(Session, ADisabledButtonOpensInItsOwnLook) {
  Menu m;
  m.disable(1);
  test::must(m.history, setLook({m.history.now().kinds[0]->id, m.first, m.ids[1]}, {Column{}},
                                {{}, Prop::OffsetX}, 17.0));
  Playing run(m.history.now());
  for (ButtonRun& button : run.session().stack()[0].buttons) {
    if (button.item->id != m.ids[1]) continue;
    const int channel = button.player.table().channel({{}, Prop::OffsetX});
    EXPECT_EQ(std::get<double>(button.player.at(0)[size_t(channel)]), 17);
  }
}

// A screen that opens late has its timers and motions before it, whatever the clock says.
TEST(Session, TimersRunFromWhenTheirScreenOpens) {
  Menu m;
  Project p = m.history.now();
  Machine& machine = *edit(p, p.machines[0]->id);
  Transition t;
  t.from = StateId{"focused"};
  t.on = Event::After;
  t.after = 300;
  t.to = {"hover"};
  machine.transitions.push_back(t);
  t.from = StateId{"normal"};
  machine.transitions.push_back(t);
  Kind& kind = *edit(p, p.kinds[0]->id);
  kind.motions[{"normal"}] = {0, 100, 1, {{{{}, Prop::OffsetX}, {{0, -8, {}}, {1, 0, {}}}}}};
  Playing run(p);
  run.wait(5000);
  run.move(Dir::Down);
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
  ASSERT_EQ(run.session().stack().size(), 2U);
  EXPECT_TRUE(run.session().stack()[1].buttons[0].player.moving(run.session().now()));
  EXPECT_THAT(run.wait(299), IsEmpty());
  EXPECT_THAT(run.wait(1), Contains("state " + m.back.text + " focused → hover"));
}

TEST(Session, ReducedMotionTakesNoTimeWhenever) {
  Menu m;
  Playing run(m.history.now());
  run.session().setReducedMotion(true);
  run.move(Dir::Down);
  EXPECT_FALSE(run.session().moving());
  run.session().setReducedMotion(false);
  run.move(Dir::Down);
  EXPECT_TRUE(run.session().moving());
}

TEST(Session, KnowsWhetherAnythingMoves) {
  Menu m;
  Playing run(m.history.now());
  run.wait(1000);
  EXPECT_FALSE(run.session().moving());
  run.move(Dir::Down);
  EXPECT_TRUE(run.session().moving());
  run.wait(1000);
  EXPECT_FALSE(run.session().moving());
}

TEST(Session, TwoDevicesMayHoldOneDirection) {
  Menu m;
  Playing run(m.history.now());
  const auto hold = [&](Device device, bool down) {
    run.session().feed({run.now, InputType::Move, device, 0, 0, Dir::Down, down});
  };
  hold(Device::Keyboard, true);
  hold(Device::Controller, true);
  EXPECT_EQ(run.session().focused(), m.ids[2]) << "each moves once";
  hold(Device::Keyboard, false);
  run.lines();
  EXPECT_THAT(run.wait(400), Contains("bump " + m.id(2) + " (down, nothing there)"))
      << "still held";
  hold(Device::Controller, false);
  run.lines();
  EXPECT_THAT(run.wait(1000), IsEmpty());
}

TEST(Session, QuitEndsAndNothingMoreHappens) {
  Menu m;
  test::must(m.history, setAction(m.first, m.ids[0], {ActionType::Quit, {}, {}}));
  Playing run(m.history.now());
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Accept, false), Contains("quit"));
  EXPECT_TRUE(run.session().ended());
  EXPECT_THAT(run.move(Dir::Down), IsEmpty());
}

TEST(Session, OpenReplacesTheWholeStack) {
  Menu m;
  test::must(m.history, setAction(m.second, m.back, {ActionType::Open, m.first, {}}));
  Playing run(m.history.now());
  run.move(Dir::Down);
  for (const bool down : {true, false, true, false}) run.key(InputType::Accept, down);
  EXPECT_EQ(run.session().stack().size(), 1U);
  EXPECT_EQ(run.session().focused(), m.ids[0]);
}

TEST(Session, ABrokenTargetIsToldAndStays) {
  Menu m;
  test::must(m.history, removeScreen(m.second));
  Playing run(m.history.now());
  run.move(Dir::Down);
  run.key(InputType::Accept, true);
  EXPECT_THAT(run.key(InputType::Accept, false),
              Contains("broken " + m.id(1) + " (its screen is missing)"));
}

TEST(Session, CannotStartWithoutAScreenOrAKind) {
  const PlainMeasure measure;
  const Project none = emptyProject();
  EXPECT_FALSE(Session::start(none, none.displays[0], measure));
  Menu m;
  Project p = m.history.now();
  p.kinds.clear();
  const auto started = Session::start(p, p.displays[0], measure);
  ASSERT_FALSE(started);
  EXPECT_THAT(started.error().text(), testing::HasSubstr("One"));
}

TEST(Stick, HasADeadZoneWithHysteresis) {
  Stick stick;
  EXPECT_FALSE(stick.update(0.49, 0));
  EXPECT_EQ(stick.update(0.51, 0), Dir::Right);
  EXPECT_EQ(stick.update(0.36, 0), Dir::Right);
  EXPECT_FALSE(stick.update(0.34, 0));
  EXPECT_FALSE(stick.update(0.49, 0)) << "once at rest it must leave again";
}

TEST(Stick, HoldsItsSectorTenDegreesBeyondTheDiagonal) {
  const auto at = [](double degrees) {
    return std::pair(std::cos(degrees * M_PI / 180), std::sin(degrees * M_PI / 180));
  };
  Stick stick;
  stick.update(1, 0);
  auto [x, y] = at(54);
  EXPECT_EQ(stick.update(x, y), Dir::Right);
  std::tie(x, y) = at(56);
  EXPECT_EQ(stick.update(x, y), Dir::Down);
  std::tie(x, y) = at(40);
  EXPECT_EQ(stick.update(x, y), Dir::Down);
  std::tie(x, y) = at(34);
  EXPECT_EQ(stick.update(x, y), Dir::Right);
}

}  // namespace
}  // namespace bristle
