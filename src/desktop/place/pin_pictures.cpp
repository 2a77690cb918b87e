#include "desktop/place/pin_pictures.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>

#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr int kWide = 66, kHigh = 36, kPictureGap = 6;  // of one picture, px
constexpr double kItemWide = 15, kItemHigh = 8, kDistance = 7;

QString nameOf(int x, int y) {
  const QString across[] = {PinPictures::tr("left"), PinPictures::tr("centre"),
                            PinPictures::tr("right")};
  const QString down[] = {PinPictures::tr("top"), PinPictures::tr("middle"),
                          PinPictures::tr("bottom")};
  return PinPictures::tr("Pin to %1, %2").arg(across[x], down[y]);
}

double placed(int way, double from, double extent, double size) {
  if (way == 0) return from + kDistance;
  if (way == 2) return from + extent - kDistance - size;
  return from + (extent - size) / 2;
}

}  // namespace

PinPictures::PinPictures(QWidget* parent) : QWidget(parent) {
  setFixedSize(3 * kWide + 2 * kPictureGap, 3 * kHigh + 2 * kPictureGap);
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Ready pins"));
}

void PinPictures::show(int x, int y) {
  x_ = x;
  y_ = y;
  if (!hasFocus()) goTo(std::max(x, 0), std::max(y, 0));
  update();
}

void PinPictures::goTo(int x, int y) {
  atX_ = x;
  atY_ = y;
  setAccessibleDescription(nameOf(x, y));
  update();
}

QRect PinPictures::cell(int x, int y) const {
  return {x * (kWide + kPictureGap), y * (kHigh + kPictureGap), kWide, kHigh};
}

// The display, the item in it, and lines to what it keeps its distance to.
void PinPictures::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  for (int y = 0; y < 3; ++y)
    for (int x = 0; x < 3; ++x) {
      const QRectF all = QRectF(cell(x, y)).adjusted(1.5, 1.5, -1.5, -1.5);
      const bool on = x == x_ && y == y_;
      const QColor ink = on ? t.accent : t.quiet;
      p.setPen(QPen(on ? t.accent : t.line, on ? 2 : 1));
      p.setBrush(on ? QBrush(t.raised) : QBrush(Qt::NoBrush));
      p.drawRoundedRect(all, 3, 3);
      const QRectF item(placed(x, all.x(), all.width(), kItemWide),
                        placed(y, all.y(), all.height(), kItemHigh), kItemWide, kItemHigh);
      p.setPen(QPen(ink, 1));
      const QPointF c = item.center();
      if (x == 0) p.drawLine(QPointF(all.left(), c.y()), QPointF(item.left(), c.y()));
      if (x == 2) p.drawLine(QPointF(item.right(), c.y()), QPointF(all.right(), c.y()));
      if (y == 0) p.drawLine(QPointF(c.x(), all.top()), QPointF(c.x(), item.top()));
      if (y == 2) p.drawLine(QPointF(c.x(), item.bottom()), QPointF(c.x(), all.bottom()));
      p.setPen(Qt::NoPen);
      p.setBrush(ink);
      p.drawRoundedRect(item, 1.5, 1.5);
      if (hasFocus() && x == atX_ && y == atY_) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(t.ink, 1, Qt::DotLine));
        p.drawRoundedRect(all.adjusted(3, 3, -3, -3), 2, 2);
      }
    }
}

void PinPictures::mousePressEvent(QMouseEvent* event) {
  for (int y = 0; y < 3; ++y)
    for (int x = 0; x < 3; ++x)
      if (cell(x, y).contains(event->position().toPoint())) {
        goTo(x, y);
        Q_EMIT chosen(x, y);
      }
}

void PinPictures::mouseMoveEvent(QMouseEvent*) {
  setCursor(Qt::PointingHandCursor);
}

void PinPictures::keyPressEvent(QKeyEvent* event) {
  int x = atX_, y = atY_;
  switch (event->key()) {
    case Qt::Key_Left:
      --x;
      break;
    case Qt::Key_Right:
      ++x;
      break;
    case Qt::Key_Up:
      --y;
      break;
    case Qt::Key_Down:
      ++y;
      break;
    case Qt::Key_Space:
    case Qt::Key_Return:
    case Qt::Key_Enter:
      Q_EMIT chosen(x, y);
      return;
    default:
      return QWidget::keyPressEvent(event);
  }
  goTo(std::clamp(x, 0, 2), std::clamp(y, 0, 2));
}

bool PinPictures::event(QEvent* event) {
  if (event->type() != QEvent::ToolTip) return QWidget::event(event);
  const auto* help = static_cast<QHelpEvent*>(event);
  for (int y = 0; y < 3; ++y)
    for (int x = 0; x < 3; ++x)
      if (cell(x, y).contains(help->pos()))
        QToolTip::showText(help->globalPos(), nameOf(x, y), this);
  return true;
}

void PinPictures::focusInEvent(QFocusEvent*) {
  update();
}
void PinPictures::focusOutEvent(QFocusEvent*) {
  update();
}

}  // namespace bristle
