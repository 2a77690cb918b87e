// What the picked items are pinned to, where their own place says where they lie: ready choices as
// pictures, and all others.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class PinPictures;
class Work;

class PinForm : public Form {
  Q_OBJECT
 public:
  // `work` must outlive it.
  explicit PinForm(Work& work);
  // Of the first picked item.
  void refresh();

 private:
  struct Axis {
    QComboBox* pin;
    QLineEdit *fraction, *offset, *far;
  };
  Axis build(bool horizontal);
  void refresh(const Axis& fields, const AxisPlace& axis);
  bool change(const char* name, std::function<void(Place&)> apply);
  Work& work_;
  PinPictures* pictures_;
  Axis across_, down_;
  QComboBox *within_, *grows_;
  QLabel* drawn_;
  QPushButton* nearest_;
};

}  // namespace bristle
