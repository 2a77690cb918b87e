// The scope: what happens to a button over time, drawn in lanes, and what the button makes of it.
#pragma once
#include <QPixmap>
#include <QWidget>

#include "desktop/motion/scope_curves.h"
#include "desktop/motion/scope_rows.h"

namespace bristle {

class Work;

class ScopeView : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  ScopeView(Work& work, MotionView& view, QWidget* parent = nullptr);
  QSize minimumSizeHint() const override { return {320, 190}; }
  // Where a time stands in a row; −1 is the ruler. For drags and for tests.
  QPointF placeOf(int lane, Ms time) const;
  Ms timeAt(double x) const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;
  void changeEvent(QEvent* event) override;
  void focusInEvent(QFocusEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  enum class Drag { None, Ruler, Draw, From, To, Mark };
  double scale() const;  // px for each ms
  double laneHeight() const;
  double lanesEnd() const;
  int laneAt(double y) const;
  int rowOf(Lane lane) const;
  const std::vector<ScopeRow>& rows() const;
  int stretchAt(const QPointF& at, Drag* edge) const;
  void again();
  void paintStill();
  void paintLanes(QPainter& painter);
  void paintMarks(QPainter& painter);
  void paintStates(QPainter& painter);
  void paintCurves(QPainter& painter);
  QString whatHappenedAt(const QPointF& at);
  void pressMark(const QPointF& at);
  void turnLane();
  void remove();
  bool changeValue(QKeyEvent* event);
  void change(Score score);

  Work& work_;
  MotionView& view_;
  Drag drag_ = Drag::None;
  int lane_ = 0, stretch_ = -1, mark_ = -1;  // picked: the row, and what of it
  mutable std::vector<ScopeRow> rows_;
  mutable bool rowsStale_ = true;
  Ms begun_ = 0;
  Score before_;
  std::vector<Curve> curves_;
  bool curvesStale_ = true;
  QPixmap still_;
};

}  // namespace bristle
