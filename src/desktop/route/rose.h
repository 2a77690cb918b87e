// Four arms, one for each direction, saying where it leads; a click picks the direction, and a drag
// from it leads it elsewhere.
#pragma once
#include <QWidget>
#include <array>

#include "desktop/view/strokes.h"
#include "runtime/document/screen.h"

namespace bristle {

class Rose : public QWidget {
  Q_OBJECT
 public:
  struct Arm {
    QString text;
    RouteType type = RouteType::Solved;
    bool leads = false, returns = false;
  };
  explicit Rose(QWidget* parent = nullptr);
  // What its arms say, by direction, and which of them is picked.
  void set(std::array<Arm, 4> arms, Dir picked);
  QSize sizeHint() const override { return {240, 150}; }

 Q_SIGNALS:
  // A person picked an arm.
  void dirPicked(bristle::Dir dir);
  // The picked arm is drawn out of the rose, or let go there. In px of the desktop.
  void drawnTo(const QPointF& global);
  void droppedAt(const QPointF& global);

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;

 private:
  std::array<Arm, 4> arms_;
  Dir picked_ = Dir::Down;
  bool drawn_ = false;
};

}  // namespace bristle
