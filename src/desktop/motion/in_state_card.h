// The card of the time line: what moves while the picked state lasts, and the picked key frame.
#pragma once
#include "desktop/motion/motion_view.h"
#include "desktop/view/form.h"

namespace bristle {

class InStateCard : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  InStateCard(Work& work, MotionView& view);

 private:
  void build();
  void buildFrame();
  void refresh();
  const StateMotion* motion() const;
  bool change(const std::string& name, const std::function<void(StateMotion&)>& change);
  bool changeFrame(const std::string& name, const std::function<void(KeyFrame&)>& change);
  void begin(int flourish);
  void addTrack(int index);
  PartId part() const;

  Work& work_;
  MotionView& view_;
  Form* form_;
  QLabel *head_, *about_, *frameHead_;
  QComboBox *state_, *part_, *begin_, *property_;
  QLineEdit *period_, *count_, *delay_, *at_, *add_, *easing_;
  QPushButton* remove_;
  std::vector<StateId> states_;
  std::vector<PartId> parts_;
  std::vector<Prop> props_;
};

}  // namespace bristle
