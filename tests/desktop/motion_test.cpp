// The Motion bench by mouse and keyboard: what the machine, the laws and the scope become.
#include <QAction>
#include <QListWidget>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/state_edits.h"
#include "desktop/motion/event_choice.h"
#include "motion_fixture.h"
#include "paint/convert.h"
#include "runtime/formats/project_file.h"

namespace bristle::test {
namespace {

TEST_F(Motion, ATransitionIsDrawnFromTileToTileAndTakenAway) {
  const size_t before = machine().transitions.size();
  GraphView& graph = bench().graph();
  drag(&graph, graph.tileOf({"hover"}).center(), graph.tileOf({"focused"}).center());
  ASSERT_EQ(machine().transitions.size(), before + 1);
  EXPECT_EQ(machine().transitions.back().from, StateId{"hover"});
  EXPECT_EQ(machine().transitions.back().to, StateId{"focused"});
  EXPECT_EQ(machine().transitions.back().on, Event::FocusGain);
  EXPECT_EQ(view().transition(), int(before));
  graph.setFocus();
  QTest::keyClick(&graph, Qt::Key_Delete);
  EXPECT_EQ(machine().transitions.size(), before);
  work().undo();
  EXPECT_EQ(machine().transitions.size(), before + 1);
}

TEST_F(Motion, EventAndGuardAreChosenWhereTheStrokeIsDrawn) {
  GraphView& graph = bench().graph();
  drag(&graph, graph.tileOf({"hover"}).center(), graph.tileOf({"focused"}).center());
  const size_t added = machine().transitions.size() - 1;
  auto* on = named<QComboBox>(QStringLiteral("Event, on the slip"));
  ASSERT_TRUE(on) << "it opens with the new stroke";
  QTest::keyClick(on, Qt::Key_Down);
  EXPECT_EQ(machine().transitions[added].on, Event::FocusLose);
  auto* guard = named<QLineEdit>(QStringLiteral("Guard, on the slip"));
  guard->setFocus();
  QTest::keyClicks(guard, QStringLiteral("over and"));
  QTest::keyClick(guard, Qt::Key_Return);
  EXPECT_TRUE(guard->isVisible()) << "what cannot be read stays to be mended";
  QTest::keyClicks(guard, QStringLiteral(" down"));
  QTest::keyClick(guard, Qt::Key_Return);
  EXPECT_EQ(machine().transitions[added].guard, "over and down");
  EXPECT_FALSE(guard->isVisible());
  QTest::keyClick(&graph, Qt::Key_Return);
  EXPECT_TRUE(guard->isVisible()) << "again by keys";
  QTest::keyClick(guard, Qt::Key_Escape);
  EXPECT_FALSE(guard->isVisible());
  EXPECT_TRUE(graph.hasFocus());
}

TEST_F(Motion, KeysWalkThroughStatesAndTheirTransitions) {
  GraphView& graph = bench().graph();
  graph.setFocus();
  QTest::keyClick(&graph, Qt::Key_Right);
  EXPECT_EQ(view().state().text, "normal");
  QTest::keyClick(&graph, Qt::Key_Right);
  QTest::keyClick(&graph, Qt::Key_Right);
  EXPECT_EQ(view().state().text, "pressed");
  QTest::keyClick(&graph, Qt::Key_Down);
  const int first = view().transition();
  ASSERT_GE(first, 0);
  EXPECT_EQ(machine().transitions[size_t(first)].from, StateId{"pressed"});
  QTest::keyClick(&graph, Qt::Key_Down);
  EXPECT_NE(view().transition(), first);
}

TEST_F(Motion, AStrokeIsPickedByAClickAndItsGuardChangedOnTheCard) {
  GraphView& graph = bench().graph();
  view().pickState({});
  QTest::mouseClick(&graph, Qt::LeftButton, {}, graph.middleOf({"pressed"}, {"hover"}).toPoint());
  ASSERT_GE(view().transition(), 0);
  const auto picked = size_t(view().transition());
  ASSERT_EQ(machine().transitions[picked].to, StateId{"hover"});
  auto* guard = named<QLineEdit>(QStringLiteral("Guard"));
  guard->setFocus();
  guard->selectAll();
  QTest::keyClicks(guard, QStringLiteral("over and ("));
  QTest::keyClick(guard, Qt::Key_Return);
  EXPECT_EQ(machine().transitions[picked].guard, "over") << "what cannot be read is refused";
  guard->selectAll();
  QTest::keyClicks(guard, QStringLiteral("over and enabled"));
  QTest::keyClick(guard, Qt::Key_Return);
  EXPECT_EQ(machine().transitions[picked].guard, "over and enabled");
}

TEST_F(Motion, ABrokenLawIsToldWhileEditingAndPlaysItsSequence) {
  EXPECT_TRUE(laws().allKept());
  EXPECT_EQ(laws().visited, 14U);
  size_t leave = 0;
  for (size_t i = 0; i < machine().transitions.size(); ++i)
    if (machine().transitions[i].from == StateId{"hover"} &&
        machine().transitions[i].on == Event::OverEnd && machine().transitions[i].guard.empty())
      leave = i;
  view().pickTransition(int(leave));
  bench().graph().setFocus();
  QTest::keyClick(&bench().graph(), Qt::Key_Delete);
  ASSERT_TRUE(QTest::qWaitFor([&] { return laws().of(Law::Rest).broken; }, 20000));
  auto* list = named<QListWidget>(QStringLiteral("Laws"));
  EXPECT_EQ(list->currentRow(), 0) << "told without asking";
  click(QStringLiteral("Play it on the scope"));
  EXPECT_TRUE(view().playing());
  view().setPlaying(false);
  const Sequence shown = sequenceOf(view().score());
  ASSERT_EQ(shown.size(), 2U);
  EXPECT_EQ(shown[0].deed, Deed::Over);
  EXPECT_EQ(shown[1].deed, Deed::Out);
  EXPECT_EQ(view().run().at(view().score().length), 1) << "it stays in hover";
}

TEST_F(Motion, SignalsAreDrawnOnTheScopeAndDriveTheButton) {
  ScopeView& scope = bench().scope();
  view().setScore({});
  drag(&scope, scope.placeOf(int(Lane::Focus), 400), scope.placeOf(int(Lane::Focus), 1000));
  ASSERT_EQ(view().score().stretches.size(), 1U);
  EXPECT_NEAR(double(view().score().stretches[0].from), 400, 8);
  EXPECT_EQ(machine().states[view().run().at(700)].id.text, "focused");
  // Its end is dragged on.
  drag(&scope, scope.placeOf(int(Lane::Focus), view().score().stretches[0].to),
       scope.placeOf(int(Lane::Focus), 1500));
  EXPECT_NEAR(double(view().score().stretches[0].to), 1500, 8);
  // The play head is dragged along the ruler.
  drag(&scope, scope.placeOf(-1, 200), scope.placeOf(-1, 1200));
  EXPECT_NEAR(double(view().time()), 1200, 8);
  QTest::mouseClick(&scope, Qt::LeftButton, {}, scope.placeOf(int(Lane::Focus), 800).toPoint());
  QTest::keyClick(&scope, Qt::Key_Delete);
  EXPECT_TRUE(view().score().stretches.empty());
}

TEST_F(Motion, TheScopeIsWorkedByKeysAlone) {
  ScopeView& scope = bench().scope();
  view().setScore({});
  scope.setFocus();
  for (int i = 0; i < 5; ++i) QTest::keyClick(&scope, Qt::Key_Right, Qt::ShiftModifier);
  EXPECT_EQ(view().time(), 500);
  QTest::keyClick(&scope, Qt::Key_Return);
  ASSERT_EQ(view().score().stretches.size(), 1U);
  EXPECT_EQ(view().score().stretches[0], (Stretch{Lane::Over, 500, 700, false}));
  QTest::keyClick(&scope, Qt::Key_Down);
  QTest::keyClick(&scope, Qt::Key_Return);
  EXPECT_EQ(machine().states[view().run().at(600)].id.text, "pressed");
  QTest::keyClick(&scope, Qt::Key_Space);
  EXPECT_TRUE(view().playing());
  QTest::keyClick(&scope, Qt::Key_Space);
  EXPECT_FALSE(view().playing());
}

TEST_F(Motion, TheLiveButtonShowsWhatTheMachineDoes) {
  view().setScore(scoreOf(Preset::Click));
  auto* live = named<LiveButton>(QStringLiteral("The button at the play head"));
  view().setTime(0);
  const QImage rest = live->grab().toImage();
  view().setTime(650);
  const QImage pressed = live->grab().toImage();
  EXPECT_NE(rest, pressed);
  view().setTime(1990);
  const QImage after = live->grab().toImage();
  const QRect button(0, 0, live->width(), live->height() - 30);
  EXPECT_EQ(rest.copy(button), after.copy(button)) << "back at rest";
}

TEST_F(Motion, AStatechartIsExportedAndImportedAgain) {
  const Machine before = machine();
  ASSERT_TRUE(bench().exportChart(path("door.scxml")));
  ASSERT_TRUE(work().perform(applyTemplate(machine().id, Template::Toggle, Wins::Hover)));
  ASSERT_TRUE(bench().importChart(path("door.scxml")));
  EXPECT_EQ(machine(), before);
  QFile broken(path("broken.scxml"));
  ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
  broken.write(
      "<scxml xmlns='http://www.w3.org/2005/07/scxml' version='1.0'><parallel id='p'/></scxml>");
  broken.close();
  EXPECT_FALSE(bench().importChart(broken.fileName()));
  EXPECT_EQ(machine(), before) << "nothing is half-taken";
}

TEST_F(Motion, ALawIsSwitchedOffInThePanelWithAReason) {
  EXPECT_TRUE(laws().allKept());
  ASSERT_TRUE(work().perform(addState(project().kinds[0]->id, "odd", Role::None, {})));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !laws().allKept(); }, 20000));
  const int broken = named<QListWidget>(QStringLiteral("Laws"))->currentRow();
  fill(QStringLiteral("Why this law is switched off"), QStringLiteral("left for the tour"));
  ASSERT_EQ(machine().waivers.size(), 1U);
  EXPECT_EQ(machine().waivers[0], (Waiver{broken + 1, "left for the tour"}));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !laws().laws[size_t(broken)].waived.empty(); }, 20000));
  work().undo();
  EXPECT_TRUE(machine().waivers.empty());
}

TEST_F(Motion, TheCardChangesEventsTimesOrderAndEffects) {
  size_t release = 0;
  while (machine().transitions[release].on != Event::Release) ++release;
  view().pickTransition(int(release));
  size_t at = release;
  const auto now = [&]() -> const Transition& { return machine().transitions[at]; };
  fill(QStringLiteral("Duration"), QStringLiteral("240"));
  EXPECT_EQ(now().timing->duration, 240);
  fill(QStringLiteral("Delay"), QStringLiteral("30"));
  EXPECT_EQ(now().timing->delay, 30);
  fill(QStringLiteral("Easing as text"), QStringLiteral("sideways"));
  fill(QStringLiteral("Easing as text"), QStringLiteral("linear"));
  EXPECT_EQ(now().timing->easing.type, EasingType::Linear);
  fill(QStringLiteral("Message sent"), QStringLiteral("ping"));
  ASSERT_EQ(now().effects.size(), 2U);
  EXPECT_EQ(now().effects[1].message, "ping");
  click(QStringLiteral("Activates the button"));
  ASSERT_EQ(now().effects.size(), 1U);
  const Transition first = now();
  click(QStringLiteral("Answers later"));
  EXPECT_NE(now(), first);
  EXPECT_EQ(machine().transitions[release + 1], first);
  click(QStringLiteral("Answers later"));
  EXPECT_EQ(machine().transitions[release + 2], first) << "the same one moves on";
  at = release + 2;
  choose(QStringLiteral("Event"), eventIndex(Event::After));
  EXPECT_EQ(now().on, Event::After);
  fill(QStringLiteral("Time in the state"), QStringLiteral("750"));
  EXPECT_EQ(now().after, 750);
  click(QStringLiteral("A timing of its own"));
  EXPECT_FALSE(now().timing);
  while (work().history().canUndo()) work().undo();
  EXPECT_TRUE(project().kinds.empty()) << "all of it is undone";
}

TEST_F(Motion, KindsShareAMachineAndAreGivenTheirOwn) {
  ASSERT_TRUE(work().perform(addKind("Other", Wins::Focused)));
  work().pickKind(project().kinds[1]->id);
  choose(QStringLiteral("Machine"), 0);
  EXPECT_EQ(project().kinds[1]->machine, project().kinds[0]->machine);
  choose(QStringLiteral("Activates"), 1);
  EXPECT_EQ(machine().fires, Fires::Press) << "for both";
  click(QStringLiteral("Give this kind its own"));
  EXPECT_NE(project().kinds[1]->machine, project().kinds[0]->machine);
}

TEST_F(Motion, PresetsSpeedAndTheFinderDriveTheScope) {
  for (QAction* action : window->allCommands())
    if (action->text() == QStringLiteral("Try: sweep over")) action->trigger();
  EXPECT_EQ(view().score(), scoreOf(Preset::Sweep));
  EXPECT_TRUE(view().playing());
  ASSERT_TRUE(QTest::qWaitFor([&] { return view().time() > 40; }, 5000)) << "time goes on";
  click(QStringLiteral("Play or pause"));
  EXPECT_FALSE(view().playing());
  click(QStringLiteral("Speed"));
  EXPECT_EQ(view().speed(), 0.5);
  for (QAction* action : window->allCommands())
    if (action->text() == QStringLiteral("A second more on the scope")) action->trigger();
  EXPECT_EQ(view().score().length, 3000);
}

TEST_F(Motion, ATransitionInAnEndlessLoopIsToldAndTheScopeGoesOn) {
  const auto add = [&](const char* from, const char* to) {
    Transition t;
    t.from = StateId{from};
    t.on = Event::After;
    t.to = {to};
    return work().perform(addTransition(machine().id, t));
  };
  ASSERT_TRUE(add("hover", "focused"));
  ASSERT_TRUE(add("focused", "hover"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return laws().of(Law::Settles).broken; }, 20000));
  view().setTime(1000);
  const auto& outcomes = view().run().outcomes;
  EXPECT_TRUE(std::any_of(outcomes.begin(), outcomes.end(),
                          [](const Outcome& o) { return o.type == OutcomeType::Runaway; }));
}

TEST_F(Motion, ATemplateIsShownBeforeAndAfterAndThenApplied) {
  const Machine before = machine();
  auto* templates = named<QComboBox>(QStringLiteral("Template"));
  templates->setFocus();
  for (int i = 0; i < 4; ++i) QTest::keyClick(templates, Qt::Key_Down);
  EXPECT_EQ(machine(), before) << "only shown";
  auto* after = named<GraphView>(QStringLiteral("After"));
  ASSERT_TRUE(after);
  EXPECT_FALSE(after->tileOf({"done"}).isEmpty()) << "hold to confirm has a state of its own";
  EXPECT_TRUE(named<GraphView>(QStringLiteral("Before"))->tileOf({"done"}).isEmpty());
  drag(after, after->tileOf({"hover"}).center(), after->tileOf({"focused"}).center());
  EXPECT_EQ(machine(), before) << "the picture is only looked at";
  click(QStringLiteral("Leave it as it is"));
  EXPECT_EQ(machine(), before);
  EXPECT_TRUE(bench().graph().isVisible());
  templates->setFocus();
  for (int i = 0; i < 4; ++i) QTest::keyClick(templates, Qt::Key_Down);
  key(Qt::Key_F6);
  key(Qt::Key_F6);  // past the shelf to the page
  key(Qt::Key_Return);
  ASSERT_EQ(work().history().undoName(), "apply template");
  EXPECT_TRUE(findState(machine(), {"done"}));
  EXPECT_TRUE(bench().graph().isVisible());
  EXPECT_TRUE(laws().allKept());
}

TEST_F(Motion, ABrokenLawIsMendedByTheButtonBesideIt) {
  size_t leave = 0;
  for (size_t i = 0; i < machine().transitions.size(); ++i)
    if (machine().transitions[i].from == StateId{"hover"} &&
        machine().transitions[i].on == Event::OverEnd && machine().transitions[i].guard.empty())
      leave = i;
  ASSERT_TRUE(work().perform(removeTransition(machine().id, leave)));
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return !bench().laws().checking() && !bench().laws().now()->mends.empty(); }, 60000));
  click(QStringLiteral("Mend the law"));
  EXPECT_EQ(work().history().undoName(), "mend a law");
  const LawReport& mended = laws();
  for (int i = 0; i < kLaws; ++i)
    EXPECT_FALSE(mended.laws[size_t(i)].broken) << i + 1 << ": " << mended.laws[size_t(i)].what;
  work().undo();
  ASSERT_TRUE(QTest::qWaitFor([&] { return !laws().allKept(); }, 60000));
}

}  // namespace
}  // namespace bristle::test
