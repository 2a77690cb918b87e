// What is written as SARIF says what the standard wants said, and its fixes do what the mends do.
#include "core/formats/sarif.h"

#include <gmock/gmock.h>

#include <nlohmann/json.hpp>

#include "core/edit/accept_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/check.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

using nlohmann::json;

// Something that can be mended, something that cannot, and something accepted.
struct Told {
  Project project = columnMenu({"Dive", "Chart"});
  std::string text;
  SortedFindings found;
  Told() {
    project.kinds[0].edit().height = 11;
    project.settings.leastHit = 25;
    project.settings.leastGap = 0;
    Project p = project;
    for (const Finding& f : check(p))
      if (f.item == buttons(p)[1] && f.rule == "idle-button")
        project = after(project, acceptFindings({f.key}, "“later”", "2026-12-01"));
    text = writeProject(project);
    found = sorted(project, check(project));
  }
  json log(const std::set<std::string>* baseline = nullptr) const {
    return json::parse(sarif(project, found, {"menu.bristle", text}, baseline));
  }
};

// Of whole lines, as a reader of the log would.
std::string withReplacement(const std::string& text, const json& replacement) {
  std::vector<std::string> lines;
  std::string line;
  for (const char c : text) {
    line += c;
    if (c == '\n') lines.push_back(std::exchange(line, {}));
  }
  if (!line.empty()) lines.push_back(line);
  const auto& region = replacement["deletedRegion"];
  EXPECT_EQ(region["startColumn"], 1);
  EXPECT_EQ(region["endColumn"], 1);
  std::string out;
  for (size_t i = 0; i + 1 < region["startLine"]; ++i) out += lines[i];
  out += replacement["insertedContent"]["text"].get<std::string>();
  for (size_t i = region["endLine"].get<size_t>() - 1; i < lines.size(); ++i) out += lines[i];
  return out;
}

TEST(Sarif, SaysWhatTheStandardWantsSaid) {
  const Told told;
  ASSERT_GE(told.found.open.size(), 2U);
  ASSERT_EQ(told.found.accepted.size(), 1U);
  const json log = told.log();
  EXPECT_EQ(log["version"], "2.1.0");
  ASSERT_EQ(log["runs"].size(), 1U);
  const json& run = log["runs"][0];
  const json& rules = run["tool"]["driver"]["rules"];
  EXPECT_EQ(run["tool"]["driver"]["name"], "Bristle");
  ASSERT_EQ(run["results"].size(), told.found.open.size() + 1);
  for (const json& result : run["results"]) {
    EXPECT_EQ(rules[result["ruleIndex"].get<size_t>()]["id"], result["ruleId"]);
    EXPECT_TRUE(result["level"] == "error" || result["level"] == "warning" ||
                result["level"] == "note");
    EXPECT_FALSE(result["message"]["text"].get<std::string>().empty());
    ASSERT_TRUE(result["locations"].is_array());
    const json& place = result["locations"][0]["physicalLocation"]["artifactLocation"];
    EXPECT_EQ(place["uri"], "menu.bristle");
    EXPECT_EQ(run["artifacts"][place["index"].get<size_t>()]["location"]["uri"], "menu.bristle");
    EXPECT_TRUE(result["locations"][0]["logicalLocations"].is_array());
    EXPECT_FALSE(result.contains("baselineState"));
  }
  const json& last = run["results"].back();
  ASSERT_TRUE(last["suppressions"].is_array());
  EXPECT_EQ(last["suppressions"][0]["justification"], "“later”");
  EXPECT_EQ(last["suppressions"][0]["kind"], "external");
}

TEST(Sarif, AFixDoesWhatTheMendDoes) {
  const Told told;
  int fixes = 0;
  const json log = told.log();
  for (size_t i = 0; i < told.found.open.size(); ++i) {
    const json& result = log["runs"][0]["results"][i];
    const Finding& f = told.found.open[i];
    EXPECT_EQ(result.contains("fixes"), !f.mends.empty()) << f.key;
    for (size_t m = 0; m < f.mends.size(); ++m, ++fixes) {
      const json& change = result["fixes"][m]["artifactChanges"][0];
      EXPECT_EQ(withReplacement(told.text, change["replacements"][0]),
                writeProject(after(told.project, f.mends[m])));
    }
  }
  EXPECT_GE(fixes, 1);
  // Of a file that stands otherwise on the disk nobody knows where what is.
  const json other = json::parse(sarif(told.project, told.found, {"menu.bristle", "{}"}));
  for (const json& result : other["runs"][0]["results"]) EXPECT_FALSE(result.contains("fixes"));
}

TEST(Sarif, ABaselineTellsWhatIsNew) {
  const Told told;
  const auto keys = keysInSarif(told.log().dump());
  ASSERT_TRUE(keys);
  EXPECT_EQ(keys->size(), told.found.open.size() + 1);
  std::set<std::string> before = *keys;
  before.erase(told.found.open[0].key);
  before.insert("focus start screen gone");
  const json log = told.log(&before);
  EXPECT_EQ(log["runs"][0]["results"][0]["baselineState"], "new");
  EXPECT_EQ(log["runs"][0]["results"][1]["baselineState"], "unchanged");
  EXPECT_EQ(log["runs"][0]["results"].back()["baselineState"], "absent");
  EXPECT_EQ(log["runs"][0]["results"].back()["ruleId"], "focus start");
  const auto later = keysInSarif(log.dump());
  ASSERT_TRUE(later);
  EXPECT_FALSE(later->contains("focus start screen gone")) << "absent ones are gone";
}

TEST(Sarif, WhatIsNoneIsRefused) {
  for (const char* text : {"", "[]", "{}", R"({"version":"2.0.0","runs":[]})",
                           R"({"version":"2.1.0","runs":{}})", "{\"version\":"})
    EXPECT_FALSE(keysInSarif(text)) << text;
  EXPECT_TRUE(keysInSarif(R"({"version":"2.1.0","runs":[{"results":[{"x":1},7]}]})"));
}

}  // namespace
}  // namespace bristle::test
