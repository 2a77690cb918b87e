#include "paint/part_place.h"

namespace bristle {
namespace {

// Where a length of `size` begins on an axis of the box.
double placed(const std::string& pin, double from, double extent, double size, double offset) {
  if (pin == "start") return from + offset;
  if (pin == "end") return from + extent - size + offset;
  return from + (extent - size) / 2 + offset;
}

QTransform about(const QPointF& pivot, double turn, double scale) {
  QTransform out = QTransform::fromTranslate(pivot.x(), pivot.y());
  out.rotate(turn);
  out.scale(scale, scale);
  out.translate(-pivot.x(), -pivot.y());
  return out;
}

QPointF pivotOf(const PartValues& values, const QRectF& rect) {
  const double x = values.number(Prop::PivotX);
  return rect.topLeft() + QPointF((values.mirrored() ? 1 - x : x) * rect.width(),
                                  values.number(Prop::PivotY) * rect.height());
}

// −1 where left and right have changed places.
double handOf(const PartValues& values) {
  return values.mirrored() ? -1 : 1;
}

QRectF rectOf(const PartValues& v, const QRectF& box) {
  const double dx = v.number(Prop::OffsetX), dy = v.number(Prop::OffsetY);
  if (!v.has(Prop::Width)) {
    const double size = v.number(Prop::Size);
    const double x = placed(v.text(Prop::PinX), box.x(), box.width(), 0, dx);
    const double y = placed(v.text(Prop::PinY), box.y(), box.height(), 0, dy);
    return {x - size / 2, y - size / 2, size, size};
  }
  const double w = v.number(Prop::Width) > 0 ? v.number(Prop::Width) : box.width();
  const double h = v.number(Prop::Height) > 0 ? v.number(Prop::Height) : box.height();
  const QRectF rect(placed(v.text(Prop::PinX), box.x(), box.width(), w, dx),
                    placed(v.text(Prop::PinY), box.y(), box.height(), h, dy), w, h);
  const double outset = v.has(Prop::Outset) ? v.number(Prop::Outset) : 0;
  return rect.adjusted(-outset, -outset, outset, outset);
}

}  // namespace

QRectF partRect(const PartValues& v, const QRectF& box) {
  QRectF rect = rectOf(v, box);
  if (v.mirrored()) rect.moveLeft(box.left() + box.right() - rect.right());
  return rect;
}

QTransform partTransform(const PartValues& v, const QRectF& rect) {
  const double turn = v.number(Prop::Rotation) * handOf(v), scale = v.number(Prop::Scale);
  if (turn == 0 && scale == 1) return {};
  return about(pivotOf(v, rect), turn, scale);
}

QTransform wholeTransform(const PartValues& v, const QRectF& box) {
  const double turn = v.number(Prop::Rotation) * handOf(v), scale = v.number(Prop::Scale);
  const double dx = v.number(Prop::OffsetX) * handOf(v), dy = v.number(Prop::OffsetY);
  if (turn == 0 && scale == 1 && dx == 0 && dy == 0) return {};
  return about(pivotOf(v, box), turn, scale) * QTransform::fromTranslate(dx, dy);
}

}  // namespace bristle
