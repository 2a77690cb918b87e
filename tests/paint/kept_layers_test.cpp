// What is kept between frames while screens come and go shows what painting all of it anew shows.
#include "paint/kept_layers.h"

#include <gtest/gtest.h>

#include <QFileInfo>
#include <QImage>
#include <QPainter>
#include <random>

#include "core/edit/screen_edits.h"
#include "core/formats/file_io.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

// A screen of two buttons; the first puts another on top.
Project menu(const ScreenMotion& motion, Px blur) {
  History h(test::columnMenu({"On", "Two"}));
  const ScreenId first = h.now().first;
  test::must(h, addScreen("Over"));
  const ScreenId second = h.now().screens[1]->id;
  test::must(h, addButton(second, h.now().kinds[0]->id, "Dark", 700, 340));
  test::must(h, addButton(second, h.now().kinds[0]->id, "Other", 700, 540));
  Project p = h.now();
  edit(*edit(p, first), test::buttons(p)[0])->button()->actions = {
      {ActionType::PutOnTop, second, {}}};
  edit(p, first)->backdrop = Fill::solid({200, 180, 160, 255});
  Screen& over = *edit(p, second);
  over.comes = over.goes = motion;
  over.blurBelow = blur;
  over.dimBelow = 0.3;
  return p;
}

class Kept : public testing::Test {
 protected:
  QImage shot(Session& session, KeptLayers* kept) {
    QImage image(970, 550, QImage::Format_RGB32);
    image.fill(QColor(90, 0, 90));
    QPainter painter(&image);
    painter.translate(5, 5);
    painter.scale(0.5, 0.5);
    painter.setClipRect(QRectF(0, 0, 1920, 1080));
    paintSession(painter, looks, session, {}, kept);
    return image;
  }
  // The greatest difference of a channel, and the mean over all pixels.
  static std::pair<int, double> apart(const QImage& a, const QImage& b) {
    int most = 0;
    double sum = 0;
    for (int y = 0; y < a.height(); ++y) {
      const auto* of = reinterpret_cast<const QRgb*>(a.constScanLine(y));
      const auto* other = reinterpret_cast<const QRgb*>(b.constScanLine(y));
      if (std::equal(of, of + a.width(), other)) continue;
      for (int x = 0; x < a.width(); ++x) {
        const QRgb p = of[x], q = other[x];
        const int d = std::max({std::abs(qRed(p) - qRed(q)), std::abs(qGreen(p) - qGreen(q)),
                                std::abs(qBlue(p) - qBlue(q))});
        most = std::max(most, d);
        sum += d;
      }
    }
    return {most, sum / (a.width() * a.height())};
  }
  FontMeasure measure;
  LookPainter looks;
};

constexpr Easing kStraight{.type = EasingType::Linear};

// Through opening, pointing about meanwhile, turning back half-way and all that: each frame is held
// to one painted anew.
void roam(const std::function<void(Session&, Ms)>& frame, const Project& p,
          const TextMeasure& measure, unsigned seed) {
  std::mt19937 random(seed);
  auto session = *Session::start(p, p.displays[0], measure);
  Ms now = 0;
  for (int i = 0; i < 60; ++i) {
    now += 16;
    switch (random() % 8) {
      case 0:
        session.feed({.at = now, .type = InputType::Accept, .down = true});
        session.feed({.at = now, .type = InputType::Accept, .down = false});
        break;
      case 1:
        session.feed({.at = now, .type = InputType::Cancel, .down = true});
        session.feed({.at = now, .type = InputType::Cancel, .down = false});
        break;
      case 2:
        session.feed({.at = now,
                      .type = InputType::Point,
                      .device = Device::Mouse,
                      .x = Px(random() % 1920),
                      .y = Px(random() % 1080)});
        break;
      default:
        session.feed({.at = now});
    }
    frame(session, now);
  }
}

TEST_F(Kept, FramesOfAFadeAreAsIfPaintedAnew) {
  int moved = 0;
  for (unsigned seed = 1; seed <= 6; ++seed) {
    KeptLayers kept;
    roam(
        [&](Session& session, Ms now) {
          moved += session.screensMove();
          const auto [most, mean] = apart(shot(session, &kept), shot(session, nullptr));
          EXPECT_LE(most, 3) << "seed " << seed << ", " << now << " ms";
        },
        menu({ScreenMotionForm::Fade, 150, kStraight}, 0), measure, seed);
  }
  EXPECT_GT(moved, 60);
}

// Blurred from a picture instead of from a small painting: smoothed differently, by a little.
TEST_F(Kept, FramesOverABlurAreNearly) {
  int moved = 0;
  for (unsigned seed = 1; seed <= 2; ++seed) {
    KeptLayers kept;
    roam(
        [&](Session& session, Ms now) {
          moved += session.screensMove();
          const auto [most, mean] = apart(shot(session, &kept), shot(session, nullptr));
          EXPECT_LE(most, 24) << "seed " << seed << ", " << now << " ms";
          EXPECT_LE(mean, 0.7) << "seed " << seed << ", " << now << " ms";
        },
        menu({ScreenMotionForm::Fade, 150, kStraight}, 10), measure, seed);
  }
  EXPECT_GT(moved, 20);
}

// Laid down at whole pixels: at these ms the screen stands on them anyway.
TEST_F(Kept, ASlideStandsWhereItIsPaintedAnew) {
  const Project p = menu({ScreenMotionForm::Slide, 100, kStraight}, 0);
  auto session = *Session::start(p, p.displays[0], measure);
  KeptLayers kept;
  session.feed({.at = 1000, .type = InputType::Accept, .down = true});
  session.feed({.at = 1000, .type = InputType::Accept, .down = false});
  for (const Ms at : {1020, 1050, 1075}) {
    session.feed({.at = at});
    ASSERT_TRUE(session.screensMove());
    EXPECT_LE(apart(shot(session, &kept), shot(session, nullptr)).first, 3) << at;
  }
  session.feed({.at = 3000});
  EXPECT_LE(apart(shot(session, &kept), shot(session, nullptr)).first, 3) << "at rest";
}

// Menus with all there is: lists that scroll, overlays over a blur, languages, prompts, rings.
TEST_F(Kept, TheDemosAreAsIfPaintedAnewWhateverIsDone) {
  for (const char* file :
       {"demo/saltglass-deep.bristle", "glasshouse/fernhollow-glasshouse.bristle"}) {
    const std::string path = std::string(BRISTLE_SOURCE) + "/data/" + file;
    const Project p = parseProject(*readFile(path))->project;
    looks.pictures().setFolder(QFileInfo(QString::fromStdString(path)).path());
    KeptLayers kept;
    std::mt19937 random(5);
    auto session = *Session::start(p, p.displays[0], measure);
    Ms now = 0;
    for (int i = 0; i < 60; ++i) {
      now += 16 + random() % 3 * 150;
      InputEvent e{.at = now};
      e.device = random() % 3 == 0 ? Device::Controller : Device::Keyboard;
      const auto what = random() % 8;
      e.type = what == 0   ? InputType::Cancel
               : what < 3  ? InputType::Accept
               : what == 3 ? InputType::Point
                           : InputType::Move;
      e.dir = kDirs[random() % 4];
      if (what == 3) e.device = Device::Mouse;
      e.x = Px(random() % 1920);
      e.y = Px(random() % 1080);
      e.down = random() % 2 == 0;
      session.feed(e);
      if (session.ended()) session = *Session::start(p, p.displays[0], measure), kept.forget();
      const auto [most, mean] = apart(shot(session, &kept), shot(session, nullptr));
      ASSERT_LE(mean, 0.7) << file << ", event " << i << ", worst " << most;
    }
  }
}

}  // namespace
}  // namespace bristle
