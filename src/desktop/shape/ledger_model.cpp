#include "desktop/shape/ledger_model.h"

#include <QColor>
#include <algorithm>

#include "paint/convert.h"

namespace bristle {
namespace {

// The one colour that stands for a value; none for what has no colour.
QVariant swatchOf(const Value& value) {
  if (const auto* colour = std::get_if<Colour>(&value)) return toQt(*colour);
  if (const auto* fill = std::get_if<Fill>(&value); fill && !fill->stops.empty())
    return toQt(fill->stops[0].colour);
  if (const auto* shadow = std::get_if<Shadow>(&value); shadow && shadow->colour.a)
    return toQt(shadow->colour);
  return {};
}

// In a cell a gradient is told by its swatch and its number of stops; the card tells it in full.
QString cellText(const Value& value) {
  if (const auto* fill = std::get_if<Fill>(&value); fill && fill->stops.size() > 1)
    return QObject::tr("%1 stops").arg(fill->stops.size());
  if (const auto* shadow = std::get_if<Shadow>(&value); shadow && shadow->colour.a)
    return QStringLiteral("%1 %2 %3").arg(shadow->dx).arg(shadow->dy).arg(shadow->blur);
  return toQt(toText(value));
}

}  // namespace

LedgerModel::LedgerModel(Work& work) : work_(work) {
  connect(&work, &Work::changed, this, [this](const Change& change) {
    if (change.kinds || change.machines) refresh(false);
  });
  connect(&work, &Work::pickedChanged, this, [this] { refresh(false); });
  refresh(true);
}

std::vector<LedgerModel::Row> LedgerModel::makeRows() const {
  std::vector<Row> out;
  const Kind* kind = work_.kind();
  if (!kind) return out;
  const auto addPart = [&](const PartId& id, const QString& name, PartType type) {
    out.push_back({{id, Prop::Shown}, name, true});
    for (const PropertyInfo& info : propertiesOf(type))
      out.push_back({{id, info.prop}, toQt(std::string(info.label)), false});
  };
  for (const Part& part : kind->parts)
    addPart(part.id, tr("%1 — %2").arg(toQt(part.name), toQt(std::string(nameOf(part.type)))),
            part.type);
  addPart({}, tr("Whole button"), PartType::Whole);
  return out;
}

void LedgerModel::refresh(bool all) {
  std::vector<Row> rows = makeRows();
  std::vector<StateId> states;
  if (const Machine* machine = work_.machine())
    for (const State& state : machine->states) states.push_back(state.id);
  const bool same =
      rows.size() == rows_.size() && states == states_ &&
      std::equal(rows.begin(), rows.end(), rows_.begin(), [](const Row& a, const Row& b) {
        return a.key == b.key && a.name == b.name && a.isBand == b.isBand;
      });
  if (same && !all) {
    if (!rows_.empty()) Q_EMIT dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
    return;
  }
  beginResetModel();
  rows_ = std::move(rows);
  states_ = std::move(states);
  endResetModel();
}

Column LedgerModel::columnAt(int column) const {
  if (column <= 0 || size_t(column) > states_.size()) return {};
  return states_[size_t(column) - 1];
}

int LedgerModel::columnOf(const Column& column) const {
  if (!column) return 0;
  for (size_t i = 0; i < states_.size(); ++i)
    if (states_[i] == *column) return static_cast<int>(i) + 1;
  return 0;
}

int LedgerModel::rowOf(const PropKey& key) const {
  for (size_t i = 0; i < rows_.size(); ++i)
    if (!rows_[i].isBand && rows_[i].key == key) return static_cast<int>(i);
  return -1;
}

int LedgerModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

int LedgerModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() || rows_.empty() ? 0 : static_cast<int>(states_.size()) + 1;
}

QVariant LedgerModel::data(const QModelIndex& index, int role) const {
  const Kind* kind = work_.kind();
  if (!index.isValid() || !kind) return {};
  const Row& row = rowAt(index.row());
  if (role == BandRole) return row.isBand;
  if (row.isBand) return role == Qt::DisplayRole && index.column() == 0 ? row.name : QVariant();
  const Column column = columnAt(index.column());
  const Value* own = nullptr;
  if (column) {
    const auto at = kind->departures.find(*column);
    if (at != kind->departures.end()) own = at->second.find(row.key);
    if (role == DepartsRole) return own != nullptr;
  }
  const Value value = own ? *own : baseValue(*kind, row.key);
  switch (role) {
    case Qt::DisplayRole:
      return !column || own ? cellText(value) : QStringLiteral("·");
    case Qt::EditRole:
      return toQt(toText(value));
    case SwatchRole:
      return !column || own ? swatchOf(value) : QVariant();
    case DepartsRole:
      return true;
    case Qt::AccessibleTextRole: {
      const QString where = headerData(index.column(), Qt::Horizontal, Qt::DisplayRole).toString();
      return tr("%1, %2: %3%4")
          .arg(row.name, where, toQt(toText(value)),
               column && !own ? tr(", follows the base") : QString());
    }
    default:
      return {};
  }
}

QVariant LedgerModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (role != Qt::DisplayRole) return {};
  if (orientation == Qt::Vertical) return rowAt(section).isBand ? QString() : rowAt(section).name;
  const Column column = columnAt(section);
  if (!column) return tr("base look");
  const Machine* machine = work_.machine();
  const State* state = machine ? findState(*machine, *column) : nullptr;
  return state ? toQt(state->name) : QString();
}

// What is typed into a picked cell goes to all the picked columns; into another, to that one alone.
bool LedgerModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || rowAt(index.row()).isBand) return false;
  const Column column = columnAt(index.column());
  const Picked& picked = work_.picked();
  const bool isPicked =
      picked.property == rowAt(index.row()).key &&
      std::find(picked.columns.begin(), picked.columns.end(), column) != picked.columns.end();
  return setLookFromText(work_, isPicked ? picked.columns : std::vector{column},
                         rowAt(index.row()).key, value.toString());
}

Qt::ItemFlags LedgerModel::flags(const QModelIndex& index) const {
  if (!index.isValid() || rowAt(index.row()).isBand) return Qt::NoItemFlags;
  return Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable;
}

bool setLookFromText(Work& work, const std::vector<Column>& columns, const PropKey& key,
                     const QString& text) {
  const Kind* kind = work.kind();
  const PartType* type = kind ? partType(*kind, key.part) : nullptr;
  const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
  if (!info) return false;
  std::string expected;
  const auto value = parseValue(fromQt(text.trimmed()), info->start, &expected);
  if (!value) {
    work.tell(QObject::tr("“%1” is not taken; expected %2.").arg(text, toQt(expected)), true);
    return false;
  }
  return work.perform(setLook(kind->id, columns, key, *value));
}

}  // namespace bristle
