// The other displays, live and small; a click makes one of them the canvas.
#pragma once
#include <QWidget>

#include "desktop/derive/miniatures.h"

namespace bristle {

class Work;

class DisplayStrip : public QWidget {
  Q_OBJECT
 public:
  explicit DisplayStrip(Work& work, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  QRect frame(int index) const;
  int picked() const;
  Miniature miniature(int display, const QSize& size) const;
  Work& work_;
};

}  // namespace bristle
