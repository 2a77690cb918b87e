// Lays down buttons from a list of captions, one a line.
#pragma once
#include <QPlainTextEdit>

#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class Work;

class SeriesForm : public QWidget {
  Q_OBJECT
 public:
  explicit SeriesForm(Work& work);
  void begin();  // puts the cursor into the list

 private:
  void lay(Flow flow);
  void refresh();
  Work& work_;
  QPlainTextEdit* captions_;
  QComboBox* kind_;
  QPushButton *column_, *row_;
};

}  // namespace bristle
