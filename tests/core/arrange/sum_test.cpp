// Numbers typed as sums.
#include "core/arrange/sum.h"

#include <gtest/gtest.h>

#include <string>

namespace bristle {
namespace {

TEST(Sum, IsWorkedOutAsAtSchool) {
  EXPECT_EQ(sumOf("1920/3-20"), 620);
  EXPECT_EQ(sumOf(" 2 + 3 * 4 "), 14);
  EXPECT_EQ(sumOf("(2+3)*4"), 20);
  EXPECT_EQ(sumOf("100 - 10 - 1"), 89);
  EXPECT_EQ(sumOf("-(4.5)"), -4.5);
  EXPECT_EQ(sumOf("3 × 5 − 20 ÷ 4"), 10);
  EXPECT_EQ(sumOf("7"), 7);
}

TEST(Sum, WhatIsNoSumIsNothing) {
  for (const char* text : {"", "  ", "12 px", "1920/", "(2", "2)", "1..2", "1/0", "1/(3-3)", "far",
                           "0/0", "2 3", "1e5"})
    EXPECT_EQ(sumOf(text), std::nullopt) << text;
  EXPECT_EQ(sumOf(std::string(100000, '(')), std::nullopt);
  EXPECT_EQ(sumOf(std::string(100000, '-') + "1"), std::nullopt);
}

}  // namespace
}  // namespace bristle
