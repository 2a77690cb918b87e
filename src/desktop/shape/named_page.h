// The list of named values: made, changed, renamed, replaced, removed; light and dark; tokens.
#pragma once
#include <QComboBox>
#include <QLineEdit>
#include <QTableWidget>

#include "desktop/view/page.h"
#include "runtime/document/named.h"

class QCheckBox;

namespace bristle {

class Work;

class NamedPage : public Page {
  Q_OBJECT
 public:
  NamedPage(Work& work, QWidget* parent);
  // Design tokens; false, with a word to the person, when it cannot be done.
  bool importTokens(const QString& path);
  bool exportTokens(const QString& path);

 private:
  void refresh();
  void refreshUses();
  void changed(QTableWidgetItem* item);
  void addOne();
  const NamedValue* current() const;
  std::optional<Value> parsed(const NamedValue& named, const QString& text);
  Work& work_;
  QTableWidget* table_;
  QComboBox *type_, *replacement_;
  QLineEdit* name_;
  QPushButton* remove_;
  QCheckBox* dark_;
  QLabel* uses_;
  std::vector<NamedId> others_;  // offered as replacements
  bool filling_ = false;
};

}  // namespace bristle
