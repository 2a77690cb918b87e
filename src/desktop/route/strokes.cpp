#include "desktop/route/strokes.h"

#include <array>
#include <cmath>

#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr int kPoints = 20;
constexpr double kWide = 4;   // half the width at the root, px
constexpr double kShift = 5;  // leaving and arriving strokes of a pair stand this far apart
const QColor kInk("#1c1a18"), kAmber("#e09a12"), kBrick("#c8452a"), kHalo(255, 255, 255, 170);

QPointF unit(Dir dir) {
  switch (dir) {
    case Dir::Up:
      return {0, -1};
    case Dir::Down:
      return {0, 1};
    case Dir::Left:
      return {-1, 0};
    case Dir::Right:
      return {1, 0};
  }
  return {};
}

// A tapered outline along a cubic curve.
QPainterPath taper(const std::array<QPointF, 4>& c) {
  std::array<QPointF, kPoints> left, right;
  for (int i = 0; i < kPoints; ++i) {
    const double t = double(i) / (kPoints - 1), s = 1 - t;
    const QPointF p =
        s * s * s * c[0] + 3 * s * s * t * c[1] + 3 * s * t * t * c[2] + t * t * t * c[3];
    QPointF d = s * s * (c[1] - c[0]) + 2 * s * t * (c[2] - c[1]) + t * t * (c[3] - c[2]);
    const double length = std::max(1e-6, std::hypot(d.x(), d.y()));
    const double half = kWide * (1 - t) + 0.4;
    const QPointF normal(-d.y() / length * half, d.x() / length * half);
    left[size_t(i)] = p + normal;
    right[size_t(i)] = p - normal;
  }
  QPainterPath path(left[0]);
  for (int i = 1; i < kPoints; ++i) path.lineTo(left[size_t(i)]);
  for (int i = kPoints; i-- > 0;) path.lineTo(right[size_t(i)]);
  path.closeSubpath();
  return path;
}

void paintWrap(QPainter& p, const Stroke& s, const QColor& colour) {
  // Out over the near edge of the screen, in again over the far one.
  const QPointF out = sideOf(s.from, s.dir), in = sideOf(s.to, opposite(s.dir)), u = unit(s.dir);
  const auto edge = [&](const QPointF& at, bool leaving) {
    const QRectF& r = s.screen;
    QPointF e = at;
    if (u.x() != 0) e.setX((u.x() > 0) == leaving ? r.right() : r.left());
    if (u.y() != 0) e.setY((u.y() > 0) == leaving ? r.bottom() : r.top());
    return e;
  };
  p.setBrush(Qt::NoBrush);
  for (const auto& [pen, width] : {std::pair(kHalo, 4.0), std::pair(colour, 2.0)}) {
    p.setPen(QPen(pen, width, Qt::DashLine));
    p.drawLine(out, edge(out, true));
    p.drawLine(edge(in, false), in);
  }
}

}  // namespace

QPointF sideOf(const QRectF& box, Dir dir, double shift) {
  const QPointF u = unit(dir), side(-u.y(), u.x());
  return box.center() + QPointF(u.x() * box.width() / 2, u.y() * box.height() / 2) + side * shift;
}

void paintStroke(QPainter& p, const Stroke& s) {
  p.save();
  QColor colour = s.sort == StrokeSort::Pinned   ? kAmber
                  : s.sort == StrokeSort::Broken ? kBrick
                                                 : kInk;
  p.setOpacity(s.strong ? 1 : 0.45);
  if (s.sort == StrokeSort::Wrap) {
    paintWrap(p, s, kAmber);
    p.restore();
    return;
  }
  const QPointF from = sideOf(s.from, s.dir, kShift), to = sideOf(s.to, opposite(s.dir), -kShift);
  const double bend = std::min(160.0, std::hypot(to.x() - from.x(), to.y() - from.y()) * 0.45);
  const QPainterPath path = taper({from, from + unit(s.dir) * bend, to - unit(s.dir) * bend, to});
  if (s.returns) {
    p.setPen(Qt::NoPen);
    p.setBrush(colour);
  } else {
    p.setPen(QPen(colour, 1.4));
    p.setBrush(QColor(255, 255, 255, 160));
  }
  p.drawPath(path);
  if (s.sort == StrokeSort::Broken) {
    const QPointF c = path.boundingRect().center();
    p.setPen(QPen(kBrick, 3));
    p.drawLine(c - QPointF(6, 6), c + QPointF(6, 6));
    p.drawLine(c - QPointF(6, -6), c + QPointF(6, -6));
  }
  p.restore();
}

}  // namespace bristle
