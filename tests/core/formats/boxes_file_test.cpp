#include "core/formats/boxes_file.h"

#include <gmock/gmock.h>

#include <nlohmann/json.hpp>

namespace bristle {
namespace {

using testing::HasSubstr;

TEST(Boxes, InAndRoutesOut) {
  const auto in = parseBoxes(R"({"size":[100,100],"entry":"a","boxes":[
    {"id":"a","x":0,"y":0,"w":10,"h":10},{"id":"b","x":0,"y":20,"w":10,"h":10},{"id":"c","x":20,"y":0,"w":10,"h":10}]})");
  ASSERT_TRUE(in) << in.error().text();
  EXPECT_EQ(in->entry, "a");
  const auto out = nlohmann::json::parse(writeRoutes(in->input, solve(in->input).routes));
  EXPECT_EQ(out["routes"]["a"],
            (nlohmann::json{{"up", nullptr}, {"down", "b"}, {"left", nullptr}, {"right", "c"}}));
  EXPECT_EQ(out["routes"]["c"]["left"], "a");
}

TEST(Boxes, WhatIsWrittenIsReadAgain) {
  BoxesFile file;
  file.width = 640, file.height = 480;
  file.entry = "b";
  file.input.boxes = {{0, 0.25, 10, 10}, {0, 20, 10.125, 10}};
  file.input.names = {"a", "b"};
  file.input.rightToLeft = true;
  const auto again = parseBoxes(writeBoxes(file));
  ASSERT_TRUE(again) << again.error().text();
  EXPECT_EQ(again->input.boxes, file.input.boxes);
  EXPECT_EQ(again->input.names, file.input.names);
  EXPECT_TRUE(again->input.rightToLeft);
  EXPECT_EQ(again->entry, "b");
  EXPECT_EQ(again->width, 640);
}

struct Bad {
  const char* box;
  const char* place;
  const char* reason;
};

class BadBox : public testing::TestWithParam<Bad> {};

TEST_P(BadBox, IsRefusedWithPlaceAndExpectation) {
  const auto in = parseBoxes(std::string(R"({"boxes":[{"id":"a","x":0,"y":0,"w":1,"h":1},)") +
                             GetParam().box + "]}");
  ASSERT_FALSE(in);
  EXPECT_THAT(in.error().place, HasSubstr(GetParam().place));
  EXPECT_THAT(in.error().reason, HasSubstr(GetParam().reason));
}

INSTANTIATE_TEST_SUITE_P(
    All, BadBox,
    testing::Values(
        Bad{R"({"id":"b","x":0,"y":0,"w":0,"h":5})", "/boxes/1/w", "above 0"},
        Bad{R"({"id":"b","x":0,"y":0,"w":5,"h":-5})", "/boxes/1/h", "above 0"},
        Bad{R"({"id":"b","x":1e30,"y":0,"w":5,"h":5})", "/boxes/1/x", "from -1e+07"},
        Bad{R"({"id":"b","x":"NaN","y":0,"w":5,"h":5})", "/boxes/1/x", "expected a number"},
        Bad{R"({"id":"b","x":null,"y":0,"w":5,"h":5})", "/boxes/1/x", "expected a number"},
        Bad{R"({"id":"b","y":0,"w":5,"h":5})", "/boxes/1/x", "expected a number"},
        Bad{R"({"id":"a","x":0,"y":0,"w":5,"h":5})", "/boxes/1/id", "used already"},
        Bad{R"({"x":0,"y":0,"w":5,"h":5})", "/boxes/1/id", "expected an id"},
        Bad{R"(7)", "/boxes/1", "expected an object"}));

TEST(Boxes, NaNIsNoJsonAndAnUnknownEntryIsTold) {
  EXPECT_FALSE(parseBoxes(R"({"boxes":[{"id":"a","x":NaN,"y":0,"w":1,"h":1}]})"));
  EXPECT_FALSE(parseBoxes(R"({"boxes":[],"entry":"a"})"));
  EXPECT_FALSE(parseBoxes(R"({})"));
  EXPECT_TRUE(parseBoxes(R"({"boxes":[]})"));
}

}  // namespace
}  // namespace bristle
