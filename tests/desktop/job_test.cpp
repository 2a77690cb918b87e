// The whole job by mouse and keyboard, from an empty project to a rehearsed menu.
#include <QHeaderView>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QSignalSpy>
#include <QTableView>
#include <QToolButton>

#include "core/formats/take_files.h"
#include "core/rehearse/reel.h"
#include "desktop/place/canvas.h"
#include "desktop/rehearse/pad.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/rehearse/running_menu.h"
#include "desktop/route/route_view.h"
#include "desktop/shape/ledger.h"
#include "desktop/window_fixture.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

class Job : public test::WindowTest {
 protected:
  RehearseBench& rehearse() {
    return static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
  }
  Canvas& canvas() { return *window->findChild<Canvas*>(); }
  RouteView& routes() { return *window->findChild<RouteView*>(); }
  Ledger& ledger() { return *window->findChild<Ledger*>(); }

  QPointF at(const ScreenView& view, const ItemId& item) {
    const Screen& screen = *work().screen();
    for (size_t i = 0; i < screen.items.size(); ++i)
      if (screen.items[i]->id == item) return view.toWidget(work().layout().items[i].box).center();
    throw std::runtime_error("no item " + item.text);
  }
  std::vector<ItemId> buttons(size_t screen = 0) { return test::buttons(project(), screen); }

  void makeKind() { click(QStringLiteral("New kind from “menu button”")); }
  void makeScreen(const QString& captions) {
    key(Qt::Key_3, Qt::AltModifier);
    click(QStringLiteral("New screen"));
    if (captions.isEmpty()) return;
    auto* list = named<QPlainTextEdit>(QStringLiteral("Captions, one a line"));
    QTest::mouseClick(list->viewport(), Qt::LeftButton);
    for (const QString& line : captions.split(QLatin1Char('\n'))) {
      if (!list->toPlainText().isEmpty()) QTest::keyClick(list, Qt::Key_Return);
      QTest::keyClicks(list, line);
    }
    click(QStringLiteral("Lay down a column"));
  }
  // A second screen with one button that goes back; the second button of the first puts it on top.
  void makeScreenTwo() {
    click(QStringLiteral("New screen"));  // the shelf's
    ASSERT_EQ(project().screens.size(), 2U);
    EXPECT_EQ(work().picked().screen, project().screens[1]->id);
    key(Qt::Key_Insert);
    QTest::keyClicks(QApplication::focusWidget(), QStringLiteral("Return"));
    click(QStringLiteral("Lay down a column"));
    ASSERT_EQ(buttons(1).size(), 1U);
    QTest::mouseClick(&canvas(), Qt::LeftButton, {}, at(canvas(), buttons(1)[0]).toPoint());
    choose(QStringLiteral("Action"), 1 + int(ActionType::Back));
    EXPECT_EQ(findItem(*project().screens[1], buttons(1)[0])->button()->actions.at(0).type,
              ActionType::Back);
    work().pickScreen(project().screens[0]->id);
    QTest::mouseClick(&canvas(), Qt::LeftButton, {}, at(canvas(), buttons(0)[1]).toPoint());
    choose(QStringLiteral("Action"), 1 + int(ActionType::PutOnTop));
    EXPECT_EQ(findItem(*project().screens[0], buttons(0)[1])->button()->actions.at(0).screen,
              project().screens[1]->id);
  }
  // Types a value into the ledger's cell of that row and column.
  void type(int row, int column, const QString& text) {
    const QModelIndex index = ledger().model()->index(row, column);
    ledger().scrollTo(index);
    QTest::mouseClick(ledger().viewport(), Qt::LeftButton, {}, ledger().visualRect(index).center());
    QTest::keyClick(&ledger(), Qt::Key_F2);
    auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(editor, nullptr);
    QTest::keyClick(editor, Qt::Key_A, Qt::ControlModifier);
    QTest::keyClicks(editor, text);
    QTest::keyClick(editor, Qt::Key_Return);
    QCoreApplication::processEvents();
  }
  std::vector<std::string> trace() {
    std::vector<std::string> out;
    for (const TraceEntry& e : rehearse().rehearsal().trace()) out.push_back(toLine(e));
    return out;
  }
  static bool has(const std::vector<std::string>& lines, const std::string& line) {
    return std::find(lines.begin(), lines.end(), line) != lines.end();
  }
  QImage menuPicture() { return rehearse().menu().grab().toImage(); }
};

TEST_F(Job, AnEmptyProjectIsBegunByKeysAlone) {
  const auto press = [&](Qt::Key key, Qt::KeyboardModifiers with = {}) {
    QCoreApplication::processEvents();
    QWidget* now = QApplication::focusWidget();
    QTest::keyClick(now ? now : window.get(), key, with);
  };
  window->openBench(QStringLiteral("shape"));
  press(Qt::Key_Return);  // the first button there: ready-made kinds
  press(Qt::Key_Right);
  press(Qt::Key_Return);
  ASSERT_EQ(project().kinds.size(), 1U);
  press(Qt::Key_3, Qt::AltModifier);
  press(Qt::Key_Return);  // a new screen
  ASSERT_EQ(project().screens.size(), 1U);
  press(Qt::Key_Insert);
  QTest::keyClicks(QApplication::focusWidget(), QStringLiteral("Dive"));
  press(Qt::Key_Return);
  QTest::keyClicks(QApplication::focusWidget(), QStringLiteral("Ashore"));
  press(Qt::Key_Return, Qt::ControlModifier);
  ASSERT_EQ(project().screens[0]->items.size(), 3U) << "two buttons and their column";
  work().undo();
  work().undo();
  work().undo();
  EXPECT_TRUE(project().kinds.empty());
}

TEST_F(Job, AKindIsMadeAndItsLooksAreTypedIntoTheLedger) {
  makeKind();
  ASSERT_EQ(project().kinds.size(), 1U);
  EXPECT_EQ(project().kinds[0]->parts.size(), 3U);
  const auto& parts = project().kinds[0]->parts;
  // Row 0 is the plate's band, row 2 its fill; column 0 the base, column 2 hover.
  type(2, 0, QStringLiteral("#aa3300 #220000 45°"));
  const PropKey fill{parts[0].id, Prop::Fill};
  const Fill base = std::get<Fill>(baseValue(*project().kinds[0], fill));
  EXPECT_EQ(base.type, FillType::Linear);
  EXPECT_EQ(base.angle, 45);
  type(2, 2, QStringLiteral("#00ff00"));
  EXPECT_EQ(std::get<Fill>(valueIn(*project().kinds[0], {"hover"}, fill)),
            Fill::solid({0, 255, 0, 255}));
  EXPECT_EQ(std::get<Fill>(valueIn(*project().kinds[0], {"normal"}, fill)), base)
      << "only hover departs";
  // The tile shows it.
  const QImage wall = ledger().horizontalHeader()->viewport()->grab().toImage();
  int green = 0;
  for (int x = 0; x < wall.width(); ++x)
    for (int y = 40; y < wall.height() - 12; ++y)
      green += wall.pixelColor(x, y) == QColor(0, 255, 0);
  EXPECT_GT(green, 200);
  key(Qt::Key_Delete);
  EXPECT_EQ(std::get<Fill>(valueIn(*project().kinds[0], {"hover"}, fill)), base)
      << "fell back to the base";
}

TEST_F(Job, OneEditGoesToSeveralPickedStates) {
  makeKind();
  auto* wall = ledger().horizontalHeader();
  const auto tile = [&](int section) {
    return QPoint(wall->sectionViewportPosition(section) + wall->sectionSize(section) / 2, 60);
  };
  QTest::mouseClick(wall->viewport(), Qt::LeftButton, {}, tile(2));
  QTest::mouseClick(wall->viewport(), Qt::LeftButton, Qt::ShiftModifier, tile(4));
  ASSERT_EQ(work().picked().columns.size(), 2U);
  fill(QStringLiteral("Value"), QStringLiteral("#123456"));
  const PropKey key = work().picked().property;
  for (const char* state : {"hover", "focused"})
    EXPECT_EQ(toText(valueIn(*project().kinds[0], {state}, key)), "#123456") << state;
  EXPECT_NE(toText(valueIn(*project().kinds[0], {"pressed"}, key)), "#123456");
  window->work().undo();
  EXPECT_NE(toText(valueIn(*project().kinds[0], {"focused"}, key)), "#123456")
      << "one step for both";
}

TEST_F(Job, ABadValueIsToldAndChangesNothing) {
  makeKind();
  const QString before = toQt(work().history().undoName());
  fill(QStringLiteral("Value"), QStringLiteral("teal-ish"));
  EXPECT_EQ(toQt(work().history().undoName()), before);
  bool told = false;
  for (QLabel* label : window->findChildren<QLabel*>())
    told |= label->text().contains(QStringLiteral("is not taken; expected"));
  EXPECT_TRUE(told);
  EXPECT_TRUE(named<QLineEdit>(QStringLiteral("Value"))->property("bad").toBool());
  // Of several names the one that nothing has is told.
  QSignalSpy tells(&work(), &Work::told);
  fill(QStringLiteral("Value"), QStringLiteral("#123456 plate.low.foot"));
  ASSERT_EQ(tells.count(), 1);
  EXPECT_EQ(tells[0][0].toString(), QStringLiteral("Nothing is called “plate.low.foot”"));
  EXPECT_EQ(toQt(work().history().undoName()), before);
}

TEST_F(Job, ASeriesIsLaidDownMovedNudgedPickedAndLinedUp) {
  makeKind();
  makeScreen(QStringLiteral("Dive\nLog\nCharts"));
  auto ids = buttons();
  ASSERT_EQ(ids.size(), 3U);
  EXPECT_EQ(work().picked().items, ids) << "what was laid down is picked";
  const ItemId column = project().screens[0]->items[0]->id;
  const auto place = [&] { return findItem(*project().screens[0], column)->place; };
  const Place before = place();
  drag(&canvas(), at(canvas(), ids[0]), at(canvas(), ids[0]) + QPointF(60, 30));
  EXPECT_NEAR(place().x.offset - before.x.offset, 60 / canvas().zoom(), 2);
  EXPECT_NEAR(place().y.offset - before.y.offset, 30 / canvas().zoom(), 2);
  EXPECT_EQ(work().history().undoName(), "move");
  const Place dragged = place();
  canvas().setFocus();
  key(Qt::Key_Right);
  key(Qt::Key_Right);
  key(Qt::Key_Down, Qt::ShiftModifier);
  EXPECT_EQ(place().x.offset, dragged.x.offset + 2);
  EXPECT_EQ(place().y.offset, dragged.y.offset + 10);
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(place(), dragged) << "nudges are one step";
  key(Qt::Key_Z, Qt::ControlModifier);
  EXPECT_EQ(place(), before) << "and so is the drag";
  // Two free buttons, picked with Shift, lined up from the finder.
  ASSERT_TRUE(
      work().perform(addButton(project().screens[0]->id, project().kinds[0]->id, "A", 700, 120)));
  ASSERT_TRUE(
      work().perform(addButton(project().screens[0]->id, project().kinds[0]->id, "B", 900, 320)));
  ids = buttons();
  QTest::mouseClick(&canvas(), Qt::LeftButton, {}, at(canvas(), ids[3]).toPoint());
  QTest::mouseClick(&canvas(), Qt::LeftButton, Qt::ShiftModifier, at(canvas(), ids[4]).toPoint());
  EXPECT_EQ(work().picked().items.size(), 2U);
  key(Qt::Key_J, Qt::ControlModifier);
  QTest::keyClicks(QApplication::focusWidget(), QStringLiteral("left edges"));
  key(Qt::Key_Return);
  EXPECT_EQ(findItem(*project().screens[0], ids[4])->place.x.offset, 700);
}

TEST_F(Job, RoutesAreSeenPinnedClosedAndReleased) {
  makeKind();
  makeScreen(QStringLiteral("One\nTwo\nThree"));
  const auto ids = buttons();
  key(Qt::Key_4, Qt::AltModifier);
  const QImage bare = routes().grab().toImage();
  QTest::mouseClick(&routes(), Qt::LeftButton, {}, at(routes(), ids[0]).toPoint());
  EXPECT_EQ(work().picked().items, std::vector{ids[0]});
  EXPECT_NE(routes().grab().toImage(), bare);
  const auto route = [&](Dir dir) {
    return findItem(*project().screens[0], ids[0])->button()->routes[dir];
  };
  drag(&routes(), routes().knob(Dir::Down), at(routes(), ids[2]));
  EXPECT_EQ(route(Dir::Down), (RouteRule{RouteType::Pinned, ids[2]}));
  const QImage pinned = routes().grab().toImage();
  int amber = 0;
  for (int x = 0; x < pinned.width(); ++x)
    for (int y = 0; y < pinned.height(); ++y) {
      const QColor c = pinned.pixelColor(x, y);
      amber += c.red() > 200 && c.green() > 120 && c.green() < 180 && c.blue() < 60;
    }
  EXPECT_GT(amber, 20) << "a pinned route is amber";
  routes().setFocus();
  key(Qt::Key_Down);
  key(Qt::Key_X);
  EXPECT_EQ(route(Dir::Down).type, RouteType::Closed);
  key(Qt::Key_W);
  EXPECT_EQ(route(Dir::Down).type, RouteType::Wrap);
  key(Qt::Key_R);
  EXPECT_EQ(route(Dir::Down).type, RouteType::Solved);
  key(Qt::Key_Down, Qt::ControlModifier);
  EXPECT_EQ(work().picked().items, std::vector{ids[1]}) << "walked down";
  choose(QStringLiteral("Up"), 3 + 1);
  EXPECT_EQ(findItem(*project().screens[0], ids[1])->button()->routes[Dir::Up],
            (RouteRule{RouteType::Pinned, ids[2]}))
      << "the same by keyboard alone";
  click(QStringLiteral("Focus starts here"));
  EXPECT_EQ(project().screens[0]->entry, ids[1]);
}

TEST_F(Job, TwoScreensAreConnectedAndRehearsedByKeysMouseAndOnScreenController) {
  makeKind();
  makeScreen(QStringLiteral("Play\nMore"));
  makeScreenTwo();
  const auto ids = buttons(0), top = buttons(1);
  key(Qt::Key_F5);
  ASSERT_TRUE(rehearse().rehearsal().running());
  RunningMenu& running = rehearse().menu();
  ASSERT_TRUE(running.hasFocus());
  const QImage before = menuPicture();
  key(Qt::Key_Down);
  EXPECT_TRUE(has(trace(), "focus " + ids[0].text + " → " + ids[1].text + " (down, solved)"));
  QTest::keyPress(&running, Qt::Key_Return);
  EXPECT_TRUE(has(trace(), "state " + ids[1].text + " focused → pressed"));
  QTest::keyRelease(&running, Qt::Key_Return);
  EXPECT_TRUE(has(trace(), "put on top " + project().screens[1]->id.text));
  rehearse().rehearsal().stepBy(500);
  EXPECT_NE(menuPicture(), before);
  key(Qt::Key_Escape);
  EXPECT_TRUE(has(trace(), "back to " + project().screens[0]->id.text));
  key(Qt::Key_Tab);
  EXPECT_TRUE(has(trace(), "focus " + ids[1].text + " → " + ids[0].text + " (next)"));
  // The mouse: hover, press, drag off, release outside: nothing; then a click.
  const auto& run = rehearse().rehearsal().session()->stack().back();
  const Box box = run.routes.input.boxes[1];
  const QPoint on = running.toWidget(QPointF(box.x + box.w / 2, box.y + box.h / 2)).toPoint();
  QTest::mouseMove(&running, on);
  EXPECT_TRUE(has(trace(), "state " + ids[1].text + " normal → hover"));
  QTest::mousePress(&running, Qt::LeftButton, {}, on);
  QTest::mouseMove(&running, QPoint(3, 3));
  QTest::mouseRelease(&running, Qt::LeftButton, {}, QPoint(3, 3));
  const auto activations = [&] {
    const auto all = trace();
    return std::count(all.begin(), all.end(), "activate " + ids[1].text);
  };
  EXPECT_EQ(activations(), 1) << "only the key's";
  QTest::mouseMove(&running, on);
  QTest::mouseClick(&running, Qt::LeftButton, {}, on);
  EXPECT_EQ(activations(), 2);
  auto& pad = *rehearse().findChild<Pad*>();
  QTest::mouseClick(&pad, Qt::LeftButton, {}, pad.middleOf("lower button").toPoint());
  EXPECT_TRUE(has(trace(), "activate " + top[0].text)) << "the on-screen controller";
}

TEST_F(Job, ARehearsalIsKeptAsATakeAndReplaysIdentically) {
  makeKind();
  makeScreen(QStringLiteral("Play\nMore\nEnd"));
  ASSERT_TRUE(window->files().saveAs(path("job.bristle")));
  key(Qt::Key_F5);
  for (int k : {Qt::Key_Down, Qt::Key_Down, Qt::Key_Up, Qt::Key_Return, Qt::Key_Tab}) {
    key(k);
    QTest::qWait(15);
  }
  click(QStringLiteral("Takes"));
  fill(QStringLiteral("Name"), QStringLiteral("first walk"));
  click(QStringLiteral("Keep this rehearsal as a take"));
  const auto kept = readTake(fromQt(path("takes/first-walk.take.jsonl")));
  ASSERT_TRUE(kept) << kept.error().text();
  const auto result = play(project(), *kept, FontMeasure());
  ASSERT_TRUE(result);
  EXPECT_TRUE(result->failures.empty());
  // Replayed in the window: the same trace, times and all.
  QSignalSpy ended(&rehearse().rehearsal(), &Rehearsal::replayEnded);
  click(QStringLiteral("Replay the take"));
  ASSERT_TRUE(ended.wait(20000));
  EXPECT_EQ(rehearse().rehearsal().trace(), result->trace);
  EXPECT_TRUE(rehearse().rehearsal().failures().empty());
}

TEST_F(Job, EverythingIsUndoneBackToTheEmptyProjectAndDoneAgain) {
  makeKind();
  makeScreen(QStringLiteral("Play\nMore"));
  makeScreenTwo();
  const Project whole = project();
  int steps = 0;
  while (work().history().canUndo()) {
    key(Qt::Key_Z, Qt::ControlModifier);
    ASSERT_LT(++steps, 100);
  }
  EXPECT_TRUE(equal(project(), emptyProject()));
  while (work().history().canRedo()) click(QStringLiteral("Redo"));
  EXPECT_TRUE(equal(project(), whole));
}

}  // namespace
}  // namespace bristle
