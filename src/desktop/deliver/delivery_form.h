// What a delivery is: its name, its folder, and what is in it.
#pragma once
#include <array>
#include <vector>

#include "desktop/view/form.h"
#include "runtime/document/delivery.h"

namespace bristle {

class Work;

class DeliveryForm : public Form {
  Q_OBJECT
 public:
  explicit DeliveryForm(Work& work);
  void show(const DeliveryId& id);
  void askFolder();

 Q_SIGNALS:
  void wantsHandOver(bool all, bool over);
  void wantsFolder();

 public:
  // Whether files in the way would be written over, and there are some; whether it runs.
  void tellState(bool ready, bool inTheWay, bool running);

 private:
  void refresh();
  void turn(OutputSort sort, bool on);
  // Of what pictures and sheets are made of, all alike.
  QCheckBox* drawnCheck(const QString& label, const char* what, bool Output::*which);
  bool change(const char* what, const char* key, std::function<void(Delivery&)> how);

  Work& work_;
  DeliveryId id_;
  QLineEdit *name_, *folder_, *scale_, *frames_, *since_;
  QCheckBox *trim_, *placed_, *captions_;
  std::vector<QCheckBox*> outputs_;
  QPushButton *give_, *over_, *open_, *remove_;
};

}  // namespace bristle
