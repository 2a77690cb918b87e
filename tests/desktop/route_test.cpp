// The Route bench by mouse and keys: routes are set, told of, judged, and found again.
#include <QCheckBox>
#include <QComboBox>
#include <QFile>
#include <QHelpEvent>
#include <QLabel>
#include <QSettings>
#include <QToolButton>
#include <QToolTip>

#include "core/edit/cluster_edits.h"
#include "core/edit/route_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/route/quality_panel.h"
#include "desktop/route/rose.h"
#include "desktop/route/route_bench.h"
#include "desktop/route/route_view.h"
#include "desktop/view/display_strip.h"
#include "desktop/window_fixture.h"
#include "drive/virtual_pad.h"

namespace bristle {
namespace {

class RouteBenchTest : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(test::columnMenu({"Dive", "Chart", "Log", "Ashore"}), {}, false);
    ids = test::buttons(project());
    window->openBench(QStringLiteral("route"));
    view = window->findChild<RouteView*>();
    view->setFocus();
  }
  QPointF at(size_t button) {
    const ScreenRoutes& routes = work().routes();
    return view->toWidget(routes.input.boxes[size_t(button)]).center();
  }
  QString figures() { return named<QLabel>(QStringLiteral("Figures of the routes"))->text(); }
  const RouteRule& rule(size_t button, Dir dir) {
    return findItem(*project().screens[0], ids[button])->button()->routes[dir];
  }
  std::vector<ItemId> ids;
  RouteView* view = nullptr;
};

TEST_F(RouteBenchTest, AKnobDraggedToAButtonPinsAndOneUndoReleases) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  ASSERT_EQ(work().pickedBox(), 0);
  drag(view, view->knob(Dir::Down), at(3));
  EXPECT_EQ(rule(0, Dir::Down).type, RouteType::Pinned);
  EXPECT_EQ(rule(0, Dir::Down).target.item, ItemPath(ids[3]));
  work().undo();
  EXPECT_EQ(rule(0, Dir::Down).type, RouteType::Solved);
}

TEST_F(RouteBenchTest, ARouteIsGivenAMotionAndASoundOfItsOwn) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  work().pickDir(Dir::Down);
  const auto carries = [&]() -> const RouteCarries& {
    return findItem(*project().screens[0], ids[0])->button()->routes.carries[size_t(Dir::Down)];
  };
  click(QStringLiteral("Moves in its own way"));
  ASSERT_TRUE(carries().motion);
  fill(QStringLiteral("Duration"), QStringLiteral("500"));
  EXPECT_EQ(carries().motion->duration, 500);
  fill(QStringLiteral("Easing as text"), QStringLiteral("quick"));
  EXPECT_EQ(carries().motion->easing, Easing{}) << "what is no easing is not taken";
  fill(QStringLiteral("Easing as text"), QStringLiteral("steps 3"));
  EXPECT_EQ(carries().motion->easing.count, 3);
  fill(QStringLiteral("Sound"), QStringLiteral("nowhere.wav"));
  EXPECT_EQ(carries().sound, "") << "there is no such file";
  // It belongs to the direction.
  work().pickDir(Dir::Right);
  EXPECT_FALSE(named<QCheckBox>(QStringLiteral("Moves in its own way"))->isChecked());
  work().pickDir(Dir::Down);
  click(QStringLiteral("Moves in its own way"));
  EXPECT_FALSE(carries().motion);
  work().undo();
  EXPECT_EQ(carries().motion->easing.count, 3);
}

TEST_F(RouteBenchTest, AnArmOfTheRoseIsDrawnToAButton) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  auto* rose = window->findChild<Rose*>();
  const QPoint arm(rose->width() / 2 + 30, rose->height() / 2);
  drag(rose, arm, rose->mapFromGlobal(view->mapToGlobal(at(2))));
  EXPECT_EQ(rule(0, Dir::Right).type, RouteType::Pinned);
  EXPECT_EQ(rule(0, Dir::Right).target.item, ItemPath(ids[2]));
  // Let go beside all buttons, or over the card, it changes nothing.
  drag(rose, arm, rose->mapFromGlobal(view->mapToGlobal(QPointF(4, 4))));
  drag(rose, arm, QPointF(rose->width() / 2, -40));
  EXPECT_EQ(rule(0, Dir::Right).target.item, ItemPath(ids[2]));
  work().undo();
  EXPECT_EQ(rule(0, Dir::Right).type, RouteType::Solved);
}

TEST_F(RouteBenchTest, TheFiguresFollowAndLeadToTheirPlaces) {
  EXPECT_TRUE(QTest::qWaitFor([&] { return figures().startsWith(QStringLiteral("4 buttons")); }));
  EXPECT_TRUE(figures().contains(QStringLiteral("100 % lead back")));
  // Pinned over two others: told, and the press of the figure picks the place.
  ASSERT_TRUE(work().perform(
      setRoute(project().screens[0]->id, ids[0], Dir::Down, {RouteType::Pinned, ids[3]})));
  auto* jumps = window->findChild<QPushButton*>();
  ASSERT_TRUE(QTest::qWaitFor([&] {
    for (auto* each : window->findChildren<QPushButton*>())
      if (each->isVisible() && each->text() == QStringLiteral("Jump over something: 1"))
        jumps = each;
    return jumps->text() == QStringLiteral("Jump over something: 1");
  }));
  work().pickItems({});
  bringIntoSight(jumps);
  QTest::mouseClick(jumps, Qt::LeftButton);
  EXPECT_EQ(work().pickedBox(), 0);
  EXPECT_EQ(work().picked().dir, Dir::Down);
  // Only what is marked is drawn now: another direction's stroke is gone from the picture.
  const QImage marked = view->grab().toImage();
  click(QStringLiteral("All routes"));
  EXPECT_NE(view->grab().toImage(), marked);
}

// Nothing leads elsewhere, but focus starts elsewhere: the figures are others.
TEST_F(RouteBenchTest, TheFiguresFollowWhereFocusStarts) {
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return figures().contains(QStringLiteral("From the start 2.0 steps, 3 at most")); }));
  ASSERT_TRUE(work().perform(setEntry(project().screens[0]->id, ids[1])));
  EXPECT_TRUE(QTest::qWaitFor(
      [&] { return figures().contains(QStringLiteral("From the start 1.3 steps, 2 at most")); }));
}

TEST_F(RouteBenchTest, OneWithoutAWayBackIsToldAsATrap) {
  ASSERT_TRUE(
      work().perform(setRoute(project().screens[0]->id, ids[3], Dir::Up, {RouteType::Closed, {}})));
  auto* traps = window->findChild<QPushButton*>();
  ASSERT_TRUE(QTest::qWaitFor([&] {
    for (auto* each : window->findChildren<QPushButton*>())
      if (each->isVisible() && each->text() == QStringLiteral("Cannot be left again: 1"))
        traps = each;
    return traps->text() == QStringLiteral("Cannot be left again: 1");
  }));
  traps->setFocus();
  QTest::keyClick(traps, Qt::Key_Space);
  EXPECT_EQ(work().picked().items, std::vector{ids[3]});
}

TEST_F(RouteBenchTest, SeveralArePinnedInALoopByOneCommandAndOneUndo) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(2).toPoint());
  QTest::mouseClick(view, Qt::LeftButton, Qt::ShiftModifier, at(0).toPoint());
  QTest::mouseClick(view, Qt::LeftButton, Qt::ShiftModifier, at(1).toPoint());
  ASSERT_EQ(work().picked().items.size(), 3U);
  run("Pin the picked in a column, round the ends");
  EXPECT_EQ(rule(0, Dir::Down).target.item, ItemPath(ids[1])) << "in the order in which they stand";
  EXPECT_EQ(rule(2, Dir::Down).target.item, ItemPath(ids[0]));
  EXPECT_EQ(rule(0, Dir::Up).target.item, ItemPath(ids[2]));
  EXPECT_EQ(rule(3, Dir::Up).type, RouteType::Solved) << "what was not picked is as it was";
  run("Release all directions of the picked");
  EXPECT_EQ(rule(2, Dir::Down).type, RouteType::Solved);
  work().undo();
  work().undo();
  for (const size_t button : {0, 1, 2})
    for (const Dir dir : kDirs) EXPECT_EQ(rule(button, dir).type, RouteType::Solved);
  // One alone is no line: told, and nothing happens.
  work().pickItems({ids[0]});
  const std::string undo = work().history().undoName();
  run("Pin the picked in a column");
  EXPECT_EQ(work().history().undoName(), undo);
}

TEST_F(RouteBenchTest, KeysCloseWrapReleaseAndWalk) {
  work().pickItems({ids[3]});
  key(Qt::Key_Down);
  EXPECT_EQ(work().picked().dir, Dir::Down);
  key(Qt::Key_W);
  EXPECT_EQ(rule(3, Dir::Down).type, RouteType::Wrap);
  key(Qt::Key_Down, Qt::ControlModifier);
  EXPECT_EQ(work().pickedBox(), 0) << "round the edge";
  work().pickItems({ids[3]});
  key(Qt::Key_X);
  EXPECT_EQ(rule(3, Dir::Down).type, RouteType::Closed);
  key(Qt::Key_R);
  EXPECT_EQ(rule(3, Dir::Down).type, RouteType::Solved);
}

TEST_F(RouteBenchTest, WhyIsToldInWords) {
  work().pickItems({ids[0]});
  key(Qt::Key_Down);
  bool told = false;
  for (const QLabel* label : window->findChildren<QLabel*>())
    told |= label->isVisible() && label->text().contains(QStringLiteral("straight ahead")) &&
            label->text().contains(QStringLiteral("behind Chart"));
  EXPECT_TRUE(told);
  // Of any other button the pointer says why it is not that one.
  const QPoint over = at(2).toPoint();
  QHelpEvent help(QEvent::ToolTip, over, view->mapToGlobal(over));
  QApplication::sendEvent(view, &help);
  EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("down from Dive: straight ahead")));
  EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("behind Chart")));
}

TEST_F(RouteBenchTest, AClusterIsMadeOfThePickedSetOnTheCardAndTakenAway) {
  const auto clusters = [&]() -> const std::vector<Cluster>& {
    return project().screens[0]->clusters;
  };
  QTest::mouseClick(view, Qt::LeftButton, {}, at(1).toPoint());
  QTest::mouseClick(view, Qt::LeftButton, Qt::ShiftModifier, at(2).toPoint());
  key(Qt::Key_G, Qt::ControlModifier);
  ASSERT_EQ(clusters().size(), 1u);
  EXPECT_EQ(clusters()[0].items, (std::vector<ItemPath>{ids[1], ids[2]}));
  // Its name waits to be typed.
  auto* name = named<QLineEdit>(QStringLiteral("Cluster name"));
  ASSERT_TRUE(name->hasFocus());
  QTest::keyClicks(name, QStringLiteral("Middle"));
  QTest::keyClick(name, Qt::Key_Return);
  EXPECT_EQ(clusters()[0].name, "Middle");
  view->setFocus();
  const QImage before = view->grab().toImage();
  choose(QStringLiteral("Focus leaves"), int(Leave::SingleStop));
  EXPECT_EQ(clusters()[0].leave, Leave::SingleStop);
  ASSERT_EQ(work().routes().output.stops.size(), 1u);
  EXPECT_EQ(work().routes().output.stops[0][size_t(Dir::Down)].target, 3);
  EXPECT_NE(view->grab().toImage(), before) << "it is drawn as one";
  choose(QStringLiteral("Exit down"), 1);
  EXPECT_EQ(clusters()[0].exits[size_t(Dir::Down)].type, RouteType::Closed);
  EXPECT_EQ(work().routes().output.stops[0][size_t(Dir::Down)].target, -1);
  choose(QStringLiteral("Focus enters"), int(Enter::Chosen));
  choose(QStringLiteral("Entry button"), 1);
  EXPECT_EQ(clusters()[0].chosen, ItemPath(ids[2]));
  // Another button brings its own cluster, or none.
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  EXPECT_EQ(named<QComboBox>(QStringLiteral("Cluster"))->currentIndex(), 0);
  choose(QStringLiteral("Cluster"), 1);
  EXPECT_EQ(named<QLineEdit>(QStringLiteral("Cluster name"))->text(), QStringLiteral("Middle"));
  key(Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_TRUE(clusters().empty());
  work().undo();
  EXPECT_EQ(clusters().size(), 1u);
}

TEST_F(RouteBenchTest, AContainerBecomesAClusterInOneStep) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(1).toPoint());
  click(QStringLiteral("Make a cluster of its container"));
  ASSERT_EQ(project().screens[0]->clusters.size(), 1u);
  EXPECT_EQ(work().routes().clusters[0].boxes.size(), 4u) << "with all that is in it";
}

TEST_F(RouteBenchTest, WhatOneWouldWonderAboutIsToldAndMendedByOnePress) {
  const auto why = [&]() -> QString {
    for (const QLabel* label : window->findChildren<QLabel*>())
      if (label->accessibleName() == QStringLiteral("Why one would wonder") && label->isVisible())
        return label->text();
    return {};
  };
  ASSERT_TRUE(QTest::qWaitFor([&] { return why().contains(QStringLiteral("one expects")); }));
  ASSERT_TRUE(work().perform(
      setRoute(project().screens[0]->id, ids[0], Dir::Down, {RouteType::Pinned, ids[3]})));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !why().contains(QStringLiteral("one expects")); }));
  click(QStringLiteral("Next move to wonder about"));
  EXPECT_EQ(work().picked().items, std::vector{ids[0]});
  EXPECT_TRUE(why().startsWith(QStringLiteral("Dive, down")) &&
              why().contains(QStringLiteral("behind Chart")))
      << fromQt(why());
  click(QStringLiteral("Mend 1"));
  EXPECT_EQ(rule(0, Dir::Down).type, RouteType::Solved);
  EXPECT_TRUE(QTest::qWaitFor([&] { return why().contains(QStringLiteral("one expects")); }));
}

TEST_F(RouteBenchTest, BoxesOfAnotherToolBecomeAScreenAndBadOnesAreTold) {
  auto* bench = window->findChild<RouteBench*>();
  QFile file(path("hull.json"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(
      R"({"boxes":[{"id":"a","x":0,"y":0,"w":50,"h":20},{"id":"b","x":0,"y":40,"w":50,"h":20}]})");
  file.close();
  bench->importBoxes(file.fileName());
  ASSERT_EQ(project().screens.size(), 2u);
  EXPECT_EQ(work().screen()->name, "hull");
  EXPECT_EQ(work().routes().output.routes[0][size_t(Dir::Down)].target, 1);
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(R"({"boxes":[{"id":"a","x":0,"y":0,"w":0,"h":20}]})");
  file.close();
  bench->importBoxes(file.fileName());
  EXPECT_EQ(project().screens.size(), 2u);
}

TEST_F(RouteBenchTest, StepsFromTheStartTintTheButtons) {
  EXPECT_TRUE(QTest::qWaitFor([&] { return figures().startsWith(QStringLiteral("4 buttons")); }));
  const auto colour = [&](size_t button) {
    return view->grab().toImage().pixelColor(at(button).toPoint() + QPoint(0, 9));
  };
  EXPECT_EQ(colour(0), colour(3));
  key(Qt::Key_U, Qt::ControlModifier);
  EXPECT_NE(colour(0), colour(3));
  EXPECT_NE(colour(1), colour(2));
  click(QStringLiteral("Steps from the start"));
  EXPECT_EQ(colour(0), colour(3));
}

TEST_F(RouteBenchTest, AWalkGoesAsTheMenuWould) {
  const ScreenId screen = project().screens[0]->id;
  ASSERT_TRUE(work().perform(addCluster(screen, {ids[1], ids[2]})));
  ASSERT_TRUE(work().perform(
      changeCluster(screen, project().screens[0]->clusters[0].id, "one stop", [&](Cluster& c) {
        c.leave = Leave::SingleStop;
        c.enter = Enter::Chosen;
        c.chosen = ids[2];
      })));
  const auto picked = [&] { return work().picked().items; };
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  key(Qt::Key_Down, Qt::ControlModifier);
  EXPECT_EQ(picked(), std::vector{ids[2]}) << "entered where it says";
  key(Qt::Key_Down, Qt::ControlModifier);
  EXPECT_EQ(picked(), std::vector{ids[3]}) << "passed in one step";
  key(Qt::Key_Up, Qt::ControlModifier);
  key(Qt::Key_Return);
  key(Qt::Key_Up, Qt::ControlModifier);
  EXPECT_EQ(picked(), std::vector{ids[1]}) << "within it";
  key(Qt::Key_Up, Qt::ControlModifier);
  EXPECT_EQ(picked(), std::vector{ids[1]}) << "no direction leads out";
  key(Qt::Key_Backspace);
  key(Qt::Key_Up, Qt::ControlModifier);
  EXPECT_EQ(picked(), std::vector{ids[0]});
}

TEST_F(RouteBenchTest, WhyIsSeenOnTheCanvasAndRemembered) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  work().pickDir(Dir::Right);
  const QPoint ahead = at(0).toPoint() + QPoint(200, 0), rank = [&] {
    const Box& box = work().routes().input.boxes[1];
    return view->toWidget(box).bottomLeft().toPoint();
  }();
  const auto seen = [&](const QPoint& where) { return view->grab().toImage().pixelColor(where); };
  const QColor strip = seen(ahead);
  work().pickDir(Dir::Down);
  EXPECT_NE(seen(ahead), strip) << "another direction, another strip";
  const QColor badge = seen(rank + QPoint(-4, 3));
  key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);
  EXPECT_NE(seen(rank + QPoint(-4, 3)), badge);
  auto* bench = window->findChild<RouteBench*>();
  click(QStringLiteral("One direction"));
  QSettings settings(path("kept.ini"), QSettings::IniFormat);
  bench->keepState(settings);
  click(QStringLiteral("Why on the canvas"));
  click(QStringLiteral("All routes"));
  bench->restoreState(settings);
  EXPECT_FALSE(named<QToolButton>(QStringLiteral("Why on the canvas"))->isChecked());
  EXPECT_TRUE(named<QToolButton>(QStringLiteral("One direction"))->isChecked());
}

// Of several picked ones, and where nothing is picked of the cluster that is in hand.
TEST_F(RouteBenchTest, RoutesOfSeveralOrOfAClusterAreShownAlone) {
  const auto between = [&](size_t a, size_t b) {
    const QPointF middle = (at(a) + at(b)) / 2;
    const QImage all = view->grab().toImage();
    // Down and up run beside one another: somewhere across the gap there is ink, or none.
    for (int dx = -9; dx <= 9; ++dx)
      if (all.pixelColor(middle.toPoint() + QPoint(dx, 0)).lightness() < 60) return true;
    return false;
  };
  key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);  // only the strokes
  work().pickItems({});
  ASSERT_TRUE(between(0, 1));
  ASSERT_TRUE(between(2, 3));
  click(QStringLiteral("Of the picked, or of the cluster in hand"));
  EXPECT_FALSE(between(0, 1)) << "nothing is picked";
  work().pickItems({ids[0], ids[1]});
  EXPECT_TRUE(between(0, 1));
  EXPECT_TRUE(between(1, 2)) << "out of the second";
  EXPECT_FALSE(between(2, 3));
  ASSERT_TRUE(work().perform(addCluster(project().screens[0]->id, {ids[2], ids[3]})));
  work().pickItems({});
  auto* clusters = named<QComboBox>(QStringLiteral("Cluster"));
  clusters->setFocus();
  QTest::keyClick(clusters, Qt::Key_End);
  EXPECT_TRUE(between(2, 3));
  EXPECT_FALSE(between(0, 1));
}

TEST_F(RouteBenchTest, AControllerWalksTheRoutes) {
  const auto picked = [&] { return work().picked().items; };
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  VirtualPad pad;
  QTest::qWait(30);
  pad.button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, true);
  EXPECT_TRUE(QTest::qWaitFor([&] { return picked() == std::vector{ids[1]}; }));
  // Held, it goes on.
  EXPECT_TRUE(QTest::qWaitFor([&] { return picked() == std::vector{ids[3]}; }));
  pad.button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, false);
  pad.stick(0, -0.9);
  EXPECT_TRUE(QTest::qWaitFor([&] { return picked() == std::vector{ids[2]}; }));
  pad.stick(0, 0);
  // What is pressed elsewhere is not meant here.
  window->openBench(QStringLiteral("place"));
  pad.button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, true);
  QTest::qWait(30);
  pad.button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, false);
  window->openBench(QStringLiteral("route"));
  pad.button(SDL_CONTROLLER_BUTTON_DPAD_UP, true);
  EXPECT_TRUE(QTest::qWaitFor([&] { return picked() == std::vector{ids[1]}; }));
}

TEST_F(RouteBenchTest, TheStripTellsHowTheRoutesAreOnEachDisplay) {
  ASSERT_GE(project().displays.size(), 2u);
  const Display other = project().displays[1];
  const auto mark = [&] {
    return window->findChild<QualityPanel*>()->marks().markOf(other, project().languages[0]);
  };
  ASSERT_TRUE(work().perform(setRouteOn(project().screens[0]->id, ids[0], Dir::Down, other.id,
                                        RouteRule{RouteType::Pinned, ids[3]})));
  EXPECT_TRUE(QTest::qWaitFor([&] { return mark().worth == 1; })) << mark().worth;
  ASSERT_TRUE(work().perform(setRouteOn(project().screens[0]->id, ids[0], Dir::Down, other.id,
                                        RouteRule{RouteType::Closed, {}})));
  EXPECT_TRUE(QTest::qWaitFor([&] { return mark().wrong > 0; })) << "the rest cannot be reached";
  const QStringList lines =
      window->findChild<QualityPanel*>()->marks().linesOf(other, project().languages[0]);
  EXPECT_TRUE(lines.join(QLatin1Char(' ')).contains(QStringLiteral("Cannot be reached: 3")))
      << fromQt(lines.join(QLatin1Char('|')));
  auto* strip = window->findChild<DisplayStrip*>();
  for (auto* each : window->findChildren<DisplayStrip*>())
    if (each->isVisible()) strip = each;
  strip->setFocus();
  QTest::keyClick(strip, Qt::Key_Right);
  EXPECT_EQ(work().picked().display, other.id);
}

TEST_F(RouteBenchTest, RoutesAreSetAsInAnotherGroup) {
  const ScreenId screen = project().screens[0]->id;
  const ItemId column = project().screens[0]->items[0]->id;
  ASSERT_TRUE(work().perform(setRoute(screen, ids[0], Dir::Left, {RouteType::Pinned, ids[2]})));
  ASSERT_TRUE(work().perform(duplicateItems(screen, {column})));
  const auto all = test::buttons(project());
  ASSERT_EQ(all.size(), 8u);
  ASSERT_TRUE(work().perform(releaseRoutes(screen, {all[4]})));
  work().pickItems({all[4]});
  auto* groups = named<QComboBox>(QStringLiteral("Routes as in"));
  groups->setFocus();
  QTest::keyClick(groups, Qt::Key_Down);
  const auto& set = findItem(*project().screens[0], all[4])->button()->routes[Dir::Left];
  EXPECT_EQ(set.target.item, ItemPath(all[6]));
}

// Of so many routes a picture is kept; it must never show what is no longer so.
TEST_F(RouteBenchTest, ManyRoutesAreSeenAsTheyAreNow) {
  std::vector<Box> boxes;
  for (int i = 0; i < 130; ++i)
    boxes.push_back({20 + 80.0 * (i % 13), 20 + 60.0 * (i / 13), 40, 24});
  work().replace(test::placedMenu(boxes), {}, false);
  key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);
  work().pickItems({});
  const auto seen = [&] {
    (void)view->grab();  // what is to be painted is known in a frame
    EXPECT_TRUE(QTest::qWaitFor([&] { return !view->busy(); }));
    return view->grab().toImage();
  };
  // The darkest of the gap under a box: ink, or only the ground.
  const auto ink = [&](const QImage& all, size_t from) {
    const QPointF middle = (at(from) + at(from + 13)) / 2;
    int least = 255;
    for (int dx = -9; dx <= 9; ++dx)
      least = std::min(least, all.pixelColor(middle.toPoint() + QPoint(dx, 0)).lightness());
    return least;
  };
  const QImage whole = seen();
  const int strong = ink(whole, 40);
  EXPECT_LT(strong, 70);
  // Those of others step back; those of the picked do not.
  work().pickItems({test::buttons(project())[100]});
  const QImage picked = seen();
  EXPECT_LT(ink(picked, 100), 70);
  EXPECT_GT(ink(picked, 40), strong + 30);
  work().pickItems({});
  EXPECT_EQ(seen(), whole);
  // Moved and zoomed it is the same as painted there at once.
  view->zoomBy(1.5);
  const QImage nearer = seen();
  EXPECT_LT(ink(nearer, 57), 70);
  view->fit();
  EXPECT_EQ(seen(), whole);
  // A box that went leaves nothing behind.
  const QRectF at64 = view->toWidget(work().routes().input.boxes[64]);
  const QPoint was = (at64.topLeft() + QPointF(3, at64.height() / 2)).toPoint();
  const QColor box = whole.pixelColor(was);
  ASSERT_TRUE(
      work().perform(removeItems(project().screens[0]->id, {test::buttons(project())[64]})));
  EXPECT_NE(seen().pixelColor(was), box);
}

// Bad input: it is shown, judged and left again.
TEST_F(RouteBenchTest, TenThousandBoxesInOnePlaceAreBorne) {
  work().replace(test::placedMenu(std::vector<Box>(10'000, Box{300, 300, 80, 40})), {}, false);
  EXPECT_TRUE(QTest::qWaitFor([&] { return work().routes().items.size() == 10'000; }, 60'000));
  EXPECT_FALSE(view->grab().isNull());
  work().pickItems({test::buttons(project())[0]});
  view->setFocus();
  key(Qt::Key_Down);
  EXPECT_FALSE(view->grab().isNull());
  work().replace(test::columnMenu({"One", "Two"}), {}, false);
  EXPECT_TRUE(
      QTest::qWaitFor([&] { return figures().startsWith(QStringLiteral("2 buttons")); }, 60'000));
}

}  // namespace
}  // namespace bristle
