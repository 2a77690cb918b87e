// What a project is held to: a profile to begin from, limits, and each rule on or off.
#pragma once
#include <QTreeWidget>
#include <functional>

#include "desktop/view/form.h"

namespace bristle {

class Work;
struct Settings;

class RulesForm : public Form {
  Q_OBJECT
 public:
  explicit RulesForm(Work& work);

 private:
  QLineEdit* limit(const QString& name, double most, const QString& unit, double Settings::*which);
  void buildRules();
  void turn(QTreeWidgetItem* line);
  void refresh();

  Work& work_;
  QComboBox* profile_;
  QLabel* about_;
  QLineEdit *hit_, *hitMm_, *gap_, *text_;
  QTreeWidget* rules_;
};

}  // namespace bristle
