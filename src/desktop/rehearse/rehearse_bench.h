// The Rehearse bench: the running menu with its prompts, its time line and a controller below; at
// the side what happened, the takes, and how it is shown.
#pragma once
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>
#include <QTimer>
#include <QToolButton>

#include <memory>

#include "desktop/work/bench.h"
#include "runtime/document/project.h"

class QHBoxLayout;

namespace bristle {

class CardTabs;
class Pad;
class PromptLine;
class Rehearsal;
class RunningMenu;
class SetUpForm;
class TakesPanel;
class TimeLine;
class TracePanel;
struct Take;

class RehearseBench : public Bench {
  Q_OBJECT
 public:
  RehearseBench(Work& work, QWidget* parent);
  ~RehearseBench() override;
  QWidget* card() override;
  void enter() override;
  void leave() override;
  QString hint() const override;
  Rehearsal& rehearsal() { return *rehearsal_; }
  RunningMenu& menu() { return *menu_; }
  // From the screen in hand, or the one where the menu opens, as is chosen.
  void restart();
  // Begins where the take does, and waits for what is sent.
  bool restartFor(const Take& take);
  // The menu over the whole screen, and back.
  void turnFull();

 private:
  void build();
  void buildHead(QHBoxLayout& head);
  void buildBelow();
  void buildCard();
  void addCommands();
  void poll();
  void refresh();
  void showClock();
  void showTime();
  void begun();
  void stepBy(Ms ms);
  bool isAnother() const;

  Work& work_;
  std::unique_ptr<Rehearsal> rehearsal_;
  QTimer polling_, ticking_;
  QStackedWidget* pages_;
  RunningMenu* menu_;
  PromptLine* prompts_;
  TimeLine* line_;
  Pad* pad_;
  QLabel *title_, *about_;
  CardTabs* card_;
  TracePanel* trace_;
  TakesPanel* takes_;
  SetUpForm* setUp_;
  QComboBox* speed_;
  QPushButton* pause_;
  QToolButton* other_;
  size_t shown_ = 0;  // entries of the trace
  Project ran_;       // what it began with
};

}  // namespace bristle
