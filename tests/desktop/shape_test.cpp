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
  EXPECT_TRUE(says("hover", "wanted 4.5"));
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

TEST_F(Shape, TheWayIntoAStateTakesANamedDuration) {
  ASSERT_TRUE(work().perform(addNamed(NamedType::Duration, "time.quick", 90.0)));
  work().pickColumns({StateId{"pressed"}}, key(0, Prop::Fill));
  fill(QStringLiteral("Duration into the state"), QStringLiteral("time.quick"));
  const Machine& machine = *project().machines[0];
  int into = 0;
  for (const Transition& t : machine.transitions) {
    if (t.to != StateId{"pressed"}) continue;
    ++into;
    EXPECT_EQ(t.timing->namedDuration, project().named->front().id);
  }
  EXPECT_GT(into, 2);
  EXPECT_EQ(usesOf(project(), project().named->front().id).size(), 1U);
  fill(QStringLiteral("Easing"), QStringLiteral("linear"));
  fill(QStringLiteral("Duration into the state"), QStringLiteral("250 ms"));
  const Timing timing = timingInto(*project().machines[0], StateId{"pressed"});
  EXPECT_EQ(timing.duration, 250);
  EXPECT_FALSE(timing.namedDuration);
  EXPECT_EQ(timing.easing.type, EasingType::Linear);
  const Project before = project();
  fill(QStringLiteral("Easing"), QStringLiteral("bouncy"));
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
  EXPECT_EQ(project().screens[0]->items[0]->button()->description.base, "Leads below");
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
  EXPECT_EQ(kind().parts[2].type, PartType::Picture) << "the caption stays on top of it";
  ASSERT_TRUE(work().perform(movePart(kind().id, kind().parts[2].id, 2)));
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
  const PropKey file{kind().parts[2].id, Prop::File};
  work().pickColumns({Column{}}, file);
  fill(QStringLiteral("Value"), QStringLiteral("../../etc/passwd"));
  const auto says = [&](const QString& text) {
    for (auto* label : bench().card()->findChildren<QLabel*>())
      if (label->isVisible() && label->text().contains(text)) return true;
    return false;
  };
  EXPECT_TRUE(says(QStringLiteral("missing")) || says(QStringLiteral("outside")));
  work().pickColumns({Column{}}, key(3, Prop::Family));
  fill(QStringLiteral("Value"), QStringLiteral("No Such Family 99"));
  EXPECT_TRUE(says(QStringLiteral("stands in")));
}

TEST_F(Shape, TheHitAreaIsChosenAndItsLeastSizeTold) {
  fill(QStringLiteral("Hit padding"), QStringLiteral("12"));
  EXPECT_EQ(kind().hitPadding, 12);
  choose(QStringLiteral("Hit area"), 1);
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

// At high zoom a step of the hand is less than rounding keeps: what it takes away in one step must
// not be lost for the next.
TEST_F(Shape, ASlowDragMovesAsFarAsAQuickOne) {
  work().pickColumns({StateId{"hover"}}, key(0, Prop::Radius));
  std::optional<Handle> place;
  for (const Handle& handle : handlesOf(work(), StateId{"hover"}))
    if (handle.sort == Handle::Sort::Move) place = handle;
  ASSERT_TRUE(place);
  for (int i = 1; i <= 100; ++i) {
    const auto edit =
        dragged(work(), StateId{"hover"}, *place, place->at, place->at + QPointF(0.2 * i, 0));
    ASSERT_TRUE(edit);
    ASSERT_TRUE(work().perform(*edit));
  }
  EXPECT_NEAR(std::get<double>(seen("hover", key(0, Prop::OffsetX))), 20, 0.01);
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
