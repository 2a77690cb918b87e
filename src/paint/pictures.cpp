#include "paint/pictures.h"

#include <QDir>
#include <QFileInfo>
#include <QImageReader>

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
  painter.save();
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  if (fit == "cover") painter.setClipRect(rect, Qt::IntersectClip);
  painter.drawImage(fitted(rect, picture.image.size(), fit), picture.image);
  painter.restore();
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
