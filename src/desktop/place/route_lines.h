// The routes of what is picked, or of all, over the art of the canvas: live while things are moved.
#pragma once
#include <QPainter>

namespace bristle {

class ScreenView;
class Work;

void paintRouteLines(QPainter& painter, const ScreenView& view, Work& work);

}  // namespace bristle
