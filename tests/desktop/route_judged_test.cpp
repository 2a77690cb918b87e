// Routes are judged in figures and words that lead to their places.
#include <QHelpEvent>
#include <QLabel>
#include <QPushButton>
#include <QToolTip>

#include "core/edit/route_edits.h"
#include "core/edit/screen_edits.h"
#include "desktop/route/quality_panel.h"
#include "desktop/route_fixture.h"
#include "desktop/view/display_strip.h"

namespace bristle::test {
namespace {

TEST_F(RouteBenchTest, TheFiguresFollowAndLeadToTheirPlaces) {
  EXPECT_TRUE(QTest::qWaitFor([&] { return figures().startsWith(QStringLiteral("4 buttons")); }));
  EXPECT_TRUE(figures().contains(QStringLiteral("100 % lead back")));
  // Pinned over two others: told, and the press of the figure picks the place.
  ASSERT_TRUE(work().perform(
      setRoute(project().screens[0]->id, ids[0], Dir::Down, {RouteType::Pinned, ids[3]})));
  auto* jumps = window->findChild<QPushButton*>();
  ASSERT_TRUE(QTest::qWaitFor([&] {
    for (auto* each : window->findChildren<QPushButton*>())
      if (each->isVisible() && each->text() == QStringLiteral("Jump over something: 1"))
        jumps = each;
    return jumps->text() == QStringLiteral("Jump over something: 1");
  }));
  work().pickItems({});
  bringIntoSight(jumps);
  QTest::mouseClick(jumps, Qt::LeftButton);
  EXPECT_EQ(work().pickedBox(), 0);
  EXPECT_EQ(work().picked().dir, Dir::Down);
  // Only what is marked is drawn now: another direction's stroke is gone from the picture.
  const QImage marked = view->grab().toImage();
  click(QStringLiteral("All routes"));
  EXPECT_NE(view->grab().toImage(), marked);
}

// Nothing leads elsewhere, but focus starts elsewhere: the figures are others.
TEST_F(RouteBenchTest, TheFiguresFollowWhereFocusStarts) {
  ASSERT_TRUE(QTest::qWaitFor(
      [&] { return figures().contains(QStringLiteral("From the start 2.0 steps, 3 at most")); }));
  ASSERT_TRUE(work().perform(setEntry(project().screens[0]->id, ids[1])));
  EXPECT_TRUE(QTest::qWaitFor(
      [&] { return figures().contains(QStringLiteral("From the start 1.3 steps, 2 at most")); }));
}

TEST_F(RouteBenchTest, OneWithoutAWayBackIsToldAsATrap) {
  ASSERT_TRUE(
      work().perform(setRoute(project().screens[0]->id, ids[3], Dir::Up, {RouteType::Closed, {}})));
  auto* traps = window->findChild<QPushButton*>();
  ASSERT_TRUE(QTest::qWaitFor([&] {
    for (auto* each : window->findChildren<QPushButton*>())
      if (each->isVisible() && each->text() == QStringLiteral("Cannot be left again: 1"))
        traps = each;
    return traps->text() == QStringLiteral("Cannot be left again: 1");
  }));
  traps->setFocus();
  QTest::keyClick(traps, Qt::Key_Space);
  EXPECT_EQ(work().picked().items, std::vector{ids[3]});
}

TEST_F(RouteBenchTest, WhatOneWouldWonderAboutIsToldAndMendedByOnePress) {
  const auto why = [&]() -> QString {
    for (const QLabel* label : window->findChildren<QLabel*>())
      if (label->accessibleName() == QStringLiteral("Why one would wonder") && label->isVisible())
        return label->text();
    return {};
  };
  ASSERT_TRUE(QTest::qWaitFor([&] { return why().contains(QStringLiteral("one expects")); }));
  ASSERT_TRUE(work().perform(
      setRoute(project().screens[0]->id, ids[0], Dir::Down, {RouteType::Pinned, ids[3]})));
  ASSERT_TRUE(QTest::qWaitFor([&] { return !why().contains(QStringLiteral("one expects")); }));
  click(QStringLiteral("Next move to wonder about"));
  EXPECT_EQ(work().picked().items, std::vector{ids[0]});
  EXPECT_TRUE(why().startsWith(QStringLiteral("Dive, down")) &&
              why().contains(QStringLiteral("behind Chart")))
      << fromQt(why());
  click(QStringLiteral("Mend 1"));
  EXPECT_EQ(rule(0, Dir::Down).type, RouteType::Solved);
  EXPECT_TRUE(QTest::qWaitFor([&] { return why().contains(QStringLiteral("one expects")); }));
}

TEST_F(RouteBenchTest, TheStripTellsHowTheRoutesAreOnEachDisplay) {
  ASSERT_GE(project().displays.size(), 2u);
  const Display other = project().displays[1];
  const auto mark = [&] {
    return window->findChild<QualityPanel*>()->marks().markOf(other, project().languages[0]);
  };
  ASSERT_TRUE(work().perform(setRouteOn(project().screens[0]->id, ids[0], Dir::Down, other.id,
                                        RouteRule{RouteType::Pinned, ids[3]})));
  EXPECT_TRUE(QTest::qWaitFor([&] { return mark().worth == 1; })) << mark().worth;
  ASSERT_TRUE(work().perform(setRouteOn(project().screens[0]->id, ids[0], Dir::Down, other.id,
                                        RouteRule{RouteType::Closed, {}})));
  EXPECT_TRUE(QTest::qWaitFor([&] { return mark().wrong > 0; })) << "the rest cannot be reached";
  const QStringList lines =
      window->findChild<QualityPanel*>()->marks().linesOf(other, project().languages[0]);
  EXPECT_TRUE(lines.join(QLatin1Char(' ')).contains(QStringLiteral("Cannot be reached: 3")))
      << fromQt(lines.join(QLatin1Char('|')));
  auto* strip = window->findChild<DisplayStrip*>();
  for (auto* each : window->findChildren<DisplayStrip*>())
    if (each->isVisible()) strip = each;
  strip->setFocus();
  QTest::keyClick(strip, Qt::Key_Right);
  EXPECT_EQ(work().picked().display, other.id);
}

TEST_F(RouteBenchTest, WhyIsToldInWords) {
  work().pickItems({ids[0]});
  key(Qt::Key_Down);
  bool told = false;
  for (const QLabel* label : window->findChildren<QLabel*>())
    told |= label->isVisible() && label->text().contains(QStringLiteral("straight ahead")) &&
            label->text().contains(QStringLiteral("behind Chart"));
  EXPECT_TRUE(told);
  // Of any other button the pointer says why it is not that one.
  const QPoint over = at(2).toPoint();
  QHelpEvent help(QEvent::ToolTip, over, view->mapToGlobal(over));
  QApplication::sendEvent(view, &help);
  EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("down from Dive: straight ahead")));
  EXPECT_TRUE(QToolTip::text().contains(QStringLiteral("behind Chart")));
}

}  // namespace
}  // namespace bristle::test
