// The Rehearse bench: the running menu, the controller below it, the trace and the takes at the
// side.
#pragma once
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStackedWidget>
#include <QTimer>

#include "desktop/rehearse/rehearsal.h"
#include "desktop/work/bench.h"

namespace bristle {

class RunningMenu;

class RehearseBench : public Bench {
  Q_OBJECT
 public:
  RehearseBench(Work& work, QWidget* parent);
  QWidget* card() override { return card_; }
  void enter() override;
  void leave() override;
  QString hint() const override;
  Rehearsal& rehearsal() { return rehearsal_; }
  RunningMenu& menu() { return *menu_; }
  // From the screen in hand, or the one where the menu opens, as is chosen.
  void restart();
  // Begins where the take does, and waits for what is sent.
  bool restartFor(const Take& take);

 private:
  void build();
  void buildCard();
  void addCommands();
  void refresh();
  void clearTrace();
  void refreshTakes();
  void keep();
  void replayPicked();
  void told();

  Work& work_;
  Rehearsal rehearsal_;
  QTimer polling_;
  QStackedWidget* pages_;
  RunningMenu* menu_;
  QLabel *title_, *about_, *prompts_, *result_;
  QWidget* card_;
  QPlainTextEdit* trace_;
  QComboBox *takes_, *speed_;
  QLineEdit* name_;
  QPushButton *keep_, *replay_;
  QCheckBox* here_;
  size_t shown_ = 0;
};

}  // namespace bristle
