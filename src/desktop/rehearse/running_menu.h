// The menu alone on its display. Takes the mouse, touch and the keyboard as a player would use
// them.
#pragma once
#include <QRegion>
#include <QSet>
#include <QWidget>
#include <optional>

#include "paint/kept_layers.h"
#include "runtime/session/input.h"

namespace bristle {

class Rehearsal;
class Session;
class Work;

class RunningMenu : public QWidget {
  Q_OBJECT
 public:
  RunningMenu(Work& work, Rehearsal& rehearsal, QWidget* parent = nullptr);
  // Between widget px and layout px.
  QPointF toScreen(const QPointF& widget) const;
  QPointF toWidget(const QPointF& screen) const;

 Q_SIGNALS:
  void wantsStart();  // Enter or a click while nothing runs
  void wantsBack();   // F5 while it is a window of its own
  void wantsFull();   // F11 while it is a window of its own

 protected:
  void paintEvent(QPaintEvent* event) override;
  bool event(QEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  void keyReleaseEvent(QKeyEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void wheelEvent(QWheelEvent* event) override;
  void leaveEvent(QEvent* event) override;
  void focusOutEvent(QFocusEvent* event) override;

 private:
  void refresh();
  QRegion moving(const Session& session) const;
  void sendPoint(InputType type, const QPointF& widget, Device device = Device::Mouse,
                 int finger = 0);
  bool key(QKeyEvent* event, bool down);
  double zoom() const;
  QPointF origin() const;

  Work& work_;
  Rehearsal& rehearsal_;
  void paintFinger(QPainter& painter) const;
  QSet<int> held_;
  std::optional<QPointF> finger_;  // that the mouse pretends to be
  size_t seen_ = 0;                // entries of the trace when all was painted last
  bool onlyMoves_ = false;         // since then nothing but looks has changed
  KeptLayers kept_;                // of screens while others come and go
  QRegion moving_;                 // where something moved in the last frame
};

}  // namespace bristle
