#include "core/rehearse/set_up.h"

#include <gtest/gtest.h>

#include "support/menus.h"

namespace bristle {
namespace {

TEST(SetUp, ChangesOnlyWhatIsSaid) {
  Project p = test::columnMenu({"One"});
  p.languages.push_back({.id = {"l2"}, .name = "Other"});
  p.values.push_back({.id = {"v"}, .name = "level", .start = 1, .least = 0, .most = 3});
  bristle::SetUp setUp;
  EXPECT_EQ(asSetUp(p, setUp, {}).values, p.values);
  setUp.dark = true;
  setUp.rightToLeft = true;
  setUp.starts = {{{"v"}, 9}, {{"gone"}, 1}};
  const Project as = asSetUp(p, setUp, {"l2"});
  EXPECT_TRUE(as.settings.darkSet);
  EXPECT_FALSE(as.languages[0].rightToLeft);
  EXPECT_TRUE(as.languages[1].rightToLeft);
  EXPECT_EQ(as.values[0].start, 3) << "within its limits";
}

}  // namespace
}  // namespace bristle
