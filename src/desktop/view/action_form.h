// The rows of a form that say what a button or a shortcut does: its actions in their order, and
// the one in hand in detail.
#pragma once
#include "desktop/view/form.h"
#include "runtime/document/screen.h"

class QListWidget;

namespace bristle {

class Work;

class ActionForm : public QObject {
  Q_OBJECT
 public:
  // An edit of that name, for what is edited now. Whether it was taken.
  using Change = std::function<bool(const char* name, std::function<void(Actions&)>)>;
  // Adds its rows to the form.
  ActionForm(Work& work, Form& form, Change change);
  // `on`: where what is shown and hidden stands; null: nowhere in particular.
  void show(const Actions& actions, const Screen* on);
  // No row is seen.
  void hide();
  // The action in hand.
  void pick(size_t index);

 Q_SIGNALS:
  // Another one is, or will be once what is being done is done.
  void inHand(size_t index);

 private:
  void build(Form& form);
  void buildList(Form& form);
  void setType(int index);
  void changeOne(const char* name, std::function<void(Action&)> apply);
  void showList(const Actions& actions);
  void showOne(const Action* action);
  void showTargets(const Action& action);
  void showValue(const Action& action);
  std::vector<ItemId> items(ActionType type) const;

  Work& work_;
  Form& form_;
  Change change_;
  Actions actions_;
  ScreenId on_;
  size_t at_ = 0;
  QListWidget* list_;
  QComboBox *do_, *screen_, *item_, *value_, *option_, *language_;
  QLineEdit *number_, *message_, *when_;
  QPushButton *add_, *remove_, *earlier_, *later_;
};

}  // namespace bristle
