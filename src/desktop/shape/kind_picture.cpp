#include "desktop/shape/kind_picture.h"

#include "runtime/document/project.h"

#include <QPainter>

namespace bristle {

QPixmap kindPicture(const Project& project, const KindId& id, StateIndex state, QSize size,
                    const QColor& ground, LookPainter& looks, LookTables& tables, double ratio) {
  QPixmap out(size * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(ground);
  const Kind* kind = find(project, id);
  const auto table = tables.get(project, id);
  if (!kind || !table || state >= table->stateCount()) return out;
  QPainter p(&out);
  const double room = 12;
  const double s = std::min({1.0, (size.width() - room) / (kind->width + 8),
                             (size.height() - room) / (kind->height + 8)});
  p.translate(size.width() / 2.0, size.height() / 2.0);
  p.scale(s, s);
  looks.paint(p, *kind, *table, table->state(state),
              QRectF(-kind->width / 2, -kind->height / 2, kind->width, kind->height),
              kind->sampleCaption);
  return out;
}

}  // namespace bristle
