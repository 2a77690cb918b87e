#include "paint/hit_shape.h"

#include <QBitmap>
#include <QRegion>
#include <algorithm>
#include <cmath>

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

QPainterPath hitOutline(const Kind& kind, const Look& look, const QRectF& box, Pictures& pictures) {
  QPainterPath path;
  if (kind.hitForm == HitForm::Shape &&
      firstOf(kind, look, PartType::Shape, [&](const PartValues& v) {
        const QRectF rect = partRect(v, box);
        path = partTransform(v, rect).map(formPath(v, rect));
      }))
    return path;
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

// The pointer asks for the same ones again with each of its moves.
const QImage& HitShapes::drawn(const PartValues& v, const QRectF& rect) const {
  constexpr size_t kMost = 256;
  const Key key{v.text(Prop::File), v.text(Prop::Fit), v.four(Prop::Slices),
                partRect(v, QRectF(QPointF(), rect.size())), rect.size()};
  const QImage* from = &pictures_.get(key.file).image;
  const auto at = std::find_if(kept_.begin(), kept_.end(), [&](const Kept& kept) {
    return kept.key == key && kept.source == from->cacheKey();
  });
  if (at != kept_.end()) return at->image;
  if (kept_.size() >= kMost) kept_.clear();
  kept_.push_back({key, from->cacheKey(), drawnPicture(v, rect, pictures_)});
  return kept_.back().image;
}

bool HitShapes::hits(const Kind& kind, const Look& look, const Box& box, Px x, Px y) const {
  if (kind.hitForm == HitForm::Alpha) {
    bool in = false;
    const QRectF rect = toQt(box);
    if (firstOf(kind, look, PartType::Picture, [&](const PartValues& v) {
          const QImage& image = drawn(v, rect);
          const QPoint at(int(std::floor(x - box.x)), int(std::floor(y - box.y)));
          in = image.rect().contains(at) &&
               qAlpha(image.pixel(at)) >= std::max(1.0, kind.hitAlpha * 255);
        }))
      return in;
  }
  return hitOutline(kind, look, toQt(box), pictures_).contains(QPointF(x, y));
}

}  // namespace bristle
