// A menu as plain data: what an importer is told agrees with how the menu lies and leads.
#include "core/formats/laid_out_file.h"

#include <gmock/gmock.h>

#include <functional>
#include <nlohmann/json.hpp>

#include "core/edit/language_edits.h"
#include "runtime/layout/layout.h"
#include "support/menus.h"

namespace bristle {
namespace {

using nlohmann::json;

json told(const Project& project) {
  return json::parse(writeLaidOut(project, PlainMeasure()));
}

// Every object in it, from the outside in.
void eachObject(const json& value, const std::function<void(const json&)>& use) {
  if (value.is_object()) use(value);
  if (value.is_structured())
    for (const json& inner : value) eachObject(inner, use);
}

const json& byId(const json& list, const std::string& key, const std::string& id) {
  for (const json& each : list)
    if (each[key] == id) return each;
  static const json kNone;
  return kNone;
}

TEST(LaidOut, HasEveryScreenOnEachDisplayInEachLanguage) {
  const Project p = test::fullProject();
  const json all = told(p);
  ASSERT_EQ(all["screens"].size(), p.screens.size());
  for (size_t s = 0; s < p.screens.size(); ++s) {
    const json& screen = all["screens"][s];
    EXPECT_EQ(screen["items"].size(), p.screens[s]->items.size());
    ASSERT_EQ(screen["layouts"].size(), p.displays.size() * p.languages.size());
    for (const json& layout : screen["layouts"])
      EXPECT_EQ(layout["places"].size(), p.screens[s]->items.size());
  }
}

// What only matters to who makes it is not in it, however deep.
TEST(LaidOut, NamesAndPinsAreSettled) {
  const json all = told(test::fullProject());
  int looks = 0;
  eachObject(all, [&](const json& object) {
    for (const char* key :
         {"named", "namedDuration", "namedEasing", "pin", "own", "guides", "waivers"})
      EXPECT_FALSE(object.contains(key)) << key << " in " << object.dump().substr(0, 200);
    looks += object.contains("looks");
  });
  EXPECT_GT(looks, 0);
}

TEST(LaidOut, SaysWhereButtonsLieAndLead) {
  const Project p = test::placedMenu({{10, 20, 100, 40}, {10, 90, 100, 40}});
  const auto ids = test::buttons(p);
  const json all = told(p);
  const json& layout = all["screens"][0]["layouts"][0];
  const json& first = byId(layout["places"], "item", ids[0].text);
  EXPECT_EQ(first["box"]["x"], 10);
  EXPECT_EQ(first["box"]["y"], 20);
  EXPECT_EQ(first["box"]["w"], 100);
  EXPECT_FALSE(first.contains("seen")) << "it is";
  const json& routes = layout["routes"];
  EXPECT_EQ(routes[ids[0].text]["down"]["to"], ids[1].text);
  EXPECT_EQ(routes[ids[0].text]["down"]["why"], "solved");
  EXPECT_EQ(routes[ids[1].text]["up"]["to"], ids[0].text);
  EXPECT_TRUE(routes[ids[0].text]["up"]["to"].is_null());
  EXPECT_EQ(routes[ids[0].text]["up"]["why"], "nothing");
  EXPECT_EQ(layout["entry"], ids[0].text);
}

// Each state of a look is whole: nothing is to be looked up elsewhere.
TEST(LaidOut, LooksAreWholeInEveryState) {
  const Project p = test::columnMenu({"Dive"});
  const json kind = told(p)["kinds"][0];
  const Kind& own = *p.kinds[0];
  const Machine& machine = *find(p, own.machine);
  ASSERT_EQ(kind["looks"].size(), machine.states.size());
  for (const State& state : machine.states) {
    const json& parts = kind["looks"][state.id.text];
    ASSERT_EQ(parts.size(), own.parts.size() + 1);
    for (size_t i = 0; i < own.parts.size(); ++i) {
      EXPECT_EQ(parts[i]["part"], own.parts[i].id.text);
      for (const PropertyInfo& info : propertiesOf(own.parts[i].type))
        EXPECT_TRUE(parts[i].contains(std::string(info.key))) << info.key;
    }
    EXPECT_EQ(parts.back()["type"], "whole");
  }
}

TEST(LaidOut, WordsThatAreMissingFallBack) {
  Project p = test::columnMenu({"Dive"});
  p = test::after(p, addLanguage("de", "Deutsch"));
  const json item = byId(told(p)["screens"][0]["items"], "id", test::buttons(p)[0].text);
  EXPECT_EQ(item["caption"][p.languages[1].id.text], "Dive");
}

}  // namespace
}  // namespace bristle
