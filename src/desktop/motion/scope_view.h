// The scope: what happens to a button over time, drawn in lanes, and what the button makes of it.
#pragma once
#include <QWidget>

#include "desktop/motion/motion_view.h"

namespace bristle {

class ScopeView : public QWidget {
  Q_OBJECT
 public:
  ScopeView(Work& work, MotionView& view, QWidget* parent = nullptr);
  QSize minimumSizeHint() const override { return {320, 190}; }
  // Where a time stands in a lane; lane −1 is the ruler. For drags and for tests.
  QPointF placeOf(int lane, Ms time) const;
  Ms timeAt(double x) const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  enum class Drag { None, Ruler, Draw, From, To };
  struct Curve {
    QString name;
    std::vector<float> heights;  // 0–1, one for each 10 ms
  };
  double scale() const;  // px for each ms
  int laneAt(double y) const;
  int stretchAt(const QPointF& at, Drag* edge) const;
  void paintLanes(QPainter& painter);
  void paintStates(QPainter& painter);
  void paintCurves(QPainter& painter);
  void makeCurves();
  QString whatHappenedAt(const QPointF& at);
  void change(Score score);

  Work& work_;
  MotionView& view_;
  Drag drag_ = Drag::None;
  int lane_ = 0, stretch_ = -1;  // picked
  Ms begun_ = 0;
  Score before_;
  std::vector<Curve> curves_;
  bool curvesStale_ = true;
};

// The button itself, as it is at the play head.
class LiveButton : public QWidget {
  Q_OBJECT
 public:
  LiveButton(Work& work, MotionView& view, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Work& work_;
  MotionView& view_;
};

}  // namespace bristle
