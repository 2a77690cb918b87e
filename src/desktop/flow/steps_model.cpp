#include "desktop/flow/steps_model.h"

#include <QItemSelectionModel>
#include <algorithm>

#include "core/derive/formula_names.h"
#include "core/edit/flow_edits.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/machine/condition.h"

namespace bristle {

StepsModel::StepsModel(Work& work, QObject* parent) : QAbstractTableModel(parent), work_(work) {}

void StepsModel::refresh() {
  beginResetModel();
  rows_ = flowRows(work_.project());
  endResetModel();
}

int StepsModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int StepsModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(Columns);
}

QVariant StepsModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (role != Qt::DisplayRole || orientation != Qt::Horizontal) return {};
  const QString names[] = {tr("Screen"), tr("Button"), tr("Action"), tr("Only if"), tr("Change")};
  return names[section];
}

QVariant StepsModel::data(const QModelIndex& index, int role) const {
  const bool shown = role == Qt::DisplayRole || role == Qt::EditRole || role == Qt::ToolTipRole;
  if (!shown || size_t(index.row()) >= rows_.size()) return {};
  return toQt(rows_[size_t(index.row())].cells[size_t(index.column())]);
}

Qt::ItemFlags StepsModel::flags(const QModelIndex& index) const {
  const Qt::ItemFlags out = QAbstractTableModel::flags(index);
  if (size_t(index.row()) >= rows_.size()) return out;
  const bool changes = !rows_[size_t(index.row())].cells[Change].empty();
  const bool can = index.column() == Condition || (index.column() == Change && changes);
  return can ? out | Qt::ItemIsEditable : out;
}

std::vector<FlowRow> StepsModel::rowsFor(const QModelIndex& index) const {
  std::vector<FlowRow> out{rows_[size_t(index.row())]};
  if (!picks_ || !picks_->isSelected(index)) return out;
  for (const QModelIndex& each : picks_->selectedIndexes())
    if (each.column() == index.column() && each.row() != index.row() &&
        (flags(each) & Qt::ItemIsEditable))
      out.push_back(rows_[size_t(each.row())]);
  return out;
}

bool StepsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || size_t(index.row()) >= rows_.size()) return false;
  const std::string text = fromQt(value.toString().trimmed());
  std::vector<ActionPlace> places;
  for (const FlowRow& row : rowsFor(index)) places.push_back({row.screen, row.item, row.at});
  if (index.column() == Change) {
    const auto form = parseChangeWord(text);
    if (!form) {
      work_.tell(tr("expected: as the screens say, at once, fade, slide or grow"), true);
      return false;
    }
    return work_.perform(changeForms(places, *form));
  }
  const auto formula = withIds(work_.project(), text, places.front().screen);
  const auto read =
      formula ? readCondition(work_.project(), *formula) : tl::unexpected(formula.error());
  if (!read) {
    work_.tell(tr("This condition cannot be read: %1").arg(toQt(read.error().text())), true);
    return false;
  }
  return work_.perform(
      changeActions("change conditions", places, [it = *formula](Action& a) { a.when = it; }));
}

}  // namespace bristle
