#include "desktop/shape/tile_view.h"

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/document/tree.h"

namespace bristle {

TileView::TileView(Work& work, QWidget* bench) : QObject(bench), work_(work), bench_(bench) {
  connect(&work, &Work::picturesChanged, this, [this] { shown_.reset(); });
}

void TileView::setBackdrop(Backdrop backdrop) {
  backdrop_ = backdrop;
  Q_EMIT changed();
}

void TileView::setTrueSize(bool on) {
  trueSize_ = on;
  Q_EMIT changed();
}

void TileView::setAlone(bool on) {
  alone_ = on;
  Q_EMIT changed();
}

void TileView::setHitAreas(bool on) {
  hitAreas_ = on;
  Q_EMIT changed();
}

void TileView::setSignals(bool on) {
  work_.looks().setSignals(on);
  Q_EMIT changed();
}

const Item* TileView::placed(const Screen** screen) const {
  const Item* picked = work_.item();
  *screen = work_.screen();
  if (picked && picked->button() && picked->button()->kind == work_.picked().kind) return picked;
  for (const auto& s : work_.project().screens)
    for (const auto& item : s->items)
      if (item->button() && item->button()->kind == work_.picked().kind) {
        *screen = &*s;
        return &*item;
      }
  return nullptr;
}

// The screen with everything on it but the button itself.
void TileView::drawScreen() {
  const Screen* on = nullptr;
  const Item* item = placed(&on);
  if (!item || !on) {
    shown_.reset();
    screen_ = {};
    return;
  }
  const ShownScreen now{work_.project(), on->id, work_.showing()};
  if (shown_ && without_ == item->id && samePicture(*shown_, now)) return;
  shown_ = now;
  without_ = item->id;
  Layout layout = *work_.derived().layout(now);
  // Tiles show the button as large as it is written, whatever the screen makes of it there.
  double scale = 1;
  if (const auto at = indexOf(*on, item->id)) {
    const Placed& placed = layout.items[*at];
    scale = placed.scale;
    box_ = {placed.box.x / scale, placed.box.y / scale, placed.own().w, placed.own().h};
    layout.items[*at].shown = false;
  }
  screen_ = QImage((QSizeF(layout.width, layout.height) / scale).toSize(),
                   QImage::Format_ARGB32_Premultiplied);
  screen_.fill(Qt::black);
  QPainter painter(&screen_);
  painter.scale(1 / scale, 1 / scale);
  const bool tinted = work_.looks().signalsOn();
  work_.looks().setSignals(false);
  paintScreen(painter, work_.looks(), work_.tables(), work_.project(), *on, layout);
  work_.looks().setSignals(tinted);
}

void TileView::paintBackdrop(QPainter& painter, const QRectF& tile, const QRectF& box,
                             double scale) {
  painter.fillRect(tile, themeOf(bench_).work);
  if (backdrop_ == Backdrop::Checker) {
    constexpr int kCell = 8;
    painter.save();
    painter.setClipRect(tile, Qt::IntersectClip);
    painter.fillRect(tile, QColor(0xd8, 0xd8, 0xd8));
    for (int y = int(tile.top()) / kCell; y * kCell < tile.bottom(); ++y)
      for (int x = int(tile.left()) / kCell; x * kCell < tile.right(); ++x)
        if ((x + y) % 2)
          painter.fillRect(x * kCell, y * kCell, kCell, kCell, QColor(0x9a, 0x9a, 0x9a));
    painter.restore();
  }
  if (backdrop_ != Backdrop::Screen) return;
  drawScreen();
  if (screen_.isNull()) return;
  painter.save();
  painter.setClipRect(tile, Qt::IntersectClip);
  painter.translate(box.topLeft());
  painter.scale(scale, scale);
  painter.translate(-box_.topLeft());
  painter.drawImage(0, 0, screen_);
  painter.restore();
}

QImage TileView::behind() {
  const Kind* kind = work_.kind();
  QImage out(kind ? QSizeF(kind->width, kind->height).toSize().expandedTo({1, 1}) : QSize(1, 1),
             QImage::Format_ARGB32_Premultiplied);
  out.fill(themeOf(bench_).work);
  drawScreen();
  if (screen_.isNull()) return out;
  QPainter painter(&out);
  painter.drawImage(QPointF(0, 0), screen_, QRectF(box_.topLeft(), QSizeF(out.size())));
  return out;
}

}  // namespace bristle
