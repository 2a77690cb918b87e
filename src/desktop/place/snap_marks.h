// Why something snaps, drawn while it is dragged.
#pragma once
#include <QPainter>

#include "core/arrange/snap.h"

namespace bristle {

class ScreenView;

// Lines and gaps with a word at each.
void paintReasons(QPainter& painter, const ScreenView& view,
                  const std::vector<SnapReason>& reasons);
// A short text on a ground of its own, its upper left at `at` or wherever it fits into the view.
void paintTag(QPainter& painter, const ScreenView& view, const QPointF& at, const QString& text);

}  // namespace bristle
