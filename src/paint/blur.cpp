#include "paint/blur.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numeric>

#include "paint/convert.h"
#include "paint/enlarge.h"
#include "runtime/document/screen.h"

namespace bristle {
namespace {

constexpr double kKept = 2;  // px of deviation at which a picture is blurred: enough to be smooth

// The four channels of a px, worked on at once (GCC's vector extensions, Clang's, too).
struct Px4 {
  float channels __attribute__((vector_size(16)));
};

// One pass of a box blur along rows, written transposed, so that two passes blur both ways. The
// first and the last px of a row go on for ever.
void blurRows(const std::vector<Px4>& in, std::vector<Px4>& out, int w, int h, int radius) {
  const float share = 1.0f / static_cast<float>(2 * radius + 1);
  for (int y = 0; y < h; ++y) {
    const Px4* row = in.data() + size_t(y) * size_t(w);
    const auto at = [&](int x) { return row[std::clamp(x, 0, w - 1)].channels; };
    auto sum = at(0) * 0;
    for (int x = -radius; x <= radius; ++x) sum += at(x);
    for (int x = 0; x < w; ++x) {
      out[size_t(x) * size_t(h) + size_t(y)].channels = sum * share;
      sum += at(x + radius + 1) - at(x - radius);
    }
  }
}

// The widths of three boxes whose deviations together come nearest to the one wanted (P. Kovesi,
// Fast Almost-Gaussian Filtering, 2010): the variance of a box w wide is (w² − 1) / 12.
std::array<int, 3> radiiOf(double deviation) {
  const double variance = 12 * deviation * deviation;
  int narrow = static_cast<int>(std::floor(std::sqrt(variance / 3 + 1)));
  if (narrow % 2 == 0) --narrow;
  const double narrows =
      (variance - 3.0 * narrow * narrow - 12.0 * narrow - 9) / (-4.0 * narrow - 4);
  const auto m = std::lround(narrows);
  std::array<int, 3> out{};
  for (int i = 0; i < 3; ++i) out[size_t(i)] = (i < m ? narrow : narrow + 2) / 2;
  return out;
}

}  // namespace

QImage blurred(QImage image, double deviation) {
  if (image.isNull() || deviation <= 0) return image;
  const int w = image.width(), h = image.height();
  std::vector<Px4> px(size_t(w) * size_t(h)), other(px.size());
  for (int y = 0; y < h; ++y) {
    const uchar* line = image.constScanLine(y);
    for (int x = 0; x < w; ++x, line += 4)
      for (int c = 0; c < 4; ++c) px[size_t(y) * size_t(w) + size_t(x)].channels[c] = line[c];
  }
  for (const int radius : radiiOf(deviation)) {
    if (radius == 0) continue;
    blurRows(px, other, w, h, radius);
    blurRows(other, px, h, w, radius);
  }
  for (int y = 0; y < h; ++y) {
    uchar* line = image.scanLine(y);
    for (int x = 0; x < w; ++x, line += 4)
      for (int c = 0; c < 4; ++c)
        line[c] = uchar(px[size_t(y) * size_t(w) + size_t(x)].channels[c] + 0.5f);
  }
  return image;
}

FrostedPx frosted(const QPainter& like, const QRectF& seen, double deviation, const QRectF& all,
                  const PaintsBelow& below) {
  const double ratio = like.device()->devicePixelRatioF();
  const double scale = std::abs(like.worldTransform().m11()) * ratio;  // device px to a layout px
  if (seen.isEmpty() || scale <= 0) return {};
  // Px of the small picture lie on one grid from the corner of all, whichever part is asked for.
  const double small = scale * std::min(1.0, kKept / (deviation * scale));
  const auto radii = radiiOf(deviation * small);
  const int reach = std::accumulate(radii.begin(), radii.end(), 2);
  const QRect grid(0, 0, qCeil(all.width() * small), qCeil(all.height() * small));
  const QRectF onGrid((seen.x() - all.x()) * small, (seen.y() - all.y()) * small,
                      seen.width() * small, seen.height() * small);
  const QRect part = onGrid.toAlignedRect().adjusted(-reach, -reach, reach, reach) & grid;
  const QTransform toPx = like.worldTransform() * QTransform::fromScale(ratio, ratio);
  const QSizeF device(like.device()->width(), like.device()->height());
  const QRect onto = (toPx.mapRect(seen) & QRectF(QPointF(), device * ratio)).toAlignedRect();
  if (part.isEmpty() || onto.isEmpty()) return {};
  QImage layer(part.size(), QImage::Format_ARGB32_Premultiplied);
  layer.fill(Qt::transparent);
  QTransform place;  // from the small picture
  place.translate(all.x() + part.x() / small, all.y() + part.y() / small);
  place.scale(1 / small, 1 / small);
  QPainter onLayer(&layer);
  onLayer.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
  onLayer.setTransform(place.inverted());
  below(onLayer, place.mapRect(QRectF(layer.rect())));
  onLayer.end();
  const QRectF filled = toPx.mapRect(place.mapRect(QRectF(QPointF(), part.size())));
  return {enlarged(blurred(std::move(layer), deviation * small), filled, onto), onto.topLeft()};
}

void paintBlurred(QPainter& painter, const QPainterPath& outline, double deviation,
                  const QRectF& all, const PaintsBelow& below) {
  QRectF seen = outline.boundingRect();
  if (painter.hasClipping()) seen &= painter.clipBoundingRect().adjusted(-2, -2, 2, 2);
  const FrostedPx px = frosted(painter, seen, deviation, all, below);
  if (px.picture.isNull()) return;
  // In device px, so that nothing of it is made larger or smaller once more.
  const double ratio = painter.device()->devicePixelRatioF();
  const QTransform toPx = painter.worldTransform() * QTransform::fromScale(ratio, ratio);
  QBrush brush(px.picture);
  brush.setTransform(QTransform::fromTranslate(px.at.x(), px.at.y()));
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setWorldTransform(QTransform::fromScale(1 / ratio, 1 / ratio));
  painter.fillPath(toPx.map(outline), brush);
  painter.restore();
}

std::vector<QRectF> panesOver(const Screen& screen, const Layout& layout, QRectF part,
                              size_t from) {
  std::vector<QRectF> out;
  for (size_t i = from; i < screen.items.size(); ++i) {
    const auto* panel = std::get_if<PanelData>(&screen.items[i]->what);
    if (!panel || panel->blur <= 0 || !layout.items[i].isSeen()) continue;
    const double reach = 3 * panel->blur * layout.items[i].scale;
    const QRectF box = toQt(layout.items[i].box);
    if (!box.adjusted(-reach, -reach, reach, reach).intersects(part)) continue;
    out.push_back(box);
    part |= box;
  }
  return out;
}

}  // namespace bristle
