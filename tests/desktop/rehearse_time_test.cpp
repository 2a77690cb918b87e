// Back in time, what happened and why, takes everywhere, the pad, a finger, the whole screen: on
// the Rehearse bench, by real events.
#include <QFile>
#include <QLabel>
#include <QListWidget>
#include <QTreeView>

#include "core/edit/value_edits.h"
#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/pad.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/rehearse/running_menu.h"
#include "desktop/rehearse/take_grid.h"
#include "desktop/rehearse/time_line.h"
#include "desktop/rehearse/trace_model.h"
#include "desktop/view/takes.h"
#include "desktop/window_fixture.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

class RehearseTime : public test::WindowTest {
 protected:
  RehearseBench& bench() {
    return static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
  }
  Rehearsal& rehearsal() { return bench().rehearsal(); }
  const Reel& reel() { return *rehearsal().reel(); }
  TimeLine& line() { return *bench().findChild<TimeLine*>(); }
  QTreeView& trace() { return *named<QTreeView>(QStringLiteral("Trace: what happened")); }
  std::vector<ItemId> ids;
  Ms begun = 0;  // a few ms
  // Down, Down, Up, half a second apart.
  void rehearse(Project menu) {
    work().replace(std::move(menu), {}, false);
    ids = test::buttons(project());
    window->openBench(QStringLiteral("rehearse"));
    rehearsal().setStill(true);
    begun = reel().now();
    for (int k : {Qt::Key_Down, Qt::Key_Down, Qt::Key_Up}) {
      rehearsal().stepBy(500);
      key(k);
    }
    rehearsal().stepBy(500);
  }
  // Where a moment is on the line, in its px.
  QPoint at(Ms moment) {
    constexpr double kHead = 72, kRight = 16;
    const double shown = double(std::max<Ms>(5'000, reel().end()));
    return QPoint(int(kHead + (line().width() - kHead - kRight) * double(moment) / shown), 40);
  }
  ItemId focused() { return rehearsal().session()->focused(); }
};

TEST_F(RehearseTime, TheLineIsDraggedBackAndOneGoesOnFromThere) {
  rehearse(test::columnMenu({"One", "Two", "Three"}));
  ASSERT_EQ(focused(), ids[1]);
  const auto whole = rehearsal().trace().size();
  drag(&line(), at(1'900), at(1'200));
  EXPECT_NEAR(double(reel().now()), 1'200, 20);
  EXPECT_EQ(focused(), ids[2]) << "after the first two presses";
  const auto& model = static_cast<TraceModel&>(*trace().model());
  EXPECT_EQ(trace().currentIndex(), model.indexBy(1'200)) << "the trace shows the same moment";
  EXPECT_EQ(rehearsal().trace().size(), whole) << "looking loses nothing";
  QTest::mouseMove(&bench().menu(), QPoint(5, 5));
  EXPECT_EQ(rehearsal().trace().size(), whole) << "a mouse that only passes changes nothing";
  key(Qt::Key_Home);
  EXPECT_EQ(reel().now(), 0);
  QTest::keyClick(&line(), Qt::Key_Right, Qt::ControlModifier);
  EXPECT_EQ(focused(), ids[1]) << "to what happened next";
  bench().menu().setFocus();
  key(Qt::Key_Up);
  EXPECT_TRUE(reel().atEnd());
  EXPECT_EQ(focused(), ids[0]);
  EXPECT_TRUE(reel().hasOther());
  click(QStringLiteral("The run that was set aside"));
  EXPECT_EQ(rehearsal().trace().size(), whole);
}

TEST_F(RehearseTime, ALineOfTheTraceShowsItsMomentAndLeadsToWhereItIsMade) {
  rehearse(test::columnMenu({"One", "Two", "Three"}));
  QTreeView& tree = trace();
  const auto& model = static_cast<TraceModel&>(*tree.model());
  size_t moved = 0, state = 0;
  for (size_t i = 0; i < rehearsal().trace().size(); ++i) {
    const TraceEntry& entry = rehearsal().trace()[i];
    if (entry.type == TraceType::Focus && entry.item == ids[2]) moved = i;
    if (entry.type == TraceType::State && entry.item == ids[2] && !state) state = i;
  }
  const QModelIndex line = model.indexOf(moved);
  ASSERT_TRUE(line.isValid());
  EXPECT_TRUE(line.parent().data().toString().contains(QStringLiteral("down, keyboard")));
  tree.setFocus();
  tree.setCurrentIndex(line);
  EXPECT_EQ(reel().now(), begun + 1'000);
  EXPECT_EQ(focused(), ids[2]);
  QTest::keyClick(&tree, Qt::Key_Return);
  EXPECT_TRUE(window->bench(QStringLiteral("route"))->isVisible());
  EXPECT_EQ(work().picked().items, std::vector{ids[1]});
  EXPECT_EQ(work().picked().dir, Dir::Down);
  // Of a state: its machine.
  rehearse(project());
  trace().setFocus();
  trace().setCurrentIndex(model.indexOf(state));
  click(QStringLiteral("To its machine"));
  EXPECT_TRUE(window->bench(QStringLiteral("motion"))->isVisible());
}

TEST_F(RehearseTime, ATakeExpectsTheLinesThatArePointedAtAndIsCut) {
  rehearse(test::columnMenu({"One", "Two", "Three"}));
  ASSERT_TRUE(window->files().saveAs(path("menu.bristle")));
  auto& model = static_cast<TraceModel&>(*trace().model());
  for (size_t i = 0; i < rehearsal().trace().size(); ++i)
    if (rehearsal().trace()[i].type == TraceType::Focus && rehearsal().trace()[i].item == ids[2]) {
      trace().setFocus();
      trace().setCurrentIndex(model.indexOf(i));
      QTest::keyClick(&trace(), Qt::Key_Space);
    }
  rehearsal().seek(1'200);
  QTest::keyClick(&line(), Qt::Key_BracketRight);
  click(QStringLiteral("Takes"));
  fill(QStringLiteral("Name"), QStringLiteral("to the third"));
  fill(QStringLiteral("What the take is for"), QStringLiteral("Down twice"));
  click(QStringLiteral("Keep this rehearsal as a take"));
  const auto take = readTake(fromQt(path("takes/to-the-third.take.jsonl")));
  ASSERT_TRUE(take) << take.error().text();
  EXPECT_EQ(take->about, "Down twice");
  int expected = 0, events = 0;
  for (const TakeStep& step : take->steps) (step.what.index() ? expected : events) += 1;
  EXPECT_EQ(expected, 1);
  EXPECT_EQ(events, 4) << "two presses and their ends; what came later is cut";
}

// A take that fails on one display opens there, at what failed; accepted it passes.
TEST_F(RehearseTime, AllTakesRunEverywhereAndWhatFailedOpensAtItsLine) {
  rehearse(test::columnMenu({"One", "Two", "Three"}));
  ASSERT_TRUE(window->files().saveAs(path("menu.bristle")));
  click(QStringLiteral("Takes"));
  click(QStringLiteral("Keep this rehearsal as a take"));
  Take take = *readTake(fromQt(path("takes/take.take.jsonl")));
  for (TakeStep& step : take.steps)
    if (auto* expected = std::get_if<Expectation>(&step.what);
        expected && expected->at == begun + 1'000 && expected->line.starts_with("focus"))
      expected->line = "focus nobody";
  take.name = "wrong";
  ASSERT_TRUE(saveTake(folder.path(), take));
  window->openBench(QStringLiteral("place"));
  window->openBench(QStringLiteral("rehearse"));
  auto* list = named<QListWidget>(QStringLiteral("Takes"));
  ASSERT_EQ(list->count(), 2);
  click(QStringLiteral("Run all takes everywhere"));
  const QString all = QString::number(project().displays.size() * project().languages.size());
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return list->item(0)->text().contains(QStringLiteral("of ") + all); }, 20'000));
  EXPECT_TRUE(list->item(0)->text().contains(all + QStringLiteral(" of ") + all));
  EXPECT_TRUE(list->item(1)->text().contains(QStringLiteral("0 of ") + all));
  list->setCurrentRow(1);
  auto* grid = bench().card()->findChild<TakeGrid*>();
  grid->setFocus();
  QTest::keyClick(grid, Qt::Key_Return);
  EXPECT_EQ(reel().now(), begun + 1'000) << "where the first line differs";
  EXPECT_TRUE(rehearsal().still());
  ASSERT_FALSE(rehearsal().failures().empty());
  EXPECT_EQ(rehearsal().failures()[0].expected, "focus nobody");
  click(QStringLiteral("Accept what happened as what is expected"));
  const auto accepted = readTake(fromQt(path("takes/wrong.take.jsonl")));
  ASSERT_TRUE(accepted);
  const auto played = play(project(), *accepted, FontMeasure());
  ASSERT_TRUE(played);
  EXPECT_TRUE(played->failures.empty());
}

TEST_F(RehearseTime, TheRestlessVisitorTellsWhereOneIsStuck) {
  rehearse(test::columnMenu({"One", "Two"}));
  click(QStringLiteral("Takes"));
  fill(QStringLiteral("Events"), QStringLiteral("2000"));
  click(QStringLiteral("Let a restless visitor press everything"));
  auto* list = named<QListWidget>(QStringLiteral("Takes"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return list->count() == 1; }, 20'000));
  EXPECT_TRUE(list->item(0)->text().contains(QStringLiteral("stuck")));
  click(QStringLiteral("Replay the take"));
  EXPECT_TRUE(rehearsal().running());
}

TEST_F(RehearseTime, ItIsSetUpBesideTheProjectWhichStaysAsItIs) {
  History h{test::columnMenu({"One", "Two"})};
  test::must(h, addValue("lamp", ValueSort::Flag));
  rehearse(h.now());
  click(QStringLiteral("Set-up"));
  click(QStringLiteral("lamp"));
  EXPECT_EQ(rehearsal().session()->value(project().values[0].id), 1);
  click(QStringLiteral("Right to left"));
  EXPECT_TRUE(rehearsal().session()->stack().back().layout.rightToLeft);
  click(QStringLiteral("Dark set"));
  EXPECT_TRUE(rehearsal().session()->project().settings.darkSet);
  EXPECT_EQ(project().values[0].start, 0);
  EXPECT_FALSE(project().settings.darkSet);
  EXPECT_FALSE(project().languages[0].rightToLeft);
  click(QStringLiteral("As in the project"));
  EXPECT_EQ(rehearsal().session()->value(project().values[0].id), 0);
  choose(QStringLiteral("Display"), 1);
  EXPECT_EQ(rehearsal().session()->display().id, project().displays[1].id);
}

TEST_F(RehearseTime, ThePadsStickIsDraggedAndItsButtonsPressed) {
  rehearse(test::columnMenu({"One", "Two", "Three"}));
  auto& pad = *bench().findChild<Pad*>();
  const QPoint stick = pad.middleOf("stick").toPoint();
  QTest::mousePress(&pad, Qt::LeftButton, {}, stick);
  QTest::mouseMove(&pad, stick + QPoint(0, 14));
  EXPECT_EQ(focused(), ids[2]);
  EXPECT_EQ(rehearsal().session()->modality(), Device::Controller);
  QTest::mouseMove(&pad, stick);
  QTest::mouseRelease(&pad, Qt::LeftButton, {}, stick);
  QTest::mouseClick(&pad, Qt::LeftButton, {}, pad.middleOf("up").toPoint());
  EXPECT_EQ(focused(), ids[1]);
  QTest::mousePress(&pad, Qt::LeftButton, {}, pad.middleOf("lower button").toPoint());
  EXPECT_EQ(rehearsal().trace().back().toState.text, "pressed");
  QTest::mouseRelease(&pad, Qt::LeftButton, {}, pad.middleOf("lower button").toPoint());
  pad.setFocus();
  QTest::keyClick(&pad, Qt::Key_Down);
  EXPECT_EQ(focused(), ids[2]) << "by keys, too";
}

TEST_F(RehearseTime, WithCtrlTheMouseIsAFinger) {
  rehearse(test::columnMenu({"One", "Two"}));
  RunningMenu& menu = bench().menu();
  const ScreenRun& top = rehearsal().session()->stack().back();
  const Box& box = top.routes.input.boxes[1];
  const QPoint on = menu.toWidget(QPointF(box.x + box.w / 2, box.y + box.h / 2)).toPoint();
  QTest::mousePress(&menu, Qt::LeftButton, Qt::ControlModifier, on);
  EXPECT_EQ(rehearsal().session()->modality(), Device::Touch);
  QTest::mouseRelease(&menu, Qt::LeftButton, Qt::ControlModifier, on);
  bool activated = false;
  for (const TraceEntry& e : rehearsal().trace())
    activated |= e.type == TraceType::Activate && e.item == ids[1];
  EXPECT_TRUE(activated);
}

// What a prompt stands for is chosen where it is placed, how controllers are drawn where keys are
// bound.
TEST_F(RehearseTime, AnIconIsMadeAPromptOnPlace) {
  Project menu = test::columnMenu({"One", "Two"});
  edit(menu, menu.kinds[0]->id)->parts.push_back({PartId{"icon"}, "icon", PartType::Icon, {}});
  work().replace(std::move(menu), {}, false);
  ids = test::buttons(project());
  window->openBench(QStringLiteral("place"));
  work().pickItems({ids[0]});
  choose(QStringLiteral("Icon shows"), 2);
  const auto prompt = [&] { return findItem(*project().screens[0], ids[0])->button()->prompt; };
  ASSERT_TRUE(prompt());
  EXPECT_EQ(prompt()->does, Does::Cancel);
  work().undo();
  EXPECT_FALSE(prompt() && prompt()->does == Does::Cancel);
  window->openBench(QStringLiteral("route"));
  click(QStringLiteral("Keys and controller buttons"));
  choose(QStringLiteral("Controller signs"), 2);
  EXPECT_EQ(project().settings.padSigns, PadSigns::Numbers);
}

TEST_F(RehearseTime, F11ShowsTheMenuAloneAndComesBack) {
  rehearse(test::columnMenu({"One", "Two"}));
  bench().menu().setFocus();
  key(Qt::Key_F11);
  EXPECT_TRUE(bench().menu().isWindow());
  QTest::keyClick(&bench().menu(), Qt::Key_Down);
  EXPECT_EQ(focused(), ids[1]);
  QTest::keyClick(&bench().menu(), Qt::Key_F11);
  EXPECT_FALSE(bench().menu().isWindow());
  key(Qt::Key_F11);
  bench().menu().close();
  EXPECT_TRUE(QTest::qWaitFor([&] { return !bench().menu().isWindow(); }))
      << "closed, it comes back";
  EXPECT_TRUE(bench().menu().isVisible());
  key(Qt::Key_F11);
  QTest::keyClick(&bench().menu(), Qt::Key_F5);
  EXPECT_FALSE(bench().menu().isWindow());
  EXPECT_FALSE(bench().isVisible()) << "back to where one was";
}

// What was set up for one project says nothing of another.
TEST_F(RehearseTime, TheSetUpGoesWithTheProject) {
  rehearse(test::columnMenu({"One", "Two"}));
  bench().rehearsal().setUp(bristle::SetUp{.dark = true, .rightToLeft = {}, .starts = {}});
  work().replace(test::columnMenu({"Other"}), {}, false);
  EXPECT_EQ(bench().rehearsal().setUp(), bristle::SetUp{});
}

}  // namespace
}  // namespace bristle
