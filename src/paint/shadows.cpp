#include "paint/shadows.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace bristle {
namespace {

constexpr qint64 kMostBytes = 64 << 20;  // then all are dropped and made anew: simple, and rare

// One pass of a box blur along rows, written transposed, so that two passes blur both ways.
void blurRows(const std::vector<std::uint8_t>& in, std::vector<std::uint8_t>& out, int w, int h,
              int radius) {
  const int window = 2 * radius + 1;
  for (int y = 0; y < h; ++y) {
    const std::uint8_t* row = in.data() + static_cast<size_t>(y) * static_cast<size_t>(w);
    int sum = 0;
    for (int x = -radius; x <= radius; ++x) sum += x >= 0 && x < w ? row[x] : 0;
    for (int x = 0; x < w; ++x) {
      out[static_cast<size_t>(x) * static_cast<size_t>(h) + static_cast<size_t>(y)] =
          static_cast<std::uint8_t>(sum / window);
      if (x + radius + 1 < w) sum += row[x + radius + 1];
      if (x - radius >= 0) sum -= row[x - radius];
    }
  }
}

}  // namespace

// Three box blurs come close to the Gaussian that CSS asks for; sigma is half the blur.
const QImage& Shadows::image(const Key& key) {
  if (const auto at = images_.find(key); at != images_.end()) return at->second;
  const int margin = key.blur + 2;
  const int w = key.w + 2 * margin, h = key.h + 2 * margin;
  QImage mask(w, h, QImage::Format_Alpha8);
  mask.fill(0);
  {
    QPainter painter(&mask);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setPen(Qt::NoPen);
    painter.setBrush(Qt::black);
    painter.drawRoundedRect(QRectF(margin, margin, key.w, key.h), key.radius, key.radius);
  }
  const auto size = static_cast<size_t>(w) * static_cast<size_t>(h);
  std::vector<std::uint8_t> a(size), b(size);
  for (int y = 0; y < h; ++y)
    std::copy_n(mask.constScanLine(y), w,
                a.data() + static_cast<size_t>(y) * static_cast<size_t>(w));
  const int radius = std::max(0, static_cast<int>(std::lround(key.blur / 2.0 * 0.94)));
  for (int pass = 0; pass < 3 && radius > 0; ++pass) {
    blurRows(a, b, w, h, radius);
    blurRows(b, a, h, w, radius);
  }
  QImage out(w, h, QImage::Format_ARGB32_Premultiplied);
  const auto part = [&](int shift) { return static_cast<int>(key.rgb >> shift & 0xff); };
  for (int y = 0; y < h; ++y) {
    auto* line = reinterpret_cast<QRgb*>(out.scanLine(y));
    for (int x = 0; x < w; ++x) {
      const int alpha = a[static_cast<size_t>(y) * static_cast<size_t>(w) + static_cast<size_t>(x)];
      line[x] = qPremultiply(qRgba(part(16), part(8), part(0), alpha));
    }
  }
  if (bytes_ > kMostBytes) {
    images_.clear();
    bytes_ = 0;
  }
  bytes_ += out.sizeInBytes();
  return images_.emplace(key, std::move(out)).first->second;
}

void Shadows::draw(QPainter& painter, const QRectF& rect, double radius, const Shadow& s) {
  if (s.colour.a == 0) return;
  const QRectF box = rect.adjusted(-s.spread, -s.spread, s.spread, s.spread);
  if (box.width() < 1 || box.height() < 1 || box.width() > 4000 || box.height() > 4000) return;
  const Key key{qRound(box.width()), qRound(box.height()),
                qRound(std::min({radius + s.spread, box.width() / 2, box.height() / 2})),
                qRound(s.blur),
                std::uint32_t(s.colour.r) << 16 | std::uint32_t(s.colour.g) << 8 | s.colour.b};
  const double opacity = painter.opacity();
  painter.setOpacity(opacity * s.colour.a / 255.0);
  const int margin = key.blur + 2;
  painter.drawImage(
      QPointF(std::round(box.x() + s.dx) - margin, std::round(box.y() + s.dy) - margin),
      image(key));
  painter.setOpacity(opacity);
}

}  // namespace bristle
