#include "runtime/machine/interpreter.h"

#include <gmock/gmock.h>

#include "core/edit/templates.h"
#include "runtime/machine/allocations.h"
#include "support/layouts.h"

namespace bristle {
namespace {

using test::Dice;

class Rig {
 public:
  explicit Rig(Machine m) : machine(std::move(m)) {
    symbols.values = {{"v1"}};
    auto compiled = Program::compile(machine, symbols);
    EXPECT_TRUE(compiled) << compiled.error().text();
    program = std::move(*compiled);
    out.reserve(64);
  }
  StepContext at() { return {now, values, &out}; }
  std::string state() const { return machine.states[run.state].id.text; }
  int activations() {
    int n = 0;
    for (const Outcome& o : out) n += o.type == OutcomeType::Activate;
    return n;
  }
  Machine machine;
  Symbols symbols;
  Program program;
  Running run;
  std::vector<double> values{0};
  std::vector<Outcome> out;
  Ms now = 0;
};

Machine menu(Wins wins) {
  return menuButton({"m"}, "menu button", wins);
}

TEST(MenuButton, PressedAndReleasedInsideActivatesOnce) {
  Rig rig(menu(Wins::Hover));
  setOver(rig.program, rig.run, true, rig.at());
  EXPECT_EQ(rig.state(), "hover");
  beginPress(rig.program, rig.run, false, rig.at());
  EXPECT_EQ(rig.state(), "pressed");
  EXPECT_EQ(rig.activations(), 0);
  endPress(rig.program, rig.run, rig.at());
  EXPECT_EQ(rig.state(), "hover");
  EXPECT_EQ(rig.activations(), 1);
}

TEST(MenuButton, DraggedOffShowsRestAndComesBackPressed) {
  Rig rig(menu(Wins::Hover));
  setOver(rig.program, rig.run, true, rig.at());
  beginPress(rig.program, rig.run, false, rig.at());
  setOver(rig.program, rig.run, false, rig.at());
  EXPECT_EQ(rig.state(), "normal");
  EXPECT_TRUE(rig.run.signals.has(Signals::Armed));
  setOver(rig.program, rig.run, true, rig.at());
  EXPECT_EQ(rig.state(), "pressed");
  setOver(rig.program, rig.run, false, rig.at());
  endPress(rig.program, rig.run, rig.at());
  EXPECT_EQ(rig.state(), "normal");
  EXPECT_EQ(rig.activations(), 0) << "released outside";
}

TEST(MenuButton, DisabledWhileHeldNeverActivatesAndStaysDisabled) {
  Rig rig(menu(Wins::Hover));
  setOver(rig.program, rig.run, true, rig.at());
  beginPress(rig.program, rig.run, false, rig.at());
  setEnabled(rig.program, rig.run, false, rig.at());
  EXPECT_EQ(rig.state(), "disabled");
  endPress(rig.program, rig.run, rig.at());
  beginPress(rig.program, rig.run, true, rig.at());
  EXPECT_EQ(rig.state(), "disabled");
  EXPECT_EQ(rig.activations(), 0);
  setEnabled(rig.program, rig.run, true, rig.at());
  EXPECT_EQ(rig.state(), "hover") << "the pointer is still over it";
}

TEST(MenuButton, LosingFocusGivesUpAKeyPressButNotAPointersPress) {
  for (const bool byKey : {true, false}) {
    Rig rig(menu(Wins::Hover));
    setOver(rig.program, rig.run, true, rig.at());
    setFocus(rig.program, rig.run, true, rig.at());
    beginPress(rig.program, rig.run, byKey, rig.at());
    setFocus(rig.program, rig.run, false, rig.at());
    EXPECT_EQ(rig.run.signals.has(Signals::Armed), !byKey);
    endPress(rig.program, rig.run, rig.at());
    EXPECT_EQ(rig.activations(), byKey ? 0 : 1);
  }
}

// One random thing from outside; nothing that could not happen.
void disturb(Rig& rig, Dice& dice) {
  const auto on = dice.chance(0.5);
  switch (dice.whole(0, 5)) {
    case 0:
      setOver(rig.program, rig.run, on, rig.at());
      break;
    case 1:
      setFocus(rig.program, rig.run, on, rig.at());
      break;
    case 2:
      setEnabled(rig.program, rig.run, dice.chance(0.7), rig.at());
      break;
    case 3:
      beginPress(rig.program, rig.run, on, rig.at());
      break;
    case 4:
      endPress(rig.program, rig.run, rig.at());
      break;
    case 5:
      abandonPress(rig.program, rig.run, rig.at());
      break;
  }
  rig.now += dice.whole(0, 50);
  advance(rig.program, rig.run, rig.at());
}

std::string called(Signals s, Wins wins) {
  if (!s.has(Signals::Enabled)) return "disabled";
  if (s.has(Signals::Down)) return "pressed";
  const bool over = s.has(Signals::Over), focus = s.has(Signals::Focus);
  if (wins == Wins::Hover) return over ? "hover" : focus ? "focused" : "normal";
  return focus ? "focused" : over ? "hover" : "normal";
}

class EveryOrder : public testing::TestWithParam<Wins> {};

TEST_P(EveryOrder, StateFollowsTheSignalsThroughAnyEvents) {
  for (std::uint64_t seed = 0; seed < 200; ++seed) {
    Rig rig(menu(GetParam()));
    Dice dice(seed);
    for (int i = 0; i < 200; ++i) {
      disturb(rig, dice);
      ASSERT_EQ(rig.state(), called(rig.run.signals, GetParam()))
          << "seed " << seed << ", step " << i;
      rig.out.clear();
    }
  }
}

TEST_P(EveryOrder, EachReleaseActivatesExactlyOnceAndNothingElseDoes) {
  for (std::uint64_t seed = 0; seed < 100; ++seed) {
    Rig rig(menu(GetParam()));
    Dice dice(seed);
    for (int i = 0; i < 200; ++i) {
      disturb(rig, dice);
      rig.out.clear();
      const bool down = rig.run.signals.has(Signals::Down);
      endPress(rig.program, rig.run, rig.at());
      ASSERT_EQ(rig.activations(), down ? 1 : 0) << "seed " << seed << ", step " << i;
    }
  }
}

INSTANTIATE_TEST_SUITE_P(Both, EveryOrder, testing::Values(Wins::Hover, Wins::Focused));

Machine two(Event on, Ms after = 0) {
  Machine m;
  m.states = {{{"a"}, "a", Role::Rest, false, {}}, {{"b"}, "b", Role::None, false, {}}};
  Transition t;
  t.from = StateId{"a"};
  t.on = on;
  t.after = after;
  t.to = {"b"};
  m.transitions = {t};
  return m;
}

TEST(Timers, AfterComesAtItsOwnTimeHoweverTimeIsHandedIn) {
  for (const Ms stride : {1, 7, 250, 1000}) {
    Rig rig(two(Event::After, 250));
    while (rig.now < 1000) {
      rig.now += stride;
      advance(rig.program, rig.run, rig.at());
    }
    ASSERT_EQ(rig.out.size(), 1U);
    EXPECT_EQ(rig.out[0].at, 250);
    EXPECT_EQ(rig.run.enteredAt, 250);
  }
}

TEST(Timers, HoldComesOnceAndOnlyWhileDown) {
  Machine m = two(Event::Hold);
  m.hold = 600;
  Rig rig(m);
  beginPress(rig.program, rig.run, true, rig.at());
  rig.now = 599;
  advance(rig.program, rig.run, rig.at());
  EXPECT_EQ(rig.state(), "a");
  rig.now = 600;
  advance(rig.program, rig.run, rig.at());
  EXPECT_EQ(rig.state(), "b");
  Rig early(m);
  beginPress(early.program, early.run, true, early.at());
  early.now = 300;
  endPress(early.program, early.run, early.at());
  early.now = 5000;
  advance(early.program, early.run, early.at());
  EXPECT_EQ(early.state(), "a");
}

TEST(Timers, RepeatComesAfterTheDelayThenAtTheInterval) {
  Machine m = two(Event::Repeat);
  m.transitions[0].to = {"a"};
  m.transitions[0].effects = {{.type = EffectType::Activate}};
  m.repeatDelay = 400;
  m.repeatInterval = 100;
  Rig rig(m);
  beginPress(rig.program, rig.run, true, rig.at());
  rig.now = 750;
  advance(rig.program, rig.run, rig.at());
  EXPECT_EQ(rig.activations(), 4) << "at 400, 500, 600 and 700";
}

TEST(Timers, AnEndlessChainWithoutTimeIsCutAndTold) {
  Machine m = two(Event::After, 0);
  Transition back = m.transitions[0];
  back.from = StateId{"b"};
  back.to = {"a"};
  m.transitions.push_back(back);
  Rig rig(m);
  advance(rig.program, rig.run, rig.at());
  ASSERT_FALSE(rig.out.empty());
  EXPECT_EQ(rig.out.back().type, OutcomeType::Runaway);
  const size_t told = rig.out.size();
  advance(rig.program, rig.run, rig.at());
  EXPECT_EQ(rig.out.size(), told) << "once is enough";
}

TEST(Order, OwnTransitionsComeBeforeCommonOnesAndGuardsDecide) {
  Machine m = two(Event::Press);
  Transition common = m.transitions[0];
  common.from.reset();
  common.to = {"a"};
  m.transitions.insert(m.transitions.begin(), common);
  m.transitions[1].guard = "over";
  Rig without(m), with(m);
  beginPress(without.program, without.run, true, without.at());
  EXPECT_EQ(without.state(), "a") << "the own one's guard does not hold: the common one is taken";
  setOver(with.program, with.run, true, with.at());
  beginPress(with.program, with.run, true, with.at());
  EXPECT_EQ(with.state(), "b");
}

TEST(Effects, SetValuesFromFormulasAndSendMessages) {
  Machine m = two(Event::Press);
  m.transitions[0].effects = {
      {.type = EffectType::SetValue, .value = {"v1"}, .formula = "@v1 * 2 + 1"},
      {.type = EffectType::Message, .message = "hull.open"}};
  Rig rig(m);
  rig.values = {5};
  beginPress(rig.program, rig.run, true, rig.at());
  ASSERT_EQ(rig.out.size(), 3U);
  EXPECT_EQ(rig.out[1].value, 11);
  EXPECT_EQ(rig.symbols.messages.at(rig.out[2].index), "hull.open");
}

TEST(Compile, RefusesBadGuardsWithTheirPlaceAndLeavesOutBrokenTransitions) {
  Machine m = two(Event::Press);
  m.transitions[0].guard = "over and";
  Symbols symbols;
  const auto bad = Program::compile(m, symbols);
  ASSERT_FALSE(bad);
  EXPECT_THAT(bad.error().place, testing::HasSubstr("transition 1, guard, column 9"));
  m.transitions[0].guard.clear();
  m.transitions[0].to = {"nowhere"};
  const auto program = Program::compile(m, symbols);
  ASSERT_TRUE(program);
  EXPECT_TRUE(program->candidates(0, Event::Press).empty());
  EXPECT_FALSE(Program::compile(Machine{}, symbols)) << "no states";
}

TEST(Interpreter, AllocatesNothingOnceWarm) {
  Rig rig(menu(Wins::Hover));
  Dice dice(1);
  for (int i = 0; i < 100; ++i) disturb(rig, dice), rig.out.clear();
  const long before = test::allocations();
  for (int i = 0; i < 10000; ++i) disturb(rig, dice), rig.out.clear();
  EXPECT_EQ(test::allocations(), before);
}

}  // namespace
}  // namespace bristle
