// Small pictures of kinds, for pages that show them side by side.
#pragma once
#include <QPixmap>

#include "paint/screen_painter.h"

namespace bristle {

// The kind in one state, as large as fits, never larger than life.
QPixmap kindPicture(const Project& project, const KindId& kind, StateIndex state, QSize size,
                    const QColor& ground, LookPainter& looks, LookTables& tables, double ratio);

}  // namespace bristle
