// The Place bench's card, strip and canvas, each by what a person does with them.
#include <QPlainTextEdit>
#include <QTableView>

#include "desktop/view/display_strip.h"
#include "place_fixture.h"

namespace bristle {
namespace {

TEST_F(PlaceBenchTest, PinningElsewhereMovesNothingNowButHoldsOnTheOtherDisplay) {
  work().pickItems({free});
  const Box before = boxOf(free);
  choose(QStringLiteral("Pinned to, x"), int(Pin::End));
  choose(QStringLiteral("Pinned to, y"), int(Pin::End));
  EXPECT_EQ(boxOf(free), before);
  EXPECT_EQ(item(free).place.x.pin, Pin::End);
  auto* strip = window->findChild<DisplayStrip*>();
  strip->setFocus();
  key(Qt::Key_Right);
  ASSERT_EQ(work().picked().display, project().displays[1].id);
  const Box after = boxOf(free);
  EXPECT_NEAR(1920 - after.x - after.w, 1920 - before.x - before.w, 1e-6);
  EXPECT_NEAR(1200 - after.y - after.h, 1080 - before.y - before.h, 1e-6);
}

TEST_F(PlaceBenchTest, FieldsChangeThePickedItem) {
  work().pickItems({free});
  fill(QStringLiteral("Caption"), QStringLiteral("Depth chart"));
  fill(QStringLiteral("Accessible name"), QStringLiteral("Chart of depths"));
  fill(QStringLiteral("From there, x"), QStringLiteral("640"));
  fill(QStringLiteral("Width"), QStringLiteral("333"));
  click(QStringLiteral("Disabled at first"));
  const Item& i = item(free);
  EXPECT_EQ(i.button()->caption.base, "Depth chart");
  EXPECT_EQ(i.button()->accessibleName.base, "Chart of depths");
  EXPECT_EQ(i.place.x.offset, 640);
  EXPECT_EQ(boxOf(free).w, 333);
  EXPECT_TRUE(i.button()->disabled);
  click(QStringLiteral("Focus starts here"));
  EXPECT_EQ(project().screens[0]->entry, free);
}

TEST_F(PlaceBenchTest, ANumberOutOfRangeIsMarkedAndNotTaken) {
  work().pickItems({free});
  fill(QStringLiteral("From there, x"), QStringLiteral("far away"));
  EXPECT_EQ(item(free).place.x.offset, 800);
  EXPECT_TRUE(named<QLineEdit>(QStringLiteral("From there, x"))->property("bad").toBool());
  fill(QStringLiteral("From there, x"), QStringLiteral("10"));
  EXPECT_FALSE(named<QLineEdit>(QStringLiteral("From there, x"))->property("bad").toBool());
}

TEST_F(PlaceBenchTest, OneChangeGoesToAllThatArePicked) {
  work().pickItems(test::buttons(project()));
  fill(QStringLiteral("Height"), QStringLiteral("90"));
  for (const ItemId& id : test::buttons(project())) EXPECT_EQ(boxOf(id).h, 90);
  work().undo();
  EXPECT_NE(boxOf(free).h, 90);
}

TEST_F(PlaceBenchTest, TheColumnThatHoldsAButtonIsOneClickAway) {
  work().pickItems({test::buttons(project())[0]});
  click(QStringLiteral("Pick what holds it"));
  ASSERT_TRUE(work().item()->container());
  EXPECT_EQ(QApplication::focusWidget()->accessibleName(), QStringLiteral("Canvas"))
      << "the button that was clicked is gone: the keyboard is not left to what comes next";
  fill(QStringLiteral("Gap"), QStringLiteral("40"));
  const auto ids = test::buttons(project());
  EXPECT_EQ(boxOf(ids[1]).y - boxOf(ids[0]).y - boxOf(ids[0]).h, 40);
  choose(QStringLiteral("Alignment across"), int(Across::End));
  EXPECT_EQ(work().item()->container()->across, Across::End);
}

TEST_F(PlaceBenchTest, AMarqueePicksWhatItTouchesAndEscapeLetsGo) {
  const QRectF around = canvas().toWidget(boxOf(free)).adjusted(-12, -12, 12, 12);
  drag(&canvas(), around.topLeft(), around.bottomRight());
  EXPECT_EQ(work().picked().items, std::vector{free});
  canvas().setFocus();
  key(Qt::Key_Escape);
  EXPECT_TRUE(work().picked().items.empty());
}

TEST_F(PlaceBenchTest, KeysPickRemoveAndDuplicate) {
  canvas().setFocus();
  key(Qt::Key_Period);
  EXPECT_EQ(work().picked().items.size(), 1U);
  work().pickItems({free});
  canvas().setFocus();
  key(Qt::Key_D, Qt::ControlModifier);
  EXPECT_EQ(test::buttons(project()).size(), 4U);
  key(Qt::Key_A, Qt::ControlModifier);
  EXPECT_EQ(work().picked().items.size(), 4U);
  key(Qt::Key_Delete);
  EXPECT_TRUE(test::buttons(project()).empty());
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(test::buttons(project()).size(), 4U);
}

TEST_F(PlaceBenchTest, ADragWithShiftStaysOnOneAxisAndLockedThingsStay) {
  const QPointF from = canvas().toWidget(boxOf(free)).center();
  QTest::mousePress(&canvas(), Qt::LeftButton, {}, from.toPoint());
  QTest::mouseMove(&canvas(), (from + QPointF(40, 9)).toPoint());
  QMouseEvent move(QEvent::MouseMove, from + QPointF(80, 20),
                   canvas().mapToGlobal(from + QPointF(80, 20)), Qt::NoButton, Qt::LeftButton,
                   Qt::ShiftModifier);
  QApplication::sendEvent(&canvas(), &move);
  QTest::mouseRelease(&canvas(), Qt::LeftButton, {}, (from + QPointF(80, 20)).toPoint());
  EXPECT_EQ(item(free).place.y.offset, 300);
  EXPECT_GT(item(free).place.x.offset, 900);
  work().pickItems({free});
  click(QStringLiteral("Locked: not picked by mistake"));
  work().pickItems({});
  QTest::mouseClick(&canvas(), Qt::LeftButton, {},
                    canvas().toWidget(boxOf(free)).center().toPoint());
  EXPECT_TRUE(work().picked().items.empty());
}

// The free button is moved beside the column, and the routes follow in the same frame.
TEST_F(PlaceBenchTest, RoutesAreDrawnLiveWhileThingsAreMoved) {
  work().pickItems({free});
  canvas().setFocus();
  const QImage without = canvas().grab().toImage();
  key(Qt::Key_R, Qt::ControlModifier | Qt::ShiftModifier);
  const auto strokes = [&] {
    const Box from = boxOf(test::buttons(project())[0]), to = boxOf(free);
    // Somewhere on the way from the one to the other.
    const QPointF middle((from.x + from.w + to.x) / 2, (from.y + to.y + to.h) / 2);
    const QRect around =
        QRectF(canvas().toWidget(middle) - QPointF(30, 90), QSizeF(60, 180)).toRect() &
        canvas().rect();
    return canvas().grab().toImage().copy(around);
  };
  EXPECT_NE(canvas().grab().toImage(), without);
  const auto changed = [&](const QImage& a, const QImage& b) { return a != b; };
  const QImage before = strokes();
  for (int i = 0; i < 8; ++i) key(Qt::Key_Down, Qt::ShiftModifier);
  EXPECT_TRUE(changed(before, strokes()));
  key(Qt::Key_R, Qt::ControlModifier | Qt::ShiftModifier);
  for (int i = 0; i < 8; ++i) key(Qt::Key_Up, Qt::ShiftModifier);
  EXPECT_EQ(canvas().grab().toImage(), without);
}

TEST_F(PlaceBenchTest, PanelsAndPicturesAreAddedFromTheFinderAndChanged) {
  key(Qt::Key_J, Qt::ControlModifier);
  QTest::keyClicks(QApplication::focusWidget(), QStringLiteral("add panel"));
  key(Qt::Key_Return);
  ItemId panel;
  for (const auto& i : project().screens[0]->items)
    if (std::holds_alternative<PanelData>(i->what)) panel = i->id;
  ASSERT_TRUE(panel);
  work().pickItems({panel});
  fill(QStringLiteral("Fill"), QStringLiteral("#ff0000 #0000ff 0°"));
  EXPECT_EQ(std::get<PanelData>(item(panel).what).fill.type, FillType::Linear);
  fill(QStringLiteral("Fill"), QStringLiteral("reddish"));
  EXPECT_EQ(std::get<PanelData>(item(panel).what).fill.type, FillType::Linear)
      << "not understood, not taken";
}

TEST_F(PlaceBenchTest, OrderAndNewColumnsComeFromTheCommands) {
  auto ids = test::buttons(project());
  work().pickItems({ids[0]});
  canvas().setFocus();
  key(Qt::Key_PageDown, Qt::ControlModifier);
  EXPECT_EQ(test::buttons(project())[1], ids[0]);
  EXPECT_LT(boxOf(ids[1]).y, boxOf(ids[0]).y) << "the column follows the order";
  key(Qt::Key_PageUp, Qt::ControlModifier);
  EXPECT_EQ(test::buttons(project())[0], ids[0]);
  ASSERT_TRUE(work().perform(addButton(screenId(), project().kinds[0]->id, "Other", 900, 500)));
  ids = test::buttons(project());
  work().pickItems({free, ids.back()});
  key(Qt::Key_J, Qt::ControlModifier);
  QTest::keyClicks(QApplication::focusWidget(), QStringLiteral("into a row"));
  key(Qt::Key_Return);
  EXPECT_EQ(boxOf(free).y, boxOf(ids.back()).y);
  EXPECT_EQ(boxOf(free).x, 800);
  EXPECT_TRUE(item(free).parent);
}

TEST_F(PlaceBenchTest, TheScreensOwnDetailsAreEdited) {
  work().pickItems({});
  fill(QStringLiteral("Name"), QStringLiteral("Deck"));
  fill(QStringLiteral("Backdrop"), QStringLiteral("#102030"));
  fill(QStringLiteral("Dimming below"), QStringLiteral("0.5"));
  click(QStringLiteral("Moves pass disabled buttons"));
  const Screen& screen = *project().screens[0];
  EXPECT_EQ(screen.name, "Deck");
  EXPECT_EQ(screen.backdrop, Fill::solid({16, 32, 48, 255}));
  EXPECT_EQ(screen.dimBelow, 0.5);
  EXPECT_FALSE(screen.passDisabled);
  const QImage shot = canvas().grab().toImage();
  EXPECT_EQ(shot.pixelColor(canvas().toWidget(QPointF(1900, 1060)).toPoint()), QColor(16, 32, 48));
}

TEST_F(PlaceBenchTest, ALanguageIsAddedWrittenInAndTakenAway) {
  const std::vector<ItemId> ids = test::buttons(project());
  work().pickItems({});
  fill(QStringLiteral("Add a language"), QStringLiteral("ar"));
  ASSERT_EQ(project().languages.size(), 2U);
  const LanguageId arabic = project().languages[1].id;
  EXPECT_EQ(work().language().id, arabic) << "what was added is shown";
  EXPECT_TRUE(project().languages[1].rightToLeft);
  work().pickItems({ids[0]});
  auto* caption = named<QLineEdit>(QStringLiteral("Caption"));
  EXPECT_TRUE(caption->text().isEmpty());
  EXPECT_FALSE(caption->placeholderText().isEmpty()) << "what it falls back to is seen";
  QTest::mouseClick(caption, Qt::LeftButton);
  QInputMethodEvent composed;
  composed.setCommitString(QStringLiteral("غوص"));
  QApplication::sendEvent(caption, &composed);
  QTest::keyClick(caption, Qt::Key_Return);
  const Text& words = item(ids[0]).button()->caption;
  EXPECT_EQ(words.others.at(arabic), "غوص");
  EXPECT_FALSE(words.base.empty());
  const QImage there = canvas().grab().toImage();
  work().pickLanguage(project().languages[0].id);
  EXPECT_EQ(caption->text(), toQt(words.base));
  EXPECT_NE(canvas().grab().toImage(), there) << "the canvas shows the words of the language";
  work().pickLanguage(arabic);
  work().pickItems({});
  click(QStringLiteral("Remove this language"));
  EXPECT_EQ(project().languages.size(), 1U);
  EXPECT_TRUE(item(ids[0]).button()->caption.others.empty());
  work().undo();
  EXPECT_EQ(item(ids[0]).button()->caption.others.size(), 1U);
}

TEST_F(PlaceBenchTest, AContainerThatCutsOffHidesWhatReachesBeyondIt) {
  const ItemId column = project().screens[0]->items[0]->id;
  work().pickItems({column});
  fill(QStringLiteral("Height"), QStringLiteral("70"));
  const Box last = boxOf(test::buttons(project())[1]);
  const QPoint at = canvas().toWidget(QPointF(last.x + 20, last.y + last.h / 2)).toPoint();
  const QColor seen = canvas().grab().toImage().pixelColor(at);
  click(QStringLiteral("Cuts off what reaches beyond it"));
  EXPECT_NE(canvas().grab().toImage().pixelColor(at), seen);
}

TEST_F(PlaceBenchTest, WhatIsInALockedContainerIsNotPickedOnTheCanvas) {
  const Box first = boxOf(test::buttons(project())[0]);
  const QPoint at = canvas().toWidget(QPointF(first.x + 20, first.y + 20)).toPoint();
  ASSERT_TRUE(work().perform(changeItems(screenId(), {project().screens[0]->items[0]->id}, "lock",
                                         {}, [](Item& i) { i.locked = true; })));
  work().pickItems({});
  QTest::mouseClick(&canvas(), Qt::LeftButton, {}, at);
  EXPECT_TRUE(work().picked().items.empty());
}

}  // namespace
}  // namespace bristle
