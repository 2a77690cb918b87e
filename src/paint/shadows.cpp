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
  // A product in place of a division for each px.
  const auto inverse = static_cast<unsigned>((1 << 16) / (2 * radius + 1) + 1);
  for (int y = 0; y < h; ++y) {
    const std::uint8_t* row = in.data() + static_cast<size_t>(y) * static_cast<size_t>(w);
    int sum = 0;
    for (int x = -radius; x <= radius; ++x) sum += x >= 0 && x < w ? row[x] : 0;
    for (int x = 0; x < w; ++x) {
      out[static_cast<size_t>(x) * static_cast<size_t>(h) + static_cast<size_t>(y)] =
          static_cast<std::uint8_t>(std::min(255U, static_cast<unsigned>(sum) * inverse >> 16));
      if (x + radius + 1 < w) sum += row[x + radius + 1];
      if (x - radius >= 0) sum -= row[x - radius];
    }
  }
}

using Mask = std::vector<std::uint8_t>;

Mask maskOf(const QPainterPath& path, int w, int h) {
  QImage image(w, h, QImage::Format_Alpha8);
  image.fill(0);
  {
    QPainter painter(&image);
    painter.setRenderHint(QPainter::Antialiasing);
    painter.fillPath(path, Qt::black);
  }
  Mask out(static_cast<size_t>(w) * static_cast<size_t>(h));
  for (int y = 0; y < h; ++y)
    std::copy_n(image.constScanLine(y), w,
                out.data() + static_cast<size_t>(y) * static_cast<size_t>(w));
  return out;
}

// Three box blurs come close to the Gaussian that CSS asks for; sigma is half the blur.
void blur(Mask& mask, int w, int h, int amount) {
  const int radius = std::max(0, static_cast<int>(std::lround(amount / 2.0 * 0.94)));
  Mask other(mask.size());
  for (int pass = 0; pass < 3 && radius > 0; ++pass) {
    blurRows(mask, other, w, h, radius);
    blurRows(other, mask, h, w, radius);
  }
}

// Outlines of the same form at the same place have the same number, to a quarter of a px.
size_t formOf(const QPainterPath& path, const QPointF& origin) {
  size_t h = static_cast<size_t>(path.elementCount());
  for (int i = 0; i < path.elementCount(); ++i) {
    const auto& e = path.elementAt(i);
    for (double v : {e.x - origin.x(), e.y - origin.y()})
      h = h * 1000003U + static_cast<size_t>(std::lround(v * 4) + 100000);
  }
  return h;
}

}  // namespace

// Inner ones are what the outside, moved and blurred, puts over the inside.
const QImage& Shadows::image(const Key& key, const QPainterPath& outline, bool inner) {
  if (const auto at = images_.find(key); at != images_.end()) return at->second;
  const int margin = key.blur + 2;
  const int w = key.w + 2 * margin, h = key.h + 2 * margin;
  const QPointF move = QPointF(margin, margin) - outline.boundingRect().topLeft();
  Mask mask = maskOf(outline.translated(inner ? move + QPointF(key.dx, key.dy) : move), w, h);
  if (inner)
    for (auto& v : mask) v = static_cast<std::uint8_t>(255 - v);
  blur(mask, w, h, key.blur);
  if (inner) {
    const Mask inside = maskOf(outline.translated(move), w, h);
    for (size_t i = 0; i < mask.size(); ++i)
      mask[i] = static_cast<std::uint8_t>(mask[i] * inside[i] / 255);
  }
  QImage out(w, h, QImage::Format_ARGB32_Premultiplied);
  const auto part = [&](int shift) { return static_cast<int>(key.rgb >> shift & 0xff); };
  for (int y = 0; y < h; ++y) {
    auto* line = reinterpret_cast<QRgb*>(out.scanLine(y));
    for (int x = 0; x < w; ++x) {
      const int alpha =
          mask[static_cast<size_t>(y) * static_cast<size_t>(w) + static_cast<size_t>(x)];
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

void Shadows::scaleTo(const QPainter& painter) {
  const QTransform t = painter.worldTransform();
  const bool plain = t.type() <= QTransform::TxScale && t.m11() > 0 && t.m11() == t.m22();
  scale_ = plain ? std::clamp(t.m11() * painter.device()->devicePixelRatioF(), 0.05, 4.0) : 1;
}

void Shadows::draw(QPainter& painter, const QPainterPath& outline, const Shadow& s, bool inner) {
  if (s.colour.a == 0) return;
  const QRectF box = outline.boundingRect();
  const double spread = inner ? -s.spread : s.spread;
  if (box.width() + 2 * spread < 1 || box.height() + 2 * spread < 1 || box.width() > 4000 ||
      box.height() > 4000)
    return;
  // Made at the size at which it is seen: small ones are blurred quickly, and are laid down as they
  // are.
  QTransform grow = QTransform::fromScale(scale_, scale_);
  if (spread != 0 && !inner) {
    // Scaled about its centre: for boxes the same as growing each side.
    const QPointF c = box.center();
    grow = QTransform::fromTranslate(-c.x(), -c.y()) *
           QTransform::fromScale((box.width() + 2 * spread) / box.width(),
                                 (box.height() + 2 * spread) / box.height()) *
           QTransform::fromTranslate(c.x(), c.y()) * grow;
  }
  const QPainterPath cast = grow.map(outline);
  const QRectF at = cast.boundingRect();
  const QPointF move(s.dx * scale_, s.dy * scale_);
  const Key key{qRound(at.width()),
                qRound(at.height()),
                qRound(s.blur * scale_),
                inner ? qRound(move.x()) : 0,
                inner ? qRound(move.y()) : 0,
                formOf(cast, at.topLeft()) * 2 + (inner ? 1 : 0),
                std::uint32_t(s.colour.r) << 16 | std::uint32_t(s.colour.g) << 8 | s.colour.b};
  const double opacity = painter.opacity();
  painter.setOpacity(opacity * s.colour.a / 255.0);
  const double margin = key.blur + 2;
  lay(painter, (inner ? at.topLeft() : at.topLeft() + move) - QPointF(margin, margin),
      image(key, cast, inner));
  painter.setOpacity(opacity);
}

// `at` is in px of the image, from the painter's origin.
void Shadows::lay(QPainter& painter, const QPointF& at, const QImage& image) const {
  const QTransform t = painter.worldTransform();
  if (t.type() <= QTransform::TxScale && t.m11() == scale_ && t.m22() == scale_ &&
      painter.device()->devicePixelRatioF() == 1) {
    // Px on px: several times as fast as the general way.
    painter.setWorldTransform({});
    painter.drawImage(QPoint(qRound(at.x() + t.dx()), qRound(at.y() + t.dy())), image);
    painter.setWorldTransform(t);
    return;
  }
  painter.drawImage(QRectF(at / scale_, QSizeF(image.size()) / scale_), image);
}

}  // namespace bristle
