// The card's part about the picked value: text, choice, colour and gradient stops, names, contrast.
#pragma once
#include "desktop/shape/picker.h"
#include "desktop/view/form.h"
#include "runtime/document/named.h"

namespace bristle {

class Readings;
class Swatches;
class Work;

class ValueSection : public QObject {
  Q_OBJECT
 public:
  ValueSection(Work& work, Readings& readings, Form& form);
  // "hover", "hover and pressed", "base look".
  QString columnNames() const;
  void refresh();
  void nudge();

 private:
  void buildColour(Form& form);
  void buildNames(Form& form);
  QString noteOn(const PropertyInfo& info, const Value& plain, bool typed);
  void refreshNames(const PropertyInfo& info, const Value& value, int stops);
  void showReading();
  bool setValue(const QString& text);
  void setColour(Colour colour);
  void name(const QString& name);
  std::optional<Value> shown() const;  // as it is set, with its names
  std::optional<Colour> colourOf(const Value& value) const;
  void changeStops(bool add);

  Work& work_;
  Readings& readings_;
  Form& form_;
  QLabel *head_, *expected_, *contrast_;
  QLineEdit *value_, *newName_;
  QComboBox *choices_, *names_, *stop_;
  QPushButton *addStop_, *removeStop_, *fallBack_, *nudge_, *browse_;
  Picker* picker_;
  Swatches* swatches_;
  std::vector<NamedId> offered_;
};

}  // namespace bristle
