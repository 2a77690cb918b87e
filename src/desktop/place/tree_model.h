// What is on the picked screen, as a tree: names, locked, hidden; dragging puts things elsewhere.
#pragma once
#include <QAbstractItemModel>
#include <vector>

#include "runtime/document/screen.h"
#include "runtime/document/tree.h"

namespace bristle {

class Work;

class TreeModel : public QAbstractItemModel {
  Q_OBJECT
 public:
  enum Column { kName, kLocked, kHidden, kColumns };
  explicit TreeModel(Work& work, QObject* parent = nullptr);
  // After something has changed; built anew only where items came, went or moved in the tree.
  void refresh();
  // Invalid where there is none.
  QModelIndex indexOf(const ItemId& item) const;
  ItemId itemAt(const QModelIndex& index) const;

  QModelIndex index(int row, int column, const QModelIndex& parent) const override;
  QModelIndex parent(const QModelIndex& index) const override;
  int rowCount(const QModelIndex& parent) const override;
  int columnCount(const QModelIndex&) const override { return kColumns; }
  QVariant data(const QModelIndex& index, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;
  Qt::DropActions supportedDropActions() const override { return Qt::MoveAction; }
  QStringList mimeTypes() const override;
  QMimeData* mimeData(const QModelIndexList& indexes) const override;
  bool dropMimeData(const QMimeData* mime, Qt::DropAction action, int row, int column,
                    const QModelIndex& parent) override;

 private:
  const Item* item(const QModelIndex& index) const;
  const std::vector<int>& childrenOf(const QModelIndex& parent) const;
  void build();

  Work& work_;
  std::vector<ItemId> ids_;  // of the screen, when it was built
  std::vector<Nesting> nesting_;
  std::vector<std::vector<int>> children_;  // by index + 1; first those of the screen
  std::vector<int> rows_;                   // by index: its place among its brothers
};

}  // namespace bristle
