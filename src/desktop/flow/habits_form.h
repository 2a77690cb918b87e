// What a screen does by itself: its music, and what comes when nobody does anything.
#pragma once
#include <functional>

#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class ActionForm;
class SoundRows;
class Work;

class HabitsForm : public Form {
  Q_OBJECT
 public:
  explicit HabitsForm(Work& work);
  void show(const Screen& screen);

 private:
  bool change(const char* name, std::function<void(Screen&)> apply);
  Work& work_;
  SoundRows* music_;
  QComboBox* beneath_;
  QLineEdit* after_;
  ActionForm* actions_;
};

}  // namespace bristle
