// Reusable groups, bars of screens, fly-outs and scrollers on the Place bench.
#include <QDropEvent>
#include <QListWidget>
#include <QMimeData>

#include "core/edit/group_edits.h"
#include "desktop/work/theme.h"
#include "place_fixture.h"

namespace bristle {
namespace {

class PlaceGroups : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    box = project().screens[0]->items[0]->id;
    ids = test::buttons(project());
    work().pickItems({box});
  }
  const ContainerData& container() { return *item(box).container(); }
  std::vector<ItemId> in(const ItemId& holder) {
    std::vector<ItemId> out;
    for (const auto& each : project().screens[0]->items)
      if (each->parent == holder) out.push_back(each->id);
    return out;
  }
  ItemId box;
  std::vector<ItemId> ids;
};

TEST_F(PlaceGroups, AColumnIsMadeReusablePlacedAgainAndChangedInOneCopy) {
  click(QStringLiteral("Make it reusable"));
  ASSERT_EQ(project().groups.size(), 1u);
  fill(QStringLiteral("Group name"), QStringLiteral("Stepper"));
  EXPECT_EQ(project().groups[0]->name, "Stepper");
  click(QStringLiteral("Place another copy"));
  ASSERT_EQ(work().picked().items.size(), 1u);
  const ItemId copy = work().picked().items[0];
  ASSERT_NE(copy, box);
  ASSERT_EQ(in(copy).size(), 2u);
  // By keys: into the copy, and taller.
  work().pickItems({in(copy)[0]});
  fill(QStringLiteral("Height"), QStringLiteral("90"));
  EXPECT_EQ(boxOf(ids[0]).h, 90) << "in the other copy, too";
  fill(QStringLiteral("Caption"), QStringLiteral("Louder"));
  EXPECT_EQ(displayName(item(ids[0])), "One") << "captions are each copy's own";
  work().pickItems({copy});
  click(QStringLiteral("Each copy has its own captions"));
  EXPECT_FALSE(project().groups[0]->ownCaptions);
  click(QStringLiteral("Let go of its group"));
  EXPECT_FALSE(item(copy).container()->group);
}

TEST_F(PlaceGroups, AnotherCopyLiesBesideTheOneThatIsPickedWhereverThatIsPinned) {
  click(QStringLiteral("Make it reusable"));
  choose(QStringLiteral("Pinned to, x"), int(Pin::End));
  choose(QStringLiteral("Pinned to, y"), int(Pin::Centre));
  const Box before = boxOf(box);
  click(QStringLiteral("Place another copy"));
  const Box copy = boxOf(work().picked().items[0]);
  EXPECT_DOUBLE_EQ(copy.x, before.x + 24);
  EXPECT_DOUBLE_EQ(copy.y, before.y + 24);
}

// On the shelf it stands below the kinds, is dragged onto the canvas, or placed by Return.
TEST_F(PlaceGroups, AGroupIsPlacedFromTheShelf) {
  click(QStringLiteral("Make it reusable"));
  const GroupId group = project().groups[0]->id;
  auto* shelf = named<QListWidget>(QStringLiteral("Kinds"));
  const int row = int(project().kinds.size());
  ASSERT_EQ(shelf->count(), row + 1);
  EXPECT_TRUE(shelf->item(row)->text().contains(QStringLiteral("reusable group")));
  // What the list hands over when the row is dragged, dropped where the system says.
  const std::unique_ptr<QMimeData> mime(shelf->model()->mimeData({shelf->model()->index(row, 0)}));
  const QPointF at = canvas().toWidget(Box{1300, 700, 0, 0}).topLeft();
  QDragEnterEvent enter(at.toPoint(), Qt::CopyAction, mime.get(), Qt::LeftButton, {});
  QApplication::sendEvent(&canvas(), &enter);
  EXPECT_TRUE(enter.isAccepted());
  QDropEvent drop(at, Qt::CopyAction, mime.get(), Qt::LeftButton, {});
  QApplication::sendEvent(&canvas(), &drop);
  ASSERT_EQ(work().picked().items.size(), 1u);
  const ItemId dropped = work().picked().items[0];
  ASSERT_EQ(item(dropped).container()->group, group);
  EXPECT_EQ(in(dropped).size(), in(box).size());
  EXPECT_NEAR(boxOf(dropped).x + boxOf(dropped).w / 2, 1300, 1);
  EXPECT_NEAR(boxOf(dropped).y + boxOf(dropped).h / 2, 700, 1);
  const KindId kind = work().picked().kind;
  shelf->setFocus();
  shelf->setCurrentRow(row);
  EXPECT_EQ(work().picked().kind, kind) << "a group is no kind";
  QTest::keyClick(shelf, Qt::Key_Return);
  ASSERT_EQ(work().picked().items.size(), 1u);
  EXPECT_NE(work().picked().items[0], dropped);
  EXPECT_EQ(item(work().picked().items[0]).container()->group, group);
  EXPECT_GT(boxOf(work().picked().items[0]).x, boxOf(dropped).x + boxOf(dropped).w)
      << "beside what was picked";
}

TEST_F(PlaceGroups, ByKeysAlone) {
  canvas().setFocus();
  key(Qt::Key_G, Qt::ControlModifier | Qt::AltModifier);
  ASSERT_EQ(project().groups.size(), 1u);
  key(Qt::Key_D, Qt::ControlModifier | Qt::AltModifier);
  EXPECT_NE(work().picked().items[0], box);
  EXPECT_EQ(item(work().picked().items[0]).container()->group, project().groups[0]->id);
}

TEST_F(PlaceGroups, ABarGetsAButtonForEachScreenAndKeepsInStep) {
  ASSERT_TRUE(work().perform(addScreen("Plants")));
  work().pickItems({box});
  click(QStringLiteral("Make a button for each screen"));
  ASSERT_EQ(project().lists.size(), 1u);
  ASSERT_EQ(in(box).size(), 4u) << "two that lead nowhere yet stay after them";
  auto* list = named<QListWidget>(QStringLiteral("Screens of the bar"));
  ASSERT_EQ(list->count(), 2);
  bringIntoSight(list);
  for (int i = 0; i < 2; ++i)
    EXPECT_TRUE(list->viewport()->rect().contains(list->visualItemRect(list->item(i))) &&
                list->visualItemRect(list->item(i)).height() > 8)
        << "is seen";
  // Space unticks the second.
  list->setFocus();
  list->setCurrentRow(1);
  QTest::keyClick(list, Qt::Key_Space);
  EXPECT_EQ(in(box).size(), 3u);
  EXPECT_EQ(project().lists[0].screens.size(), 1u);
  work().undo();
  EXPECT_EQ(in(box).size(), 4u);
  ASSERT_TRUE(work().perform(renameScreen(project().screens[1]->id, "Garden")));
  EXPECT_EQ(displayName(item(in(box)[1])), "Garden");
}

TEST_F(PlaceGroups, AColumnFliesOutFromAButtonAndIsSeenWhileSomethingInItIsPicked) {
  choose(QStringLiteral("Flies out from"), 1);
  ASSERT_EQ(container().flyOut.from, free);
  EXPECT_EQ(boxOf(box).x, boxOf(free).x) << "wherever it was before";
  EXPECT_EQ(boxOf(box).y, boxOf(free).y + boxOf(free).h) << "below its button";
  const Box flown = boxOf(box);
  choose(QStringLiteral("Flies out from"), 0);
  EXPECT_FALSE(container().flyOut.from);
  EXPECT_EQ(boxOf(box).x, flown.x) << "stays where it was seen";
  EXPECT_EQ(boxOf(box).y, flown.y);
  choose(QStringLiteral("Flies out from"), 1);
  const QPoint middle = canvas().toWidget(toQt(boxOf(ids[0])).center()).toPoint();
  const QColor open = canvas().grab().toImage().pixelColor(middle);
  work().pickItems({free});
  EXPECT_NE(canvas().grab().toImage().pixelColor(middle), open) << "closed";
  QTest::mouseClick(&canvas(), Qt::LeftButton, {}, middle);
  EXPECT_TRUE(work().picked().items.empty()) << "what is closed is not picked";
  work().pickItems({ids[0]});
  EXPECT_NE(canvas().grab().toImage().pixelColor(middle), themeOf(&canvas()).work);
  EXPECT_FALSE(work().layout().items[1].closed);
  work().pickItems({box});
  // By keys, a px at a time: it stays by its button.
  const Box before = boxOf(box);
  canvas().setFocus();
  key(Qt::Key_Right);
  key(Qt::Key_Down);
  EXPECT_EQ(boxOf(box).x, before.x + 1);
  EXPECT_EQ(boxOf(box).y, before.y + 1);
  choose(QStringLiteral("Opens"), int(Side::Above));
  EXPECT_LE(boxOf(box).y + boxOf(box).h, boxOf(free).y);
  click(QStringLiteral("Opened by focus on the button"));
  EXPECT_FALSE(container().flyOut.byFocus);
}

TEST_F(PlaceGroups, AListScrollsToWhatIsPickedInIt) {
  ASSERT_TRUE(work().perform(
      addButtons(screenId(), std::vector<KindId>(20, project().kinds[0]->id), {box, {}})));
  work().pickItems({box});
  fill(QStringLiteral("Height"), QStringLiteral("300"));
  choose(QStringLiteral("Scrolls"), int(Scrolls::Down));
  ASSERT_EQ(container().scrolls, Scrolls::Down);
  choose(QStringLiteral("View follows focus"), int(Follow::Centre));
  EXPECT_EQ(container().follow, Follow::Centre);
  const ItemId last = in(box).back();
  EXPECT_GT(boxOf(last).y, 600) << "out of sight";
  work().pickItems({last});
  EXPECT_LE(boxOf(last).y + boxOf(last).h, boxOf(box).y + 300);
  EXPECT_GE(boxOf(last).y, boxOf(box).y);
  // What is drawn is what is there: the picked one can be clicked.
  work().pickItems({});
  QTest::mouseClick(&canvas(), Qt::LeftButton, {},
                    canvas().toWidget(toQt(boxOf(last)).center()).toPoint());
  EXPECT_EQ(work().picked().items, (std::vector<ItemId>{last}));
}

}  // namespace
}  // namespace bristle
