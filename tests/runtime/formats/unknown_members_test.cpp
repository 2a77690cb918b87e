// What the README promises: unknown members survive a save. A member is put into every object that
// a file can hold, the project is opened, something else is changed, and all of them are still
// there.
#include <gmock/gmock.h>

#include <functional>
#include <nlohmann/json.hpp>

#include "core/edit/named_edits.h"
#include "core/formats/file_io.h"
#include "core/formats/project_store.h"
#include "support/menus.h"

namespace bristle {
namespace {

using Plain = nlohmann::json;  // members in any order

// Objects whose members are names, not ours to add to.
bool isMap(const std::string& pointer) {
  return pointer.ends_with("/departures") || pointer.ends_with("/routes") ||
         pointer.ends_with("/exits") || pointer.ends_with("/carries") ||
         pointer.ends_with("/caption/in") || pointer.find("/routes/where/") != std::string::npos;
}

int mark(Plain& json, const std::string& pointer, int count = 0) {
  if (json.is_array()) {
    for (size_t i = 0; i < json.size(); ++i)
      count = mark(json[i], pointer + "/" + std::to_string(i), count);
  }
  if (!json.is_object()) return count;
  for (auto& [name, value] : json.items())
    if (name != "foreignTokens") count = mark(value, pointer + "/" + name, count);
  if (isMap(pointer)) return count;
  json["later"] = {{"number", ++count}, {"list", {1, {{"deep", true}}}}};
  return count;
}

// Everything that the schema describes as an object must be in the sample, or the test proves
// nothing.
void expectCovered(const Plain& schema) {
  const Plain sample = Plain::parse(writeProject(test::fullProject()));
  std::set<std::string> names;
  std::function<void(const Plain&)> collect = [&](const Plain& json) {
    if (json.is_object())
      for (const auto& [name, value] : json.items()) {
        names.insert(name);
        collect(value);
      }
    if (json.is_array())
      for (const auto& value : json) collect(value);
  };
  collect(sample);
  std::function<void(const Plain&)> look = [&](const Plain& json) {
    if (json.is_object()) {
      const auto properties = json.find("properties");
      if (properties != json.end() && properties->is_object())
        for (const auto& [name, value] : properties->items()) {
          const bool holdsMore = value.contains("$ref") || value.contains("items") ||
                                 value.value("type", Plain("")) == "object";
          // What token files held besides is kept as it is.
          if (holdsMore && name != "foreignTokens") {
            EXPECT_TRUE(names.contains(name)) << "the sample has no " << name;
          }
        }
      for (const auto& [name, value] : json.items()) look(value);
    }
    if (json.is_array())
      for (const auto& value : json) look(value);
  };
  look(schema);
}

TEST(UnknownMembers, SurviveInEveryObject) {
  expectCovered(Plain::parse(*readFile(test::sourcePath("data/schema/project.schema.json"))));
  Plain json = Plain::parse(writeProject(test::fullProject()));
  const int count = mark(json, "");
  EXPECT_GT(count, 130);
  auto opened = parseProject(json.dump());
  ASSERT_TRUE(opened) << opened.error().text();
  EXPECT_EQ(Plain::parse(writeProject(opened->project)), json) << "as it was opened";
  ASSERT_TRUE(provenText(opened->project)) << "and it is well";
  // Something else changes: another screen comes, and nothing that was there is lost.
  History history(opened->project);
  test::must(history, addScreen("Another"));
  Plain after = Plain::parse(writeProject(history.now()));
  after["screens"].erase(after["screens"].size() - 1);
  EXPECT_EQ(after, json);
}

TEST(UnknownMembers, StayWhereTheirNeighboursChange) {
  Plain json = Plain::parse(writeProject(test::fullProject()));
  mark(json, "");
  History history(parseProject(json.dump())->project);
  const ScreenId first = history.now().screens[0]->id;
  const ItemId item = history.now().screens[0]->items[1]->id;
  test::must(history, changeItems(first, {item}, "move", {}, [](Item& i) {
               i.place.x.offset += 7;
               i.name = "Other";
             }));
  const Plain after = Plain::parse(writeProject(history.now()));
  const Plain& now = after["screens"][0]["items"][0]["items"][0];
  EXPECT_EQ(now["later"], json["screens"][0]["items"][0]["items"][0]["later"]);
  EXPECT_EQ(now["name"], "Other");
}

TEST(UnknownMembers, AnUnknownPropertyOfALookIsKept) {
  Plain json = Plain::parse(writeProject(test::fullProject()));
  const std::string part = json["kinds"][0]["parts"][0]["id"];
  json["kinds"][0]["base"][part]["shimmer"] = {{"speed", 3}};
  json["kinds"][0]["departures"]["hover"]["p-later"] = {{"shine", 1}};
  json["screens"][0]["items"][0]["items"][0]["own"] = {{"base", {{part, {{"shape.shimmer", 2}}}}}};
  const auto read = parseProject(json.dump());
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(Plain::parse(writeProject(read->project)), json);
}

TEST(UnknownMembers, AtAPlaceThatIsWrittenShort) {
  Plain json = Plain::parse(writeProject(test::fullProject()));
  json["screens"][0]["items"][0]["items"][0]["x"] = {{"offset", 12}, {"later", 1}};
  json["screens"][0]["backdrop"] = {{"colour", "#123456"}, {"later", 2}};
  auto read = parseProject(json.dump());
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_EQ(Plain::parse(writeProject(read->project)), json);
}

TEST(UnknownMembers, OfANameFollowIt) {
  Plain json = Plain::parse(writeProject(test::fullProject()));
  mark(json, "");
  History history(parseProject(json.dump())->project);
  const NamedId second = history.now().named->at(1).id;
  test::must(history, setNamed(second, false, 11.0));
  const Plain after = Plain::parse(writeProject(history.now()));
  for (size_t i = 0; i < json["named"].size(); ++i)
    EXPECT_EQ(after["named"][i]["later"], json["named"][i]["later"]);
}

}  // namespace
}  // namespace bristle
