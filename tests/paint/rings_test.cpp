// The ring of a cluster is seen while the cluster has focus: of one stop until focus goes in.
#include <gtest/gtest.h>

#include <QPainter>

#include "paint/convert.h"
#include "paint/screen_painter.h"
#include "support/menus.h"

namespace bristle {
namespace {

constexpr Colour kInk{255, 0, 255, 255};

struct Ringed {
  Project project =
      test::placedMenu({{100, 100, 100, 40}, {100, 200, 100, 40}, {400, 100, 100, 40}});
  std::vector<ItemId> ids = test::buttons(project);
  std::optional<test::Playing> run;
  LookPainter looks;
  Ringed(Leave leave) {
    Screen& screen = *edit(project, project.screens[0]->id);
    Cluster cluster{{"g"}, "G", {ids[0], ids[1]}, Enter::First, {}, {}};
    cluster.leave = leave;
    cluster.ring = {4, 20, 0, kInk};
    screen.clusters = {cluster};
    screen.entry = ids[2];
    run.emplace(project);
  }
  // Whether it stands where its upper left corner would, 20 px away from the buttons.
  bool seen() {
    QImage image(1920, 1080, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::black);
    QPainter painter(&image);
    paintSession(painter, looks, run->session());
    painter.end();
    const auto ink = [&](int x, int y) { return image.pixelColor(x, y) == toQt(kInk); };
    EXPECT_FALSE(ink(150, 150)) << "between the buttons";
    EXPECT_EQ(ink(80, 150), ink(220, 150));
    EXPECT_EQ(ink(80, 150), ink(150, 80));
    EXPECT_EQ(ink(80, 150), ink(150, 260));
    return ink(80, 150);
  }
};

TEST(FocusRings, OfAStopIsThereUntilFocusGoesIn) {
  Ringed r(Leave::SingleStop);
  EXPECT_FALSE(r.seen());
  r.run->move(Dir::Left);
  EXPECT_TRUE(r.seen());
  r.run->key(InputType::Accept, true);
  r.run->key(InputType::Accept, false);
  EXPECT_FALSE(r.seen()) << "focus is inside";
  r.run->key(InputType::Cancel, true);
  EXPECT_TRUE(r.seen());
}

TEST(FocusRings, OfOthersAreThereWhileFocusIsInThem) {
  Ringed r(Leave::Open);
  EXPECT_FALSE(r.seen());
  r.run->move(Dir::Left);
  EXPECT_TRUE(r.seen());
  r.run->move(Dir::Down);
  EXPECT_TRUE(r.seen());
  r.run->move(Dir::Right);
  EXPECT_FALSE(r.seen());
}

// Kept apart from focus, a pointer leaves no highlight of focus.
TEST(FocusRings, AreNotSeenWhileAPointerIsUsedThatIsKeptApart) {
  Ringed r(Leave::Open);
  r.project.settings.pointerMovesFocus = false;
  r.run.emplace(r.project);
  r.run->move(Dir::Left);
  EXPECT_TRUE(r.seen());
  r.run->point(InputType::Point, 900, 900);
  EXPECT_FALSE(r.seen());
}

}  // namespace
}  // namespace bristle
