#include "desktop/rehearse/trace_model.h"

#include <QApplication>
#include <QFont>
#include <QPalette>

#include "core/derive/trace_words.h"
#include "core/rehearse/reel.h"
#include "paint/convert.h"

namespace bristle {

bool TraceModel::isShown(const TraceEntry& entry) const {
  return !only_ || entry.item == only_ || entry.fromItem == only_;
}

void TraceModel::follow(const Reel* reel) {
  const size_t causes = reel ? reel->causes().size() : 0;
  const size_t entries = reel ? reel->trace().size() : 0;
  const int edition = reel ? reel->edition() : 0;
  const bool same = reel == reel_ && edition == edition_;
  if (same && causes == causes_ && entries == entries_) return;
  edition_ = edition;
  if (!same) {
    beginResetModel();
    reel_ = reel;
    groups_.clear();
    expected_.clear();
    causes_ = entries_ = 0;
    if (reel_) readFrom(0);
    endResetModel();
    return;
  }
  readFrom(causes_);
}

// New groups only come after those that are there.
void TraceModel::readFrom(size_t cause) {
  const auto& causes = reel_->causes();
  std::vector<Group> fresh;
  for (size_t c = cause; c < causes.size(); ++c) {
    Group group{causes[c].at, causes[c].event, {}};
    const size_t end = c + 1 < causes.size() ? causes[c + 1].trace : reel_->trace().size();
    for (size_t e = causes[c].trace; e < end; ++e)
      if (isShown(reel_->trace()[e])) group.entries.push_back(static_cast<int>(e));
    if (only_ && group.entries.empty()) continue;
    fresh.push_back(std::move(group));
  }
  causes_ = causes.size();
  entries_ = reel_->trace().size();
  if (fresh.empty()) return;
  const int first = static_cast<int>(groups_.size());
  if (cause > 0) beginInsertRows({}, first, first + static_cast<int>(fresh.size()) - 1);
  for (Group& group : fresh) groups_.push_back(std::move(group));
  if (cause > 0) endInsertRows();
}

void TraceModel::setOnly(const ItemId& button) {
  if (button == only_) return;
  beginResetModel();
  only_ = button;
  groups_.clear();
  if (reel_) readFrom(0);
  endResetModel();
}

void TraceModel::clearExpected() {
  expected_.clear();
  if (!groups_.empty())
    Q_EMIT dataChanged(index(0, 0, {}), index(static_cast<int>(groups_.size()) - 1, 0, {}));
  Q_EMIT expectedChanged();
}

// A group is its own row with id 0, what came of it has its group's number from 1 on.
QModelIndex TraceModel::index(int row, int column, const QModelIndex& parent) const {
  if (!hasIndex(row, column, parent)) return {};
  return createIndex(row, column, parent.isValid() ? quintptr(parent.row()) + 1 : quintptr(0));
}

QModelIndex TraceModel::parent(const QModelIndex& child) const {
  if (!child.isValid() || child.internalId() == 0) return {};
  return createIndex(static_cast<int>(child.internalId()) - 1, 0, quintptr(0));
}

int TraceModel::rowCount(const QModelIndex& parent) const {
  if (!parent.isValid()) return static_cast<int>(groups_.size());
  if (parent.internalId() != 0) return 0;
  return static_cast<int>(groups_[size_t(parent.row())].entries.size());
}

int TraceModel::columnCount(const QModelIndex&) const {
  return 1;
}

TraceModel::Line TraceModel::lineAt(const QModelIndex& index) const {
  if (!index.isValid()) return {};
  if (index.internalId() == 0) {
    const Group& group = groups_[size_t(index.row())];
    return {group.at, -1, group.event};
  }
  const Group& group = groups_[index.internalId() - 1];
  const int entry = group.entries[size_t(index.row())];
  return {reel_->trace()[size_t(entry)].at, entry, group.event};
}

QModelIndex TraceModel::indexOf(size_t entry) const {
  for (size_t g = 0; g < groups_.size(); ++g)
    for (size_t i = 0; i < groups_[g].entries.size(); ++i)
      if (groups_[g].entries[i] == static_cast<int>(entry))
        return createIndex(static_cast<int>(i), 0, quintptr(g + 1));
  return {};
}

QModelIndex TraceModel::indexBy(Ms at) const {
  int row = -1;
  for (const Group& group : groups_) {
    if (group.at > at) break;
    ++row;
  }
  return row < 0 ? QModelIndex() : createIndex(row, 0, quintptr(0));
}

QString TraceModel::headOf(const Group& group) const {
  const Project& project = reel_->session().project();
  const QString what = group.event >= 0 ? toQt(inWords(reel_->fed()[size_t(group.event)], project))
                       : group.at == 0  ? tr("the menu opens")
                                        : tr("time");
  return tr("%1 s  %2").arg(static_cast<double>(group.at) / 1000, 0, 'f', 2).arg(what);
}

QVariant TraceModel::data(const QModelIndex& index, int role) const {
  if (!index.isValid() || !reel_) return {};
  const Line line = lineAt(index);
  if (index.internalId() == 0) {
    const Group& group = groups_[size_t(index.row())];
    if (role == Qt::FontRole) {
      QFont bold = QApplication::font();
      bold.setWeight(QFont::DemiBold);
      return bold;
    }
    if (role == Qt::DisplayRole || role == Qt::AccessibleTextRole)
      return group.entries.empty() ? tr("%1: nothing happened").arg(headOf(group)) : headOf(group);
    return {};
  }
  const TraceEntry& entry = reel_->trace()[size_t(line.entry)];
  const Project& project = reel_->session().project();
  const QString what = toQt(inWords(entry, project)), why = toQt(whyInWords(entry, project));
  switch (role) {
    case Qt::DisplayRole:
      return why.isEmpty() ? what : what + QLatin1Char('\n') + why;
    case Qt::AccessibleTextRole:
    case Qt::ToolTipRole:
      return why.isEmpty() ? what : tr("%1 (%2)").arg(what, why);
    case Qt::CheckStateRole:
      return expected_.contains(size_t(line.entry)) ? Qt::Checked : Qt::Unchecked;
    default:
      return {};
  }
}

bool TraceModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  const Line line = lineAt(index);
  if (role != Qt::CheckStateRole || line.entry < 0) return false;
  if (value.toInt() == Qt::Checked)
    expected_.insert(size_t(line.entry));
  else
    expected_.erase(size_t(line.entry));
  Q_EMIT dataChanged(index, index);
  Q_EMIT expectedChanged();
  return true;
}

Qt::ItemFlags TraceModel::flags(const QModelIndex& index) const {
  Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
  if (index.isValid() && index.internalId() != 0) out |= Qt::ItemIsUserCheckable;
  return out;
}

}  // namespace bristle
