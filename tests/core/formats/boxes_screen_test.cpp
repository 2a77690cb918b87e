// A layout of another tool becomes a screen whose routes are those of the boxes.
#include "core/formats/boxes_screen.h"

#include <gtest/gtest.h>

#include "runtime/focus/screen_routes.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

BoxesFile boxes(const std::string& text) {
  auto out = parseBoxes(text);
  EXPECT_TRUE(out) << out.error().text();
  return *out;
}

TEST(BoxesScreen, TheScreenHasTheRoutesOfTheBoxes) {
  std::uint64_t seed = 0;
  for (const std::string& family : test::layoutFamilies()) {
    BoxesFile file;
    file.input.boxes = test::layoutOf(family, ++seed, 30);
    for (size_t i = 0; i < file.input.boxes.size(); ++i)
      file.input.names.push_back("n" + std::to_string(i));
    const Project project = test::after(emptyProject(), addScreenOfBoxes("Imported", file));
    const Screen& screen = *project.screens.back();
    const Layout layout = layOut(project, screen, project.displays[0], PlainMeasure());
    EXPECT_EQ(screenRoutes(screen, layout).output.routes, solve(file.input).routes) << family;
  }
}

TEST(BoxesScreen, CaptionsEntryAndDisplayAreTakenOver) {
  const Project project = test::after(
      emptyProject(), addScreenOfBoxes("Imported", boxes(R"({"size":[800,600],"entry":"b","boxes":[
        {"id":"a","x":10,"y":10,"w":50,"h":20},{"id":"b","x":10,"y":50,"w":50,"h":20}]})")));
  const Screen& screen = *project.screens.back();
  EXPECT_EQ(displayName(*screen.items[0]), "a");
  EXPECT_EQ(screen.entry, screen.items[1]->id);
  const Display& display = project.displays.back();
  EXPECT_EQ(screen.drawnOn, display.id);
  EXPECT_EQ(display.width, 800);
  EXPECT_EQ(display.height, 600);
  // Again: neither a second kind nor a second display.
  const Project more = test::after(project, addScreenOfBoxes("Imported", boxes(R"({"size":[800,600],
        "boxes":[]})")));
  EXPECT_EQ(more.kinds.size(), project.kinds.size());
  EXPECT_EQ(more.displays.size(), project.displays.size());
  EXPECT_EQ(more.screens.back()->name, "Imported 2");
}

TEST(BoxesScreen, WhatLiesTooFarAwayIsRefusedAndSizesAreChecked) {
  BoxesFile far;
  far.input.boxes = {{9e6, 0, 10, 10}};
  far.input.names = {"a"};
  EXPECT_FALSE(addScreenOfBoxes("Far", far).apply(emptyProject()));
  for (const char* size : {"[0,100]", "[100]", "[1e9,5]", "\"wide\""}) {
    const auto read = parseBoxes(std::string(R"({"boxes":[],"size":)") + size + "}");
    ASSERT_FALSE(read) << size;
    EXPECT_EQ(read.error().place, "/size");
  }
}

}  // namespace
}  // namespace bristle
