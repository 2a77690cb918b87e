#include "core/rehearse/reel.h"

#include <gmock/gmock.h>

#include "core/formats/file_io.h"
#include "core/rehearse/keep_take.h"
#include "runtime/formats/project_file.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/take_player.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

Project saltglass() {
  return parseProject(*readFile(test::sourcePath("data/demo/saltglass-deep.bristle")))->project;
}

std::vector<std::string> linesOf(std::span<const TraceEntry> trace) {
  std::vector<std::string> out;
  for (const TraceEntry& e : trace) out.push_back(std::to_string(e.at) + " " + toLine(e));
  return out;
}

InputEvent anyEvent(test::Dice& dice, Ms at) {
  const auto type = static_cast<InputType>(dice.whole(1, 13));
  InputEvent e{at,
               type,
               static_cast<Device>(isPointerEvent(type) ? dice.whole(0, 1) : dice.whole(2, 3)),
               dice.real(0, 1920),
               dice.real(0, 1080),
               static_cast<Dir>(dice.whole(0, 3)),
               dice.chance(0.5)};
  e.unit = int(dice.whole(0, 1));
  e.key = int(dice.whole(0, 1));
  if (type == InputType::Enable) e.name = dice.chance(0.5) ? "helm" : "bay";
  if (type == InputType::Message || type == InputType::Shortcut) e.name = "flood";
  if (type == InputType::SetValue) e.name = "depth";
  return e;
}

struct Rehearsed {
  Project project = saltglass();
  PlainMeasure measure;
  Session begun = *Session::start(project, project.displays[0], measure);
  Reel reel{begun};
  Session plain = begun;  // fed with the same

  void feed(const InputEvent& event) {
    reel.feed(event);
    plain.feed(event);
  }
  void randomly(std::uint64_t seed, int events) {
    test::Dice dice(seed);
    Ms now = reel.now();
    for (int i = 0; i < events && !plain.ended(); ++i) {
      now += dice.whole(0, 200);
      if (dice.chance(0.3)) reel.runTo(now - 1);
      feed(anyEvent(dice, now));
    }
  }
};

TEST(Reel, TellsTheSameAsASessionThatWasNeverLookedBackIn) {
  for (std::uint64_t seed = 0; seed < 8; ++seed) {
    Rehearsed r;
    r.randomly(seed, 400);
    EXPECT_EQ(linesOf(r.reel.trace()), linesOf(r.plain.trace())) << seed;
  }
}

// As a session would be that has come so far for the first time, and the same comes after it.
TEST(Reel, AnyMomentIsAsItWasAndGoesOnAsItDid) {
  for (std::uint64_t seed = 0; seed < 6; ++seed) {
    Rehearsed r;
    r.randomly(seed, 300);
    const auto whole = linesOf(r.reel.trace());
    test::Dice dice(seed + 100);
    for (int i = 0; i < 12; ++i) {
      const Ms at = dice.whole(0, int(r.reel.end()));
      r.reel.seek(at);
      Session first = r.begun;
      for (const InputEvent& e : r.reel.fed())
        if (e.at <= at) first.feed(e);
      first.feed({.at = at});
      EXPECT_EQ(r.reel.now(), first.ended() ? r.reel.now() : at);
      EXPECT_EQ(r.reel.session().focused(), first.focused());
      EXPECT_EQ(r.reel.session().stack().size(), first.stack().size());
      EXPECT_EQ(r.reel.session().value({"depth"}), first.value({"depth"}));
      EXPECT_EQ(r.reel.happened(), first.trace().size());
    }
    r.reel.runTo(r.reel.end());
    EXPECT_EQ(linesOf(r.reel.trace()), whole) << seed;
  }
}

TEST(Reel, LookingBackLosesNothingAndGoingOnFromThereKeepsWhatWas) {
  Rehearsed r;
  r.randomly(3, 200);
  const auto whole = linesOf(r.reel.trace());
  const Ms end = r.reel.end();
  r.reel.seek(end / 2);
  EXPECT_EQ(linesOf(r.reel.trace()), whole);
  EXPECT_FALSE(r.reel.hasOther());
  InputEvent down;
  down.at = end / 2;
  down.type = InputType::Move;
  down.dir = Dir::Down;
  r.reel.feed(down);
  EXPECT_TRUE(r.reel.atEnd());
  EXPECT_LT(r.reel.trace().size(), whole.size());
  ASSERT_TRUE(r.reel.hasOther());
  r.reel.changeToOther();
  EXPECT_EQ(linesOf(r.reel.trace()), whole);
  EXPECT_EQ(r.reel.end(), end);
  r.reel.changeToOther();
  EXPECT_LT(r.reel.trace().size(), whole.size());
}

TEST(Reel, APressHeldWhereOneLooksBackIsLetGoWhenOneGoesOn) {
  Rehearsed r;
  InputEvent press;
  press.type = InputType::Accept;
  press.at = 100;
  r.feed(press);
  press.at = 500;
  press.down = false;
  r.feed(press);
  r.reel.seek(300);
  InputEvent wait;
  wait.at = 310;
  wait.type = InputType::Message;
  wait.name = "nobody";
  r.reel.feed(wait);
  r.reel.runTo(20'000);
  // It was given up, so it neither activates nor repeats.
  for (const TraceEntry& e : r.reel.trace()) EXPECT_NE(e.type, TraceType::Activate);
  const auto states = linesOf(r.reel.trace());
  EXPECT_THAT(states.back(), testing::Not(HasSubstr("→ pressed")));
}

TEST(Reel, EachEntryHasACauseAndTheyStandInOrder) {
  Rehearsed r;
  r.randomly(5, 300);
  size_t last = 0;
  for (const Cause& cause : r.reel.causes()) {
    EXPECT_GE(cause.trace, last);
    last = cause.trace;
    if (cause.event >= 0) {
      EXPECT_EQ(r.reel.fed()[size_t(cause.event)].at, cause.at);
    }
  }
  EXPECT_EQ(r.reel.causes().front().trace, 0u);
}

// Ten times as long as there is room for: copies grow apart, moments stay exact.
TEST(Reel, IsExactHoweverLongItIs) {
  Rehearsed r;
  for (int i = 0; i < 4'000; ++i) {
    InputEvent move;
    move.at = 300 * i;
    move.type = InputType::Move;
    move.dir = i % 2 ? Dir::Up : Dir::Down;
    move.down = i % 3 != 0;
    r.feed(move);
  }
  r.reel.seek(600'001);
  Session first = r.begun;
  for (const InputEvent& e : r.reel.fed())
    if (e.at <= 600'001) first.feed(e);
  EXPECT_EQ(r.reel.session().focused(), first.focused());
  EXPECT_EQ(r.reel.happened(), first.trace().size());
}

TEST(Reel, ReducedMotionKeepsWhatWasDone) {
  Rehearsed r;
  r.randomly(7, 100);
  const auto fed = r.reel.fed();
  r.reel.setReducedMotion(true);
  EXPECT_EQ(r.reel.fed(), fed);
  EXPECT_THAT(linesOf(r.reel.trace()).front(), HasSubstr("open screen"));
}

// Without what a pointer rests on: it is at the middle of its button then.
std::vector<std::string> doneIn(std::span<const TraceEntry> trace) {
  std::vector<std::string> out;
  for (const TraceEntry& e : trace)
    if (e.type == TraceType::Activate || e.type == TraceType::Open || e.type == TraceType::OnTop ||
        e.type == TraceType::Back || e.type == TraceType::Message || e.type == TraceType::Value)
      out.push_back(std::to_string(e.at) + " " + toLine(e));
  return out;
}

TEST(KeepTake, OfARandomRunDoesTheSameAgain) {
  for (std::uint64_t seed = 0; seed < 10; ++seed) {
    Rehearsed r;
    r.randomly(seed, 120);
    const auto take = keepTake(r.reel, {.name = "random"}, r.measure);
    ASSERT_TRUE(take) << take.error().text();
    const auto read = parseTake(writeTake(*take));
    ASSERT_TRUE(read) << read.error().text();
    const auto result = play(r.project, *read, r.measure);
    ASSERT_TRUE(result);
    EXPECT_TRUE(result->failures.empty())
        << "seed " << seed << ": " << result->failures[0].expected;
    EXPECT_EQ(doneIn(result->trace), doneIn(r.reel.trace())) << "seed " << seed;
  }
}

InputEvent pointAt(const Session& session, const char* button, Ms at, InputType type) {
  const ScreenRun& top = session.stack().back();
  InputEvent e;
  e.at = at;
  e.type = type;
  e.device = Device::Mouse;
  for (size_t i = 0; i < top.buttons.size(); ++i)
    if (top.buttons[i].item->id.text == button) {
      const Box& box = top.routes.input.boxes[i];
      e.x = box.x + box.w * 0.3;
      e.y = box.y + box.h * 0.6;
    }
  return e;
}

void click(Rehearsed& r, const char* button, Ms at) {
  r.reel.runTo(at);
  for (const InputType type : {InputType::Point, InputType::PointDown, InputType::PointUp})
    r.reel.feed(pointAt(r.reel.session(), button, at, type));
}

TEST(KeepTake, APointersPlaceIsItsButtonSoThatItPlaysOnEveryDisplay) {
  Rehearsed r;
  click(r, "bay", 500);
  click(r, "deck", 1'500);
  r.reel.runTo(2'500);
  const auto take = keepTake(r.reel, {.name = "in and out"}, r.measure);
  ASSERT_TRUE(take);
  EXPECT_THAT(writeTake(*take), HasSubstr("\"on\":\"deck\""));
  for (const Display& display : r.project.displays) {
    Take there = *take;
    there.display = display.id;
    const auto result = play(r.project, there, r.measure);
    ASSERT_TRUE(result) << display.name << ": " << result.error().text();
    EXPECT_TRUE(result->failures.empty()) << display.name;
  }
}

TEST(KeepTake, TrimmedItBeginsOnTheScreenThatWasOnTop) {
  Rehearsed r;
  click(r, "bay", 500);
  click(r, "deck", 1'500);
  r.reel.runTo(2'500);
  const auto take = keepTake(r.reel, {.name = "back", .from = 1'000, .until = 2'000}, r.measure);
  ASSERT_TRUE(take) << take.error().text();
  EXPECT_EQ(take->screen.text, "hull");
  Ms first = -1;
  for (const TakeStep& step : take->steps)
    if (const auto* e = std::get_if<InputEvent>(&step.what); e && first < 0) first = e->at;
  EXPECT_EQ(first, 500);
  const auto result = play(r.project, *take, r.measure);
  ASSERT_TRUE(result);
  EXPECT_TRUE(result->failures.empty());
}

TEST(KeepTake, ExpectsOnlyTheLinesPointedAt) {
  Rehearsed r;
  click(r, "bay", 500);
  r.reel.runTo(1'000);
  std::vector<size_t> opens;
  for (size_t i = 0; i < r.reel.trace().size(); ++i)
    if (r.reel.trace()[i].at >= 500 && r.reel.trace()[i].type == TraceType::OnTop)
      opens.push_back(i);
  ASSERT_EQ(opens.size(), 1u);
  const auto take = keepTake(r.reel, {.name = "opens", .expected = opens}, r.measure);
  ASSERT_TRUE(take);
  int expectations = 0;
  for (const TakeStep& step : take->steps) expectations += step.what.index() == 1;
  EXPECT_EQ(expectations, 1);
}

TEST(KeepTake, WhatIsAcceptedPassesAndExpectsNoMoreThanBefore) {
  Rehearsed r;
  click(r, "bay", 500);
  r.reel.runTo(1'000);
  Take take = *keepTake(r.reel, {.name = "changed"}, r.measure);
  const size_t before = take.steps.size();
  for (TakeStep& step : take.steps)
    if (auto* expected = std::get_if<Expectation>(&step.what);
        expected && expected->line.starts_with("put on top"))
      expected->line = "put on top nowhere";
  ASSERT_FALSE(play(r.project, take, r.measure)->failures.empty());
  const auto accepted = withWhatHappens(r.project, take, r.measure);
  ASSERT_TRUE(accepted) << accepted.error().text();
  EXPECT_EQ(accepted->steps.size(), before);
  EXPECT_TRUE(play(r.project, *accepted, r.measure)->failures.empty());
}

}  // namespace
}  // namespace bristle
