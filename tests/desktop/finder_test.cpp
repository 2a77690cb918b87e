// Commands are found by words, on every bench.
#include <QLineEdit>
#include <QListWidget>

#include "desktop/frame/finder.h"
#include "desktop/frame_fixture.h"
#include "desktop/place/canvas.h"

namespace bristle::test {
namespace {

TEST_F(Frame, TheFinderFindsByWordsInAnyOrderAndRuns) {
  key(Qt::Key_J, Qt::ControlModifier);
  auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
  auto* found = named<QListWidget>(QStringLiteral("Commands found"));
  const int all = found->count();
  EXPECT_GT(all, 15);
  QTest::keyClicks(text, QStringLiteral("bench rou"));
  ASSERT_EQ(found->count(), 1);
  QTest::keyClick(text, Qt::Key_Return);
  EXPECT_TRUE(window->bench(QStringLiteral("route"))->isVisible());
  key(Qt::Key_J, Qt::ControlModifier);
  QTest::keyClick(named<QLineEdit>(QStringLiteral("Find a command")), Qt::Key_Escape);
  EXPECT_FALSE(window->findChild<Finder*>()->isVisible());
}

TEST_F(Frame, TheFinderMakesKindsAndScreensOnEveryBenchAndSaysWhenNothingFits) {
  for (const BenchInfo& bench : benches()) {
    window->openBench(QString::fromLatin1(bench.id));
    for (const auto* words : {"kind new", "screen new"}) {
      const size_t before = project().kinds.size() + project().screens.size();
      key(Qt::Key_J, Qt::ControlModifier);
      auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
      QTest::keyClicks(text, QString::fromLatin1(words));
      QTest::keyClick(text, Qt::Key_Return);
      EXPECT_EQ(project().kinds.size() + project().screens.size(), before + 1)
          << bench.id << ' ' << words;
    }
  }
  key(Qt::Key_J, Qt::ControlModifier);
  auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
  auto* found = named<QListWidget>(QStringLiteral("Commands found"));
  QTest::keyClicks(text, QStringLiteral("qqq"));
  ASSERT_EQ(found->count(), 1);
  EXPECT_TRUE(found->item(0)->text().contains(QStringLiteral("No command")));
  QTest::keyClick(text, Qt::Key_Return);
  EXPECT_TRUE(text->isVisible()) << "one goes on typing";
}

TEST_F(Frame, TheFinderGivesTheFocusBackToWhereOneWas) {
  window->openBench(QStringLiteral("place"));
  auto* canvas = window->findChild<Canvas*>();
  canvas->setFocus();
  for (const auto leave : {Qt::Key_Return, Qt::Key_Escape}) {
    key(Qt::Key_J, Qt::ControlModifier);
    auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
    ASSERT_TRUE(text->hasFocus());
    QTest::keyClicks(text, QStringLiteral("add panel"));
    QTest::keyClick(text, leave);
    EXPECT_TRUE(canvas->hasFocus());
  }
}

TEST_F(Frame, EveryCommandHasANameOfItsOwnPerBench) {
  for (const BenchInfo& bench : benches()) {
    window->openBench(QString::fromLatin1(bench.id));
    QSet<QString> names;
    QSet<QString> keys;
    for (const QAction* action : window->allCommands()) {
      EXPECT_FALSE(action->text().isEmpty());
      const QString shortcut = action->shortcut().toString();
      EXPECT_TRUE(shortcut.isEmpty() || !keys.contains(shortcut))
          << fromQt(shortcut) << " is taken twice";
      keys.insert(shortcut);
      names.insert(action->text());
    }
    EXPECT_GT(names.size(), 15);
  }
}

}  // namespace
}  // namespace bristle::test
