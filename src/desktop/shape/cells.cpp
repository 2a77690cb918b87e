#include "desktop/shape/cells.h"

#include <algorithm>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

// Columns or rows in the order in which they stand, not in which they were picked.
std::vector<int> places(const LedgerModel& model, const std::vector<Column>& columns) {
  std::vector<int> out;
  for (const Column& column : columns) out.push_back(model.columnOf(column));
  std::sort(out.begin(), out.end());
  return out;
}

std::vector<int> places(const LedgerModel& model, const std::vector<PropKey>& rows) {
  std::vector<int> out;
  for (const PropKey& row : rows)
    if (const int at = model.rowOf(row); at >= 0) out.push_back(at);
  std::sort(out.begin(), out.end());
  return out;
}

}  // namespace

QString copiedCells(const Work& work, const LedgerModel& model) {
  QStringList lines;
  for (int row : places(model, work.picked().rows)) {
    QStringList cells;
    for (int column : places(model, work.picked().columns)) {
      const QModelIndex index = model.index(row, column);
      cells << (model.data(index, LedgerModel::DepartsRole).toBool()
                    ? model.data(index, Qt::EditRole).toString()
                    : QString());
    }
    lines << cells.join(QLatin1Char('\t'));
  }
  return lines.join(QLatin1Char('\n'));
}

bool pasteCells(Work& work, const LedgerModel& model, const QString& text) {
  if (!work.kind() || text.isEmpty()) return false;
  QString plain = text;
  if (plain.endsWith(QLatin1Char('\n'))) plain.chop(1);
  const QStringList lines = plain.split(QLatin1Char('\n'));
  if (lines.size() == 1 && !lines[0].contains(QLatin1Char('\t')))
    return setLookFromText(work, work.picked().columns, work.picked().rows, lines[0]);
  const auto rows = places(model, work.picked().rows);
  const auto columns = places(model, work.picked().columns);
  if (rows.empty() || columns.empty()) return false;
  const Naming names = naming(work.project());
  std::vector<CellChange> cells;
  int row = rows.front() - 1;
  for (const QString& line : lines) {
    // Bands between two parts take nothing.
    do ++row;
    while (row < model.rowCount() && model.rowAt(row).isBand);
    if (row >= model.rowCount()) break;
    const PropKey key = model.rowAt(row).key;
    const PropertyInfo* info = infoOf(work, key);
    int column = columns.front();
    for (const QString& cell : line.split(QLatin1Char('\t'))) {
      if (column >= model.columnCount() || !info) break;
      CellChange change{model.columnAt(column++), key, {}};
      if (!cell.trimmed().isEmpty()) {
        std::string expected;
        change.value = parseValue(fromQt(cell.trimmed()), info->start, &expected, &names);
        if (!change.value) {
          work.tell(QObject::tr("“%1” does not go into %2; expected %3. Nothing is pasted.")
                        .arg(cell, model.rowAt(row).name, toQt(expected)),
                    true);
          return false;
        }
      }
      cells.push_back(std::move(change));
    }
  }
  return work.perform(changeCells(work.lookOwner(), std::move(cells), "paste cells"));
}

void clearCells(Work& work) {
  if (!work.kind()) return;
  std::vector<CellChange> cells;
  for (const PropKey& row : work.picked().rows)
    for (const Column& column : work.picked().columns) cells.push_back({column, row, {}});
  work.perform(changeCells(work.lookOwner(), std::move(cells),
                           work.ownLook() ? "back to the kind" : "back to base"));
}

void carrySideways(Work& work, const PropKey& row, const Column& from,
                   const std::vector<Column>& to) {
  const Kind* kind = work.kind();
  if (!kind) return;
  const Value value = valueIn(*kind, work.ownLook(), from, row);
  std::vector<CellChange> cells;
  for (const Column& column : to)
    if (column != from) cells.push_back({column, row, value});
  if (!cells.empty())
    work.perform(changeCells(work.lookOwner(), std::move(cells), "carry sideways"));
}

void turnCells(Work& work) {
  const Kind* kind = work.kind();
  if (!kind || work.picked().columns.empty()) return;
  const Naming names = naming(work.project());
  std::vector<CellChange> cells;
  for (const PropKey& row : work.picked().rows) {
    const PropertyInfo* info = infoOf(work, row);
    if (!info) continue;
    Value next =
        settled(valueIn(*kind, work.ownLook(), work.picked().columns.front(), row), *info, names);
    if (auto* flag = std::get_if<bool>(&next)) {
      *flag = !*flag;
    } else if (auto* text = std::get_if<std::string>(&next); text && !info->choices.empty()) {
      const QStringList all = toQt(std::string(info->choices)).split(QLatin1Char('|'));
      *text = fromQt(all[(all.indexOf(toQt(*text)) + 1) % all.size()]);
    } else {
      continue;
    }
    for (const Column& column : work.picked().columns) cells.push_back({column, row, next});
  }
  if (!cells.empty()) work.perform(changeCells(work.lookOwner(), std::move(cells), "change look"));
}

void stepCells(Work& work, double steps) {
  const Kind* kind = work.kind();
  if (!kind) return;
  const Naming names = naming(work.project());
  std::vector<CellChange> cells;
  std::string merge = "step";
  for (const PropKey& row : work.picked().rows) {
    const PropertyInfo* info = infoOf(work, row);
    if (!info || info->step <= 0) continue;
    const double add = steps * info->step;
    const auto moved = [&](double v) {
      return std::clamp(std::round((v + add) * 1000) / 1000, info->least, info->most);
    };
    for (const Column& column : work.picked().columns) {
      const Value now = settled(valueIn(*kind, work.ownLook(), column, row), *info, names);
      if (const auto* number = std::get_if<double>(&now))
        cells.push_back({column, row, moved(*number)});
      if (const auto* four = std::get_if<Four>(&now))
        cells.push_back(
            {column, row, Four{moved(four->a), moved(four->b), moved(four->c), moved(four->d)}});
      merge += " " + row.part.text + std::to_string(int(row.prop)) + (column ? column->text : "");
    }
  }
  if (!cells.empty())
    work.perform(changeCells(work.lookOwner(), std::move(cells), "change look", merge));
}

}  // namespace bristle
