// Routes as tapered strokes: wide where they leave, a point where they arrive.
#pragma once
#include <QPainter>
#include <QPainterPath>
#include <cstdint>

#include "core/derive/route_strokes.h"
#include "runtime/focus/screen_routes.h"

namespace bristle {

enum class StrokeSort { Solved, Pinned, Broken, Wrap };

struct Stroke {
  QRectF from, to;  // of a button, or of a cluster that is one stop; widget px
  Dir dir = Dir::Down;
  StrokeSort sort = StrokeSort::Solved;
  bool returns = true;  // one that does not is hollow
  bool strong = true;   // the others step back
  bool rimmed = false;  // light all round: over art of any darkness
  QRectF screen;        // wraps run round its edge
  bool operator==(const Stroke&) const = default;
};
// Of more only the strong ones are bent, if these are not more, too; and not within a frame.
constexpr size_t kManyStrokes = 400;
constexpr double kWeakStroke = 0.45;  // opacity of one that steps back

// Of a box's route in a direction, which leads somewhere; what it looks like follows from why it
// does. The rest is as it is at first.
Stroke strokeOf(const ScreenRoutes& routes, int box, Dir dir, const QRectF& from, const QRectF& to);
// In the pixels of the painter, tapered towards where they lead, bent round the boxes between and
// apart where they meet; the strong ones over the others.
void paintStrokes(QPainter& painter, const std::vector<Stroke>& strokes,
                  const std::vector<QRectF>& boxes);
// Some of the points of a stroke, by their places, both counted.
struct StrokeStretch {
  size_t from = 0, to = SIZE_MAX;
};
// The outline of a stroke along points: wide at the first, narrow at the last; or a stretch of it.
QPainterPath tapered(const std::vector<QPointF>& points, const StrokeStretch& stretch = {});
// The middle of a box's side in a direction, moved along the side by `shift` px.
QPointF sideOf(const QRectF& box, Dir dir, double shift = 0);

}  // namespace bristle
