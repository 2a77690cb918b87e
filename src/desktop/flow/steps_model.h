// What leads where as a table: a row for each action; conditions and changes are written here.
#pragma once
#include <QAbstractTableModel>

#include "core/formats/flow_table.h"

class QItemSelectionModel;

namespace bristle {

class Work;

class StepsModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  enum Column { OnScreen, Button, Does, Condition, Change, Columns };
  explicit StepsModel(Work& work, QObject* parent = nullptr);
  void refresh();
  // What is written into a cell is written into the same column of all rows that are picked there.
  void setPicks(const QItemSelectionModel* picks) { picks_ = picks; }
  const FlowRow& at(int row) const { return rows_[size_t(row)]; }

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;

 private:
  std::vector<FlowRow> rowsFor(const QModelIndex& index) const;
  Work& work_;
  const QItemSelectionModel* picks_ = nullptr;
  std::vector<FlowRow> rows_;
};

}  // namespace bristle
