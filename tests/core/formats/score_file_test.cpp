#include "core/formats/score_file.h"

#include <gmock/gmock.h>

#include "core/laws/check.h"
#include "runtime/formats/take_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;

class ScoreFile : public testing::Test {
 protected:
  Project project = fullProject();
  KindId kind = project.kinds[0]->id;
  Symbols symbols() const {
    return makeReady(*find(project, project.kinds[0]->machine), project)->symbols;
  }
};

TEST_F(ScoreFile, WhatWasDrawnComesBackAtItsTimes) {
  Score score;
  score.stretches = {{Lane::Over, 100, 900, false},
                     {Lane::Press, 300, 500, true},
                     {Lane::Disabled, 700, -1, false},
                     {Lane::Current, 0, -1, false}};
  score.marks = {{{Deed::SetValue, 250, 0, 3}}};
  score.length = 1500;
  const auto text = writeScore("drag", kind, score, project);
  ASSERT_TRUE(text) << text.error().text();
  EXPECT_TRUE(isKeptScore(*text));
  const auto back = parseScore(*text, project);
  ASSERT_TRUE(back) << back.error().text();
  EXPECT_EQ(back->name, "drag");
  EXPECT_EQ(back->kind, kind);
  EXPECT_EQ(back->score.length, 1500);
  EXPECT_EQ(sequenceOf(back->score), sequenceOf(score));
  std::vector<TakeFailure> failures;
  const auto lines = playKept(*back, project, failures);
  ASSERT_TRUE(lines);
  EXPECT_TRUE(failures.empty());
  EXPECT_THAT(*lines, testing::Contains("100\tstate normal → hover"));
}

// Whatever is drawn: out and in again it is the same, and it does what it did.
TEST_F(ScoreFile, AnyScoreComesBack) {
  for (std::uint64_t seed = 0; seed < 200; ++seed) {
    Dice dice(seed);
    Score score;
    for (int i = 0; i < 12; ++i) {
      const Ms from = dice.whole(0, 1800);
      setLane(score, Lane(dice.whole(0, kLaneCount - 1)), from, from + dice.whole(10, 400),
              dice.chance(0.8));
    }
    const auto text = writeScore("any", kind, score, project);
    const auto back = parseScore(*text, project);
    ASSERT_TRUE(back) << seed << ": " << back.error().text();
    ASSERT_EQ(sequenceOf(back->score), sequenceOf(score)) << seed;
    std::vector<TakeFailure> failures;
    ASSERT_TRUE(playKept(*back, project, failures));
    ASSERT_TRUE(failures.empty()) << seed << ": " << failures.front().expected;
  }
}

TEST_F(ScoreFile, AMachineThatDoesSomethingElseIsToldWithTheLine) {
  const auto text = writeScore("click", kind, scoreOf(Preset::Click), project);
  Machine& machine = *edit(project, project.kinds[0]->machine);
  std::erase_if(machine.transitions, [](const Transition& t) { return t.on == Event::Release; });
  std::vector<TakeFailure> failures;
  ASSERT_TRUE(playKept(*parseScore(*text, project), project, failures));
  ASSERT_FALSE(failures.empty());
  EXPECT_GT(failures.front().source, 1);
}

TEST_F(ScoreFile, BadLinesAreRefusedWithTheirPlace) {
  const std::string head = "{\"take\":1,\"kind\":\"" + kind.text + "\"}\n";
  const std::vector<std::pair<std::string, std::string>> wrong{
      {"", "empty"},
      {"{\"take\":1}\n", "of a kind"},
      {"{\"take\":1,\"kind\":\"k99\"}\n", "no kind"},
      {head + "{\"at\":1,\"do\":\"wriggle\"}\n", "what happens"},
      {head + "{\"at\":9,\"do\":\"over\"}\n{\"at\":3,\"do\":\"out\"}\n", "9 ms or later"},
      {head + "{\"at\":-1,\"do\":\"over\"}\n", "from 0"},
      {head + "{\"at\":70000,\"do\":\"over\"}\n", "60 000"},
      {head + "{\"at\":1,\"do\":\"value\",\"value\":\"v9\",\"to\":1}\n", "no value"},
      {head + "{\"at\":1,\"do\":\"over\"", "not valid JSON"}};
  for (const auto& [text, reason] : wrong) {
    const auto read = parseScore(text, project);
    ASSERT_FALSE(read) << text;
    EXPECT_THAT(read.error().text(), HasSubstr(reason)) << text;
  }
  const auto asTake = parseTake(*writeScore("x", kind, {}, project));
  ASSERT_FALSE(asTake);
  EXPECT_THAT(asTake.error().reason, HasSubstr("scope"));
}

}  // namespace
}  // namespace bristle::test
