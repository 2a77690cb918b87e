// The clock of a rehearsal, takes that fail, the player and the pictures of the benches.
#include <QDir>
#include <QImage>
#include <QLabel>
#include <QSignalSpy>

#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/rehearse/running_menu.h"
#include "desktop/view/takes.h"
#include "desktop/window_fixture.h"
#include "desktop/work/theme.h"
#include "drive/player.h"
#include "drive/shots.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

class RehearsalTest : public test::WindowTest {
 protected:
  RehearseBench& bench() {
    return static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
  }
  Rehearsal& rehearsal() { return bench().rehearsal(); }
  void openDemo() {
    ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  }
};

TEST_F(RehearsalTest, StandsStillAndStepsByHand) {
  work().replace(test::columnMenu({"One", "Two"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  click(QStringLiteral("Stand still or go on"));
  const Ms before = rehearsal().session()->now();
  QTest::qWait(40);
  EXPECT_EQ(rehearsal().session()->now(), before);
  click(QStringLiteral("Step by 16 ms"));
  EXPECT_EQ(rehearsal().session()->now(), before + 16);
}

TEST_F(RehearsalTest, SoundsOfTheMenuAreHeardOnce) {
  openDemo();
  window->openBench(QStringLiteral("rehearse"));
  const auto traced = [&] {
    int count = 0;
    for (const TraceEntry& entry : rehearsal().trace()) count += entry.type == TraceType::Sound;
    return count;
  };
  // The button that has focus when the menu opens says so.
  EXPECT_EQ(traced(), 1);
  EXPECT_TRUE(QTest::qWaitFor([&] { return work().sounds().playing() > 0; }, 10'000));
  EXPECT_TRUE(QTest::qWaitFor([&] { return work().sounds().playing() == 0; }, 10'000))
      << "it ends, and does not come again with each tick";
  key(Qt::Key_Return);
  EXPECT_GT(traced(), 1);
}

TEST_F(RehearsalTest, ASoundThatIsMissingIsToldOnceAndTheMenuGoesOn) {
  openDemo();
  QStringList said;
  QObject::connect(&work(), &Work::told, window.get(), [&](const QString& what) { said << what; });
  work().sounds().setFolder(folder.path());
  work().sounds().play("sounds/press.wav", 1);
  work().sounds().play("sounds/press.wav", 1);
  ASSERT_EQ(said.size(), 1);
  EXPECT_TRUE(said[0].contains(QStringLiteral("missing"))) << fromQt(said[0]);
  EXPECT_EQ(work().sounds().playing(), 0);
}

TEST_F(RehearsalTest, ReducedMotionIsSwitchedOnWhileItRuns) {
  openDemo();
  window->openBench(QStringLiteral("rehearse"));
  ASSERT_TRUE(rehearsal().session()->moving()) << "the arrow beside what has focus";
  click(QStringLiteral("Set-up"));
  click(QStringLiteral("Reduced motion"));
  EXPECT_FALSE(rehearsal().session()->moving());
  click(QStringLiteral("Restart the rehearsal"));
  EXPECT_FALSE(rehearsal().session()->moving()) << "it stays so";
  click(QStringLiteral("Set-up"));
  click(QStringLiteral("Reduced motion"));
  EXPECT_TRUE(rehearsal().session()->moving());
}

// One key there from the screen that is worked on, and the same back to where one was.
TEST_F(RehearsalTest, BeginsOnTheScreenInHandAndComesBack) {
  History h{test::columnMenu({"One", "Two"})};
  test::must(h, addScreen("Second"));
  test::must(h, addButton(h.now().screens[1]->id, h.now().kinds[0]->id, "Site", 40, 40));
  test::must(h, setAction(h.now().screens[1]->id, test::buttons(h.now(), 1)[0],
                          {ActionType::Link, {}, "https://example.org/"}));
  work().replace(h.now(), {}, false);
  window->openBench(QStringLiteral("route"));
  work().pickScreen(project().screens[1]->id);
  key(Qt::Key_F5);
  const auto top = [&] { return rehearsal().session()->stack().back().screen->id; };
  EXPECT_EQ(top(), project().screens[1]->id);
  QStringList said;
  QObject::connect(&work(), &Work::told, window.get(), [&](const QString& what) { said << what; });
  key(Qt::Key_Return);
  EXPECT_TRUE(QTest::qWaitFor([&] { return !said.isEmpty(); })) << "a link is told";
  EXPECT_TRUE(said.back().contains(QStringLiteral("https://example.org/")));
  click(QStringLiteral("Set-up"));
  click(QStringLiteral("Begins on the screen in hand"));
  EXPECT_EQ(top(), project().screens[0]->id);
  key(Qt::Key_F5);
  EXPECT_TRUE(window->bench(QStringLiteral("route"))->isVisible());
}

TEST_F(RehearsalTest, AChangeElsewhereBeginsItAnew) {
  work().replace(test::columnMenu({"One", "Two"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  key(Qt::Key_Down);
  const auto ids = test::buttons(project());
  ASSERT_EQ(rehearsal().session()->focused(), ids[1]);
  ASSERT_TRUE(work().perform(setEntry(project().screens[0]->id, ids[1])));
  EXPECT_EQ(rehearsal().trace().size(), 3U) << "opened again";
  work().undo();
  EXPECT_EQ(rehearsal().session()->focused(), ids[0]);
}

TEST_F(RehearsalTest, NothingIsPaintedWhileNothingMoves) {
  work().replace(test::columnMenu({"One", "Two"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !rehearsal().session()->moving(); }));
  QTest::qWait(40);
  QSignalSpy advanced(&rehearsal(), &Rehearsal::advanced);
  const Ms before = rehearsal().session()->now();
  ASSERT_TRUE(QTest::qWaitFor([&] { return rehearsal().session()->now() > before + 60; }));
  EXPECT_EQ(advanced.count(), 0);
  key(Qt::Key_Down);
  ASSERT_TRUE(QTest::qWaitFor([&] { return !rehearsal().session()->moving(); }));
  EXPECT_GT(advanced.count(), 2) << "the motion was shown";
}

// What a look has come to between two frames, the first of which painted everything, is seen.
TEST_F(RehearsalTest, AMotionThatEndsBeforeTheNextFrameIsPaintedToItsEnd) {
  struct Painted : QObject {
    QRegion all;
    bool eventFilter(QObject*, QEvent* event) override {
      if (event->type() == QEvent::Paint) all += static_cast<QPaintEvent*>(event)->region();
      return false;
    }
  };
  work().replace(test::columnMenu({"One", "Two"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  auto* menu = bench().findChild<RunningMenu*>();
  rehearsal().setStill(true);
  rehearsal().stepBy(5000);
  QCoreApplication::processEvents();
  const ScreenRun& top = rehearsal().session()->stack().back();
  const auto left = size_t(top.focus);
  QTest::keyPress(menu, Qt::Key_Tab);  // held, it does not repeat
  ASSERT_TRUE(top.buttons[left].player.moving(rehearsal().session()->now()));
  menu->repaint();  // a frame: all of it, since focus moved
  Painted painted;
  menu->installEventFilter(&painted);
  rehearsal().stepBy(5000);
  QCoreApplication::processEvents();
  ASSERT_FALSE(top.buttons[left].player.moving(rehearsal().session()->now()));
  const Box& box = top.layout.items[size_t(top.routes.items[left])].box;
  EXPECT_TRUE(painted.all.contains(
      menu->toWidget(QPointF(box.x + box.w / 2, box.y + box.h / 2)).toPoint()));
}

TEST_F(RehearsalTest, AFailingTakeSaysWhereInTheWindow) {
  openDemo();
  window->openBench(QStringLiteral("rehearse"));
  auto take = parseTake("{\"take\":1}\n{\"at\":10,\"expect\":\"focus – → nobody (entry)\"}\n");
  QSignalSpy ended(&rehearsal(), &Rehearsal::replayEnded);
  ASSERT_TRUE(rehearsal().replay(*take));
  EXPECT_EQ(ended.count(), 1) << "it stands where it failed";
  EXPECT_TRUE(rehearsal().still());
  ASSERT_EQ(rehearsal().failures().size(), 1U);
  bool told = false;
  for (QLabel* label : window->findChildren<QLabel*>())
    told |= label->text().contains(QStringLiteral("Line 2")) &&
            label->text().contains(QStringLiteral("nobody"));
  EXPECT_TRUE(told);
}

TEST_F(RehearsalTest, ThePlayerGivesTheCommandLinesTraceAndAPicture) {
  openDemo();
  const std::string tour = test::sourcePath("data/demo/tour.take.jsonl");
  EXPECT_EQ(playInWindow(*window, {tour, fromQt(path("a.png")), fromQt(path("a.trace"))}), 0);
  const auto result = play(project(), *parseTake(*readFile(tour)), FontMeasure());
  std::string expected;
  for (const TraceEntry& e : result->trace)
    expected += std::to_string(e.at) + "\t" + toLine(e) + "\n";
  EXPECT_EQ(*readFile(fromQt(path("a.trace"))), expected);
  EXPECT_GT(QImage(path("a.png")).width(), 1000);
}

TEST_F(RehearsalTest, ThePlayerFailsWhenATakeDoesAndTellsWhatItCannotRead) {
  openDemo();
  std::string take = *readFile(test::sourcePath("data/demo/tour.take.jsonl"));
  take.replace(take.find("activate slot-4"), 15, "activate slot-9");
  ASSERT_TRUE(writeFile(fromQt(path("bad.take.jsonl")), take));
  EXPECT_EQ(playInWindow(*window, {fromQt(path("bad.take.jsonl")), {}, {}}), 1);
  EXPECT_EQ(playInWindow(*window, {fromQt(path("none.take.jsonl")), {}, {}}), 2);
}

TEST_F(RehearsalTest, TakesAreKeptBesideTheProjectAndNeverWrittenOver) {
  Take take;
  take.name = "First try!";
  EXPECT_FALSE(saveTake({}, take)) << "the project has no place yet";
  EXPECT_EQ(*saveTake(folder.path(), take), path("takes/first-try.take.jsonl"));
  EXPECT_EQ(*saveTake(folder.path(), take), path("takes/first-try-2.take.jsonl"));
  EXPECT_EQ(takesIn(folder.path()).size(), 2);
  EXPECT_EQ(readTake(fromQt(takesIn(folder.path())[0]))->name, "First try!");
}

TEST_F(RehearsalTest, EveryBenchHasItsPicture) {
  openDemo();
  EXPECT_EQ(makeShots(*window, path("shots")), 0);
  const auto files = QDir(path("shots")).entryList(QDir::Files);
  EXPECT_EQ(files.size(), int(benches().size()) + 4 + 5) << "four in the dark, and five pages";
  const QImage light(path("shots/shape.png")), dark(path("shots/shape-dark.png"));
  EXPECT_GT(light.pixelColor(640, light.height() - 6).lightness(), 200);
  EXPECT_LT(dark.pixelColor(640, dark.height() - 6).lightness(), 80);
  applyTheme(*window, Theme::light());
}

}  // namespace
}  // namespace bristle
