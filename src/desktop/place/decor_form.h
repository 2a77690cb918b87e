// The details of a picked panel or picture: what fills it, how it fits, what shows through.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

class DecorForm : public QWidget {
  Q_OBJECT
 public:
  explicit DecorForm(Work& work);
  void show(const Item& item);
  using QWidget::show;

 private:
  void buildPanel();
  void buildPicture();
  bool changePanel(const char* name, const std::function<void(PanelData&)>& apply);
  bool changePicture(const char* name, const std::function<void(PictureData&)>& apply);

  Work& work_;
  Form *panel_, *picture_;
  QLineEdit *fill_, *radius_, *blur_, *file_, *focusX_, *focusY_;
  QComboBox* fit_;
  QCheckBox* turns_;
};

}  // namespace bristle
