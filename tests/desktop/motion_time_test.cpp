// Timing, motion while a state lasts, sound and the takes of the scope, by mouse and keyboard.
#include <QAction>
#include <QLabel>
#include <QListWidget>
#include <QMenu>
#include <QToolButton>

#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/timing_edits.h"
#include "core/formats/file_io.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "devices/tone.h"
#include "motion_fixture.h"
#include "paint/convert.h"
#include "runtime/formats/project_file.h"

namespace bristle::test {
namespace {

class MotionTime : public Motion {
 protected:
  void SetUp() override {
    Motion::SetUp();
    work().setFolder(folder.path());
  }
  size_t transition(const char* from, const char* to) {
    for (size_t i = 0; i < machine().transitions.size(); ++i)
      if (machine().transitions[i].from == StateId{from} &&
          machine().transitions[i].to == StateId{to} && machine().transitions[i].guard.empty())
        return i;
    ADD_FAILURE() << from << " " << to;
    return 0;
  }
  const Kind& kind() { return *project().kinds[0]; }
  CurveEditor* curve() { return named<CurveEditor>(QStringLiteral("Curve of the easing")); }
};

TEST_F(MotionTime, ACurveIsPulledByItsHandlesAndByKeys) {
  const size_t in = transition("normal", "hover");
  view().pickTransition(int(in));
  QCoreApplication::processEvents();  // the card makes room
  const auto easing = [&] { return machine().transitions[in].timing->easing; };
  drag(curve(), curve()->handles()[0], curve()->placeOf(0.8, -0.2));
  EXPECT_NEAR(easing().x1, 0.8, 0.02);
  EXPECT_NEAR(easing().y1, -0.2, 0.03);
  const std::string undo = work().history().undoName();
  work().undo();
  EXPECT_EQ(easing().x1, 0.2) << "one pull is one step: " << undo;
  curve()->setFocus();
  QTest::keyClick(curve(), Qt::Key_Space);
  QTest::keyClick(curve(), Qt::Key_Left, Qt::ShiftModifier);
  EXPECT_NEAR(easing().x2, 0.1, 1e-9);
  // A spring has a knob on its first swing: the higher it stands, the less it is damped.
  choose(QStringLiteral("Easing"), 3);
  ASSERT_EQ(easing().type, EasingType::Spring);
  const double damping = easing().damping;
  drag(curve(), curve()->handles()[0], curve()->handles()[0] - QPointF(0, 16));
  EXPECT_LT(easing().damping, damping);
  QTest::keyClick(curve(), Qt::Key_Right);
  EXPECT_GT(easing().period, 20);
  choose(QStringLiteral("Easing"), 2);
  ASSERT_EQ(easing().type, EasingType::Steps);
  QTest::keyClick(curve(), Qt::Key_Up);
  EXPECT_EQ(easing().count, 5);
  fill(QStringLiteral("Easing as text"), QStringLiteral("spring 300"));
  EXPECT_EQ(easing().type, EasingType::Steps) << "what cannot be read is refused";
  fill(QStringLiteral("Easing as text"), QStringLiteral("spring 300 0.4"));
  EXPECT_EQ(easing().period, 300);
}

TEST_F(MotionTime, TheButtonBesideTheCurveMoves) {
  view().pickTransition(int(transition("normal", "hover")));
  fill(QStringLiteral("Duration"), QStringLiteral("400"));
  auto* button = named<TryButton>(QStringLiteral("The button, trying this timing"));
  const QImage first = button->grab().toImage();
  EXPECT_TRUE(QTest::qWaitFor([&] { return button->grab().toImage() != first; }, 10'000));
  // Another transition is tried, though it runs by the same timing.
  view().pickTransition(int(transition("normal", "focused")));
  EXPECT_EQ(button->to().text, "focused");
  view().pickTransition(int(transition("focused", "hover")));
  EXPECT_EQ(timingAt(machine(), {transition("focused", "hover"), {}}),
            timingAt(machine(), {transition("normal", "focused"), {}}));
  EXPECT_EQ(button->to().text, "hover");
}

TEST_F(MotionTime, OnePropertyGetsATimingOfItsOwnAndTheWayBackGoesAlike) {
  const size_t in = transition("normal", "hover"), out = transition("hover", "normal");
  view().pickTransition(int(in));
  click(QStringLiteral("The way back runs alike"));
  fill(QStringLiteral("Duration"), QStringLiteral("330"));
  EXPECT_EQ(timingAt(machine(), {in, {}}).duration, 330);
  EXPECT_EQ(timingAt(machine(), {out, {}}).duration, 330) << "in and out together";
  click(QStringLiteral("The way back runs alike"));
  fill(QStringLiteral("Duration"), QStringLiteral("90"));
  EXPECT_EQ(timingAt(machine(), {out, {}}).duration, 330) << "and apart";
  auto* what = named<QComboBox>(QStringLiteral("Property"));
  ASSERT_GT(what->count(), 1) << "what differs between the states";
  choose(QStringLiteral("Property"), 1);
  fill(QStringLiteral("Duration"), QStringLiteral("700"));
  ASSERT_EQ(machine().transitions[in].propTimings.size(), 1U);
  EXPECT_EQ(machine().transitions[in].propTimings[0].timing.duration, 700);
  EXPECT_EQ(machine().transitions[in].timing->duration, 90) << "the rest is as it was";
  click(QStringLiteral("A timing of its own"));
  EXPECT_TRUE(machine().transitions[in].propTimings.empty());
}

TEST_F(MotionTime, WithNoTransitionPickedTheDefaultIsSet) {
  view().pickState({});
  fill(QStringLiteral("Duration"), QStringLiteral("275"));
  EXPECT_EQ(machine().timing.duration, 275);
  fill(QStringLiteral("Duration"), QStringLiteral("-4"));
  EXPECT_EQ(machine().timing.duration, 275) << "a negative time is refused";
  fill(QStringLiteral("Duration"), QStringLiteral("999999999999"));
  EXPECT_EQ(machine().timing.duration, 275) << "and an enormous one";
}

TEST_F(MotionTime, AStatesOwnMotionIsMadeOnTheTimeLine) {
  view().pickState({"hover"});
  click(QStringLiteral("Time line: motion while a state lasts"));
  ASSERT_TRUE(view().inState());
  auto* begin = named<QComboBox>(QStringLiteral("Begin with"));
  begin->setFocus();
  QTest::keyClick(begin, Qt::Key_Down);
  ASSERT_TRUE(kind().motions.contains({"hover"}));
  const auto motion = [&]() -> const StateMotion& { return kind().motions.at({"hover"}); };
  EXPECT_EQ(motion().count, 0);
  TimelineView& line = bench().timeline();
  const double most = motion().tracks[0].frames[1].add;
  drag(&line, line.placeOf(0, 0.5, most), line.placeOf(0, 0.25, most / 2));
  EXPECT_NEAR(motion().tracks[0].frames[1].at, 0.25, 0.02);
  EXPECT_LT(motion().tracks[0].frames[1].add, most);
  QTest::mouseDClick(&line, Qt::LeftButton, {}, line.placeOf(0, 0.75, 0).toPoint());
  ASSERT_EQ(motion().tracks[0].frames.size(), 4U);
  EXPECT_NEAR(motion().tracks[0].frames[2].at, 0.75, 0.02);
  fill(QStringLiteral("Added value"), QStringLiteral("0.08"));
  EXPECT_EQ(motion().tracks[0].frames[2].add, 0.08);
  fill(QStringLiteral("Period"), QStringLiteral("640"));
  fill(QStringLiteral("Repetitions"), QStringLiteral("2"));
  EXPECT_EQ(motion().period, 640);
  EXPECT_EQ(motion().count, 2);
  fill(QStringLiteral("Period"), QStringLiteral("0"));
  EXPECT_EQ(motion().period, 640);
  line.setFocus();
  QTest::keyClick(&line, Qt::Key_Left);
  QTest::keyClick(&line, Qt::Key_Right, Qt::ControlModifier);
  QTest::keyClick(&line, Qt::Key_Up, Qt::ControlModifier);
  EXPECT_NEAR(motion().tracks[0].frames[1].at, 0.26, 0.02);
  view().setTime(320);
  QTest::keyClick(&line, Qt::Key_Insert);
  EXPECT_EQ(motion().tracks[0].frames.size(), 5U);
  EXPECT_EQ(machine().transitions.size(), 23U) << "Insert is the time line's here";
  for (int i = 0; i < 5; ++i) QTest::keyClick(&line, Qt::Key_Delete);
  EXPECT_FALSE(kind().motions.contains({"hover"})) << "the last one takes the motion along";
  while (work().history().canUndo()) work().undo();
  EXPECT_TRUE(project().kinds.empty()) << "all of it is undone";
}

TEST_F(MotionTime, TheLiveButtonShowsTheStatesMotionAndStandsStillWhenReduced) {
  ASSERT_TRUE(work().perform(setMotion(kind().id, {"hover"}, flourish(Flourish::Nudge, {}), "x")));
  view().pickState({"hover"});
  view().setInState(true);
  auto* live = named<LiveButton>(QStringLiteral("The button at the play head"));
  const QRect button(0, 0, live->width(), live->height() - 30);
  const auto at = [&](Ms time) {
    view().setTime(time);
    return live->grab().toImage().copy(button);
  };
  EXPECT_NE(at(0), at(360));
  EXPECT_EQ(at(0), at(900));
  click(QStringLiteral("Reduced motion"));
  EXPECT_EQ(at(0), at(360));
}

TEST_F(MotionTime, ASoundIsChosenRefusedAndTraced) {
  writeTone(fromQt(path("tick.wav")), 60, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
  writeTone(fromQt(path("long.wav")), 600'000, 1, SF_FORMAT_WAV | SF_FORMAT_PCM_U8, 8000);
  size_t press = transition("hover", "pressed");
  view().pickTransition(int(press));
  const auto effects = [&]() -> const std::vector<Effect>& {
    return machine().transitions[press].effects;
  };
  QString said;
  QObject::connect(&work(), &Work::told, window.get(), [&](const QString& what) { said = what; });
  fill(QStringLiteral("Sound"), QStringLiteral("nowhere.wav"));
  EXPECT_TRUE(said.contains(QStringLiteral("missing"))) << fromQt(said);
  fill(QStringLiteral("Sound"), QStringLiteral("long.wav"));
  EXPECT_TRUE(said.contains(QStringLiteral("600 s"))) << fromQt(said);
  EXPECT_TRUE(effects().empty());
  fill(QStringLiteral("Sound"), QStringLiteral("tick.wav"));
  ASSERT_EQ(effects().size(), 1U);
  fill(QStringLiteral("Volume"), QStringLiteral("30"));
  EXPECT_EQ(effects()[0].volume, 0.3);
  click(QStringLiteral("Hear the sound"));
  view().setScore(scoreOf(Preset::Click));
  const auto& outcomes = view().run().outcomes;
  EXPECT_TRUE(std::any_of(outcomes.begin(), outcomes.end(),
                          [](const Outcome& o) { return o.type == OutcomeType::Sound; }));
  std::string heard;
  QObject::connect(&view(), &MotionView::heard, window.get(),
                   [&](const std::string& file, double) { heard = file; });
  view().setTime(450);
  view().setPlaying(true);
  EXPECT_TRUE(QTest::qWaitFor([&] { return heard == "tick.wav"; }, 10'000));
  view().setPlaying(false);
  fill(QStringLiteral("Sound"), QString());
  EXPECT_TRUE(effects().empty());
}

TEST_F(MotionTime, WhatIsOnTheScopeIsKeptAndBroughtBack) {
  const Score drawn = scoreOf(Preset::DragOff);
  view().setScore(drawn);
  for (QAction* action : window->allCommands())
    if (action->text() == QStringLiteral("Keep the scope as a take")) action->trigger();
  const QString file = path("takes/hatch.scope.jsonl");
  ASSERT_TRUE(QFile::exists(file)) << "kept under the kind's name";
  view().setScore({});
  ASSERT_TRUE(bench().tools().bring(file));
  EXPECT_EQ(sequenceOf(view().score()), sequenceOf(drawn));
  // Once the machine does something else, that is told.
  QString said;
  QObject::connect(&work(), &Work::told, window.get(), [&](const QString& what) { said = what; });
  ASSERT_TRUE(work().perform(removeTransition(machine().id, transition("hover", "pressed"))));
  EXPECT_TRUE(bench().tools().bring(file));
  EXPECT_TRUE(said.contains(QStringLiteral("expected"))) << fromQt(said);
  QFile broken(path("takes/broken.scope.jsonl"));
  ASSERT_TRUE(broken.open(QIODevice::WriteOnly));
  broken.write("{\"take\":1,\"kind\":\"k99\"}\n");
  broken.close();
  EXPECT_FALSE(bench().tools().bring(broken.fileName()));
}

TEST_F(MotionTime, AButtonsPartInARehearsalIsBroughtToTheScope) {
  const std::string demo = sourcePath("data/demo/saltglass-deep.bristle");
  work().replace(parseProject(*readFile(demo))->project, toQt(sourcePath("data/demo")), false);
  work().pickKind({"k-slab"});
  ASSERT_TRUE(bench().tools().bring(toQt(sourcePath("data/demo/tour.take.jsonl"))));
  EXPECT_FALSE(view().score().stretches.empty());
  const auto& outcomes = view().run().outcomes;
  EXPECT_TRUE(std::any_of(outcomes.begin(), outcomes.end(),
                          [](const Outcome& o) { return o.type == OutcomeType::Activate; }));
  EXPECT_FALSE(bench().tools().bring(path("nowhere.take.jsonl")));
}

TEST_F(MotionTime, MessagesHaveARowWhereTheyAreSetMovedAndTakenAway) {
  Transition told;
  told.from = StateId{"normal"};
  told.on = Event::Message;
  told.message = "wake";
  told.to = {"hover"};
  ASSERT_TRUE(work().perform(addTransition(machine().id, told)));
  view().setScore({});
  ScopeView& scope = bench().scope();
  constexpr int kRow = 5;  // after the five signals
  QTest::mouseClick(&scope, Qt::LeftButton, {}, scope.placeOf(kRow, 600).toPoint());
  ASSERT_EQ(view().score().marks.size(), 1U);
  EXPECT_EQ(view().score().marks[0].step.deed, Deed::Message);
  EXPECT_EQ(machine().states[view().run().at(700)].id.text, "hover");
  drag(&scope, scope.placeOf(kRow, view().score().marks[0].step.at), scope.placeOf(kRow, 1200));
  EXPECT_NEAR(double(view().score().marks[0].step.at), 1200, 8);
  QTest::keyClick(&scope, Qt::Key_Delete);
  EXPECT_TRUE(view().score().marks.empty());
  view().setTime(300);
  QTest::keyClick(&scope, Qt::Key_Return);
  EXPECT_EQ(view().score().marks.size(), 1U) << "by keys, at the play head";
}

TEST_F(MotionTime, ValuesAndBeingCurrentHaveRowsWhereTheMachineMindsThem) {
  Project next = project();
  next.values.push_back({{"v1"}, "dives", 0, {}});
  Machine& m = *edit(next, next.machines[0]->id);
  Transition go;
  go.from = StateId{"normal"};
  go.on = Event::After;
  go.after = 100;
  go.guard = "@v1 >= 3 and current";
  go.to = {"hover"};
  m.transitions.push_back(go);
  work().replace(next, folder.path(), false);
  work().pickKind(project().kinds[0]->id);
  view().setScore({});
  ScopeView& scope = bench().scope();
  constexpr int kCurrent = 5, kDives = 6;
  drag(&scope, scope.placeOf(kCurrent, 0), scope.placeOf(kCurrent, 900));
  ASSERT_EQ(view().score().stretches.size(), 1U);
  EXPECT_EQ(view().score().stretches[0].lane, Lane::Current);
  QTest::mouseClick(&scope, Qt::LeftButton, {}, scope.placeOf(kDives, 40).toPoint());
  EXPECT_EQ(machine().states[view().run().at(500)].id.text, "normal");
  QTest::keyClicks(&scope, QStringLiteral("2"));
  QTest::keyClicks(&scope, QStringLiteral("+"));
  ASSERT_EQ(view().score().marks.size(), 1U);
  EXPECT_EQ(view().score().marks[0].step.value, 3);
  EXPECT_EQ(machine().states[view().run().at(500)].id.text, "hover");
}

TEST_F(MotionTime, CurvesAreChosenFromTheirMenu) {
  ASSERT_TRUE(work().perform(setLook(kind().id, {StateId{"hover"}}, {{}, Prop::OffsetY}, -3.0)));
  auto* tool = named<QToolButton>(QStringLiteral("Curves on the scope"));
  Q_EMIT tool->menu()->aboutToShow();
  const auto actions = tool->menu()->actions();
  ASSERT_GT(actions.size(), 2);
  actions.back()->trigger();
  ASSERT_TRUE(view().curves());
  EXPECT_EQ(view().curves()->size(), 1U);
  Q_EMIT tool->menu()->aboutToShow();
  tool->menu()->actions().front()->trigger();
  EXPECT_FALSE(view().curves()) << "back to those that move";
}

}  // namespace
}  // namespace bristle::test
