// The Shape bench by mouse and keyboard: what the document and the picture become.
#include <QClipboard>
#include <QDir>
#include <QDragEnterEvent>
#include <QDropEvent>
#include <QMimeData>
#include <set>

#include "core/edit/button_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/state_edits.h"
#include "core/formats/project_file.h"
#include "core/formats/tokens_file.h"
#include "desktop/frame/theme.h"
#include "desktop/place/canvas.h"
#include "desktop/shape/carry_page.h"
#include "desktop/shape/cut_page.h"
#include "desktop/shape/ledger.h"
#include "desktop/shape/library_page.h"
#include "desktop/shape/named_page.h"
#include "desktop/shape/picker.h"
#include "desktop/shape/picture_kinds.h"
#include "desktop/shape/shape_bench.h"
#include "desktop/shape/tile_view.h"
#include "desktop/shape/wall.h"
#include "paint/convert.h"
#include "support/menus.h"
#include "window_fixture.h"

namespace bristle::test {
namespace {

class Shape : public WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    window->openBench(QStringLiteral("shape"));
    ASSERT_TRUE(work().perform(addKind("Hatch", Wins::Hover)));
    work().pickKind(project().kinds[0]->id);
  }
  ShapeBench& bench() { return *static_cast<ShapeBench*>(window->bench(QStringLiteral("shape"))); }
  Ledger& ledger() { return bench().ledger(); }
  const Kind& kind(size_t i = 0) { return *project().kinds[i]; }
  PropKey key(int part, Prop prop) {
    return {part < 0 ? PartId{} : kind().parts[size_t(part)].id, prop};
  }
  Value seen(const char* state, const PropKey& at, size_t i = 0) {
    return valueIn(kind(i), StateId{state}, at);
  }
  QModelIndex cell(const PropKey& at, int column) {
    return ledger().model()->index(ledger().ledger().rowOf(at), column);
  }
  QPoint middle(const PropKey& at, int column) {
    ledger().scrollTo(cell(at, column));
    return ledger().visualRect(cell(at, column)).center();
  }
  void clickCell(const PropKey& at, int column, Qt::KeyboardModifiers modifiers = {}) {
    const QPoint place = middle(at, column);
    QTest::mouseClick(ledger().viewport(), Qt::LeftButton, modifiers, place);
  }
  void typeCell(const PropKey& at, int column, const QString& text) {
    clickCell(at, column);
    QTest::keyClick(&ledger(), Qt::Key_Return);
    auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
    ASSERT_NE(editor, nullptr);
    editor->selectAll();
    QTest::keyClicks(editor, text);
    QTest::keyClick(editor, Qt::Key_Return);
    QCoreApplication::processEvents();  // the commit is queued
  }
  // A command by its name, as the finder runs it.
  void run(const char* name) {
    for (QAction* action : window->allCommands())
      if (action->text() == QString::fromUtf8(name)) return action->trigger();
    FAIL() << "no command " << name;
  }
  template <class P>
  P* page() {
    return bench().findChild<P*>();
  }
  QImage tile(int section) {
    auto& wall = ledger().wall();
    return wall.viewport()
        ->grab(QRect(wall.sectionViewportPosition(section), 40, wall.sectionSize(section), 90))
        .toImage();
  }
  int count(const QImage& image, const QColor& colour, int tolerance = 0) {
    int n = 0;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x) {
        const QColor c = image.pixelColor(x, y);
        n += std::abs(c.red() - colour.red()) <= tolerance &&
             std::abs(c.green() - colour.green()) <= tolerance &&
             std::abs(c.blue() - colour.blue()) <= tolerance;
      }
    return n;
  }
  void save() { ASSERT_TRUE(window->files().saveAs(path("menu.bristle"))); }
};

TEST_F(Shape, SeveralRowsAndColumnsTakeOneText) {
  clickCell(key(0, Prop::BorderWidth), 2);
  clickCell(key(0, Prop::Outset), 3, Qt::ShiftModifier);
  ASSERT_EQ(work().picked().columns.size(), 2U);
  ASSERT_EQ(work().picked().rows.size(), 3U);
  QTest::keyClick(&ledger(), Qt::Key_Return);
  auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(editor, nullptr);
  editor->selectAll();
  QTest::keyClicks(editor, QStringLiteral("7"));
  QTest::keyClick(editor, Qt::Key_Return);
  QCoreApplication::processEvents();  // the commit is queued
  for (const char* state : {"hover", "pressed"}) {
    EXPECT_EQ(seen(state, key(0, Prop::Outset)), Value(7.0)) << state;
    EXPECT_EQ(seen(state, key(0, Prop::BorderWidth)), Value(7.0)) << state;
  }
  EXPECT_EQ(seen("focused", key(0, Prop::Outset)), Value(0.0));
  work().undo();
  EXPECT_EQ(seen("hover", key(0, Prop::Outset)), Value(0.0)) << "one step";
}

TEST_F(Shape, CellsAreCopiedAsTextAndPastedElsewhere) {
  clickCell(key(0, Prop::Fill), 2);
  QTest::keyClick(&ledger(), Qt::Key_C, Qt::ControlModifier);
  EXPECT_EQ(QGuiApplication::clipboard()->text(), QStringLiteral("#55686c"));
  clickCell(key(0, Prop::Fill), 5);
  QTest::keyClick(&ledger(), Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(seen("disabled", key(0, Prop::Fill)), seen("hover", key(0, Prop::Fill)));
  // A block, as a spreadsheet would send it; an empty cell falls back.
  QGuiApplication::clipboard()->setText(QStringLiteral("#010203\t\n#040506\t#070809\n"));
  clickCell(key(0, Prop::Fill), 2);
  QTest::keyClick(&ledger(), Qt::Key_V, Qt::ControlModifier);
  EXPECT_EQ(toText(seen("hover", key(0, Prop::Fill))), "#010203");
  EXPECT_EQ(seen("pressed", key(0, Prop::Fill)), baseValue(kind(), key(0, Prop::Fill)));
  EXPECT_EQ(toText(seen("pressed", key(0, Prop::BorderColour))), "#070809");
  const Project before = project();
  QGuiApplication::clipboard()->setText(QStringLiteral("#010203\tnonsense"));
  QTest::keyClick(&ledger(), Qt::Key_V, Qt::ControlModifier);
  EXPECT_TRUE(equal(project(), before)) << "all or nothing";
}

TEST_F(Shape, AValueIsCarriedSidewaysWithAltAndStopsWhereItIsLetGo) {
  const PropKey fill = key(0, Prop::Fill);
  const QPoint from = middle(fill, 2), over = middle(fill, 5), to = middle(fill, 4);
  QTest::mousePress(ledger().viewport(), Qt::LeftButton, Qt::AltModifier, from);
  QTest::mouseMove(ledger().viewport(), over);
  QTest::mouseMove(ledger().viewport(), to);
  QTest::mouseRelease(ledger().viewport(), Qt::LeftButton, Qt::AltModifier, to);
  EXPECT_EQ(seen("pressed", fill), seen("hover", fill));
  EXPECT_EQ(seen("focused", fill), seen("hover", fill));
  EXPECT_NE(seen("disabled", fill), seen("hover", fill)) << "passed over only";
}

TEST_F(Shape, NumbersAreScrubbedByTheirNameAndSteppedByKeys) {
  const PropKey width = key(0, Prop::BorderWidth);
  clickCell(width, 2);
  QTest::keyClick(&ledger(), Qt::Key_Up, Qt::AltModifier);
  QTest::keyClick(&ledger(), Qt::Key_Up, Qt::AltModifier | Qt::ShiftModifier);
  EXPECT_EQ(seen("hover", width), Value(12.0));
  QPoint name = middle(width, 0);
  name.setX(20);
  drag(ledger().viewport(), name, name + QPoint(-10, 0));
  EXPECT_EQ(seen("hover", width), Value(7.0)) << "two px a step, in the picked state";
  EXPECT_EQ(baseValue(kind(), width), Value(1.0));
  work().undo();
  EXPECT_EQ(seen("hover", width), Value(12.0)) << "a drag is one step";
}

TEST_F(Shape, RowsThatNobodySetAreFoldedAway) {
  EXPECT_LT(ledger().ledger().rowOf(key(0, Prop::Bevel)), 0);
  clickCell(key(0, Prop::Fill), 0);
  run("All properties of the part");
  ASSERT_GE(ledger().ledger().rowOf(key(0, Prop::Bevel)), 0);
  typeCell(key(0, Prop::Bevel), 0, QStringLiteral("3"));
  run("All properties of the part");
  EXPECT_GE(ledger().ledger().rowOf(key(0, Prop::Bevel)), 0) << "it is set now, so it stays";
  EXPECT_LT(ledger().ledger().rowOf(key(0, Prop::Rotation)), 0);
}

TEST_F(Shape, HandlesOnATileAreAnotherWayToItsValues) {
  auto& wall = ledger().wall();
  work().pickColumns({StateId{"hover"}}, key(0, Prop::Fill));
  bench().tiles().setAlone(true);
  const int section = wall.handled();
  ASSERT_EQ(section, 2);
  EXPECT_TRUE(wall.isSectionHidden(3)) << "one state alone";
  const auto place = [&](Handle::Sort sort) {
    for (const Handle& handle : handlesOf(work(), StateId{"hover"}))
      if (handle.sort == sort) return handle.at;
    ADD_FAILURE() << "no such handle";
    return QPointF();
  };
  const auto dragHandle = [&](Handle::Sort sort, const QPointF& by) {
    const QPointF from = place(sort);
    drag(wall.viewport(), wall.toTile(section, from), wall.toTile(section, from + by));
  };
  dragHandle(Handle::Sort::Corner, {12, 12});
  EXPECT_NEAR(std::get<Four>(seen("hover", key(0, Prop::Radius))).a, 20, 1.5);
  EXPECT_EQ(baseValue(kind(), key(0, Prop::Radius)), Value(Four::all(8)));
  dragHandle(Handle::Sort::Move, {15, -6});
  EXPECT_NEAR(std::get<double>(seen("hover", key(0, Prop::OffsetX))), 15, 1.5);
  EXPECT_NEAR(std::get<double>(seen("hover", key(0, Prop::OffsetY))), -6, 1.5);
  work().pickColumns({StateId{"hover"}}, key(-1, Prop::Scale));
  dragHandle(Handle::Sort::HitPadding, {9, 0});
  EXPECT_NEAR(kind().hitPadding, 9, 1.5);
  dragHandle(Handle::Sort::Pivot, {-140, 0});
  EXPECT_NEAR(std::get<double>(seen("hover", key(-1, Prop::PivotX))), 0, 0.02);
}

TEST_F(Shape, GradientStopsAreDraggedOnTheTileAndAddedOnTheCard) {
  typeCell(key(0, Prop::Fill), 2, QStringLiteral("#ff0000 #0000ff 0°"));
  click(QStringLiteral("Add a stop"));
  EXPECT_EQ(std::get<Fill>(seen("hover", key(0, Prop::Fill))).stops.size(), 3U);
  bench().tiles().setAlone(true);
  auto& wall = ledger().wall();
  QPointF middleStop;
  for (const Handle& handle : handlesOf(work(), StateId{"hover"}))
    if (handle.sort == Handle::Sort::Stop && handle.index == 1) middleStop = handle.at;
  drag(wall.viewport(), wall.toTile(2, middleStop), wall.toTile(2, middleStop + QPointF(70, 0)));
  EXPECT_NEAR(std::get<Fill>(seen("hover", key(0, Prop::Fill))).stops[1].at, 0.75, 0.02);
  click(QStringLiteral("Remove the stop"));
  EXPECT_EQ(std::get<Fill>(seen("hover", key(0, Prop::Fill))).stops.size(), 2U);
}

TEST_F(Shape, AColourIsPickedByItsLightnessChromaAndHue) {
  clickCell(key(0, Prop::Fill), 2);
  auto* lightness = named<Track>(QStringLiteral("Lightness"));
  ASSERT_NE(lightness, nullptr);
  const Lch before = toLch(std::get<Fill>(seen("hover", key(0, Prop::Fill))).stops[0].colour);
  lightness->setFocus();
  QTest::keyClick(lightness, Qt::Key_PageUp);
  const Lch after = toLch(std::get<Fill>(seen("hover", key(0, Prop::Fill))).stops[0].colour);
  EXPECT_NEAR(after.l, before.l + 0.1, 0.01);
  EXPECT_NEAR(after.h, before.h, 3);
  QTest::mouseClick(lightness, Qt::LeftButton, {}, QPoint(5, 9));
  EXPECT_EQ(toText(seen("hover", key(0, Prop::Fill))), "#000000");
  fill(QStringLiteral("Hex"), QStringLiteral("#12ab56"));
  EXPECT_EQ(toText(seen("hover", key(0, Prop::Fill))), "#12ab56");
  EXPECT_GT(count(tile(2), QColor(0x12, 0xab, 0x56)), 200) << "the tile shows it";
}

TEST_F(Shape, TheEyedropperTakesWhatIsSeenAnywhereInTheWindow) {
  typeCell(key(0, Prop::Fill), 1, QStringLiteral("#c01480"));
  clickCell(key(0, Prop::Fill), 4);
  click(QStringLiteral("Take a colour from the window"));
  auto& wall = ledger().wall();
  const QPointF plate = wall.toTile(1, {30, 12});
  QTest::mouseClick(wall.viewport(), Qt::LeftButton, {}, plate.toPoint());
  EXPECT_EQ(toText(seen("focused", key(0, Prop::Fill))), "#c01480");
  EXPECT_EQ(work().picked().columns, (std::vector<Column>{StateId{"focused"}}))
      << "the click was the eyedropper's alone";
}

TEST_F(Shape, ContrastIsMeasuredAndNudgedUntilItPasses) {
  typeCell(key(0, Prop::Fill), 0, QStringLiteral("#7a7a7a"));
  typeCell(key(2, Prop::Colour), 0, QStringLiteral("#9a9a9a"));
  work().pickColumns({Column{}}, key(2, Prop::Colour));
  QPushButton* nudge = nullptr;
  const auto find = [&] {
    for (auto* b : bench().card()->findChildren<QPushButton*>())
      if (b->text() == QStringLiteral("Nudge to 4.5 : 1") && b->isVisible()) nudge = b;
    return nudge != nullptr;
  };
  ASSERT_TRUE(QTest::qWaitFor(find));
  QTest::mouseClick(nudge, Qt::LeftButton);
  const Colour text = std::get<Colour>(baseValue(kind(), key(2, Prop::Colour)));
  const Colour behind{0x7a, 0x7a, 0x7a, 255};
  EXPECT_GE(contrast(text, behind), 4.4);
  EXPECT_TRUE(QTest::qWaitFor([&] { return !nudge->isVisible(); }));
}

TEST_F(Shape, AStateOfOnesOwnIsMadeOnTheCard) {
  clickCell(key(0, Prop::Fill), 2);
  fill(QStringLiteral("Add a state"), QStringLiteral("visited"));
  const Machine& machine = *project().machines[0];
  ASSERT_EQ(machine.states.size(), 6U);
  EXPECT_EQ(machine.states[5].name, "visited");
  EXPECT_EQ(kind().departures.at(machine.states[5].id), kind().departures.at({"hover"}));
  EXPECT_EQ(work().picked().columns.front(), Column(machine.states[5].id)) << "edits go there now";
  fill(QStringLiteral("State name"), QStringLiteral("been there"));
  EXPECT_EQ(project().machines[0]->states[5].name, "been there");
  click(QStringLiteral("Move the state left"));
  EXPECT_EQ(project().machines[0]->states[4].name, "been there");
  click(QStringLiteral("Remove the state"));
  EXPECT_EQ(project().machines[0]->states.size(), 5U);
}

TEST_F(Shape, AStatesLookIsCopiedToAnother) {
  work().pickColumns({StateId{"hover"}}, key(0, Prop::Fill));
  run("Copy the state’s look");
  work().pickColumns({StateId{"focused"}, StateId{"disabled"}}, key(0, Prop::Fill));
  run("Paste the look into the picked states");
  EXPECT_EQ(kind().departures.at({"disabled"}), kind().departures.at({"hover"}));
  run("Swap text and background colours");
  EXPECT_EQ(std::get<Colour>(seen("disabled", key(2, Prop::Colour))),
            std::get<Fill>(seen("hover", key(0, Prop::Fill))).stops[0].colour);
}

TEST_F(Shape, SignalColoursShowWhichIsWhichAndLeaveNothing) {
  const Project before = project();
  const QImage plain = tile(3);
  run("Signal colours");
  EXPECT_GT(count(tile(3), signalColour(2), 60), 300);
  EXPECT_TRUE(equal(project(), before));
  EXPECT_TRUE(!work().history().canUndo() || work().history().undoName() != "signal");
  run("Signal colours");
  EXPECT_EQ(tile(3), plain);
}

TEST_F(Shape, TheBackdropAndTrueSizeChangeOnlyTheView) {
  run("Next backdrop");
  EXPECT_GT(count(tile(2), QColor(0x9a, 0x9a, 0x9a)), 50) << "checker";
  run("Next backdrop");
  run("Next backdrop");
  EXPECT_EQ(count(tile(2), QColor(0x9a, 0x9a, 0x9a)), 0);
  run("True size");
  EXPECT_GE(ledger().columnWidth(2), int(kind().width));
  run("True size");
  EXPECT_LT(ledger().columnWidth(2), int(kind().width));
}

TEST_F(Shape, AStateThatCannotBeSeenSaysSo) {
  typeCell(key(-1, Prop::Opacity), 2, QStringLiteral("0"));
  const auto found = check(project());
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].rule, "unseen");
}

TEST_F(Shape, AButtonAloneDepartsFromItsKind) {
  ASSERT_TRUE(work().perform(addScreen("Title")));
  work().pickScreen(project().screens[0]->id);
  ASSERT_TRUE(work().perform(addButton(project().screens[0]->id, kind().id, "Dive", 10, 10)));
  ASSERT_TRUE(work().perform(addButton(project().screens[0]->id, kind().id, "Log", 10, 200)));
  const ItemId dive = buttons(project())[0];
  work().pickItems({dive});
  auto* only = named<QCheckBox>(QStringLiteral("Edits go to this button alone"));
  ASSERT_NE(only, nullptr);
  only->setFocus();
  QTest::keyClick(only, Qt::Key_Space);
  typeCell(key(0, Prop::Fill), 0, QStringLiteral("#ff0000"));
  const auto own = [&] { return findItem(*project().screens[0], dive)->button()->own; };
  EXPECT_EQ(own().base.size(), 1U);
  EXPECT_NE(toText(baseValue(kind(), key(0, Prop::Fill))), "#ff0000") << "the kind is as it was";
  EXPECT_TRUE(cell(key(0, Prop::Fill), 0).data(LedgerModel::OwnRole).toBool());
  EXPECT_GT(count(tile(1), QColor(255, 0, 0)), 200) << "the wall shows the button";
  // The kind changes; the button follows in the rest.
  QTest::keyClick(only, Qt::Key_Space);
  typeCell(key(2, Prop::Size), 0, QStringLiteral("31"));
  const OwnLook look = own();
  EXPECT_EQ(valueIn(kind(), &look, {}, key(2, Prop::Size)), Value(31.0));
  click(QStringLiteral("Detach it from the kind"));
  EXPECT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(toText(baseValue(kind(1), {kind(1).parts[0].id, Prop::Fill})), "#ff0000");
  EXPECT_TRUE(own().empty());
}

TEST_F(Shape, AValueGetsANameOnTheCardAndChangesInOnePlace) {
  clickCell(key(0, Prop::Fill), 0);
  fill(QStringLiteral("Name it"), QStringLiteral("body.plain"));
  ASSERT_EQ(project().named->size(), 1U);
  EXPECT_EQ(cell(key(0, Prop::Fill), 0).data().toString(), QStringLiteral("body.plain"));
  run("Named values");
  auto* table = named<QTableWidget>(QStringLiteral("Named values"));
  ASSERT_NE(table, nullptr);
  EXPECT_EQ(table->item(0, 4)->text(), QStringLiteral("1"));
  table->setCurrentCell(0, 2);
  table->editItem(table->item(0, 2));
  auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(editor, nullptr);
  editor->selectAll();
  QTest::keyClicks(editor, QStringLiteral("#20c040"));
  QTest::keyClick(editor, Qt::Key_Return);
  QCoreApplication::processEvents();  // the commit is queued
  EXPECT_EQ(project().named->front().value, Value(Colour{0x20, 0xc0, 0x40, 255}));
  fill(QStringLiteral("New name"), QStringLiteral("other"));
  ASSERT_EQ(project().named->size(), 2U);
  table->setCurrentCell(0, 0);
  choose(QStringLiteral("What takes its place"), 1);
  click(QStringLiteral("Remove"));
  ASSERT_EQ(project().named->size(), 1U);
  EXPECT_EQ(usesOf(project(), project().named->front().id).size(), 1U) << "replaced";
  click(QStringLiteral("Back to the wall"));
  EXPECT_EQ(cell(key(0, Prop::Fill), 0).data().toString(), QStringLiteral("other"));
}

TEST_F(Shape, TheWayIntoAStateTakesANamedDuration) {
  ASSERT_TRUE(work().perform(addNamed(NamedType::Duration, "time.quick", 90.0)));
  work().pickColumns({StateId{"pressed"}}, key(0, Prop::Fill));
  fill(QStringLiteral("Comes in"), QStringLiteral("time.quick"));
  const Machine& machine = *project().machines[0];
  int into = 0;
  for (const Transition& t : machine.transitions) {
    if (t.to != StateId{"pressed"}) continue;
    ++into;
    EXPECT_EQ(t.timing->namedDuration, project().named->front().id);
  }
  EXPECT_GT(into, 2);
  EXPECT_EQ(usesOf(project(), project().named->front().id).size(), 1U);
  fill(QStringLiteral("Eases"), QStringLiteral("linear"));
  fill(QStringLiteral("Comes in"), QStringLiteral("250 ms"));
  const Timing timing = timingInto(*project().machines[0], StateId{"pressed"});
  EXPECT_EQ(timing.duration, 250);
  EXPECT_FALSE(timing.namedDuration);
  EXPECT_EQ(timing.easing.type, EasingType::Linear);
  const Project before = project();
  fill(QStringLiteral("Eases"), QStringLiteral("bouncy"));
  EXPECT_TRUE(equal(project(), before));
}

TEST_F(Shape, HitAreasAreShownWhereTheyOverlapOnTheScreen) {
  ASSERT_TRUE(work().perform(addScreen("Title")));
  const ScreenId screen = project().screens[0]->id;
  work().pickScreen(screen);
  ASSERT_TRUE(work().perform(addButton(screen, kind().id, "A", 100, 100)));
  ASSERT_TRUE(work().perform(addButton(screen, kind().id, "B", 100, 172)));
  ASSERT_TRUE(work().perform(addButton(screen, kind().id, "C", 900, 700)));
  window->openBench(QStringLiteral("place"));
  auto* canvas = window->findChild<Canvas*>();
  const QImage plain = canvas->grab().toImage();
  run("Show hit areas");
  const QColor wrong = theme().wrong;
  EXPECT_NE(canvas->grab().toImage(), plain);
  EXPECT_EQ(count(canvas->grab().toImage(), wrong, 8), 0) << "8 px lie between them";
  ASSERT_TRUE(work().perform(changeKind(kind().id, "hit", {}, [](Kind& k) { k.hitPadding = 6; })));
  EXPECT_GT(count(canvas->grab().toImage(), wrong, 8), 40) << "now they meet";
}

TEST_F(Shape, APanelOnAScreenBecomesAButton) {
  ASSERT_TRUE(work().perform(addScreen("Title")));
  work().pickScreen(project().screens[0]->id);
  window->openBench(QStringLiteral("place"));
  run("Add panel");
  ASSERT_EQ(project().screens[0]->items.size(), 1U);
  work().pickItems({project().screens[0]->items[0]->id});
  run("Make a button of the picked panel or picture");
  ASSERT_NE(project().screens[0]->items[0]->button(), nullptr);
  EXPECT_EQ(project().kinds.size(), 2U);
  fill(QStringLiteral("Description"), QStringLiteral("Leads below"));
  EXPECT_EQ(project().screens[0]->items[0]->button()->description, "Leads below");
}

TEST_F(Shape, PicturesDroppedOnTheBenchBecomeKinds) {
  save();
  QImage image(50, 30, QImage::Format_RGB32);
  image.fill(Qt::darkGreen);
  image.save(path("leaf.png"));
  QMimeData data;
  data.setUrls({QUrl::fromLocalFile(path("leaf.png"))});
  QDragEnterEvent enter(QPoint(200, 200), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(&bench(), &enter);
  EXPECT_TRUE(enter.isAccepted());
  QDropEvent drop(QPointF(200, 200), Qt::CopyAction, &data, Qt::LeftButton, Qt::NoModifier);
  QApplication::sendEvent(&bench(), &drop);
  ASSERT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, "leaf");
  EXPECT_GT(count(tile(1), QColor(Qt::darkGreen)), 300);
}

TEST_F(Shape, PartsAreCopiedReorderedAndPasted) {
  work().pickColumns({Column{}}, key(1, Prop::BorderWidth));
  const PartId ring = kind().parts[1].id;
  click(QStringLiteral("Bring the part forward"));
  EXPECT_EQ(kind().parts[2].id, ring);
  click(QStringLiteral("Send the part back"));
  click(QStringLiteral("Send the part back"));
  EXPECT_EQ(kind().parts[0].id, ring);
  run("Copy the part");
  ASSERT_TRUE(work().perform(addKind("Other", Wins::Hover)));
  work().pickKind(kind(1).id);
  run("Paste the part");
  EXPECT_EQ(kind(1).parts.back().name, "Focus ring 2");
  EXPECT_EQ(seen("focused", {kind(1).parts.back().id, Prop::Shown}, 1), Value(true));
}

TEST_F(Shape, EveryHandleOfEverySortOfPartChangesTheDocument) {
  for (PartType type : {PartType::Marker, PartType::Picture, PartType::Icon})
    ASSERT_TRUE(work().perform(addPart(kind().id, type, "P")));
  const auto parts = kind().parts;
  ASSERT_TRUE(work().perform(
      setLook(kind().id, {Column{}}, {parts[4].id, Prop::Fit}, std::string("nine-slice"))));
  ASSERT_TRUE(work().perform(
      setLook(kind().id, {Column{}}, {parts[0].id, Prop::Radius}, Four{4, 8, 12, 16})));
  ASSERT_TRUE(
      work().perform(setLook(kind().id, {StateId{"hover"}}, {parts[0].id, Prop::Fill},
                             *parseValue("#fff #000 radial 0.5 0.5 0.4", Fill{}, nullptr))));
  std::set<Handle::Sort> sorts;
  for (size_t i = 0; i <= parts.size(); ++i) {
    const PropKey row = i < parts.size() ? PropKey{parts[i].id, i == 0 ? Prop::Fill : Prop::Shown}
                                         : PropKey{{}, Prop::Scale};
    work().pickColumns({StateId{"hover"}}, row);
    for (const Handle& handle : handlesOf(work(), StateId{"hover"})) {
      sorts.insert(handle.sort);
      const Project before = project();
      const auto edit =
          dragged(work(), StateId{"hover"}, handle, handle.at, handle.at + QPointF(5, 7));
      ASSERT_TRUE(edit) << fromQt(handle.name);
      ASSERT_TRUE(work().perform(*edit)) << fromQt(handle.name);
      EXPECT_FALSE(equal(project(), before)) << fromQt(handle.name);
      work().undo();
      EXPECT_TRUE(equal(project(), before)) << fromQt(handle.name) << ": one step back";
    }
  }
  for (auto sort : {Handle::Sort::Move, Handle::Sort::Size, Handle::Sort::Corner,
                    Handle::Sort::Pivot, Handle::Sort::HitPadding, Handle::Sort::Padding,
                    Handle::Sort::Centre, Handle::Sort::Radius, Handle::Sort::Slice})
    EXPECT_TRUE(sorts.contains(sort)) << int(sort);
}

TEST_F(Shape, AMissingPictureAndFontAreNamedOnTheCard) {
  ASSERT_TRUE(work().perform(addPart(kind().id, PartType::Picture, "Art")));
  const PropKey file{kind().parts[3].id, Prop::File};
  work().pickColumns({Column{}}, file);
  fill(QStringLiteral("Value"), QStringLiteral("../../etc/passwd"));
  const auto says = [&](const QString& text) {
    for (auto* label : bench().card()->findChildren<QLabel*>())
      if (label->isVisible() && label->text().contains(text)) return true;
    return false;
  };
  EXPECT_TRUE(says(QStringLiteral("missing")) || says(QStringLiteral("outside")));
  work().pickColumns({Column{}}, key(2, Prop::Family));
  fill(QStringLiteral("Value"), QStringLiteral("No Such Family 99"));
  EXPECT_TRUE(says(QStringLiteral("stands in")));
}

TEST_F(Shape, TokensComeInAndGoOut) {
  run("Named values");
  auto* named = page<NamedPage>();
  ASSERT_NE(named, nullptr);
  QFile file(path("in.tokens.json"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(
      R"({"sea": {"$type": "color", "deep": {"$value": "#102030"}, "line": {"$type": "strokeStyle", "$value": "dotted"}}})");
  file.close();
  EXPECT_TRUE(named->importTokens(path("in.tokens.json")));
  ASSERT_EQ(project().named->size(), 1U);
  EXPECT_EQ(project().named->front().name, "sea.deep");
  EXPECT_TRUE(named->exportTokens(path("out.tokens.json")));
  QFile out(path("out.tokens.json"));
  ASSERT_TRUE(out.open(QIODevice::ReadOnly));
  const auto again = parseTokens(out.readAll().toStdString());
  ASSERT_TRUE(again);
  EXPECT_EQ(again->kept, std::vector<std::string>{"sea.line"}) << "kept though it is not used";
  QFile bad(path("bad.tokens.json"));
  ASSERT_TRUE(bad.open(QIODevice::WriteOnly));
  bad.write(R"({"a": {"$type": "color", "$value": "{a}"}})");
  bad.close();
  const Project before = project();
  EXPECT_FALSE(named->importTokens(path("bad.tokens.json")));
  EXPECT_TRUE(equal(project(), before));
}

TEST_F(Shape, AReadyMadeKindIsTakenByKeyboard) {
  run("Ready-made kinds and libraries");
  auto* list = named<QListWidget>(QStringLiteral("Kinds of the library"));
  ASSERT_NE(list, nullptr);
  ASSERT_GE(list->count(), 12);
  list->setFocus();
  QTest::keyClick(list, Qt::Key_Right);
  QTest::keyClick(list, Qt::Key_Return);
  ASSERT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, fromQt(list->item(1)->text()));
  EXPECT_EQ(work().picked().kind, kind(1).id);
  EXPECT_TRUE(check(project()).empty());
}

TEST_F(Shape, ReadyMadeKindsAreWholeInEveryState) {
  const Project library = LibraryPage::readyMade();
  ASSERT_GE(library.kinds.size(), 12U);
  EXPECT_TRUE(check(library).empty());
  LookPainter looks;
  for (const auto& each : library.kinds) {
    const Machine& machine = *find(library, each->machine);
    const LookTable table(*each, machine, naming(library));
    for (size_t a = 0; a < machine.states.size(); ++a)
      for (size_t b = 0; b < a; ++b)
        EXPECT_NE(table.state(StateIndex(a)), table.state(StateIndex(b)))
            << each->name << ": " << machine.states[a].name << " and " << machine.states[b].name;
  }
}

TEST_F(Shape, ALibraryIsSavedOpenedAndItsConflictsAnswered) {
  run("Ready-made kinds and libraries");
  auto* library = page<LibraryPage>();
  ASSERT_NE(library, nullptr);
  ASSERT_TRUE(library->saveLibrary(path("mine.bristle"), false));
  ASSERT_TRUE(
      work().perform(setLook(kind().id, {Column{}}, key(0, Prop::BorderWidth), Value(9.0))));
  ASSERT_TRUE(library->openLibrary(path("mine.bristle")));
  QCoreApplication::processEvents();
  choose(QStringLiteral("What becomes of Hatch"), 2);
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(project().kinds.size(), 1U);
  EXPECT_EQ(baseValue(kind(), key(0, Prop::BorderWidth)), Value(1.0)) << "theirs took its place";
  QFile bad(path("bad.bristle"));
  ASSERT_TRUE(bad.open(QIODevice::WriteOnly));
  bad.write("{]");
  bad.close();
  run("Ready-made kinds and libraries");
  EXPECT_FALSE(page<LibraryPage>()->openLibrary(path("bad.bristle")));
}

TEST_F(Shape, LooksAreCarriedOverToChosenKindsInOneStep) {
  ASSERT_TRUE(work().perform(addKind("Other", Wins::Hover)));
  ASSERT_TRUE(work().perform(
      setLook(kind().id, {StateId{"hover"}}, key(0, Prop::Fill), Fill::solid({9, 9, 9, 255}))));
  run("Carry over to other kinds");
  auto* targets = named<QListWidget>(QStringLiteral("Targets"));
  ASSERT_NE(targets, nullptr);
  targets->setFocus();
  targets->setCurrentRow(0);
  QTest::keyClick(targets, Qt::Key_Space);
  const Project before = project();
  click(QStringLiteral("Carry over"));
  EXPECT_EQ(toText(valueIn(kind(1), StateId{"hover"}, {kind(1).parts[0].id, Prop::Fill})),
            "#090909");
  work().undo();
  EXPECT_TRUE(equal(project(), before));
}

TEST_F(Shape, ButtonsAreCutFromFlatArt) {
  save();
  // Two plates on a plain ground, lit in the second picture.
  const auto sheet = [&](const char* name, QColor plate, QSize size = {320, 180}) {
    QImage image(size, QImage::Format_RGB32);
    image.fill(QColor(30, 40, 50));
    QPainter p(&image);
    p.fillRect(40, 30, 120, 40, plate);
    p.fillRect(40, 100, 120, 40, plate);
    p.end();
    image.save(path(name));
    return path(name);
  };
  const QStringList sheets{sheet("menu-normal.png", QColor(200, 60, 40)),
                           sheet("menu-hover.png", QColor(250, 160, 40))};
  run("Cut buttons from a flat picture");
  auto* page = this->page<CutPage>();
  ASSERT_NE(page, nullptr);
  EXPECT_FALSE(
      page->openSheets(sheets + QStringList{sheet("menu-pressed.png", Qt::red, {320, 170})}))
      << "one differs in size";
  ASSERT_TRUE(page->openSheets(sheets));
  QCoreApplication::processEvents();
  auto* view = named<CutView>(QStringLiteral("Flat picture with the marked buttons"));
  ASSERT_NE(view, nullptr);
  // Drawn roughly; the edges in the picture pull it straight.
  drag(view, view->toWidget({37, 33}), view->toWidget({163, 67}));
  drag(view, view->toWidget({42, 97}), view->toWidget({157, 143}));
  click(QStringLiteral("Make the buttons"));
  ASSERT_EQ(project().kinds.size(), 3U);
  EXPECT_EQ(kind(1).width, 120 * 6);
  EXPECT_EQ(kind(1).height, 40 * 6);
  const Screen& screen = *project().screens.back();
  const auto placed = buttons(project(), project().screens.size() - 1);
  ASSERT_EQ(placed.size(), 2U);
  EXPECT_EQ(findItem(screen, placed[0])->place.x.offset, 40 * 6);
  EXPECT_EQ(findItem(screen, placed[1])->place.y.offset, 100 * 6);
  EXPECT_TRUE(screen.items.front()->locked) << "the rest is the locked background";
  const auto file = std::get<std::string>(seen("hover", {kind(1).parts[0].id, Prop::File}, 1));
  const QImage hover(QDir(folder.path()).filePath(toQt(file)));
  EXPECT_EQ(hover.pixelColor(60, 20), QColor(250, 160, 40));
  const auto& ground = std::get<PictureData>(screen.items.front()->what);
  EXPECT_EQ(QImage(QDir(folder.path()).filePath(toQt(ground.file))).pixelColor(100, 50),
            QColor(30, 40, 50))
      << "the hole is filled from around it";
}

TEST_F(Shape, PicturesDroppedTogetherAreMatchedByTheirNames) {
  save();
  const auto write = [&](const char* name, QSize size) {
    QImage image(size, QImage::Format_RGB32);
    image.fill(Qt::blue);
    image.save(path(name));
    return path(name);
  };
  EXPECT_FALSE(kindsFromFiles(work(), {write("a.png", {40, 20}), write("a-hover.png", {42, 20})}))
      << "a hover picture that is 2 px wider";
  EXPECT_EQ(project().kinds.size(), 1U);
  EXPECT_TRUE(kindsFromFiles(work(), {write("b.png", {40, 20}), write("b-hover.png", {40, 20}),
                                      write("c.png", {60, 30})}));
  ASSERT_EQ(project().kinds.size(), 3U);
  EXPECT_EQ(std::get<std::string>(seen("hover", {kind(1).parts[0].id, Prop::File}, 1)),
            "b-hover.png");
  EXPECT_EQ(kind(2).width, 60);
}

TEST_F(Shape, TheGroupsOfAnSvgBecomeStates) {
  save();
  QFile file(path("bolt.svg"));
  ASSERT_TRUE(file.open(QIODevice::WriteOnly));
  file.write(R"(<svg xmlns="http://www.w3.org/2000/svg" width="80" height="40" viewBox="0 0 80 40">
    <g id="normal"><rect x="10" y="5" width="60" height="30" fill="#ff0000"/></g>
    <g id="hover"><rect x="10" y="5" width="60" height="30" fill="#00ff00"/></g></svg>)");
  file.close();
  ASSERT_TRUE(kindsFromFiles(work(), {path("bolt.svg")}));
  EXPECT_EQ(kind(1).width, 80);
  EXPECT_EQ(std::get<std::string>(seen("hover", {kind(1).parts[0].id, Prop::File}, 1)),
            "bolt.svg#hover");
  EXPECT_GT(count(tile(1), QColor(255, 0, 0)), 400);
  EXPECT_GT(count(tile(2), QColor(0, 255, 0)), 400);
  QFile evil(path("evil.svg"));
  ASSERT_TRUE(evil.open(QIODevice::WriteOnly));
  evil.write(
      R"(<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="9" height="9"><image xlink:href="file:///etc/hostname" width="9" height="9"/></svg>)");
  evil.close();
  EXPECT_FALSE(kindsFromFiles(work(), {path("evil.svg")}));
  EXPECT_EQ(project().kinds.size(), 2U);
}

TEST_F(Shape, TheHitAreaIsChosenAndItsLeastSizeTold) {
  fill(QStringLiteral("Hit padding"), QStringLiteral("12"));
  EXPECT_EQ(kind().hitPadding, 12);
  choose(QStringLiteral("Hit by"), 1);
  EXPECT_EQ(kind().hitForm, HitForm::Shape);
  fill(QStringLiteral("Least size"), QStringLiteral("100"));
  EXPECT_EQ(project().settings.leastHit, 100);
  const auto found = check(project());
  ASSERT_FALSE(found.empty());
  EXPECT_EQ(found[0].rule, "hit-size");
  const QImage before = tile(1);
  run("Show hit areas");
  EXPECT_NE(tile(1), before);
}

// From an empty window, by keyboard alone: a ready-made kind, a value in two states, a name for it,
// a state of its own, undone and done again, saved and opened.
TEST_F(Shape, TheWholeRoadFromAnEmptyProjectByKeyboard) {
  work().replace(emptyProject(), {}, false);
  QTest::keyClick(window.get(), Qt::Key_K, Qt::ControlModifier);
  auto* list = named<QListWidget>(QStringLiteral("Kinds of the library"));
  ASSERT_NE(list, nullptr);
  list->setFocus();
  QTest::keyClick(list, Qt::Key_Right);
  QTest::keyClick(list, Qt::Key_Return);
  ASSERT_EQ(project().kinds.size(), 1U);
  EXPECT_TRUE(ledger().hasFocus()) << "work goes on in the ledger";
  QTest::keyClick(&ledger(), Qt::Key_Right, Qt::AltModifier);
  QTest::keyClick(&ledger(), Qt::Key_Right, Qt::AltModifier);
  EXPECT_EQ(work().picked().columns, (std::vector<Column>{StateId{"hover"}}));
  const PropKey body = work().picked().property;
  QTest::keyClick(&ledger(), Qt::Key_F2);
  auto* editor = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  ASSERT_NE(editor, nullptr);
  editor->selectAll();
  QTest::keyClicks(editor, QStringLiteral("kit.accent #402000 90"));
  QTest::keyClick(editor, Qt::Key_Return);
  QCoreApplication::processEvents();
  const Fill fill = std::get<Fill>(seen("hover", body));
  ASSERT_EQ(fill.stops.size(), 2U);
  EXPECT_TRUE(fill.stops[0].named) << "a name inside a gradient";
  const Project done = project();
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier);
  EXPECT_NE(seen("hover", body), Value(fill));
  QTest::keyClick(window.get(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  EXPECT_TRUE(equal(project(), done));
  save();
  ASSERT_TRUE(window->files().open(path("menu.bristle")));
  EXPECT_EQ(seen("hover", body), Value(fill));
  EXPECT_TRUE(check(project()).empty());
}

TEST_F(Shape, ALibraryCannotReachOutOfItsFolder) {
  save();
  QDir(folder.path()).mkpath(QStringLiteral("lib"));
  QImage image(10, 10, QImage::Format_RGB32);
  image.fill(Qt::red);
  image.save(path("secret.png"));
  image.save(path("lib/own.png"));
  const auto library = [&](const char* file, const char* picture) {
    Project p =
        test::after(emptyProject(), kindFromPictures({"Art", 10, 10, {{Role::Rest, picture}}, {}}));
    QFile out(path(file));
    EXPECT_TRUE(out.open(QIODevice::WriteOnly));
    out.write(QByteArray::fromStdString(writeProject(p)));
  };
  library("lib/bad.bristle", "../secret.png");
  library("lib/good.bristle", "own.png");
  run("Ready-made kinds and libraries");
  ASSERT_TRUE(page<LibraryPage>()->openLibrary(path("lib/bad.bristle")));
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(project().kinds.size(), 1U) << "nothing is taken";
  ASSERT_TRUE(page<LibraryPage>()->openLibrary(path("lib/good.bristle")));
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(project().kinds.size(), 2U);
  EXPECT_TRUE(QFile::exists(path("own.png"))) << "its picture came along";
  // The same name for another picture: what is here is not written over.
  image.fill(Qt::blue);
  image.save(path("lib/own.png"));
  library("lib/other.bristle", "own.png");
  run("Ready-made kinds and libraries");
  ASSERT_TRUE(page<LibraryPage>()->openLibrary(path("lib/other.bristle")));
  click(QStringLiteral("Take into this project"));
  EXPECT_EQ(QImage(path("own.png")).pixelColor(5, 5), QColor(Qt::red));
}

TEST_F(Shape, TheDarkSetIsShownAndBadNamesAreRefused) {
  ASSERT_TRUE(work().perform(addNamed(NamedType::Colour, "sea", Colour{250, 250, 250, 255})));
  const NamedId sea = project().named->front().id;
  ASSERT_TRUE(work().perform(setNamed(sea, true, Value(Colour{3, 200, 4, 255}))));
  typeCell(key(0, Prop::Fill), 0, QStringLiteral("sea"));
  EXPECT_EQ(count(tile(1), QColor(3, 200, 4)), 0);
  run("Named values");
  click(QStringLiteral("Show the dark set"));
  EXPECT_TRUE(project().settings.darkSet);
  const Project before = project();
  for (const char* bad : {"sea", "a..b", "{x}", "two words"}) {
    fill(QStringLiteral("New name"), QString::fromLatin1(bad));
    EXPECT_TRUE(equal(project(), before)) << bad;
  }
  click(QStringLiteral("Back to the wall"));
  EXPECT_GT(count(tile(1), QColor(3, 200, 4)), 200) << "the tiles show the dark side";
}

TEST_F(Shape, TheEyedropperIsGivenUpWithEsc) {
  clickCell(key(0, Prop::Fill), 2);
  const Project before = project();
  click(QStringLiteral("Take a colour from the window"));
  QTest::keyClick(&ledger(), Qt::Key_Escape);
  clickCell(key(0, Prop::Fill), 3);
  EXPECT_TRUE(equal(project(), before));
  EXPECT_EQ(work().picked().columns, (std::vector<Column>{StateId{"pressed"}}))
      << "clicks are clicks again";
}

TEST_F(Shape, ASheetOfMarksIsMadeByKeyboard) {
  save();
  QImage image(200, 160, QImage::Format_RGB32);
  image.fill(Qt::gray);
  image.save(path("flat.png"));
  run("Cut buttons from a flat picture");
  ASSERT_TRUE(page<CutPage>()->openSheets({path("flat.png")}));
  QCoreApplication::processEvents();
  auto* view = named<CutView>(QStringLiteral("Flat picture with the marked buttons"));
  view->setFocus();
  QTest::keyClick(view, Qt::Key_Return);
  for (int i = 0; i < 2; ++i) QTest::keyClick(view, Qt::Key_Right, Qt::ControlModifier);
  QTest::keyClick(view, Qt::Key_Down, Qt::ShiftModifier | Qt::ControlModifier);
  QTest::keyClick(view, Qt::Key_Return);
  QTest::keyClick(view, Qt::Key_Delete);
  auto* list = named<QListWidget>(QStringLiteral("Marked buttons"));
  ASSERT_EQ(list->count(), 1);
  list->item(0)->setText(QStringLiteral("Anchor"));
  click(QStringLiteral("Make the buttons"));
  ASSERT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, "Anchor");
  const double scale = 1920.0 / 200;
  EXPECT_NEAR(kind(1).width, 40 * scale, 1);
  EXPECT_NEAR(kind(1).height, 30 * scale, 1);
}

}  // namespace
}  // namespace bristle::test
