// What happened in a rehearsal along its time: a lane for each device, one for the screens. Dragged
// along, it goes back to any moment.
#pragma once
#include <QWidget>

#include "runtime/document/basics.h"

namespace bristle {

class Rehearsal;

class TimeLine : public QWidget {
  Q_OBJECT
 public:
  explicit TimeLine(Rehearsal& rehearsal, QWidget* parent = nullptr);
  // What a take is cut to; from 0 to the end: nothing is cut.
  Ms from() const { return from_; }
  Ms until() const { return until_; }
  // From, or until, the moment that is looked at; there already: from the begin, or to the end.
  void cutBefore();
  void cutAfter();
  void uncut();
  QSize sizeHint() const override { return {400, 74}; }

 Q_SIGNALS:
  void cut();

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  QRectF lane(int index) const;
  Ms shownEnd() const;
  double xOf(Ms at) const;
  Ms timeAt(double x) const;
  void paintEvents(QPainter& painter) const;
  void paintScreens(QPainter& painter) const;
  void paintMoment(QPainter& painter) const;
  void paintRuler(QPainter& painter) const;

  Rehearsal& rehearsal_;
  Ms from_ = 0, until_ = kToEnd;
  static constexpr Ms kToEnd = 1'000'000'000;
};

}  // namespace bristle
