// The Motion bench's card: the picked state's transitions in the order in which they answer, the
// picked one in full, and the machine's own rules.
#pragma once
#include <QListWidget>

#include "desktop/motion/motion_view.h"
#include "desktop/view/form.h"

namespace bristle {

class MotionCard : public QWidget {
  Q_OBJECT
 public:
  MotionCard(Work& work, MotionView& view);
  // A new transition from the picked state.
  void addOne();

 private:
  void buildTransition();
  void buildTiming();
  void buildEffects();
  void buildMachine();
  void refresh();
  void refreshList();
  void refreshTransition();
  void refreshMachine();
  const Transition* picked() const;
  bool change(const std::string& name, const std::function<void(Transition&)>& change);
  bool changeTiming(const std::string& name, const std::function<void(Timing&)>& change);
  void setEffect(EffectType type, bool on, const Effect& effect);

  Work& work_;
  MotionView& view_;
  Form* form_;
  QLabel *head_, *about_, *share_;
  QListWidget* list_;
  std::vector<int> shown_;
  QComboBox *on_, *to_, *template_, *fires_, *wins_, *sets_, *machine_;
  QLineEdit *after_, *message_, *guard_, *duration_, *delay_, *easing_, *sends_, *setTo_, *hold_,
      *repeatDelay_, *repeatInterval_;
  QCheckBox *activates_, *ownTiming_;
  QPushButton *earlier_, *later_, *remove_, *own_;
  bool filling_ = false;
};

}  // namespace bristle
