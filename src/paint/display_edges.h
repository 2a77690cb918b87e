// What a display blocks of a screen: its round corners, a notch.
#pragma once
#include <QPainter>

namespace bristle {

struct Display;

// Darkens it, where the display is shown as `shown`.
void paintBlocked(QPainter& painter, const Display& display, const QRectF& shown);

}  // namespace bristle
