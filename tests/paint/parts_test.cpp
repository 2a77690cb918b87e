// Parts as they are painted: forms, shadows, captions, icons.
#include <gtest/gtest.h>

#include <QPainter>

#include "paint/contrast.h"
#include "paint/forms.h"
#include "parts_fixture.h"
#include "runtime/machine/mix.h"

namespace bristle::test {
namespace {

// What is looked at while they are on is where and how large the captions are.
TEST_F(Parts, SignalColoursLeaveCaptionsWhereTheyAreAndAsLarge) {
  set(add(PartType::Label), Prop::Colour, "#ff0000");
  const LookTable table(kind(), *history.now().machines[0]);
  const auto covered = [&](bool signalColours) {
    QImage image(180, 140, QImage::Format_ARGB32_Premultiplied);
    image.fill(Qt::white);
    QPainter painter(&image);
    looks.setSignals(signalColours);
    looks.paintState(painter, kind(), table, 1, table.state(1), QRectF(40, 40, 100, 60), "Ahoy");
    QRect all;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (const QColor c = image.pixelColor(x, y); c.green() < 100 && c.blue() < 100)
          all |= QRect(x, y, 1, 1);
    return all;
  };
  const QRect plain = covered(false);
  ASSERT_GT(plain.width(), 20);
  const QRect tinted = covered(true);  // its edges are smoothed over another ground
  EXPECT_TRUE(plain.adjusted(-1, -1, 1, 1).contains(tinted)) << tinted.width();
  EXPECT_TRUE(tinted.adjusted(-1, -1, 1, 1).contains(plain)) << tinted.width();
}

// The font has no Arabic letters; the one that stands in for it has another height.
TEST_F(Parts, LettersOfAnotherFontStandOnTheSameLine) {
  const PartId l = add(PartType::Label);
  set(l, Prop::Size, "40");
  set(l, Prop::Colour, "#000000");
  const auto foot = [&](const char* caption) {
    const QImage image = painted(caption);
    for (int y = image.height() - 1; y >= 0; --y)
      for (int x = 0; x < image.width(); ++x)
        if (image.pixelColor(x, y).lightness() < 100) return y;
    return -1;
  };
  EXPECT_GT(foot("H"), 0);
  EXPECT_NEAR(foot("\u0627"), foot("H"), 1) << "alef stands on the line";
}

TEST_F(Parts, EveryFormCoversWhatItShould) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  const QColor red(255, 0, 0), white(Qt::white);
  const auto corners = [&] { return at(painted(), 2, 2) == red; };
  EXPECT_TRUE(corners()) << "a rectangle";
  for (const char* form : {"ellipse", "pill", "polygon"}) {
    set(s, Prop::Form, form);
    EXPECT_FALSE(corners()) << form;
    EXPECT_EQ(at(painted(), 50, 30), red) << form;
  }
  set(s, Prop::Form, "chevron");
  EXPECT_EQ(at(painted(), 4, 30), white) << "the notch";
  EXPECT_EQ(at(painted(), 96, 30), red) << "the point";
  set(s, Prop::Form, "outline");
  set(s, Prop::Outline, "M0 0H100L0 100Z");
  EXPECT_EQ(at(painted(), 10, 10), red);
  EXPECT_EQ(at(painted(), 90, 55), white);
  set(s, Prop::Form, "rectangle");
  set(s, Prop::Radius, "0 0 30 0");
  EXPECT_EQ(at(painted(), 2, 57), red);
  EXPECT_EQ(at(painted(), 97, 57), white) << "only the bottom right corner is round";
}

TEST_F(Parts, BordersLieWhereTheyAreTold) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::BorderWidth, "10");
  set(s, Prop::BorderColour, "#0000ff");
  const QColor blue(0, 0, 255), white(Qt::white);
  EXPECT_EQ(at(painted(), 5, 30), blue);
  EXPECT_EQ(at(painted(), -3, 30), white) << "inside: the size stays";
  set(s, Prop::BorderPlace, "outside");
  EXPECT_EQ(at(painted(), -5, 30), blue);
  EXPECT_EQ(at(painted(), 5, 30), QColor(255, 0, 0));
  set(s, Prop::BorderPlace, "centre");
  EXPECT_EQ(at(painted(), 3, 30), blue);
  EXPECT_EQ(at(painted(), -3, 30), blue);
  set(s, Prop::DashOn, "10");
  set(s, Prop::DashOff, "10");
  const QImage dashed = painted();
  int gaps = 0;
  for (int x = 5; x < 95; ++x) gaps += at(dashed, x, -4) == white;
  EXPECT_GT(gaps, 20);
}

TEST_F(Parts, ShadowsFallOutsideAndInsideAndFollowTheForm) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ffffff");
  set(s, Prop::Form, "ellipse");
  set(s, Prop::Shadow, "0 20 0 #000000");
  EXPECT_LT(at(painted(), 50, 70).lightness(), 10) << "below the ellipse";
  EXPECT_EQ(at(painted(), 2, 78), QColor(Qt::white)) << "but not in the corner of its box";
  set(s, Prop::Shadow, "none");
  set(s, Prop::Form, "rectangle");
  set(s, Prop::InnerShadow, "0 10 4 #000000");
  EXPECT_LT(at(painted(), 50, 2).lightness(), 60);
  EXPECT_GT(at(painted(), 50, 40).lightness(), 240);
  EXPECT_EQ(at(painted(), 50, -4), QColor(Qt::white)) << "nothing outside";
  set(s, Prop::InnerShadow, "none");
  set(s, Prop::Glow, "0 0 20 #ff0000");
  EXPECT_GT(at(painted(), -6, 30).red() - at(painted(), -6, 30).green(), 20);
}

TEST_F(Parts, RadialFillsRunOutwardsFromTheirCentre) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ffffff #000000 radial 0 0.5 1");
  EXPECT_GT(at(painted(), 2, 30).lightness(), 240);
  EXPECT_LT(at(painted(), 97, 30).lightness(), 15);
}

TEST_F(Parts, ABevelIsLightAboveAndDarkBelow) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#808080");
  set(s, Prop::Bevel, "6");
  EXPECT_GT(at(painted(), 50, 3).lightness(), 140);
  EXPECT_LT(at(painted(), 50, 57).lightness(), 110);
  EXPECT_EQ(at(painted(), 50, 30).lightness(), 128);
}

TEST_F(Parts, PlacesSizesTurnsAndPivots) {
  const PartId s = add(PartType::Shape);
  set(s, Prop::Fill, "#ff0000");
  set(s, Prop::Width, "20");
  set(s, Prop::Height, "10");
  const QColor red(255, 0, 0);
  EXPECT_EQ(at(painted(), 50, 30), red);
  EXPECT_NE(at(painted(), 35, 30), red);
  set(s, Prop::PinX, "end");
  set(s, Prop::OffsetX, "-5");
  EXPECT_EQ(at(painted(), 94, 30), red) << "5 px before the far edge";
  EXPECT_NE(at(painted(), 97, 30), red);
  set(s, Prop::Rotation, "90");
  EXPECT_EQ(at(painted(), 85, 38), red) << "turned about its own middle";
  set(s, Prop::Rotation, "0");
  set(s, Prop::Scale, "2");
  set(s, Prop::PivotX, "1");
  EXPECT_EQ(at(painted(), 60, 30), red) << "grown to the left, away from the pivot";
  EXPECT_NE(at(painted(), 98, 30), red);
}

TEST_F(Parts, LongCaptionsAreElidedShrunkOrBroken) {
  const PartId l = add(PartType::Label);
  set(l, Prop::Colour, "#000000");
  set(l, Prop::Size, "20");
  const auto extent = [&](const QImage& image) {
    QRect out;
    for (int y = 0; y < image.height(); ++y)
      for (int x = 0; x < image.width(); ++x)
        if (image.pixelColor(x, y).lightness() < 128) out |= QRect(x - 40, y - 40, 1, 1);
    return out;
  };
  const std::string text = "Lower the anchor chain";
  EXPECT_LE(extent(painted(text)).right(), 100) << "ellipsis";
  const LookTable table(kind(), *history.now().machines[0]);
  const PartValues values(PartType::Label, table.state(0).data());
  EXPECT_TRUE(looks.captions().isCut(values, QRectF(0, 0, 100, 60), text));
  set(l, Prop::Overflow, "shrink");
  EXPECT_LE(extent(painted(text)).right(), 101);
  EXPECT_LT(extent(painted(text)).height(), 16);
  set(l, Prop::Overflow, "spill");
  EXPECT_GT(extent(painted(text)).right(), 110);
  set(l, Prop::Overflow, "ellipsis");
  set(l, Prop::Lines, "2");
  EXPECT_GT(extent(painted("Lower anchor")).height(), 30) << "two lines";
  set(l, Prop::Lines, "1");
  set(l, Prop::Align, "start");
  set(l, Prop::Padding, "0 0 0 30");
  EXPECT_GE(extent(painted("Log")).left(), 30);
  const QImage plain = painted("log");
  set(l, Prop::Case, "upper");
  EXPECT_NE(painted("log"), plain);
  const int narrow = extent(painted("log")).width();
  set(l, Prop::Spacing, "6");
  EXPECT_GT(extent(painted("log")).width(), narrow + 8);
}

TEST_F(Parts, IconsTakeTheCaptionsColour) {
  const PartId l = add(PartType::Label), i = add(PartType::Icon);
  set(l, Prop::Colour, "#00aa00");
  set(i, Prop::Icon, "cross");
  set(i, Prop::Size, "48");
  set(i, Prop::PinX, "centre");
  EXPECT_EQ(at(painted(), 50, 30), QColor(0, 0xaa, 0));
  set(i, Prop::LikeCaption, "no");
  set(i, Prop::Colour, "#aa0000");
  EXPECT_EQ(at(painted(), 50, 30), QColor(0xaa, 0, 0));
  for (const std::string& name : iconNames()) {
    ASSERT_NE(iconPath(name), nullptr);
    const QRectF box = iconPath(name)->boundingRect();
    EXPECT_FALSE(box.isEmpty() && box.width() + box.height() == 0) << name;
    EXPECT_GE(std::min(box.left(), box.top()), 2) << name;
    EXPECT_LE(std::max(box.right(), box.bottom()), 22) << name;
  }
}

TEST_F(Parts, ContrastIsOfWhatIsReallyBehind) {
  const PartId s = add(PartType::Shape), l = add(PartType::Label);
  set(s, Prop::Fill, "#ffffff");
  set(l, Prop::Colour, "#767676");
  set(l, Prop::Size, "30");
  QImage ground(100, 60, QImage::Format_RGB32);
  ground.fill(Qt::black);
  const auto measured = [&] {
    const LookTable table(kind(), *history.now().machines[0]);
    return captionContrast(looks, kind(), table.state(0), "HHH", ground);
  };
  ASSERT_TRUE(measured());
  EXPECT_NEAR(measured()->ratio, 4.54, 0.05) << "the known grey on white";
  set(s, Prop::Opacity, "0");
  EXPECT_NEAR(measured()->ratio, contrast({0x76, 0x76, 0x76, 255}, {0, 0, 0, 255}), 0.1)
      << "the backdrop shows through";
  const Colour better = nudged({0x50, 0x50, 0x50, 255}, {0, 0, 0, 255}, 4.5);
  EXPECT_GE(contrast(better, {0, 0, 0, 255}), 4.5);
  EXPECT_LT(contrast(better, {0, 0, 0, 255}), 4.8) << "just as far as needed";
  set(l, Prop::Shown, "no");
  EXPECT_FALSE(measured()) << "no caption, no figure";
}

}  // namespace
}  // namespace bristle::test
