#include "runtime/formats/json_reader.h"

#include <gmock/gmock.h>

namespace bristle {
namespace {

using testing::HasSubstr;

TEST(ParseJson, TellsLineAndColumnOfWhatIsWrong) {
  const auto broken = parseJson("{\n  \"a\": 1,\n  \"b\" 2\n}");
  ASSERT_FALSE(broken);
  EXPECT_EQ(broken.error().place, "line 3, column 7");
  EXPECT_THAT(broken.error().reason, HasSubstr("not valid JSON"));
}

TEST(ParseJson, TakesAByteOrderMarkAndBracketsInsideTexts) {
  EXPECT_TRUE(parseJson("\xef\xbb\xbf{\"a\":1}"));
  EXPECT_TRUE(
      parseJson("{\"a\":\"" + std::string(500, '[') + "\\\"" + std::string(500, '{') + "\"}"));
}

TEST(ParseJson, NestingHasALimitExactlyThere) {
  const auto nested = [](int depth) {
    return std::string(size_t(depth), '[') + std::string(size_t(depth), ']');
  };
  EXPECT_TRUE(parseJson(nested(kDeepestJson)));
  const auto deeper = parseJson(nested(kDeepestJson + 1));
  ASSERT_FALSE(deeper);
  EXPECT_EQ(deeper.error().place, "line 1, column " + std::to_string(kDeepestJson + 1));
}

TEST(Place, IsAJsonPointerWithEscapes) {
  const JsonPlace top, a{&top, "a/b~c", 0, false}, i{&a, {}, 12, true}, leaf{&i, "x", 0, false};
  EXPECT_EQ(top.pointer(), "");
  EXPECT_EQ(leaf.pointer(), "/a~1b~0c/12/x");
}

TEST(Reader, KeepsTheFirstErrorAndGivesDefaultsAfterIt) {
  const Json json{{"a", "text"}, {"b", 7}};
  JsonReader r;
  const JsonPlace top;
  EXPECT_EQ(r.number(json, top, "a", 3), 0) << "within range, whatever was found";
  ASSERT_TRUE(r.error());
  EXPECT_EQ(r.error()->text(), "/a: expected a number, found “text”");
  EXPECT_EQ(r.number(json, top, "b", 3), 3) << "nothing more is read";
  EXPECT_EQ(r.error()->place, "/a");
}

TEST(Reader, MissingMembersTakeTheDefaultButIdsMustBeThere) {
  const Json json = Json::object();
  const JsonPlace top;
  JsonReader r;
  EXPECT_EQ(r.number(json, top, "n", 4), 4);
  EXPECT_EQ(r.text(json, top, "t", "x"), "x");
  EXPECT_TRUE(r.boolean(json, top, "b", true));
  EXPECT_EQ(r.milliseconds(json, top, "m", 90), 90);
  EXPECT_FALSE(r.error());
  EXPECT_EQ(r.id(json, top, "id"), "");
  EXPECT_THAT(r.error()->text(), HasSubstr("/id: expected an id, found nothing"));
}

TEST(Reader, SaysWhatItFoundInFewWords) {
  EXPECT_EQ(JsonReader::sortOf(Json(nullptr)), "null");
  EXPECT_EQ(JsonReader::sortOf(Json(1.5)), "1.5");
  EXPECT_EQ(JsonReader::sortOf(Json::array({1})), "a list");
  EXPECT_EQ(JsonReader::sortOf(Json::object()), "an object");
  EXPECT_EQ(JsonReader::sortOf(Json(std::string(500, 'x'))), "a long text");
}

}  // namespace
}  // namespace bristle
