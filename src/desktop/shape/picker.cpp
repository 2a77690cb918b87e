#include "desktop/shape/picker.h"

#include <QApplication>
#include <QGridLayout>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QScreen>
#include <QWindow>
#include <algorithm>
#include <cmath>

#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {

Track::Track(const QString& name, double most, double step, QWidget* parent)
    : QWidget(parent), most_(most), step_(step) {
  setAccessibleName(name);
  setFocusPolicy(Qt::StrongFocus);
  setToolTip(QObject::tr("%1: drag, or arrow and Page keys").arg(name));
}

void Track::set(double value, std::function<QColor(double)> colourAt) {
  value_ = value;
  colourAt_ = std::move(colourAt);
  update();
}

void Track::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF bar(5, 4, width() - 10, height() - 8);
  QPainterPath path;
  path.addRoundedRect(bar, 4, 4);
  p.save();
  p.setClipPath(path);
  for (int x = 0; x < int(bar.width()); x += 6)
    for (int y = 0; y < int(bar.height()); y += 5)
      p.fillRect(QRectF(bar.x() + x, bar.y() + y, 6, 5),
                 (x / 6 + y / 5) % 2 ? QColor(0xc8, 0xc8, 0xc8) : QColor(Qt::white));
  if (colourAt_)
    for (int x = 0; x < int(bar.width()); x += 2)
      p.fillRect(QRectF(bar.x() + x, bar.y(), 2, bar.height()), colourAt_(most_ * x / bar.width()));
  p.restore();
  p.setPen(QPen(hasFocus() ? themeOf(this).accent : themeOf(this).quiet, hasFocus() ? 2 : 1));
  p.setBrush(Qt::NoBrush);
  p.drawPath(path);
  const double at = bar.x() + bar.width() * value_ / most_;
  p.setPen(QPen(themeOf(this).ink, 1.5));
  p.setBrush(Qt::white);
  p.drawRoundedRect(QRectF(at - 3, 1, 6, height() - 2), 2, 2);
}

void Track::go(double value) {
  value_ = std::clamp(value, 0.0, most_);
  update();
  Q_EMIT moved(value_);
}

void Track::mousePressEvent(QMouseEvent* event) {
  mouseMoveEvent(event);
}
void Track::mouseMoveEvent(QMouseEvent* event) {
  go((event->position().x() - 5) / std::max(1, width() - 10) * most_);
}
void Track::mouseReleaseEvent(QMouseEvent*) {
  Q_EMIT settled();
}

void Track::keyPressEvent(QKeyEvent* event) {
  switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Down:
      return go(value_ - step_);
    case Qt::Key_Right:
    case Qt::Key_Up:
      return go(value_ + step_);
    case Qt::Key_PageDown:
      return go(value_ - 10 * step_);
    case Qt::Key_PageUp:
      return go(value_ + 10 * step_);
    case Qt::Key_Home:
      return go(0);
    case Qt::Key_End:
      return go(most_);
    default:
      QWidget::keyPressEvent(event);
  }
}

void Track::focusInEvent(QFocusEvent*) {
  update();
}
void Track::focusOutEvent(QFocusEvent*) {
  update();
  Q_EMIT settled();
}

Picker::Picker(QWidget* parent) : QWidget(parent) {
  auto* grid = new QGridLayout(this);
  grid->setContentsMargins(0, 0, 0, 0);
  grid->setVerticalSpacing(2);
  grid->setColumnStretch(1, 1);
  lightness_ = track(tr("Lightness"), 1, 0.01, 0);
  chroma_ = track(tr("Chroma"), 0.33, 0.005, 1);
  hue_ = track(tr("Hue"), 360, 2, 2);
  alpha_ = track(tr("Opacity"), 1, 0.01, 3);
  auto* label = new QLabel(tr("Hex"));
  label->setProperty("quiet", true);
  hex_ = new QLineEdit;
  hex_->setAccessibleName(tr("Hex"));
  label->setBuddy(hex_);
  dropper_ = new QPushButton(tr("Take"));
  dropper_->setAccessibleName(tr("Take a colour from the window"));
  dropper_->setToolTip(tr("The next click takes the colour that is seen there"));
  grid->addWidget(label, 4, 0);
  grid->addWidget(hex_, 4, 1);
  grid->addWidget(dropper_, 4, 2);
  connect(dropper_, &QPushButton::clicked, this, &Picker::startEyedropper);
  connect(hex_, &QLineEdit::editingFinished, this, [this] {
    if (!hex_->isModified()) return;
    hex_->setModified(false);
    QString text = hex_->text().trimmed();
    if (!text.startsWith(QLatin1Char('#'))) text.prepend(QLatin1Char('#'));
    if (const auto colour = parseColour(fromQt(text))) {
      setColour(*colour);
      Q_EMIT picked(colour_);
      Q_EMIT settled();
    } else {
      show();
    }
  });
}

Track* Picker::track(const QString& name, double most, double step, int row) {
  auto* grid = static_cast<QGridLayout*>(layout());
  auto* label = new QLabel(name);
  label->setProperty("quiet", true);
  auto* bar = new Track(name, most, step, this);
  label->setBuddy(bar);
  figures_[row] = new QLabel;
  figures_[row]->setMinimumWidth(38);
  figures_[row]->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
  grid->addWidget(label, row, 0);
  grid->addWidget(bar, row, 1);
  grid->addWidget(figures_[row], row, 2);
  connect(bar, &Track::moved, this, &Picker::give);
  connect(bar, &Track::settled, this, &Picker::settled);
  return bar;
}

void Picker::setColour(Colour colour) {
  if (colour != fromLch(lch_, colour.a)) {
    const Lch fresh = toLch(colour);
    lch_ = {fresh.l, fresh.c, fresh.c > 0.002 ? fresh.h : lch_.h};
  }
  colour_ = colour;
  show();
}

void Picker::give() {
  lch_ = {lightness_->value(), chroma_->value(), hue_->value()};
  colour_ = fromLch(lch_, static_cast<std::uint8_t>(std::lround(alpha_->value() * 255)));
  show();
  Q_EMIT picked(colour_);
}

void Picker::show() {
  const Lch now = lch_;
  const Colour colour = colour_;
  lightness_->set(now.l, [now](double v) { return toQt(fromLch({v, now.c, now.h})); });
  chroma_->set(std::min(now.c, 0.33), [now](double v) { return toQt(fromLch({now.l, v, now.h})); });
  hue_->set(now.h, [now](double v) { return toQt(fromLch({now.l, std::max(now.c, 0.04), v})); });
  alpha_->set(colour.a / 255.0,
              [colour](double v) { return QColor(colour.r, colour.g, colour.b, int(v * 255)); });
  figures_[0]->setText(QStringLiteral("%1 %").arg(qRound(now.l * 100)));
  figures_[1]->setText(QString::number(now.c, 'f', 3));
  figures_[2]->setText(QStringLiteral("%1°").arg(qRound(now.h)));
  figures_[3]->setText(QStringLiteral("%1 %").arg(qRound(colour.a / 2.55)));
  if (!hex_->hasFocus() || !hex_->isModified()) {
    hex_->setText(toQt(toHex(colour)));
    hex_->setModified(false);
  }
}

void Picker::startEyedropper() {
  qApp->installEventFilter(this);
  QApplication::setOverrideCursor(Qt::CrossCursor);
}

// While it is on, the first click belongs to it, wherever in the window it falls.
bool Picker::eventFilter(QObject* watched, QEvent* event) {
  const auto type = event->type();
  const bool isKey =
      type == QEvent::KeyPress && static_cast<QKeyEvent*>(event)->key() == Qt::Key_Escape;
  if (type != QEvent::MouseButtonPress && !isKey) return QWidget::eventFilter(watched, event);
  auto* widget = qobject_cast<QWidget*>(watched);
  if (!isKey && !widget) return QWidget::eventFilter(watched, event);
  qApp->removeEventFilter(this);
  QApplication::restoreOverrideCursor();
  if (isKey) return true;
  QWidget* window = widget->window();
  const QPoint at = widget->mapTo(window, static_cast<QMouseEvent*>(event)->position().toPoint());
  const QPixmap seen = window->grab(QRect(at, QSize(1, 1)));
  setColour(fromQt(seen.toImage().pixelColor(0, 0)));
  Q_EMIT picked(colour_);
  Q_EMIT settled();
  return true;
}

}  // namespace bristle
