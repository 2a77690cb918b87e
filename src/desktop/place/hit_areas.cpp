#include "desktop/place/hit_areas.h"

#include "core/findings/hit_size.h"
#include "desktop/view/screen_view.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "paint/hit_shape.h"

namespace bristle {

void paintHitAreas(QPainter& p, const ScreenView& view, Work& work) {
  const Screen& screen = *work.screen();
  const Layout& layout = work.layout();
  const Theme& t = themeOf(&view);
  p.save();
  std::vector<std::pair<QPainterPath, bool>> areas;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const auto* button = screen.items[i]->button();
    const Kind* kind =
        button && layout.items[i].isSeen() ? bristle::find(work.project(), button->kind) : nullptr;
    if (!kind || kind->still) continue;
    const auto table = work.tables().get(work.project(), kind->id, &button->own);
    if (!table) continue;
    const Placed& placed = layout.items[i];
    const QTransform larger = QTransform::fromTranslate(placed.box.x, placed.box.y)
                                  .scale(placed.scale, placed.scale)
                                  .translate(-placed.box.x, -placed.box.y);
    QPainterPath area = larger.map(hitOutline(*kind, table->state(0), toQt(placed.own()),
                                              work.looks().pictures(), layout.rightToLeft));
    const QRectF extent = area.boundingRect();
    const bool small = isTooSmallToHit({extent.width(), extent.height()}, work.project().settings);
    areas.push_back({std::move(area), small});
  }
  for (size_t i = 0; i < areas.size(); ++i)
    for (size_t j = i + 1; j < areas.size(); ++j)
      if (areas[i].first.boundingRect().intersects(areas[j].first.boundingRect()) &&
          areas[i].first.intersects(areas[j].first))
        areas[i].second = areas[j].second = true;
  p.translate(view.toWidget(QPointF(0, 0)));
  p.scale(view.zoom(), view.zoom());
  for (const auto& [area, wrong] : areas) {
    QColor fill = wrong ? t.wrong : t.accent;
    fill.setAlpha(90);
    // A light line under the coloured one: seen on dark and on teal art, too.
    p.setBrush(fill);
    p.setPen(QPen(QColor(255, 255, 255, 220), 3 / view.zoom()));
    p.drawPath(area);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(wrong ? t.wrong : t.accent, 1.5 / view.zoom()));
    p.drawPath(area);
  }
  p.restore();
}

}  // namespace bristle
