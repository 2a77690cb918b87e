#include "core/laws/score.h"

#include <gtest/gtest.h>

#include "core/edit/templates.h"
#include "core/laws/check.h"
#include "support/layouts.h"

namespace bristle::test {
namespace {

TEST(Score, LanesBecomeStepsInAnOrderThatCanHappen) {
  Score score;
  setLane(score, Lane::Press, 300, 500, true);
  setLane(score, Lane::Over, 300, 520, true);
  const Sequence steps = sequenceOf(score);
  ASSERT_EQ(steps.size(), 4U);
  EXPECT_EQ(steps[0].deed, Deed::Over) << "the pointer is over it before it presses";
  EXPECT_EQ(steps[1].deed, Deed::PointerPress);
  EXPECT_EQ(steps[2].deed, Deed::Release) << "and lets go before it leaves";
  EXPECT_EQ(steps[3].deed, Deed::Out);
}

// behaviour.md §1: one cause changes both signals before an event is delivered.
TEST(Score, AFingerThatLiftsEndsPressAndOverAtOnce) {
  Score score;
  setLane(score, Lane::Over, 300, 500, true);
  setLane(score, Lane::Press, 300, 500, true);
  score.stretches[1].lifts = true;
  setLane(score, Lane::Over, 800, 900, true);
  setLane(score, Lane::Accept, 800, 900, true);
  const Sequence steps = sequenceOf(score);
  ASSERT_EQ(steps.size(), 7U);
  EXPECT_EQ(steps[2].deed, Deed::Lift);
  EXPECT_EQ(steps[5].deed, Deed::Release) << "a key knows nothing of the pointer";
  EXPECT_EQ(sequenceOf(scoreAsKept(steps)), steps);
  score.stretches[1].calledOff = true;
  ASSERT_EQ(score.stretches[1].lane, Lane::Press);
  EXPECT_EQ(sequenceOf(score)[2].deed, Deed::Gone);
}

TEST(Score, DrawingJoinsAndClearingCuts) {
  Score score;
  setLane(score, Lane::Focus, 100, 300, true);
  setLane(score, Lane::Focus, 250, 600, true);
  ASSERT_EQ(score.stretches.size(), 1U);
  EXPECT_EQ(score.stretches[0].to, 600);
  setLane(score, Lane::Focus, 200, 400, false);
  ASSERT_EQ(score.stretches.size(), 2U);
  EXPECT_EQ(score.stretches[0].to, 200);
  EXPECT_EQ(score.stretches[1].from, 400);
  setLane(score, Lane::Over, 0, 100, true);
  setLane(score, Lane::Focus, 0, 5000, false);
  ASSERT_EQ(score.stretches.size(), 1U);
  EXPECT_EQ(score.stretches[0].lane, Lane::Over) << "other lanes are left alone";
}

// A lane is on where it was drawn last, whatever was drawn before.
TEST(Score, ALaneIsWhatWasDrawnLast) {
  Dice dice(99);
  for (int round = 0; round < 200; ++round) {
    Score score;
    score.length = 400;
    std::array<bool, 400> expected{};
    for (int i = 0; i < 12; ++i) {
      const int from = dice.whole(0, 39) * 10, to = std::min(400, from + dice.whole(1, 12) * 10);
      const bool on = dice.chance(0.6);
      setLane(score, Lane::Over, from, to, on);
      for (int t = from; t < to; ++t) expected[size_t(t)] = on;
    }
    for (int t = 5; t < 400; t += 10) {
      bool on = false;
      for (const Stretch& s : score.stretches)
        on = on || (s.from <= t && (s.to < 0 ? score.length : s.to) > t);
      ASSERT_EQ(on, expected[size_t(t)]) << "round " << round << " at " << t;
    }
  }
}

TEST(Score, ASequenceThatBreaksALawStillDoesOnTheScope) {
  Machine m = menuButton({"m"}, "menu", Wins::Hover);
  std::erase_if(m.transitions, [](const Transition& t) {
    return t.from == StateId{"hover"} && t.on == Event::OverEnd && t.guard.empty();
  });
  const auto ready = makeReady(m, {});
  ASSERT_TRUE(ready);
  const LawReport report =
      checkLaws({m, ready->program, ready->symbols, ready->values, nullptr, nullptr});
  ASSERT_TRUE(report.of(Law::Rest).broken);
  const Score score = scoreOf(report.of(Law::Rest).sequence);
  const ScoreRun run = play(ready->program, ready->values, score);
  EXPECT_EQ(m.states[run.at(score.length)].id.text, "hover") << "left alone, it stays in hover";
}

TEST(Score, EveryPresetEndsAtRestOnAMenuButton) {
  const Machine m = menuButton({"m"}, "menu", Wins::Hover);
  const auto ready = makeReady(m, {});
  for (const Preset preset : allPresets()) {
    const ScoreRun run = play(ready->program, ready->values, scoreOf(preset));
    EXPECT_GT(run.states.size(), 2U) << nameOf(preset);
    EXPECT_EQ(run.at(2000), 0) << nameOf(preset);
  }
  int activations = 0;
  for (const Outcome& o : play(ready->program, ready->values, scoreOf(Preset::Click)).outcomes)
    activations += o.type == OutcomeType::Activate;
  EXPECT_EQ(activations, 1);
}

}  // namespace
}  // namespace bristle::test
