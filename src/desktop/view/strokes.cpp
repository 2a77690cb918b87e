#include "desktop/view/strokes.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr int kPoints = 24, kFewPoints = 8;  // of a stroke; where there are many, and small ones
constexpr double kAway = 9;                  // px from what is gone round
constexpr double kWide = 4;                  // half the width at the root, px
const QColor kInk("#1c1a18"), kAmber("#e09a12"), kBrick("#c8452a"), kHalo(255, 255, 255, 170);

QPointF along(Dir dir) {
  const StrokeSpot u = unitOf(dir);
  return {u.x, u.y};
}

std::vector<QPointF> pointsOf(const StrokeWay& way, int points) {
  std::vector<QPointF> out;
  for (const StrokeSpot& spot : alongStroke(way, points)) out.emplace_back(spot.x, spot.y);
  return out;
}

}  // namespace

QPainterPath tapered(const std::vector<QPointF>& spots, const StrokeStretch& stretch) {
  double whole = 0, gone = 0;
  for (size_t i = 1; i < spots.size(); ++i)
    whole += std::hypot(spots[i].x() - spots[i - 1].x(), spots[i].y() - spots[i - 1].y());
  QPolygonF left, right;
  for (size_t i = 0; i < spots.size(); ++i) {
    const QPointF before = spots[i > 0 ? i - 1 : i],
                  after = spots[std::min(i + 1, spots.size() - 1)];
    const QPointF at = spots[i], d = after - before;
    if (i > 0) gone += std::hypot(at.x() - before.x(), at.y() - before.y());
    if (i < stretch.from || i > stretch.to) continue;
    const double length = std::max(1e-6, std::hypot(d.x(), d.y()));
    const double half = kWide * (1 - gone / std::max(whole, 1e-6)) + 0.4;
    const QPointF normal(-d.y() / length * half, d.x() / length * half);
    left << at + normal;
    right << at - normal;
  }
  std::reverse(right.begin(), right.end());
  QPainterPath path;
  path.setFillRule(Qt::WindingFill);
  path.addPolygon(left + right);
  path.closeSubpath();
  return path;
}

namespace {

void paintWrap(QPainter& p, const Stroke& s, const QColor& colour) {
  // Out over the near edge of the screen, in again over the far one.
  const QPointF out = sideOf(s.from, s.dir), in = sideOf(s.to, opposite(s.dir)), u = along(s.dir);
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

Stroke strokeOf(const ScreenRoutes& routes, int box, Dir dir, const QRectF& from,
                const QRectF& to) {
  const Route& route = routes.output.routes[size_t(box)][size_t(dir)];
  Stroke out{from, to, dir};
  out.returns = route.returns;
  if (route.reason == RouteReason::Fixed) out.sort = StrokeSort::Pinned;
  if (routes.wraps[size_t(box)][size_t(dir)]) out.sort = StrokeSort::Wrap;
  if (routes.broken[size_t(box)][size_t(dir)]) out.sort = StrokeSort::Broken;
  return out;
}

QPointF sideOf(const QRectF& box, Dir dir, double shift) {
  const QPointF u = along(dir), side(-u.y(), u.x());
  return box.center() + QPointF(u.x() * box.width() / 2, u.y() * box.height() / 2) + side * shift;
}

namespace {

void paintStroke(QPainter& p, const Stroke& s, const StrokeWay& way, int points) {
  p.save();
  const QColor colour = s.sort == StrokeSort::Pinned   ? kAmber
                        : s.sort == StrokeSort::Broken ? kBrick
                                                       : kInk;
  p.setOpacity(s.strong ? 1 : kWeakStroke);
  if (s.sort == StrokeSort::Wrap) {
    paintWrap(p, s, kAmber);
    p.restore();
    return;
  }
  const QPainterPath path = tapered(pointsOf(way, points));
  if (s.rimmed) p.strokePath(path, QPen(QColor(255, 255, 255, 210), 3));
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

Box boxOf(const QRectF& r) {
  return {r.x(), r.y(), r.width(), r.height()};
}

// The boxes that the strokes have to do with: those of the screen, and whatever else they run
// between.
class Ends {
 public:
  explicit Ends(const std::vector<QRectF>& boxes) {
    for (const QRectF& each : boxes) number(each);
  }
  int number(const QRectF& r) {
    const auto [at, isNew] =
        known_.try_emplace({r.x(), r.y(), r.width(), r.height()}, int(all_.size()));
    if (isNew) all_.push_back(boxOf(r));
    return at->second;
  }
  const std::vector<Box>& all() const { return all_; }

 private:
  std::map<std::array<double, 4>, int> known_;
  std::vector<Box> all_;
};

// Wraps run straight: below the boxes, so that these can be read.
void keepOff(QPainter& p, const QRectF& screen, const std::vector<QRectF>& boxes) {
  QRegion free(screen.toAlignedRect().adjusted(-2, -2, 2, 2));
  for (const QRectF& each : boxes) free -= each.toAlignedRect();
  p.setClipRegion(free, Qt::IntersectClip);
}

}  // namespace

void paintStrokes(QPainter& p, const std::vector<Stroke>& strokes,
                  const std::vector<QRectF>& boxes) {
  Ends ends(boxes);
  const size_t obstacles = ends.all().size();
  const auto strong = size_t(std::count_if(strokes.begin(), strokes.end(),
                                           [](const Stroke& each) { return each.strong; }));
  std::vector<RouteEnds> routes;
  for (const Stroke& each : strokes)
    routes.push_back({ends.number(each.from), each.dir, ends.number(each.to),
                      strokes.size() <= kManyStrokes || (each.strong && strong <= kManyStrokes)});
  const auto ways = strokeWays(ends.all(), obstacles, routes, kAway);
  const int points = strokes.size() > kManyStrokes ? kFewPoints : kPoints;
  const auto paintOne = [&](size_t i) {
    if (strokes[i].sort != StrokeSort::Wrap) return paintStroke(p, strokes[i], ways[i], points);
    p.save();
    keepOff(p, strokes[i].screen, boxes);
    paintStroke(p, strokes[i], ways[i], points);
    p.restore();
  };
  for (const bool over : {false, true})
    for (size_t i = 0; i < ways.size(); ++i)
      if (strokes[i].strong == over) paintOne(i);
}

}  // namespace bristle
