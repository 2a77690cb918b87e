// Why the picked direction leads where it leads, on the canvas: the strip ahead, how far aside is
// natural, and the ranks of what lies that way.
#include <QPainter>

#include "desktop/route/route_view.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/focus/scopes.h"

namespace bristle {
namespace {

constexpr size_t kRanks = 5;  // as many as the card tells of
constexpr double kBadge = 8;  // px, its radius

// All of `space` that lies beyond an edge of `from`.
QRectF beyond(const QRectF& from, Dir dir, const QRectF& space) {
  QRectF out = space;
  if (dir == Dir::Up) out.setBottom(from.top());
  if (dir == Dir::Down) out.setTop(from.bottom());
  if (dir == Dir::Left) out.setRight(from.left());
  if (dir == Dir::Right) out.setLeft(from.right());
  return out.isValid() ? out : QRectF();
}

// The projection of `from` on it, and 45° more on both sides.
QPolygonF cone(const QRectF& from, Dir dir, const QRectF& space) {
  const QRectF there = beyond(from, dir, space);
  if (there.isEmpty()) return {};
  const bool down = dir == Dir::Up || dir == Dir::Down;
  const double far = down ? there.height() : there.width();
  switch (dir) {
    case Dir::Up:
      return QPolygonF({from.topLeft(), from.topLeft() + QPointF(-far, -far),
                        from.topRight() + QPointF(far, -far), from.topRight()});
    case Dir::Down:
      return QPolygonF({from.bottomLeft(), from.bottomLeft() + QPointF(-far, far),
                        from.bottomRight() + QPointF(far, far), from.bottomRight()});
    case Dir::Left:
      return QPolygonF({from.topLeft(), from.topLeft() + QPointF(-far, -far),
                        from.bottomLeft() + QPointF(-far, far), from.bottomLeft()});
    case Dir::Right:
      return QPolygonF({from.topRight(), from.topRight() + QPointF(far, -far),
                        from.bottomRight() + QPointF(far, far), from.bottomRight()});
  }
  return {};
}

}  // namespace

void RouteView::showWhy(bool on) {
  whyShown_ = on;
  update();
}

void RouteView::paintSight(QPainter& p) {
  const int box = work().pickedBox();
  if (!whyShown_ || box < 0) return;
  const Display& d = *work().display();
  const QRectF all = toWidget(Box{0, 0, d.layoutWidth(), d.layoutHeight()});
  const QRectF from = boxRect(box);
  const Dir dir = work().picked().dir;
  p.save();
  p.setClipRect(all);
  p.setPen(QPen(QColor(255, 255, 255, 150), 1, Qt::DashLine));
  p.setBrush(QColor(255, 255, 255, 22));
  p.drawPolygon(cone(from, dir, all));
  QRectF strip = beyond(from, dir, all);
  if (dir == Dir::Up || dir == Dir::Down) {
    strip.setLeft(from.left());
    strip.setRight(from.right());
  } else {
    strip.setTop(from.top());
    strip.setBottom(from.bottom());
  }
  p.setPen(Qt::NoPen);
  p.setBrush(QColor(255, 255, 255, 46));
  p.drawRect(strip);
  p.restore();
}

// The first is the one that the card names first; filled where it is the route.
void RouteView::paintRanks(QPainter& p) {
  const int box = work().pickedBox();
  if (!whyShown_ || box < 0) return;
  QFont small = font();
  small.setPixelSize(10);
  small.setBold(true);
  p.setFont(small);
  int place = 1;
  for (const RankedCandidate& c : rank(work().routes(), box, work().picked().dir, kRanks)) {
    const QPointF at = boxRect(c.target).bottomLeft();
    const bool chosen = c.verdict == Verdict::Chosen;
    p.setPen(QPen(Qt::white, 1.5));
    p.setBrush(chosen ? QColor("#0f6e6e") : QColor("#3a3835"));
    p.drawEllipse(at, kBadge, kBadge);
    p.drawText(QRectF(at.x() - kBadge, at.y() - kBadge, 2 * kBadge, 2 * kBadge), Qt::AlignCenter,
               QString::number(place++));
  }
}

}  // namespace bristle
