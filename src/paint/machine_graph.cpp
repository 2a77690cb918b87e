#include "paint/machine_graph.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace bristle {
namespace {

constexpr double kTileWidth = 128, kTileHeight = 84, kRail = 30, kRim = 10;

// Columns in the order in which a button goes through its roles.
int columnOf(Role role) {
  switch (role) {
    case Role::Rest:
      return 0;
    case Role::Hover:
    case Role::Focus:
      return 1;
    case Role::Press:
      return 2;
    case Role::None:
    case Role::Disabled:
      return 3;
  }
  return 3;
}

// Where the line from a rectangle's middle leaves it.
QPointF edgeOf(const QRectF& r, const QPointF& towards) {
  const QPointF c = r.center(), d = towards - c;
  const double across = std::abs(d.x()) < 1e-6 ? 1e9 : r.width() / 2 / std::abs(d.x());
  const double down = std::abs(d.y()) < 1e-6 ? 1e9 : r.height() / 2 / std::abs(d.y());
  return c + d * std::min({across, down, 1.0});
}

}  // namespace

int MachineGraph::rows() const {
  std::array<int, 4> counts{};
  for (const State& s : machine_.states) ++counts[size_t(columnOf(s.role))];
  return *std::max_element(counts.begin(), counts.end());
}

QRectF MachineGraph::tileOf(const StateId& id) const {
  const double width = size_.width(), height = size_.height();
  if (id && !findState(machine_, id)) return {};
  if (!id) return {kRim, height - kRail - 4, width - 2 * kRim, kRail};
  std::array<int, 4> counts{};
  int column = 0, row = 0;
  for (const State& s : machine_.states) {
    const auto c = size_t(columnOf(s.role));
    if (s.id == id) {
      column = int(c);
      row = counts[c];
    }
    ++counts[c];
  }
  const double w = std::min(kTileWidth, (width - 2 * kRim) / 4.0 - 22);
  const int rows = counts[size_t(column)];
  const double room = height - kRail - 3 * kRim - 8;
  const double h =
      std::min(kTileHeight, room / *std::max_element(counts.begin(), counts.end()) - 12);
  const double x = kRim + (width - 2 * kRim - w) * column / 3.0;
  // Every other column is set a little lower, so that strokes do not run through tiles.
  const double shift = column % 2 ? 0 : (rows == 1 ? 0 : 10);
  const double y = kRim + shift + (room - 10) * (row + 0.5) / rows - h / 2;
  return {x, y, w, h};
}

std::vector<MachineLink> MachineGraph::links() const {
  std::vector<MachineLink> out;
  for (size_t i = 0; i < machine_.transitions.size(); ++i) {
    const Transition& t = machine_.transitions[i];
    if (!findState(machine_, t.to)) continue;
    const StateId from = t.from.value_or(StateId{});
    const auto at = std::find_if(out.begin(), out.end(), [&](const MachineLink& l) {
      return l.from == from && l.to == t.to;
    });
    if (at != out.end()) {
      at->transitions.push_back(int(i));
    } else {
      out.push_back({from, t.to, {int(i)}});
    }
  }
  return out;
}

QPainterPath MachineGraph::strokeOf(const StateId& fromState, const StateId& toState) const {
  const QRectF to = tileOf(toState);
  QRectF from = tileOf(fromState);
  if (!fromState) from = QRectF(to.center().x() - 20, from.y(), 40, from.height());
  QPainterPath path;
  if (fromState == toState) {
    const QPointF top = QPointF(to.right() - 18, to.top());
    path.moveTo(top);
    path.cubicTo(top + QPointF(4, -20), top + QPointF(26, -12), QPointF(to.right(), to.top() + 14));
    path.cubicTo(top + QPointF(20, -6), top + QPointF(8, -14), top + QPointF(-5, 0));
    path.closeSubpath();
    return path;
  }
  const QPointF a = edgeOf(from, to.center()), b = edgeOf(to, from.center());
  const QPointF d = b - a;
  const double length = std::max(1.0, std::hypot(d.x(), d.y()));
  const QPointF along = d / length, side(-along.y(), along.x());
  const QPointF start = a + side * 6, end = b + side * 3;
  const QPointF bend = (start + end) / 2 + side * std::min(28.0, length * 0.14);
  path.moveTo(start - side * 2.6);
  path.quadTo(bend - side * 1.4, end);
  path.quadTo(bend + side * 1.4, start + side * 2.6);
  path.closeSubpath();
  return path;
}

QPointF MachineGraph::middleOf(const StateId& from, const StateId& to) const {
  const QPainterPath stroke = strokeOf(from, to);
  return (stroke.pointAtPercent(0.25) + stroke.pointAtPercent(0.75)) / 2;
}

}  // namespace bristle
