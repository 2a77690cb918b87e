// How others see colours, by a plain second computation from the published matrices.
#include "core/findings/vision.h"
#include "runtime/machine/mix.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace bristle {
namespace {

double toLinear(int byte) {
  const double v = byte / 255.0;
  return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
}
int toByte(double v) {
  v = std::min(std::max(v, 0.0), 1.0);
  const double curved = v <= 0.0031308 ? 12.92 * v : 1.055 * std::pow(v, 1 / 2.4) - 0.055;
  return int(std::lround(255 * curved));
}

// Machado, Oliveira, Fernandes 2009, table for severity 1.0: pure red, worked by hand.
TEST(Vision, PureRedIsWhatTheTablesSay) {
  const Colour red{255, 0, 0, 255};
  const struct {
    Vision vision;
    double r, g, b;
  } kCases[] = {{Vision::Protanopia, 0.152286, 0.114503, -0.003882},
                {Vision::Deuteranopia, 0.367322, 0.280085, -0.011820},
                {Vision::Tritanopia, 1.255528, -0.078411, 0.004733}};
  for (const auto& each : kCases) {
    const Colour seen = seenWith(each.vision, red);
    EXPECT_EQ(seen, (Colour{std::uint8_t(toByte(each.r)), std::uint8_t(toByte(each.g)),
                            std::uint8_t(toByte(each.b)), 255}));
  }
}

TEST(Vision, GreysStayGreysAndOpacityStays) {
  for (const Vision vision : kAllVisions)
    for (int grey = 0; grey < 256; grey += 5) {
      const auto g = std::uint8_t(grey);
      const Colour seen = seenWith(vision, {g, g, g, 77});
      EXPECT_LE(std::abs(seen.r - seen.g), 1);
      EXPECT_LE(std::abs(seen.g - seen.b), 1);
      EXPECT_EQ(seen.a, 77);
      if (vision != Vision::Sunlight) {
        EXPECT_NEAR(seen.g, grey, 1);
      }
    }
}

TEST(Vision, InGreyLuminanceStays) {
  std::mt19937 random(4);
  for (int i = 0; i < 200; ++i) {
    const Colour c{std::uint8_t(random()), std::uint8_t(random()), std::uint8_t(random()), 255};
    const double y = 0.2126 * toLinear(c.r) + 0.7152 * toLinear(c.g) + 0.0722 * toLinear(c.b);
    EXPECT_EQ(seenWith(Vision::Grey, c).r, toByte(y));
  }
}

// In the sun black is no longer black and white is still white.
TEST(Vision, SunlightLiftsTheDark) {
  EXPECT_EQ(seenWith(Vision::Sunlight, {255, 255, 255, 255}), (Colour{255, 255, 255, 255}));
  EXPECT_EQ(seenWith(Vision::Sunlight, {0, 0, 0, 255}).r, toByte(0.25));
}

// OKLab of B. Ottosson, 2020: white is (1, 0, 0), and red (0.627955, 0.224863, 0.125846).
TEST(Vision, DistancesAreThoseOfOklab) {
  const Colour white{255, 255, 255, 255}, black{0, 0, 0, 255}, red{255, 0, 0, 255};
  EXPECT_NEAR(lookApart(white, black), 1, 1e-3);
  EXPECT_NEAR(lookApart(red, black), std::hypot(0.627955, 0.224863, 0.125846), 1e-3);
  EXPECT_NEAR(lookApart(red, white), std::hypot(1 - 0.627955, 0.224863, 0.125846), 1e-3);
  EXPECT_EQ(lookApart(red, red), 0);
  // Red and green of like lightness are far apart, and near to each other without red cones.
  const Colour green{0, 140, 0, 255}, brick{200, 40, 40, 255};
  EXPECT_GT(lookApart(green, brick), 0.25);
  EXPECT_LT(lookApart(seenWith(Vision::Deuteranopia, green), seenWith(Vision::Deuteranopia, brick)),
            lookApart(green, brick) / 2);
}

}  // namespace
}  // namespace bristle
