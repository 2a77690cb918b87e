#include "runtime/formats/project_file.h"

#include <gmock/gmock.h>

#include <nlohmann/json.hpp>

#include "core/formats/file_io.h"
#include "runtime/formats/json_reader.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

TEST(ProjectFile, EverythingComesBackByValueAndByText) {
  const Project project = test::fullProject();
  const std::string text = writeProject(project);
  const auto read = parseProject(text);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_TRUE(equal(read->project, project));
  EXPECT_EQ(writeProject(read->project), text);
  EXPECT_FALSE(read->readOnly);
}

TEST(ProjectFile, TheDemoComesBackAndItsTextIsCanonical) {
  const std::string text = *readFile(test::sourcePath("data/demo/saltglass-deep.bristle"));
  const auto read = parseProject(text);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(writeProject(read->project), text);
}

TEST(ProjectFile, NewIdsNeverMeetOldOnes) {
  auto read = parseProject(writeProject(test::fullProject()));
  Project& p = read->project;
  const std::string text = writeProject(p);
  for (int i = 0; i < 50; ++i)
    for (const char* prefix : {"k", "s", "b", "m", "p", "c", "i", "d"})
      EXPECT_EQ(text.find("\"" + freshId<ItemId>(p, prefix).text + "\""), std::string::npos);
}

// Adds a member to every object of the file, wherever unknown members may stand.
void sprinkle(Json& json, int& count) {
  if (json.is_array())
    for (auto& element : json) sprinkle(element, count);
  if (!json.is_object()) return;
  for (auto& [key, value] : json.items())
    if (key == "screens" || key == "items" || key == "kinds" || key == "parts" ||
        key == "machines" || key == "states" || key == "transitions" || key == "displays" ||
        key == "values" || key == "settings")
      sprinkle(value, count);
  json["later"] = {{"kept", ++count}, {"list", {1, "two", nullptr}}};
}

TEST(ProjectFile, UnknownMembersSurviveASaveWhereverTheyStand) {
  Json json = Json::parse(writeProject(test::fullProject()));
  int count = 0;
  sprinkle(json, count);
  ASSERT_GT(count, 20);
  const auto read = parseProject(json.dump());
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(Json::parse(writeProject(read->project)), json);
}

TEST(ProjectFile, ANewerFormatOpensReadOnlyAndAnUnreadableOneIsRefused) {
  Json json = Json::parse(writeProject(test::fullProject()));
  json["bristle"]["format"] = 7;
  const auto newer = parseProject(json.dump());
  ASSERT_TRUE(newer);
  EXPECT_TRUE(newer->readOnly);
  EXPECT_THAT(newer->note, HasSubstr("read-only"));
  json["bristle"]["readableBy"] = 7;
  const auto refused = parseProject(json.dump());
  ASSERT_FALSE(refused);
  EXPECT_EQ(refused.error().place, "/bristle/readableBy");
}

TEST(ProjectFile, ReferencesThatLeadNowhereAreKept) {
  Json json = Json::parse(writeProject(test::fullProject()));
  json["screens"][0]["items"][0]["items"][0]["kind"] = "gone";
  json["screens"][0]["entry"] = "noone";
  json["kinds"][0]["machine"] = "lost";
  const auto read = parseProject(json.dump());
  ASSERT_TRUE(read);
  EXPECT_EQ(Json::parse(writeProject(read->project)), json);
}

struct Bad {
  const char* name;
  const char* pointer;  // what is replaced; empty: the whole text
  const char* with;
  const char* place;
  const char* reason;
};

class BadProject : public testing::TestWithParam<Bad> {};

TEST_P(BadProject, IsRefusedWithPlaceAndExpectation) {
  const Bad& bad = GetParam();
  std::string text = bad.with;
  if (*bad.pointer) {
    Json json = Json::parse(writeProject(test::fullProject()));
    json[Json::json_pointer(bad.pointer)] = Json::parse(bad.with);
    text = json.dump();
  }
  const auto read = parseProject(text);
  ASSERT_FALSE(read);
  EXPECT_THAT(read.error().place, HasSubstr(bad.place));
  EXPECT_THAT(read.error().reason, HasSubstr(bad.reason));
}

INSTANTIATE_TEST_SUITE_P(
    All, BadProject,
    testing::Values(
        Bad{"empty", "", "", "line 1", "empty"}, Bad{"blank", "", " \n\t ", "line 1", "empty"},
        Bad{"binary", "",
            "\x7f"
            "ELF\x02\x01\x01",
            "line 1", "not valid JSON"},
        Bad{"truncated", "", "{\"bristle\":{\"format\":1},\n\"name\":\"x", "line 2",
            "not valid JSON"},
        Bad{"other_json", "", "{\"hello\":1}", "/bristle", "no Bristle project"},
        Bad{"list", "", "[1,2]", "line 1, column 1", "expected a project"},
        Bad{"overflow", "", "{\"bristle\":{\"format\":\n 1e999}}", "line 2, column 2", "too large"},
        Bad{"number", "", "12", "line 1, column 1", "expected a project"},
        Bad{"huge_number", "/displays/0/width", "1e300", "/displays/0/width", "from 1 to 16384"},
        Bad{"negative", "/kinds/0/width", "-5", "/kinds/0/width", "from 1 to 8000"},
        Bad{"wrong_type", "/screens/0/items", "\"none\"", "/screens/0/items", "expected a list"},
        Bad{"text_for_number", "/kinds/0/height", "\"tall\"", "/kinds/0/height",
            "expected a number"},
        Bad{"null_id", "/kinds/0/id", "null", "/kinds/0/id", "expected an id"},
        Bad{"duplicate_id", "/screens/1/id", "\"d1\"", "/screens/1/id", "of its own"},
        Bad{"duplicate_item", "/screens/0/items/0/items/1/id", "\"d1\"", "/screens/0/items/0/items/1/id",
            "of its own"},
        Bad{"path", "/screens/0/items/0/items/0/routes/up/to", "[\"a\", 7]",
            "/screens/0/items/0/items/0/routes/up/to", "list of ids"},
        Bad{"nowhere_in_particular", "/screens/0/items/0/items/2/routes/where/0", "{\"up\":\"closed\"}",
            "/screens/0/items/0/items/2/routes/where/0", "a display or a language"},
        Bad{"backwards", "/screens/0/items/0/items/2/routes/carries/down/duration", "-1",
            "/screens/0/items/0/items/2/routes/carries/down/duration", "from 0 to 60000"},
        Bad{"no_direction", "/screens/0/items/0/items/2/routes/carries", "{\"north\":{}}",
            "/screens/0/items/0/items/2/routes/carries/north", "expected up, down"},
        Bad{"no_words", "/screens/0/items/0/items/0/caption", "{\"base\":7}",
            "/screens/0/items/0/items/0/caption/base", "expected a text"},
        Bad{"bad_colour", "/screens/0/backdrop", "\"teal\"", "/screens/0/backdrop",
            "expected a colour"},
        Bad{"one_stop", "/screens/0/backdrop", "{\"stops\":[{\"at\":0,\"colour\":\"#000\"}]}",
            "/screens/0/backdrop", "2 to 32 stops"},
        Bad{"falling_stops", "/screens/0/backdrop",
            "{\"stops\":[{\"at\":0.6,\"colour\":\"#000\"},{\"at\":0.2,\"colour\":\"#fff\"}]}",
            "/screens/0/backdrop/stops/1", "rising order"},
        Bad{"unknown_event", "/machines/0/transitions/3/on", "\"click\"",
            "/machines/0/transitions/3/on", "expected an event"},
        Bad{"bad_easing", "/machines/0/timing/easing", "\"swoosh\"", "/machines/0/timing/easing",
            "expected linear"},
        Bad{"negative_duration", "/machines/0/timing/duration", "-20",
            "/machines/0/timing/duration", "from 0"},
        Bad{"fraction_of_ms", "/machines/0/timing/duration", "0.5", "/machines/0/timing/duration",
            "whole"},
        Bad{"unknown_type", "/screens/0/items/0/items/0/type", "\"slider\"",
            "/screens/0/items/0/items/0/type",
            "expected button"},
        Bad{"spring_without_end", "/machines/0/timing/easing", "\"spring 300 0\"",
            "/machines/0/timing/easing", "spring period damping"},
        Bad{"timing_of_nothing", "/machines/0/propertyTimings/0/property", "\"wobble\"",
            "/machines/0/propertyTimings/0/property", "expected a property"},
        Bad{"loud_sound", "/machines/0/transitions/23/effects/2/volume", "7",
            "/machines/0/transitions/23/effects/2/volume", "from 0 to 1"},
        Bad{"endless_period", "/kinds/0/motions/0/period", "0", "/kinds/0/motions/0/period",
            "1 ms or more"},
        Bad{"moving_fill", "/kinds/0/motions/0/tracks/0/property", "\"fill\"",
            "/kinds/0/motions/0/tracks/0/property", "that is a number"},
        Bad{"frames_out_of_order", "/kinds/0/motions/0/tracks/0/frames/2/at", "0.1",
            "/kinds/0/motions/0/tracks/0/frames/2/at", "rising order"},
        Bad{"no_columns", "/screens/1/items/3/columns", "0", "/screens/1/items/3/columns",
            "from 1 to 64"},
        Bad{"half_a_column", "/screens/1/items/3/columns", "2.5", "/screens/1/items/3/columns",
            "whole number"},
        Bad{"unknown_cells", "/screens/1/items/3/cells", "\"wide\"", "/screens/1/items/3/cells",
            "expected one of content, shared, fixed"},
        Bad{"share_below_none", "/screens/1/items/3/x/rest", "-1", "/screens/1/items/3/x/rest",
            "from 0 to 1000"},
        Bad{"too_far_round", "/screens/1/items/3/sweep", "400", "/screens/1/items/3/sweep",
            "from -360 to 360"},
        Bad{"unknown_motion", "/screens/0/comes/form", "\"explode\"", "/screens/0/comes/form",
            "expected one of cut, fade"},
        Bad{"no_displays", "/displays", "[]", "/displays", "at least one"},
        Bad{"zero_repeat", "/settings/repeatInterval", "0", "/settings/repeatInterval",
            "at least 1"}),
    [](const auto& each) { return each.param.name; });

TEST(ProjectFile, EveryTruncationIsRefusedAndNeverCrashes) {
  const std::string text = writeProject(test::fullProject());
  for (size_t n = 0; n + 3 < text.size(); n += 37)
    EXPECT_FALSE(parseProject(text.substr(0, n))) << n;
}

#ifdef __SANITIZE_ADDRESS__
constexpr int kOneOf = 1;
#else
constexpr int kOneOf = 5;  // what reads where it should not is seen by the sanitizers
#endif

TEST(ProjectFile, AnyValueReplacedByAnotherSortNeverCrashes) {
  const Json json = Json::parse(writeProject(test::fullProject()));
  const Json flat = json.flatten();
  int refused = 0, tried = 0;
  for (const auto& [pointer, old] : flat.items())
    for (const Json& with :
         {Json(nullptr), Json(-1e9), Json("x"), Json::array({1}), Json{{"a", 1}}, Json(true)}) {
      if (++tried % kOneOf != 0) continue;
      Json changed = json;
      changed[Json::json_pointer(pointer)] = with;
      const auto read = parseProject(changed.dump());
      refused += !read;
      if (read) writeProject(read->project);
    }
  EXPECT_GT(refused, 500 / kOneOf);
}

TEST(ProjectFile, HostileNestingIsRefusedWithItsPlace) {
  const auto deep = parseProject("{\"bristle\":" + std::string(100000, '['));
  ASSERT_FALSE(deep);
  EXPECT_THAT(deep.error().reason, HasSubstr("nested deeper"));
}

}  // namespace
}  // namespace bristle
