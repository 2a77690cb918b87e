// The time line of a state's own motion: for each property that moves, what is added to it over one
// period, with key frames that can be pulled.
#pragma once
#include <QWidget>

#include "desktop/motion/motion_view.h"

namespace bristle {

class TimelineView : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  TimelineView(Work& work, MotionView& view, QWidget* parent = nullptr);
  QSize minimumSizeHint() const override { return {320, 190}; }
  // Where a phase (0–1 of the period) and an added value stand in a track. For drags and for tests.
  QPointF placeOf(size_t track, double phase, double add) const;

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  const StateMotion* motion() const;
  double rowHeight() const;
  int rowAt(double y) const;
  double phaseAt(double x) const;
  double addAt(int row, double y) const;
  // Half of what a row shows up and down.
  double reach(const MotionTrack& track) const;
  void paintRow(QPainter& painter, size_t row);
  bool frameAt(const QPointF& at, int& track, int& frame) const;
  void addFrame(int track, double phase, double add);
  void moveFrame(double phase, double add, const char* mergeKey);
  void removeFrame();

  Work& work_;
  MotionView& view_;
  enum class Drag { None, Ruler, Frame } drag_ = Drag::None;
};

// The property's name, with the part's where it is not the whole button.
QString nameOfTrack(const Kind& kind, const PropKey& key);

}  // namespace bristle
