#include "desktop/work/commands.h"

#include <QWidget>

namespace bristle {

QAction* Commands::add(QWidget* owner, const QString& name, const QKeySequence& keys,
                       std::function<void()> run, KeysWork where) {
  auto* action = new QAction(name, owner);
  action->setShortcut(keys);
  action->setShortcutContext(where == KeysWork::InWindow ? Qt::WindowShortcut
                                                         : Qt::WidgetWithChildrenShortcut);
  QObject::connect(action, &QAction::triggered, owner, [run = std::move(run)] { run(); });
  owner->addAction(action);
  all_[owner].push_back(action);
  return action;
}

const std::vector<QAction*>& Commands::of(const QWidget* owner) const {
  static const std::vector<QAction*> none;
  const auto at = all_.find(owner);
  return at == all_.end() ? none : at->second;
}

}  // namespace bristle
