// Findings in groups: by what they are about, by screen, or by how bad they are; what was accepted
// stands apart.
#pragma once
#include <QAbstractItemModel>

#include "core/findings/sorted.h"
#include "runtime/document/project.h"

namespace bristle {

enum class FindingGroups { Rule, Place, Severity };
// Within a group: as they were found, by their names, or what is the farthest from its limit first.
enum class FindingOrder { Found, Name, Worst };

class FindingsModel : public QAbstractItemModel {
  Q_OBJECT
 public:
  using QAbstractItemModel::QAbstractItemModel;
  // Rows carry the finding's key.
  static constexpr int kKey = Qt::UserRole, kSeverity = Qt::UserRole + 1, kPlace = Qt::UserRole + 2,
                       kReason = Qt::UserRole + 3;

  // Those in which all words of `filter` are, whatever their case. False where all is as it was.
  bool show(const Project& project, const SortedFindings& found, FindingGroups groups,
            FindingOrder order, const QString& filter);
  QModelIndex indexOf(const std::string& key) const;
  // Key by key in the order shown.
  std::vector<std::string> keysIn(const QModelIndex& group) const;
  // All of them.
  std::vector<std::string> keys() const;

  QModelIndex index(int row, int column, const QModelIndex& parent = {}) const override;
  QModelIndex parent(const QModelIndex& child) const override;
  int rowCount(const QModelIndex& parent = {}) const override;
  int columnCount(const QModelIndex& = {}) const override { return 1; }
  QVariant data(const QModelIndex& index, int role) const override;

 private:
  struct Row {
    std::string key;
    QString place, reason;
    Severity severity = Severity::Note;
    bool operator==(const Row&) const = default;
  };
  struct Group {
    QString name;
    bool apart = false;  // accepted, or outdated
    std::vector<Row> rows;
    bool operator==(const Group&) const = default;
  };
  static std::vector<Group> grouped(const Project& project, const SortedFindings& found,
                                    FindingGroups groups, FindingOrder order,
                                    const QString& filter);
  std::vector<Group> groups_;
};

}  // namespace bristle
