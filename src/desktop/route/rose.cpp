#include "desktop/route/rose.h"

#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr double kCore = 13, kArm = 44;

QPointF unit(Dir dir) {
  const QRectF box(-1, -1, 2, 2);
  return sideOf(box, dir);
}

}  // namespace

Rose::Rose(QWidget* parent) : QWidget(parent) {
  setMinimumHeight(150);
  setAccessibleName(tr("Rose: where the four directions lead"));
}

void Rose::set(std::array<Arm, 4> arms, Dir picked) {
  arms_ = std::move(arms);
  picked_ = picked;
  update();
}

void Rose::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  const QPointF c = QRectF(rect()).center();
  for (Dir dir : kDirs) {
    const Arm& arm = arms_[size_t(dir)];
    const QPointF u = unit(dir), side(-u.y(), u.x());
    const QPointF root = c + u * (kCore + 3), tip = c + u * (kCore + kArm);
    QPainterPath path(root + side * 7);
    path.lineTo(tip);
    path.lineTo(root - side * 7);
    path.closeSubpath();
    const QColor colour = arm.type == RouteType::Solved ? t.ink : t.pinned;
    const bool solid = arm.leads && arm.returns;
    p.setPen(QPen(arm.leads ? colour : t.quiet, 1.4, arm.leads ? Qt::SolidLine : Qt::DotLine));
    p.setBrush(solid ? QBrush(colour) : QBrush(Qt::NoBrush));
    p.drawPath(path);
    const bool on = dir == picked_;
    QFont f = font();
    f.setWeight(on ? QFont::DemiBold : QFont::Normal);
    p.setFont(f);
    p.setPen(on ? t.accent : t.ink);
    const bool upright = dir == Dir::Up || dir == Dir::Down;
    QRectF text;
    if (upright) {
      text = QRectF(c.x() + 12, tip.y() - (dir == Dir::Up ? 2 : 16), width() / 2.0 - 14, 18);
    } else {
      const double w = width() / 2.0 - kCore - 4;
      text = QRectF(dir == Dir::Left ? 0 : c.x() + kCore + 4, c.y() - 26, w, 16);
    }
    const QString name = QFontMetrics(f).elidedText(arm.text, Qt::ElideRight, int(text.width()));
    p.drawText(text, (dir == Dir::Right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter, name);
  }
  p.setPen(Qt::NoPen);
  p.setBrush(t.accent);
  p.drawRoundedRect(QRectF(c.x() - kCore, c.y() - kCore + 2, 2 * kCore, 2 * kCore - 4), 4, 4);
}

void Rose::mousePressEvent(QMouseEvent* event) {
  const QPointF away = event->position() - QRectF(rect()).center();
  const bool wide = std::abs(away.x()) > std::abs(away.y());
  Q_EMIT dirPicked(wide ? (away.x() > 0 ? Dir::Right : Dir::Left)
                        : (away.y() > 0 ? Dir::Down : Dir::Up));
  drawn_ = false;
}

void Rose::mouseMoveEvent(QMouseEvent* event) {
  // A click that trembles is none.
  drawn_ = drawn_ || !rect().contains(event->position().toPoint());
  if (drawn_) Q_EMIT drawnTo(event->globalPosition());
}

void Rose::mouseReleaseEvent(QMouseEvent* event) {
  if (drawn_) Q_EMIT droppedAt(event->globalPosition());
  drawn_ = false;
}

}  // namespace bristle
