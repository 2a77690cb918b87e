// The Flow bench: what leads where between screens.
#pragma once
#include <QLabel>

#include "desktop/work/bench.h"

class QStackedWidget;
class QComboBox;
class QHBoxLayout;
class QToolButton;

namespace bristle {

class FlowCard;
class FlowView;
class StepsPage;
class ValuesPage;

class FlowBench : public Bench {
  Q_OBJECT
 public:
  FlowBench(Work& work, QWidget* parent);
  QWidget* card() override;
  QWidget* workplace() override;
  void showPlaceOf(const Finding& finding) override;
  QString hint() const override;

 private:
  void buildHead(QHBoxLayout& head);
  void addCommands();
  void refresh();
  void turn();
  Work& work_;
  QLabel *title_, *about_;
  QComboBox* find_;
  QToolButton *picture_, *table_, *values_;
  FlowView* view_;
  FlowCard* card_;
  StepsPage* steps_;
  ValuesPage* list_;
  QStackedWidget* pages_;
};

}  // namespace bristle
