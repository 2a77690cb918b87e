// Shelf, finder, theme and the Shape bench's card.
#include <QAbstractItemView>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QScrollArea>
#include <QScrollBar>
#include <QToolButton>
#include <QTreeView>

#include "core/edit/kind_edits.h"
#include "core/rehearse/reel.h"
#include "desktop/frame/finder.h"
#include "desktop/motion/law_watch.h"
#include "desktop/motion/motion_bench.h"
#include "desktop/place/canvas.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/rehearse/running_menu.h"
#include "desktop/shape/swatches.h"
#include "desktop/shelf/shelf.h"
#include "desktop/window_fixture.h"
#include "desktop/work/theme.h"
#include "runtime/machine/mix.h"

namespace bristle {
namespace {

class Frame : public test::WindowTest {
 protected:
  void SetUp() override {
    WindowTest::SetUp();
    work().replace(test::fullProject(), {}, false);
  }
  PropKey key(size_t part, Prop prop) { return {project().kinds[0]->parts[part].id, prop}; }
};

TEST_F(Frame, TheShelfShowsWhatIsThereAndPicksIt) {
  auto* screens = named<QListWidget>(QStringLiteral("Screens"));
  ASSERT_EQ(screens->count(), 2);
  EXPECT_TRUE(screens->item(0)->text().contains(QStringLiteral("opens first")));
  screens->setFocus();
  QTest::keyClick(screens, Qt::Key_Down);
  EXPECT_EQ(work().picked().screen, project().screens[1]->id);
  click(QStringLiteral("New kind"));
  EXPECT_EQ(project().kinds.size(), 2U);
  EXPECT_EQ(work().picked().kind, project().kinds[1]->id);
  work().undo();
  EXPECT_EQ(named<QListWidget>(QStringLiteral("Kinds"))->count(), 2) << "and a reusable group";
}

TEST_F(Frame, MiniaturesFollowTheLook) {
  work().replace(test::columnMenu({"One"}), {}, false);
  auto* kinds = named<QListWidget>(QStringLiteral("Kinds"));
  const auto middle = [&] {
    return kinds->item(0)->icon().pixmap(64, 38).toImage().pixelColor(9, 19);
  };
  ASSERT_TRUE(work().perform(setLook(project().kinds[0]->id, {Column{}}, key(0, Prop::Fill),
                                     Fill::solid({250, 10, 10, 255}))));
  EXPECT_TRUE(QTest::qWaitFor([&] { return middle().red() > 200 && middle().blue() < 60; }));
  ASSERT_TRUE(work().perform(setLook(project().kinds[0]->id, {Column{}}, key(0, Prop::Fill),
                                     Fill::solid({10, 10, 250, 255}))));
  EXPECT_TRUE(QTest::qWaitFor([&] { return middle().blue() > 200 && middle().red() < 60; }));
}

TEST_F(Frame, TheFinderFindsByWordsInAnyOrderAndRuns) {
  test::WindowTest::key(Qt::Key_J, Qt::ControlModifier);
  auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
  auto* found = named<QListWidget>(QStringLiteral("Commands found"));
  const int all = found->count();
  EXPECT_GT(all, 15);
  QTest::keyClicks(text, QStringLiteral("bench rou"));
  ASSERT_EQ(found->count(), 1);
  QTest::keyClick(text, Qt::Key_Return);
  EXPECT_TRUE(window->bench(QStringLiteral("route"))->isVisible());
  test::WindowTest::key(Qt::Key_J, Qt::ControlModifier);
  QTest::keyClick(named<QLineEdit>(QStringLiteral("Find a command")), Qt::Key_Escape);
  EXPECT_FALSE(window->findChild<Finder*>()->isVisible());
}

TEST_F(Frame, TheFinderMakesKindsAndScreensOnEveryBenchAndSaysWhenNothingFits) {
  for (const BenchInfo& bench : benches()) {
    window->openBench(QString::fromLatin1(bench.id));
    for (const auto* words : {"kind new", "screen new"}) {
      const size_t before = project().kinds.size() + project().screens.size();
      test::WindowTest::key(Qt::Key_J, Qt::ControlModifier);
      auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
      QTest::keyClicks(text, QString::fromLatin1(words));
      QTest::keyClick(text, Qt::Key_Return);
      EXPECT_EQ(project().kinds.size() + project().screens.size(), before + 1)
          << bench.id << ' ' << words;
    }
  }
  test::WindowTest::key(Qt::Key_J, Qt::ControlModifier);
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
    test::WindowTest::key(Qt::Key_J, Qt::ControlModifier);
    auto* text = named<QLineEdit>(QStringLiteral("Find a command"));
    ASSERT_TRUE(text->hasFocus());
    QTest::keyClicks(text, QStringLiteral("add panel"));
    QTest::keyClick(text, leave);
    EXPECT_TRUE(canvas->hasFocus());
  }
}

// What is wider than the card is cut at the right, and nothing says so.
TEST_F(Frame, NoCardIsWiderThanItsPlaceOrScrollsIntoNothing) {
  ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  for (const BenchInfo& bench : benches()) {
    window->openBench(QString::fromLatin1(bench.id));
    for (const bool picked : {false, true}) {
      const auto& items = work().screen()->items;
      work().pickItems(picked ? std::vector{items.back()->id} : std::vector<ItemId>{});
      settle();
      for (auto* area : window->findChildren<QScrollArea*>()) {
        if (!area->isVisible() || !area->widget()) continue;
        const QWidget& card = *area->widget();
        EXPECT_LE(card.width(), area->viewport()->width()) << bench.id << ", picked " << picked;
        int lowest = 0;
        for (const QWidget* field : card.findChildren<QWidget*>())
          if (field->isVisible() &&
              (field->focusPolicy() != Qt::NoFocus || qobject_cast<const QLabel*>(field)))
            lowest = std::max(lowest, field->mapTo(&card, field->rect().bottomLeft()).y());
        EXPECT_LE(card.height(), std::max(area->viewport()->height(), lowest + 60))
            << bench.id << ", picked " << picked;
      }
    }
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

// Counts what is painted in a bench.
class PaintCount : public QObject {
 public:
  bool eventFilter(QObject* watched, QEvent* event) override {
    const auto* widget = qobject_cast<QWidget*>(watched);
    if (event->type() == QEvent::Paint && widget)
      for (const QWidget* bench : hidden) painted += bench->isAncestorOf(widget);
    return false;
  }
  std::vector<const QWidget*> hidden;
  int painted = 0;
};

// What is not seen costs nothing: neither layout nor routes, laws or painting.
TEST_F(Frame, BenchesThatAreNotSeenDoNoWork) {
  ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  for (const BenchInfo& info : benches()) window->openBench(QString::fromLatin1(info.id));
  PaintCount count;
  qApp->installEventFilter(&count);
  const auto only = [&](const char* id) {
    window->openBench(QString::fromLatin1(id));
    auto* motion = static_cast<MotionBench*>(window->bench(QStringLiteral("motion")));
    ASSERT_TRUE(QTest::qWaitFor([&] { return !motion->laws().checking(); }, 20000));
    QCoreApplication::processEvents();
    count.hidden.clear();
    for (const BenchInfo& info : benches())
      if (QLatin1String(info.id) != QLatin1String(id))
        count.hidden.push_back(window->bench(QString::fromLatin1(info.id)));
    count.painted = 0;
  };
  const auto edit = [&](int i) {
    ASSERT_TRUE(work().perform(setLook(project().kinds[0]->id, {StateId{"hover"}},
                                       key(0, Prop::BorderWidth), 1.0 + i * 0.25)));
    work().pickColumns({i % 2 ? StateId{"hover"} : StateId{"normal"}}, key(0, Prop::BorderWidth));
    QCoreApplication::processEvents();
  };
  only("shape");
  Derived::Made before = work().derived().made();
  for (int i = 0; i < 12; ++i) edit(i);
  // Shape's own: what is behind the button, for its contrast, a moment after an edit.
  EXPECT_LE(work().derived().made().layouts, before.layouts + 12);
  EXPECT_EQ(work().derived().made().routes, before.routes);
  auto* motion = static_cast<MotionBench*>(window->bench(QStringLiteral("motion")));
  EXPECT_FALSE(motion->laws().checking());
  EXPECT_EQ(count.painted, 0);
  // On Place a layout for each move, and no routes, which only Route shows.
  only("place");
  work().pickItems({test::buttons(project(), 0).front()});
  before = work().derived().made();
  for (int i = 0; i < 6; ++i) test::WindowTest::key(Qt::Key_Right);
  EXPECT_LE(work().derived().made().layouts, before.layouts + 6);
  EXPECT_EQ(work().derived().made().routes, before.routes);
  EXPECT_FALSE(motion->laws().checking());
  EXPECT_EQ(count.painted, 0);
  // What changed meanwhile is seen when its bench comes into sight.
  only("route");
  EXPECT_GT(work().derived().made().routes, before.routes);
  qApp->removeEventFilter(&count);
}

// A form stands at its second showing where it stood at its first.
TEST_F(Frame, NothingMovesWhenABenchIsShownAgain) {
  ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  window->resize(1280, 800);
  const auto places = [&](const QString& id) {
    window->openBench(id);
    auto* motion = dynamic_cast<MotionBench*>(window->bench(id));
    EXPECT_TRUE(QTest::qWaitFor([&] { return !motion || !motion->laws().checking(); }, 20000));
    QTest::qWait(150);  // readings of contrast come a moment later
    std::map<const QWidget*, QRect> out;
    for (const QWidget* w : window->findChildren<QWidget*>())
      if (w->isVisible() && !w->isWindow()) out[w] = {w->mapTo(window.get(), QPoint()), w->size()};
    return out;
  };
  auto* findings = named<QToolButton>(QStringLiteral("Findings"));
  ASSERT_TRUE(findings);
  ASSERT_TRUE(
      QTest::qWaitFor([&] { return findings->text().contains(QStringLiteral("finding")); }, 60'000))
      << "the project has been checked";
  std::map<QString, std::map<const QWidget*, QRect>> first;
  for (const BenchInfo& info : benches())
    first[QString::fromLatin1(info.id)] = places(QString::fromLatin1(info.id));
  for (const auto& [id, before] : first) {
    const auto again = places(id);
    for (const auto& [widget, place] : before) {
      const auto at = again.find(widget);
      if (at == again.end()) continue;  // the rehearsal goes on
      EXPECT_EQ(at->second, place) << fromQt(id) << ": " << widget->metaObject()->className() << " "
                                   << fromQt(widget->accessibleName());
    }
  }
}

TEST_F(Frame, BothThemesKeepTheirContrast) {
  for (const Theme& t : {Theme::light(), Theme::darkOne()}) {
    const auto least = [&](const QColor& text, std::initializer_list<QColor> grounds) {
      for (const QColor& ground : grounds)
        EXPECT_GE(contrast(fromQt(text), fromQt(ground)), 4.5)
            << fromQt(text.name()) << " on " << fromQt(ground.name());
    };
    least(t.ink, {t.chrome, t.raised, t.band, t.tint});
    least(t.quiet, {t.chrome, t.raised, t.band, t.tint});
    least(t.accent, {t.chrome, t.raised});
    least(t.wrong, {t.chrome, t.raised});
    least(t.onAccent, {t.accent});
    least(t.onWork, {t.work});
  }
}

TEST_F(Frame, EachWindowHasAThemeOfItsOwn) {
  applyTheme(*window, Theme::darkOne());
  QWidget other;
  auto* inOther = new QWidget(&other);
  applyTheme(other, Theme::light());
  EXPECT_TRUE(themeOf(window->findChild<QListWidget*>()).dark);
  EXPECT_FALSE(themeOf(inOther).dark);
  QWidget asking(window.get(), Qt::Dialog);  // a window of its own over the other
  EXPECT_TRUE(themeOf(&asking).dark);
  QWidget nowhere;
  EXPECT_FALSE(themeOf(&nowhere).dark);
  applyTheme(*window, Theme::light());
  EXPECT_FALSE(themeOf(window->findChild<QListWidget*>()).dark);
}

TEST_F(Frame, MiniaturesStandOnTheGroundOfTheTheme) {
  auto* shelf = window->findChild<Shelf*>();
  QListWidgetItem* kind = shelf->findChildren<QListWidget*>()[0]->item(0);
  for (const Theme& t : {Theme::darkOne(), Theme::light()}) {
    applyTheme(*window, t);
    QTRY_COMPARE(kind->icon().pixmap(64, 38).toImage().pixelColor(1, 1), t.work);
  }
}

TEST_F(Frame, UndoSaysWhatItUndoes) {
  ASSERT_TRUE(work().perform(addScreen("Third")));
  EXPECT_TRUE(named<QAbstractButton>(QStringLiteral("Undo"))
                  ->text()
                  .contains(QStringLiteral("new screen")));
  click(QStringLiteral("Undo"));
  EXPECT_EQ(project().screens.size(), 2U);
  EXPECT_TRUE(named<QAbstractButton>(QStringLiteral("Redo"))
                  ->toolTip()
                  .contains(QStringLiteral("new screen")));
}

// One key goes through how others see the bench; what is around it stays as it is.
TEST_F(Frame, TheBenchIsSeenAsOthersSeeIt) {
  window->openBench(QStringLiteral("place"));
  ASSERT_TRUE(work().perform(changeScreen(project().screens[0]->id, "red", {}, [](Screen& s) {
    s.backdrop = Fill::solid({220, 30, 30, 255});
  })));
  Bench* bench = window->bench(QStringLiteral("place"));
  const auto redness = [&] {
    int most = 0;
    const QImage shot =
        window->grab(QRect(bench->mapTo(window.get(), QPoint()), bench->size())).toImage();
    for (int y = 0; y < shot.height(); y += 9)
      for (int x = 0; x < shot.width(); x += 9) {
        const QColor c = shot.pixelColor(x, y);
        most = std::max(most, c.red() - c.green());
      }
    return most;
  };
  EXPECT_GT(redness(), 150);
  test::WindowTest::key(Qt::Key_F4);
  EXPECT_LE(redness(), 6) << "in grey, but for the window’s own ground";
  test::WindowTest::key(Qt::Key_F4);
  EXPECT_GT(redness(), 6);
  EXPECT_LT(redness(), 60) << "without red cones";
  for (int i = 0; i < 5; ++i) test::WindowTest::key(Qt::Key_F4);
  EXPECT_GT(redness(), 150) << "round to as it is";
}

TEST_F(Frame, FindingsAreCountedInTheBottomLine) {
  const auto shown = [&] {
    const QString text = named<QToolButton>(QStringLiteral("Findings"))->text();
    return text.contains(QStringLiteral("finding")) ? text : QString();
  };
  ASSERT_TRUE(QTest::qWaitFor([&] { return !shown().isEmpty(); }, 30'000));
  const QString before = shown();
  ASSERT_TRUE(
      work().perform(changeItems(project().screens[0]->id, {test::buttons(project())[0]}, "break",
                                 {}, [](Item& i) { i.button()->kind = {"gone"}; })));
  EXPECT_TRUE(QTest::qWaitFor([&] { return shown() != before; }, 30'000))
      << "found in the background";
  work().undo();
  EXPECT_TRUE(QTest::qWaitFor([&] { return shown() == before; }, 30'000));
}

TEST_F(Frame, PartsAreAddedRenamedAndRemovedOnTheCard) {
  const size_t before = project().kinds[0]->parts.size();
  choose(QStringLiteral("New part"), 2);
  click(QStringLiteral("Add part"));
  ASSERT_EQ(project().kinds[0]->parts.size(), before + 1);
  const PartId added = project().kinds[0]->parts.back().id;
  EXPECT_EQ(project().kinds[0]->parts.back().type, PartType::Marker);
  work().pickColumns({Column{}}, {added, Prop::Colour});
  fill(QStringLiteral("Picked part"), QStringLiteral("Caret"));
  EXPECT_EQ(project().kinds[0]->parts.back().name, "Caret");
  click(QStringLiteral("Remove this part"));
  EXPECT_EQ(project().kinds[0]->parts.size(), before);
}

TEST_F(Frame, ColoursOfTheProjectAreTakenByMouseAndKeys) {
  work().pickColumns({StateId{"pressed"}}, key(0, Prop::Fill));
  auto* swatches = window->findChild<Swatches*>();
  const auto colours = coloursOf(project(), 24);
  ASSERT_GT(colours.size(), 2U);
  QTest::mouseClick(swatches, Qt::LeftButton, {}, QPoint(8, 8));
  const auto stop = [&] {
    return std::get<Fill>(valueIn(*project().kinds[0], {"pressed"}, key(0, Prop::Fill))).stops[0];
  };
  EXPECT_EQ(stop().colour, colours[0]) << "into the picked stop";
  swatches->setFocus();
  QTest::keyClick(swatches, Qt::Key_Right);
  const auto now = coloursOf(project(), 24);
  QTest::keyClick(swatches, Qt::Key_Return);
  EXPECT_EQ(stop().colour, now[1]);
}

TEST_F(Frame, AListOfChoicesOpensWhole) {
  ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  window->openBench(QStringLiteral("place"));
  work().pickItems({{"entries"}});
  for (const char* name : {"Arranged as", "Pinned to, x"}) {
    auto* box = named<QComboBox>(QString::fromUtf8(name));
    ASSERT_TRUE(box);
    bringIntoSight(box);
    box->showPopup();
    QCoreApplication::processEvents();
    QAbstractItemView* list = box->view();
    EXPECT_EQ(list->verticalScrollBar()->maximum(), 0) << name << " is cut off";
    EXPECT_GE(list->viewport()->width(), list->sizeHintForColumn(0)) << name;
    box->hidePopup();
  }
}

TEST_F(Frame, WhichLookIsStrongerIsChosenOnTheCard) {
  // Rewiring would lose what a person has added to a machine, so it is offered for plain ones only.
  for (auto* box : window->findChildren<QComboBox*>())
    EXPECT_FALSE(box->accessibleName() == QStringLiteral("Stronger look") && box->isVisible());
  work().replace(test::columnMenu({"One"}), {}, false);
  choose(QStringLiteral("Stronger look"), 1);
  const Machine& machine = *project().machines[0];
  const bool focusFirst =
      std::any_of(machine.transitions.begin(), machine.transitions.end(), [](const Transition& t) {
        return t.from && t.from->text == "hover" && t.on == Event::FocusGain;
      });
  EXPECT_TRUE(focusFirst);
}

TEST_F(Frame, LosingTheKeyboardGivesUpAHeldKey) {
  work().replace(test::columnMenu({"One", "Two"}), {}, false);
  window->openBench(QStringLiteral("rehearse"));
  auto& bench = static_cast<RehearseBench&>(*window->bench(QStringLiteral("rehearse")));
  QTest::keyPress(&bench.menu(), Qt::Key_Return);
  const auto& button = bench.rehearsal().session()->stack()[0].buttons[0];
  ASSERT_TRUE(button.running.signals.has(Signals::Down));
  test::WindowTest::key(Qt::Key_F6);
  EXPECT_FALSE(bench.menu().hasFocus());
  EXPECT_FALSE(button.running.signals.has(Signals::Armed));
}

TEST_F(Frame, TheNextPartOfTheWindowIsEnteredWhereOneWasInIt) {
  window->openBench(QStringLiteral("place"));
  named<QListWidget>(QStringLiteral("Screens"))->setFocus();
  test::WindowTest::key(Qt::Key_F6);
  EXPECT_TRUE(window->findChild<Canvas*>()->hasFocus()) << "at first: what is worked on";
  auto* show =
      named<QToolButton>(QStringLiteral("Show rulers, grid, guides, hit areas and routes"));
  show->setFocus();
  for (int i = 0; i < 3; ++i) test::WindowTest::key(Qt::Key_F6);
  EXPECT_TRUE(show->hasFocus());
}

// On no bench's card does Tab jump up again.
TEST_F(Frame, TabGoesDownEveryCard) {
  ASSERT_TRUE(window->files().open(toQt(test::sourcePath("data/demo/saltglass-deep.bristle"))));
  for (const BenchInfo& info : benches()) {
    window->openBench(QString::fromLatin1(info.id));
    Bench* bench = window->bench(QString::fromLatin1(info.id));
    QWidget* card = bench->card();
    for (const ItemId& item : {ItemId{}, test::buttons(project())[0]}) {
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
  test::WindowTest::key(Qt::Key_T, Qt::ControlModifier);
  auto* find = named<QLineEdit>(QStringLiteral("Find on this screen"));
  ASSERT_TRUE(find);
  find->setFocus();
  QTest::keyClick(find, Qt::Key_Tab);
  auto* tree = named<QTreeView>(QStringLiteral("Tree of the screen"));
  EXPECT_TRUE(tree->hasFocus());
  QTest::keyClick(tree, Qt::Key_Tab);
  EXPECT_TRUE(window->findChild<Canvas*>()->hasFocus());
}

TEST_F(Frame, AMenuWithoutAScreenSaysSoInsteadOfRunning) {
  work().replace(emptyProject(), {}, false);
  test::WindowTest::key(Qt::Key_F5);
  bool told = false;
  for (QLabel* label : window->findChildren<QLabel*>())
    told |= label->text().contains(QStringLiteral("Nothing to rehearse yet"));
  EXPECT_TRUE(told);
}

TEST_F(Frame, ShelfAndCardFoldAwayAndAreRemembered) {
  QWidget* shelf = window->findChild<Shelf*>();
  ASSERT_NE(shelf, nullptr);
  EXPECT_TRUE(shelf->isVisible());
  test::WindowTest::key(Qt::Key_F7);
  EXPECT_FALSE(shelf->isVisible());
  ASSERT_TRUE(window->close());
  open();
  EXPECT_FALSE(window->findChild<Shelf*>()->isVisible());
  test::WindowTest::key(Qt::Key_F7);
  EXPECT_TRUE(window->findChild<Shelf*>()->isVisible());
}

}  // namespace
}  // namespace bristle
