// The Shape bench: wall and ledger of the picked kind.
#pragma once
#include <QLabel>
#include <QStackedWidget>

#include "desktop/frame/bench.h"

namespace bristle {

class Ledger;
class ShapeCard;

class ShapeBench : public Bench {
  Q_OBJECT
 public:
  ShapeBench(Work& work, QWidget* parent);
  QWidget* card() override;
  std::vector<QAction*> commands() override { return commands_; }
  QString hint() const override;

 private:
  void refresh();
  void addCommands();
  Work& work_;
  QLabel* title_;
  QLabel* about_;
  QLabel* goesTo_;
  QStackedWidget* pages_;
  Ledger* ledger_;
  ShapeCard* card_;
  std::vector<QAction*> commands_;
};

}  // namespace bristle
