#include "runtime/session/take_player.h"

#include <gmock/gmock.h>

#include "core/formats/file_io.h"
#include "runtime/formats/project_file.h"
#include "runtime/formats/take_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

Project demo() {
  const auto text = readFile(test::sourcePath("data/demo/saltglass-deep.bristle"));
  return parseProject(*text)->project;
}

std::string tour() {
  return *readFile(test::sourcePath("data/demo/tour.take.jsonl"));
}

std::vector<std::string> lines(const std::vector<TraceEntry>& trace) {
  std::vector<std::string> out;
  for (const TraceEntry& e : trace) out.push_back(std::to_string(e.at) + " " + toLine(e));
  return out;
}

TEST(Tour, PassesAndGivesTheSameTraceEveryTime) {
  const auto take = parseTake(tour());
  ASSERT_TRUE(take) << take.error().text();
  const PlainMeasure measure;
  const auto once = play(demo(), *take, measure), again = play(demo(), *take, measure);
  ASSERT_TRUE(once);
  for (const TakeFailure& f : once->failures)
    ADD_FAILURE() << "line " << f.source << ": " << f.expected;
  EXPECT_EQ(lines(once->trace), lines(again->trace));
}

// Three sections are visited; what that unlocks has its moment when one comes back, not beneath.
TEST(Tour, UnlocksTheSoundingsWhereOneCanSeeIt) {
  const auto take = parseTake(*readFile(test::sourcePath("data/demo/unlock.take.jsonl")));
  ASSERT_TRUE(take) << take.error().text();
  const PlainMeasure measure;
  const auto result = play(demo(), *take, measure);
  ASSERT_TRUE(result);
  EXPECT_TRUE(result->failures.empty());
  const auto all = lines(result->trace);
  EXPECT_NE(std::find(all.begin(), all.end(), "5200 state soundings unlocked → hover"), all.end());
}

TEST(Tour, OneFalsifiedExpectationFailsAndNothingElseDoes) {
  const PlainMeasure measure;
  auto take = *parseTake(tour());
  int falsified = 0;
  for (size_t i = 0; i < take.steps.size(); ++i) {
    auto* expected = std::get_if<Expectation>(&take.steps[i].what);
    if (!expected) continue;
    const std::string right = expected->line;
    expected->line += " never";
    const auto result = play(demo(), take, measure);
    ASSERT_EQ(result->failures.size(), 1U) << right;
    EXPECT_EQ(result->failures[0].source, take.steps[i].source);
    expected->line = right;
    ++falsified;
  }
  EXPECT_GT(falsified, 20);
}

TEST(Take, TimeHandedInInAnyPortionsGivesTheSameTrace) {
  const PlainMeasure measure;
  const Project project = demo();
  const auto take = *parseTake(tour());
  const auto coarse = play(project, take, measure);
  auto fine = Session::start(project, *find(project, take.display), measure);
  for (const TakeStep& step : take.steps) {
    const Ms until = step.what.index() == 0 ? std::get<InputEvent>(step.what).at
                                            : std::get<Expectation>(step.what).at;
    while (fine->now() < until) fine->feed({fine->now() + 1, InputType::Tick, {}, 0, 0, {}, true});
    if (step.what.index() == 0) fine->feed(*eventOf(step, *fine));
  }
  EXPECT_EQ(lines(fine->trace()), lines(coarse->trace));
}

struct Bad {
  const char* text;
  const char* place;
  const char* reason;
};

class BadTake : public testing::TestWithParam<Bad> {};

TEST_P(BadTake, IsRefusedWithItsLine) {
  const auto take = parseTake(GetParam().text);
  ASSERT_FALSE(take);
  EXPECT_THAT(take.error().place, HasSubstr(GetParam().place));
  EXPECT_THAT(take.error().reason, HasSubstr(GetParam().reason));
}

INSTANTIATE_TEST_SUITE_P(
    All, BadTake,
    testing::Values(
        Bad{"", "line 1", "empty"}, Bad{"not json\n", "line 1", "not valid JSON"},
        Bad{"{\"take\":2}\n", "line 1", "header"},
        Bad{"{\"take\":1}\n{\"at\":5,\"do\":\"accept\"}\nthat was it\n", "line 3",
            "not valid JSON"},
        Bad{"{\"take\":1}\n{\"at\":50,\"do\":\"accept\"}\n{\"at\":49,\"do\":\"accept\"}\n",
            "line 3", "50 ms or later"},
        Bad{"{\"take\":1}\n{\"at\":5,\"do\":\"fly\"}\n", "line 2, /do", "expected one of"},
        Bad{"{\"take\":1}\n{\"do\":\"accept\"}\n", "line 2, /at", "expected a time"},
        Bad{"{\"take\":1}\n{\"at\":5,\"do\":\"move\",\"dir\":\"north\"}\n", "line 2, /dir",
            "up, down"},
        Bad{"{\"take\":1}\n{\"at\":1e300,\"do\":\"accept\"}\n", "line 2, /at", "from 0"},
        Bad{"{\"take\":1}\n[1]\n", "line 2", "expected an object"}));

TEST(Take, NamingWhatIsNotThereIsAnErrorWithTheLine) {
  const PlainMeasure measure;
  auto take = *parseTake("{\"take\":1}\n{\"at\":5,\"do\":\"point\",\"on\":\"nobody\"}\n");
  auto result = play(demo(), take, measure);
  ASSERT_FALSE(result);
  EXPECT_THAT(result.error().text(), HasSubstr("line 2"));
  EXPECT_THAT(result.error().text(), HasSubstr("nobody"));
  take = *parseTake("{\"take\":1,\"display\":\"cinema\"}\n");
  result = play(demo(), take, measure);
  ASSERT_FALSE(result);
  EXPECT_THAT(result.error().text(), HasSubstr("cinema"));
}

}  // namespace
}  // namespace bristle
