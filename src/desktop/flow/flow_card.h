// What stands beside the flow: what the button in hand does and how its change looks, and the
// screen.
#pragma once
#include <QWidget>
#include <optional>

#include "core/derive/flow_graph.h"

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;

namespace bristle {

class ActionForm;
class ChangePlay;
class HabitsForm;
class Form;
class MotionRows;
class SoundsForm;
class Work;
struct Screen;
struct ScreenChange;

class FlowCard : public QWidget {
  Q_OBJECT
 public:
  explicit FlowCard(Work& work);
  void show(const std::optional<FlowStep>& step);

 Q_SIGNALS:
  // Another of the button’s actions is in hand.
  void inHand(size_t action);

 private:
  void buildButton(Form& form);
  void buildScreen(Form& form);
  void refresh();
  void refreshChange();
  void refreshScreen();
  void changeIt(const char* name, std::function<void(Screen&)> change);
  void changeStep(std::function<void(ScreenChange&)> change);
  ScreenChange changeOf(const FlowStep& step) const;

  Work& work_;
  std::optional<FlowStep> step_;
  QLabel *head_, *none_, *changeHead_;
  ActionForm* actions_;
  HabitsForm* habits_;
  SoundsForm* sounds_;
  QCheckBox *own_, *first_, *waits_, *sleeps_;
  MotionRows *out_, *in_, *comes_, *goes_;
  ChangePlay* play_;
  QPushButton* playIt_;
  Form* form_;
  QLineEdit *name_, *dim_, *blur_;
  QComboBox* beside_;
};

}  // namespace bristle
