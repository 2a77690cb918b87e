// Lays down buttons from a list of captions, one a line, or from a table; into the container that
// is picked, where it brings up to date what is there by its keys.
#pragma once
#include <QPlainTextEdit>

#include "core/edit/series_edits.h"
#include "desktop/view/form.h"

namespace bristle {

class Work;

class SeriesForm : public QWidget {
  Q_OBJECT
 public:
  explicit SeriesForm(Work& work);
  void begin();  // puts the cursor into the list

 private:
  std::optional<std::vector<SeriesRow>> rows();
  void lay(Flow flow);
  void layIn();
  const Item* container() const;
  void refresh();
  Work& work_;
  Form* form_;
  QLabel* head_;
  QPlainTextEdit* captions_;
  QComboBox* kind_;
  QPushButton *column_, *row_, *into_;
};

}  // namespace bristle
