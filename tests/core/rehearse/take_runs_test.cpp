#include "core/rehearse/take_runs.h"

#include <gmock/gmock.h>

#include "runtime/formats/take_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

// Two displays, two languages, one column of buttons.
Project twoByTwo() {
  Project p = test::columnMenu({"a", "b"});
  p.displays.resize(1);
  Display small = p.displays[0];
  small.id = {"small"};
  small.name = "Small <1>";
  p.displays.push_back(small);
  p.languages.push_back({.id = {"l2"}, .name = "Other"});
  return p;
}

Take downTo(const Project& p, const char* where) {
  Take take;
  take.name = "down & up";
  take.display = p.displays[0].id;
  InputEvent down;
  down.at = 100;
  down.type = InputType::Move;
  take.steps = {{down, 2}, {Expectation{100, where}, 3}};
  std::get<InputEvent>(take.steps[0].what).dir = Dir::Down;
  return take;
}

std::string lineDown(const Project& p) {
  const auto ids = test::buttons(p);
  return "focus " + ids[0].text + " → " + ids[1].text + " (down, solved)";
}

TEST(TakeRuns, GoThroughAllDisplaysAndLanguagesButThoseLeftOut) {
  const Project p = twoByTwo();
  Take take = downTo(p, lineDown(p).c_str());
  take.notOn = {{"small"}};
  const std::vector<Take> takes{take, downTo(p, "focus nowhere")};
  auto runs = runsOf(p, takes);
  ASSERT_EQ(runs.size(), 8u);
  for (TakeRun& each : runs) run(each, p, takes[each.take], PlainMeasure());
  for (const TakeRun& each : runs) {
    const TakeEnd wanted = each.take == 1                 ? TakeEnd::Failed
                           : each.display.text == "small" ? TakeEnd::LeftOut
                                                          : TakeEnd::Passed;
    EXPECT_EQ(each.end, wanted) << each.display.text << " " << each.language.text;
  }
  const std::vector<DisplayId> one{{"small"}};
  const std::vector<LanguageId> other{{"l2"}};
  EXPECT_EQ(runsOf(p, takes, one, other).size(), 2u);
}

TEST(TakeRuns, OneForADisplayOrAButtonThatIsGoneIsStoppedNotFailed) {
  const Project p = twoByTwo();
  Take take = downTo(p, lineDown(p).c_str());
  InputEvent click;
  click.at = 200;
  click.type = InputType::PointDown;
  click.device = Device::Mouse;
  click.name = "gone";
  take.steps.push_back({click, 4});
  TakeRun button{0, p.displays[0].id, p.languages[0].id};
  run(button, p, take, PlainMeasure());
  EXPECT_EQ(button.end, TakeEnd::Stopped);
  EXPECT_THAT(button.why, HasSubstr("gone"));
  TakeRun display{0, {"none"}, p.languages[0].id};
  run(display, p, take, PlainMeasure());
  EXPECT_EQ(display.end, TakeEnd::Stopped);
  TakeRun language{0, p.displays[0].id, {"none"}};
  run(language, p, take, PlainMeasure());
  EXPECT_EQ(language.end, TakeEnd::Stopped);
}

TEST(TakeRuns, ResultsAreXmlWithNothingInItUnescaped) {
  const Project p = twoByTwo();
  const std::vector<Take> takes{downTo(p, "focus <nowhere> & \"back\"")};
  auto runs = runsOf(p, takes);
  for (TakeRun& each : runs) run(each, p, takes[0], PlainMeasure());
  const std::string xml = junit(p, takes, runs);
  EXPECT_THAT(xml, HasSubstr("<testsuite name=\"down &amp; up\" tests=\"4\" failures=\"4\""));
  EXPECT_THAT(xml, HasSubstr("Small &lt;1&gt; · "));
  EXPECT_THAT(xml, HasSubstr("expected focus &lt;nowhere&gt; &amp; &quot;back&quot;"));
  EXPECT_THAT(xml, HasSubstr(lineDown(p)));
}

TEST(TakeRuns, WhereATakeIsNotMeantForIsKeptInItsFile) {
  Take take = downTo(twoByTwo(), "focus x");
  take.about = "goes down";
  take.notOn = {{"small"}, {"tv"}};
  take.notIn = {{"ar"}};
  const auto read = parseTake(writeTake(take));
  ASSERT_TRUE(read);
  EXPECT_EQ(read->about, take.about);
  EXPECT_EQ(read->notOn, take.notOn);
  EXPECT_EQ(read->notIn, take.notIn);
  const auto bad = parseTake("{\"take\":1,\"notOn\":[3]}\n");
  ASSERT_FALSE(bad);
  EXPECT_THAT(bad.error().text(), HasSubstr("expected a text, found 3"));
}

}  // namespace
}  // namespace bristle
