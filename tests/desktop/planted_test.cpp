// Faults of all sorts planted into the demos: all of them are found, and what a mend mends is gone.
#include <gtest/gtest.h>

#include <QFileInfo>
#include <algorithm>
#include <optional>

#include "core/findings/check.h"
#include "core/findings/review.h"
#include "core/formats/file_io.h"
#include "devices/sound_file.h"
#include "drive/faults.h"
#include "paint/painted_eyes.h"
#include "paint/pictures.h"
#include "paint/project_fonts.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

class Planted : public testing::TestWithParam<const char*> {
 protected:
  Planted() {
    const std::string file = std::string(BRISTLE_SOURCE) + "/data/" + GetParam();
    folder_ = QFileInfo(QString::fromStdString(file)).path().toStdString();
    project = parseProject(*readFile(file))->project;
    // One display is enough to find all of them, and each more takes its time.
    project.displays.resize(1);
    useFontsOf(QString::fromStdString(folder_));
    eyes_.emplace(QString::fromStdString(folder_));
  }
  // Again and again, so that only what has changed is looked at.
  Findings found(const Project& p) {
    return review_.check(p,
                         {.sound = [&](const std::string& f) { return whyNoSound(folder_, f); },
                          .picture = [&](const std::string& f) { return whyNoPicture(folder_, f); },
                          .eyes = &*eyes_});
  }
  static bool has(const Findings& all, const std::string& key) {
    return std::any_of(all.begin(), all.end(), [&](const Finding& f) { return f.key == key; });
  }
  Project project;
  std::string folder_;
  std::optional<PaintedEyes> eyes_;
  Review review_;
};

TEST_P(Planted, FaultsAreAllFound) {
  EXPECT_TRUE(found(project).empty()) << "a demo is sound";
  const auto rules = plantFaults(project);
  EXPECT_GE(rules.size(), 20u);
  const Findings all = found(project);
  for (const std::string& rule : rules)
    EXPECT_TRUE(std::any_of(all.begin(), all.end(), [&](const Finding& f) {
      return f.rule == rule;
    })) << rule;
}

// One of each rule that has mends, since each look takes its time.
TEST_P(Planted, AMendTakesItsFindingAwayAndBringsNoError) {
  plantFaults(project);
  const Findings all = found(project);
  std::vector<std::string_view> tried;
  for (const Finding& f : all) {
    if (f.mends.empty() || std::find(tried.begin(), tried.end(), f.rule) != tried.end()) continue;
    tried.push_back(f.rule);
    const auto mended = f.mends[0].apply(project);
    ASSERT_TRUE(mended) << f.key << ": " << mended.error().text();
    const Findings left = found(*mended);
    EXPECT_FALSE(has(left, f.key)) << f.key << ", by: " << f.mends[0].name;
    for (const Finding& now : left)
      EXPECT_TRUE(now.severity != Severity::Error || has(all, now.key))
          << f.mends[0].name << " brought " << now.key;
  }
  EXPECT_GE(tried.size(), 8u);
}

INSTANTIATE_TEST_SUITE_P(Demos, Planted,
                         testing::Values("demo/saltglass-deep.bristle",
                                         "glasshouse/fernhollow-glasshouse.bristle"));

}  // namespace
}  // namespace bristle
