// What happened in a rehearsal as a tree: what was done, and under it what came of it and why.
#pragma once
#include <QAbstractItemModel>
#include <set>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/ids.h"

namespace bristle {

class Reel;
struct TraceEntry;

class TraceModel : public QAbstractItemModel {
  Q_OBJECT
 public:
  using QAbstractItemModel::QAbstractItemModel;
  // Reads on where it stopped; what was set back or replaced is read anew. Null: nothing runs.
  void follow(const Reel* reel);
  // Only what is about that button; empty: all.
  void setOnly(const ItemId& button);
  // The entries that a person has pointed at, for a take to expect.
  const std::set<size_t>& expected() const { return expected_; }
  void clearExpected();

  struct Line {
    Ms at = 0;
    int entry = -1;  // in Reel::trace(); −1: what was done itself
    int event = -1;  // in Reel::fed(); −1: time
  };
  Line lineAt(const QModelIndex& index) const;
  QModelIndex indexOf(size_t entry) const;
  // The last of what has happened by that time.
  QModelIndex indexBy(Ms at) const;

  QModelIndex index(int row, int column, const QModelIndex& parent) const override;
  QModelIndex parent(const QModelIndex& child) const override;
  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& parent = {}) const override;
  QVariant data(const QModelIndex& index, int role) const override;
  bool setData(const QModelIndex& index, const QVariant& value, int role) override;
  Qt::ItemFlags flags(const QModelIndex& index) const override;

 Q_SIGNALS:
  void expectedChanged();

 private:
  struct Group {
    Ms at;
    int event;
    std::vector<int> entries;
  };
  void readFrom(size_t cause);
  bool isShown(const TraceEntry& entry) const;
  QString headOf(const Group& group) const;

  const Reel* reel_ = nullptr;
  ItemId only_;
  std::vector<Group> groups_;
  std::set<size_t> expected_;
  size_t causes_ = 0, entries_ = 0;  // read so far
  int edition_ = 0;                  // of the reel
};

}  // namespace bristle
