// The window around the benches: what it tells, and what it leaves undone.
#include <QLabel>
#include <QToolButton>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/frame_fixture.h"
#include "desktop/motion/law_watch.h"
#include "desktop/motion/motion_bench.h"

namespace bristle::test {
namespace {

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
  ASSERT_TRUE(window->files().open(toQt(sourcePath("data/demo/saltglass-deep.bristle"))));
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
                                       propKey(0, Prop::BorderWidth), 1.0 + i * 0.25)));
    work().pickColumns({i % 2 ? StateId{"hover"} : StateId{"normal"}},
                       propKey(0, Prop::BorderWidth));
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
  work().pickItems({buttons(project(), 0).front()});
  before = work().derived().made();
  for (int i = 0; i < 6; ++i) key(Qt::Key_Right);
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
  ASSERT_TRUE(window->files().open(toQt(sourcePath("data/demo/saltglass-deep.bristle"))));
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
  waitForFindings();
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

TEST_F(Frame, FindingsAreCountedInTheBottomLine) {
  const auto shown = [&] { return named<QToolButton>(QStringLiteral("Findings"))->text(); };
  waitForFindings();
  const QString before = shown();
  ASSERT_TRUE(work().perform(changeItems(project().screens[0]->id, {buttons(project())[0]}, "break",
                                         {}, [](Item& i) { i.button()->kind = {"gone"}; })));
  EXPECT_TRUE(QTest::qWaitFor([&] { return shown() != before; }, 30'000))
      << "found in the background";
  work().undo();
  EXPECT_TRUE(QTest::qWaitFor([&] { return shown() == before; }, 30'000));
}

TEST_F(Frame, AMenuWithoutAScreenSaysSoInsteadOfRunning) {
  work().replace(emptyProject(), {}, false);
  key(Qt::Key_F5);
  bool told = false;
  for (QLabel* label : window->findChildren<QLabel*>())
    told |= label->text().contains(QStringLiteral("Nothing to rehearse yet"));
  EXPECT_TRUE(told);
}

}  // namespace
}  // namespace bristle::test
