// How the menu is rehearsed: on which display, in which language and set, with which start values.
#pragma once
#include <vector>

#include "desktop/view/form.h"
#include "runtime/document/project.h"

namespace bristle {

class Rehearsal;
class Work;

class SetUpForm : public QWidget {
  Q_OBJECT
 public:
  SetUpForm(Work& work, Rehearsal& rehearsal, QWidget* parent = nullptr);
  void refresh();
  // Whether it begins on the screen in hand; otherwise where the menu opens.
  bool here() const { return here_->isChecked(); }

 Q_SIGNALS:
  // It begins anew.
  void changed();

 private:
  void buildShown(Form& form);
  void makeValues();
  void setStart(const ValueId& id, double start);

  struct Row {
    ValueId id;
    QWidget* field;
  };
  Work& work_;
  Rehearsal& rehearsal_;
  QComboBox *display_, *language_;
  QCheckBox *dark_, *rightToLeft_, *reduced_, *here_;
  QVBoxLayout* column_;
  Form* values_ = nullptr;
  std::vector<Row> rows_;
  std::vector<ProjectValue> made_;  // what the rows were made for
};

}  // namespace bristle
