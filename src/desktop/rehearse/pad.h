// The on-screen controller: drawn for this program, sends the same events as a real one, and shows
// what a real one is doing.
#pragma once
#include <QPainterPath>
#include <QWidget>
#include <set>
#include <vector>

#include "runtime/document/binding.h"
#include "runtime/session/stick.h"

namespace bristle {

class Rehearsal;

class Pad : public QWidget {
  Q_OBJECT
 public:
  explicit Pad(Rehearsal& rehearsal, QWidget* parent = nullptr);
  // What a real one does, to be seen.
  void show(const Sign& sign, bool down);
  void show(Dir dir, bool down);
  void showNothing();
  // Where something that is pressed on it is, in its px; for those who press it by hand.
  QPointF middleOf(const std::string& name) const;
  QSize sizeHint() const override { return {300, 116}; }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void keyReleaseEvent(QKeyEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;
  bool event(QEvent* event) override;

 private:
  // A part of it: a direction of the D-pad ("up"…), the stick, or a button by its place.
  struct Part {
    std::string name;
    QPainterPath path;
  };
  static const std::vector<Part>& parts();
  QTransform toWidget() const;
  const Part* partAt(const QPointF& widget) const;
  void press(const std::string& name, bool down);
  void pushStick(const QPointF& by);
  void paintPart(QPainter& painter, const Part& part) const;

  Rehearsal& rehearsal_;
  std::set<std::string> down_, shown_;  // by it, and by a real one
  std::string pressed_;                 // by the mouse
  Stick stick_;
  QPointF pushed_;  // of the stick, −1 to 1
};

}  // namespace bristle
