#include "desktop/place/drop_mark.h"

#include "desktop/view/screen_view.h"
#include "desktop/work/theme.h"

namespace bristle {

void paintDropMark(QPainter& p, const ScreenView& view, const DropSpot& spot) {
  if (!spot.to.holder && !spot.ordered) return;  // the whole screen needs no frame
  const Theme& t = themeOf(&view);
  const QRectF at = view.toWidget(spot.mark);
  const bool bar = spot.mark.w == 0 || spot.mark.h == 0;
  p.setBrush(Qt::NoBrush);
  // White under teal: seen on dark and on light art.
  for (const auto& [colour, width] :
       {std::pair{QColor(Qt::white), bar ? 7.0 : 4.0}, std::pair{t.accent, bar ? 4.0 : 2.0}}) {
    p.setPen(QPen(colour, width, Qt::SolidLine, Qt::RoundCap));
    bar ? p.drawLine(at.topLeft(), at.bottomRight()) : p.drawRect(at);
  }
}

}  // namespace bristle
