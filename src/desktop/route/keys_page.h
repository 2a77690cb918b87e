// What keys and controller buttons do, everywhere or on the picked screen, and the shortcuts.
#pragma once
#include <QComboBox>
#include <QLabel>
#include <QVBoxLayout>
#include <QWidget>
#include <functional>
#include <vector>

#include "runtime/document/project.h"

class QGridLayout;

namespace bristle {

class ActionForm;
class Form;
class SignsField;
class Work;

class KeysPage : public QWidget {
  Q_OBJECT
 public:
  explicit KeysPage(Work& work);

 private:
  // The fields of one thing that is done.
  struct Row {
    Does does;
    ShortcutId shortcut;
    SignsField *keys, *buttons;
    QLabel* label;  // none of shortcuts
  };
  struct Own {
    ShortcutId id;
    Form* form;
    QLineEdit* name;
    ActionForm* action;
  };
  void buildDoings();
  Row fields(Does does, const ShortcutId& shortcut, const QString& what);
  void makeShortcuts();
  void addShortcut(const Shortcut& shortcut);
  void refresh();
  void refresh(const Row& row);
  void tellClashes();
  // Empty: everywhere.
  ScreenId where() const;
  const std::vector<Binding>& bindings() const;

  Work& work_;
  QComboBox *where_, *padSigns_;
  QLineEdit *delay_, *interval_;
  QVBoxLayout *column_, *shortcuts_;
  QLabel* clashes_;
  std::vector<Row> rows_;
  size_t fixed_ = 0;  // of them: not of shortcuts
  std::vector<Own> own_;
  QLabel* nothing_;
};

}  // namespace bristle
