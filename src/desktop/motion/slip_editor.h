// A transition's event and guard, changed where it is drawn: on its slip in the graph.
#pragma once
#include <QComboBox>
#include <QFrame>
#include <QLineEdit>

#include "desktop/motion/motion_view.h"

namespace bristle {

class SlipEditor : public QFrame {
  Q_OBJECT
 public:
  SlipEditor(Work& work, MotionView& view, QWidget* graph);
  // For the picked transition, about a point of the graph.
  void openAt(const QPointF& at);

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  bool eventFilter(QObject* watched, QEvent* event) override;

 private:
  void close();
  Work& work_;
  MotionView& view_;
  QComboBox* on_;
  QLineEdit* guard_;
};

}  // namespace bristle
