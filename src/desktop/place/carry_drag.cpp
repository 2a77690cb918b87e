// Takes things out of their container's order, to another place in it, into another, or out.
#include <algorithm>

#include "core/arrange/place_at.h"
#include "core/edit/tree_edits.h"
#include "desktop/place/canvas_drag.h"
#include "desktop/place/drop_mark.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

class CarryDrag : public CanvasDrag {
 public:
  explicit CarryDrag(const DragBase& base)
      : base_(base), ids_(outermost(*base.work.screen(), base.work.picked().items)) {}

  void to(const QPointF& at, Qt::KeyboardModifiers) override {
    by_ = at - base_.pressed;
    spot_ = dropSpotAt(*base_.work.screen(), base_.work.layout(), at.x(), at.y(), ids_);
  }
  void end(Qt::KeyboardModifiers) override {
    const Screen& screen = *base_.work.screen();
    Places places;
    for (const ItemId& id : ids_) {
      Box box = boxOf(id);
      box.x = std::round(box.x + by_.x());
      box.y = std::round(box.y + by_.y());
      if (!spot_.ordered)
        places.emplace_back(id, placeInside(screen, base_.work.layout(), spot_.to.holder,
                                            findItem(screen, id)->place, box));
    }
    base_.work.perform(moveInto(screen.id, ids_, spot_.to, std::move(places)));
  }
  void paint(QPainter& p) const override {
    p.setPen(QPen(Qt::white, 1, Qt::DashLine));
    for (const ItemId& id : ids_)
      p.drawRect(base_.view.toWidget(boxOf(id)).translated(by_ * base_.view.zoom()));
    paintDropMark(p, base_.view, spot_);
  }

 private:
  Box boxOf(const ItemId& id) const {
    const auto i = indexOf(*base_.work.screen(), id);
    return i ? base_.work.layout().items[*i].box : Box{};
  }
  DragBase base_;
  std::vector<ItemId> ids_;
  QPointF by_;
  DropSpot spot_;
};

}  // namespace

bool canBeCarried(Work& work) {
  const Screen* screen = work.screen();
  if (!screen || work.picked().items.empty()) return false;
  ItemId holder;
  for (const ItemId& id : work.picked().items) {
    const Item* item = findItem(*screen, id);
    if (!item || isLoose(*screen, *item) || (holder && item->parent != holder)) return false;
    holder = item->parent;
  }
  // With all that is in it the container itself is meant.
  for (const auto& item : screen->items)
    if (item->parent == holder && !work.isPicked(item->id)) return true;
  return false;
}

std::unique_ptr<CanvasDrag> carryDrag(const DragBase& base) {
  return std::make_unique<CarryDrag>(base);
}

}  // namespace bristle
