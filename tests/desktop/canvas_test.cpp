// The canvas of the Place bench: its view, guides and snapping, moving, copying and resizing.
#include <QWheelEvent>
#include <cmath>

#include "place_fixture.h"

namespace bristle {
namespace {

class CanvasTest : public PlaceBenchTest {
 protected:
  void SetUp() override {
    PlaceBenchTest::SetUp();
    ids = test::buttons(project());
    canvas().setFocus();
  }
  QPointF middle(const ItemId& id) { return canvas().toWidget(boxOf(id)).center(); }
  void wheel(const QPointF& at, int turn, Qt::KeyboardModifiers keys = {}) {
    QWheelEvent event(at, canvas().mapToGlobal(at), {}, {0, turn}, Qt::NoButton, keys,
                      Qt::NoScrollPhase, false);
    QApplication::sendEvent(&canvas(), &event);
  }
  // With keys held from the press to the release.
  void dragWith(Qt::KeyboardModifiers keys, const QPointF& from, const QPointF& to,
                bool release = true) {
    QTest::mousePress(&canvas(), Qt::LeftButton, keys, from.toPoint());
    for (int i = 1; i <= 4; ++i) {
      const QPointF at = from + (to - from) * i / 4;
      QMouseEvent move(QEvent::MouseMove, at.toPoint(), canvas().mapToGlobal(at.toPoint()),
                       Qt::NoButton, Qt::LeftButton, keys);
      QApplication::sendEvent(&canvas(), &move);
    }
    if (release) QTest::mouseRelease(&canvas(), Qt::LeftButton, keys, to.toPoint());
  }
  // From one place on the screen to another, layout px.
  void dragPx(Qt::KeyboardModifiers keys, const QPointF& from, const QPointF& to) {
    dragWith(keys, canvas().toWidget(from), canvas().toWidget(to));
  }
  const Screen& screen() { return *project().screens[0]; }
  void runCommand(const char* name) {
    key(Qt::Key_J, Qt::ControlModifier);
    QTest::keyClicks(QApplication::focusWidget(), QString::fromLatin1(name));
    key(Qt::Key_Return);
  }
  // A second free button, in px.
  ItemId another(Px x, Px y) {
    EXPECT_TRUE(work().perform(addButton(screenId(), project().kinds[0]->id, "Other", x, y)));
    return test::buttons(project()).back();
  }
  std::vector<ItemId> ids;
};

TEST_F(CanvasTest, TheWheelZoomsAboutThePointerAndMovesTheView) {
  const QPointF at = middle(free), under = canvas().toScreen(at);
  const double before = canvas().zoom();
  wheel(at, 240, Qt::ControlModifier);
  EXPECT_GT(canvas().zoom(), before * 1.3);
  EXPECT_NEAR(canvas().toScreen(at).x(), under.x(), 1 / canvas().zoom());
  EXPECT_NEAR(canvas().toScreen(at).y(), under.y(), 1 / canvas().zoom());
  const QPointF there = canvas().toWidget(QPointF(0, 0));
  wheel(at, -120);
  EXPECT_EQ(canvas().toWidget(QPointF(0, 0)).x(), there.x());
  EXPECT_LT(canvas().toWidget(QPointF(0, 0)).y(), there.y());
  wheel(at, -120, Qt::ShiftModifier);
  EXPECT_LT(canvas().toWidget(QPointF(0, 0)).x(), there.x());
  key(Qt::Key_1, Qt::ControlModifier);
  EXPECT_EQ(canvas().zoom(), 1) << "true size";
  key(Qt::Key_0, Qt::ControlModifier);
  EXPECT_EQ(canvas().zoom(), before);
  EXPECT_TRUE(canvas().fits());
}

TEST_F(CanvasTest, TheScreenIsNeverZoomedOrMovedOutOfSight) {
  for (int i = 0; i < 60; ++i) wheel({300, 300}, 480, Qt::ControlModifier);
  EXPECT_LE(canvas().zoom(), Viewport::kMost);
  for (int i = 0; i < 200; ++i) wheel({300, 300}, -4800);
  const QRectF seen = canvas().toWidget(Box{0, 0, 1920, 1080});
  EXPECT_TRUE(seen.intersects(canvas().rect()));
  for (int i = 0; i < 90; ++i) wheel({300, 300}, -480, Qt::ControlModifier);
  EXPECT_GE(canvas().zoom(), Viewport::kLeast);
}

TEST_F(CanvasTest, WithTheSpaceBarADragMovesTheViewAndNothingElse) {
  const Box before = boxOf(free);
  const QPointF at = middle(free);
  QTest::keyPress(&canvas(), Qt::Key_Space);
  dragWith({}, at, at + QPointF(60, 40));
  QTest::keyRelease(&canvas(), Qt::Key_Space);
  EXPECT_EQ(middle(free), at + QPointF(60, 40));
  EXPECT_EQ(boxOf(free), before);
  EXPECT_TRUE(work().picked().items.empty());
}

TEST_F(CanvasTest, WhatIsPickedByKeyComesIntoSight) {
  for (int i = 0; i < 12; ++i) wheel(middle(ids[0]), 120, Qt::ControlModifier);
  ASSERT_FALSE(canvas().toWidget(boxOf(free)).intersects(canvas().rect()));
  while (work().picked().items != std::vector<ItemId>{free}) key(Qt::Key_Period);
  EXPECT_TRUE(canvas().toWidget(boxOf(free)).intersects(canvas().rect()));
}

TEST_F(CanvasTest, GuidesComeOutOfTheRulersMoveAndGoBack) {
  const double y = canvas().height() / 2.0;
  dragWith({}, {8, y}, canvas().toWidget(QPointF(500, 0)) + QPointF(0, y));
  ASSERT_EQ(screen().guides.size(), 1u);
  EXPECT_TRUE(screen().guides[0].upright);
  EXPECT_NEAR(screen().guides[0].at, 500, 1 / canvas().zoom());
  EXPECT_EQ(work().history().undoName(), "add guide");
  const QPointF on(canvas().toWidget(QPointF(screen().guides[0].at, 0)).x(), y);
  dragWith({}, on, on + QPointF(50, 0));
  EXPECT_NEAR(screen().guides[0].at, 500 + 50 / canvas().zoom(), 2 / canvas().zoom());
  click(QStringLiteral("Guides locked"));
  dragWith({}, on + QPointF(50, 0), on);
  EXPECT_NEAR(screen().guides[0].at, 500 + 50 / canvas().zoom(), 2 / canvas().zoom()) << "locked";
  click(QStringLiteral("Guides locked"));
  dragWith({}, on + QPointF(50, 0), {5, y});
  EXPECT_TRUE(screen().guides.empty());
  work().undo();
  EXPECT_EQ(screen().guides.size(), 1u);
}

TEST_F(CanvasTest, GuidesAndGridAreTyped) {
  fill(QStringLiteral("Guides at x"), QStringLiteral("64, 1920/3-20"));
  fill(QStringLiteral("Guides at y"), QStringLiteral("100"));
  EXPECT_EQ(screen().guides, (std::vector<Guide>{{true, 64}, {true, 620}, {false, 100}}));
  fill(QStringLiteral("Guides at x"), QStringLiteral("somewhere"));
  EXPECT_TRUE(named<QLineEdit>(QStringLiteral("Guides at x"))->property("bad").toBool());
  EXPECT_EQ(screen().guides.size(), 3u);
  fill(QStringLiteral("Grid"), QStringLiteral("24x10"));
  EXPECT_EQ(project().settings.gridWidth, 24);
  EXPECT_EQ(project().settings.gridHeight, 10);
  fill(QStringLiteral("Grid"), QStringLiteral("0"));
  EXPECT_EQ(project().settings.gridWidth, 24);
  // It is snapped to while it is shown, and only then.
  const QPointF from = canvas().toScreen(middle(free).toPoint());
  dragPx({}, from, from + QPointF(-5, 103));
  EXPECT_NE(std::remainder(boxOf(free).x, 24), 0);
  work().undo();
  runCommand("show grid");
  dragPx({}, from, from + QPointF(-5, 103));
  EXPECT_EQ(std::remainder(boxOf(free).x, 24), 0);
  EXPECT_EQ(std::remainder(boxOf(free).y, 10), 0);
}

TEST_F(CanvasTest, ADraggedButtonSnapsAndAltLetsItGoAnywhere) {
  ASSERT_TRUE(work().perform(changeScreen(screenId(), "guide", {}, [](Screen& s) {
    s.guides = {{true, 1000}};
  })));
  const QPointF from = canvas().toScreen(middle(free).toPoint());
  dragPx({}, from, from + QPointF(198, 120));
  EXPECT_EQ(boxOf(free).x, 1000) << "its left edge on the guide";
  work().undo();
  dragPx(Qt::AltModifier, from, from + QPointF(198, 120));
  EXPECT_NEAR(boxOf(free).x, 998, 2);
  EXPECT_NE(boxOf(free).x, 1000);
}

TEST_F(CanvasTest, TheReasonIsDrawnWhileDragging) {
  ASSERT_TRUE(work().perform(changeScreen(screenId(), "guide", {}, [](Screen& s) {
    s.guides = {{true, 1000}};
  })));
  const QPointF from = middle(free), to = from + QPointF(198, 120) * canvas().zoom();
  dragWith({}, from, to, false);
  const QImage with = canvas().grab().toImage();
  QTest::mouseRelease(&canvas(), Qt::LeftButton, {}, to.toPoint());
  EXPECT_NE(canvas().grab().toImage(), with);
}

TEST_F(CanvasTest, CtrlDragLeavesTheOriginalAndPicksTheCopyInOneStep) {
  const Box before = boxOf(free);
  const QPointF from = middle(free);
  dragWith(Qt::ControlModifier | Qt::AltModifier, from, from + QPointF(100, 60));
  const auto all = test::buttons(project());
  ASSERT_EQ(all.size(), ids.size() + 1);
  const ItemId copy = work().picked().items.at(0);
  EXPECT_NE(copy, free);
  EXPECT_EQ(boxOf(free), before);
  EXPECT_NEAR(boxOf(copy).x, before.x + 100 / canvas().zoom(), 2);
  EXPECT_EQ(work().history().undoName(), "duplicate");
  work().undo();
  EXPECT_EQ(test::buttons(project()), ids);
}

TEST_F(CanvasTest, EscapeGivesADragUp) {
  const Box before = boxOf(free);
  const std::string undo = work().history().undoName();
  dragWith({}, middle(free), middle(free) + QPointF(80, 50), false);
  EXPECT_NE(boxOf(free), before);
  key(Qt::Key_Escape);
  EXPECT_EQ(boxOf(free), before);
  EXPECT_EQ(work().history().undoName(), undo);
  EXPECT_TRUE(work().isPicked(free));
}

TEST_F(CanvasTest, HandlesResizeWithRatioAndAboutTheCentre) {
  work().pickItems({free});
  const Box before = boxOf(free);
  const auto corner = [&] { return canvas().toWidget(boxOf(free)).bottomRight() + QPointF(2, 2); };
  const double by = 40 / canvas().zoom();
  dragWith(Qt::AltModifier, corner(), corner() + QPointF(40, 20));
  EXPECT_NEAR(boxOf(free).w, before.w + by, 2);
  EXPECT_NEAR(boxOf(free).h, before.h + by / 2, 2);
  EXPECT_EQ(boxOf(free).x, before.x);
  EXPECT_EQ(work().history().undoName(), "resize");
  work().undo();
  dragWith(Qt::AltModifier | Qt::ShiftModifier, corner(), corner() + QPointF(40, 0));
  EXPECT_NEAR(boxOf(free).w / boxOf(free).h, before.w / before.h, 1e-6);
  EXPECT_GT(boxOf(free).w, before.w);
  work().undo();
  dragWith(Qt::AltModifier | Qt::ControlModifier, corner(), corner() + QPointF(40, 20));
  EXPECT_NEAR(boxOf(free).w, before.w + 2 * by, 3);
  EXPECT_NEAR(boxOf(free).x + boxOf(free).w / 2, before.x + before.w / 2, 1e-6);
  work().undo();
  const QPointF left = canvas().toWidget(before).topLeft() - QPointF(2, 2);
  dragWith(Qt::AltModifier, left, left + QPointF(400, 0));
  EXPECT_EQ(boxOf(free).w, 1) << "never turned inside out";
}

TEST_F(CanvasTest, AButtonInAColumnIsResizedByItsFarEdges) {
  work().pickItems({ids[0]});
  const Box before = boxOf(ids[0]), below = boxOf(ids[1]);
  const QPointF edge(canvas().toWidget(before).center().x(),
                     canvas().toWidget(before).bottom() + 2);
  dragWith(Qt::AltModifier, edge, edge + QPointF(0, 30));
  EXPECT_NEAR(boxOf(ids[0]).h, before.h + 30 / canvas().zoom(), 2);
  EXPECT_NEAR(boxOf(ids[1]).y, below.y + 30 / canvas().zoom(), 2) << "the column keeps its order";
}

TEST_F(CanvasTest, CtrlClickPicksWhatLiesBelow) {
  const ItemId above = another(boxOf(free).x + 10, boxOf(free).y);
  const QPoint at = middle(above).toPoint();
  QTest::mouseClick(&canvas(), Qt::LeftButton, {}, at);
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{above});
  QTest::mouseClick(&canvas(), Qt::LeftButton, Qt::ControlModifier, at);
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{free});
  QTest::mouseClick(&canvas(), Qt::LeftButton, Qt::ControlModifier, at);
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{above}) << "and round again";
  key(Qt::Key_Period, Qt::ControlModifier);
  EXPECT_EQ(work().picked().items, std::vector<ItemId>{free});
  // What is picked is dragged, though another lies on it.
  const Box before = boxOf(above);
  dragWith(Qt::AltModifier, at, at + QPointF(0, 60));
  EXPECT_EQ(boxOf(above), before);
  EXPECT_GT(boxOf(free).y, before.y);
}

TEST_F(CanvasTest, AMarqueeAddsAndTakesAway) {
  const auto around = [&](const ItemId& id) {
    return canvas().toWidget(boxOf(id)).adjusted(-14, -14, 14, 14);
  };
  work().pickItems({ids[0]});
  dragWith(Qt::ShiftModifier, around(free).topLeft(), around(free).bottomRight());
  EXPECT_EQ(work().picked().items, (std::vector<ItemId>{ids[0], free}));
  dragWith(Qt::ControlModifier, around(free).topLeft(), around(free).bottomRight());
  EXPECT_EQ(work().picked().items, (std::vector<ItemId>{ids[0]}));
}

TEST_F(CanvasTest, LinesUpWithTheSafeAreaAndSpreadsAndEvens) {
  const ItemId second = another(1000, 500), third = another(1500, 800);
  work().pickItems({free});
  runCommand("with the safe area");
  runCommand("left edges");
  const double safe = project().displays[0].safe.left / project().displays[0].scale;
  EXPECT_EQ(boxOf(free).x, safe);
  work().pickItems({free, second, third});
  runCommand("even gaps down");
  EXPECT_NEAR(boxOf(second).y - boxOf(free).y, boxOf(third).y - boxOf(second).y, 1e-6);
  fill(QStringLiteral("Gap down"), QStringLiteral("2*16"));
  EXPECT_EQ(boxOf(second).y - boxOf(free).y - boxOf(free).h, 32);
  EXPECT_EQ(boxOf(third).y - boxOf(second).y - boxOf(second).h, 32);
  EXPECT_EQ(named<QLineEdit>(QStringLiteral("Gap across"))->text(), QString()) << "it differs";
  work().pickItems({free});
  fill(QStringLiteral("Width"), QStringLiteral("1920/4"));
  work().pickItems({free, second});
  runCommand("as wide as");
  EXPECT_EQ(boxOf(second).w, 480);
}

TEST_F(CanvasTest, AGroupKeepsWhereThingsStandAndSoDoesTakingItAway) {
  const ItemId second = another(1000, 500);
  work().pickItems({free, second});
  const Box a = boxOf(free), b = boxOf(second);
  key(Qt::Key_G, Qt::ControlModifier);
  ASSERT_TRUE(work().item()->container());
  EXPECT_EQ(work().item()->container()->flow, Flow::Free);
  EXPECT_EQ(boxOf(free), a);
  EXPECT_EQ(boxOf(second), b);
  // What is in a group is moved by itself, the group with all that is in it.
  const ItemId group = work().item()->id;
  work().pickItems({free});
  key(Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_EQ(boxOf(free).x, a.x + 10);
  EXPECT_EQ(boxOf(second), b);
  work().pickItems({group});
  key(Qt::Key_Down);
  EXPECT_EQ(boxOf(second).y, b.y + 1);
  key(Qt::Key_G, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_EQ(boxOf(free), (Box{a.x + 10, a.y + 1, a.w, a.h}));
  EXPECT_EQ(findItem(screen(), group), nullptr);
  EXPECT_EQ(work().picked().items, (std::vector<ItemId>{free, second}));
}

TEST_F(CanvasTest, AColumnThatIsMadeFreeStaysAsItWas) {
  const Box a = boxOf(ids[0]), b = boxOf(ids[1]);
  work().pickItems({item(ids[0]).parent});
  named<QComboBox>(QStringLiteral("Arranged as"))->setFocus();
  key(Qt::Key_End);
  EXPECT_EQ(item(item(ids[0]).parent).container()->flow, Flow::Free);
  EXPECT_EQ(boxOf(ids[0]).x, a.x);
  EXPECT_EQ(boxOf(ids[1]).h, b.h);
}

TEST_F(CanvasTest, WhatIsLockedIsNotPickedOnTheCanvasButItsDetailsStayOpen) {
  work().pickItems({free});
  key(Qt::Key_L, Qt::ControlModifier);
  EXPECT_TRUE(item(free).locked);
  EXPECT_TRUE(work().isPicked(free)) << "it can be changed still";
  QTest::mouseClick(&canvas(), Qt::LeftButton, {}, middle(free).toPoint());
  EXPECT_FALSE(work().isPicked(free));
  work().pickItems({free});
  key(Qt::Key_L, Qt::ControlModifier);
  EXPECT_FALSE(item(free).locked);
}

TEST_F(CanvasTest, WhatIsShownIsRemembered) {
  ASSERT_TRUE(canvas().aids().rulers);
  key(Qt::Key_R, Qt::ControlModifier);
  runCommand("show grid");
  EXPECT_TRUE(canvas().aids().grid);
  work().markSaved();
  ASSERT_TRUE(window->close());
  open();
  window->openBench(QStringLiteral("place"));
  EXPECT_FALSE(canvas().aids().rulers);
  EXPECT_TRUE(canvas().aids().grid);
}

// What is moved along and painted at its edges is what would be painted anew.
TEST_F(CanvasTest, AMovedViewIsTheViewPaintedWhole) {
  wheel({200, 200}, 360, Qt::ControlModifier);
  canvas().grab();
  for (int i = 0; i < 12; ++i) {
    wheel({200, 200}, i % 3 ? -37 : 90, i % 2 ? Qt::ShiftModifier : Qt::NoModifier);
    if (i % 4 == 1) {
      work().pickItems({free});
      key(Qt::Key_Right);
    }
    const QImage parts = canvas().grab().toImage();
    Q_EMIT work().picturesChanged();  // all is painted anew
    ASSERT_EQ(canvas().grab().toImage(), parts) << "step " << i;
  }
}

}  // namespace
}  // namespace bristle
