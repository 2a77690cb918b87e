// Routes as tapered strokes: wide where they leave, a point where they arrive.
#pragma once
#include <QPainter>
#include <QPainterPath>

#include "runtime/focus/screen_routes.h"

namespace bristle {

enum class StrokeSort { Solved, Pinned, Broken, Wrap };

struct Stroke {
  QRectF from, to;  // widget px
  Dir dir = Dir::Down;
  StrokeSort sort = StrokeSort::Solved;
  bool returns = true;  // one that does not is hollow
  bool strong = true;   // the others step back
  QRectF screen;        // wraps run round its edge
};

// In the pixels of the painter, tapered towards where it leads.
void paintStroke(QPainter& painter, const Stroke& stroke);
// The middle of a box's side in a direction, moved along the side by `shift` px.
QPointF sideOf(const QRectF& box, Dir dir, double shift = 0);

}  // namespace bristle
