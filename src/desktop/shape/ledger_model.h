// The ledger as a table: a row for each property of each part, a column for the base look and for
// each state. No rules of looks in here; it asks the core and sends edits.
#pragma once
#include <QAbstractTableModel>
#include <set>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

class Work;

class LedgerModel : public QAbstractTableModel {
  Q_OBJECT
 public:
  explicit LedgerModel(Work& work);
  struct Row {
    PropKey key;
    QString name;         // of the property, or of the part for a band
    bool isBand = false;  // heads the rows of one part
    int folded = 0;       // of a band: how many rows are folded away below it
  };
  enum Role { DepartsRole = Qt::UserRole, SwatchRole, BandRole, NamedRole, OwnRole };

  const Row& rowAt(int row) const { return rows_[size_t(row)]; }
  // Between places in the table and what they show; −1 where there is none.
  Column columnAt(int column) const;
  int columnOf(const Column& column) const;
  int rowOf(const PropKey& key) const;
  // Shows or folds away the rows of a part that nobody has set.
  void toggleFold(const PartId& part);
  bool isUnfolded(const PartId& part) const { return unfolded_.contains(part); }

  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;

 private:
  void refresh(bool all, bool edited = false);
  bool onlyValuesChanged(const Kind** before) const;
  void tellChanged(bool edited);
  std::vector<Row> makeRows() const;

  Work& work_;
  std::vector<Row> rows_;
  std::vector<StateId> states_;
  std::set<PartId> unfolded_;
  std::optional<Project> shown_;  // what the views were last told of
};

// Sets properties in some columns from typed text; tells the person when it cannot. Rows of another
// sort than the first one's are left alone.
bool setLookFromText(Work& work, const std::vector<Column>& columns,
                     const std::vector<PropKey>& rows, const QString& text);
// Null where the picked kind has no such property.
const PropertyInfo* infoOf(const Work& work, const PropKey& key);

}  // namespace bristle
