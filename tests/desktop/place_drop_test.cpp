// Dragging into containers and out of them, and from the shelf and the desktop onto the canvas.
#include <QDropEvent>
#include <QImage>
#include <QListWidget>
#include <QMimeData>
#include <QUrl>

#include "desktop/view/kind_mime.h"
#include "place_fixture.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

class PlaceDrop : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    ids = test::buttons(project());
    column = item(ids[0]).parent;
    canvas().setFocus();
  }
  QRectF on(const ItemId& id) { return canvas().toWidget(boxOf(id)); }
  // As the system hands over what is dragged, at a place in the widget.
  void drop(std::unique_ptr<QMimeData> mime, const QPointF& at) {
    QDragEnterEvent enter(at.toPoint(), Qt::CopyAction, mime.get(), Qt::LeftButton, {});
    QApplication::sendEvent(&canvas(), &enter);
    if (!enter.isAccepted()) return;
    QDragMoveEvent move(at.toPoint(), Qt::CopyAction, mime.get(), Qt::LeftButton, {});
    QApplication::sendEvent(&canvas(), &move);
    marked = canvas().grab().toImage();
    QDropEvent drop(at, Qt::CopyAction, mime.get(), Qt::LeftButton, {});
    QApplication::sendEvent(&canvas(), &drop);
  }
  void dropKind(const QPointF& at) {
    drop(std::unique_ptr<QMimeData>(mimeOf({project().kinds[0]->id})), at);
  }
  // The captions in the column, in order.
  std::string captions() {
    std::string out;
    for (const auto& each : project().screens[0]->items)
      if (each->parent == column && each->button()) out += each->button()->caption.base + " ";
    return out;
  }
  std::vector<ItemId> ids;
  ItemId column;
  QImage marked;
};

TEST_F(PlaceDrop, APickedButtonIsDraggedToAnotherPlaceInItsColumn) {
  ASSERT_EQ(captions(), "One Two ");
  work().pickItems({ids[0]});
  drag(&canvas(), on(ids[0]).center(), QPointF(on(ids[1]).center().x(), on(ids[1]).bottom() - 1));
  EXPECT_EQ(captions(), "Two One ");
  EXPECT_EQ(work().history().undoName(), "move to another place");
  work().undo();
  // One that was not picked takes its column along.
  work().pickItems({});
  const Box before = boxOf(column);
  drag(&canvas(), on(ids[0]).center(), on(ids[0]).center() + QPointF(80, 10));
  EXPECT_EQ(captions(), "One Two ");
  EXPECT_GT(boxOf(column).x, before.x + 50);
}

TEST_F(PlaceDrop, APickedButtonIsDraggedOutAndBackIn) {
  work().pickItems({ids[0]});
  const QPointF out(on(free).center().x(), on(free).bottom() + 90);
  const QPointF by = out - on(ids[0]).center();
  const QPointF lay = on(ids[0]).center();
  drag(&canvas(), on(ids[0]).center(), out);
  EXPECT_EQ(captions(), "Two ");
  EXPECT_TRUE(item(ids[0]).parent.text.empty());
  EXPECT_NEAR(on(ids[0]).center().x(), (lay + by).x(), 1.5);
  EXPECT_NEAR(on(ids[0]).center().y(), (lay + by).y(), 1.5);
  // A free one is dropped into the column from the tree or the shelf; on the canvas it lies over.
  EXPECT_EQ(whyNoTree(*project().screens[0]), "");
  work().undo();
  EXPECT_EQ(captions(), "One Two ");
}

TEST_F(PlaceDrop, AKindFromTheShelfLandsWhereItIsDropped) {
  const QPointF at = on(free).center() + QPointF(0, 120);
  dropKind(at);
  const ItemId fresh = test::buttons(project()).back();
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{fresh});
  EXPECT_NEAR(on(fresh).center().x(), at.x(), 1.5);
  EXPECT_NEAR(on(fresh).center().y(), at.y(), 1.5);
  work().undo();
  EXPECT_EQ(test::buttons(project()), ids);
}

TEST_F(PlaceDrop, AKindFromTheShelfGoesIntoAContainerWhereTheMarkIs) {
  const QImage plain = canvas().grab().toImage();
  dropKind({on(ids[1]).center().x(), on(ids[1]).top() + 1});
  const ItemId fresh = work().picked().items.at(0);
  EXPECT_EQ(item(fresh).parent, column);
  EXPECT_LT(*indexOf(*project().screens[0], fresh), *indexOf(*project().screens[0], ids[1]));
  EXPECT_GT(*indexOf(*project().screens[0], fresh), *indexOf(*project().screens[0], ids[0]));
  EXPECT_NE(marked, plain) << "the place is shown";
}

TEST_F(PlaceDrop, SeveralKindsLandSideBySide) {
  ASSERT_TRUE(work().perform(addKind("Other", Wins::Hover)));
  std::vector<KindId> both{project().kinds[0]->id, project().kinds[1]->id};
  drop(std::unique_ptr<QMimeData>(mimeOf(both)), on(free).center() + QPointF(0, 120));
  ASSERT_EQ(work().picked().items.size(), 2u);
  const Box a = boxOf(work().picked().items[0]), b = boxOf(work().picked().items[1]);
  EXPECT_EQ(a.y, b.y);
  EXPECT_EQ(b.x, a.x + a.w + 16);
  EXPECT_EQ(item(work().picked().items[1]).button()->kind, both[1]);
}

TEST_F(PlaceDrop, AKindOverTheMiddleOfAButtonMakesItOneOfThat) {
  ASSERT_TRUE(work().perform(addKind("Other", Wins::Hover)));
  const KindId other = project().kinds[1]->id;
  drop(std::unique_ptr<QMimeData>(mimeOf({other})), on(ids[0]).center());
  EXPECT_EQ(item(ids[0]).button()->kind, other);
  EXPECT_EQ(item(ids[0]).button()->caption.base, "One");
  EXPECT_EQ(test::buttons(project()), ids);
  bool told = false;
  for (QLabel* label : window->findChildren<QLabel*>())
    told |= label->text().contains(QStringLiteral("stay"));
  EXPECT_TRUE(told) << "what it keeps is said";
}

TEST_F(PlaceDrop, ReturnOnTheShelfPlacesAButtonBesideWhatIsPicked) {
  auto* shelf = named<QListWidget>(QStringLiteral("Kinds"));
  work().pickItems({free});
  shelf->setFocus();
  shelf->setCurrentRow(0);
  QTest::keyClick(shelf, Qt::Key_Return);
  const ItemId beside = work().picked().items.at(0);
  ASSERT_NE(beside, free);
  EXPECT_EQ(boxOf(beside).x, boxOf(free).x + boxOf(free).w + 16);
  EXPECT_EQ(boxOf(beside).y, boxOf(free).y);
  // In a column it comes next in its order.
  work().pickItems({ids[0]});
  key(Qt::Key_Insert, Qt::AltModifier);
  const auto all = test::buttons(project());
  EXPECT_EQ(all[1], work().picked().items.at(0));
  EXPECT_EQ(item(all[1]).parent, column);
}

TEST_F(PlaceDrop, PicturesFromTheDesktopAreCopiedInAndPlaced) {
  const QString file = path("reef.png");
  QImage picture(64, 48, QImage::Format_RGB32);
  picture.fill(Qt::darkCyan);
  ASSERT_TRUE(picture.save(file));
  const auto dropFile = [&](const QString& which) {
    auto mime = std::make_unique<QMimeData>();
    mime->setUrls({QUrl::fromLocalFile(which)});
    drop(std::move(mime), on(free).center() + QPointF(0, 120));
  };
  const size_t before = project().screens[0]->items.size();
  dropFile(file);
  EXPECT_EQ(project().screens[0]->items.size(), before) << "a project without a folder";
  QDir().mkpath(path("project"));
  work().setFolder(path("project"));
  dropFile(file);
  ASSERT_EQ(project().screens[0]->items.size(), before + 1);
  const Item& placed = item(work().picked().items.at(0));
  EXPECT_EQ(std::get<PictureData>(placed.what).file, "art/reef.png");
  EXPECT_TRUE(QFile::exists(path("project/art/reef.png")));
  EXPECT_EQ(boxOf(placed.id).w, 64);
  QFile broken(path("broken.png"));
  ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
  broken.write("no picture at all");
  broken.close();
  dropFile(path("broken.png"));
  EXPECT_EQ(project().screens[0]->items.size(), before + 1);
}

}  // namespace
}  // namespace bristle
