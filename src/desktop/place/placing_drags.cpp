#include "desktop/place/canvas_drag.h"

#include <algorithm>
#include <cmath>

#include "core/arrange/align.h"
#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "desktop/place/new_items.h"
#include "desktop/place/snap_marks.h"
#include "desktop/work/work.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

constexpr double kReach = 6;  // widget px within which something snaps

QString px(double v) {
  return QString::number(std::round(v * 10) / 10);
}

// A drag that changes places. All is worked out from where things lay when it began.
class PlacingDrag : public CanvasDrag {
 protected:
  PlacingDrag(const DragBase& base, std::vector<size_t> items) : base_(base), key_(freshDragKey()) {
    begin(std::move(items));
  }
  void begin(std::vector<size_t> items) {
    screen_ = *base_.work.screen();
    layout_ = base_.work.layout();
    items_ = std::move(items);
    boxes_.clear();
    for (const size_t i : items_) boxes_.push_back(layout_.items[i].box);
    bounds_ = boundsOf(boxes_);
    field_ = surroundingsOf(base_.work.project(), screen_, layout_, items_, base_.toGrid);
    if (!base_.toGuides) field_.guides.clear();
  }
  bool snaps(Qt::KeyboardModifiers keys) const { return base_.snaps && !(keys & Qt::AltModifier); }
  double reach() const { return kReach / base_.view.zoom(); }
  void place(const std::vector<Box>& boxes, const char* name) {
    std::vector<std::pair<ItemId, Place>> places;
    for (size_t i = 0; i < items_.size(); ++i)
      places.emplace_back(screen_.items[items_[i]]->id,
                          placeAt(screen_, layout_, items_[i], boxes[i]));
    base_.work.perform(placeItems(screen_.id, std::move(places), name, key_));
  }
  void end(Qt::KeyboardModifiers) override { base_.work.seal(); }
  void paintSaying(QPainter& p, const Box& bounds, const QString& text) const {
    paintReasons(p, base_.view, reasons_);
    paintTag(p, base_.view, base_.view.toWidget(bounds).bottomLeft() + QPointF(0, 8), text);
  }

  DragBase base_;
  std::string key_;
  Screen screen_;
  Layout layout_;
  std::vector<size_t> items_;
  std::vector<Box> boxes_;
  Box bounds_;
  SnapField field_;
  std::vector<SnapReason> reasons_;
};

class MoveDrag : public PlacingDrag {
 public:
  MoveDrag(const DragBase& base, bool copies)
      : PlacingDrag(base, moversOf(*base.work.screen(), base.work.picked().items)),
        copies_(copies) {}

  void to(const QPointF& at, Qt::KeyboardModifiers keys) override {
    if (copies_) copy();
    QPointF by = at - base_.pressed;
    if (keys & Qt::ShiftModifier) (std::abs(by.x()) > std::abs(by.y()) ? by.ry() : by.rx()) = 0;
    Box now{std::round(bounds_.x + by.x()), std::round(bounds_.y + by.y()), bounds_.w, bounds_.h};
    reasons_.clear();
    if (snaps(keys)) {
      Snapped snapped = snapMoved(now, field_, reach());
      // Along one axis the other stays where it is.
      std::erase_if(snapped.reasons, [&](const SnapReason& reason) {
        return keys & Qt::ShiftModifier && (reason.upright ? by.x() : by.y()) == 0;
      });
      for (const SnapReason& reason : snapped.reasons)
        reason.upright ? now.x += snapped.dx : now.y += snapped.dy;
      reasons_ = std::move(snapped.reasons);
    }
    if (keys & Qt::ShiftModifier && by.x() == 0) now.x = bounds_.x;
    if (keys & Qt::ShiftModifier && by.y() == 0) now.y = bounds_.y;
    std::vector<Box> boxes = boxes_;
    for (Box& box : boxes) {
      box.x += now.x - bounds_.x;
      box.y += now.y - bounds_.y;
    }
    now_ = now;
    place(boxes, copies_ ? "duplicate" : "move");
  }
  void paint(QPainter& p) const override {
    paintSaying(p, now_, QStringLiteral("x %1 · y %2").arg(px(now_.x), px(now_.y)));
  }

 private:
  // What is moved from now on is the copies, which lie where the originals do.
  void copy() {
    if (copied_) return;
    copied_ = true;
    std::vector<ItemId> originals;
    for (const size_t i : items_) originals.push_back(screen_.items[i]->id);
    const std::vector<Box> boxes = boxes_;
    Edit edit = duplicateItems(screen_.id, std::move(originals));
    edit.mergeKey = key_;
    if (!performAndPickNew(base_.work, edit)) return begin({});
    begin(moversOf(*base_.work.screen(), base_.work.picked().items));
    if (boxes.size() == boxes_.size()) boxes_ = boxes;
    bounds_ = boundsOf(boxes_);
  }
  bool copies_, copied_ = false;
  Box now_;
};

class ResizeDrag : public PlacingDrag {
 public:
  ResizeDrag(const DragBase& base, const Resizable& what, Edges edges)
      : PlacingDrag(base, what.items), loose_(what.loose), edges_(edges), now_(bounds_) {}

  void to(const QPointF& at, Qt::KeyboardModifiers keys) override {
    const QPointF by = at - base_.pressed;
    const bool both = keys & Qt::ControlModifier;
    Box wanted = grown(by.x(), by.y(), both);
    reasons_.clear();
    if (snaps(keys)) {
      Snapped snapped = snapResized(wanted, edges_, field_, reach());
      wanted = grown(by.x() + snapped.dx, by.y() + snapped.dy, both);
      reasons_ = std::move(snapped.reasons);
    }
    now_ = keys & Qt::ShiftModifier ? inRatio(wanted, both) : wanted;
    loose_ ? scale() : setSize();
  }
  void paint(QPainter& p) const override {
    paintSaying(p, now_, QStringLiteral("%1 × %2").arg(px(now_.w), px(now_.h)));
  }

 private:
  // The dragged edges moved on by that, the opposite ones the other way where it is about the
  // centre; never smaller than 1 px.
  Box grown(double dx, double dy, bool both) const {
    double left = bounds_.x, right = left + bounds_.w, top = bounds_.y, bottom = top + bounds_.h;
    const auto move = [both](bool near, bool far, double by, double& from, double& to) {
      if (near) from = std::round(std::min(from + by, both ? (from + to - 1) / 2 : to - 1));
      if (far) to = std::round(std::max(to + by, both ? (from + to + 1) / 2 : from + 1));
    };
    const double middleX = (left + right) / 2, middleY = (top + bottom) / 2;
    move(edges_.left, edges_.right, dx, left, right);
    move(edges_.top, edges_.bottom, dy, top, bottom);
    if (both && edges_.left) right = 2 * middleX - left;
    if (both && edges_.right) left = 2 * middleX - right;
    if (both && edges_.top) bottom = 2 * middleY - top;
    if (both && edges_.bottom) top = 2 * middleY - bottom;
    return {left, top, right - left, bottom - top};
  }

  // Of the size that the larger change asks for, held where nothing is dragged.
  Box inRatio(const Box& wanted, bool both) const {
    const double across = wanted.w / bounds_.w, down = wanted.h / bounds_.h;
    const bool sideways = edges_.left || edges_.right, upright = edges_.top || edges_.bottom;
    const double factor = !upright ? across : !sideways ? down : std::max(across, down);
    const double w = std::max(1.0, bounds_.w * factor), h = std::max(1.0, bounds_.h * factor);
    const auto from = [&](double at, double old, double size, bool near, bool far) {
      if (both || near == far) return at + (old - size) / 2;
      return near ? at + old - size : at;
    };
    return {from(bounds_.x, bounds_.w, w, edges_.left, edges_.right),
            from(bounds_.y, bounds_.h, h, edges_.top, edges_.bottom), w, h};
  }

  void scale() {
    std::vector<Box> boxes = boxes_;
    const double across = now_.w / bounds_.w, down = now_.h / bounds_.h;
    for (Box& box : boxes)
      box = {now_.x + (box.x - bounds_.x) * across, now_.y + (box.y - bounds_.y) * down,
             std::max(1.0, box.w * across), std::max(1.0, box.h * down)};
    place(boxes, "resize");
  }

  // Its container says where it lies.
  void setSize() {
    const Item& item = *screen_.items[items_[0]];
    Place to = item.place;
    const auto set = [](AxisPlace& axis, double size) {
      axis.size = size;
      axis.rest = 0;
    };
    if (now_.w != bounds_.w) set(to.x, now_.w);
    if (now_.h != bounds_.h) set(to.y, now_.h);
    base_.work.perform(placeItems(screen_.id, {{item.id, to}}, "resize", key_));
  }

  bool loose_;
  Edges edges_;
  Box now_;
};

}  // namespace

std::string freshDragKey() {
  static int drags = 0;
  return "drag " + std::to_string(++drags);
}

Resizable resizableOf(Work& work) {
  Resizable out;
  const Screen* screen = work.screen();
  if (!screen || work.picked().items.empty()) return out;
  const Layout& layout = work.layout();
  std::vector<Box> boxes;
  const auto nesting = nestingOf(*screen);
  size_t end = 0;  // of the last that is picked: what is in it goes along
  for (size_t i = 0; i < screen->items.size(); ++i) {
    if (!work.isPicked(screen->items[i]->id)) continue;
    if (!layout.items[i].shown || i < end) return {};
    end = nesting[i].end;
    out.loose = out.loose && looseAt(*screen, nesting, i);
    out.items.push_back(i);
    boxes.push_back(layout.items[i].box);
  }
  if (!out.loose && out.items.size() > 1) return {};
  out.bounds = boundsOf(boxes);
  return out;
}

std::unique_ptr<CanvasDrag> moveDrag(const DragBase& base, bool copies) {
  return std::make_unique<MoveDrag>(base, copies);
}
std::unique_ptr<CanvasDrag> resizeDrag(const DragBase& base, Edges edges) {
  return std::make_unique<ResizeDrag>(base, resizableOf(base.work), edges);
}

}  // namespace bristle
