// Containers and sizes on the Place bench's card.
#include "place_fixture.h"

namespace bristle {
namespace {

class PlaceContainers : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    ids = test::buttons(project());
    box = project().screens[0]->items[0]->id;
    work().pickItems({box});
  }
  const ContainerData& container() { return *item(box).container(); }
  QString placeholder(const char* field) {
    return named<QLineEdit>(QString::fromLatin1(field))->placeholderText();
  }
  void put(const char* field, const char* text) {
    fill(QString::fromLatin1(field), QString::fromUtf8(text));
  }
  std::vector<ItemId> ids;
  ItemId box;
};

TEST_F(PlaceContainers, AColumnBecomesARowAGridAndARing) {
  const ContainerData before = container();
  choose(QStringLiteral("Arranged as"), int(Flow::Row));
  EXPECT_EQ(boxOf(ids[0]).y, boxOf(ids[1]).y);
  choose(QStringLiteral("Arranged as"), int(Flow::Grid));
  put("Columns", "1");
  put("Gap of lines", "50");
  EXPECT_EQ(boxOf(ids[1]).y - boxOf(ids[0]).y - boxOf(ids[0]).h, 50);
  choose(QStringLiteral("Cells"), int(Cells::Fixed));
  put("Cell height", "200");
  EXPECT_EQ(boxOf(ids[1]).y - boxOf(ids[0]).y, 250);
  choose(QStringLiteral("Arranged as"), int(Flow::Ring));
  put("Radius", "300");
  put("First at", "90");
  EXPECT_NEAR(boxOf(ids[0]).y, boxOf(ids[1]).y, 1e-9);
  EXPECT_NEAR(boxOf(ids[0]).x - boxOf(ids[1]).x, 600, 1e-9);
  for (int i = 0; i < 30 && container() != before; ++i) work().undo();
  EXPECT_EQ(container(), before) << "all of it";
}

TEST_F(PlaceContainers, AFreeGroupThatGetsAnOrderIsAsLargeAsWhatIsInIt) {
  choose(QStringLiteral("Arranged as"), int(Flow::Free));
  put("Width", "300");
  put("Height", "900");
  choose(QStringLiteral("Arranged as"), int(Flow::Row));
  const Box last = boxOf(ids[1]);
  EXPECT_DOUBLE_EQ(boxOf(box).x + boxOf(box).w, last.x + last.w);
  EXPECT_DOUBLE_EQ(boxOf(box).h, last.h);
}

TEST_F(PlaceContainers, UndoReachesTheMenuFromAFieldThatHasNothingToUndo) {
  choose(QStringLiteral("Arranged as"), int(Flow::Ring));
  const ContainerData before = container();
  put("Radius", "300");
  auto* radius = named<QLineEdit>(QStringLiteral("Radius"));
  radius->setFocus();
  QTest::keyClicks(radius, QStringLiteral("31"));
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(container().radius, 300) << "the field's own text comes first";
  EXPECT_FALSE(radius->isUndoAvailable());
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(container(), before);
}

TEST_F(PlaceContainers, ARowMayBeginWithOneButton) {
  work().pickItems({free});
  run("Put what is picked into a row");
  ASSERT_TRUE(item(free).parent);
  EXPECT_EQ(item(item(free).parent).container()->flow, Flow::Row);
}

TEST_F(PlaceContainers, KeysOfTheCanvasWorkFromTheCard) {
  const size_t before = project().screens[0]->items.size();
  named<QComboBox>(QStringLiteral("Arranged as"))->setFocus();
  key(Qt::Key_D, Qt::ControlModifier);
  EXPECT_EQ(project().screens[0]->items.size(), before + 3) << "the container and its two";
  named<QLineEdit>(QStringLiteral("Gap"))->setFocus();
  key(Qt::Key_A, Qt::ControlModifier);
  key(Qt::Key_Delete);
  EXPECT_EQ(project().screens[0]->items.size(), before + 3) << "that is the field's";
}

TEST_F(PlaceContainers, WhatDoesNotApplyIsNotThere) {
  const auto isThere = [&](const char* name) {
    for (QWidget* widget : window->findChildren<QWidget*>())
      if (widget->isVisible() && widget->accessibleName() == QString::fromLatin1(name)) return true;
    return false;
  };
  EXPECT_TRUE(isThere("Room left over"));
  EXPECT_FALSE(isThere("Columns"));
  EXPECT_FALSE(isThere("Radius"));
  EXPECT_FALSE(isThere("Goes on in a further line"));
  choose(QStringLiteral("Arranged as"), int(Flow::Ring));
  EXPECT_TRUE(isThere("Radius"));
  EXPECT_FALSE(isThere("Gap"));
  work().pickItems({free});
  EXPECT_FALSE(isThere("Share, width")) << "it is in no container";
}

TEST_F(PlaceContainers, ARowGoesOnInAFurtherLine) {
  choose(QStringLiteral("Arranged as"), int(Flow::Row));
  click(QStringLiteral("Goes on in a further line"));
  EXPECT_EQ(boxOf(ids[0]).y, boxOf(ids[1]).y);
  put("Width", "500");
  EXPECT_GT(boxOf(ids[1]).y, boxOf(ids[0]).y);
}

TEST_F(PlaceContainers, TheRestIsShared) {
  choose(QStringLiteral("Arranged as"), int(Flow::Row));
  put("Width", "916");
  work().pickItems({ids[0], ids[1]});
  put("Share, width", "1");
  EXPECT_EQ(boxOf(ids[0]).w, 450);
  work().pickItems({ids[1]});
  put("Share, width", "2");
  EXPECT_EQ(boxOf(ids[1]).w, 600);
  put("Width within", "100-400");
  EXPECT_EQ(boxOf(ids[1]).w, 400);
  EXPECT_EQ(boxOf(ids[0]).w, 500);
  EXPECT_EQ(placeholder("Width"), QStringLiteral("its share, 400"));
}

TEST_F(PlaceContainers, ASizeSaysWhatItFollowsAndIsGivenBackByEmptyingIt) {
  work().pickItems({free});
  const double own = boxOf(free).w;
  EXPECT_EQ(placeholder("Width"), QStringLiteral("as its kind, %1").arg(own));
  put("Width", "333");
  EXPECT_EQ(boxOf(free).w, 333);
  EXPECT_EQ(placeholder("Width"), QString());
  put("Width", "");
  EXPECT_EQ(boxOf(free).w, own);
  EXPECT_EQ(item(free).place.x.size, 0);
  EXPECT_EQ(placeholder("Width"), QStringLiteral("as its kind, %1").arg(own));
  choose(QStringLiteral("Pinned to, x"), int(Pin::Both));
  EXPECT_TRUE(placeholder("Width").startsWith(QStringLiteral("between its pins")));
  work().pickItems({box});
  EXPECT_TRUE(placeholder("Height").startsWith(QStringLiteral("as content")));
  choose(QStringLiteral("Alignment across"), int(Across::Stretch));
  work().pickItems({ids[0]});
  EXPECT_TRUE(placeholder("Width").startsWith(QStringLiteral("stretched")));
}

TEST_F(PlaceContainers, BoundsThatMakeNoSenseAreMarkedAndNotTaken) {
  work().pickItems({free});
  for (const char* wrong : {"400-100", "wide", "-x", "9999999-"}) {
    put("Width within", wrong);
    EXPECT_EQ(item(free).place.x, (AxisPlace{.offset = 800})) << wrong;
    EXPECT_TRUE(named<QLineEdit>(QStringLiteral("Width within"))->property("bad").toBool());
  }
  put("Width within", "");
  put("Width", "-3");
  EXPECT_EQ(item(free).place.x, (AxisPlace{.offset = 800}));
}

TEST_F(PlaceContainers, CellsAreTakenInAGrid) {
  choose(QStringLiteral("Arranged as"), int(Flow::Grid));
  put("Columns", "2");
  EXPECT_EQ(boxOf(ids[0]).y, boxOf(ids[1]).y);
  work().pickItems({ids[0]});
  put("Columns taken", "2");
  EXPECT_GT(boxOf(ids[1]).y, boxOf(ids[0]).y);
  put("Columns taken", "1.5");
  EXPECT_EQ(item(ids[0]).columns, 2);
}

}  // namespace
}  // namespace bristle
