#include "desktop/view/viewport.h"

#include <algorithm>
#include <cmath>

namespace bristle {
namespace {
constexpr double kMargin = 16;  // px around a screen that fits
constexpr double kSeen = 48;    // px of it that stay in sight at the least
}  // namespace

void Viewport::setRoom(const QRectF& room, const QSizeF& screen) {
  room_ = room;
  screen_ = screen;
  fits_ ? fit() : settle();
}

void Viewport::fit() {
  fits_ = true;
  if (screen_.isEmpty()) return;
  const double w = (room_.width() - 2 * kMargin) / screen_.width();
  const double h = (room_.height() - 2 * kMargin) / screen_.height();
  zoom_ = std::max(kLeast, std::min(w, h));
  origin_ = room_.topLeft() + QPointF(std::round((room_.width() - screen_.width() * zoom_) / 2),
                                      std::round((room_.height() - screen_.height() * zoom_) / 2));
}

void Viewport::zoomTo(double zoom, const QPointF& at) {
  fits_ = false;
  const QPointF under = toScreen(at);
  zoom_ = std::clamp(zoom, kLeast, kMost);
  origin_ = at - under * zoom_;
  settle();
}

void Viewport::moveBy(const QPointF& by) {
  fits_ = false;
  origin_ += by;
  settle();
}

void Viewport::reveal(const QRectF& box) {
  if (fits_) return;
  const QRectF at(toWidget(box.topLeft()), box.size() * zoom_);
  const auto by = [](double near, double far, double from, double to) {
    if (near < from || far - near > to - from) return near < from || near > to ? from - near : 0.0;
    return far > to ? to - far : 0.0;
  };
  const QRectF within = room_.adjusted(kMargin, kMargin, -kMargin, -kMargin);
  moveBy({by(at.left(), at.right(), within.left(), within.right()),
          by(at.top(), at.bottom(), within.top(), within.bottom())});
}

// Never wholly out of sight.
void Viewport::settle() {
  const auto keep = [](double at, double size, double from, double room) {
    const double seen = std::min({kSeen, size, room});
    return std::round(std::clamp(at, from + seen - size, from + room - seen));
  };
  origin_ = {keep(origin_.x(), screen_.width() * zoom_, room_.left(), room_.width()),
             keep(origin_.y(), screen_.height() * zoom_, room_.top(), room_.height())};
}

}  // namespace bristle
