// Springs, timings by property, what moves while a state lasts, and reduced motion.
#include <gtest/gtest.h>

#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/timing_edits.h"
#include "core/laws/check.h"
#include "runtime/machine/easing.h"
#include "runtime/machine/look.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

Easing spring(double period, double damping) {
  Easing out;
  out.type = EasingType::Spring;
  out.period = period;
  out.damping = damping;
  return out;
}

TEST(Spring, StartsAtRestEndsAtItsTargetAndSwingsAsItsDampingSays) {
  for (const double damping : {0.05, 0.3, 0.7, 0.97, 0.99, 1.0, 1.5, 2.0}) {
    const Easing e = spring(240, damping);
    EXPECT_EQ(ease(e, 0), 0);
    EXPECT_EQ(ease(e, 1), 1);
    EXPECT_NEAR(ease(e, 0.001), 0, 0.01) << damping << ": it starts from standstill";
    EXPECT_NEAR(ease(e, 0.999), 1, 0.002) << damping << ": it comes to rest";
    double most = 0;
    for (int i = 0; i <= 4000; ++i) most = std::max(most, ease(e, i / 4000.0));
    // The first swing beyond the target of a damped oscillation: e^(−πζ/√(1−ζ²)).
    const double beyond =
        damping < 1 ? std::exp(-M_PI * damping / std::sqrt(1 - damping * damping)) : 0;
    EXPECT_NEAR(most - 1, beyond, 0.003) << damping;
  }
}

TEST(Spring, RestsLaterTheLongerItsPeriodAndTheLessItIsDamped) {
  EXPECT_NEAR(restsAfter(spring(480, 0.5)), 2 * restsAfter(spring(240, 0.5)), 1e-6);
  EXPECT_GT(restsAfter(spring(240, 0.2)), restsAfter(spring(240, 0.4)));
  EXPECT_GT(restsAfter(spring(240, 2)), restsAfter(spring(240, 1)));
  Timing timing{120, 0, spring(240, 0.5), {}, {}};
  EXPECT_NEAR(runTime(timing), restsAfter(timing.easing), 1e-9) << "not the timing's duration";
}

TEST(Spring, IsReadAndWrittenAsText) {
  const auto e = parseEasing("spring 320 0.45");
  ASSERT_TRUE(e);
  EXPECT_EQ(toText(*e), "spring 320 0.45");
  for (const char* text : {"spring", "spring 300", "spring 5 0.5", "spring 300 0", "spring 300 9",
                           "spring 300 0.5 1", "spring nan 0.5"})
    EXPECT_FALSE(parseEasing(text)) << text;
}

class Moving : public testing::Test {
 protected:
  History history{emptyProject()};
  KindId kind;
  MachineId machine;
  PartId part;

  void SetUp() override {
    must(history, addKind("Hatch", Wins::Hover));
    kind = history.now().kinds[0]->id;
    machine = history.now().machines[0]->id;
    part = history.now().kinds[0]->parts[0].id;
    must(history, setLook(kind, {StateId{"hover"}}, {part, Prop::OffsetX}, 40.0));
    must(history, setLook(kind, {StateId{"hover"}}, {part, Prop::Opacity}, 0.5));
  }
  const Machine& m() const { return *find(history.now(), machine); }
  std::shared_ptr<LookTable> table() const {
    return std::make_shared<LookTable>(*find(history.now(), kind), m(), naming(history.now()));
  }
  size_t transitionTo(const char* from, const char* to) const {
    for (size_t i = 0; i < m().transitions.size(); ++i)
      if (m().transitions[i].from == StateId{from} && m().transitions[i].to == StateId{to} &&
          m().transitions[i].guard.empty())
        return i;
    ADD_FAILURE() << from << " to " << to;
    return 0;
  }
  Pace pace(size_t transition) const {
    const auto ready = makeReady(m(), history.now());
    for (std::uint16_t i = 0; i < ready->program.transitionCount(); ++i)
      if (ready->program.transition(i).source == transition)
        return ready->program.transition(i).pace;
    return {};
  }
  double at(LookPlayer& player, Prop prop, Ms now) {
    const Look& look = player.at(now);
    return std::get<double>(look[size_t(player.table().channel({part, prop}))]);
  }
};

const Easing kEven{EasingType::Linear};

TEST_F(Moving, APropertyMayRunByATimingOfItsOwn) {
  const size_t in = transitionTo("normal", "hover");
  const auto even = [](Ms ms) {
    return [ms](Timing& t) { t = {ms, 0, {EasingType::Linear}, {}, {}}; };
  };
  must(history, changeTiming(machine, {in, {}}, false, "x", {}, even(100)));
  must(history, changeTiming(machine, {in, Prop::Opacity}, false, "x", {}, even(400)));
  LookPlayer player(table());
  player.go(1, pace(in), 0);
  EXPECT_NEAR(at(player, Prop::OffsetX, 50), 20, 1e-9);
  EXPECT_NEAR(at(player, Prop::Opacity, 50), 1 - 0.5 * 50 / 400, 1e-9);
  EXPECT_EQ(at(player, Prop::OffsetX, 100), 40);
  EXPECT_TRUE(player.moving(399));
  EXPECT_FALSE(player.moving(400));
}

TEST_F(Moving, WhatIsSaidOfATransitionCountsBeforeWhatIsSaidOfTheMachine) {
  const size_t in = transitionTo("normal", "hover");
  const auto takes = [](Ms ms) { return [ms](Timing& t) { t.duration = ms; }; };
  must(history, changeTiming(machine, {{}, Prop::Opacity}, false, "x", {}, takes(900)));
  EXPECT_EQ(pace(in).of(Prop::Opacity).duration, 900) << "the machine's, of the property";
  EXPECT_EQ(pace(in).of(Prop::OffsetX).duration, 110) << "the transition's, of all";
  must(history, changeTiming(machine, {in, Prop::Opacity}, false, "x", {}, takes(30)));
  EXPECT_EQ(pace(in).of(Prop::Opacity).duration, 30);
  must(history, clearTiming(machine, {in, Prop::Opacity}, false));
  EXPECT_EQ(pace(in).of(Prop::Opacity).duration, 900);
  must(history, clearTiming(machine, {in, {}}, false));
  EXPECT_EQ(pace(in).of(Prop::OffsetX).duration, m().timing.duration) << "the default";
}

TEST_F(Moving, InAndOutAreSetTogetherOrApart) {
  const size_t in = transitionTo("normal", "hover"), out = transitionTo("hover", "normal");
  EXPECT_EQ(wayBack(m(), in), std::vector<size_t>{out});
  const auto takes = [](Ms ms) { return [ms](Timing& t) { t.duration = ms; }; };
  must(history, changeTiming(machine, {in, {}}, true, "x", {}, takes(321)));
  EXPECT_EQ(timingAt(m(), {out, {}}).duration, 321);
  must(history, changeTiming(machine, {in, {}}, false, "x", {}, takes(77)));
  EXPECT_EQ(timingAt(m(), {out, {}}).duration, 321);
  EXPECT_EQ(timingAt(m(), {in, {}}).duration, 77);
  must(history, clearTiming(machine, {in, {}}, true));
  EXPECT_FALSE(isOwn(m(), {out, {}}));
}

TEST_F(Moving, TimesOutOfRangeAreRefused) {
  for (const Ms wrong : {Ms{-1}, Ms{600'001}, Ms{1} << 60}) {
    EXPECT_FALSE(history.perform(
        changeTiming(machine, {0, {}}, false, "x", {}, [&](Timing& t) { t.duration = wrong; })));
    EXPECT_FALSE(history.perform(changeTiming(machine, {{}, Prop::Fill}, false, "x", {},
                                              [&](Timing& t) { t.delay = wrong; })));
  }
  EXPECT_FALSE(history.perform(changeTiming(machine, {99, {}}, false, "x", {}, [](Timing&) {})));
}

StateMotion swing(const PropKey& key, int count) {
  return {0, 100, count, {{key, {{0, 0, kEven}, {0.5, 10, kEven}, {1, 0, kEven}}}}};
}

TEST_F(Moving, KeyFramesAddToTheLookRoundAndRound) {
  must(history, setMotion(kind, {"hover"}, swing({part, Prop::OffsetX}, 0), "move"));
  LookPlayer player(table(), 1);
  EXPECT_EQ(at(player, Prop::OffsetX, 0), 40);
  EXPECT_NEAR(at(player, Prop::OffsetX, 25), 45, 1e-9);
  EXPECT_NEAR(at(player, Prop::OffsetX, 50), 50, 1e-9);
  EXPECT_NEAR(at(player, Prop::OffsetX, 1075), 45, 1e-9);
  EXPECT_TRUE(player.moving(1'000'000));
}

TEST_F(Moving, AFlourishComesOnceAndHoldsItsEnd) {
  StateMotion once = swing({part, Prop::OffsetX}, 1);
  once.delay = 30;
  once.tracks[0].frames = {{0, -14, kEven}, {1, 2, kEven}};
  must(history, setMotion(kind, {"hover"}, once, "move"));
  LookPlayer player(table(), 1);
  EXPECT_NEAR(at(player, Prop::OffsetX, 10), 26, 1e-9) << "it waits where it begins";
  EXPECT_NEAR(at(player, Prop::OffsetX, 80), 34, 1e-9);
  EXPECT_NEAR(at(player, Prop::OffsetX, 5000), 42, 1e-9);
  EXPECT_TRUE(player.moving(129));
  EXPECT_FALSE(player.moving(131));
}

TEST_F(Moving, WhatIsAddedStaysInThePropertysRange) {
  StateMotion far = swing({part, Prop::Opacity}, 0);
  far.tracks[0].frames[1].add = 0.9;
  must(history, setMotion(kind, {"hover"}, far, "move"));
  LookPlayer player(table(), 1);
  EXPECT_EQ(at(player, Prop::Opacity, 50), 1);
}

// Whatever moves inside the states, an interruption starts from what is on screen.
TEST_F(Moving, NothingJumpsBetweenStatesThatMoveByThemselves) {
  for (const char* state : {"normal", "hover", "pressed"}) {
    StateMotion motion = swing({part, Prop::OffsetX}, state[0] == 'p' ? 1 : 0);
    motion.period = 400;
    must(history, setMotion(kind, {state}, motion, "move"));
  }
  Dice dice(5);
  for (int round = 0; round < 60; ++round) {
    LookPlayer player(table());
    Ms now = 0;
    double before = at(player, Prop::OffsetX, 0);
    for (int i = 0; i < 60; ++i) {
      player.go(StateIndex(dice.whole(0, 4)), Timing{dice.whole(50, 200), 0, kEven, {}, {}}, now);
      ASSERT_NEAR(at(player, Prop::OffsetX, now), before, 1e-9);
      for (const Ms until = now + dice.whole(1, 120); now < until;) {
        ++now;
        const double value = at(player, Prop::OffsetX, now);
        // 50 px in 50 ms, and 10 px in 200 ms on top.
        ASSERT_LE(std::abs(value - before), 50.0 / 50 + 10.0 / 200 + 1e-6) << now;
        before = value;
      }
    }
  }
}

TEST_F(Moving, ReducedMotionTakesNoTimeAndStandsStill) {
  must(history, setMotion(kind, {"hover"}, swing({part, Prop::OffsetX}, 0), "move"));
  StateMotion once = swing({part, Prop::OffsetX}, 1);
  once.tracks[0].frames.back().add = 3;
  must(history, setMotion(kind, {"pressed"}, once, "move"));
  LookPlayer player(table());
  player.setReduced(true);
  player.go(1, Timing{200, 50, kEven, {}, {}}, 10);
  EXPECT_EQ(at(player, Prop::OffsetX, 10), 40);
  EXPECT_EQ(at(player, Prop::OffsetX, 60), 40) << "what has no end adds nothing";
  EXPECT_FALSE(player.moving(10));
  player.go(2, Timing{200, 50, kEven, {}, {}}, 70);
  EXPECT_EQ(at(player, Prop::OffsetX, 70), 3) << "what ends has ended";
}

TEST_F(Moving, ReducedMotionEndsWhatIsOnItsWay) {
  LookPlayer player(table());
  player.go(1, Timing{200, 0, kEven, {}, {}}, 0);
  EXPECT_NEAR(at(player, Prop::OffsetX, 50), 10, 1e-9);
  player.setReduced(true);
  EXPECT_FALSE(player.moving(50));
  EXPECT_EQ(at(player, Prop::OffsetX, 50), 40);
}

TEST_F(Moving, OnlyWhatCanMoveIsTaken) {
  const auto wrong = [&](StateMotion motion, const char* why) {
    const auto before = history.now();
    EXPECT_FALSE(history.perform(setMotion(kind, {"hover"}, std::move(motion), "move"))) << why;
    EXPECT_TRUE(equal(before, history.now()));
  };
  StateMotion good = swing({part, Prop::OffsetX}, 0);
  wrong(swing({part, Prop::Fill}, 0), "a fill is no number");
  wrong(swing({{"nobody"}, Prop::OffsetX}, 0), "no such part");
  StateMotion bad = good;
  bad.period = 0;
  wrong(bad, "no period");
  bad = good;
  bad.count = -1;
  wrong(bad, "less than never");
  bad = good;
  bad.tracks[0].frames[1].at = 1.5;
  wrong(bad, "beyond the period");
  bad = good;
  bad.tracks[0].frames[1].add = 1e9;
  wrong(bad, "beyond the property");
  bad = good;
  bad.tracks.push_back(bad.tracks[0]);
  wrong(bad, "the same twice");
  EXPECT_FALSE(history.perform(setMotion(kind, {"nowhere"}, good, "move")));
}

TEST_F(Moving, GoesWithItsPartAndItsState) {
  must(history, setMotion(kind, {"hover"}, swing({part, Prop::OffsetX}, 0), "move"));
  must(history, setMotion(kind, {"pressed"}, swing({{}, Prop::Scale}, 0), "move"));
  must(history, removePart(kind, part));
  EXPECT_FALSE(find(history.now(), kind)->motions.contains({"hover"}));
  EXPECT_TRUE(find(history.now(), kind)->motions.contains({"pressed"}));
  history.undo();
  EXPECT_TRUE(find(history.now(), kind)->motions.contains({"hover"}));
  must(history, setMotion(kind, {"hover"}, {}, "none"));
  EXPECT_FALSE(find(history.now(), kind)->motions.contains({"hover"}));
}

TEST_F(Moving, ACopiedPartMovesAsItsOriginalDoes) {
  must(history, setMotion(kind, {"hover"}, swing({part, Prop::OffsetX}, 0), "move"));
  must(history, pastePart(kind, *copyOfPart(*find(history.now(), kind), part)));
  const Kind& now = *find(history.now(), kind);
  ASSERT_EQ(now.motions.at({"hover"}).tracks.size(), 2U);
  EXPECT_EQ(now.motions.at({"hover"}).tracks[1].key.part, now.parts.back().id);
}

TEST_F(Moving, EveryFlourishSuitsTheWholeButtonAndBeginsAndEndsWhereTheLookIs) {
  for (const Flourish which : allFlourishes()) {
    const StateMotion motion = flourish(which, {});
    must(history, setMotion(kind, {"hover"}, motion, std::string(nameOf(which))));
    EXPECT_EQ(motion.tracks[0].frames.back().add, 0) << nameOf(which);
    EXPECT_EQ(motion.count == 0, motion.tracks[0].frames.front().add == 0) << nameOf(which);
  }
}

}  // namespace
}  // namespace bristle::test
