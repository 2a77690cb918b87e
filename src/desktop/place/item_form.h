// The details of the picked item: caption, kind, place and pins, what it does.
#pragma once
#include <memory>

#include "desktop/view/form.h"
#include "runtime/document/screen.h"

namespace bristle {

class ActionForm;
class ContainerForm;
class DecorForm;
class GroupForm;
class PinForm;
class PlaceWatch;
class PromptRow;
class SizeForm;
class Work;

class ItemForm : public QWidget {
  Q_OBJECT
 public:
  ItemForm(Work& work, const PlaceWatch& watch);
  ~ItemForm() override;
  // The keyboard goes to the caption, all of it picked.
  void editCaption();

 Q_SIGNALS:
  void goesOn();  // something else is about to be picked from here, and this may go away

 private:
  QLineEdit* words(Form& form, const QString& name, const char* edit, Text ButtonData::*which);
  QLineEdit* condition(Form& form, const QString& name, const char* edit,
                       std::function<void(Item&, const std::string&)> set);
  void buildButton(Form& form);
  void buildAction(Form& form);
  void buildPlace(Form& form);
  void refresh();
  void refreshButton(const ButtonData& button);
  void refreshPlace();
  void showFaults();
  // One change on all picked items.
  bool change(const char* name, std::function<void(Item&)> apply);

  Work& work_;
  const PlaceWatch& watch_;
  QLabel *head_, *faults_;
  QPushButton* lock_;
  Form *buttonForm_, *placeForm_;
  ContainerForm* containerForm_;
  DecorForm* decorForm_;
  GroupForm* groupForm_;
  PinForm* pins_;
  SizeForm* sizes_;
  QLineEdit *caption_, *accessible_, *description_;
  QComboBox* kind_;
  std::unique_ptr<PromptRow> prompt_;
  ActionForm* action_;
  QPushButton* holder_;
  QCheckBox *disabled_, *entry_, *locked_, *hidden_;
  QLineEdit *enabledWhen_, *currentWhen_, *shownWhen_;
};

}  // namespace bristle
