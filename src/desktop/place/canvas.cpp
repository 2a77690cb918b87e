#include "desktop/place/canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "core/findings/hit_size.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/hit_shape.h"
#include "runtime/document/tree.h"
#include "runtime/layout/pins.h"

namespace bristle {
namespace {

constexpr double kDragAfter = 4;  // widget px: less is a click
constexpr double kEdge = 8;       // widget px around a container that pick it

}  // namespace

Canvas::Canvas(Work& work, QWidget* parent) : ScreenView(work, parent) {
  setAccessibleName(tr("Canvas"));
  setAccessibleDescription(
      tr("Comma and full stop pick the item before and after, arrows move it"));
}

std::vector<ItemId> Canvas::movers() const {
  std::vector<ItemId> out;
  const Screen* screen = work().screen();
  if (!screen) return out;
  for (ItemId id : work().picked().items) {
    const Item* item = findItem(*screen, id);
    while (item && item->parent && findItem(*screen, item->parent))
      item = findItem(*screen, item->parent);
    if (item && std::find(out.begin(), out.end(), item->id) == out.end()) out.push_back(item->id);
  }
  return out;
}

void Canvas::moveBy(double dx, double dy, const QString& name, const QString& mergeKey,
                    const Layout& from) {
  const Screen* screen = work().screen();
  if (!screen) return;
  std::vector<std::pair<ItemId, Place>> places;
  for (const ItemId& id : movers()) {
    const auto i = indexOf(*screen, id);
    if (!i || *i >= from.items.size()) continue;
    Box box = from.items[*i].box;
    box.x = std::round(box.x + dx);
    box.y = std::round(box.y + dy);
    places.emplace_back(id,
                        placeFor(screen->items[*i]->place, box, {0, 0, from.width, from.height}));
  }
  if (!places.empty())
    work().perform(placeItems(screen->id, std::move(places), fromQt(name), fromQt(mergeKey)));
}

void Canvas::nudge(double dx, double dy) {
  moveBy(dx, dy, tr("nudge"), QStringLiteral("nudge"), work().layout());
}

void Canvas::align(Alignment how) {
  const Screen* screen = work().screen();
  const auto ids = movers();
  if (!screen || ids.size() < 2)
    return work().tell(tr("Pick two or more things to line them up"), true);
  const Layout& layout = work().layout();
  std::vector<std::array<double, 4>> boxes;
  for (const ItemId& id : ids) {
    const Box& b = layout.items[*indexOf(*screen, id)].box;
    boxes.push_back({b.x, b.y, b.w, b.h});
  }
  const auto to = alignedTopLefts(boxes, how);
  std::vector<std::pair<ItemId, Place>> places;
  for (size_t i = 0; i < ids.size(); ++i)
    places.emplace_back(ids[i], placeFor(findItem(*screen, ids[i])->place,
                                         {to[i].first, to[i].second, boxes[i][2], boxes[i][3]},
                                         {0, 0, layout.width, layout.height}));
  work().perform(placeItems(screen->id, std::move(places), "align", {}));
}

void Canvas::showHitAreas(bool on) {
  hitAreas_ = on;
  update();
}

void Canvas::paintHitAreas(QPainter& p) {
  const Screen& screen = *work().screen();
  const Layout& layout = work().layout();
  const Theme& t = themeOf(this);
  p.save();
  std::vector<std::pair<QPainterPath, bool>> areas;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const auto* button = screen.items[i]->button();
    const Kind* kind =
        button && layout.items[i].shown ? bristle::find(work().project(), button->kind) : nullptr;
    if (!kind) continue;
    const auto table = work().tables().get(work().project(), kind->id, &button->own);
    if (!table) continue;
    QPainterPath area =
        hitOutline(*kind, table->state(0), toQt(layout.items[i].box), work().looks().pictures());
    const QRectF extent = area.boundingRect();
    const bool small =
        isTooSmallToHit({extent.width(), extent.height()}, work().project().settings);
    areas.push_back({std::move(area), small});
  }
  for (size_t i = 0; i < areas.size(); ++i)
    for (size_t j = i + 1; j < areas.size(); ++j)
      if (areas[i].first.boundingRect().intersects(areas[j].first.boundingRect()) &&
          areas[i].first.intersects(areas[j].first))
        areas[i].second = areas[j].second = true;
  p.translate(toWidget(QPointF(0, 0)));
  p.scale(zoom(), zoom());
  for (const auto& [area, wrong] : areas) {
    QColor fill = wrong ? t.wrong : t.accent;
    fill.setAlpha(90);
    // A light line under the coloured one: seen on dark and on teal art, too.
    p.setBrush(fill);
    p.setPen(QPen(QColor(255, 255, 255, 220), 3 / zoom()));
    p.drawPath(area);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(wrong ? t.wrong : t.accent, 1.5 / zoom()));
    p.drawPath(area);
  }
  p.restore();
}

void Canvas::paintOver(QPainter& p) {
  const Screen* screen = work().screen();
  const Display* display = work().display();
  if (!screen || !display) return;
  const Layout& layout = work().layout();
  const Theme& t = themeOf(this);
  const double safe = display->safe / display->scale;
  if (safe > 0) {
    p.setPen(QPen(QColor(255, 255, 255, 90), 1, Qt::DotLine));
    p.drawRect(toWidget(Box{safe, safe, layout.width - 2 * safe, layout.height - 2 * safe}));
  }
  if (hitAreas_) paintHitAreas(p);
  const auto holders = movers();
  for (size_t i = 0; i < screen->items.size(); ++i) {
    const Item& item = *screen->items[i];
    const QRectF box = toWidget(layout.items[i].box);
    const bool holder = std::find(holders.begin(), holders.end(), item.id) != holders.end();
    if (item.container() && (holder || work().isPicked(item.id))) {
      p.setPen(QPen(t.onWork, 1, Qt::DashLine));
      p.drawRect(box.adjusted(-4, -4, 4, 4));
    }
    if (item.id == screen->entry) {
      p.setPen(Qt::NoPen);
      p.setBrush(t.accent);
      p.drawEllipse(box.topLeft(), 5, 5);
      p.setBrush(Qt::NoBrush);
    }
    if (!work().isPicked(item.id)) continue;
    // White under teal: seen on dark and on light art.
    p.setPen(QPen(Qt::white, 4));
    p.drawRect(box.adjusted(-2, -2, 2, 2));
    p.setPen(QPen(QColor("#0f6e6e"), 2));
    p.drawRect(box.adjusted(-2, -2, 2, 2));
  }
  if (drag_ != Drag::Marquee) return;
  p.setPen(QPen(Qt::white, 1, Qt::DashLine));
  p.setBrush(QColor(255, 255, 255, 40));
  p.drawRect(QRectF(toWidget(pressed_), toWidget(now_)).normalized());
}

int Canvas::containerEdgeAt(const QPointF& at) const {
  const Screen* screen = work().screen();
  const Layout& layout = work().layout();
  const double edge = kEdge / zoom();
  const auto nesting = nestingOf(*screen);
  for (size_t i = screen->items.size(); i-- > 0;) {
    if (!screen->items[i]->container() || nesting[i].locked || nesting[i].hidden) continue;
    if (toQt(layout.items[i].box).adjusted(-edge, -edge, edge, edge).contains(at))
      return static_cast<int>(i);
  }
  return -1;
}

void Canvas::mousePressEvent(QMouseEvent* event) {
  const Screen* screen = work().screen();
  if (!screen || event->button() != Qt::LeftButton) return;
  pressed_ = now_ = toScreen(event->position());
  int item = itemAt(pressed_, false);
  if (item < 0) item = containerEdgeAt(pressed_);
  const bool add = event->modifiers() & Qt::ShiftModifier;
  if (item < 0) {
    if (!add) work().pickItems({});
    drag_ = Drag::Marquee;
    return;
  }
  const ItemId id = screen->items[size_t(item)]->id;
  auto picked = work().picked().items;
  if (add) {
    const auto at = std::find(picked.begin(), picked.end(), id);
    at == picked.end() ? picked.push_back(id) : static_cast<void>(picked.erase(at));
    work().pickItems(picked);
  } else if (!work().isPicked(id)) {
    work().pickItems({id});
  }
  started_ = work().layout();
  drag_ = Drag::Waiting;
  ++drags_;
}

void Canvas::mouseMoveEvent(QMouseEvent* event) {
  now_ = toScreen(event->position());
  const QPointF by = now_ - pressed_;
  if (drag_ == Drag::Waiting && std::hypot(by.x(), by.y()) * zoom() > kDragAfter)
    drag_ = Drag::Moving;
  if (drag_ == Drag::Moving) {
    QPointF along = by;
    if (event->modifiers() & Qt::ShiftModifier)  // along one axis
      (std::abs(by.x()) > std::abs(by.y()) ? along.ry() : along.rx()) = 0;
    moveBy(along.x(), along.y(), tr("move"), QStringLiteral("move %1").arg(drags_), started_);
  }
  if (drag_ == Drag::Marquee) update();
}

void Canvas::mouseReleaseEvent(QMouseEvent* event) {
  if (drag_ == Drag::Marquee) pickInMarquee(event->modifiers() & Qt::ShiftModifier);
  if (drag_ == Drag::Moving) work().seal();
  drag_ = Drag::None;
  update();
}

void Canvas::mouseDoubleClickEvent(QMouseEvent*) {
  if (work().item() && work().item()->button()) Q_EMIT wantsCaption();
}

void Canvas::pickInMarquee(bool add) {
  const Screen* screen = work().screen();
  const QRectF area = QRectF(pressed_, now_).normalized();
  if (!screen || area.width() * zoom() < kDragAfter || area.height() * zoom() < kDragAfter) return;
  auto picked = add ? work().picked().items : std::vector<ItemId>{};
  const Layout& layout = work().layout();
  const auto nesting = nestingOf(*screen);
  for (size_t i = 0; i < screen->items.size(); ++i) {
    const Item& item = *screen->items[i];
    if (item.container() || nesting[i].locked || nesting[i].hidden ||
        !area.intersects(toQt(layout.items[i].box)))
      continue;
    if (std::find(picked.begin(), picked.end(), item.id) == picked.end()) picked.push_back(item.id);
  }
  work().pickItems(picked);
}

void Canvas::pickNext(int by) {
  const Screen* screen = work().screen();
  if (!screen || screen->items.empty()) return;
  const int n = static_cast<int>(screen->items.size());
  const auto last =
      work().picked().items.empty() ? std::nullopt : indexOf(*screen, work().picked().items.back());
  int at = last ? static_cast<int>(*last) : by > 0 ? -1 : 0;
  at = (at + by + n) % n;
  work().pickItems({screen->items[size_t(at)]->id});
}

void Canvas::keyPressEvent(QKeyEvent* event) {
  const double step = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
  switch (event->key()) {
    case Qt::Key_Left:
      return nudge(-step, 0);
    case Qt::Key_Right:
      return nudge(step, 0);
    case Qt::Key_Up:
      return nudge(0, -step);
    case Qt::Key_Down:
      return nudge(0, step);
    case Qt::Key_Period:
      return pickNext(1);
    case Qt::Key_Comma:
      return pickNext(-1);
    case Qt::Key_F2:
    case Qt::Key_Return:
    case Qt::Key_Enter:
      Q_EMIT wantsCaption();
      return;
    case Qt::Key_Escape:
      if (work().picked().items.empty()) break;
      work().pickItems({});
      return;
    default:
      break;
  }
  ScreenView::keyPressEvent(event);
}

}  // namespace bristle
