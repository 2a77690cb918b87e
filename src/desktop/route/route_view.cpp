#include "desktop/route/route_view.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "core/derive/route_words.h"
#include "core/edit/screen_edits.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/focus/clusters.h"

namespace bristle {
namespace {

constexpr double kKnob = 6, kKnobAway = 13;

// From where focus starts the boxes grow warmer; what it cannot come to is red, and says so.
QColor tintOf(int steps, int most) {
  if (steps < 0) return {150, 34, 34};
  const double t = most > 0 ? double(steps) / most : 0;
  const auto between = [t](int near, int far) { return int(near + (far - near) * t); };
  return {between(22, 138), between(92, 84), between(96, 22)};
}

std::optional<Dir> dirOf(int key) {
  switch (key) {
    case Qt::Key_Up:
      return Dir::Up;
    case Qt::Key_Down:
      return Dir::Down;
    case Qt::Key_Left:
      return Dir::Left;
    case Qt::Key_Right:
      return Dir::Right;
    default:
      return {};
  }
}

}  // namespace

RouteView::RouteView(Work& work, QWidget* parent)
    : ScreenView(work, parent), walk_(work.measure()) {
  connect(&ground_, &RouteGround::painted, this, [this] { update(); });
  setAccessibleName(tr("Routes of the screen"));
  setAccessibleDescription(
      tr("Arrows pick a direction, Ctrl and arrows walk, Enter and Backspace go into a single stop "
         "and out, X closes, W wraps, R releases"));
}

void RouteView::show(Shown shown) {
  shown_ = shown;
  update();
}

void RouteView::show(std::vector<RouteMove> moves) {
  marked_ = std::move(moves);
  markedOn_ = work().screen() ? work().screen()->id : ScreenId{};
  show(Shown::Marked);
}

// What is picked; where nothing is, all of the cluster that stands out.
bool RouteView::isOfPicked(int box) const {
  const ScreenRoutes& routes = work().routes();
  const Screen& screen = *work().screen();
  if (box < 0) return false;
  if (!work().picked().items.empty())
    return work().isPicked(screen.items[size_t(routes.items[size_t(box)])]->id);
  for (size_t c = 0; c < routes.clusters.size() && c < screen.clusters.size(); ++c)
    if (screen.clusters[c].id == cluster_ && holds(routes, static_cast<int>(c), box)) return true;
  return false;
}

bool RouteView::isDrawn(int box, Dir dir) const {
  switch (shown_) {
    case Shown::All:
      return true;
    case Shown::Picked:
      return isOfPicked(box) ||
             isOfPicked(work().routes().output.routes[size_t(box)][size_t(dir)].target);
    case Shown::Direction:
      return dir == work().picked().dir;
    case Shown::Marked:
      // Another screen has none of them.
      return markedOn_ != work().screen()->id ||
             std::find(marked_.begin(), marked_.end(), RouteMove{box, dir}) != marked_.end();
  }
  return true;
}

QRectF RouteView::boxRect(int box) const {
  return toWidget(work().routes().input.boxes[size_t(box)]);
}

QPointF RouteView::knob(Dir dir) const {
  const int box = work().pickedBox();
  if (box < 0) return {};
  const QRectF r = boxRect(box).adjusted(-kKnobAway, -kKnobAway, kKnobAway, kKnobAway);
  return sideOf(r, dir, dir == Dir::Up || dir == Dir::Left ? -14 : 14);
}

void RouteView::showCluster(const ClusterId& cluster) {
  if (cluster == cluster_) return;
  cluster_ = cluster;
  update();
}

void RouteView::addRoutes(std::vector<Stroke>& strokes) const {
  const ScreenRoutes& routes = work().routes();
  const int picked = work().pickedBox();
  const Display& d = *work().display();
  const QRectF all = toWidget(Box{0, 0, d.layoutWidth(), d.layoutHeight()});
  for (size_t b = 0; b < routes.items.size(); ++b)
    for (Dir dir : kDirs) {
      const Route& route = routes.output.routes[b][size_t(dir)];
      const int box = static_cast<int>(b);
      if (route.target < 0 || !isDrawn(box, dir)) continue;
      Stroke s = strokeOf(routes, box, dir, boxRect(box), targetRect(box, route));
      s.strong = picked < 0 || isOfPicked(box);
      s.screen = all;
      strokes.push_back(std::move(s));
    }
}

void RouteView::paintKnobs(QPainter& p) {
  if (work().pickedBox() < 0) return;
  for (Dir dir : kDirs) {
    const bool on = dir == work().picked().dir;
    p.setPen(QPen(Qt::white, 2));
    p.setBrush(on ? QColor("#0f6e6e") : QColor("#3a3835"));
    p.drawEllipse(knob(dir), on ? kKnob + 2 : kKnob, on ? kKnob + 2 : kKnob);
  }
  if (!dragging_) return;
  p.setPen(QPen(QColor("#e09a12"), 3));
  p.drawLine(knob(work().picked().dir), at_);
}

void RouteView::showSteps(bool on) {
  stepsShown_ = on;
  update();
}

void RouteView::setSteps(std::vector<int> steps) {
  steps_ = std::move(steps);
  mostSteps_ = steps_.empty() ? 0 : *std::max_element(steps_.begin(), steps_.end());
  if (stepsShown_) update();
}

std::optional<int> RouteView::stepsTo(int box) const {
  if (!stepsShown_ || steps_.size() != work().routes().items.size()) return {};
  return steps_[size_t(box)];
}

RouteBox RouteView::routeBox(int box, bool picked) const {
  const Screen& screen = *work().screen();
  const Item& item = *screen.items[size_t(work().routes().items[size_t(box)])];
  RouteBox out{boxRect(box), toQt(displayName(item)), {}, QColor(52, 58, 60)};
  out.picked = picked;
  out.entry = item.id == screen.entry;
  if (picked) out.fill = QColor("#0f6e6e");
  if (const auto steps = stepsTo(box)) {
    out.fill = tintOf(*steps, mostSteps_);
    out.steps = *steps < 0 ? tr("never") : QString::number(*steps);
  }
  return out;
}

bool RouteView::isPickedBox(int box) const {
  const Item& item = *work().screen()->items[size_t(work().routes().items[size_t(box)])];
  return box == work().pickedBox() || work().isPicked(item.id);
}

// What is picked is drawn in the frame, all the rest from its picture.
void RouteView::paintMany(QPainter& p, std::vector<Stroke> strokes) {
  RouteGround::Scene scene{work().screen()->id, {}, strokes, font()};
  std::vector<QRectF> rects;
  for (size_t b = 0; b < work().routes().items.size(); ++b) {
    scene.boxes.push_back(routeBox(static_cast<int>(b), false));
    rects.push_back(scene.boxes.back().rect);
  }
  for (Stroke& each : scene.strokes) each.strong = true;
  scene.ratio = devicePixelRatioF();
  scene.size = (QSizeF(size()) * scene.ratio).toSize();
  scene.origin = toWidget(QPointF());
  scene.zoom = zoom();
  ground_.show(std::move(scene));
  const bool some = std::erase_if(strokes, [](const Stroke& each) { return !each.strong; }) > 0;
  ground_.paint(p, some ? kWeakStroke : 1);
  for (size_t b = 0; b < rects.size(); ++b)
    if (isPickedBox(static_cast<int>(b)))
      paintRouteBox(p, routeBox(static_cast<int>(b), true), font());
  paintClusters(p);
  if (some) paintStrokes(p, strokes, rects);
}

void RouteView::paintOver(QPainter& p) {
  if (!work().screen() || !work().display()) return;
  paintSight(p);
  std::vector<Stroke> strokes;
  addStops(strokes);
  addRoutes(strokes);
  if (strokes.size() > kManyStrokes) {
    paintMany(p, std::move(strokes));
  } else {
    std::vector<QRectF> rects;
    for (size_t b = 0; b < work().routes().items.size(); ++b) {
      const RouteBox box = routeBox(static_cast<int>(b), isPickedBox(static_cast<int>(b)));
      paintRouteBox(p, box, font());
      rects.push_back(box.rect);
    }
    paintClusters(p);
    paintStrokes(p, strokes, rects);
  }
  paintRanks(p);
  paintKnobs(p);
}

QString RouteView::hint(int item) const {
  const ScreenRoutes& routes = work().routes();
  const Screen& screen = *work().screen();
  QStringList lines{ScreenView::hint(item)};
  const int box = routes.boxOf[size_t(item)];
  if (box < 0) return lines.front();
  for (Dir dir : kDirs) {
    const int to = routes.output.routes[size_t(box)][size_t(dir)].target;
    lines << tr("%1: %2").arg(
        toQt(std::string(nameOf(dir))),
        to < 0 ? tr("nothing")
               : toQt(displayName(*screen.items[size_t(routes.items[size_t(to)])])));
  }
  if (const int from = work().pickedBox(); from >= 0 && from != box) {
    const auto name = [&](int b) {
      return displayName(*screen.items[size_t(routes.items[size_t(b)])]);
    };
    const Dir dir = work().picked().dir;
    lines << tr("%1 from %2: %3")
                 .arg(toQt(std::string(nameOf(dir))), toQt(name(from)),
                      toQt(whyNotInWords(routes, from, dir, box, name)));
  }
  return lines.join(QLatin1Char('\n'));
}

void RouteView::mousePressEvent(QMouseEvent* event) {
  const Screen* screen = work().screen();
  if (!screen || event->button() != Qt::LeftButton) return;
  at_ = event->position();
  if (work().pickedBox() >= 0) {
    for (Dir dir : kDirs) {
      const QPointF away = at_ - knob(dir);
      if (std::hypot(away.x(), away.y()) > kKnob + 5) continue;
      work().pickDir(dir);
      dragging_ = true;
      return update();
    }
  }
  const int item = itemAt(toScreen(at_), true);
  const bool more = event->modifiers() & Qt::ShiftModifier;
  std::vector<ItemId> picked = more ? work().picked().items : std::vector<ItemId>{};
  if (item >= 0) {
    const ItemId& id = screen->items[size_t(item)]->id;
    if (std::erase(picked, id) == 0) picked.push_back(id);
  }
  work().pickItems(std::move(picked));
}

void RouteView::drawTo(const QPointF& place) {
  if (work().pickedBox() < 0) return;
  dragging_ = true;
  at_ = place;
  update();
}

void RouteView::dropAt(const QPointF& place) {
  dragging_ = false;
  update();
  if (work().pickedBox() < 0 || !rect().contains(place.toPoint())) return;
  const Screen& screen = *work().screen();
  const int item = itemAt(toScreen(place), true);
  if (item < 0 || work().isPicked(screen.items[size_t(item)]->id)) return;
  work().perform(setRoute(screen.id, work().picked().items.front(), work().picked().dir,
                          {RouteType::Pinned, screen.items[size_t(item)]->id}));
}

void RouteView::mouseMoveEvent(QMouseEvent* event) {
  if (dragging_) drawTo(event->position());
}

void RouteView::mouseReleaseEvent(QMouseEvent* event) {
  if (dragging_) dropAt(event->position());
}

void RouteView::walk(Dir dir) {
  if (!work().screen() || !work().display()) return;
  const int box = work().pickedBox();
  walked(walk_.step(work().shown(), box < 0 ? ItemId{} : work().item()->id, dir));
  work().pickDir(dir);
}

void RouteView::walkThrough(bool into) {
  if (work().pickedBox() >= 0) walked(walk_.through(work().shown(), work().item()->id, into));
}

void RouteView::walked(const Result<RouteWalk::Stepped>& stepped) {
  if (!stepped) return work().tell(toQt(stepped.error().text()), true);
  if (stepped->to) work().pickItems({stepped->to});
  work().tell(toQt(stepped->how));
}

void RouteView::keyPressEvent(QKeyEvent* event) {
  if (const auto dir = dirOf(event->key())) {
    if (event->modifiers() & Qt::ControlModifier || work().pickedBox() < 0) return walk(*dir);
    return work().pickDir(*dir);
  }
  const auto set = [&](RouteRule rule) {
    if (work().pickedBox() >= 0)
      work().perform(
          setRoute(work().screen()->id, work().picked().items.front(), work().picked().dir, rule));
  };
  switch (event->key()) {
    case Qt::Key_X:
      return set({RouteType::Closed, {}});
    case Qt::Key_W:
      return set({RouteType::Wrap, {}});
    case Qt::Key_R:
    case Qt::Key_Delete:
      return set({});
    case Qt::Key_Return:
    case Qt::Key_Enter:
      return walkThrough(true);
    case Qt::Key_Backspace:
      return walkThrough(false);
    default:
      ScreenView::keyPressEvent(event);
  }
}

}  // namespace bristle
