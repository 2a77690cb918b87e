#include "desktop/flow/values_model.h"

#include <algorithm>

#include "core/derive/action_words.h"
#include "core/edit/value_edits.h"
#include "desktop/view/typed_number.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QString joined(const std::vector<std::string>& all) {
  QStringList out;
  for (const std::string& each : all) out << toQt(each);
  return out.join(QStringLiteral(", "));
}

QString sortName(ValueSort sort) {
  return sort == ValueSort::Flag     ? QObject::tr("flag")
         : sort == ValueSort::Choice ? QObject::tr("choice")
                                     : QObject::tr("number");
}

// A number, a yes or no, or an option's name.
std::optional<double> numberOf(const ProjectValue& value, const QString& text) {
  const std::string word = fromQt(text.trimmed());
  if (value.sort == ValueSort::Flag) {
    if (word == "yes" || word == "no") return word == "yes" ? 1 : 0;
  }
  for (size_t i = 0; i < value.options.size(); ++i)
    if (value.options[i] == word) return double(i);
  return typedNumber(text, {});
}

}  // namespace

ValuesModel::ValuesModel(Work& work, QObject* parent) : QAbstractTableModel(parent), work_(work) {}

void ValuesModel::refresh() {
  beginResetModel();
  values_ = work_.project().values;
  uses_.clear();
  for (const ProjectValue& each : values_) uses_.push_back(usesOf(work_.project(), each.id));
  endResetModel();
}

int ValuesModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(values_.size());
}

int ValuesModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(Columns);
}

QVariant ValuesModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (role != Qt::DisplayRole || orientation != Qt::Horizontal) return {};
  const QString names[] = {tr("Name"), tr("Kind"),    tr("Starts at"), tr("Least"),   tr("Most"),
                           tr("Step"), tr("Options"), tr("Set by"),    tr("Asked by")};
  return names[section];
}

bool ValuesModel::applies(const ProjectValue& value, int column) const {
  if (column == Least || column == Most || column == Step) return value.sort == ValueSort::Number;
  return column != Options || value.sort == ValueSort::Choice;
}

QVariant ValuesModel::data(const QModelIndex& index, int role) const {
  const bool shown = role == Qt::DisplayRole || role == Qt::EditRole || role == Qt::ToolTipRole;
  if (!shown || size_t(index.row()) >= values_.size()) return {};
  const ProjectValue& value = values_[size_t(index.row())];
  const ValueUses& uses = uses_[size_t(index.row())];
  if (!applies(value, index.column())) return QString();
  switch (index.column()) {
    case Name:
      return toQt(value.name);
    case Sort:
      return sortName(value.sort);
    case Start:
      return toQt(inWords(value, value.start));
    case Least:
      return value.least ? QString::number(*value.least) : QString();
    case Most:
      return value.most ? QString::number(*value.most) : QString();
    case Step:
      return QString::number(value.step);
    case Options:
      return joined(value.options);
    case SetBy:
      return uses.setBy.empty() ? tr("nothing") : joined(uses.setBy);
    default:
      return uses.askedBy.empty() ? tr("nothing") : joined(uses.askedBy);
  }
}

Qt::ItemFlags ValuesModel::flags(const QModelIndex& index) const {
  Qt::ItemFlags out = QAbstractTableModel::flags(index);
  const bool can = index.column() != Sort && index.column() < SetBy &&
                   size_t(index.row()) < values_.size() &&
                   applies(values_[size_t(index.row())], index.column());
  return can ? out | Qt::ItemIsEditable : out;
}

bool ValuesModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || size_t(index.row()) >= values_.size()) return false;
  const ProjectValue& was = values_[size_t(index.row())];
  const QString text = value.toString().trimmed();
  const bool limit = index.column() == Least || index.column() == Most;
  const auto number = limit || index.column() == Step ? typedNumber(text, {}) : numberOf(was, text);
  const bool needs =
      index.column() == Start || index.column() == Step || (limit && !text.isEmpty());
  if (needs && !number) {
    work_.tell(tr("expected a number, yes or no, or one of the options, not “%1”").arg(text), true);
    return false;
  }
  if (index.column() == Name && text.isEmpty()) return false;
  QStringList options = text.split(QLatin1Char(','), Qt::SkipEmptyParts);
  for (QString& each : options) each = each.trimmed();
  return work_.perform(
      changeValue(was.id, "change a value", {}, [=, column = index.column()](ProjectValue& v) {
        if (column == Name) v.name = fromQt(text);
        if (column == Start) v.start = *number;
        if (column == Least) v.least = number;
        if (column == Most) v.most = number;
        if (column == Step) v.step = *number;
        if (column != Options || options.isEmpty()) return;
        v.options.clear();
        for (const QString& each : options) v.options.push_back(fromQt(each));
      }));
}

}  // namespace bristle
