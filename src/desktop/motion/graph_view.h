// The machine as a picture: its states as live tiles, its transitions as tapered strokes, and a
// rail from which the common ones leave.
#pragma once
#include <QWidget>

#include "desktop/motion/law_watch.h"
#include "desktop/motion/motion_view.h"
#include "paint/machine_graph.h"

namespace bristle {

class SlipEditor;

class GraphView : public QWidget {
  Q_OBJECT
 public:
  // What it is given must outlive it.
  GraphView(Work& work, MotionView& view, LawWatch& laws, QWidget* parent = nullptr);
  QSize minimumSizeHint() const override { return {320, 200}; }
  // Only to be looked at and picked in.
  void setReadOnly(bool on) { readOnly_ = on; }
  // Where a state's tile stands; the rail for no state. For drags and for tests.
  QRectF tileOf(const StateId& id) const;
  // The middle of the stroke of all transitions from one to the other.
  QPointF middleOf(const StateId& from, const StateId& to) const {
    return graph().middleOf(from, to);
  }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void mouseDoubleClickEvent(QMouseEvent* event) override;
  void keyPressEvent(QKeyEvent* event) override;
  bool event(QEvent* event) override;

 private:
  MachineGraph graph() const;  // of no states where there is no machine
  const MachineLink* linkAt(const std::vector<MachineLink>& all, const QPointF& at) const;
  std::optional<StateId> tileAt(const QPointF& at) const;
  void paintTile(QPainter& painter, size_t state, bool active);
  void paintLink(QPainter& painter, const MachineLink& link);
  void add(const StateId& from, const StateId& to);
  void editSlip();
  void follow();
  Work& work_;
  MotionView& view_;
  LawWatch& laws_;
  SlipEditor* slip_;
  StateIndex active_ = 0;  // the state that is marked as shown
  bool readOnly_ = false;
  std::optional<StateId> pulling_;
  QPointF now_;
};

// "over.begin [down], press": the events of transitions, short.
QString eventsOf(const Machine& machine, const std::vector<int>& transitions);
QString eventOf(const Transition& transition);

}  // namespace bristle
