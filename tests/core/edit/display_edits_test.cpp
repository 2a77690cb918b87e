// Adding, changing and removing displays.
#include "core/edit/display_edits.h"

#include <gtest/gtest.h>

#include "core/edit/screen_edits.h"
#include "runtime/document/whynot.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;

struct Shown {
  History history{test::columnMenu({"a", "b"})};
  DisplayId first = history.now().displays[0].id, second = history.now().displays[1].id;
  ScreenId screen = history.now().screens[0]->id;
  ItemId button = test::buttons(history.now()).front();
};

TEST(Displays, AnAddedOneIsLikeTheLastWithANameOfItsOwn) {
  Shown s;
  must(s.history, addDisplay("Kiosk"));
  must(s.history, addDisplay("Kiosk"));
  const auto& all = s.history.now().displays;
  ASSERT_EQ(all.size(), 4u);
  EXPECT_EQ(all[3].name, "Kiosk 2");
  EXPECT_EQ(all[3].width, all[1].width);
  EXPECT_NE(all[3].id, all[2].id);
}

TEST(Displays, OneThatGoesTakesWhatHeldOnItOnly) {
  Shown s;
  must(s.history,
       setRouteOn(s.screen, s.button, Dir::Down, s.second, RouteRule{RouteType::Closed, {}}));
  must(s.history, changeScreen(s.screen, "drawn on", {}, [&](Screen& x) { x.drawnOn = s.second; }));
  must(s.history, removeDisplay(s.second));
  const Project& p = s.history.now();
  EXPECT_EQ(p.displays.size(), 1u);
  EXPECT_EQ(p.screens[0]->drawnOn, DisplayId{});
  for (const auto& item : p.screens[0]->items)
    if (const auto* button = item->button()) {
      EXPECT_TRUE(button->routes.where.empty());
    }
  EXPECT_FALSE(s.history.perform(removeDisplay(s.first))) << "the last one stays";
  s.history.undo();
  EXPECT_EQ(s.history.now().displays.size(), 2u);
}

TEST(Displays, AScreenKeepsTheDisplayThatItWasDrawnOnWhenAnotherBecomesTheFirst) {
  Shown s;
  must(s.history,
       changeScreen(s.screen, "grow", {}, [](Screen& x) { x.scaling = Scaling::Width; }));
  must(s.history, putDisplayFirst(s.second));
  EXPECT_EQ(s.history.now().displays.front().id, s.second);
  EXPECT_EQ(s.history.now().screens[0]->drawnOn, s.first);
}

TEST(Displays, AreRefusedWhereTheyMakeNoSense) {
  Shown s;
  const std::function<void(Display&)> wrong[] = {[](Display& d) { d.width = 0; },
                                                 [](Display& d) { d.height = 16385; },
                                                 [](Display& d) { d.scale = 0; },
                                                 [](Display& d) { d.safe.bottom = -1; },
                                                 [](Display& d) { d.corner = 1e9; },
                                                 [](Display& d) {
                                                   d.blocked = {{0, 0, -5, 3}};
                                                 },
                                                 [](Display& d) {
                                                   d.blocked.assign(kMostBlocked + 1, {0, 0, 1, 1});
                                                 }};
  for (const auto& change : wrong) {
    const auto result = s.history.perform(changeDisplay(s.first, "change", {}, change));
    ASSERT_FALSE(result);
    EXPECT_NE(result.error().text().find("display “"), std::string::npos) << result.error().text();
  }
  for (const Px side : {1.0, 16384.0})
    must(s.history,
         changeDisplay(s.first, "change", {}, [side](Display& d) { d.width = d.height = side; }));
}

TEST(Displays, SafeAreasAndWhatTheyBlockAreInTheFile) {
  Shown s;
  must(s.history, changeDisplay(s.first, "change", {}, [](Display& d) {
         d.safe = {44, 1, 34, 2};
         d.corner = 60;
         d.blocked = {{800, 0, 320, 60}, {1, 2, 3, 4}};
       }));
  must(s.history, changeScreen(s.screen, "grow", {}, [&](Screen& x) {
         x.scaling = Scaling::Smaller;
         x.drawnOn = s.second;
       }));
  must(s.history, changeItems(s.screen, {s.button}, "pin", {}, [](Item& i) {
         i.place.x = {.pin = Pin::Fraction, .offset = 3, .fraction = 0.25, .share = 0.5};
         i.place.y.pin = Pin::Baseline;
         i.place.safe = true;
         i.place.scaling = Scaling::None;
       }));
  const std::string text = writeProject(s.history.now());
  const auto read = parseProject(text);
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_TRUE(equal(read->project, s.history.now()));
  EXPECT_EQ(writeProject(read->project), text);
}

}  // namespace
}  // namespace bristle
