// `bristle findings` as somebody calls it.
#include <nlohmann/json.hpp>

#include "command/command_fixture.h"
#include "core/edit/accept_edits.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"

namespace bristle::test {
namespace {

using testing::HasSubstr;
using testing::Not;

class FindingsCommand : public CommandLine {
 protected:
  // Too low to be hit, and the second button does nothing.
  FindingsCommand() {
    project = columnMenu({"Dive", "Chart"});
    edit(project.screens[0].edit(), buttons(project)[0])->button()->actions = {
        {.type = ActionType::Message, .message = "m"}};
    project.kinds[0].edit().height = 12;
    project.settings.leastHit = 26;
    project.settings.leastGap = 0;
    file = write("menu.bristle", writeProject(project));
  }
  nlohmann::json listed() { return nlohmann::json::parse(out)["findings"]; }
  Project project;
  std::string file;
};

TEST_F(FindingsCommand, ListsThemWithWhyTheyMatter) {
  EXPECT_EQ(run({"findings", file}), 1);
  EXPECT_THAT(out, HasSubstr("[warning, hit-size]"));
  EXPECT_THAT(out, HasSubstr("[note, idle-button]"));
  EXPECT_EQ(run({"findings", file, "--json", "--rule", "hit-size"}), 1);
  ASSERT_EQ(listed().size(), 1u);
  EXPECT_EQ(listed()[0]["figure"], 12);
  EXPECT_EQ(listed()[0]["standard"], "WCAG 2.2 §2.5.8");
  EXPECT_EQ(run({"findings", file, "--rule", "nonsense"}), 2);
  EXPECT_THAT(err, HasSubstr("nonsense"));
  EXPECT_EQ(run({"findings", "--rules"}), 0);
  EXPECT_THAT(out, HasSubstr("hit-size"));
  EXPECT_EQ(run({"findings"}), 2);
}

// What only shows on one display, or in one language, is only told where that is looked at.
TEST_F(FindingsCommand, OnDisplaysAndInLanguages) {
  project.languages.push_back({{"de"}, "de", "German", false, {}, {}});
  const ItemId dive = buttons(project)[0];
  edit(project.screens[0].edit(), dive)->button()->caption.others[{"de"}] =
      "Mit dem kleinen Unterseeboot in die Tiefe des Meeres hinab";
  write("menu.bristle", writeProject(project));
  EXPECT_EQ(run({"findings", file, "--json", "--rule", "caption-cut"}), 1);
  ASSERT_EQ(listed().size(), 1u);
  EXPECT_EQ(listed()[0]["language"], "de");
  const std::string base = project.languages[0].id.text;
  EXPECT_EQ(run({"findings", file, "--rule", "caption-cut", "--language", base}), 0) << out;
  EXPECT_EQ(run({"findings", file, "--display", "d9"}), 2);
  EXPECT_THAT(err, HasSubstr("d9"));
}

TEST_F(FindingsCommand, MendsOneOrAll) {
  EXPECT_EQ(run({"findings", file, "--mend", "nothing"}), 2);
  EXPECT_EQ(run({"findings", file, "--json", "--rule", "hit-size"}), 1);
  const std::string key = listed()[0]["key"];
  run({"findings", file, "--mend", key});
  EXPECT_THAT(err, HasSubstr("1 mended"));
  EXPECT_THAT(out, Not(HasSubstr("hit-size")));
  const auto saved = parseProject(*readFile(file));
  ASSERT_TRUE(saved);
  EXPECT_GT(saved->project.kinds[0]->hitPadding, 0);
  write("menu.bristle", writeProject(project));
  run({"findings", file, "--mend-all"});
  EXPECT_THAT(err, HasSubstr("mended"));
  EXPECT_THAT(out, Not(HasSubstr("hit-size")));
}

TEST_F(FindingsCommand, OnlyWhatIsNewSinceABaseline) {
  const std::string log = path("old.sarif");
  EXPECT_EQ(run({"findings", file, "--sarif", log}), 1);
  EXPECT_EQ(run({"findings", file, "--baseline", log}), 0) << out;
  edit(project.screens[0].edit(), buttons(project)[1])->button()->caption = "Dive";
  write("menu.bristle", writeProject(project));
  EXPECT_EQ(run({"findings", file, "--baseline", log}), 1);
  EXPECT_THAT(out, HasSubstr("same-name"));
  EXPECT_THAT(out, Not(HasSubstr("hit-size")));
  EXPECT_EQ(run({"findings", file, "--baseline", write("none.sarif", "{}")}), 2);
  EXPECT_THAT(err, HasSubstr("SARIF"));
}

// One page that fetches and runs nothing, whatever captions hold.
TEST_F(FindingsCommand, AsAPageForColleagues) {
  edit(project.screens[0].edit(), buttons(project)[1])->button()->caption =
      "<script>alert(\"x\")</script>";
  write("menu.bristle", writeProject(project));
  EXPECT_EQ(run({"findings", file, "--html", path("report.html")}), 1);
  const std::string page = *readFile(path("report.html"));
  EXPECT_THAT(page, HasSubstr("Content-Security-Policy"));
  EXPECT_THAT(page, HasSubstr("class=\"mark\""));
  EXPECT_THAT(page, HasSubstr("data:image/png;base64,"));
  EXPECT_THAT(page, HasSubstr("WCAG 2.2 §2.5.8"));
  EXPECT_THAT(page, Not(HasSubstr("<script")));
  EXPECT_THAT(page, HasSubstr("&lt;script"));
  EXPECT_THAT(page, Not(testing::ContainsRegex("(src|href)=\"http")));
}

TEST_F(FindingsCommand, WhatIsAcceptedIsNotTold) {
  EXPECT_EQ(run({"findings", file, "--json"}), 1);
  for (const auto& each : listed())
    project = after(project, acceptFindings({each["key"]}, "shown at the fair only", "2026-12-01"));
  project = after(project, acceptFindings({"hit-size kind gone"}, "was so once", ""));
  write("menu.bristle", writeProject(project));
  EXPECT_EQ(run({"findings", file}), 0) << out;
  EXPECT_THAT(out, HasSubstr("accepted, and not found any more: hit-size kind gone"));
}

}  // namespace
}  // namespace bristle::test
