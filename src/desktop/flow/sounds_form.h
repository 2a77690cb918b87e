// What is heard on every screen alike: when a screen opens or is left, when a direction leads
// nowhere; and the values that say how loud music and cues are.
#pragma once
#include <functional>

#include "desktop/view/form.h"
#include "runtime/document/project.h"

namespace bristle {

class SoundRows;
class Work;

class SoundsForm : public Form {
  Q_OBJECT
 public:
  explicit SoundsForm(Work& work);
  void refresh();

 private:
  SoundRows* sound(const QString& what, std::string Settings::*file);
  QComboBox* volume(const QString& what, ValueId Settings::*value);
  bool change(const char* name, std::function<void(Settings&)> apply);
  Work& work_;
  SoundRows *opens_, *back_, *bump_;
  QComboBox *music_, *cues_;
};

}  // namespace bristle
