#include "paint/part_place.h"

#include "paint/convert.h"
#include "runtime/machine/part_place.h"

namespace bristle {

QTransform toQt(const Affine& at) {
  return at.isIdentity() ? QTransform() : QTransform(at.a, at.b, at.c, at.d, at.e, at.f);
}

QRectF partRect(const PartValues& v, const QRectF& box) {
  return toQt(partBox(v, fromQt(box)));
}

QTransform partTransform(const PartValues& v, const QRectF& rect) {
  return toQt(partMotion(v, fromQt(rect)));
}

QTransform wholeTransform(const PartValues& v, const QRectF& box) {
  return toQt(wholeMotion(v, fromQt(box)));
}

}  // namespace bristle
