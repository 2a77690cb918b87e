// The card of the Shape bench: the picked value, the kind, and its parts.
#pragma once
#include <QListWidget>
#include <QScrollArea>

#include "desktop/frame/work.h"
#include "desktop/view/form.h"

namespace bristle {

class Swatches;

class ShapeCard : public QWidget {
  Q_OBJECT
 public:
  explicit ShapeCard(Work& work);
  // "hover", "hover and pressed", "the base look and so all states".
  QString columnNames() const;
  // Edits go to the next (or previous) column.
  void step(int by);

 private:
  void build();
  void buildKind(Form& form);
  void buildParts(Form& form);
  void refresh();
  void refreshValue();
  const PropertyInfo* info() const;
  bool setValue(const QString& text);

  Work& work_;
  Form* form_;
  QLabel* valueHead_;
  QLineEdit* value_;
  QLabel* expected_;
  Swatches* swatches_;
  QComboBox* choices_;
  QPushButton* fallBack_;
  QLineEdit *name_, *width_, *height_, *caption_, *hit_;
  QComboBox* wins_;
  QCheckBox* fits_;
  QComboBox* partType_;
  QLineEdit* partName_;
  QPushButton* removePart_;
};

}  // namespace bristle
