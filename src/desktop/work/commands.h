// All that can be done by a command, in one place: menus, the command finder and keys are made of
// it. A command belongs to a widget, which says where it can be used: the window's always, a
// bench's while that bench is open.
#pragma once
#include <QAction>
#include <functional>
#include <map>
#include <vector>

namespace bristle {

// Where a command's keys work.
enum class KeysWork {
  InWindow,  // wherever the focus is, while the owner is in sight
  InOwner,   // with the focus in the owner: keys that text fields need, too
};

class Commands {
 public:
  // `owner` must be a widget that lives as long as the commands of it are used; it owns the action.
  // `name` is what the menu says.
  QAction* add(QWidget* owner, const QString& name, const QKeySequence& keys,
               std::function<void()> run, KeysWork where = KeysWork::InOwner);
  // Those of one owner, in the order in which they were added.
  const std::vector<QAction*>& of(const QWidget* owner) const;

 private:
  std::map<const QWidget*, std::vector<QAction*>> all_;
};

}  // namespace bristle
