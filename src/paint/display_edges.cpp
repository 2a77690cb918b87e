#include "paint/display_edges.h"

#include <QPainterPath>

#include "runtime/document/project.h"

namespace bristle {

void paintBlocked(QPainter& painter, const Display& display, const QRectF& shown) {
  if (display.corner <= 0 && display.blocked.empty()) return;
  const double s = shown.width() / display.width;
  QPainterPath dark;
  dark.addRect(shown);
  QPainterPath seen;
  seen.addRoundedRect(shown, display.corner * s, display.corner * s);
  dark -= seen;
  for (const Box& box : display.blocked) {
    QPainterPath area;
    area.addRect(QRectF(shown.x() + box.x * s, shown.y() + box.y * s, box.w * s, box.h * s) &
                 shown);
    dark |= area;
  }
  painter.fillPath(dark, QColor(12, 11, 10, 235));
}

}  // namespace bristle
