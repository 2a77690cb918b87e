// The details of the picked screen, when nothing on it is picked.
#pragma once
#include "desktop/view/form.h"

namespace bristle {

class Work;

class ScreenForm : public Form {
  Q_OBJECT
 public:
  explicit ScreenForm(Work& work);

 private:
  void refresh();
  bool setBackdrop(const QString& text);
  Work& work_;
  QLineEdit *name_, *backdrop_, *dim_;
  QComboBox *scaling_, *drawnOn_;
  QCheckBox *first_, *pass_;
};

}  // namespace bristle
