#include "desktop/motion/curve_editor.h"

#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "desktop/work/theme.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

constexpr double kLow = -0.45, kHigh = 1.55;  // of the value, what is in sight
constexpr double kMargin = 10, kNear = 14, kKnob = 5;
constexpr double kStep = 0.02, kBigStep = 0.1;
constexpr int kMostSteps = 60;

double rounded(double v) {
  return std::round(v * 100) / 100;
}

// A spring's first swing: when it is furthest beyond its target, of its whole run, and how far.
QPointF swingOf(const Easing& spring) {
  const double z = spring.damping;
  if (z >= 0.95) return {spring.period / 2 / restsAfter(spring), 1};
  const double at = spring.period / (2 * std::sqrt(1 - z * z));
  return {at / restsAfter(spring), 1 + std::exp(-M_PI * z / std::sqrt(1 - z * z))};
}

}  // namespace

CurveEditor::CurveEditor(QWidget* parent) : QWidget(parent) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Curve of the easing"));
}

void CurveEditor::setEasing(const Easing& easing) {
  if (pulling_) return;
  easing_ = easing;
  handle_ = std::clamp(handle_, 0, std::max(0, int(handles().size()) - 1));
  update();
}

QPointF CurveEditor::placeOf(double progress, double value) const {
  return {kMargin + progress * (width() - 2 * kMargin),
          kMargin + (kHigh - value) / (kHigh - kLow) * (height() - 2 * kMargin)};
}

std::vector<QPointF> CurveEditor::handles() const {
  switch (easing_.type) {
    case EasingType::Linear:
      return {};
    case EasingType::CubicBezier:
      return {placeOf(easing_.x1, std::clamp(easing_.y1, kLow, kHigh)),
              placeOf(easing_.x2, std::clamp(easing_.y2, kLow, kHigh))};
    case EasingType::Steps:
      return {placeOf(1.0 / std::max(1, easing_.count), 1.0 / std::max(1, easing_.count))};
    case EasingType::Spring: {
      const QPointF swing = swingOf(easing_);
      return {placeOf(std::min(1.0, swing.x()), swing.y())};
    }
  }
  return {};
}

void CurveEditor::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  p.setPen(hasFocus() ? QPen(t.accent, 2) : QPen(t.line, 1));
  p.setBrush(t.raised);
  p.drawRoundedRect(QRectF(rect()).adjusted(1, 1, -1, -1), 4, 4);
  p.setPen(QPen(t.line, 1));
  for (const double v : {0.0, 1.0}) p.drawLine(placeOf(0, v), placeOf(1, v));
  const auto knobs = handles();
  if (easing_.type == EasingType::CubicBezier) {
    p.setPen(QPen(t.quiet, 1));
    p.drawLine(placeOf(0, 0), knobs[0]);
    p.drawLine(placeOf(1, 1), knobs[1]);
  }
  QPolygonF curve;
  const int points = std::max(2, width());
  for (int i = 0; i <= points; ++i) {
    const double at = double(i) / points;
    curve << placeOf(at, std::clamp(ease(easing_, at), kLow, kHigh));
  }
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(t.ink, 2));
  p.drawPolyline(curve);
  for (size_t i = 0; i < knobs.size(); ++i) {
    const bool picked = hasFocus() && int(i) == handle_;
    p.setPen(QPen(picked ? t.accent : t.ink, 2));
    p.setBrush(picked ? t.accent : t.raised);
    p.drawEllipse(knobs[i], kKnob, kKnob);
  }
}

void CurveEditor::change(const Easing& easing) {
  if (easing == easing_) return;
  easing_ = easing;
  update();
  Q_EMIT pulled(easing_);
}

void CurveEditor::pull(const QPointF& to) {
  const double x = std::clamp((to.x() - kMargin) / (width() - 2 * kMargin), 0.0, 1.0);
  const double y = std::clamp(
      kHigh - (to.y() - kMargin) / (height() - 2 * kMargin) * (kHigh - kLow), kLow, kHigh);
  Easing next = easing_;
  switch (easing_.type) {
    case EasingType::Linear:
      return;
    case EasingType::CubicBezier:
      (handle_ ? next.x2 : next.x1) = rounded(x);
      (handle_ ? next.y2 : next.y1) = rounded(y);
      break;
    case EasingType::Steps:
      next.count = std::clamp(int(std::lround(1 / std::max(x, 0.01))), 1, kMostSteps);
      break;
    case EasingType::Spring: {
      // Up and down sets how far it swings, to and fro how slowly.
      const double beyond = std::clamp(y - 1, 0.003, 0.9);
      const double l = -std::log(beyond);
      next.damping = rounded(std::clamp(l / std::sqrt(M_PI * M_PI + l * l), 0.05, 1.0));
      const double now = swingOf(easing_).x();
      next.period =
          std::clamp(std::round(easing_.period * (1 + (x - now)) / 10) * 10, 20.0, 5000.0);
      break;
    }
  }
  change(next);
}

void CurveEditor::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const auto knobs = handles();
  double nearest = kNear;
  for (size_t i = 0; i < knobs.size(); ++i) {
    const double off = QLineF(event->position(), knobs[i]).length();
    if (off >= nearest) continue;
    nearest = off;
    handle_ = int(i);
    pulling_ = true;
  }
  update();
}

void CurveEditor::mouseMoveEvent(QMouseEvent* event) {
  if (pulling_) pull(event->position());
}

void CurveEditor::mouseReleaseEvent(QMouseEvent*) {
  if (std::exchange(pulling_, false)) Q_EMIT done();
}

void CurveEditor::keyPressEvent(QKeyEvent* event) {
  const int key = event->key();
  if (key == Qt::Key_Space && handles().size() > 1) {
    handle_ = 1 - handle_;
    return update();
  }
  const int dx = (key == Qt::Key_Right) - (key == Qt::Key_Left);
  const int dy = (key == Qt::Key_Up) - (key == Qt::Key_Down);
  if (!dx && !dy) return QWidget::keyPressEvent(event);
  const double step = event->modifiers() & Qt::ShiftModifier ? kBigStep : kStep;
  Easing next = easing_;
  if (next.type == EasingType::CubicBezier) {
    double& x = handle_ ? next.x2 : next.x1;
    double& y = handle_ ? next.y2 : next.y1;
    x = std::clamp(rounded(x + dx * step), 0.0, 1.0);
    y = std::clamp(rounded(y + dy * step), kLow, kHigh);
  } else if (next.type == EasingType::Steps) {
    next.count = std::clamp(next.count + dy + dx, 1, kMostSteps);
  } else if (next.type == EasingType::Spring) {
    next.period = std::clamp(next.period + dx * step * 500, 20.0, 5000.0);
    next.damping = std::clamp(rounded(next.damping - dy * step), 0.05, 2.0);
  }
  change(next);
  Q_EMIT done();
}

void CurveEditor::focusInEvent(QFocusEvent*) {
  update();
}
void CurveEditor::focusOutEvent(QFocusEvent*) {
  update();
}

}  // namespace bristle
