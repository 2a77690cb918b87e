// Kinds, or a reusable group, on their way from the shelf to a canvas.
#pragma once
#include <QMimeData>
#include <QStringList>
#include <vector>

#include "paint/convert.h"
#include "runtime/document/ids.h"

namespace bristle {

inline QString kindMimeType() {
  return QStringLiteral("application/x-bristle-kinds");
}
inline QMimeData* mimeOf(const std::vector<KindId>& kinds) {
  QStringList ids;
  for (const KindId& id : kinds) ids << toQt(id.text);
  auto* out = new QMimeData;
  out->setData(kindMimeType(), ids.join(QLatin1Char('\n')).toUtf8());
  return out;
}
inline QString groupMimeType() {
  return QStringLiteral("application/x-bristle-group");
}
inline QMimeData* mimeOf(const GroupId& group) {
  auto* out = new QMimeData;
  out->setData(groupMimeType(), toQt(group.text).toUtf8());
  return out;
}
// Empty where it holds something else.
inline GroupId groupIn(const QMimeData* mime) {
  return {fromQt(QString::fromUtf8(mime->data(groupMimeType())))};
}
// None where it holds something else.
inline std::vector<KindId> kindsIn(const QMimeData* mime) {
  std::vector<KindId> out;
  const QString ids = QString::fromUtf8(mime->data(kindMimeType()));
  for (const QString& id : ids.split(QLatin1Char('\n'), Qt::SkipEmptyParts))
    out.push_back({fromQt(id)});
  return out;
}

}  // namespace bristle
