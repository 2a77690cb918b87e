// The grid of the project and the guides of the screen.
#pragma once
#include "desktop/view/form.h"

namespace bristle {

class Work;

class CanvasForm : public Form {
  Q_OBJECT
 public:
  explicit CanvasForm(Work& work);

 private:
  bool setGrid(const QString& typed);
  bool setGuides(bool upright, const QString& typed);
  void refresh();
  Work& work_;
  QLineEdit *grid_, *x_, *y_;
  QCheckBox* locked_;
};

}  // namespace bristle
