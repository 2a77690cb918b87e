// A picture made larger against the definition of bilinear sampling, one px and channel at a time.
#include "paint/enlarge.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

namespace bristle {
namespace {

QImage noise(int w, int h, unsigned seed) {
  std::mt19937 random(seed);
  QImage out(w, h, QImage::Format_ARGB32_Premultiplied);
  for (int y = 0; y < h; ++y)
    for (int x = 0; x < w; ++x) {
      const int alpha = int(random() % 256);
      const auto channel = [&] { return int(random() % unsigned(alpha + 1)); };
      reinterpret_cast<QRgb*>(out.scanLine(y))[x] = qRgba(channel(), channel(), channel(), alpha);
    }
  return out;
}

int channelOf(const QImage& picture, double x, double y, int shift) {
  const auto at = [&](double px, double py) {
    const int i = int(std::clamp(px, 0.0, picture.width() - 1.0));
    const int j = int(std::clamp(py, 0.0, picture.height() - 1.0));
    return double(reinterpret_cast<const QRgb*>(picture.constScanLine(j))[i] >> shift & 255);
  };
  const double fx = std::floor(x), fy = std::floor(y), u = x - fx, v = y - fy;
  return int(std::lround((at(fx, fy) * (1 - u) + at(fx + 1, fy) * u) * (1 - v) +
                         (at(fx, fy + 1) * (1 - u) + at(fx + 1, fy + 1) * u) * v));
}

TEST(Enlarge, IsBilinear) {
  for (unsigned seed = 1; seed <= 40; ++seed) {
    std::mt19937 random(seed);
    const QImage from = noise(1 + int(random() % 30), 1 + int(random() % 20), seed);
    const QRectF place(double(random() % 100) - 50.3, double(random() % 100) - 50.7,
                       1 + random() % 1000 / 7.0, 1 + random() % 1000 / 9.0);
    const QRect onto(int(random() % 60) - 40, int(random() % 60) - 40, 1 + int(random() % 70),
                     1 + int(random() % 50));
    const QImage out = enlarged(from, place, onto);
    ASSERT_EQ(out.size(), onto.size());
    int worst = 0;
    for (int y = 0; y < onto.height(); ++y)
      for (int x = 0; x < onto.width(); ++x) {
        const double px = (onto.x() + x + 0.5 - place.x()) * from.width() / place.width() - 0.5;
        const double py = (onto.y() + y + 0.5 - place.y()) * from.height() / place.height() - 0.5;
        const QRgb is = reinterpret_cast<const QRgb*>(out.constScanLine(y))[x];
        for (const int shift : {0, 8, 16, 24})
          worst =
              std::max(worst, std::abs(int(is >> shift & 255) - channelOf(from, px, py, shift)));
      }
    EXPECT_LE(worst, 2) << "of 255, seed " << seed;
  }
}

TEST(Enlarge, LeavesWhatIsEvenAndWhatIsAsLargeAlready) {
  QImage even(5, 4, QImage::Format_ARGB32_Premultiplied);
  even.fill(qRgba(40, 90, 128, 128));
  QImage large(70, 50, QImage::Format_ARGB32_Premultiplied);
  large.fill(qRgba(40, 90, 128, 128));
  EXPECT_EQ(enlarged(even, {3.5, 2.25, 37, 29}, {0, 0, 70, 50}), large) << "beyond it, too";
  const QImage some = noise(20, 10, 7);
  EXPECT_EQ(enlarged(some, {4, 6, 20, 10}, {4, 6, 20, 10}), some);
  EXPECT_TRUE(enlarged({}, {0, 0, 9, 9}, {0, 0, 9, 9}).isNull());
  EXPECT_TRUE(enlarged(some, {0, 0, 9, 9}, {}).isNull());
}

}  // namespace
}  // namespace bristle
