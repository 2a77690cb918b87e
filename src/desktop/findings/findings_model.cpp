#include "desktop/findings/findings_model.h"

#include <QFont>
#include <algorithm>
#include <cmath>

#include "core/findings/rule_info.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QString groupOf(const Project& project, const Finding& f, FindingGroups groups) {
  if (groups == FindingGroups::Severity)
    return f.severity == Severity::Error     ? QObject::tr("Errors: it does not work")
           : f.severity == Severity::Warning ? QObject::tr("Warnings: not as it should be")
                                             : QObject::tr("Notes: it may be meant");
  if (groups == FindingGroups::Rule)
    return QObject::tr("%1 · %2").arg(toQt(std::string(nameOf(infoOf(f.rule).group))),
                                      toQt(std::string(infoOf(f.rule).asks)));
  if (const Screen* screen = find(project, f.screen)) return toQt(screen->name);
  if (const Kind* kind = find(project, f.kind)) return QObject::tr("Kind %1").arg(toQt(kind->name));
  if (const Machine* machine = find(project, f.machine))
    return QObject::tr("Machine %1").arg(toQt(machine->name));
  return QObject::tr("Project");
}

// The order in which groups stand.
int rankOf(const Finding& f, FindingGroups groups) {
  if (groups == FindingGroups::Severity) return int(f.severity);
  if (groups == FindingGroups::Place) return 0;
  const auto all = ruleInfos();
  return int(&infoOf(f.rule) - all.data());
}

// How far from its limit, as a share of the greater of both; 0 where there is no figure.
double farFrom(const Finding& f) {
  if (!f.figure) return 0;
  const double limit = f.limit.value_or(0);
  const double greater = std::max(std::abs(*f.figure), std::abs(limit));
  return greater > 0 ? std::abs(*f.figure - limit) / greater : 0;
}

bool isBefore(const Finding& a, const Finding& b, FindingOrder order) {
  if (order == FindingOrder::Name) return toQt(a.place).localeAwareCompare(toQt(b.place)) < 0;
  return order == FindingOrder::Worst && farFrom(a) > farFrom(b);
}

bool holds(const QStringList& words, const QString& text) {
  return std::all_of(words.begin(), words.end(),
                     [&](const QString& word) { return text.contains(word, Qt::CaseInsensitive); });
}

}  // namespace

std::vector<FindingsModel::Group> FindingsModel::grouped(const Project& project,
                                                         const SortedFindings& found,
                                                         FindingGroups groups, FindingOrder order,
                                                         const QString& filter) {
  const QStringList words = filter.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  std::vector<Group> out;
  const auto add = [&](const QString& name, bool apart, Row row) {
    if (!holds(words, name + QLatin1Char(' ') + row.place + QLatin1Char(' ') + row.reason)) return;
    const auto at =
        std::find_if(out.begin(), out.end(), [&](const Group& g) { return g.name == name; });
    Group& group = at == out.end() ? out.emplace_back(Group{name, apart, {}}) : *at;
    group.rows.push_back(std::move(row));
  };
  const auto rowOf = [](const Finding& f) {
    return Row{f.key, toQt(f.place), toQt(f.reason), f.severity};
  };
  std::vector<const Finding*> open;
  for (const Finding& f : found.open) open.push_back(&f);
  std::stable_sort(open.begin(), open.end(), [&](const Finding* a, const Finding* b) {
    const int one = rankOf(*a, groups), other = rankOf(*b, groups);
    return one != other ? one < other : isBefore(*a, *b, order);
  });
  for (const Finding* f : open) add(groupOf(project, *f, groups), false, rowOf(*f));
  for (const auto& each : found.accepted) {
    Row row = rowOf(each.finding);
    row.reason =
        QObject::tr("%1 — %2: accepted since %3").arg(row.reason, toQt(each.on), toQt(each.reason));
    add(QObject::tr("Accepted"), true, std::move(row));
  }
  for (const Accepted& each : found.outdated)
    add(QObject::tr("Accepted, and not found any more"), true,
        {each.key, toQt(each.key), toQt(each.reason), Severity::Note});
  return out;
}

bool FindingsModel::show(const Project& project, const SortedFindings& found, FindingGroups groups,
                         FindingOrder order, const QString& filter) {
  auto now = grouped(project, found, groups, order, filter);
  if (now == groups_) return false;
  beginResetModel();
  groups_ = std::move(now);
  endResetModel();
  return true;
}

QModelIndex FindingsModel::indexOf(const std::string& key) const {
  for (size_t g = 0; g < groups_.size(); ++g)
    for (size_t r = 0; r < groups_[g].rows.size(); ++r)
      if (groups_[g].rows[r].key == key) return index(int(r), 0, index(int(g), 0));
  return {};
}

std::vector<std::string> FindingsModel::keysIn(const QModelIndex& group) const {
  std::vector<std::string> out;
  if (group.isValid() && !group.parent().isValid())
    for (const Row& row : groups_[size_t(group.row())].rows) out.push_back(row.key);
  return out;
}

std::vector<std::string> FindingsModel::keys() const {
  std::vector<std::string> out;
  for (const Group& group : groups_)
    for (const Row& row : group.rows) out.push_back(row.key);
  return out;
}

// The internal id: 0 for a group, else one more than the group's row.
QModelIndex FindingsModel::index(int row, int column, const QModelIndex& parent) const {
  if (row < 0 || row >= rowCount(parent) || column != 0) return {};
  return createIndex(row, column, parent.isValid() ? quintptr(parent.row()) + 1 : quintptr(0));
}

QModelIndex FindingsModel::parent(const QModelIndex& child) const {
  if (!child.isValid() || child.internalId() == 0) return {};
  return createIndex(int(child.internalId()) - 1, 0, quintptr(0));
}

int FindingsModel::rowCount(const QModelIndex& parent) const {
  if (!parent.isValid()) return int(groups_.size());
  return parent.internalId() == 0 ? int(groups_[size_t(parent.row())].rows.size()) : 0;
}

QVariant FindingsModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid()) return {};
  if (index.internalId() == 0) {
    const Group& group = groups_[size_t(index.row())];
    if (role == Qt::DisplayRole) return tr("%1   %2").arg(group.name).arg(group.rows.size());
    if (role == Qt::FontRole) {
      QFont bold;
      bold.setWeight(QFont::DemiBold);
      return bold;
    }
    return {};
  }
  const Row& row = groups_[index.internalId() - 1].rows[size_t(index.row())];
  if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole)
    return tr("%1: %2").arg(row.place, row.reason);
  if (role == Qt::ToolTipRole) return row.reason;
  if (role == kKey) return toQt(row.key);
  if (role == kSeverity) return int(row.severity);
  if (role == kPlace) return row.place;
  if (role == kReason) return row.reason;
  return {};
}

}  // namespace bristle
