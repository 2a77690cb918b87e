// Where something that is dragged would go, drawn on the canvas.
#pragma once
#include <QPainter>

#include "core/arrange/drop.h"

namespace bristle {

class ScreenView;

// A bar in the gap of an order, or a frame around what would hold it.
void paintDropMark(QPainter& painter, const ScreenView& view, const DropSpot& spot);

}  // namespace bristle
