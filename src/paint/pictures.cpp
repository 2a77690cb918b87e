#include "paint/pictures.h"

#include <fmt/format.h>

#include <QSvgRenderer>
#include <algorithm>
#include <cmath>

#include "core/formats/file_io.h"
#include "paint/convert.h"
#include "paint/svg_guard.h"
#include "runtime/document/screen.h"

namespace bristle {

QRectF groupIn(const QSvgRenderer& svg, const QString& group, const QSizeF& size) {
  const QRectF view = svg.viewBoxF();
  const QRectF bounds = svg.transformForElement(group).mapRect(svg.boundsOnElement(group));
  if (view.isEmpty() || bounds.isEmpty()) return {};
  const double sx = size.width() / view.width(), sy = size.height() / view.height();
  return {(bounds.x() - view.x()) * sx, (bounds.y() - view.y()) * sy, bounds.width() * sx,
          bounds.height() * sy};
}

namespace {

// Where a side of a picture lies that is `all` long, in a box from `from` that is `room` long. What
// is cut keeps its focus as near to the middle as it can without a gap; what leaves room lies so
// far along in it.
double placed(double from, double room, double all, double focus) {
  if (all <= room) return from + (room - all) * focus;
  return from + std::clamp(room / 2 - all * focus, room - all, 0.0);
}

}  // namespace

PictureLook lookOf(const PictureData& picture, bool rightToLeft) {
  static constexpr const char* kFits[] = {"cover", "contain", "whole"};
  PictureLook look;
  look.file = picture.file;
  look.fit = kFits[static_cast<size_t>(picture.fit)];
  look.turned = picture.turns && rightToLeft;
  look.focus = {look.turned ? 1 - picture.focusX : picture.focusX, picture.focusY};
  look.alone = true;  // an item lies where it is placed, not where its document has it
  return look;
}

QRectF fitted(const QRectF& rect, const QSizeF& size, const PictureLook& look) {
  if (look.fit == "whole" || look.fit == "nine-slice" || size.isEmpty()) return rect;
  const QSizeF scaled = size.scaled(
      rect.size(), look.fit == "cover" ? Qt::KeepAspectRatioByExpanding : Qt::KeepAspectRatio);
  return {QPointF(placed(rect.x(), rect.width(), scaled.width(), look.focus.x()),
                  placed(rect.y(), rect.height(), scaled.height(), look.focus.y())),
          scaled};
}

namespace {

// The whole document, or one group, alone or where it stands in the document: states drawn as
// groups of one file keep their places and have one size.
QImage drawn(QSvgRenderer& svg, const QString& group, const QSize& size, bool alone = false) {
  QImage image(size, QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  QPainter painter(&image);
  const QRectF all(0, 0, size.width(), size.height());
  if (group.isEmpty()) {
    svg.render(&painter, all);
  } else if (const QRectF place = alone ? all : groupIn(svg, group, size); !place.isEmpty()) {
    svg.render(&painter, group, place);
  }
  return image;
}

// Corners keep their size, sides stretch along, the middle both ways.
void drawSliced(QPainter& painter, const QImage& image, const QSizeF& to, Four s, double ratio) {
  const double w = image.width(), h = image.height();
  const double over =
      std::max({1.0, (s.b + s.d) / std::max(1.0, w), (s.a + s.c) / std::max(1.0, h)});
  s = {s.a / over, s.b / over, s.c / over, s.d / over};
  // Where the target is smaller than its corners, they shrink together.
  const double shrink = std::min({1.0, to.width() / std::max(1e-6, (s.b + s.d) * ratio),
                                  to.height() / std::max(1e-6, (s.a + s.c) * ratio)}) *
                        ratio;
  const double fromX[] = {0, s.d, w - s.b, w}, fromY[] = {0, s.a, h - s.c, h};
  const double toX[] = {0, s.d * shrink, to.width() - s.b * shrink, to.width()};
  const double toY[] = {0, s.a * shrink, to.height() - s.c * shrink, to.height()};
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  for (size_t y = 0; y < 3; ++y)
    for (size_t x = 0; x < 3; ++x) {
      const QRectF from(fromX[x], fromY[y], fromX[x + 1] - fromX[x], fromY[y + 1] - fromY[y]);
      const QRectF target(toX[x], toY[y], toX[x + 1] - toX[x], toY[y + 1] - toY[y]);
      if (!from.isEmpty() && !target.isEmpty()) painter.drawImage(target, image, from);
    }
}

QString readSvg(const QByteArray& bytes, const QString& name, const QString& group,
                Pictures::Picture& out) {
  const auto safe = makeSafe(bytes, fromQt(name));
  if (!safe) return QStringLiteral("broken: %1").arg(toQt(safe.error().text()));
  out.svg = std::make_shared<QSvgRenderer>(safe->text);
  out.groups = safe->groups;
  if (!out.svg->isValid()) return QStringLiteral("broken: %1").arg(name);
  if (!group.isEmpty() && !out.svg->elementExists(group))
    return QStringLiteral("no group “%1” in %2").arg(group, name);
  const QSize size = out.svg->defaultSize();
  if (size.isEmpty()) return QStringLiteral("has no size: %1").arg(name);
  if (isTooLarge(size)) return QStringLiteral("too large, %1: %2").arg(sizeInWords(size), name);
  out.image = drawn(*out.svg, group, size);
  if (!group.isEmpty()) out.group = groupIn(*out.svg, group, size);
  return {};
}

}  // namespace

Pictures::Pictures() = default;
Pictures::~Pictures() = default;

void Pictures::clear() {
  loaded_.clear();
  made_.clear();
}

void Pictures::setFolder(const std::string& folder) {
  if (folder == folder_) return;
  folder_ = folder;
  clear();
}

const Pictures::Picture& Pictures::get(const std::string& file) {
  const auto at = loaded_.find(file);
  if (at != loaded_.end()) return at->second;
  return loaded_.emplace(file, load(file)).first->second;
}

Pictures::Picture Pictures::load(const std::string& file) const {
  const QString name = toQt(file);
  if (name.isEmpty()) return {{}, QStringLiteral("no file"), {}, {}, {}};
  if (folder_.empty())
    return {{},
            QStringLiteral("missing, since the project has no folder yet: %1").arg(name),
            {},
            {},
            {}};
  const auto path = fileInside(folder_, file.substr(0, file.find('#')));
  if (!path)
    return {{},
            toQt(path.error().reason.substr(path.error().reason.find(' ') + 1)) +
                QStringLiteral(": ") + name,
            {},
            {},
            {}};
  return readPicture(*path, name);
}

Pictures::Picture readPicture(const std::string& path, const QString& name) {
  Pictures::Picture out;
  const auto read = readFile(path, kMostPictureBytes);
  if (!read) {
    out.problem = QStringLiteral("%1: %2").arg(toQt(read.error().reason), name);
    return out;
  }
  const QByteArray bytes = QByteArray::fromRawData(read->data(), qsizetype(read->size()));
  const PictureSort sort = sortOf(bytes);
  if (sort == PictureSort::Packed) {
    out.problem = QStringLiteral("compressed SVG is not taken; unpack it first: %1").arg(name);
  } else if (sort == PictureSort::Svg) {
    out.problem = readSvg(bytes, name, name.section(QLatin1Char('#'), 1), out);
    if (!out.problem.isEmpty()) out.image = {};
  } else {
    QString problem;
    const QImage image = readRaster(bytes, problem);
    if (image.isNull())
      out.problem = QStringLiteral("%1: %2").arg(problem, name);
    else
      out.image = image.convertToFormat(QImage::Format_ARGB32_Premultiplied);
  }
  return out;
}

std::string whyNoPicture(const std::string& folder, const std::string& file) {
  const auto path = fileInside(folder, file);
  if (!path) return path.error().reason;
  return fromQt(readPicture(*path, toQt(file)).problem);
}

QImage Pictures::made(const PictureLook& look, const Picture& picture, const QSize& size,
                      double ratio) {
  const bool plain = !look.alone && !look.turned && look.tint.a == 0 &&
                     look.across * look.down == 1 && look.fit != "nine-slice";
  if (plain && picture.image.size() == size) return picture.image;
  const std::string key = fmt::format(
      "{} {}x{} {} {} {}/{}/{} {} {} {}", look.file, size.width(), size.height(), toHex(look.tint),
      look.fit == "nine-slice" ? toText(look.slices) : std::string(), look.frame, look.across,
      look.down, look.fit == "nine-slice" ? ratio : 0, look.alone, look.turned);
  for (auto at = made_.begin(); at != made_.end(); ++at) {
    if (at->key != key) continue;
    made_.splice(made_.begin(), made_, at);
    return made_.front().image;
  }
  QImage image = picture.image;
  if (look.across * look.down > 1) {
    const int w = image.width() / look.across, h = image.height() / look.down;
    image = image.copy((look.frame % look.across) * w, (look.frame / look.across) * h, w, h);
  }
  if (look.fit == "nine-slice") {
    QImage whole(size, QImage::Format_ARGB32_Premultiplied);
    whole.fill(Qt::transparent);
    QPainter painter(&whole);
    drawSliced(painter, image, size, look.slices, ratio);
    painter.end();
    image = whole;
  } else if (picture.svg && look.across * look.down == 1) {
    // Drawn anew: lines stay sharp at every size.
    image = drawn(*picture.svg, toQt(look.file).section(QLatin1Char('#'), 1), size, look.alone);
  } else {
    image = image.scaled(size, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  }
  if (look.tint.a > 0) {
    QPainter painter(&image);
    painter.setCompositionMode(QPainter::CompositionMode_SourceAtop);
    painter.fillRect(image.rect(), toQt(look.tint));
  }
  if (look.turned) image = image.mirrored(true, false);
  made_.push_front({key, image});
  if (made_.size() > kMostScaled) made_.pop_back();
  return image;
}

void Pictures::draw(QPainter& painter, const QRectF& rect, const PictureLook& look) {
  const Picture& picture = get(look.file);
  if (picture.image.isNull()) {
    problems_.insert(fromQt(picture.problem));
    return drawStandIn(painter, rect, picture.problem);
  }
  const QSizeF own = look.alone && !picture.group.isEmpty()
                         ? picture.group.size()
                         : QSizeF(double(picture.image.width()) / look.across,
                                  double(picture.image.height()) / look.down);
  const QRectF target = fitted(rect, own, look);
  painter.save();
  if (look.fit == "cover") painter.setClipRect(rect, Qt::IntersectClip);
  const QTransform world = painter.worldTransform();
  const double ratio = painter.device() ? painter.device()->devicePixelRatioF() : 1;
  const bool straight = world.type() <= QTransform::TxScale && world.m11() > 0 && world.m22() > 0;
  const QRectF place = straight ? world.mapRect(target) : target;
  const QSize size = (place.size() * ratio).toSize();
  if (!size.isEmpty() && qint64(size.width()) * size.height() <= kMostPixels) {
    // Scaled once for the size that it is seen at; smooth scaling in every frame is dear.
    QImage image = made(look, picture, size, ratio * (straight ? world.m11() : 1));
    image.setDevicePixelRatio(ratio);
    if (straight) {
      painter.setWorldTransform({});
      painter.drawImage(QPointF(std::round(place.x()), std::round(place.y())), image);
    } else {
      painter.setRenderHint(QPainter::SmoothPixmapTransform);
      painter.drawImage(target.topLeft(), image);
    }
  }
  painter.restore();
}

void Pictures::drawMissing(QPainter& painter, const QRectF& rect, const std::string& what) {
  problems_.insert(what);
  drawStandIn(painter, rect, toQt(what));
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
