#include "paint/hit_shape.h"

#include <QBitmap>
#include <QRegion>
#include <algorithm>
#include <cmath>
#include <optional>

#include "paint/convert.h"
#include "paint/forms.h"
#include "paint/part_place.h"

namespace bristle {
namespace {

// The first part of a sort, in the button's own coordinates.
template <class Make>
bool firstOf(const Kind& kind, const Look& look, PartType type, Make make) {
  bool found = false;
  eachPart(kind.parts, look.data(), [&](const Part& part, const PartValues& v) {
    if (found || part.type != type || v.shown() <= 0) return;
    found = true;
    make(v);
  });
  return found;
}

// The picture as it is drawn in the box, one pixel for each px.
QImage drawnPicture(const PartValues& v, const QRectF& box, Pictures& pictures) {
  QImage image(QSizeF(box.size()).toSize().expandedTo({1, 1}), QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  QPainter painter(&image);
  PictureLook how;
  how.file = v.text(Prop::File);
  how.fit = v.text(Prop::Fit);
  how.slices = v.four(Prop::Slices);
  pictures.draw(painter, partRect(v, QRectF(QPointF(), box.size())), how);
  return image;
}

}  // namespace

QPainterPath hitOutline(const Kind& kind, const Look& look, const QRectF& box, Pictures& pictures,
                        bool mirrored) {
  QPainterPath path;
  if (kind.hitForm == HitForm::Shape &&
      firstOf(kind, look, PartType::Shape, [&](const PartValues& v) {
        const QRectF rect = partRect(v, box);
        path = partTransform(v, rect).map(formPath(v, rect));
      }))
    return mirrored ? QTransform(-1, 0, 0, 1, box.left() + box.right(), 0).map(path) : path;
  if (kind.hitForm == HitForm::Alpha &&
      firstOf(kind, look, PartType::Picture, [&](const PartValues& v) {
        const QImage image = drawnPicture(v, box, pictures);
        const auto least = int(std::ceil(std::max(kind.hitAlpha, 1 / 255.0) * 255));
        QRegion area;
        for (int y = 0; y < image.height(); ++y)
          for (int x = 0, from = -1; x <= image.width(); ++x) {
            const bool in = x < image.width() && qAlpha(image.pixel(x, y)) >= least;
            if (in && from < 0) from = x;
            if (in || from < 0) continue;
            area += QRect(from, y, x - from, 1);
            from = -1;
          }
        path.addRegion(area);
        path.translate(box.topLeft());
        path = path.simplified();
      }))
    return path;
  const double p = kind.hitPadding;
  path.addRect(box.adjusted(-p, -p, p, p));
  return path;
}

namespace {

// What of an image counts, as stretches; the image's upper left pixel is at `corner`.
template <class Counts>
HitMask maskFrom(const QImage& image, QPoint corner, Counts counts) {
  HitMask out;
  out.top = corner.y();
  out.rows.resize(static_cast<size_t>(image.height()));
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0, from = -1; x <= image.width(); ++x) {
      const bool in = x < image.width() && counts(image.pixel(x, y));
      if (in && from < 0) from = x;
      if (in || from < 0) continue;
      out.rows[static_cast<size_t>(y)].push_back({from + corner.x(), x + corner.x()});
      from = -1;
    }
  return out;
}

HitMask drawnMask(const Kind& kind, const Look& look, const QRectF& box, Pictures& pictures) {
  std::optional<HitMask> out;
  if (kind.hitForm == HitForm::Alpha)
    firstOf(kind, look, PartType::Picture, [&](const PartValues& v) {
      out = maskFrom(drawnPicture(v, box, pictures), {}, [&](QRgb pixel) {
        return qAlpha(pixel) >= std::max(1.0, kind.hitAlpha * 255);
      });
    });
  if (out) return *out;
  // A pixel belongs to the form when its centre does. A session asks for the box and the padding.
  const int room = std::max(0, static_cast<int>(std::ceil(kind.hitPadding)));
  const QRect all = box.toAlignedRect().adjusted(-room, -room, room, room);
  QImage image(all.size(), QImage::Format_Alpha8);
  image.fill(0);
  QPainter painter(&image);
  painter.translate(-all.topLeft());
  painter.fillPath(hitOutline(kind, look, box, pictures), Qt::black);
  painter.end();
  return maskFrom(image, all.topLeft(), [](QRgb pixel) { return qAlpha(pixel) > 0; });
}

}  // namespace

bool HitShapes::hasMask(const Kind& kind, const Size& box) {
  constexpr double kMostPixels = 16e6;
  return kind.hitForm == HitForm::Alpha || box.w * box.h <= kMostPixels;
}

// The pointer asks for the same ones again with each of its moves.
const HitMask& HitShapes::maskOf(const Kind& kind, const Look& look, const Size& box) const {
  constexpr size_t kMost = 256;
  qint64 source = 0;
  if (kind.hitForm == HitForm::Alpha)
    firstOf(kind, look, PartType::Picture, [&](const PartValues& v) {
      source = pictures_.get(v.text(Prop::File)).image.cacheKey();
    });
  const auto at = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& k) {
    return k.kind == kind.id && k.form == kind.hitForm && k.alpha == kind.hitAlpha &&
           k.padding == kind.hitPadding && k.box.w == box.w && k.box.h == box.h &&
           k.source == source && k.look == look;
  });
  if (at != kept_.end()) return at->mask;
  if (kept_.size() >= kMost) kept_.pop_front();
  kept_.push_back({kind.id, kind.hitForm, kind.hitAlpha, kind.hitPadding, look, box, source,
                   drawnMask(kind, look, QRectF(0, 0, box.w, box.h), pictures_)});
  return kept_.back().mask;
}

bool HitShapes::hits(const Item&, const Kind& kind, const Look& look, const Box& box, Px x,
                     Px y) const {
  if (!hasMask(kind, {box.w, box.h}))
    return hitOutline(kind, look, toQt(box), pictures_).contains(QPointF(x, y));
  return maskOf(kind, look, {box.w, box.h}).holds(x - box.x, y - box.y);
}

}  // namespace bristle
