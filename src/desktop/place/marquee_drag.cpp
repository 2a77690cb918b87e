#include <algorithm>

#include "desktop/place/canvas_drag.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {
namespace {

class MarqueeDrag : public CanvasDrag {
 public:
  explicit MarqueeDrag(const DragBase& base) : base_(base), now_(base.pressed) {}
  void to(const QPointF& at, Qt::KeyboardModifiers) override { now_ = at; }
  void end(Qt::KeyboardModifiers keys) override {
    const bool add = keys & Qt::ShiftModifier, take = keys & Qt::ControlModifier;
    std::vector<ItemId> picked = add || take ? base_.work.picked().items : std::vector<ItemId>{};
    for (const ItemId& id : touched()) {
      const auto at = std::find(picked.begin(), picked.end(), id);
      if (take && at != picked.end()) picked.erase(at);
      if (!take && at == picked.end()) picked.push_back(id);
    }
    base_.work.pickItems(std::move(picked));
  }
  void paint(QPainter& p) const override {
    p.setPen(QPen(Qt::white, 1, Qt::DashLine));
    p.setBrush(QColor(255, 255, 255, 40));
    p.drawRect(QRectF(base_.view.toWidget(base_.pressed), base_.view.toWidget(now_)).normalized());
    p.setBrush(Qt::NoBrush);
  }

 private:
  std::vector<ItemId> touched() const {
    std::vector<ItemId> out;
    const QRectF area = QRectF(base_.pressed, now_).normalized();
    const Screen& screen = *base_.work.screen();
    const Layout& layout = base_.work.layout();
    const auto nesting = nestingOf(screen);
    for (size_t i = 0; i < screen.items.size(); ++i)
      if (!screen.items[i]->container() && !nesting[i].locked && layout.items[i].isSeen() &&
          area.intersects(toQt(layout.items[i].box)))
        out.push_back(screen.items[i]->id);
    return out;
  }
  DragBase base_;
  QPointF now_;
};

}  // namespace

std::unique_ptr<CanvasDrag> marqueeDrag(const DragBase& base) {
  return std::make_unique<MarqueeDrag>(base);
}

}  // namespace bristle
