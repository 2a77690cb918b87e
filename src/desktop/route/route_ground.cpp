#include "desktop/route/route_ground.h"

#include <QPainter>

namespace bristle {

void paintRouteBox(QPainter& p, const RouteBox& box, const QFont& font) {
  const QRectF& r = box.rect;
  p.setPen(QPen(box.picked ? Qt::white : QColor(255, 255, 255, 170), box.picked ? 3 : 1));
  p.setBrush(box.fill);
  p.drawRoundedRect(r, 5, 5);
  if (box.entry) {
    p.setBrush(Qt::white);
    p.setPen(QPen(QColor("#0f6e6e"), 3));
    p.drawEllipse(r.topLeft() + QPointF(2, 2), 5, 5);
  }
  if (r.width() < 24) return;
  p.setPen(Qt::white);
  QFont small = font;
  small.setPixelSize(r.width() < 90 ? 10 : 12);
  p.setFont(small);
  p.drawText(r, Qt::AlignCenter,
             QFontMetrics(small).elidedText(box.name, Qt::ElideRight, int(r.width()) - 4));
  if (box.steps.isEmpty()) return;
  small.setPixelSize(9);
  small.setBold(true);
  p.setFont(small);
  p.drawText(r.adjusted(3, 1, -4, -1), Qt::AlignRight | Qt::AlignTop, box.steps);
}

RouteGround::RouteGround(QObject* parent)
    : QObject(parent), painting_(this, [this](Picture made) {
        picture_ = std::move(made);
        Q_EMIT painted();
      }) {}

void RouteGround::show(Scene scene) {
  if (scene == scene_) return;
  scene_ = std::move(scene);
  painting_.ask([scene = scene_](const std::atomic<bool>&) { return paintScene(scene); });
}

RouteGround::Picture RouteGround::paintScene(const Scene& scene) {
  Picture out{{}, {}, scene.screen, scene.origin, scene.zoom};
  std::vector<QRectF> rects;
  for (const RouteBox& each : scene.boxes) rects.push_back(each.rect);
  const auto paint = [&](QImage& image, auto&& what) {
    image = QImage(scene.size, QImage::Format_ARGB32_Premultiplied);
    image.setDevicePixelRatio(scene.ratio);
    image.fill(Qt::transparent);
    QPainter p(&image);
    p.setRenderHint(QPainter::Antialiasing);
    what(p);
  };
  paint(out.boxes, [&](QPainter& p) {
    for (const RouteBox& each : scene.boxes) paintRouteBox(p, each, scene.font);
  });
  paint(out.strokes, [&](QPainter& p) { paintStrokes(p, scene.strokes, rects); });
  return out;
}

void RouteGround::paint(QPainter& p, double strokes) const {
  if (picture_.boxes.isNull() || picture_.screen != scene_.screen) return;
  const double scale = scene_.zoom / picture_.zoom;
  p.save();
  p.translate(scene_.origin - picture_.origin * scale);
  p.scale(scale, scale);
  p.drawImage(0, 0, picture_.boxes);
  p.setOpacity(strokes);
  p.drawImage(0, 0, picture_.strokes);
  p.restore();
}

}  // namespace bristle
