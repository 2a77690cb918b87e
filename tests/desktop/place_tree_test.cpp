// The tree of the screen beside the canvas, and the clipboard.
#include <QClipboard>
#include <QMimeData>
#include <QSignalSpy>
#include <QTreeView>

#include "desktop/place/clipboard.h"
#include "desktop/place/tree_model.h"
#include "place_fixture.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

class PlaceTree : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    ids = test::buttons(project());
    column = item(ids[0]).parent;
    canvas().setFocus();
    key(Qt::Key_T, Qt::ControlModifier);
    view = named<QTreeView>(QStringLiteral("Tree of the screen"));
    ASSERT_TRUE(view);
  }
  QAbstractItemModel& shown() { return *view->model(); }
  // The row of that name among the children of `in`.
  QModelIndex row(const QString& name, const QModelIndex& in = {}) {
    for (int i = 0; i < shown().rowCount(in); ++i) {
      const QModelIndex at = shown().index(i, 0, in);
      if (at.data().toString() == name) return at;
      if (const QModelIndex deeper = row(name, at); deeper.isValid()) return deeper;
    }
    return {};
  }
  void clickRow(const QModelIndex& at, Qt::KeyboardModifiers keys = {}) {
    QTest::mouseClick(view->viewport(), Qt::LeftButton, keys, view->visualRect(at).center());
  }
  // As the view hands over what is dragged in it.
  void dropOn(const std::vector<QModelIndex>& what, int place, const QModelIndex& in) {
    const std::unique_ptr<QMimeData> mime(
        shown().mimeData(QModelIndexList(what.begin(), what.end())));
    shown().dropMimeData(mime.get(), Qt::MoveAction, place, place < 0 ? -1 : 0, in);
  }
  const Screen& screen() { return *project().screens[0]; }
  std::vector<ItemId> ids;
  ItemId column;
  QTreeView* view = nullptr;
};

// Of a set of panels one is there; another is looked at by picking it, or the button that shows it,
// and the project stays as it is.
TEST_F(PlaceTree, AnotherPanelIsLookedAt) {
  ASSERT_TRUE(work().perform(changeItems(screenId(), {column}, "panels", {},
                                         [](Item& i) { i.container()->panels = true; })));
  ASSERT_TRUE(work().perform(changeItems(screenId(), {free}, "show", {}, [&](Item& i) {
    i.button()->actions = {{.type = ActionType::Panel, .item = ids[0]}};
  })));
  const Project before = project();
  const auto isSeen = [&](const ItemId& id) {
    return work().layout().items[*indexOf(screen(), id)].isSeen();
  };
  const auto hasRoutes = [&](const ItemId& id) {
    return work().routes().boxOf[*indexOf(screen(), id)] >= 0;
  };
  EXPECT_TRUE(isSeen(ids[0]));
  EXPECT_FALSE(isSeen(ids[1]));
  clickRow(row(QStringLiteral("Two")));
  EXPECT_FALSE(isSeen(ids[0]));
  EXPECT_TRUE(isSeen(ids[1]));
  EXPECT_TRUE(hasRoutes(ids[1]));
  // On the canvas it is picked like anything else, and stays when nothing is.
  work().pickItems({});
  EXPECT_TRUE(isSeen(ids[1]));
  QTest::mouseClick(&canvas(), Qt::LeftButton, {},
                    canvas().toWidget(toQt(boxOf(ids[1])).center()).toPoint());
  EXPECT_EQ(work().picked().items, std::vector{ids[1]});
  clickRow(row(QStringLiteral("Free")));
  EXPECT_TRUE(isSeen(ids[0]));
  EXPECT_FALSE(isSeen(ids[1]));
  EXPECT_TRUE(equal(project(), before));
}

TEST_F(PlaceTree, WhatIsPickedInTheTreeIsPickedOnTheCanvasAndBack) {
  clickRow(row(QStringLiteral("Two")));
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{ids[1]});
  clickRow(row(QStringLiteral("Free")), Qt::ControlModifier);
  EXPECT_EQ(work().picked().items.size(), 2u);
  clickRow(row(QStringLiteral("Free")));
  view->setFocus();
  QTest::keyClick(view, Qt::Key_Up, Qt::ShiftModifier);
  QTest::keyClick(view, Qt::Key_Up, Qt::ShiftModifier);
  EXPECT_EQ(work().picked().items.size(), 3u);
  QTest::keyClick(view, Qt::Key_Down, Qt::ShiftModifier);
  EXPECT_EQ(work().picked().items.size(), 2u);
  EXPECT_FALSE(work().isPicked(ids[0]));
  work().pickItems({ids[0]});
  EXPECT_EQ(view->selectionModel()->selectedRows().size(), 1);
  EXPECT_EQ(view->currentIndex().data().toString(), QStringLiteral("One"));
  view->setFocus();
  QTest::keyClick(view, Qt::Key_Down);
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{ids[1]});
}

TEST_F(PlaceTree, ThingsAreLockedHiddenAndNamedInIt) {
  const QModelIndex at = row(QStringLiteral("Free"));
  const auto box = [&](int column) {
    const QRect cell = view->visualRect(at.siblingAtColumn(column));
    QTest::mouseClick(view->viewport(), Qt::LeftButton, {},
                      QPoint(cell.left() + 10, cell.center().y()));
  };
  box(TreeModel::kLocked);
  EXPECT_TRUE(item(free).locked);
  box(TreeModel::kHidden);
  EXPECT_TRUE(item(free).hidden);
  box(TreeModel::kHidden);
  EXPECT_FALSE(item(free).hidden);
  shown().setData(row(QStringLiteral("Free")), QStringLiteral("Way out"), Qt::EditRole);
  EXPECT_EQ(item(free).name, "Way out");
  EXPECT_TRUE(row(QStringLiteral("Way out")).isValid());
}

TEST_F(PlaceTree, FindingShowsWhatHasTheNameWithWhatHoldsIt) {
  auto* find = named<QLineEdit>(QStringLiteral("Find on this screen"));
  QTest::keyClicks(find, QStringLiteral("tw"));
  EXPECT_TRUE(row(QStringLiteral("Two")).isValid());
  EXPECT_FALSE(row(QStringLiteral("Free")).isValid());
  EXPECT_FALSE(row(QStringLiteral("One")).isValid());
  EXPECT_EQ(shown().rowCount(), 1) << "its column";
}

TEST_F(PlaceTree, DraggingInItPutsThingsElsewhereAndKeepsWhereTheyLie) {
  const Box before = boxOf(ids[0]);
  dropOn({row(QStringLiteral("One"))}, -1, {});
  EXPECT_TRUE(item(ids[0]).parent.text.empty());
  EXPECT_EQ(boxOf(ids[0]), before);
  dropOn({row(QStringLiteral("Free"))}, 0, row(toQt(displayName(item(column)))));
  EXPECT_EQ(item(free).parent, column);
  EXPECT_LT(*indexOf(screen(), free), *indexOf(screen(), ids[1]));
  EXPECT_EQ(whyNoTree(screen()), "");
}

TEST_F(PlaceTree, AContainerDroppedIntoItselfIsRefusedAndTold) {
  ASSERT_TRUE(work().perform(gather(screenId(), {column}, {.flow = Flow::Free})));
  const ItemId group = item(column).parent;
  const std::string undo = work().history().undoName();
  const QModelIndex outer = view->model()->index(shown().rowCount() - 1, 0);
  const QModelIndex inner = shown().index(0, 0, outer);
  ASSERT_TRUE(inner.isValid());
  QSignalSpy told(&work(), &Work::told);
  dropOn({outer}, -1, inner);
  EXPECT_EQ(work().history().undoName(), undo);
  EXPECT_TRUE(item(group).parent.text.empty());
  ASSERT_FALSE(told.isEmpty());
  EXPECT_TRUE(told.last().at(0).toString().contains(QStringLiteral("into itself")))
      << fromQt(told.last().at(0).toString());
}

TEST_F(PlaceTree, KeysMoveInAndOutOfContainers) {
  view->setFocus();
  work().pickItems({free});
  key(Qt::Key_Right, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(item(free).parent, column);
  key(Qt::Key_Left, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_TRUE(item(free).parent.text.empty());
}

TEST_F(PlaceTree, CopiedThingsArePastedBesideTheirOriginalAndOntoOtherScreens) {
  work().pickItems({free});
  canvas().setFocus();
  key(Qt::Key_C, Qt::ControlModifier);
  key(Qt::Key_V, Qt::ControlModifier);
  const ItemId copy = work().picked().items.at(0);
  EXPECT_EQ(boxOf(copy).x, boxOf(free).x + 24);
  canvas().setFocus();
  key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(boxOf(work().picked().items.at(0)).x, boxOf(free).x + 48);
  ASSERT_TRUE(work().perform(addScreen("Other")));
  work().pickScreen(project().screens[1]->id);
  canvas().setFocus();
  key(Qt::Key_V, Qt::ControlModifier);
  ASSERT_EQ(project().screens[1]->items.size(), 1u);
  EXPECT_EQ(project().screens[1]->items[0]->place.x.offset, 800);
}

TEST_F(PlaceTree, CutTakesAwayAndPasteGoesIntoThePickedContainer) {
  work().pickItems({free});
  canvas().setFocus();
  key(Qt::Key_X, Qt::ControlModifier);
  EXPECT_EQ(findItem(screen(), free), nullptr);
  EXPECT_EQ(work().history().undoName(), "cut");
  work().pickItems({column});
  canvas().setFocus();
  key(Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(screen().items.back()->parent, column);
  EXPECT_EQ(screen().items.back()->button()->caption.base, "Free");
}

TEST_F(PlaceTree, OtherProgramsGetPicturesAndCaptions) {
  work().pickItems({ids[0], ids[1]});
  ASSERT_TRUE(copyPicked(work()));
  const QMimeData* mime = QGuiApplication::clipboard()->mimeData();
  EXPECT_EQ(mime->text(), QStringLiteral("One\nTwo"));
  const QByteArray svg = mime->data(QStringLiteral("image/svg+xml"));
  EXPECT_TRUE(svg.contains("<svg")) << svg.left(100).toStdString();
  const auto image = qvariant_cast<QImage>(mime->imageData());
  EXPECT_EQ(image.width(), int(boxOf(ids[0]).w) + 16);
  bool painted = false;
  for (int x = 0; x < image.width(); ++x) painted |= image.pixelColor(x, 20).alpha() > 200;
  EXPECT_TRUE(painted);
  EXPECT_EQ(image.pixelColor(0, 0).alpha(), 0) << "no backdrop";
}

TEST_F(PlaceTree, WhatCannotBePastedIsToldAndHarmsNothing) {
  const std::string undo = work().history().undoName();
  QMimeData words;
  words.setText(QStringLiteral("only words"));
  EXPECT_FALSE(pasteInto(work(), &words));
  for (const char* data : {"", "{}", "no json", "{\"bristle\":{\"format\":2,\"readableBy\":2}}"}) {
    QMimeData mime;
    mime.setData(QStringLiteral("application/x-bristle-items+json"), data);
    EXPECT_FALSE(pasteInto(work(), &mime)) << data;
  }
  EXPECT_EQ(work().history().undoName(), undo);
}

}  // namespace
}  // namespace bristle
