// Hit areas over the art: those that lie over one another, or are too small, in the colour of what
// is wrong.
#pragma once
#include <QPainter>

namespace bristle {

class ScreenView;
class Work;

void paintHitAreas(QPainter& painter, const ScreenView& view, Work& work);

}  // namespace bristle
