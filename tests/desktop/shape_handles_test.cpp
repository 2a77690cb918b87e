// The wall of the Shape bench: handles, the picker, what the tiles stand on.
#include "core/edit/kind_edits.h"
#include "shape_fixture.h"

namespace bristle::test {
namespace {

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
  const QColor wrong = themeOf(window.get()).wrong;
  EXPECT_NE(canvas->grab().toImage(), plain);
  EXPECT_EQ(count(canvas->grab().toImage(), wrong, 8), 0) << "8 px lie between them";
  ASSERT_TRUE(work().perform(changeKind(kind().id, "hit", {}, [](Kind& k) { k.hitPadding = 6; })));
  EXPECT_GT(count(canvas->grab().toImage(), wrong, 8), 40) << "now they meet";
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

}  // namespace
}  // namespace bristle::test
