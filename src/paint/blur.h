// Frosted panes: what lies below an outline, shown through it blurred.
#pragma once
#include <QImage>
#include <QPainter>
#include <QPainterPath>
#include <functional>
#include <vector>

#include "runtime/layout/layout.h"

namespace bristle {

// A picture blurred by a Gaussian of this standard deviation, px (as CSS Filter Effects 1, blur()
// has it), come close to by three box blurs; what lies beyond its edges is as its edges are. Given
// and returned in ARGB32_Premultiplied.
QImage blurred(QImage image, double deviation);

// Paints what lies below into the painter given, at least within `part`, both in layout px.
using PaintsBelow = std::function<void(QPainter& painter, const QRectF& part)>;

// What a painter that is placed like this one would show of what lies below, blurred: so many of
// its device's px, at least what `seen`, layout px, has of them. `all` is where there is something
// at all. Painted small where the blur hides it. None where nothing of it is seen.
struct FrostedPx {
  QImage picture;
  QPoint at;
};
FrostedPx frosted(const QPainter& like, const QRectF& seen, double deviation, const QRectF& all,
                  const PaintsBelow& below);

// Fills the outline, layout px, with what lies below it blurred, as far as the painter's clip lets
// it be seen: but for rounding what all of it would give. `all` as above.
void paintBlurred(QPainter& painter, const QPainterPath& outline, double deviation,
                  const QRectF& all, const PaintsBelow& below);

// The boxes, layout px, of the panels from the item `from` on that show something of this part of
// what lies below them blurred: they look different when it does.
std::vector<QRectF> panesOver(const Screen& screen, const Layout& layout, QRectF part,
                              size_t from = 0);

}  // namespace bristle
