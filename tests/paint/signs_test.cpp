// Signs of keys and buttons: each is drawn, in its square, and none looks like another.
#include "paint/signs.h"

#include <gtest/gtest.h>

#include <QGuiApplication>
#include <QImage>
#include <set>

#include "paint/convert.h"
#include "paint/screen_painter.h"
#include "support/menus.h"

namespace bristle {
namespace {

QImage pictureOf(const Sign& sign, PadSigns pad) {
  QImage out(64, 64, QImage::Format_ARGB32_Premultiplied);
  out.fill(Qt::transparent);
  QPainter p(&out);
  paintSign(p, QRectF(8, 8, 48, 48), sign, pad, Qt::black);
  p.end();
  return out;
}

bool isWithin(const QImage& image) {
  for (int i = 0; i < 64; ++i)
    for (const QPoint at : {QPoint(i, 4), QPoint(i, 60), QPoint(4, i), QPoint(60, i)})
      if (image.pixelColor(at).alpha() > 0) return false;
  return true;
}

TEST(Signs, AllAreDrawnWithinTheirSquareAndCanBeToldApart) {
  for (const PadSigns pad : {PadSigns::Dots, PadSigns::Quarters, PadSigns::Numbers}) {
    std::vector<QImage> seen;
    for (const Sign::Of of : {Sign::Of::Key, Sign::Of::Button})
      for (const std::string_view name : signNames(of)) {
        if (name == "NumpadEnter") continue;  // is drawn as the other Enter
        const QImage image = pictureOf({of, std::string(name)}, pad);
        EXPECT_TRUE(isWithin(image)) << name;
        for (const QImage& other : seen) EXPECT_NE(image, other) << name;
        seen.push_back(image);
      }
  }
}

// The window has a font of its own, the command line none: what is delivered is the same.
TEST(Signs, AreTheSameWhateverFontIsInUse) {
  const QFont before = QGuiApplication::font();
  const Sign sign{.of = Sign::Of::Key, .name = "Q"};
  const QImage one = pictureOf(sign, PadSigns::Dots);
  QFont other(QStringLiteral("DejaVu Serif"), 19);
  other.setItalic(true);
  QGuiApplication::setFont(other);
  EXPECT_EQ(pictureOf(sign, PadSigns::Dots), one);
  QGuiApplication::setFont(before);
}

// The icon of a prompt follows the device that was used last.
TEST(Signs, APromptShowsTheSignOfTheDeviceInUse) {
  History h{test::columnMenu({"One"})};
  const KindId kind = h.now().kinds[0]->id;
  Project p = h.now();
  Part icon{PartId{"icon"}, "icon", PartType::Icon, {}};
  edit(p, kind)->parts.push_back(icon);
  edit(p.screens[0].edit(), test::buttons(p)[0])->button()->prompt = Prompt{Does::Accept};
  const PlainMeasure measure;
  auto session = Session::start(p, p.displays[0], measure);
  ASSERT_TRUE(session);
  LookPainter looks;
  const auto picture = [&] {
    QImage out(600, 400, QImage::Format_ARGB32_Premultiplied);
    out.fill(Qt::white);
    QPainter painter(&out);
    paintSession(painter, looks, *session);
    painter.end();
    return out;
  };
  session->feed({.at = 2'000});
  const QImage keys = picture();
  session->feed({.at = 2'000, .type = InputType::Cancel, .device = Device::Controller});
  session->feed(
      {.at = 9'000, .type = InputType::Cancel, .device = Device::Controller, .down = false});
  const QImage pad = picture();
  EXPECT_NE(keys, pad);
  session->feed({.at = 9'000, .type = InputType::Cancel, .device = Device::Keyboard});
  session->feed(
      {.at = 20'000, .type = InputType::Cancel, .device = Device::Keyboard, .down = false});
  EXPECT_EQ(picture(), keys);
}

}  // namespace
}  // namespace bristle
