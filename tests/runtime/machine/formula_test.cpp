#include "runtime/machine/formula.h"

#include <gtest/gtest.h>

namespace bristle {
namespace {

Symbols symbols() {
  Symbols s;
  s.values = {{"v1"}, {"v2"}};
  return s;
}

double value(const std::string& text, std::uint8_t signals = 0,
             std::vector<double> values = {3, 4}) {
  const auto formula = compileFormula(text, symbols());
  EXPECT_TRUE(formula) << text << ": " << (formula ? "" : formula.error().text());
  return formula ? formula->value({signals}, values) : -999;
}

TEST(Formula, BindsAsSchoolArithmeticDoes) {
  EXPECT_EQ(value("1 + 2 * 3"), 7);
  EXPECT_EQ(value("(1 + 2) * 3"), 9);
  EXPECT_EQ(value("10 - 4 - 3"), 3);
  EXPECT_EQ(value("-2 * 3"), -6);
  EXPECT_EQ(value("8 / 2 / 2"), 2);
}

TEST(Formula, ReadsSignalsAndValues) {
  EXPECT_EQ(value("over", Signals::Over), 1);
  EXPECT_EQ(value("down", Signals::Over), 0);
  EXPECT_EQ(value("@v1 * 10 + @v2"), 34);
  EXPECT_EQ(value("not down and focus", Signals::Focus), 1);
  EXPECT_EQ(value("not down and focus", Signals::Focus | Signals::Down), 0);
}

TEST(Formula, AndBindsTighterThanOrAndComparisonTighterStill) {
  EXPECT_EQ(value("yes or no and no"), 1);
  EXPECT_EQ(value("@v1 < 4 and @v2 >= 4"), 1);
  EXPECT_EQ(value("@v1 = 3 and @v2 != 4"), 0);
}

TEST(Formula, EmptyAlwaysHoldsAndDivisionByZeroIsZero) {
  const auto empty = compileFormula("", symbols());
  ASSERT_TRUE(empty);
  EXPECT_TRUE(empty->holds({0}, {}));
  EXPECT_EQ(value("5 / 0"), 0);
}

struct Bad {
  const char* text;
  const char* place;
};

class BadFormula : public testing::TestWithParam<Bad> {};

TEST_P(BadFormula, IsRefusedWithItsPlace) {
  const auto formula = compileFormula(GetParam().text, symbols());
  ASSERT_FALSE(formula);
  EXPECT_EQ(formula.error().place, GetParam().place);
  EXPECT_NE(formula.error().reason.find("expected"), std::string::npos) << formula.error().reason;
}

INSTANTIATE_TEST_SUITE_P(All, BadFormula,
                         testing::Values(Bad{"over and", "column 9"}, Bad{"over over", "column 6"},
                                         Bad{"(over", "column 6"}, Bad{"@v9 > 1", "column 1"},
                                         Bad{"1 + hoover", "column 5"}, Bad{"1..2", "column 1"},
                                         Bad{"# 1", "column 1"}));

TEST(Formula, HostileNestingIsRefusedNotRun) {
  std::string brackets(5000, '(');
  brackets += "1";
  brackets.append(5000, ')');
  EXPECT_FALSE(compileFormula(brackets, symbols()));
  std::string deep = "1";
  for (int i = 0; i < 100; ++i) deep = "1 + (" + deep + ")";
  EXPECT_FALSE(compileFormula(deep, symbols()));
}

}  // namespace
}  // namespace bristle
