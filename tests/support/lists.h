// A screen with a list that scrolls, for tests of layout, routes and sessions.
#pragma once
#include "runtime/document/project.h"

namespace bristle::test {

// On a display of 1000 × 600: a button “left” of 100 × 40 at 20, 280; a column “list” at 200, 100,
// 300 × 200, with 8 px of padding, which holds `entries` buttons “e0”, “e1” … of 280 × 40, 10 px
// apart; buttons “above” at 200, 20, “right” at 700, 120 and “below” at 200, 400. All are of one
// kind whose caption says nothing of the size.
struct List {
  Project project;
  explicit List(int entries, Scrolls scrolls = Scrolls::Down, Follow follow = Follow::Nearest);
  Screen& screen() { return project.screens[0].edit(); }
  ContainerData& list();
  Item& item(const std::string& id);
};

}  // namespace bristle::test
