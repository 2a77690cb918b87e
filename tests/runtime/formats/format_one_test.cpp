// Files of format 1 are brought up: the sample of it stays for ever.
#include "runtime/formats/format_one.h"

#include <gmock/gmock.h>

#include "core/formats/file_io.h"
#include "runtime/document/tree.h"
#include "runtime/formats/project_file.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/take_player.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

OpenedProject opened(const std::string& text) {
  auto read = parseProject(text);
  if (!read) throw std::runtime_error(read.error().text());
  return std::move(*read);
}

std::string sample(const char* name) {
  return *readFile(test::sourcePath(std::string("tests/samples/") + name));
}

TEST(FormatOne, TheSampleRunsAsItDidWhenItWasWritten) {
  const OpenedProject old = opened(sample("saltglass.format-1.bristle"));
  EXPECT_FALSE(old.readOnly);
  EXPECT_THAT(old.note, HasSubstr("earlier"));
  EXPECT_THAT(old.broughtUp, IsEmpty()) << "nothing of it is seen";
  const auto take = parseTake(sample("saltglass.take.jsonl"));
  const auto result = play(old.project, *take, PlainMeasure());
  ASSERT_TRUE(result) << result.error().text();
  EXPECT_THAT(result->failures, IsEmpty());
  std::string trace;
  for (const TraceEntry& entry : result->trace)
    trace += std::to_string(entry.at) + "\t" + toLine(entry) + "\n";
  EXPECT_EQ(trace, sample("saltglass.trace"));
}

TEST(FormatOne, WhatIsBroughtUpIsWrittenInTheFormatOfToday) {
  const OpenedProject old = opened(sample("saltglass.format-1.bristle"));
  const std::string text = writeProject(old.project);
  EXPECT_THAT(text, HasSubstr("\"format\": 2"));
  const OpenedProject again = opened(text);
  EXPECT_EQ(again.note, "");
  EXPECT_TRUE(equal(again.project, old.project));
  EXPECT_EQ(writeProject(again.project), text);
}

std::string oldFile(const std::string& items, const std::string& settings = "{}") {
  return R"({"bristle":{"format":1,"readableBy":1},"name":"p","settings":)" + settings +
         R"(,"displays":[{"id":"tv","width":1920,"height":1080}],
           "screens":[{"id":"s","name":"S","items":[)" +
         items + "]}]}";
}

std::vector<std::string> orderOf(const Project& p) {
  std::vector<std::string> out;
  for (const auto& item : p.screens[0]->items)
    out.push_back(item->id.text + (item->parent ? "<" + item->parent.text : ""));
  return out;
}

constexpr const char* kPanel = R"({"id":"%","type":"panel","x":1,"y":2)";

std::string panel(const char* id, const char* in = nullptr) {
  std::string out = kPanel;
  out.replace(out.find('%'), 1, id);
  return out + (in ? std::string(R"(,"in":")") + in + "\"}" : "}");
}

std::string column(const char* id, const char* in = nullptr) {
  return std::string(R"({"id":")") + id + R"(","type":"column")" +
         (in ? std::string(R"(,"in":")") + in + "\"}" : "}");
}

TEST(FormatOne, AContainerGoesToWhereTheFirstThatIsInItWas) {
  const auto old = opened(oldFile(panel("a") + "," + panel("b", "c") + "," + panel("x", "c") + "," +
                                  panel("d") + "," + column("c")));
  EXPECT_THAT(orderOf(old.project), ElementsAre("a", "c", "b<c", "x<c", "d"));
  EXPECT_THAT(old.broughtUp, IsEmpty()) << "the panels are painted in the same order";
}

TEST(FormatOne, ItemsThatArePaintedInAnotherOrderNowAreTold) {
  const auto old = opened(
      oldFile(column("c") + "," + panel("b", "c") + "," + panel("a") + "," + panel("d", "c")));
  EXPECT_THAT(orderOf(old.project), ElementsAre("c", "b<c", "d<c", "a"));
  EXPECT_THAT(old.broughtUp, ElementsAre(testing::AllOf(HasSubstr("(a)"), HasSubstr("painted"))));
}

TEST(FormatOne, WhatIsInNothingThatCouldHoldItLiesOnTheScreen) {
  const auto old = opened(oldFile(panel("a", "nowhere") + "," + panel("b", "a") + "," +
                                  column("c", "e") + "," + column("e", "c")));
  EXPECT_EQ(whyNoTree(*old.project.screens[0]), "");
  EXPECT_EQ(old.project.screens[0]->items.size(), 4U);
  EXPECT_THAT(old.broughtUp, testing::Contains(HasSubstr("nowhere")));
  EXPECT_GE(old.broughtUp.size(), 3U);
}

TEST(FormatOne, TheDirectionOfTheProjectBecomesThatOfItsLanguage) {
  for (const bool mirrored : {false, true}) {
    const auto old = opened(
        oldFile(panel("a"), mirrored ? R"({"rightToLeft":true})" : R"({"rightToLeft":false})"));
    ASSERT_EQ(old.project.languages.size(), 1U);
    EXPECT_EQ(old.project.languages[0].rightToLeft, mirrored);
    EXPECT_THAT(writeProject(old.project),
                testing::Not(HasSubstr(mirrored ? "\"rightToLeft\": false" : "rightToLeft")));
  }
  EXPECT_FALSE(parseProject(oldFile(panel("a"), R"({"rightToLeft":"yes"})")));
}

TEST(FormatOne, TooManyContainersInOneAnotherDoNoHarm) {
  std::string items = column("n0");
  for (int i = 1; i < 300; ++i)
    items += "," + column(("n" + std::to_string(i)).c_str(), ("n" + std::to_string(i - 1)).c_str());
  const auto old = opened(oldFile(items));
  EXPECT_EQ(whyNoTree(*old.project.screens[0]), "");
  EXPECT_EQ(old.project.screens[0]->items.size(), 300U);
  EXPECT_FALSE(old.broughtUp.empty());
}

}  // namespace
}  // namespace bristle
