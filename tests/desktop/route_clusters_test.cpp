// Clusters are made on the Route bench, and walked as the menu would go.
#include <QComboBox>
#include <QLineEdit>

#include "core/edit/cluster_edits.h"
#include "desktop/route_fixture.h"
#include "drive/virtual_pad.h"

namespace bristle::test {
namespace {

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

}  // namespace
}  // namespace bristle::test
