// The languages of the project: which one the screens are shown in, and what each is.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/text.h"

namespace bristle {

class Work;

class LanguageForm : public Form {
  Q_OBJECT
 public:
  explicit LanguageForm(Work& work);
  // Has the tag of a new one typed.
  void begin();
  void removeShown();

 Q_SIGNALS:
  void wantsWords();  // the table of all words

 private:
  void refresh();
  void add(const QString& typed);
  bool change(const char* name, std::function<void(Language&)> apply);

  Work& work_;
  QComboBox *shown_, *fallback_;
  QLineEdit *name_, *fresh_;
  QCheckBox* rightToLeft_;
  QPushButton* remove_;
};

}  // namespace bristle
