#include "desktop/flow/flow_map.h"

#include <algorithm>
#include <cmath>

#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kApart = 13;  // px, strokes where they arrive
constexpr int kPoints = 28;    // of a stroke

// Of one curve (Bézier, by its parameter): its length need not be known for that.
std::vector<QPointF> pointsOf(const QPainterPath& path) {
  std::vector<QPointF> out;
  if (path.elementCount() < 4) return out;
  const auto at = [&](int i) { return QPointF(path.elementAt(i)); };
  const int last = path.elementCount() - 4;
  for (int i = 0; i <= kPoints; ++i) {
    const double t = double(i) / kPoints, u = 1 - t;
    out.push_back(at(last) * (u * u * u) + at(last + 1) * (3 * u * u * t) +
                  at(last + 2) * (3 * u * t * t) + at(last + 3) * (t * t * t));
  }
  return out;
}

// Whether both stand above one another.
bool isBeside(const QRectF& a, const QRectF& b) {
  return std::abs(a.center().x() - b.center().x()) < a.width() * 0.3;
}

}  // namespace

void FlowMap::update(Work& work) {
  const Project& project = work.project();
  graph_ = flowOf(project);
  ids_.clear();
  std::map<ScreenId, Known> now;
  for (const auto& screen : project.screens) {
    ids_.push_back(screen->id);
    ShownScreen shown{project, screen->id, work.showing()};
    const auto before = known_.find(screen->id);
    if (before != known_.end() && sameLayout(before->second.shown, shown)) {
      now.insert(known_.extract(before));
    } else {
      Layout layout = layOut(project, *screen, shown.showing, work.measure());
      now.emplace(screen->id, Known{std::move(shown), std::move(layout)});
    }
  }
  known_ = std::move(now);
  const Display& d = *work.display();
  const double ratio = std::clamp(d.layoutHeight() / d.layoutWidth(), 0.3, 1.8);
  places_ = layOutFlow(graph_, {kWide, kWide * ratio});
  makeStrokes();
  makeMarks();
}

void FlowMap::makeMarks() {
  marks_.assign(graph_.screens.size(), {});
  for (const FlowScreen& each : graph_.screens)
    if (each.over >= 0) marks_[size_t(each.over)].covered = true;
  for (const FlowStep& step : graph_.steps) {
    if (step.from < 0) continue;
    Marks& marks = marks_[size_t(step.from)];
    marks.broken += step.broken;
    marks.back |= step.type == ActionType::Back || step.type == ActionType::BackTo;
  }
}

QRectF FlowMap::box(int screen) const {
  return screen < 0 ? QRectF() : toQt(places_.boxes[size_t(screen)]);
}

QRectF FlowMap::button(int screen, const ItemId& item) const {
  const auto known = screen < 0 ? known_.end() : known_.find(ids_[size_t(screen)]);
  if (known == known_.end()) return {};
  const Layout& layout = known->second.layout;
  const Screen* on = known->second.shown.find();
  const QRectF frame = box(screen);
  const double scale = frame.width() / layout.width;
  for (size_t i = 0; on && i < on->items.size(); ++i) {
    if (on->items[i]->id != item) continue;
    const Box& b = layout.items[i].box;
    QRectF out(frame.x() + b.x * scale, frame.y() + b.y * scale, b.w * scale, b.h * scale);
    if (out.intersects(frame)) return out & frame;
    out.moveCenter({std::clamp(out.center().x(), frame.left(), frame.right()),
                    std::clamp(out.center().y(), frame.top(), frame.bottom())});
    return out & frame;
  }
  return {};
}

int FlowMap::screenAt(const QPointF& at) const {
  // What lies on another comes later in the graph's depth: the deepest counts.
  int best = -1;
  for (int s = 0; s < int(graph_.screens.size()); ++s)
    if (box(s).contains(at) && (best < 0 || graph_.screens[size_t(s)].over >= 0)) best = s;
  return best;
}

ItemId FlowMap::buttonAt(int screen, const QPointF& at) const {
  const auto known = screen < 0 ? known_.end() : known_.find(ids_[size_t(screen)]);
  if (known == known_.end()) return {};
  const Screen& on = *known->second.shown.find();
  const Layout& layout = known->second.layout;
  for (size_t i = on.items.size(); i-- > 0;) {
    if (!on.items[i]->button() || layout.items[i].still || !layout.items[i].shown) continue;
    if (button(screen, on.items[i]->id).adjusted(-2, -2, 2, 2).contains(at)) return on.items[i]->id;
  }
  return {};
}

int FlowMap::stepAt(const QPointF& at, double near) const {
  int best = -1;
  double least = near;
  for (size_t i = 0; i < strokes_.size(); ++i) {
    const QPainterPath& path = strokes_[i];
    if (path.isEmpty() || !path.boundingRect().adjusted(-near, -near, near, near).contains(at))
      continue;
    for (size_t k = 1; k < points_[i].size(); ++k) {
      // To the nearest place on the line between two of them.
      const QPointF a = points_[i][k - 1], d = points_[i][k] - a;
      const double length = QPointF::dotProduct(d, d);
      const double t =
          length > 0 ? std::clamp(QPointF::dotProduct(at - a, d) / length, 0.0, 1.0) : 0;
      const QPointF away = a + d * t - at;
      const double distance = std::hypot(away.x(), away.y());
      if (distance >= least) continue;
      least = distance;
      best = static_cast<int>(i);
    }
  }
  return best;
}

// What a screen does by itself leaves it at its lower edge.
QRectF FlowMap::startOf(const FlowStep& step) const {
  if (step.item) return button(step.from, step.item);
  const QRectF all = box(step.from);
  return QRectF(all.center().x() - 6, all.bottom() - 6, 12, 6);
}

// They leave the button at the side of the target, and arrive one below the other.
void FlowMap::makeStrokes() {
  strokes_.assign(graph_.steps.size(), {});
  std::map<std::pair<int, bool>, int> arriving, arrived;  // by screen and side
  const auto fromLeft = [&](const FlowStep& step, const QRectF& from) {
    return from.center().x() < box(step.to).center().x();
  };
  const auto drawn = [&](const FlowStep& step) {
    return step.from >= 0 && step.to >= 0 && step.to != step.from &&
           step.type != ActionType::BackTo;
  };
  for (const FlowStep& step : graph_.steps)
    if (drawn(step)) ++arriving[{step.to, fromLeft(step, startOf(step))}];
  for (size_t i = 0; i < graph_.steps.size(); ++i) {
    const FlowStep& step = graph_.steps[i];
    if (!drawn(step)) continue;
    const QRectF from = startOf(step), to = box(step.to);
    const bool left = fromLeft(step, from);
    const std::pair key{step.to, left};
    const double shift = (arrived[key]++ - (arriving[key] - 1) / 2.0) * kApart;
    const QPointF out(left ? from.right() : from.left(), from.center().y());
    const QPointF in(
        left ? to.left() : to.right(),
        to.center().y() + std::clamp(shift, -to.height() / 2 + 6, to.height() / 2 - 6));
    const double bend = std::max(40.0, std::abs(in.x() - out.x()) * 0.5) * (left ? 1 : -1);
    strokes_[i].moveTo(out);
    if (isBeside(box(step.from), to)) {
      // In one column: out at the right and in again there.
      const QPointF side(to.right(), in.y());
      const double far = std::max(from.right(), to.right()) + 34 + 5.0 * double(i % 4);
      strokes_[i].moveTo(QPointF(from.right(), from.center().y()));
      strokes_[i].cubicTo(QPointF(far, from.center().y()), QPointF(far, side.y()), side);
      continue;
    }
    strokes_[i].cubicTo(out + QPointF(bend, 0), in - QPointF(bend, 0), in);
  }
  points_.clear();
  for (const QPainterPath& path : strokes_) points_.push_back(pointsOf(path));
}

}  // namespace bristle
