// The rulers along the canvas's upper and left edge: layout px, what is picked on them as a band.
#pragma once
#include <QPainter>

#include "runtime/document/box.h"

namespace bristle {

class ScreenView;

inline constexpr int kRulerThick = 20;  // px that they are thick

// `picked`: empty (w 0) where nothing is.
void paintRulers(QPainter& painter, const ScreenView& view, const Box& picked);

}  // namespace bristle
