#include "desktop/shape/ledger_model.h"

#include <QColor>
#include <algorithm>

#include "core/edit/kind_edits.h"
#include "desktop/view/refused.h"
#include "desktop/work/work.h"
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
QString cellText(const Value& value, const Naming& names) {
  if (const auto* fill = std::get_if<Fill>(&value); fill && fill->stops.size() > 1)
    return QObject::tr("%1 stops").arg(fill->stops.size());
  if (const auto* shadow = std::get_if<Shadow>(&value); shadow && shadow->colour.a)
    return QStringLiteral("%1 %2 %3").arg(shadow->dx).arg(shadow->dy).arg(shadow->blur);
  return toQt(toText(value, &names));
}

bool isNamed(const Value& value) {
  bool named = false;
  eachName(value, [&](const NamedId&) { named = true; });
  return named;
}

}  // namespace

LedgerModel::LedgerModel(Work& work) : work_(work) {
  connect(&work, &Work::changed, this, [this](const Change& change) {
    // Screens hold values only of a button that is edited alone.
    if (change.kinds || change.machines || work_.ownLook()) refresh(false, true);
  });
  connect(&work, &Work::pickedChanged, this, [this] { refresh(false); });
  refresh(true);
}

std::vector<LedgerModel::Row> LedgerModel::makeRows() const {
  std::vector<Row> out;
  const Kind* kind = work_.kind();
  if (!kind) return out;
  const OwnLook* own = work_.ownLook();
  const auto isSet = [&](const PropKey& key) {
    const auto in = [&](const auto& look) {
      if (look.base.find(key)) return true;
      return std::any_of(look.departures.begin(), look.departures.end(),
                         [&](const auto& entry) { return entry.second.find(key) != nullptr; });
    };
    return in(*kind) || (own && in(*own));
  };
  const auto addPart = [&](const PartId& id, const QString& name, PartType type) {
    const size_t band = out.size();
    out.push_back({{id, Prop::Shown}, name, true, 0});
    for (const PropertyInfo& info : propertiesOf(type)) {
      const PropKey key{id, info.prop};
      if (!info.basic && !unfolded_.contains(id) && !isSet(key) && key != work_.picked().property)
        ++out[band].folded;
      else
        out.push_back({key, toQt(std::string(info.label)), false, 0});
    }
  };
  for (const Part& part : kind->parts)
    addPart(part.id, tr("%1 — %2").arg(toQt(part.name), toQt(std::string(nameOf(part.type)))),
            part.type);
  addPart({}, tr("Whole button"), PartType::Whole);
  return out;
}

void LedgerModel::toggleFold(const PartId& part) {
  if (!unfolded_.erase(part)) unfolded_.insert(part);
  refresh(true);
}

// Only values that were set on the kind itself since: then the other rows look as they did.
bool LedgerModel::onlyValuesChanged(const Kind** before) const {
  const Project& now = work_.project();
  const Kind* kind = work_.kind();
  if (!shown_ || !kind || work_.ownLook() || !shown_->named.same(now.named) ||
      shown_->settings.darkSet != now.settings.darkSet)
    return false;
  *before = bristle::find(*shown_, kind->id);
  return *before != nullptr;
}

void LedgerModel::tellChanged(bool edited) {
  const Kind* before = nullptr;
  const bool few = edited && onlyValuesChanged(&before);
  const Kind& now = *work_.kind();
  const auto differs = [&](const Column& column, const PropKey& key) {
    const Value *was = ownValue(*before, column, key), *is = ownValue(now, column, key);
    return was && is ? !(*was == *is) : was != is;
  };
  // One by one: told of a range, the view paints all it has again.
  for (int row = 0; row < rowCount() && few; ++row)
    for (int column = 0; column < columnCount(); ++column)
      if (differs(columnAt(column), rowAt(row).key))
        Q_EMIT dataChanged(index(row, column), index(row, column));
  if (!few) Q_EMIT dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
}

void LedgerModel::refresh(bool all, bool edited) {
  std::vector<Row> rows = makeRows();
  std::vector<StateId> states;
  if (const Machine* machine = work_.machine())
    for (const State& state : machine->states) states.push_back(state.id);
  const bool same =
      rows.size() == rows_.size() && states == states_ &&
      std::equal(rows.begin(), rows.end(), rows_.begin(), [](const Row& a, const Row& b) {
        return a.key == b.key && a.name == b.name && a.isBand == b.isBand && a.folded == b.folded;
      });
  if (same && !all) {
    if (!rows_.empty()) tellChanged(edited);
    shown_ = work_.project();
    return;
  }
  beginResetModel();
  rows_ = std::move(rows);
  states_ = std::move(states);
  endResetModel();
  shown_ = work_.project();
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
  const OwnLook* button = work_.ownLook();
  const Value* mine = button ? ownValue(*button, column, row.key) : nullptr;
  const Value* set = mine ? mine : ownValue(*kind, column, row.key);
  const Naming names = naming(work_.project());
  const Value value = set ? *set : valueIn(*kind, button, column, row.key);
  const bool shown = !column || set;
  switch (role) {
    case Qt::DisplayRole:
      return shown ? cellText(value, names) : QStringLiteral("·");
    case Qt::EditRole:
      return toQt(toText(value, &names));
    case SwatchRole:
      return shown ? swatchOf(settled(value, *infoOf(work_, row.key), names)) : QVariant();
    case DepartsRole:
      return shown;
    case NamedRole:
      return shown && isNamed(value);
    case OwnRole:
      return mine != nullptr;
    case Qt::AccessibleTextRole: {
      const QString where = headerData(index.column(), Qt::Horizontal, Qt::DisplayRole).toString();
      return tr("%1, %2: %3%4")
          .arg(row.name, where, toQt(toText(value, &names)),
               shown ? QString() : tr(", follows the base"));
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

// What is typed into a picked cell goes to all the picked cells; into another, to that one alone.
bool LedgerModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || rowAt(index.row()).isBand) return false;
  const Column column = columnAt(index.column());
  const PropKey key = rowAt(index.row()).key;
  const Picked& picked = work_.picked();
  const auto has = [](const auto& list, const auto& one) {
    return std::find(list.begin(), list.end(), one) != list.end();
  };
  if (!has(picked.rows, key) || !has(picked.columns, column))
    return setLookFromText(work_, {column}, {key}, value.toString());
  std::vector<PropKey> rows{key};
  for (const PropKey& row : picked.rows)
    if (row != key) rows.push_back(row);
  return setLookFromText(work_, picked.columns, rows, value.toString());
}

Qt::ItemFlags LedgerModel::flags(const QModelIndex& index) const {
  if (!index.isValid() || rowAt(index.row()).isBand) return Qt::NoItemFlags;
  return Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsEditable;
}

const PropertyInfo* infoOf(const Work& work, const PropKey& key) {
  const Kind* kind = work.kind();
  const PartType* type = kind ? partType(*kind, key.part) : nullptr;
  return type ? findProperty(*type, key.prop) : nullptr;
}

bool setLookFromText(Work& work, const std::vector<Column>& columns,
                     const std::vector<PropKey>& rows, const QString& text) {
  const PropertyInfo* info = rows.empty() ? nullptr : infoOf(work, rows.front());
  if (!info) return false;
  std::string expected;
  const Naming names = naming(work.project());
  const auto value = parseValue(fromQt(text.trimmed()), info->start, &expected, &names);
  if (!value) {
    tellRefused(work, text, expected);
    return false;
  }
  if (rows.size() == 1) return work.perform(setLook(work.lookOwner(), columns, rows[0], *value));
  std::vector<CellChange> cells;
  for (const PropKey& row : rows) {
    const PropertyInfo* other = infoOf(work, row);
    if (!other || other->start.index() != info->start.index()) continue;
    for (const Column& column : columns) cells.push_back({column, row, *value});
  }
  return work.perform(changeCells(work.lookOwner(), std::move(cells), "change looks"));
}

}  // namespace bristle
