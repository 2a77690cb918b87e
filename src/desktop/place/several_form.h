// The gaps between several picked things.
#pragma once
#include "desktop/view/form.h"

namespace bristle {

class Arranging;

class SeveralForm : public Form {
  Q_OBJECT
 public:
  explicit SeveralForm(Arranging& arranging);
  // Hidden where fewer than two things can be moved by themselves.
  void refresh();

 private:
  Arranging& arranging_;
  QLineEdit *across_, *down_;
};

}  // namespace bristle
