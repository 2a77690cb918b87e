#include "core/formats/tokens_file.h"

#include <gmock/gmock.h>

#include <random>

#include "core/edit/named_edits.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

NamedValues everyType() {
  NamedValues v{
      {{"n1"},
       "tide.bright",
       NamedType::Colour,
       Colour{59, 140, 151, 255},
       Colour{1, 2, 3, 4},
       "sea",
       {}},
      {{"n2"}, "text", NamedType::Colour, NamedRef{{"n1"}}, {}, "", {}},
      {{"n3"}, "space.wide", NamedType::Length, 24.5, 30.0, "", {}},
      {{"n4"}, "ratio", NamedType::Number, 0.125, {}, "", {}},
      {{"n5"}, "font.body", NamedType::Font, std::string("Inter, sans-serif"), {}, "", {}},
      {{"n6"}, "font.weight", NamedType::Weight, 650.0, {}, "", {}},
      {{"n7"}, "time.quick", NamedType::Duration, 120.0, {}, "", {}},
      {{"n8"},
       "ease.out",
       NamedType::Easing,
       Easing{EasingType::CubicBezier, 0.2, 0, 0, 1},
       {},
       "",
       {}},
      {{"n9"},
       "ease.steps",
       NamedType::Easing,
       Easing{EasingType::Steps, 0, 0, 0, 0, 4, true},
       {},
       "",
       {}},
      {{"n10"},
       "dusk",
       NamedType::Gradient,
       Fill::linear(33,
                    {{0, {59, 140, 151, 255}, {"n1"}}, {0.4, {2, 2, 2, 9}}, {1, {3, 3, 3, 255}}}),
       {},
       "",
       {}},
      {{"n11"}, "drop", NamedType::Shadow, Shadow{1, 2, 8, -1, {0, 0, 0, 77}}, {}, "", {}},
      {{"n12"},
       "cast",
       NamedType::Shadow,
       Shadow{1, 2, 8, 0, {59, 140, 151, 50}, {"n1"}},
       {},
       "",
       {}},
  };
  return v;
}

// Two lists say the same when every value written with names in place of ids is the same.
std::string plain(const NamedValues& values) {
  return writeTokens(values, {});
}

TEST(Tokens, EveryTypeThatWeUseComesBackExactly) {
  const NamedValues values = everyType();
  const std::string text = writeTokens(values, {});
  const auto back = parseTokens(text);
  ASSERT_TRUE(back) << back.error().text();
  EXPECT_TRUE(back->kept.empty());
  EXPECT_EQ(writeTokens(back->values, back->foreign), text);
  // Into a project: equal values in all, whatever the order of the list.
  const Project project = test::after(emptyProject(), takeNamed(back->values, back->foreign));
  ASSERT_EQ(project.named->size(), values.size());
  const Naming here = naming(project), there{&values, false};
  for (const NamedValue& value : values) {
    const NamedValue* taken = here.find(std::string_view(value.name));
    ASSERT_NE(taken, nullptr) << value.name;
    EXPECT_EQ(taken->type, value.type);
    EXPECT_EQ(toText(taken->value, &here), toText(value.value, &there)) << value.name;
    EXPECT_EQ(taken->dark.has_value(), value.dark.has_value());
    EXPECT_EQ(taken->description, value.description);
  }
}

TEST(Tokens, ManyRandomListsComeBackExactly) {
  std::mt19937 dice(7);
  const auto roll = [&](int n) { return static_cast<int>(dice() % static_cast<unsigned>(n)); };
  for (int round = 0; round < 200; ++round) {
    NamedValues values;
    for (int i = 0; i < 12; ++i) {
      NamedValue v;
      v.id = {"n" + std::to_string(i)};
      v.name = "g" + std::to_string(roll(3)) + ".v" + std::to_string(i);
      const auto colour = [&] {
        return Colour{static_cast<std::uint8_t>(roll(256)), static_cast<std::uint8_t>(roll(256)),
                      static_cast<std::uint8_t>(roll(256)), static_cast<std::uint8_t>(roll(256))};
      };
      if (roll(2)) {
        v.type = NamedType::Colour;
        v.value = colour();
        if (i > 0 && values[0].type == NamedType::Colour && roll(2)) v.value = NamedRef{{"n0"}};
      } else {
        v.type = NamedType::Shadow;
        v.value = Shadow{roll(9) / 4.0, roll(9) / 4.0, roll(30) / 2.0, roll(5) / 2.0, colour()};
      }
      if (roll(3) == 0) v.description = "say " + std::to_string(roll(99));
      values.push_back(v);
    }
    const auto back = parseTokens(plain(values));
    ASSERT_TRUE(back) << back.error().text();
    EXPECT_EQ(plain(back->values), plain(values));
  }
}

constexpr const char* kForeign = R"({
  "$description": "made elsewhere",
  "size": {
    "$type": "dimension",
    "gap": {"$value": {"value": 8, "unit": "px"}},
    "rem": {"$value": {"value": 1.5, "unit": "rem"}, "$extensions": {"org.example": {"a": [1, 2]}}}
  },
  "stroke": {"$type": "strokeStyle", "$value": "dashed"},
  "wide": {"$type": "color", "$value": {"colorSpace": "oklch", "components": [0.7, 0.2, 200]}},
  "many": {"$type": "shadow", "$value": [{"color": "#000000"}, {"color": "#ffffff"}]},
  "plain": {"$type": "color", "$value": "#aabbcc", "$deprecated": true,
            "$extensions": {"org.example": {"k": 1}}}
})";

TEST(Tokens, WhatWeDoNotUseIsKept) {
  const auto read = parseTokens(kForeign);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(read->values.size(), 2U) << "the gap and the plain colour";
  EXPECT_EQ(read->kept.size(), 4U);
  Project project = test::after(emptyProject(), takeNamed(read->values, read->foreign));
  // Through the project file, too.
  project = parseProject(writeProject(project))->project;
  const std::string out = writeTokens(*project.named, project.foreignTokens);
  for (const char* kept : {"strokeStyle", "dashed", "oklch", "\"rem\"", "org.example",
                           "$deprecated", "made elsewhere"})
    EXPECT_THAT(out, HasSubstr(kept));
  const auto again = parseTokens(out);
  ASSERT_TRUE(again) << again.error().text();
  EXPECT_EQ(writeTokens(again->values, again->foreign), out);
}

TEST(Tokens, AChangeMadeElsewhereCountsMoreThanOurOwnWords) {
  const NamedValues values = everyType();
  std::string text = writeTokens(values, {});
  const auto at = text.find("\"position\": 0.4");
  ASSERT_NE(at, text.npos);
  text.replace(at, 15, "\"position\": 0.7");
  const auto back = parseTokens(text);
  ASSERT_TRUE(back);
  const Naming names{&back->values, false};
  EXPECT_DOUBLE_EQ(std::get<Fill>(names.find(std::string_view("dusk"))->value).stops[1].at, 0.7);
}

TEST(Tokens, BadFilesSayWhere) {
  const auto why = [](const char* text) {
    const auto out = parseTokens(text);
    return out ? std::string("taken") : out.error().text();
  };
  EXPECT_THAT(why("{"), HasSubstr("line"));
  EXPECT_THAT(why("[1]"), HasSubstr("groups"));
  EXPECT_THAT(why(R"({"a": {"$value": "#fff"}})"), HasSubstr("/a: expected a $type"));
  EXPECT_THAT(why(R"({"a": {"$type": "color", "$value": "blue-ish"}})"), HasSubstr("/a/$value"));
  EXPECT_THAT(why(R"({"a": {"$type": "duration", "$value": 12}})"), HasSubstr("/a/$value"));
  EXPECT_THAT(why(R"({"a": {"$type": "color", "$value": "{b}"}})"), HasSubstr("leads nowhere"));
  EXPECT_THAT(
      why(R"({"a": {"$type": "color", "$value": "{b}"}, "b": {"$type": "color", "$value": "{a}"}})"),
      HasSubstr("circle"));
  EXPECT_THAT(
      why(R"({"a": {"$type": "color", "$value": "{b}"}, "b": {"$type": "number", "$value": 2}})"),
      HasSubstr("another type"));
  EXPECT_THAT(why(R"({"a": 12})"), HasSubstr("/a: expected a group"));
  EXPECT_THAT(why(R"({"a.b": {"$type": "number", "$value": 2}})"), HasSubstr("without dots"));
}

TEST(Tokens, ImportingAgainChangesValuesInPlace) {
  const auto first = parseTokens(R"({"a": {"$type": "number", "$value": 1}})");
  const auto second = parseTokens(
      R"({"a": {"$type": "number", "$value": 2}, "b": {"$type": "number", "$value": "{a}"}})");
  Project project = test::after(emptyProject(), takeNamed(first->values, {}));
  const NamedId id = project.named->front().id;
  project = test::after(project, takeNamed(second->values, {}));
  ASSERT_EQ(project.named->size(), 2U);
  EXPECT_EQ(project.named->front().id, id);
  EXPECT_EQ(project.named->front().value, Value(2.0));
  EXPECT_EQ(project.named->back().value, Value(NamedRef{id}));
  const auto other = parseTokens(R"({"a": {"$type": "color", "$value": "#fff"}})");
  EXPECT_FALSE(takeNamed(other->values, {}).apply(project)) << "another type under the same name";
}

}  // namespace
}  // namespace bristle
