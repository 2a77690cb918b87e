// The card of the Shape bench: states, one button alone, hit areas, contrast.
#include "core/edit/kind_edits.h"
#include "shape_fixture.h"

namespace bristle::test {
namespace {

TEST_F(Shape, ContrastIsMeasuredAndNudgedUntilItPasses) {
  typeCell(key(0, Prop::Fill), 0, QStringLiteral("#7a7a7a"));
  typeCell(key(2, Prop::Colour), 0, QStringLiteral("#9a9a9a"));
  work().pickColumns({Column{}}, key(2, Prop::Colour));
  const Colour behind{0x7a, 0x7a, 0x7a, 255};
  // Large captions need less (WCAG 2.2 §1.4.3).
  for (const auto& [size, wanted] : {std::pair("26", 3.0), std::pair("18", 4.5)}) {
    work().pickColumns({Column{}}, key(2, Prop::Size));
    typeCell(key(2, Prop::Size), 0, QString::fromLatin1(size));
    work().pickColumns({Column{}}, key(2, Prop::Colour));
    const QString words = QStringLiteral("Nudge to %1 : 1").arg(wanted);
    QPushButton* nudge = nullptr;
    const auto find = [&] {
      for (auto* b : bench().card()->findChildren<QPushButton*>())
        if (b->text() == words && b->isVisible()) nudge = b;
      return nudge != nullptr;
    };
    ASSERT_TRUE(QTest::qWaitFor(find)) << size;
    QTest::mouseClick(nudge, Qt::LeftButton);
    const Colour text = std::get<Colour>(baseValue(kind(), key(2, Prop::Colour)));
    EXPECT_GE(contrast(text, behind), wanted * 0.98) << size;
    EXPECT_LT(contrast(text, behind), wanted * 1.2) << size;
    EXPECT_TRUE(QTest::qWaitFor([&] { return !nudge->isVisible(); }));
  }
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

}  // namespace
}  // namespace bristle::test
