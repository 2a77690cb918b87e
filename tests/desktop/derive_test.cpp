// Derived results: what is made when, and that what is kept is right.
#include <random>

#include "core/edit/machine_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/motion/law_watch.h"
#include "desktop/motion/motion_bench.h"
#include "desktop/place/canvas.h"
#include "desktop/view/display_strip.h"
#include "desktop/window_fixture.h"

namespace bristle {
namespace {

class Derive : public test::WindowTest {
 protected:
  // `count` buttons of one kind, side by side, and a second kind that only another screen uses.
  void fillWith(int count) {
    History h(test::columnMenu({"one"}));
    const ScreenId first = h.now().screens[0]->id;
    std::vector<std::string> captions;
    for (int i = 0; i < count; ++i) captions.push_back("b" + std::to_string(i));
    test::must(h, addSeries(first, h.now().kinds[0]->id, captions, Flow::Column, 400, 10));
    test::must(h, addKind("Other", Wins::Hover));
    test::must(h, addScreen("Second"));
    test::must(h, addButton(h.now().screens[1]->id, h.now().kinds[1]->id, "far", 50, 60));
    Project p = h.now();
    Screen& screen = *edit(p, first);
    for (auto& item : screen.items)  // freely, in a grid
      if (item->button()) {
        const int n = int(&item - screen.items.data());
        Item& free = item.edit();
        free.parent = {};
        free.place = {{Pin::Start, 60.0 * (n % 25), 50, 0}, {Pin::Start, 40.0 * (n / 25.0), 30, 0}};
      }
    std::erase_if(screen.items, [](const auto& item) { return item->container(); });
    work().replace(p, {}, false);
    work().pickScreen(first);
  }
  void settle() {
    ASSERT_TRUE(QTest::qWaitFor(
        [&] { return !work().miniatures().busy() && !work().derived().busy(); }, 20000));
    QTest::qWait(50);  // the shelf looks at what was drawn
    ASSERT_TRUE(QTest::qWaitFor([&] { return !work().miniatures().busy(); }, 20000));
  }
  Canvas& canvas() { return *window->findChild<Canvas*>(); }
};

TEST_F(Derive, AnEditOfOneKindReDerivesOnlyWhatUsesIt) {
  fillWith(20);
  window->openBench(QStringLiteral("place"));
  canvas().grab();
  settle();
  const Derived::Made before = work().derived().made();
  const int drawn = work().miniatures().drawn();
  // The other screen uses it, the one that is shown does not.
  ASSERT_TRUE(work().perform(
      changeKind(project().kinds[1]->id, "wider", {}, [](Kind& k) { k.width += 9; })));
  canvas().grab();
  settle();
  EXPECT_EQ(work().derived().made().layouts, before.layouts);
  EXPECT_EQ(work().derived().made().routes, before.routes);
  EXPECT_EQ(work().miniatures().drawn(), drawn + 2) << "the kind's, and that of the other screen";
  // Now one that the shown screen uses.
  ASSERT_TRUE(work().perform(
      changeKind(project().kinds[0]->id, "wider", {}, [](Kind& k) { k.width += 9; })));
  canvas().grab();
  settle();
  EXPECT_EQ(work().derived().made().layouts, before.layouts + 1);
  EXPECT_EQ(work().derived().made().routes, before.routes) << "Place shows none";
}

TEST_F(Derive, TheLawsOfAKindAreNotCheckedAgainForAnotherOne) {
  fillWith(2);
  work().pickKind(project().kinds[0]->id);
  window->openBench(QStringLiteral("motion"));
  auto& laws = static_cast<MotionBench*>(window->bench(QStringLiteral("motion")))->laws();
  ASSERT_TRUE(QTest::qWaitFor([&] { return laws.now() && !laws.checking(); }, 20000));
  ASSERT_TRUE(work().perform(
      changeKind(project().kinds[1]->id, "wider", {}, [](Kind& k) { k.width += 9; })));
  EXPECT_FALSE(laws.checking());
  ASSERT_TRUE(work().perform(
      changeMachine(project().kinds[0]->machine, "hold", {}, [](Machine& m) { m.hold += 100; })));
  EXPECT_TRUE(laws.checking());
}

// What is painted anew in parts is what painting the whole gives.
TEST_F(Derive, TheCanvasPaintedInPartsIsTheCanvasPaintedWhole) {
  fillWith(60);
  window->openBench(QStringLiteral("place"));
  work().pickItems({});
  canvas().grab();
  std::mt19937 random(7);
  const auto ids = test::buttons(project());
  for (int i = 0; i < 25; ++i) {
    const ItemId id = ids[random() % ids.size()];
    const double x = double(random() % 1900), y = double(random() % 1000);
    ASSERT_TRUE(
        work().perform(changeItems(project().screens[0]->id, {id}, "move", {}, [&](Item& item) {
          item.place.x.offset = x;
          item.place.y.offset = y;
          if (i % 5 == 0) item.hidden = !item.hidden;
        })));
    if (i % 3 == 0) work().undo();
    const QImage parts = canvas().grab().toImage();
    work().filesChanged();  // paints all of it
    ASSERT_EQ(canvas().grab().toImage(), parts) << "step " << i;
  }
}

// While one of many is dragged its routes are drawn live.
TEST_F(Derive, RoutesOfHundredsOfButtonsAreThereAtOnce) {
  fillWith(600);
  window->openBench(QStringLiteral("route"));
  for (int step = 0; step < 3; ++step) {
    const ItemId last = test::buttons(project()).back();
    ASSERT_TRUE(work().perform(changeItems(project().screens[0]->id, {last}, "move", {},
                                           [](Item& i) { i.place.x.offset += 30; })));
    EXPECT_FALSE(work().derived().busy());
    EXPECT_EQ(work().routes().output.routes,
              screenRoutes(*work().screen(), work().layout()).output.routes);
  }
}

TEST_F(Derive, RoutesOfManyButtonsComeFromAWorkerAndAreThoseOfTheSolver) {
  fillWith(1600);
  window->openBench(QStringLiteral("route"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !work().derived().busy(); }, 20000));
  const ScreenRoutes direct = screenRoutes(*work().screen(), work().layout());
  ASSERT_EQ(direct.items.size(), 1601U);
  EXPECT_EQ(work().routes().output.routes, direct.output.routes);
  // Until they are there nothing leads anywhere, and nothing is out of range.
  const ItemId last = test::buttons(project()).back();
  ASSERT_TRUE(work().perform(changeItems(project().screens[0]->id, {last}, "move", {},
                                         [](Item& i) { i.place.x.offset += 3; })));
  EXPECT_EQ(work().routes().items.size(), 1601U);
  EXPECT_EQ(work().routes().output.routes[0][1].target, -1);
  work().pickItems({last});
  window->grab();
  ASSERT_TRUE(QTest::qWaitFor([&] { return !work().derived().busy(); }, 20000));
  EXPECT_EQ(work().routes().output.routes,
            screenRoutes(*work().screen(), work().layout()).output.routes);
}

// What was given up for something newer is solved after all when it is wanted again.
TEST_F(Derive, RoutesAreSolvedWhenAnEditIsUndoneBeforeTheyWere) {
  fillWith(1600);
  window->openBench(QStringLiteral("route"));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !work().derived().busy(); }, 20000));
  const auto move = [&](double by) {
    ASSERT_TRUE(
        work().perform(changeItems(project().screens[0]->id, {test::buttons(project()).back()},
                                   "move", {}, [by](Item& i) { i.place.x.offset += by; })));
    work().routes();
  };
  move(3);
  move(5);  // the first is given up
  work().undo();
  work().routes();
  ASSERT_TRUE(QTest::qWaitFor([&] { return !work().derived().busy(); }, 20000));
  EXPECT_EQ(work().routes().output.routes,
            screenRoutes(*work().screen(), work().layout()).output.routes);
}

TEST_F(Derive, TheStripShowsTheDisplaysAMomentAfterAChange) {
  fillWith(3);
  window->openBench(QStringLiteral("place"));
  auto* strip = window->findChild<DisplayStrip*>();
  strip->grab();
  settle();
  const QImage before = strip->grab().toImage();
  ASSERT_TRUE(work().perform(changeScreen(project().screens[0]->id, "colour", {}, [](Screen& s) {
    s.backdrop = Fill::solid({200, 20, 20, 255});
  })));
  strip->grab();
  settle();
  EXPECT_NE(strip->grab().toImage(), before);
}

}  // namespace
}  // namespace bristle
