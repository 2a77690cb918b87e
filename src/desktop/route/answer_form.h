// What presses the picked button from wherever focus is, and whether focus comes to it at all.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

class AnswerForm : public Form {
  Q_OBJECT
 public:
  explicit AnswerForm(Work& work);
  void refresh();

 private:
  void change(const char* name, std::function<void(ButtonData&)> apply);
  Work& work_;
  QComboBox* by_;
  QCheckBox* aside_;
};

}  // namespace bristle
