// The handles around what is picked on the canvas, by which it is resized.
#pragma once
#include <QPainter>
#include <Qt>
#include <optional>

#include "core/arrange/snap.h"

namespace bristle {

struct Theme;

// Around a box in widget px. Of what a container places, only those at its right and lower edge.
std::optional<Edges> handleAt(const QRectF& box, bool loose, const QPointF& at);
void paintHandles(QPainter& painter, const QRectF& box, bool loose, const Theme& theme);
Qt::CursorShape cursorOf(Edges edges);

}  // namespace bristle
