// The rows of a form that say what happens: the action of a button or a shortcut.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

class ActionForm : public QObject {
  Q_OBJECT
 public:
  // An edit of that name, for what is edited now. Whether it was taken.
  using Change = std::function<bool(const char* name, std::function<void(Action&)>)>;
  // Adds its rows to the form.
  ActionForm(Work& work, Form& form, Change change);
  void show(const Action& action);
  // No row is seen.
  void hide();

 private:
  Work& work_;
  Form& form_;
  QComboBox *do_, *target_;
  QLineEdit* message_;
};

}  // namespace bristle
