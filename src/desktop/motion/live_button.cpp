#include "desktop/motion/live_button.h"

#include <QPainter>

#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

LiveButton::LiveButton(Work& work, MotionView& view, QWidget* parent)
    : QWidget(parent), work_(work), view_(view) {
  setAccessibleName(tr("The button at the play head"));
  const auto again = [this] { update(); };
  connect(&view, &MotionView::moved, this, again);
  connect(&view, &MotionView::scoreChanged, this, again);
  connect(&view, &MotionView::picked, this, again);
}

void LiveButton::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  p.fillRect(rect(), t.work);
  const Kind* kind = work_.kind();
  const auto table = work_.lookTable();
  const Machine* machine = work_.machine();
  const Look* look = view_.lookAt(view_.time());
  if (!kind || !table || !machine || !look) return;
  const double s = std::min({1.5, (width() - 60) / kind->width, (height() - 70) / kind->height});
  p.save();
  p.translate(QPointF(width(), height() - 24) / 2 - QPointF(kind->width, kind->height) * s / 2);
  p.scale(s, s);
  const StateIndex state = view_.stateAt(view_.time());
  work_.looks().paintState(p, *kind, *table, state, *look, QRectF(0, 0, kind->width, kind->height),
                           kind->sampleCaption, view_.sinceAt(view_.time()));
  p.restore();
  p.setPen(t.onWork);
  p.drawText(rect().adjusted(10, 0, -10, -8), Qt::AlignLeft | Qt::AlignBottom,
             toQt(machine->states[state].name));
  p.drawText(rect().adjusted(10, 0, -10, -8), Qt::AlignRight | Qt::AlignBottom,
             tr("%1 ms").arg(view_.time()));
}

}  // namespace bristle
