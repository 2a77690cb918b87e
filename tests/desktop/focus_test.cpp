// Where the keyboard goes in the window: from part to part, down a card, away from a held key.
#include <QLineEdit>
#include <QListWidget>
#include <QToolButton>
#include <QTreeView>

#include "desktop/frame_fixture.h"
#include "desktop/place/canvas.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/rehearse/running_menu.h"

namespace bristle::test {
namespace {

TEST_F(Frame, LosingTheKeyboardGivesUpAHeldKey) {
  work().replace(columnMenu({"One", "Two"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  auto& bench = static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
  QTest::keyPress(&bench.menu(), Qt::Key_Return);
  const auto& button = bench.rehearsal().session()->stack()[0].buttons[0];
  ASSERT_TRUE(button.running.signals.has(Signals::Down));
  key(Qt::Key_F6);
  EXPECT_FALSE(bench.menu().hasFocus());
  EXPECT_FALSE(button.running.signals.has(Signals::Armed));
}

TEST_F(Frame, TheNextPartOfTheWindowIsEnteredWhereOneWasInIt) {
  window->openBench(QStringLiteral("place"));
  named<QListWidget>(QStringLiteral("Screens"))->setFocus();
  key(Qt::Key_F6);
  EXPECT_TRUE(window->findChild<Canvas*>()->hasFocus()) << "at first: what is worked on";
  auto* show =
      named<QToolButton>(QStringLiteral("Show rulers, grid, guides, hit areas and routes"));
  show->setFocus();
  for (int i = 0; i < 3; ++i) key(Qt::Key_F6);
  EXPECT_TRUE(show->hasFocus());
}

// On no bench's card does Tab jump up again.
TEST_F(Frame, TabGoesDownEveryCard) {
  ASSERT_TRUE(window->files().open(toQt(sourcePath("data/demo/saltglass-deep.bristle"))));
  for (const BenchInfo& info : benches()) {
    window->openBench(QString::fromLatin1(info.id));
    Bench* bench = window->bench(QString::fromLatin1(info.id));
    QWidget* card = bench->card();
    for (const ItemId& item : {ItemId{}, buttons(project())[0]}) {
      work().pickItems(item ? std::vector{item} : std::vector<ItemId>{});
      settle();
      int last = -1, seen = 0;
      for (QWidget* w : card->findChildren<QWidget*>())
        if (w->focusPolicy() & Qt::TabFocus && w->isVisible() && w->isEnabled() && last < 0) {
          w->setFocus();
          last = 0;
        }
      for (QWidget* w = QApplication::focusWidget(); w && card->isAncestorOf(w) && seen < 200;
           w = QApplication::focusWidget(), ++seen) {
        const int top = w->mapTo(card, QPoint()).y();
        EXPECT_GE(top + w->height(), last) << info.id << ": " << fromQt(w->accessibleName());
        last = top;
        QTest::keyClick(w, Qt::Key_Tab);
      }
      EXPECT_LT(seen, 200) << info.id;
    }
  }
}

// Head, tree, canvas, strip: as one reads them.
TEST_F(Frame, TabGoesOverThePlaceBenchInTheOrderInWhichItStands) {
  window->openBench(QStringLiteral("place"));
  window->findChild<Canvas*>()->setFocus();
  key(Qt::Key_T, Qt::ControlModifier);
  auto* find = named<QLineEdit>(QStringLiteral("Find on this screen"));
  ASSERT_TRUE(find);
  find->setFocus();
  QTest::keyClick(find, Qt::Key_Tab);
  auto* tree = named<QTreeView>(QStringLiteral("Tree of the screen"));
  EXPECT_TRUE(tree->hasFocus());
  QTest::keyClick(tree, Qt::Key_Tab);
  EXPECT_TRUE(window->findChild<Canvas*>()->hasFocus());
}

}  // namespace
}  // namespace bristle::test
