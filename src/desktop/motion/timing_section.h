// How a transition runs, or the machine's default where none is picked: of everything or of one
// property, as numbers and as a curve, with a button that tries it.
#pragma once
#include <QElapsedTimer>
#include <QTimer>
#include <memory>

#include "core/edit/timing_edits.h"
#include "desktop/motion/curve_editor.h"
#include "desktop/view/form.h"
#include "runtime/machine/program.h"

namespace bristle {

class LookTable;
class MotionView;
class Work;

// The button on its way from a state to another and back, when something has changed or it is
// pointed at.
class TryButton : public QWidget {
  Q_OBJECT
 public:
  TryButton(Work& work, QWidget* parent = nullptr);
  QSize sizeHint() const override { return {220, 76}; }
  QSize minimumSizeHint() const override { return {160, 64}; }
  // Goes from the one state to the other and back, at these paces, again and again.
  void tryOut(const StateId& from, const StateId& to, const Pace& there, const Pace& back);
  // From the first state anew.
  void replay();
  const StateId& to() const { return to_; }

 protected:
  void paintEvent(QPaintEvent* event) override;
  void enterEvent(QEnterEvent* event) override;
  void hideEvent(QHideEvent* event) override;

 private:
  Work& work_;
  QTimer clock_;
  QElapsedTimer since_;
  std::shared_ptr<const LookTable> table_;  // until the project changes
  StateId from_, to_;
  Pace there_, back_;
};

class TimingSection : public QObject {
  Q_OBJECT
 public:
  // Puts its fields into the form.
  TimingSection(Work& work, MotionView& view, Form& form);
  void refresh();

 private:
  TimingPlace place() const;
  bool change(const std::string& name, const std::string& mergeKey,
              const std::function<void(Timing&)>& change);
  void setEasing(const Easing& easing, const std::string& mergeKey);
  void refreshProps();
  void tryOut();

  Work& work_;
  MotionView& view_;
  Form& form_;
  QLabel* head_;
  QCheckBox *own_, *both_;
  QComboBox *prop_, *type_;
  QLineEdit *duration_, *delay_, *easing_;
  QLabel* rests_;
  CurveEditor* curve_;
  TryButton* try_;
  std::vector<std::optional<Prop>> props_;  // what `prop_` offers
  std::optional<Prop> picked_;
  int shown_ = -2;  // the transition that is shown
  std::optional<Timing> tried_;
};

}  // namespace bristle
