// How a screen lies in a widget: how large, and where. Widget px on the one side, layout px on the
// other.
#pragma once
#include <QPointF>
#include <QRectF>

namespace bristle {

class Viewport {
 public:
  static constexpr double kLeast = 0.02, kMost = 32;

  // What it lies in, and how large the screen is; one that fits fits again. Otherwise nothing moves
  // but what would be out of sight.
  void setRoom(const QRectF& room, const QSizeF& screen);
  // As large as the room lets it be, in the middle, until it is zoomed or moved.
  void fit();
  bool fits() const { return fits_; }
  // What lies under `at` stays there.
  void zoomTo(double zoom, const QPointF& at);
  void moveBy(const QPointF& by);
  // So that all of it is seen, or its beginning where it is too large. In layout px.
  void reveal(const QRectF& box);

  double zoom() const { return zoom_; }
  const QPointF& origin() const { return origin_; }
  const QRectF& room() const { return room_; }
  QPointF toScreen(const QPointF& p) const { return (p - origin_) / zoom_; }
  QPointF toWidget(const QPointF& p) const { return p * zoom_ + origin_; }
  bool operator==(const Viewport&) const = default;

 private:
  void settle();
  QRectF room_;
  QSizeF screen_;
  double zoom_ = 1;
  QPointF origin_;  // of the screen in the widget; whole px, so that what is painted can be moved
  bool fits_ = true;
};

}  // namespace bristle
