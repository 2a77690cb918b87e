#include "paint/pictures.h"

#include <QDir>
#include <QFileInfo>
#include <QImageReader>
#include <cmath>

#include "paint/convert.h"

namespace bristle {
namespace {

QRectF fitted(const QRectF& rect, const QSizeF& size, const std::string& fit) {
  if (fit == "whole" || size.isEmpty()) return rect;
  const QSizeF scaled = size.scaled(
      rect.size(), fit == "cover" ? Qt::KeepAspectRatioByExpanding : Qt::KeepAspectRatio);
  return {rect.center() - QPointF(scaled.width() / 2, scaled.height() / 2), scaled};
}

}  // namespace

void Pictures::setFolder(const QString& folder) {
  if (folder == folder_) return;
  folder_ = folder;
  loaded_.clear();
  scaled_.clear();
}

const Pictures::Picture& Pictures::get(const std::string& file) {
  const auto at = loaded_.find(file);
  if (at != loaded_.end()) return at->second;
  return loaded_.emplace(file, load(file)).first->second;
}

Pictures::Picture Pictures::load(const std::string& file) const {
  const QString name = toQt(file);
  if (name.isEmpty()) return {{}, QStringLiteral("no file")};
  const QString root = QFileInfo(folder_).canonicalFilePath();
  const QFileInfo info(QDir(folder_), name);
  const QString path = info.canonicalFilePath();
  if (path.isEmpty()) return {{}, QStringLiteral("missing: %1").arg(name)};
  if (root.isEmpty() || !path.startsWith(root + QLatin1Char('/')))
    return {{}, QStringLiteral("outside the project's folder: %1").arg(name)};
  QImageReader reader(path);
  reader.setAutoTransform(true);
  const QSize size = reader.size();
  if (size.isValid() && (size.width() > kMostSide || size.height() > kMostSide ||
                         qint64(size.width()) * size.height() > kMostPixels))
    return {
        {},
        QStringLiteral("too large, %1 × %2 px: %3").arg(size.width()).arg(size.height()).arg(name)};
  QImage image = reader.read();
  if (image.isNull()) return {{}, QStringLiteral("broken: %1").arg(name)};
  return {image.convertToFormat(QImage::Format_ARGB32_Premultiplied), {}};
}

void Pictures::draw(QPainter& painter, const QRectF& rect, const std::string& file,
                    const std::string& fit) {
  const Picture& picture = get(file);
  if (picture.image.isNull()) return drawStandIn(painter, rect, picture.problem);
  const QRectF target = fitted(rect, picture.image.size(), fit);
  painter.save();
  if (fit == "cover") painter.setClipRect(rect, Qt::IntersectClip);
  const QTransform world = painter.worldTransform();
  const double ratio = painter.device() ? painter.device()->devicePixelRatioF() : 1;
  const QRectF place = world.mapRect(target);
  const QSize size = (place.size() * ratio).toSize();
  if (world.type() <= QTransform::TxScale && !size.isEmpty() &&
      qint64(size.width()) * size.height() <= kMostPixels) {
    // Scaled once for the size that it is seen at; smooth scaling in every frame is dear.
    QImage image = scaled(file, picture.image, size);
    image.setDevicePixelRatio(ratio);
    painter.setWorldTransform({});
    painter.drawImage(QPointF(std::round(place.x()), std::round(place.y())), image);
  } else {
    painter.setRenderHint(QPainter::SmoothPixmapTransform);
    painter.drawImage(target, picture.image);
  }
  painter.restore();
}

QImage Pictures::scaled(const std::string& file, const QImage& image, const QSize& size) {
  if (image.size() == size) return image;
  for (auto at = scaled_.begin(); at != scaled_.end(); ++at) {
    if (at->file != file || at->image.size() != size) continue;
    scaled_.splice(scaled_.begin(), scaled_, at);
    return scaled_.front().image;
  }
  scaled_.push_front({file, image.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation)});
  if (scaled_.size() > kMostScaled) scaled_.pop_back();
  return scaled_.front().image;
}

void drawStandIn(QPainter& painter, const QRectF& rect, const QString& text) {
  painter.save();
  painter.setPen(QPen(QColor(0xb2, 0x3a, 0x22), 2, Qt::DashLine));
  painter.setBrush(QColor(0xef, 0xeb, 0xe4, 220));
  painter.drawRect(rect.adjusted(1, 1, -1, -1));
  painter.drawLine(rect.topLeft(), rect.bottomRight());
  painter.drawLine(rect.topRight(), rect.bottomLeft());
  painter.setPen(QColor(0x24, 0x21, 0x1e));
  painter.drawText(rect.adjusted(4, 2, -4, -2), Qt::AlignCenter | Qt::TextWordWrap, text);
  painter.restore();
}

}  // namespace bristle
