#include "paint/enlarge.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <utility>
#include <vector>

namespace bristle {
namespace {

constexpr int kOne = 256;  // weights are in parts of this many
constexpr int kChannels = 4;

// Between which two px of a line a px of the larger line lies, and how near to the second.
struct Between {
  int first, second;
  int weight;  // of the second
};

std::vector<Between> nearestOf(int from, double begin, double length, int ontoBegin,
                               int ontoLength) {
  std::vector<Between> out;
  out.reserve(size_t(ontoLength));
  const double step = from / length;
  const auto px = [from](double at) { return static_cast<int>(std::clamp(at, 0.0, from - 1.0)); };
  for (int i = 0; i < ontoLength; ++i) {
    const double at = (ontoBegin + i + 0.5 - begin) * step - 0.5, below = std::floor(at);
    out.push_back({px(below), px(below + 1), static_cast<int>(std::lround((at - below) * kOne))});
  }
  return out;
}

using Row = std::vector<std::uint16_t>;  // channels one after another, times kOne

void widen(const QImage& picture, int y, const std::vector<Between>& across, Row& out) {
  const std::uint8_t* row = picture.constScanLine(y);
  std::uint16_t* to = out.data();
  for (const Between& b : across) {
    const std::uint8_t *one = row + kChannels * b.first, *other = row + kChannels * b.second;
    for (int c = 0; c < kChannels; ++c)
      *to++ = static_cast<std::uint16_t>(one[c] * (kOne - b.weight) + other[c] * b.weight);
  }
}

// Kept apart and plain, so that it is done for many at a time.
void between(const std::uint16_t* one, const std::uint16_t* other, std::uint32_t weight,
             std::uint8_t* out, size_t count) {
  const std::uint32_t rest = kOne - weight;
  for (size_t i = 0; i < count; ++i)
    out[i] = static_cast<std::uint8_t>((one[i] * rest + other[i] * weight + (1U << 15)) >> 16);
}

}  // namespace

QImage enlarged(const QImage& picture, const QRectF& place, const QRect& onto) {
  if (picture.isNull() || onto.isEmpty()) return {};
  const auto across = nearestOf(picture.width(), place.x(), place.width(), onto.x(), onto.width());
  const auto down = nearestOf(picture.height(), place.y(), place.height(), onto.y(), onto.height());
  QImage out(onto.size(), QImage::Format_ARGB32_Premultiplied);
  const size_t count = size_t(onto.width()) * kChannels;
  Row upper(count), lower(count);
  int upperIs = -1, lowerIs = -1;
  for (int y = 0; y < onto.height(); ++y) {
    const Between& b = down[size_t(y)];
    if (b.first == lowerIs) {
      std::swap(upper, lower);
      std::swap(upperIs, lowerIs);
    }
    if (b.first != upperIs) widen(picture, upperIs = b.first, across, upper);
    if (b.second != lowerIs) widen(picture, lowerIs = b.second, across, lower);
    between(upper.data(), lower.data(), static_cast<std::uint32_t>(b.weight), out.scanLine(y),
            count);
  }
  return out;
}

}  // namespace bristle
