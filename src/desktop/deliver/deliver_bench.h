// The hand-over: what is delivered, to where, and what each file of it will be.
#pragma once
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>

#include "desktop/work/bench.h"
#include "runtime/document/delivery.h"

namespace bristle {

class DeliveryForm;
class HandOverWatch;
class MadeFiles;

class DeliverBench : public Bench {
  Q_OBJECT
 public:
  DeliverBench(Work& work, QWidget* parent);
  QWidget* card() override;
  QWidget* workplace() override;
  void enter() override { look(true); }
  QString hint() const override;
  // The delivery in hand, and of what it comes to the file that is looked into.
  void pick(const DeliveryId& id);
  MadeFiles& files() { return *files_; }
  bool busy() const;

 private:
  void refresh() { look(false); }
  void look(bool anew);
  void add(const QString& name, std::vector<Output> outputs);
  void showMade();
  void handOver(bool all, bool over);
  void openFolder();
  void addCommands();

  Work& work_;
  DeliveryId picked_;
  HandOverWatch* watch_;
  QComboBox* all_;
  QPushButton *add_, *stop_;
  QLabel *about_, *warning_;
  QStackedWidget* pages_;
  MadeFiles* files_;
  DeliveryForm* form_;
  bool made_ = false;  // what is shown is of the project as it is
};

}  // namespace bristle
