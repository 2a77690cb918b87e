// An easing as a curve that can be pulled: the two handles of a Bézier, the count of steps, the
// first swing of a spring.
#pragma once
#include <QWidget>

#include "runtime/document/value.h"

namespace bristle {

class CurveEditor : public QWidget {
  Q_OBJECT
 public:
  explicit CurveEditor(QWidget* parent = nullptr);
  QSize sizeHint() const override { return {220, 150}; }
  QSize minimumSizeHint() const override { return {160, 120}; }
  const Easing& easing() const { return easing_; }
  // Shows it; nothing is told.
  void setEasing(const Easing& easing);
  // Where a progress and a value stand. For drags and for tests.
  QPointF placeOf(double progress, double value) const;
  // Where the handles are; none for what has none.
  std::vector<QPointF> handles() const;

 Q_SIGNALS:
  void pulled(const Easing& easing);  // while it is pulled, and by keys
  void done();                        // what was pulled is let go

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  void pull(const QPointF& to);
  void change(const Easing& easing);
  Easing easing_;
  int handle_ = 0;
  bool pulling_ = false;
};

}  // namespace bristle
