#include "desktop/place/tree_panel.h"

#include <QHeaderView>
#include <QVBoxLayout>
#include <algorithm>

#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"

namespace bristle {
namespace {
constexpr int kWidth = 216, kFlag = 40;  // px
}

TreePanel::TreePanel(Work& work) : work_(work), model_(new TreeModel(work, this)) {
  setFixedWidth(kWidth);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(8, 4, 8, 8);
  column->setSpacing(4);
  find_ = new QLineEdit;
  find_->setPlaceholderText(tr("Find on this screen"));
  find_->setAccessibleName(tr("Find on this screen"));
  find_->setClearButtonEnabled(true);
  column->addWidget(find_);
  found_ = new QSortFilterProxyModel(this);
  found_->setSourceModel(model_);
  found_->setRecursiveFilteringEnabled(true);
  found_->setFilterCaseSensitivity(Qt::CaseInsensitive);
  view_ = new QTreeView;
  view_->setAccessibleName(tr("Tree of the screen"));
  view_->setModel(found_);
  view_->setUniformRowHeights(true);
  view_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  view_->setDragDropMode(QAbstractItemView::DragDrop);
  view_->setDefaultDropAction(Qt::MoveAction);
  view_->setEditTriggers(QAbstractItemView::EditKeyPressed | QAbstractItemView::DoubleClicked);
  view_->setIndentation(14);
  QHeaderView* header = view_->header();
  header->setStretchLastSection(false);
  header->setMinimumSectionSize(kFlag);
  header->setSectionResizeMode(TreeModel::kName, QHeaderView::Stretch);
  for (const int flag : {TreeModel::kLocked, TreeModel::kHidden}) {
    header->setSectionResizeMode(flag, QHeaderView::Fixed);
    header->resizeSection(flag, kFlag);
  }
  column->addWidget(view_, 1);
  connect(find_, &QLineEdit::textChanged, this, [this](const QString& text) {
    found_->setFilterFixedString(text);
    showPicked();
  });
  connect(view_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &TreePanel::pick);
  const auto itemOf = [this](const QModelIndex& index) {
    return model_->itemAt(found_->mapToSource(index));
  };
  connect(view_, &QTreeView::collapsed, this,
          [this, itemOf](const QModelIndex& index) { folded_.insert(itemOf(index)); });
  connect(view_, &QTreeView::expanded, this,
          [this, itemOf](const QModelIndex& index) { folded_.erase(itemOf(index)); });
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void TreePanel::refresh() {
  model_->refresh();
  if (!find_->text().isEmpty()) found_->invalidate();
  showPicked();
  view_->viewport()->update();
}

// All is open but what a person has folded; what is picked is marked and in sight.
void TreePanel::showPicked() {
  showing_ = true;
  const auto folded = folded_;
  view_->expandAll();
  for (const ItemId& id : folded)
    if (const auto at = model_->indexOf(id); at.isValid())
      view_->collapse(found_->mapFromSource(at));
  // Left alone where it is so already: a person who goes on with Shift goes on from where they
  // began.
  const std::vector<ItemId> shown = selected(), wanted = work_.picked().items;
  if (!shown.empty() &&
      std::is_permutation(shown.begin(), shown.end(), wanted.begin(), wanted.end())) {
    showing_ = false;
    return;
  }
  QItemSelection picked;
  QModelIndex last;
  for (const ItemId& id : work_.picked().items) {
    const QModelIndex at = found_->mapFromSource(model_->indexOf(id));
    if (!at.isValid()) continue;
    picked.select(at, at.siblingAtColumn(TreeModel::kColumns - 1));
    last = at;
  }
  view_->selectionModel()->select(picked, QItemSelectionModel::ClearAndSelect);
  if (last.isValid()) {
    view_->selectionModel()->setCurrentIndex(last, QItemSelectionModel::NoUpdate);
    view_->scrollTo(last);
  }
  showing_ = false;
}

void TreePanel::pick() {
  if (!showing_) work_.pickItems(selected());
}

std::vector<ItemId> TreePanel::selected() const {
  std::vector<ItemId> out;
  for (const QModelIndex& index : view_->selectionModel()->selectedRows())
    out.push_back(model_->itemAt(found_->mapToSource(index)));
  return out;
}

}  // namespace bristle
