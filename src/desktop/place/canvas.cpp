#include "desktop/place/canvas.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>
#include <cmath>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "desktop/derive/findings_watch.h"
#include "desktop/derive/place_watch.h"
#include "desktop/place/handles.h"
#include "desktop/place/hit_areas.h"
#include "desktop/place/rulers.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr double kDragAfter = 4;  // widget px: less is a click
constexpr double kEdge = 8;       // widget px around a container that pick it
constexpr double kGuide = 3;      // widget px beside a guide that grip it

}  // namespace

Canvas::Canvas(Work& work, const PlaceWatch& watch, QWidget* parent)
    : ScreenView(work, parent), watch_(watch) {
  connect(&watch, &PlaceWatch::changed, this, [this] { update(); });
  connect(&work.findings(), &FindingsWatch::changed, this, [this] { update(); });
  setAccessibleName(tr("Canvas"));
  setAcceptDrops(true);
  setAccessibleDescription(
      tr("Comma and full stop pick the item before and after, arrows move it"));
}

Canvas::~Canvas() = default;

void Canvas::setAids(const Aids& aids) {
  aids_ = aids;
  refresh();
}

QMargins Canvas::edges() const {
  return aids_.rulers ? QMargins(kRulerThick, kRulerThick, 0, 0) : QMargins();
}

void Canvas::nudge(double dx, double dy) {
  const Screen* screen = work().screen();
  if (!screen) return;
  const Layout& layout = work().layout();
  std::vector<std::pair<ItemId, Place>> places;
  for (const size_t i : moversOf(*screen, work().picked().items)) {
    Box box = layout.items[i].box;
    box.x = std::round(box.x + dx);
    box.y = std::round(box.y + dy);
    places.emplace_back(screen->items[i]->id, placeAt(*screen, layout, i, box));
  }
  if (!places.empty()) work().perform(placeItems(screen->id, std::move(places), "nudge", "nudge"));
}

int Canvas::containerEdgeAt(const QPointF& at) const {
  const Screen* screen = work().screen();
  const Layout& layout = work().layout();
  const double edge = kEdge / zoom();
  const auto nesting = nestingOf(*screen);
  for (size_t i = screen->items.size(); i-- > 0;) {
    if (!screen->items[i]->container() || nesting[i].locked || !layout.items[i].isSeen()) continue;
    if (toQt(layout.items[i].box).adjusted(-edge, -edge, edge, edge).contains(at))
      return static_cast<int>(i);
  }
  return -1;
}

int Canvas::guideAt(const QPointF& at) const {
  const Screen* screen = work().screen();
  if (!screen || !aids_.guides || screen->guidesLocked) return -1;
  for (size_t i = screen->guides.size(); i-- > 0;) {
    const Guide& guide = screen->guides[i];
    const QPointF on = toWidget(QPointF(guide.at, guide.at));
    if (std::abs(guide.upright ? on.x() - at.x() : on.y() - at.y()) <= kGuide)
      return static_cast<int>(i);
  }
  return -1;
}

std::optional<Edges> Canvas::edgesAt(const QPointF& at) const {
  const Resizable what = resizableOf(work());
  if (what.items.empty()) return {};
  return handleAt(toWidget(what.bounds), what.loose, at);
}

Canvas::MakeDrag Canvas::dragOfEdges(const QPointF& at) const {
  const auto edges = edgesAt(at);
  if (!edges) return {};
  return [this, edges] { return resizeDrag(base(), *edges); };
}

// A guide, or a ruler, from which a new one is drawn.
Canvas::MakeDrag Canvas::dragOfGuide(const QPointF& at) const {
  const bool above = at.y() < kRulerThick, beside = at.x() < kRulerThick;
  if (aids_.rulers && above != beside)
    return [this, beside] { return guideDrag(base(), -1, beside); };
  const int guide = aids_.rulers && (above || beside) ? -1 : guideAt(at);
  if (guide < 0) return {};
  return [this, guide] {
    return guideDrag(base(), guide, work().screen()->guides[size_t(guide)].upright);
  };
}

void Canvas::mousePressEvent(QMouseEvent* event) {
  const Screen* screen = work().screen();
  if (!screen || event->button() != Qt::LeftButton || drag_) return;
  pressed_ = toScreen(event->position());
  wasPicked_ = false;
  before_ = work().project();
  waiting_ = dragOfEdges(event->position());
  if (waiting_) wasPicked_ = true;
  if (!waiting_) waiting_ = dragOfGuide(event->position());
  if (waiting_) return;
  int item = itemAt(pressed_, false);
  // What is picked is dragged, even where something else lies on it.
  if (!(event->modifiers() & Qt::ShiftModifier))
    for (const int each : itemsAt(pressed_, false))
      if (work().isPicked(screen->items[size_t(each)]->id)) item = each;
  if (item < 0) item = containerEdgeAt(pressed_);
  if (item >= 0) return pressItem(item, event->modifiers());
  if (!(event->modifiers() & (Qt::ShiftModifier | Qt::ControlModifier))) work().pickItems({});
  waiting_ = [this] { return marqueeDrag(base()); };
}

void Canvas::pressItem(int item, Qt::KeyboardModifiers keys) {
  const ItemId id = work().screen()->items[size_t(item)]->id;
  wasPicked_ = work().isPicked(id);
  if (keys & Qt::ShiftModifier) {
    auto picked = work().picked().items;
    const auto at = std::find(picked.begin(), picked.end(), id);
    at == picked.end() ? picked.push_back(id) : static_cast<void>(picked.erase(at));
    work().pickItems(std::move(picked));
  } else if (!wasPicked_) {
    work().pickItems({id});
  }
  const bool copies = keys & Qt::ControlModifier;
  // What was picked before is taken out of its order; otherwise the container goes as one.
  if (wasPicked_ && !copies && canBeCarried(work())) {
    waiting_ = [this] { return carryDrag(base()); };
    return;
  }
  waiting_ = [this, copies] { return moveDrag(base(), copies); };
}

void Canvas::mouseMoveEvent(QMouseEvent* event) {
  const QPointF at = toScreen(event->position()), by = at - pressed_;
  if (waiting_ && std::hypot(by.x(), by.y()) * zoom() > kDragAfter) {
    drag_ = waiting_();
    waiting_ = {};
  }
  if (!drag_) return waiting_ ? void() : showCursor(event->position());
  drag_->to(at, event->modifiers());
  update();
}

void Canvas::mouseReleaseEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  if (drag_) {
    drag_->end(event->modifiers());
    endDrag();
  } else if (waiting_) {
    clicked(event->modifiers());
  }
  waiting_ = {};
}

void Canvas::endDrag() {
  drag_.reset();
  waiting_ = {};
  update();
}

bool Canvas::giveUpDrag() {
  if (!drag_) return false;
  endDrag();
  const Change change = changeBetween(before_, work().project());
  if (change.any()) work().undo();
  return true;
}

// Without a drag: of several that are picked this one alone; with Ctrl what lies below it.
void Canvas::clicked(Qt::KeyboardModifiers keys) {
  if (!wasPicked_ || keys & Qt::ShiftModifier) return;
  if (keys & Qt::ControlModifier) return pickBelow(pressed_);
  const int item = itemAt(pressed_, false);
  if (item >= 0 && work().picked().items.size() > 1 &&
      work().isPicked(work().screen()->items[size_t(item)]->id))
    work().pickItems({work().screen()->items[size_t(item)]->id});
}

void Canvas::pickBelow(const QPointF& at) {
  const auto all = itemsAt(at, false);
  if (all.empty()) return;
  size_t next = 0;
  for (size_t i = 0; i < all.size(); ++i)
    if (work().isPicked(work().screen()->items[size_t(all[i])]->id)) next = (i + 1) % all.size();
  work().pickItems({work().screen()->items[size_t(all[next])]->id});
}

void Canvas::pickBelow() {
  const Screen* screen = work().screen();
  const auto i = work().item() ? indexOf(*screen, work().item()->id) : std::nullopt;
  if (i) pickBelow(toQt(work().layout().items[*i].box).center());
}

void Canvas::mouseDoubleClickEvent(QMouseEvent*) {
  if (work().item() && work().item()->button()) Q_EMIT wantsCaption();
}

void Canvas::showCursor(const QPointF& at) {
  if (const auto edges = edgesAt(at)) return setCursor(cursorOf(*edges));
  const bool above = at.y() < kRulerThick, beside = at.x() < kRulerThick;
  if (aids_.rulers && (above || beside)) return unsetCursor();
  const int guide = guideAt(at);
  if (guide < 0) return unsetCursor();
  setCursor(work().screen()->guides[size_t(guide)].upright ? Qt::SplitHCursor : Qt::SplitVCursor);
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
  reveal(work().layout().items[size_t(at)].box);
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
      if (giveUpDrag()) return;
      if (work().picked().items.empty()) break;
      work().pickItems({});
      return;
    default:
      break;
  }
  ScreenView::keyPressEvent(event);
}

}  // namespace bristle
