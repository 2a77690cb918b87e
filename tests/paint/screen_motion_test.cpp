// What comes and goes is painted as far as it is there; what a button asks of values shows at rest.
#include <gtest/gtest.h>

#include <QImage>
#include <QPainter>

#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "support/menus.h"

namespace bristle {
namespace {

// A light screen whose first button opens a dark one; both fade, in a straight line, in 100 ms.
Project fading() {
  History h(test::columnMenu({"On", "Two"}));
  const ScreenId first = h.now().first;
  test::must(h, addScreen("Dark"));
  const ScreenId second = h.now().screens[1]->id;
  test::must(h, addButton(second, h.now().kinds[0]->id, "Dark", 40, 40));
  Project p = h.now();
  edit(*edit(p, first), test::buttons(p)[0])->button()->actions = {
      {ActionType::PutOnTop, second, {}}};
  edit(p, first)->backdrop = Fill::solid({200, 180, 160, 255});
  edit(p, second)->backdrop = Fill::solid({20, 30, 40, 255});
  edit(p, second)->comes = {ScreenMotionForm::Fade, 100, {.type = EasingType::Linear}};
  return p;
}

class ScreenMotions : public testing::Test {
 protected:
  // At two thirds of its size and off the corner, as in a window.
  QImage shot(Session& session, const QRectF& only = {}) {
    QImage image(1300, 740, QImage::Format_RGB32);
    image.fill(QColor(90, 0, 90));
    QPainter painter(&image);
    painter.translate(7, 11);
    painter.scale(2 / 3.0, 2 / 3.0);
    painter.setClipRect(QRectF(0, 0, 1920, 1080));
    paintSession(painter, looks, session, only);
    return image;
  }
  FontMeasure measure;
  LookPainter looks;
};

TEST_F(ScreenMotions, AFadeIsTheMixOfBothPictures) {
  const Project p = fading();
  auto session = *Session::start(p, p.displays[0], measure);
  const QImage before = shot(session);
  session.feed({.at = 0, .type = InputType::Accept, .down = true});
  session.feed({.at = 0, .type = InputType::Accept, .down = false});
  session.feed({.at = 30});
  ASSERT_TRUE(session.screensMove());
  const QImage mixed = shot(session);
  session.feed({.at = 2000});
  const QImage after = shot(session);
  const auto mix = [](int a, int b) { return a + (b - a) * 0.3; };
  int compared = 0;
  for (int y = 5; y < mixed.height(); y += 7)
    for (int x = 3; x < mixed.width(); x += 7) {
      const QColor a = before.pixelColor(x, y), b = after.pixelColor(x, y),
                   m = mixed.pixelColor(x, y);
      // Buttons are on their way besides: only where there are none.
      if (a == QColor(90, 0, 90)) {
        ASSERT_EQ(m, a) << "beside the display";
      }
      if (a != QColor(200, 180, 160) || b != QColor(20, 30, 40)) continue;
      ++compared;
      ASSERT_NEAR(m.red(), mix(a.red(), b.red()), 2) << x << ", " << y;
      ASSERT_NEAR(m.green(), mix(a.green(), b.green()), 2) << x << ", " << y;
      ASSERT_NEAR(m.blue(), mix(a.blue(), b.blue()), 2) << x << ", " << y;
    }
  EXPECT_GT(compared, 10'000);
}

// A part that is painted anew is the same as in the whole picture.
TEST_F(ScreenMotions, APartOfAFadeIsThatPartOfTheWhole) {
  const Project p = fading();
  auto session = *Session::start(p, p.displays[0], measure);
  session.feed({.at = 2000, .type = InputType::Accept, .down = true});
  session.feed({.at = 2000, .type = InputType::Accept, .down = false});
  session.feed({.at = 2040});
  const QImage whole = shot(session);
  const QImage part = shot(session, QRectF(30, 30, 300, 200));
  for (int y = 40; y < 140; ++y)
    for (int x = 40; x < 200; ++x) ASSERT_EQ(part.pixel(x, y), whole.pixel(x, y)) << x << ", " << y;
}

TEST_F(ScreenMotions, WhatValuesForbidIsDisabledAtRest) {
  Project p = fading();
  p.values.push_back({{"v1"}, "dives", 0, {}});
  LookTables tables;
  const auto rest = [&](const Project& project) {
    QImage image(1920, 1080, QImage::Format_RGB32);
    QPainter painter(&image);
    const Screen& screen = *project.screens[0];
    paintScreen(painter, looks, tables, project, screen,
                layOut(project, screen, project.displays[0], measure));
    return image;
  };
  Project forbidden = p, disabled = p, allowed = p;
  const auto second = [](Project& project) {
    return edit(*edit(project, project.first), test::buttons(project)[1])->button();
  };
  second(forbidden)->when.enabled = "@v1 > 0";
  second(allowed)->when.enabled = "@v1 = 0";
  second(disabled)->disabled = true;
  EXPECT_NE(rest(forbidden), rest(p));
  EXPECT_EQ(rest(forbidden), rest(disabled));
  EXPECT_EQ(rest(allowed), rest(p));
}

}  // namespace
}  // namespace bristle
