#include "runtime/document/named.h"

#include <gtest/gtest.h>

#include "runtime/document/project.h"

namespace bristle {
namespace {

const PropertyInfo& info(PartType type, Prop prop) {
  return *findProperty(type, prop);
}

class Named : public testing::Test {
 protected:
  NamedValues values{
      {{"n1"},
       "tide.bright",
       NamedType::Colour,
       Colour{1, 2, 3, 255},
       Colour{9, 9, 9, 255},
       "",
       {}},
      {{"n2"}, "text", NamedType::Colour, NamedRef{{"n1"}}, {}, "", {}},
      {{"n3"}, "space", NamedType::Length, 12.0, {}, "", {}},
      {{"n4"}, "loop.a", NamedType::Length, NamedRef{{"n5"}}, {}, "", {}},
      {{"n5"}, "loop.b", NamedType::Length, NamedRef{{"n4"}}, {}, "", {}},
      {{"n6"},
       "dusk",
       NamedType::Gradient,
       Fill::linear(0, {{0, {0, 0, 0, 255}, {"n2"}}, {1, {255, 255, 255, 255}}}),
       {},
       "",
       {}},
  };
  Naming light{&values, false}, dark{&values, true};
};

TEST_F(Named, AliasesLeadToValuesInTheSetThatCounts) {
  EXPECT_EQ(std::get<Colour>(*light.settle({"n2"})), (Colour{1, 2, 3, 255}));
  EXPECT_EQ(std::get<Colour>(*dark.settle({"n2"})), (Colour{9, 9, 9, 255}));
  EXPECT_EQ(light.settle({"n4"}), nullptr) << "a circle";
  EXPECT_EQ(light.settle({"nowhere"}), nullptr);
}

TEST_F(Named, ANameTakesTheFormThatTheCellNeeds) {
  const auto& fill = info(PartType::Shape, Prop::Fill);
  const auto& corners = info(PartType::Shape, Prop::Radius);
  EXPECT_EQ(settled(NamedRef{{"n1"}}, fill, light), Value(Fill::solid({1, 2, 3, 255})));
  EXPECT_EQ(settled(NamedRef{{"n3"}}, corners, light), Value(Four::all(12)));
  EXPECT_EQ(settled(NamedRef{{"n4"}}, corners, light), corners.start) << "broken: the start value";
  const Fill dusk = std::get<Fill>(settled(NamedRef{{"n6"}}, fill, light));
  EXPECT_EQ(dusk.stops[0].colour, (Colour{1, 2, 3, 255}));
  EXPECT_FALSE(dusk.stops[0].named) << "no names are left";
}

TEST_F(Named, AColourInAShadowKeepsTheShadowsAlpha) {
  Shadow shadow{0, 2, 4, 0, {0, 0, 0, 100}, {"n1"}};
  const Shadow out = std::get<Shadow>(settled(shadow, info(PartType::Shape, Prop::Shadow), light));
  EXPECT_EQ(out.colour, (Colour{1, 2, 3, 100}));
}

TEST_F(Named, NamesAreTypedAndToldInCells) {
  const Value like = Fill{};
  const auto typed = parseValue("tide.bright #fff 30% #000 45°", like, nullptr, &light);
  ASSERT_TRUE(typed);
  const Fill& fill = std::get<Fill>(*typed);
  EXPECT_EQ(fill.stops[0].named, NamedId{"n1"});
  EXPECT_DOUBLE_EQ(fill.stops[1].at, 0.3);
  EXPECT_EQ(toText(*typed, &light), "tide.bright #ffffff 30% #000000 45°");
  EXPECT_EQ(*parseValue(toText(*typed, &light), like, nullptr, &light), *typed);
  EXPECT_EQ(*parseValue("dusk", like, nullptr, &light), Value(NamedRef{{"n6"}}));
  EXPECT_EQ(*parseValue("space", Four{}, nullptr, &light), Value(NamedRef{{"n3"}}));
  EXPECT_EQ(toText(NamedRef{{"n3"}}, &light), "space");
  EXPECT_EQ(toText(NamedRef{{"gone"}}, &light), "missing: gone");
  EXPECT_FALSE(parseValue("tide.bright", like, nullptr)) << "without the list no names";
  const auto shadow = parseValue("0 2 8 tide.bright 40%", Shadow{}, nullptr, &light);
  ASSERT_TRUE(shadow);
  EXPECT_EQ(toText(*shadow, &light), "0 2 8 tide.bright 40%");
}

TEST(NamedNames, WhatTheTokensFormatCannotSayIsNoName) {
  EXPECT_EQ(whyNoName("tide.bright-2"), "");
  for (const char* bad : {"", "a..b", ".a", "a.", "a{b", "$a", "a.$b", "a b"})
    EXPECT_NE(whyNoName(bad), "") << bad;
}

TEST(NamedNames, EverySortOfPropertyHasATypeThatFitsIt) {
  for (auto type : {PartType::Whole, PartType::Shape, PartType::Label, PartType::Marker,
                    PartType::Picture, PartType::Icon})
    for (const PropertyInfo& property : propertiesOf(type)) {
      if (std::holds_alternative<bool>(property.start)) continue;
      if (std::holds_alternative<std::string>(property.start) && property.prop != Prop::Family)
        continue;
      EXPECT_TRUE(fits(namedTypeFor(property), property)) << property.key;
    }
}

TEST(NewValues, FourEasingAndRadialFillsAreTypedBack) {
  EXPECT_EQ(*parseValue("4", Four{}, nullptr), Value(Four::all(4)));
  EXPECT_EQ(*parseValue("4 8", Four{}, nullptr), Value(Four{4, 8, 4, 8}));
  EXPECT_EQ(toText(Four{1, 2, 3, 4}), "1 2 3 4");
  EXPECT_FALSE(parseValue("1 2 3 4 5", Four{}, nullptr));
  EXPECT_EQ(*parseValue("bezier 0.2 0 0 1", Easing{}, nullptr),
            Value(Easing{EasingType::CubicBezier, 0.2, 0, 0, 1}));
  std::string expected;
  EXPECT_FALSE(parseValue("bezier 2 0 0 1", Easing{}, &expected));
  EXPECT_NE(expected.find("bezier"), expected.npos);
  const auto radial = parseValue("#fff #000 radial 0.3 0.2 0.8", Fill{}, nullptr);
  ASSERT_TRUE(radial);
  EXPECT_EQ(std::get<Fill>(*radial).type, FillType::Radial);
  EXPECT_EQ(*parseValue(toText(*radial), Fill{}, nullptr), *radial);
  EXPECT_FALSE(parseValue("#fff #000 radial 0.3 0.2 -1", Fill{}, nullptr));
}

TEST(Registry, EveryPropertyIsFoundAtItsPlace) {
  for (auto type : {PartType::Whole, PartType::Shape, PartType::Label, PartType::Marker,
                    PartType::Picture, PartType::Icon}) {
    int i = 0;
    for (const PropertyInfo& property : propertiesOf(type)) {
      EXPECT_EQ(indexOf(type, property.prop), i++);
      EXPECT_EQ(whyUnsuitable(property, property.start), "") << property.key;
      EXPECT_EQ(findProperty(type, property.key), &property) << "keys are unique";
    }
  }
  EXPECT_EQ(indexOf(PartType::Marker, Prop::Fill), -1);
}

}  // namespace
}  // namespace bristle
