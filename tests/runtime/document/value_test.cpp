#include "runtime/document/value.h"

#include <gtest/gtest.h>

#include "runtime/document/kind.h"
#include "support/layouts.h"

namespace bristle {
namespace {

TEST(Colour, TextGoesBothWays) {
  EXPECT_EQ(toHex({0x3b, 0x8c, 0x97, 255}), "#3b8c97");
  EXPECT_EQ(toHex({1, 2, 3, 4}), "#01020304");
  EXPECT_EQ(parseColour("#abc"), (Colour{0xaa, 0xbb, 0xcc, 255}));
  EXPECT_EQ(parseColour("#ABCDEF80"), (Colour{0xab, 0xcd, 0xef, 0x80}));
  for (const char* bad : {"", "#", "abc", "#abcd", "#gggggg", "#12345", "#+12345", "red"})
    EXPECT_FALSE(parseColour(bad)) << bad;
}

TEST(Value, WhatIsShownCanBeTypedBack) {
  test::Dice dice(9);
  const auto colour = [&] {
    const auto b = [&] { return static_cast<std::uint8_t>(dice.whole(0, 255)); };
    return Colour{b(), b(), b(), b()};
  };
  for (int i = 0; i < 200; ++i) {
    std::vector<Stop> stops;
    const int n = dice.whole(2, 5);
    for (int k = 0; k < n; ++k) stops.push_back({double(k) / (n - 1), colour()});
    Colour shade = colour();
    shade.a = std::max<std::uint8_t>(shade.a, 1);
    const Value values[] = {double(dice.whole(-900, 900)) / 8,
                            dice.chance(0.5),
                            colour(),
                            Fill{},
                            Fill::solid(colour()),
                            Fill::linear(dice.whole(0, 359), stops),
                            Shadow{},
                            Shadow{double(dice.whole(-9, 9)), 2, double(dice.whole(0, 30)),
                                   double(dice.whole(0, 4)), shade},
                            std::string("Inter Tight")};
    for (const Value& value : values) {
      const auto back = parseValue(toText(value), value, nullptr);
      ASSERT_TRUE(back) << toText(value);
      EXPECT_EQ(*back, value) << toText(value);
    }
  }
}

TEST(Value, WhatIsNotUnderstoodIsToldWithAnExample) {
  std::string expected;
  EXPECT_FALSE(parseValue("wide", 1.0, &expected));
  EXPECT_EQ(expected, "a number, for example 12 or 0.5");
  for (const char* bad : {"", "blue", "#123456 #12345", "1e999"}) {
    EXPECT_FALSE(parseValue(bad, Fill{}, &expected)) << bad;
    EXPECT_FALSE(expected.empty());
  }
  EXPECT_FALSE(parseValue("1 2", Shadow{}, &expected));
  EXPECT_FALSE(parseValue("0 0 -4", Shadow{}, &expected));
  EXPECT_FALSE(parseValue("maybe", true, &expected));
  EXPECT_EQ(std::get<double>(*parseValue(" 50% ", 1.0, nullptr)), 0.5);
  EXPECT_EQ(std::get<double>(*parseValue("12px", 1.0, nullptr)), 12);
}

TEST(LookValues, StaySortedWhateverTheOrder) {
  LookValues a, b;
  const PropKey keys[] = {{{"p2"}, Prop::Fill}, {{"p1"}, Prop::Size}, {{}, Prop::Scale}};
  for (int i = 0; i < 3; ++i) a.set(keys[i], double(i));
  for (int i = 3; i-- > 0;) b.set(keys[i], double(i));
  EXPECT_EQ(a, b);
  EXPECT_TRUE(a.clear(keys[0]));
  EXPECT_FALSE(a.clear(keys[0]));
  EXPECT_EQ(a.size(), 2U);
  EXPECT_EQ(a.find(keys[0]), nullptr);
}

}  // namespace
}  // namespace bristle
