#include "paint/seen_as.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace bristle {
namespace {

constexpr int kSteps = 4096;  // of linear light: fine enough for the darkest of 256

struct Tables {
  std::array<float, 256> linear;
  std::array<std::uint8_t, kSteps + 1> curved;
  Tables() {
    for (int i = 0; i < 256; ++i) {
      const double v = i / 255.0;
      linear[size_t(i)] =
          float(v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4)) * kSteps;
    }
    for (int i = 0; i <= kSteps; ++i) {
      const double v = double(i) / kSteps;
      const double c = v <= 0.0031308 ? v * 12.92 : 1.055 * std::pow(v, 1 / 2.4) - 0.055;
      curved[size_t(i)] = std::uint8_t(std::lround(c * 255));
    }
  }
};

}  // namespace

QImage seenAs(const QImage& image, Vision vision) {
  if (vision == Vision::AsIs) return image;
  static const Tables tables;
  const Seeing seeing = seeingOf(vision);
  std::array<std::array<float, 3>, 3> by{};
  for (size_t i = 0; i < 3; ++i)
    for (size_t j = 0; j < 3; ++j) by[i][j] = float(seeing.by[i][j]);
  const float added = float(seeing.added) * kSteps + 0.5f;
  // Colours as they are, whatever their opacity.
  QImage out = image.convertToFormat(QImage::Format_ARGB32);
  for (int y = 0; y < out.height(); ++y) {
    auto* row = reinterpret_cast<QRgb*>(out.scanLine(y));
    QRgb last = 0, made = 0;
    bool known = false;
    for (int x = 0; x < out.width(); ++x) {
      if (known && row[x] == last) {  // art has large plain areas
        row[x] = made;
        continue;
      }
      last = row[x];
      known = true;
      const float r = tables.linear[size_t(qRed(last))], g = tables.linear[size_t(qGreen(last))],
                  b = tables.linear[size_t(qBlue(last))];
      const auto channel = [&](size_t i) {
        const float v = by[i][0] * r + by[i][1] * g + by[i][2] * b + added;
        return tables.curved[size_t(std::clamp(v, 0.f, float(kSteps)))];
      };
      made = qRgba(channel(0), channel(1), channel(2), qAlpha(last));
      row[x] = made;
    }
  }
  return std::move(out).convertToFormat(QImage::Format_ARGB32_Premultiplied);
}

}  // namespace bristle
