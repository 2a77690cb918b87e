// The tree of what is on the picked screen, beside the canvas, with a field that finds by name.
#pragma once
#include <QLineEdit>
#include <QSortFilterProxyModel>
#include <QTreeView>
#include <QWidget>
#include <set>

#include "desktop/place/tree_model.h"

namespace bristle {

class TreePanel : public QWidget {
  Q_OBJECT
 public:
  explicit TreePanel(Work& work);

 private:
  void refresh();
  void showPicked();
  void pick();
  std::vector<ItemId> selected() const;
  Work& work_;
  TreeModel* model_;
  QSortFilterProxyModel* found_;
  QTreeView* view_;
  QLineEdit* find_;
  bool showing_ = false;     // what is picked; not a person's doing
  std::set<ItemId> folded_;  // containers that a person has folded
};

}  // namespace bristle
