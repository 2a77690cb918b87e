// The Shape bench by mouse and keyboard: what the document and the picture become.
#include <QSignalSpy>

#include "core/edit/kind_edits.h"
#include "shape_fixture.h"

namespace bristle::test {
namespace {

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

TEST_F(Shape, OnlyCellsThatChangedArePaintedAgain) {
  QSignalSpy told(ledger().model(), &QAbstractItemModel::dataChanged);
  ASSERT_TRUE(work().perform(setLook(kind().id, {StateId{"hover"}}, key(0, Prop::Outset), 4.0)));
  ASSERT_EQ(told.count(), 1);
  EXPECT_EQ(told[0][0].toModelIndex(), cell(key(0, Prop::Outset), 2));
  // What a name stands for may be shown anywhere.
  told.clear();
  ASSERT_TRUE(work().perform(addNamed(NamedType::Colour, "tide", Colour{1, 2, 3, 255})));
  ASSERT_TRUE(work().perform(setLook(kind().id, {StateId{"hover"}}, key(0, Prop::Fill),
                                     NamedRef{project().named->back().id})));
  told.clear();
  ASSERT_TRUE(
      work().perform(setNamed(project().named->back().id, false, Value(Colour{9, 9, 9, 255}))));
  ASSERT_EQ(told.count(), 1);
  EXPECT_GT(told[0][1].toModelIndex().row(), told[0][0].toModelIndex().row());
}

TEST_F(Shape, NoContrastIsAskedOfADisabledState) {
  const auto says = [&](const char* state, const char* words) {
    work().pickCells({StateId{state}}, {key(0, Prop::Fill)}, key(0, Prop::Fill));
    return QTest::qWaitFor([&] {
      const auto labels = window->findChildren<QLabel*>();
      return std::any_of(labels.begin(), labels.end(), [&](const QLabel* label) {
        return label->isVisible() && label->text().contains(QLatin1String(words));
      });
    });
  };
  EXPECT_TRUE(says("disabled", "none is asked of a disabled state"));
  EXPECT_TRUE(says("hover", "wanted 3"));  // of 26 px, which is large
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

TEST_F(Shape, SpaceTurnsCellsWithFixedAnswers) {
  PropKey shown, align;
  for (const Part& part : kind().parts) {
    if (part.type == PartType::Shape) shown = {part.id, Prop::Shown};
    if (part.type == PartType::Label) align = {part.id, Prop::Align};
  }
  const bool was = std::get<bool>(seen("hover", shown));
  clickCell(shown, 2);
  QTest::keyClick(&ledger(), Qt::Key_Space);
  EXPECT_EQ(seen("hover", shown), Value(!was));
  QTest::keyClick(&ledger(), Qt::Key_Space);
  EXPECT_EQ(seen("hover", shown), Value(was));
  // What starts next to the first goes on to the last, and begins again.
  clickCell(align, 2);
  const Value begin = seen("hover", align);
  std::set<std::string> all;
  do {
    QTest::keyClick(&ledger(), Qt::Key_Space);
    all.insert(std::get<std::string>(seen("hover", align)));
  } while (seen("hover", align) != begin && all.size() < 9);
  EXPECT_EQ(all, (std::set<std::string>{"centre", "end", "start"}));
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

TEST_F(Shape, TheBorderBetweenWallAndLedgerIsDraggedAndRemembered) {
  auto& wall = ledger().wall();
  EXPECT_GE(wall.height(), 240);
  const QPointF border(200, wall.height() - 2);
  drag(wall.viewport(), border, border + QPointF(0, 80));
  const int height = wall.height();
  EXPECT_NEAR(height, 332, 6);
  save();
  ASSERT_TRUE(window->close());
  open();
  window->openBench(QStringLiteral("shape"));
  ASSERT_TRUE(window->files().open(path("menu.bristle")));
  EXPECT_EQ(ledger().wall().height(), height);
}

TEST_F(Shape, APageOwnsTheCardAndTheKeysWhileItIsOpen) {
  test::WindowTest::key(Qt::Key_D, Qt::ControlModifier);
  ASSERT_NE(page<NamedPage>(), nullptr);
  for (QAction* action : work().commands().of(&bench()))
    if (action->text() == QStringLiteral("Back to the base")) {
      EXPECT_FALSE(action->isEnabled());
    }
  for (auto* field : window->findChildren<QLineEdit*>())
    EXPECT_FALSE(field->accessibleName() == QStringLiteral("State name") && field->isVisible())
        << "the wall's card edits nothing meanwhile";
  EXPECT_TRUE(bench().hint().contains(QStringLiteral("Esc")));
  test::WindowTest::key(Qt::Key_Escape);
  for (QAction* action : work().commands().of(&bench()))
    if (action->text() == QStringLiteral("Back to the base")) {
      EXPECT_TRUE(action->isEnabled());
    }
}

TEST_F(Shape, ALibraryIsNeverSavedOverTheOpenProject) {
  save();
  const auto before = readFile(fromQt(path("menu.bristle")));
  test::WindowTest::key(Qt::Key_K, Qt::ControlModifier);
  ASSERT_NE(page<LibraryPage>(), nullptr);
  EXPECT_FALSE(page<LibraryPage>()->saveLibrary(path("menu.bristle"), false));
  EXPECT_FALSE(page<LibraryPage>()->saveLibrary(path("menu"), true)) << "nor without its ending";
  EXPECT_EQ(*readFile(fromQt(path("menu.bristle"))), *before);
  EXPECT_TRUE(page<LibraryPage>()->saveLibrary(path("other"), false));
  EXPECT_TRUE(QFile::exists(path("other.bristle")));
}

}  // namespace
}  // namespace bristle::test
