// The displays that the project is made for: size, scale, safe area, what they block.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/project.h"

namespace bristle {

class Work;

class DisplayForm : public Form {
  Q_OBJECT
 public:
  explicit DisplayForm(Work& work);
  void addOne();
  void removeShown();

 private:
  void refresh();
  bool change(const char* name, std::function<void(Display&)> apply);
  bool setSize(const QString& typed);
  bool setSafe(const QString& typed);
  bool setBlocked(const QString& typed);

  Work& work_;
  QComboBox* shown_;
  QLineEdit *name_, *size_, *scale_, *safe_, *corner_, *blocked_, *dense_, *far_;
  QPushButton *turn_, *first_, *remove_;
};

}  // namespace bristle
