// Where a part stands in its button, and how it is moved there, in Qt's types
// (runtime/machine/part_place.h).
#pragma once
#include <QRectF>
#include <QTransform>

#include "runtime/document/affine.h"
#include "runtime/machine/part_values.h"

namespace bristle {

QTransform toQt(const Affine& affine);
QRectF partRect(const PartValues& values, const QRectF& box);
QTransform partTransform(const PartValues& values, const QRectF& rect);
QTransform wholeTransform(const PartValues& whole, const QRectF& box);

}  // namespace bristle
