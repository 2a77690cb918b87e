// Routes are set by mouse and keys.
#include <QCheckBox>
#include <QComboBox>
#include <QFile>

#include "core/edit/route_edits.h"
#include "desktop/route/rose.h"
#include "desktop/route/route_bench.h"
#include "desktop/route_fixture.h"

namespace bristle::test {
namespace {

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

TEST_F(RouteBenchTest, RoutesAreSetAsInAnotherGroup) {
  const ScreenId screen = project().screens[0]->id;
  const ItemId column = project().screens[0]->items[0]->id;
  ASSERT_TRUE(work().perform(setRoute(screen, ids[0], Dir::Left, {RouteType::Pinned, ids[2]})));
  ASSERT_TRUE(work().perform(duplicateItems(screen, {column})));
  const auto all = buttons(project());
  ASSERT_EQ(all.size(), 8u);
  ASSERT_TRUE(work().perform(releaseRoutes(screen, {all[4]})));
  work().pickItems({all[4]});
  auto* groups = named<QComboBox>(QStringLiteral("Routes as in"));
  groups->setFocus();
  QTest::keyClick(groups, Qt::Key_Down);
  const auto& set = findItem(*project().screens[0], all[4])->button()->routes[Dir::Left];
  EXPECT_EQ(set.target.item, ItemPath(all[6]));
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

}  // namespace
}  // namespace bristle::test
