// Picks a colour by lightness, chroma and hue (OKLCH), alpha, hex, or from anything in the window.
#pragma once
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QWidget>
#include <functional>

#include "runtime/machine/mix.h"

namespace bristle {

// One channel as a bar of what it would give; mouse, arrows (1 step), Page keys (10), Home, End.
class Track : public QWidget {
  Q_OBJECT
 public:
  Track(const QString& name, double most, double step, QWidget* parent);
  // What it stands at and what its groove is painted with.
  void set(double value, std::function<QColor(double)> colourAt);
  double value() const { return value_; }
  QSize sizeHint() const override { return {120, 18}; }

 Q_SIGNALS:
  // While a person drags it.
  void moved(double value);
  // They let go.
  void settled();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  void go(double value);
  double most_, step_, value_ = 0;
  std::function<QColor(double)> colourAt_;
};

class Picker : public QWidget {
  Q_OBJECT
 public:
  explicit Picker(QWidget* parent = nullptr);
  // Shows it; nothing is told.
  void setColour(Colour colour);
  // The next click in the window takes the colour that is seen there; Esc gives up.
  void startEyedropper();

 Q_SIGNALS:
  void picked(bristle::Colour colour);  // also while a bar is dragged
  void settled();

 protected:
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  Track* track(const QString& name, double most, double step, int row);
  void give();
  void show();
  Colour colour_;
  Lch lch_;  // kept beside the colour: greys keep their hue while they are worked on
  Track *lightness_, *chroma_, *hue_, *alpha_;
  QLabel* figures_[4];
  QLineEdit* hex_;
  QPushButton* dropper_;
  int rows_ = 0;
};

}  // namespace bristle
