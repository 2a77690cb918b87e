// The values of the project as a table: a row each, with who sets it and who asks for it.
#pragma once
#include <QAbstractTableModel>
#include <vector>

#include "core/derive/value_uses.h"

namespace bristle {

class Work;

class ValuesModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  enum Column { Name, Sort, Start, Least, Most, Step, Options, SetBy, AskedBy, Columns };
  explicit ValuesModel(Work& work, QObject* parent = nullptr);
  void refresh();

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;

 private:
  bool applies(const ProjectValue& value, int column) const;
  Work& work_;
  std::vector<ProjectValue> values_;
  std::vector<ValueUses> uses_;
};

}  // namespace bristle
