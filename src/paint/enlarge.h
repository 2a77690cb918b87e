// A small picture made larger, smoothly: several times as fast as a painter's own smoothing, which
// looks at one px after another.
#pragma once
#include <QImage>
#include <QRectF>

namespace bristle {

// What the px `onto` show of a picture that fills `place` (px of the same kind; wider and higher
// than nothing): each between the four px of it that lie nearest (bilinear), by where its middle
// lies; what lies beyond its edges is as its edges are. Given and returned in
// ARGB32_Premultiplied; null when there is nothing of either.
QImage enlarged(const QImage& picture, const QRectF& place, const QRect& onto);

}  // namespace bristle
