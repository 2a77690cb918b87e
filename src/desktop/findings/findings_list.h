// The list of findings under headings. The arrows go from finding to finding; a heading is stopped
// at where it is folded, or come to by Left, which then folds it.
#pragma once
#include <QTreeView>

namespace bristle {

class FindingsList : public QTreeView {
  Q_OBJECT
 public:
  using QTreeView::QTreeView;
  // The heading of a first one comes into sight with it.
  void scrollTo(const QModelIndex& index, ScrollHint hint = EnsureVisible) override {
    if (index.row() == 0 && index.parent().isValid()) QTreeView::scrollTo(index.parent(), hint);
    QTreeView::scrollTo(index, hint);
  }

 protected:
  QModelIndex moveCursor(CursorAction action, Qt::KeyboardModifiers modifiers) override {
    const QModelIndex to = QTreeView::moveCursor(action, modifiers);
    if (!isExpanded(to) || action == MoveLeft || action == MoveRight) return to;
    if (action != MoveUp) return indexBelow(to);
    const QModelIndex above = indexAbove(to);
    return above.isValid() ? above : currentIndex();
  }
};

}  // namespace bristle
