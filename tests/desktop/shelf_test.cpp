// The shelf beside the benches, and what the window remembers of it.
#include <QListWidget>

#include "core/edit/kind_edits.h"
#include "desktop/frame_fixture.h"
#include "desktop/shelf/shelf.h"
#include "desktop/work/theme.h"

namespace bristle::test {
namespace {

TEST_F(Frame, TheShelfShowsWhatIsThereAndPicksIt) {
  auto* screens = named<QListWidget>(QStringLiteral("Screens"));
  ASSERT_EQ(screens->count(), 2);
  EXPECT_TRUE(screens->item(0)->text().contains(QStringLiteral("opens first")));
  screens->setFocus();
  QTest::keyClick(screens, Qt::Key_Down);
  EXPECT_EQ(work().picked().screen, project().screens[1]->id);
  click(QStringLiteral("New kind"));
  EXPECT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(work().picked().kind, project().kinds[1]->id);
  work().undo();
  EXPECT_EQ(named<QListWidget>(QStringLiteral("Kinds"))->count(), 2) << "and a reusable group";
}

// Whichever bench is shown.
TEST_F(Frame, DeleteRemovesWhatIsPickedOnTheShelf) {
  window->openBench(QStringLiteral("flow"));
  auto* screens = named<QListWidget>(QStringLiteral("Screens"));
  const ScreenId first = project().screens[0]->id;
  screens->setFocus();
  screens->setCurrentRow(1);
  QTest::keyClick(screens, Qt::Key_Delete);
  ASSERT_EQ(project().screens.size(), 1u);
  EXPECT_EQ(project().screens[0]->id, first);
  work().undo();
  EXPECT_EQ(project().screens.size(), 2u);
  // Several at once, and one undo.
  click(QStringLiteral("New kind"));
  click(QStringLiteral("New kind"));
  auto* kinds = named<QListWidget>(QStringLiteral("Kinds"));
  kinds->setFocus();
  kinds->setCurrentRow(1);
  QTest::keyClick(kinds, Qt::Key_Down, Qt::ShiftModifier);
  QTest::keyClick(kinds, Qt::Key_Delete);
  EXPECT_EQ(project().kinds.size(), 1u);
  work().undo();
  EXPECT_EQ(project().kinds.size(), 3u);
}

TEST_F(Frame, MiniaturesFollowTheLook) {
  work().replace(columnMenu({"One"}), {}, false);
  auto* kinds = named<QListWidget>(QStringLiteral("Kinds"));
  const auto middle = [&] {
    return kinds->item(0)->icon().pixmap(64, 38).toImage().pixelColor(9, 19);
  };
  ASSERT_TRUE(work().perform(setLook(project().kinds[0]->id, {Column{}}, propKey(0, Prop::Fill),
                                     Fill::solid({250, 10, 10, 255}))));
  EXPECT_TRUE(QTest::qWaitFor([&] { return middle().red() > 200 && middle().blue() < 60; }));
  ASSERT_TRUE(work().perform(setLook(project().kinds[0]->id, {Column{}}, propKey(0, Prop::Fill),
                                     Fill::solid({10, 10, 250, 255}))));
  EXPECT_TRUE(QTest::qWaitFor([&] { return middle().blue() > 200 && middle().red() < 60; }));
}

TEST_F(Frame, MiniaturesStandOnTheGroundOfTheTheme) {
  auto* shelf = window->findChild<Shelf*>();
  QListWidgetItem* kind = shelf->findChildren<QListWidget*>()[0]->item(0);
  for (const Theme& t : {Theme::darkOne(), Theme::light()}) {
    applyTheme(*window, t);
    QTRY_COMPARE(kind->icon().pixmap(64, 38).toImage().pixelColor(1, 1), t.work);
  }
}

TEST_F(Frame, ShelfAndCardFoldAwayAndAreRemembered) {
  QWidget* shelf = window->findChild<Shelf*>();
  ASSERT_NE(shelf, nullptr);
  EXPECT_TRUE(shelf->isVisible());
  key(Qt::Key_F7);
  EXPECT_FALSE(shelf->isVisible());
  ASSERT_TRUE(window->close());
  open();
  EXPECT_FALSE(window->findChild<Shelf*>()->isVisible());
  key(Qt::Key_F7);
  EXPECT_TRUE(window->findChild<Shelf*>()->isVisible());
}

}  // namespace
}  // namespace bristle::test
