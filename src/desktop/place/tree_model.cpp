#include "desktop/place/tree_model.h"

#include <QMimeData>
#include <algorithm>

#include "core/arrange/place_at.h"
#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"
#include "desktop/place/move_in_tree.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QString itemsType() {
  return QStringLiteral("application/x-bristle-tree");
}

}  // namespace

TreeModel::TreeModel(Work& work, QObject* parent) : QAbstractItemModel(parent), work_(work) {
  build();
}

void TreeModel::build() {
  ids_.clear();
  nesting_.clear();
  const Screen* screen = work_.screen();
  if (screen) {
    nesting_ = nestingOf(*screen);
    for (const auto& each : screen->items) ids_.push_back(each->id);
  }
  children_.assign(ids_.size() + 1, {});
  rows_.assign(ids_.size(), 0);
  for (size_t i = 0; i < ids_.size(); ++i) {
    auto& brothers = children_[size_t(nesting_[i].parent + 1)];
    rows_[i] = static_cast<int>(brothers.size());
    brothers.push_back(static_cast<int>(i));
  }
}

void TreeModel::refresh() {
  const Screen* screen = work_.screen();
  const auto same = [&] {
    if ((screen ? screen->items.size() : 0) != ids_.size()) return false;
    for (size_t i = 0; i < ids_.size(); ++i) {
      const Item& each = *screen->items[i];
      const int parent = nesting_[i].parent;
      if (each.id != ids_[i] || each.parent != (parent < 0 ? ItemId{} : ids_[size_t(parent)]))
        return false;
    }
    return true;
  };
  if (same()) {
    if (screen) nesting_ = nestingOf(*screen);  // what is locked or hidden
    return;
  }
  beginResetModel();
  build();
  endResetModel();
}

const std::vector<int>& TreeModel::childrenOf(const QModelIndex& parent) const {
  return children_[parent.isValid() ? size_t(parent.internalId()) + 1 : 0];
}

QModelIndex TreeModel::index(int row, int column, const QModelIndex& parent) const {
  const auto& in = childrenOf(parent);
  if (row < 0 || row >= int(in.size()) || column < 0 || column >= kColumns) return {};
  return createIndex(row, column, quintptr(in[size_t(row)]));
}

QModelIndex TreeModel::parent(const QModelIndex& index) const {
  if (!index.isValid()) return {};
  const int up = nesting_[size_t(index.internalId())].parent;
  return up < 0 ? QModelIndex() : createIndex(rows_[size_t(up)], 0, quintptr(up));
}

int TreeModel::rowCount(const QModelIndex& parent) const {
  return parent.column() > 0 ? 0 : static_cast<int>(childrenOf(parent).size());
}

QModelIndex TreeModel::indexOf(const ItemId& item) const {
  const auto at = std::find(ids_.begin(), ids_.end(), item);
  if (at == ids_.end()) return {};
  const auto i = size_t(at - ids_.begin());
  return createIndex(rows_[i], 0, quintptr(i));
}

ItemId TreeModel::itemAt(const QModelIndex& index) const {
  return index.isValid() ? ids_[size_t(index.internalId())] : ItemId{};
}

const Item* TreeModel::item(const QModelIndex& index) const {
  const Screen* screen = work_.screen();
  const auto i = size_t(index.internalId());
  return index.isValid() && screen && i < screen->items.size() ? &*screen->items[i] : nullptr;
}

QVariant TreeModel::data(const QModelIndex& index, int role) const {
  const Item* it = item(index);
  if (!it) return {};
  const bool flag = index.column() == kLocked ? it->locked : it->hidden;
  if (index.column() != kName) {
    if (role == Qt::CheckStateRole) return flag ? Qt::Checked : Qt::Unchecked;
    if (role == Qt::ToolTipRole) return index.column() == kLocked ? tr("Locked") : tr("Hidden");
    return {};
  }
  if (role == Qt::DisplayRole || role == Qt::ToolTipRole) return toQt(displayName(*it));
  if (role == Qt::EditRole) return toQt(it->name);
  return {};
}

QVariant TreeModel::headerData(int section, Qt::Orientation, int role) const {
  if (role != Qt::DisplayRole) return {};
  return section == kName ? tr("Back to front") : section == kLocked ? tr("Lock") : tr("Hide");
}

bool TreeModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  const Item* it = item(index);
  if (!it) return false;
  if (index.column() == kName && role == Qt::EditRole)
    return work_.perform(
        changeItems(work_.screen()->id, {it->id}, "rename", {},
                    [name = fromQt(value.toString().trimmed())](Item& each) { each.name = name; }));
  if (index.column() == kName || role != Qt::CheckStateRole) return false;
  const bool on = value.toInt() == Qt::Checked, lock = index.column() == kLocked;
  return work_.perform(changeItems(
      work_.screen()->id, {it->id}, lock ? (on ? "lock" : "unlock") : (on ? "hide" : "show"), {},
      [lock, on](Item& each) { (lock ? each.locked : each.hidden) = on; }));
}

Qt::ItemFlags TreeModel::flags(const QModelIndex& index) const {
  if (!index.isValid()) return Qt::ItemIsDropEnabled;  // onto the screen
  Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled;
  out |= index.column() == kName ? Qt::ItemIsEditable : Qt::ItemIsUserCheckable;
  const Item* it = item(index);
  if (it && it->container()) out |= Qt::ItemIsDropEnabled;
  return out;
}

QStringList TreeModel::mimeTypes() const {
  return {itemsType()};
}

QMimeData* TreeModel::mimeData(const QModelIndexList& indexes) const {
  QStringList ids;
  for (const QModelIndex& index : indexes)
    if (index.column() == kName) ids << toQt(itemAt(index).text);
  auto* out = new QMimeData;
  out->setData(itemsType(), ids.join(QLatin1Char('\n')).toUtf8());
  return out;
}

bool TreeModel::dropMimeData(const QMimeData* mime, Qt::DropAction, int row, int,
                             const QModelIndex& parent) {
  const QString text = QString::fromUtf8(mime->data(itemsType()));
  std::vector<ItemId> items;
  for (const QString& id : text.split(QLatin1Char('\n'), Qt::SkipEmptyParts))
    items.push_back({fromQt(id)});
  Spot to{itemAt(parent), {}};
  const auto& brothers = childrenOf(parent);
  if (row >= 0 && row < int(brothers.size())) to.before = ids_[size_t(brothers[size_t(row)])];
  // Told to be undone by the view otherwise: what was moved is not to be removed where it was.
  moveInTree(work_, items, to);
  return false;
}

}  // namespace bristle
