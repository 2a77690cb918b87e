#include <cmath>

#include "core/edit/screen_edits.h"
#include "desktop/place/canvas_drag.h"
#include "desktop/place/rulers.h"
#include "desktop/place/snap_marks.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {

class GuideDrag : public CanvasDrag {
 public:
  GuideDrag(const DragBase& base, int guide, bool upright)
      : base_(base),
        key_(freshDragKey()),
        upright_(upright),
        before_(base.work.screen()->guides),
        index_(guide) {}
  void to(const QPointF& at, Qt::KeyboardModifiers) override {
    at_ = std::round(upright_ ? at.x() : at.y());
    const QPointF widget = base_.view.toWidget(at);
    off_ = !base_.view.rect().adjusted(kRulerThick, kRulerThick, 0, 0).contains(widget.toPoint());
    std::vector<Guide> guides = before_;
    if (index_ >= 0) guides[size_t(index_)].at = at_;
    if (index_ < 0) guides.push_back({upright_, at_});
    if (off_) guides.erase(index_ < 0 ? guides.end() - 1 : guides.begin() + index_);
    base_.work.perform(changeScreen(base_.work.screen()->id,
                                    off_ && index_ >= 0 ? "remove guide"
                                    : index_ < 0        ? "add guide"
                                                        : "move guide",
                                    key_, [&](Screen& screen) { screen.guides = guides; }));
  }
  void end(Qt::KeyboardModifiers) override { base_.work.seal(); }
  void paint(QPainter& p) const override {
    if (off_) return;
    const QPointF on = base_.view.toWidget(upright_ ? QPointF(at_, 0) : QPointF(0, at_));
    paintTag(p, base_.view,
             upright_ ? QPointF(on.x() + 6, kRulerThick + 8) : QPointF(kRulerThick + 8, on.y() + 6),
             QString::number(at_));
  }

 private:
  DragBase base_;
  std::string key_;
  bool upright_;
  std::vector<Guide> before_;
  int index_;
  double at_ = 0;
  bool off_ = false;
};

}  // namespace

std::unique_ptr<CanvasDrag> guideDrag(const DragBase& base, int guide, bool upright) {
  return std::make_unique<GuideDrag>(base, guide, upright);
}

}  // namespace bristle
