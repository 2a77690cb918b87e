// What lies below a panel shows through it blurred, and nothing beside it changes.
#include "paint/blur.h"

#include <gtest/gtest.h>

#include <cmath>

#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "screen_picture.h"
#include "support/menus.h"

namespace bristle {
namespace {

// Dark at the left, light at the right of x.
QImage edgeAt(int x, int w, int h) {
  QImage out(w, h, QImage::Format_ARGB32_Premultiplied);
  for (int j = 0; j < h; ++j)
    for (int i = 0; i < w; ++i) out.setPixel(i, j, i < x ? qRgb(0, 0, 0) : qRgb(240, 120, 60));
  return out;
}

// The Gaussian of a step is the error function.
TEST(Blur, IsAGaussian) {
  for (const double deviation : {1.5, 2.0, 4.0, 9.0}) {
    const QImage out = blurred(edgeAt(60, 120, 9), deviation);
    for (int x = 0; x < 120; ++x) {
      const double t = (x - 59.5) / (deviation * std::sqrt(2.0));
      EXPECT_NEAR(qRed(out.pixel(x, 4)), 120 * (1 + std::erf(t)), 240 * 0.03)
          << deviation << " " << x;
    }
  }
}

TEST(Blur, LeavesWhatIsEvenAndWhatHasNoSize) {
  QImage even(30, 20, QImage::Format_ARGB32_Premultiplied);
  even.fill(qRgba(10, 60, 100, 128));
  EXPECT_EQ(blurred(even, 7), even) << "up to its edges";
  EXPECT_EQ(blurred(edgeAt(3, 8, 8), 0), edgeAt(3, 8, 8));
  EXPECT_TRUE(blurred({}, 4).isNull());
  EXPECT_EQ(blurred(edgeAt(1, 1, 1), 50).size(), QSize(1, 1));
}

Item panel(const char* id, double x, double w, Fill fill, Px blur) {
  Item out;
  out.id = {id};
  out.place = {{Pin::Start, x, w, 0}, {Pin::Start, 100, 200, 0}};
  out.what = PanelData{std::move(fill), 0, blur};
  return out;
}

// A red and a blue half, and a clear pane over where they meet.
struct Frosted {
  explicit Frosted(Px blur) : project(test::columnMenu({"Dive"})) {
    Screen& screen = *edit(project, project.screens[0]->id);
    screen.backdrop = Fill::solid({0, 0, 0, 255});
    screen.items.clear();
    screen.items.emplace_back(panel("red", 0, 400, Fill::solid({255, 0, 0, 255}), 0));
    screen.items.emplace_back(panel("blue", 400, 400, Fill::solid({0, 0, 255, 255}), 0));
    screen.items.emplace_back(panel("pane", 300, 200, Fill{}, blur));
  }
  QImage draw() { return test::firstScreen(project, looks, tables); }
  FontMeasure measure;
  Project project;
  LookPainter looks;
  LookTables tables;
};

TEST(Blur, APaneShowsWhatLiesBelowItBlurred) {
  const QImage clear = Frosted(0).draw(), frosted = Frosted(20).draw();
  EXPECT_EQ(clear.pixelColor(395, 200), QColor(255, 0, 0));
  const QColor middle = frosted.pixelColor(400, 200);
  EXPECT_NEAR(middle.red(), 128, 8);
  EXPECT_NEAR(middle.blue(), 128, 8);
  EXPECT_GT(frosted.pixelColor(370, 200).red(), 200);
  EXPECT_GT(frosted.pixelColor(370, 200).blue(), 5) << "one and a half deviations away";
  for (const int x : {100, 299, 501, 700})
    EXPECT_EQ(frosted.pixelColor(x, 200), clear.pixelColor(x, 200)) << "beside it, at " << x;
  EXPECT_LT(frosted.pixelColor(400, 101).red(), 90) << "the dark above it comes in";
}

// What is painted again in part is what painting all of it gives.
TEST(Blur, APartIsPaintedAsTheWholeIs) {
  Frosted f(11);
  const Screen& screen = *f.project.screens[0];
  const Layout layout = layOut(f.project, screen, f.project.displays[0], f.measure);
  const auto paint = [&](const QRect& clip) {
    QImage out(1300, 740, QImage::Format_ARGB32_Premultiplied);
    out.fill(Qt::black);
    QPainter painter(&out);
    if (!clip.isNull()) painter.setClipRect(clip);
    painter.translate(7, 11);
    painter.scale(2 / 3.0, 2 / 3.0);
    paintScreen(painter, f.looks, f.tables, f.project, screen, layout);
    return out;
  };
  const QImage whole = paint({});
  for (const QRect& part :
       {QRect(260, 90, 30, 40), QRect(201, 71, 9, 9), QRect(300, 100, 60, 150)}) {
    const QImage again = paint(part);
    int differing = 0;
    for (int y = part.top(); y <= part.bottom(); ++y)
      for (int x = part.left(); x <= part.right(); ++x)
        differing =
            std::max({differing, std::abs(qRed(again.pixel(x, y)) - qRed(whole.pixel(x, y))),
                      std::abs(qBlue(again.pixel(x, y)) - qBlue(whole.pixel(x, y)))});
    EXPECT_LE(differing, 1) << "of 255, at " << part.x();
  }
}

TEST(Blur, WhatLiesOnAPaneStaysSharp) {
  Frosted f(20);
  edit(f.project, f.project.screens[0]->id)
      ->items.emplace_back(panel("on it", 390, 20, Fill::solid({0, 255, 0, 255}), 0));
  const QImage out = f.draw();
  EXPECT_EQ(out.pixelColor(392, 200), QColor(0, 255, 0));
  EXPECT_LT(out.pixelColor(388, 200).green(), 5);
}

// As many as one likes: each of them shows the ones below, but not for twice the work each time.
TEST(Blur, ManyPanesOnOneAnotherArePainted) {
  Frosted f(8);
  for (int i = 0; i < 40; ++i)
    edit(f.project, f.project.screens[0]->id)
        ->items.emplace_back(panel(("p" + std::to_string(i)).c_str(), 300, 200, Fill{}, 8));
  EXPECT_NEAR(f.draw().pixelColor(400, 200).red(), 128, 16);
}

TEST(Blur, AChangeBelowChangesThePanesOverIt) {
  Frosted f(10);
  const Screen& screen = *f.project.screens[0];
  const Layout layout = layOut(f.project, screen, {f.project.displays[0], {}}, f.measure);
  EXPECT_EQ(panesOver(screen, layout, QRectF(280, 150, 5, 5)),
            std::vector<QRectF>{QRectF(300, 100, 200, 200)});
  EXPECT_TRUE(panesOver(screen, layout, QRectF(200, 150, 5, 5)).empty()) << "too far away";
  EXPECT_TRUE(panesOver(screen, layout, QRectF(380, 150, 5, 5), 3).empty()) << "it lies below";
}

// The same at rest and in a menu that runs, over a screen below, too.
TEST(Blur, AScreenOnTopBlursTheOneBelow) {
  Frosted f(0);
  Screen& first = *edit(f.project, f.project.screens[0]->id);
  Item go;
  go.id = {"go"};
  go.place = {{Pin::Start, 1000, 200, 0}, {Pin::Start, 500, 60, 0}};
  ButtonData data;
  data.kind = f.project.kinds[0]->id;
  data.actions = {{ActionType::PutOnTop, {"over"}, {}}};
  go.what = data;
  first.items.emplace_back(go);
  Screen over;
  over.id = {"over"};
  over.items.emplace_back(panel("veil", 300, 200, Fill{}, 20));
  f.project.screens.emplace_back(over);
  auto session = *Session::start(f.project, f.project.displays[0], f.measure);
  session.feed({.at = 0, .type = InputType::Accept, .down = true});
  session.feed({.at = 0, .type = InputType::Accept, .down = false});
  session.feed({.at = 3000});
  ASSERT_EQ(session.stack().size(), 2U);
  QImage out(1920, 1080, QImage::Format_ARGB32_Premultiplied);
  out.fill(Qt::black);
  QPainter painter(&out);
  paintSession(painter, f.looks, session);
  painter.end();
  EXPECT_NEAR(out.pixelColor(400, 200).red(), 128, 8);
  EXPECT_EQ(out.pixelColor(100, 200), QColor(255, 0, 0));
}

}  // namespace
}  // namespace bristle
