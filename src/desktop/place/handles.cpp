#include "desktop/place/handles.h"

#include <cmath>
#include <vector>

#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr double kHandle = 8;   // px across
constexpr double kGrip = 6;     // px from its middle that still hit it
constexpr double kOutside = 2;  // px from the box to the line they lie on
constexpr double kRoom = 32;    // px that a side needs for one in its middle

struct Handle {
  Edges edges;
  QPointF at;
};

std::vector<Handle> handlesOf(const QRectF& box, bool loose) {
  const QRectF line = box.adjusted(-kOutside, -kOutside, kOutside, kOutside);
  std::vector<Handle> out;
  for (const int x : {0, 1, 2})
    for (const int y : {0, 1, 2}) {
      if ((x == 1 && y == 1) || (!loose && (x == 0 || y == 0))) continue;
      if ((x == 1 && line.width() < kRoom) || (y == 1 && line.height() < kRoom)) continue;
      out.push_back({{x == 0, y == 0, x == 2, y == 2},
                     {line.left() + line.width() * x / 2, line.top() + line.height() * y / 2}});
    }
  return out;
}

}  // namespace

std::optional<Edges> handleAt(const QRectF& box, bool loose, const QPointF& at) {
  for (const Handle& handle : handlesOf(box, loose))
    if (std::abs(handle.at.x() - at.x()) <= kGrip && std::abs(handle.at.y() - at.y()) <= kGrip)
      return handle.edges;
  return {};
}

void paintHandles(QPainter& p, const QRectF& box, bool loose, const Theme& theme) {
  p.setBrush(Qt::white);
  p.setPen(QPen(theme.accent, 1.5));
  for (const Handle& handle : handlesOf(box, loose))
    p.drawRect(QRectF(handle.at.x() - kHandle / 2, handle.at.y() - kHandle / 2, kHandle, kHandle));
  p.setBrush(Qt::NoBrush);
}

Qt::CursorShape cursorOf(Edges edges) {
  const bool across = edges.left || edges.right, down = edges.top || edges.bottom;
  if (!down) return Qt::SizeHorCursor;
  if (!across) return Qt::SizeVerCursor;
  return (edges.left && edges.top) || (edges.right && edges.bottom) ? Qt::SizeFDiagCursor
                                                                    : Qt::SizeBDiagCursor;
}

}  // namespace bristle
