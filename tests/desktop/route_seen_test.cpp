// What the Route bench draws.
#include <QComboBox>
#include <QSettings>
#include <QToolButton>

#include "core/edit/cluster_edits.h"
#include "desktop/route/route_bench.h"
#include "desktop/route_fixture.h"

namespace bristle::test {
namespace {

TEST_F(RouteBenchTest, StepsFromTheStartTintTheButtons) {
  EXPECT_TRUE(QTest::qWaitFor([&] { return figures().startsWith(QStringLiteral("4 buttons")); }));
  const auto colour = [&](size_t button) {
    return view->grab().toImage().pixelColor(at(button).toPoint() + QPoint(0, 9));
  };
  EXPECT_EQ(colour(0), colour(3));
  key(Qt::Key_U, Qt::ControlModifier);
  EXPECT_NE(colour(0), colour(3));
  EXPECT_NE(colour(1), colour(2));
  click(QStringLiteral("Steps from the start"));
  EXPECT_EQ(colour(0), colour(3));
}

TEST_F(RouteBenchTest, WhyIsSeenOnTheCanvasAndRemembered) {
  QTest::mouseClick(view, Qt::LeftButton, {}, at(0).toPoint());
  work().pickDir(Dir::Right);
  const QPoint ahead = at(0).toPoint() + QPoint(200, 0), rank = [&] {
    const Box& box = work().routes().input.boxes[1];
    return view->toWidget(box).bottomLeft().toPoint();
  }();
  const auto seen = [&](const QPoint& where) { return view->grab().toImage().pixelColor(where); };
  const QColor strip = seen(ahead);
  work().pickDir(Dir::Down);
  EXPECT_NE(seen(ahead), strip) << "another direction, another strip";
  const QColor badge = seen(rank + QPoint(-4, 3));
  key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);
  EXPECT_NE(seen(rank + QPoint(-4, 3)), badge);
  auto* bench = window->findChild<RouteBench*>();
  click(QStringLiteral("One direction"));
  QSettings settings(path("kept.ini"), QSettings::IniFormat);
  bench->keepState(settings);
  click(QStringLiteral("Why on the canvas"));
  click(QStringLiteral("All routes"));
  bench->restoreState(settings);
  EXPECT_FALSE(named<QToolButton>(QStringLiteral("Why on the canvas"))->isChecked());
  EXPECT_TRUE(named<QToolButton>(QStringLiteral("One direction"))->isChecked());
}

// Of several picked ones, and where nothing is picked of the cluster that is in hand.
TEST_F(RouteBenchTest, RoutesOfSeveralOrOfAClusterAreShownAlone) {
  const auto between = [&](size_t a, size_t b) {
    const QPointF middle = (at(a) + at(b)) / 2;
    const QImage all = view->grab().toImage();
    // Down and up run beside one another: somewhere across the gap there is ink, or none.
    for (int dx = -9; dx <= 9; ++dx)
      if (all.pixelColor(middle.toPoint() + QPoint(dx, 0)).lightness() < 60) return true;
    return false;
  };
  key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);  // only the strokes
  work().pickItems({});
  ASSERT_TRUE(between(0, 1));
  ASSERT_TRUE(between(2, 3));
  click(QStringLiteral("Of the picked, or of the cluster in hand"));
  EXPECT_FALSE(between(0, 1)) << "nothing is picked";
  work().pickItems({ids[0], ids[1]});
  EXPECT_TRUE(between(0, 1));
  EXPECT_TRUE(between(1, 2)) << "out of the second";
  EXPECT_FALSE(between(2, 3));
  ASSERT_TRUE(work().perform(addCluster(project().screens[0]->id, {ids[2], ids[3]})));
  work().pickItems({});
  auto* clusters = named<QComboBox>(QStringLiteral("Cluster"));
  clusters->setFocus();
  QTest::keyClick(clusters, Qt::Key_End);
  EXPECT_TRUE(between(2, 3));
  EXPECT_FALSE(between(0, 1));
}

// Of so many routes a picture is kept; it must never show what is no longer so.
TEST_F(RouteBenchTest, ManyRoutesAreSeenAsTheyAreNow) {
  std::vector<Box> boxes;
  for (int i = 0; i < 130; ++i)
    boxes.push_back({20 + 80.0 * (i % 13), 20 + 60.0 * (i / 13), 40, 24});
  work().replace(placedMenu(boxes), {}, false);
  key(Qt::Key_W, Qt::ControlModifier | Qt::AltModifier);
  work().pickItems({});
  const auto seen = [&] {
    (void)view->grab();  // what is to be painted is known in a frame
    EXPECT_TRUE(QTest::qWaitFor([&] { return !view->busy(); }));
    return view->grab().toImage();
  };
  // The darkest of the gap under a box: ink, or only the ground.
  const auto ink = [&](const QImage& all, size_t from) {
    const QPointF middle = (at(from) + at(from + 13)) / 2;
    int least = 255;
    for (int dx = -9; dx <= 9; ++dx)
      least = std::min(least, all.pixelColor(middle.toPoint() + QPoint(dx, 0)).lightness());
    return least;
  };
  const QImage whole = seen();
  const int strong = ink(whole, 40);
  EXPECT_LT(strong, 70);
  // Those of others step back; those of the picked do not.
  work().pickItems({buttons(project())[100]});
  const QImage picked = seen();
  EXPECT_LT(ink(picked, 100), 70);
  EXPECT_GT(ink(picked, 40), strong + 30);
  work().pickItems({});
  EXPECT_EQ(seen(), whole);
  // Moved and zoomed it is the same as painted there at once.
  view->zoomBy(1.5);
  const QImage nearer = seen();
  EXPECT_LT(ink(nearer, 57), 70);
  view->fit();
  EXPECT_EQ(seen(), whole);
  // A box that went leaves nothing behind.
  const QRectF at64 = view->toWidget(work().routes().input.boxes[64]);
  const QPoint was = (at64.topLeft() + QPointF(3, at64.height() / 2)).toPoint();
  const QColor box = whole.pixelColor(was);
  ASSERT_TRUE(work().perform(removeItems(project().screens[0]->id, {buttons(project())[64]})));
  EXPECT_NE(seen().pixelColor(was), box);
}

// Bad input: it is shown, judged and left again.
TEST_F(RouteBenchTest, TenThousandBoxesInOnePlaceAreBorne) {
  work().replace(placedMenu(std::vector<Box>(10'000, Box{300, 300, 80, 40})), {}, false);
  EXPECT_TRUE(QTest::qWaitFor([&] { return work().routes().items.size() == 10'000; }, 60'000));
  EXPECT_FALSE(view->grab().isNull());
  work().pickItems({buttons(project())[0]});
  view->setFocus();
  key(Qt::Key_Down);
  EXPECT_FALSE(view->grab().isNull());
  work().replace(columnMenu({"One", "Two"}), {}, false);
  EXPECT_TRUE(
      QTest::qWaitFor([&] { return figures().startsWith(QStringLiteral("2 buttons")); }, 60'000));
}

}  // namespace
}  // namespace bristle::test
