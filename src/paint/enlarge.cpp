#include "paint/enlarge.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <cstring>
#include <utility>
#include <vector>

namespace bristle {
namespace {

constexpr std::uint16_t kOne = 256;  // weights are in parts of this many

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

// A px as four lanes of 16 bits, a channel each: one multiplication weighs all of them, and lanes
// stay apart, since 255 · 256 + 128 is less than 2¹⁶.
using Lanes = std::uint64_t;
using Row = std::vector<Lanes>;
constexpr Lanes kHalves = 0x0080008000800080, kLow = 0x00ff00ff00ff00ff;

Lanes lanesOf(QRgb px) {
  Lanes out = px;
  out = (out | out << 16) & 0x0000ffff0000ffff;
  return (out | out << 8) & kLow;
}

// `narrow` is room for the row as it is.
void widen(const QImage& picture, int y, const std::vector<Between>& across, Row& narrow,
           Row& out) {
  const auto* line = reinterpret_cast<const QRgb*>(picture.constScanLine(y));
  std::transform(line, line + picture.width(), narrow.begin(), lanesOf);
  Lanes* to = out.data();
  for (const Between& b : across)
    *to++ = (narrow[size_t(b.first)] * Lanes(kOne - b.weight) +
             narrow[size_t(b.second)] * Lanes(b.weight) + kHalves) >>
                8 &
            kLow;
}

// Two px at once, as every processor does them (GCC's vector extensions, Clang's, too).
using Eight = std::uint16_t __attribute__((vector_size(16)));
using EightBytes = std::uint8_t __attribute__((vector_size(8)));

// Rows have an even number of px, the last of which may be none of the line's.
void between(const Row& one, const Row& other, std::uint16_t weight, QRgb* out, int width) {
  const auto rest = static_cast<std::uint16_t>(kOne - weight);
  for (int x = 0; x < width; x += 2) {
    Eight a, b;
    std::memcpy(&a, one.data() + x, sizeof a);
    std::memcpy(&b, other.data() + x, sizeof b);
    const EightBytes mixed =
        __builtin_convertvector((a * rest + b * weight + kOne / 2) / kOne, EightBytes);
    if (x + 1 < width)
      std::memcpy(out + x, &mixed, sizeof mixed);
    else
      std::memcpy(out + x, &mixed, sizeof(QRgb));
  }
}

}  // namespace

QImage enlarged(const QImage& picture, const QRectF& place, const QRect& onto) {
  if (picture.isNull() || onto.isEmpty()) return {};
  const auto across = nearestOf(picture.width(), place.x(), place.width(), onto.x(), onto.width());
  const auto down = nearestOf(picture.height(), place.y(), place.height(), onto.y(), onto.height());
  QImage out(onto.size(), QImage::Format_ARGB32_Premultiplied);
  Row narrow(size_t(picture.width())), upper(size_t(onto.width() + onto.width() % 2)),
      lower(upper.size());
  int upperIs = -1, lowerIs = -1;
  for (int y = 0; y < onto.height(); ++y) {
    const Between& b = down[size_t(y)];
    if (b.first == lowerIs) {
      std::swap(upper, lower);
      std::swap(upperIs, lowerIs);
    }
    if (b.first != upperIs) widen(picture, upperIs = b.first, across, narrow, upper);
    if (b.second != lowerIs) widen(picture, lowerIs = b.second, across, narrow, lower);
    between(upper, lower, static_cast<std::uint16_t>(b.weight),
            reinterpret_cast<QRgb*>(out.scanLine(y)), onto.width());
  }
  return out;
}

}  // namespace bristle
