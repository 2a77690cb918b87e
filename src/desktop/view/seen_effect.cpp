#include "desktop/view/seen_effect.h"

#include <QPainter>

#include "paint/blur.h"
#include "paint/seen_as.h"

namespace bristle {

void SeenEffect::draw(QPainter* painter) {
  QPoint at;
  const QPixmap source = sourcePixmap(Qt::LogicalCoordinates, &at, QGraphicsEffect::NoPad);
  QImage image = source.toImage().convertToFormat(QImage::Format_ARGB32_Premultiplied);
  const double ratio = image.devicePixelRatio();
  if (blur_ > 0) image = blurred(std::move(image), blur_ * ratio);
  image = seenAs(image, vision_);
  image.setDevicePixelRatio(ratio);
  painter->drawImage(at, image);
}

}  // namespace bristle
