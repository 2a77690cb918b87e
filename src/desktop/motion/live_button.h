// The button itself, as it is at the play head.
#pragma once
#include <QWidget>

#include "desktop/motion/motion_view.h"

namespace bristle {

class LiveButton : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  LiveButton(Work& work, MotionView& view, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent* event) override;

 private:
  Work& work_;
  MotionView& view_;
};

}  // namespace bristle
