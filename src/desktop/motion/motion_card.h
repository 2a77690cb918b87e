// The Motion bench's card: the picked state's transitions in the order in which they answer, the
// picked one in full, and the machine's own rules.
#pragma once
#include <QListWidget>

#include "core/edit/templates.h"
#include "desktop/motion/motion_view.h"
#include "desktop/motion/timing_section.h"
#include "desktop/view/form.h"

namespace bristle {

class SoundRows;

class MotionCard : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  MotionCard(Work& work, MotionView& view);
  // A new transition from the picked state.
  void addOne();
  void reorder(int by);

 Q_SIGNALS:
  // A template was chosen, to be looked at before it is applied.
  void wantsTemplate(bristle::Template which);

 private:
  void buildTransition();
  void buildEffects();
  void buildMachine();
  void refresh();
  void refreshList();
  void refreshTransition();
  void refreshMachine();
  const Transition* picked() const;
  bool change(const std::string& name, const std::function<void(Transition&)>& change);
  void setEffect(EffectType type, bool on, const Effect& effect);

  Work& work_;
  MotionView& view_;
  Form* form_;
  QLabel *head_, *about_, *share_;
  QListWidget* list_;
  std::vector<int> shown_;
  QComboBox *on_, *to_, *template_, *fires_, *wins_, *sets_, *machine_;
  QLineEdit *after_, *message_, *guard_, *sends_, *setTo_, *hold_, *repeatDelay_, *repeatInterval_;
  QCheckBox* activates_;
  QPushButton *earlier_, *later_, *remove_, *own_;
  SoundRows* sound_;
  TimingSection* timing_;
  bool filling_ = false;
};

}  // namespace bristle
