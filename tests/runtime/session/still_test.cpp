// Kinds that stand still: headings and badges, which look like buttons and are none.
#include <gmock/gmock.h>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/overlaps.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;
using test::Playing;

// A heading above a column of two buttons, on it.
struct Headed {
  History history{emptyProject()};
  ScreenId screen;
  ItemId heading;
  Headed() {
    must(history, addKind("Heading", Wins::Hover));
    must(history, addKind("Entry", Wins::Hover));
    must(history, changeKind(history.now().kinds[0]->id, "still", {}, [](Kind& k) {
           k.still = true;
           k.hitPadding = 20;
         }));
    must(history, addScreen("First"));
    screen = history.now().screens[0]->id;
    must(history, addButton(screen, history.now().kinds[0]->id, "Where to?", 100, 100));
    heading = history.now().screens[0]->items[0]->id;
    must(history, addButton(screen, history.now().kinds[1]->id, "Down", 100, 150));
    must(history, addButton(screen, history.now().kinds[1]->id, "Up", 100, 400));
  }
};

TEST(Still, IsNeitherReachedNorHitNorTheEntry) {
  Headed h;
  const auto buttons = test::buttons(h.history.now());
  EXPECT_EQ(h.history.now().screens[0]->entry, buttons[1]) << "not the heading";
  Playing run(h.history.now());
  EXPECT_EQ(run.session().focused(), buttons[1]);
  run.move(Dir::Up);
  EXPECT_EQ(run.session().focused(), buttons[1]);
  run.session().feed({.type = InputType::Step, .down = false});
  EXPECT_EQ(run.session().focused(), buttons[2]);
  run.lines();
  EXPECT_TRUE(run.point(InputType::Point, 110, 110).empty() ||
              run.session().focused() == buttons[2]);
  EXPECT_EQ(run.session().stack()[0].boxAt(110, 110), -1);
  EXPECT_EQ(run.session().stack()[0].still.size(), 1u) << "it is drawn";
}

TEST(Still, LiesInNobodysWay) {
  Headed h;
  const Project& p = h.history.now();
  const Layout layout = layOut(p, *p.screens[0], p.displays[0], PlainMeasure());
  EXPECT_TRUE(overlapsOf(p, *p.screens[0], layout).empty());
  EXPECT_EQ(layout.items[0].hit, layout.items[0].box) << "no hit area beyond it";
}

TEST(Still, IsInTheFile) {
  Headed h;
  const auto read = parseProject(writeProject(h.history.now()));
  ASSERT_TRUE(read) << read.error().text();
  EXPECT_TRUE(read->project.kinds[0]->still);
  EXPECT_FALSE(read->project.kinds[1]->still);
}

}  // namespace
}  // namespace bristle
