// The table of all captions, names and descriptions in all languages; in and out as a table or as a
// message catalogue.
#pragma once
#include <QCheckBox>
#include <QLineEdit>
#include <QSortFilterProxyModel>
#include <QTableView>

#include "desktop/place/words_model.h"
#include "desktop/view/page.h"

namespace bristle {

class WordsPage : public Page {
  Q_OBJECT
 public:
  WordsPage(Work& work, QWidget* parent);
  // By its ending .po, else a table. False, with a word to the person, when it cannot be done. A
  // catalogue is of the language that is shown.
  bool importWords(const QString& path);
  bool exportWords(const QString& path);

 private:
  bool importPo(const QString& text);
  bool importTable(const QString& text);
  void ask(bool import);
  Work& work_;
  WordsModel* model_;
  QSortFilterProxyModel* found_;
  QTableView* table_;
  QLineEdit* find_;
  QCheckBox* onlyMissing_;
};

}  // namespace bristle
