// The card of the Shape bench: the picked value, this button's own, the state, the kind, its parts.
#pragma once
#include <QListWidget>
#include <QScrollArea>

#include "desktop/view/form.h"
#include "runtime/document/kind.h"
#include "runtime/document/machine.h"

namespace bristle {

class Readings;
class ValueSection;
class Work;

class ShapeCard : public QWidget {
  Q_OBJECT
 public:
  // Both must outlive it.
  ShapeCard(Work& work, Readings& readings);
  // Of the picked columns, in words.
  QString columnNames() const;
  ValueSection& value() { return *value_; }
  // Edits go to the next (or previous) column.
  void step(int by);

 private:
  void buildButton(Form& form);
  void buildState(Form& form);
  void buildKind(Form& form);
  void buildHitArea(Form& form);
  void buildParts(Form& form);
  void refresh();
  void refreshButton();
  void refreshState();
  void refreshParts();
  bool change(const char* what, std::function<void(Kind&)> apply);
  const State* state() const;  // the picked one; null for the base

  Work& work_;
  Form* form_;
  ValueSection* value_;
  QLabel* ownHead_;
  QCheckBox* only_;
  QPushButton *clearOwn_, *detach_;
  QLabel *stateHead_, *stateNote_;
  bool setTiming(const QString& text, bool easing);
  QLineEdit *stateName_, *newState_, *takes_, *easing_;
  QComboBox *role_, *copyFrom_;
  QPushButton *left_, *right_, *removeState_;
  QLineEdit *name_, *width_, *height_, *caption_, *captionPadding_, *hit_, *alpha_, *leastHit_;
  QComboBox *wins_, *hitForm_;
  QLabel* hitNote_;
  QCheckBox *fits_, *still_, *sizesDiffer_;
  QComboBox* partType_;
  QLineEdit* partName_;
  QPushButton *removePart_, *forward_, *backward_;
  std::vector<Column> copyColumns_;
};

}  // namespace bristle
