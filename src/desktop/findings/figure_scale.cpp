#include "desktop/findings/figure_scale.h"

#include <QPainter>
#include <algorithm>

#include "desktop/work/theme.h"

namespace bristle {

FigureScale::FigureScale(QWidget* parent) : QWidget(parent) {
  setFixedHeight(34);
}

void FigureScale::show(double figure, double limit, const QString& unit) {
  figure_ = figure;
  limit_ = limit;
  unit_ = unit;
  setAccessibleName(tr("%1 %3, limit %2 %3").arg(figure).arg(limit).arg(unit));
  setToolTip(accessibleName());
  update();
}

// From nothing to a little beyond the larger of both; the limit is a post, the figure a bar.
void FigureScale::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& theme = themeOf(this);
  const double most = std::max({figure_, limit_, 1e-9}) * 1.25;
  const auto x = [&](double value) {
    return std::clamp(value / most, 0.0, 1.0) * (width() - 2) + 1;
  };
  const QRectF ground(0, 20, width(), 8);
  p.setPen(Qt::NoPen);
  p.setBrush(theme.band);
  p.drawRoundedRect(ground, 4, 4);
  p.setBrush(theme.wrong);
  p.drawRoundedRect(QRectF(0, 20, std::max(4.0, x(figure_)), 8), 4, 4);
  p.setPen(QPen(theme.ink, 2));
  p.drawLine(QPointF(x(limit_), 16), QPointF(x(limit_), 32));
  p.setPen(theme.ink);
  const QString words =
      limit_ > 0
          ? tr("%1 %3 · limit %2 %3").arg(figure_, 0, 'g', 4).arg(limit_, 0, 'g', 4).arg(unit_)
          : tr("%1 %2 too far").arg(figure_, 0, 'g', 4).arg(unit_);
  p.drawText(QRectF(0, 0, width(), 16), Qt::AlignLeft | Qt::AlignVCenter, words);
}

}  // namespace bristle
