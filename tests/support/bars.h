// A screen with a bar from which menus fly out, for tests of layout and sessions.
#pragma once
#include "runtime/document/project.h"

namespace bristle::test {

// On a display of 1000 × 600: a row “bar” at 300, 100 with the buttons “home”, “plants” and “map”,
// each 160 × 40, without a gap; a column “fly” with “ferns” and “mosses”, which flies out below
// “plants”, 4 px from it; a column “more” with “tall” and “low”, which flies out at the right of
// “ferns”; a button “far” at 20, 500. Focus starts at “home”.
struct Bar {
  Project project;
  Bar();
  Screen& screen() { return project.screens[0].edit(); }
  Item& item(const std::string& id);
  FlyOut& fly(const std::string& id) { return item(id).container()->flyOut; }
};

}  // namespace bristle::test
