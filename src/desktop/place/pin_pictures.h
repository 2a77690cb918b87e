// Nine ready ways of pinning an item, as small pictures: to the corners, the middles of the edges,
// the centre. One stop for the keyboard: arrows go about, space takes.
#pragma once
#include <QWidget>

namespace bristle {

class PinPictures : public QWidget {
  Q_OBJECT
 public:
  explicit PinPictures(QWidget* parent = nullptr);
  // Which of three ways on each axis is in use, 0–2; −1: another one.
  void show(int x, int y);
  QRect cell(int x, int y) const;

 Q_SIGNALS:
  void chosen(int x, int y);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  bool event(QEvent* event) override;

 private:
  void goTo(int x, int y);
  int x_ = -1, y_ = -1;
  int atX_ = 0, atY_ = 0;  // where the keyboard is
};

}  // namespace bristle
