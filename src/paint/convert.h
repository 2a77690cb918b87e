// The core's values in Qt's types.
#pragma once
#include <QColor>
#include <QRectF>
#include <QString>

#include "runtime/document/value.h"
#include "runtime/focus/solver.h"

namespace bristle {

// Between our types and Qt’s; nothing is lost on the way.
inline QColor toQt(Colour c) {
  return QColor(c.r, c.g, c.b, c.a);
}
inline Colour fromQt(const QColor& c) {
  return {static_cast<std::uint8_t>(c.red()), static_cast<std::uint8_t>(c.green()),
          static_cast<std::uint8_t>(c.blue()), static_cast<std::uint8_t>(c.alpha())};
}
inline QString toQt(const std::string& text) {
  return QString::fromUtf8(text.data(), qsizetype(text.size()));
}
inline std::string fromQt(const QString& text) {
  return text.toUtf8().toStdString();
}
inline QRectF toQt(const Box& b) {
  return QRectF(b.x, b.y, b.w, b.h);
}
inline Box fromQt(const QRectF& r) {
  return {r.x(), r.y(), r.width(), r.height()};
}

}  // namespace bristle
