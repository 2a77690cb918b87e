#include "desktop/place/words_model.h"

#include <QBrush>

#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

WordsModel::WordsModel(Work& work, QObject* parent)
    : QAbstractTableModel(parent), work_(work), project_(work.project()) {
  words_ = allWords(project_);
  count();
}

void WordsModel::refresh(const QColor& missing) {
  missingColour_ = missing;
  const auto keys = [](const std::vector<Words>& all) {
    std::vector<std::string> out;
    for (const Words& each : all) out.push_back(each.key);
    return out;
  };
  const auto before = keys(words_);
  const size_t languages = project_.languages.size();
  Project now = work_.project();
  auto words = allWords(now);
  const bool same = keys(words) == before && now.languages.size() == languages;
  if (!same) beginResetModel();
  // Words point into the project's parts, which are shared: they stay where they are.
  words_ = std::move(words);
  project_ = std::move(now);
  count();
  if (!same) return endResetModel();
  if (!words_.empty())
    Q_EMIT dataChanged(index(0, 0), index(int(words_.size()) - 1, int(languages)));
  Q_EMIT headerDataChanged(Qt::Horizontal, 0, int(languages));
}

bool WordsModel::isMissing(int row, size_t language) const {
  return !hasWords(project_.languages, *words_[size_t(row)].text, project_.languages[language].id);
}

void WordsModel::count() {
  missing_.assign(project_.languages.size(), 0);
  for (size_t language = 0; language < missing_.size(); ++language)
    for (int row = 0; row < int(words_.size()); ++row)
      missing_[language] += isMissing(row, language);
}

int WordsModel::rowCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(words_.size());
}
int WordsModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(project_.languages.size()) + 1;
}

QVariant WordsModel::data(const QModelIndex& index, int role) const {
  const Words& words = words_[size_t(index.row())];
  if (role == kMissing) {
    for (size_t language = 1; language < project_.languages.size(); ++language)
      if (isMissing(index.row(), language)) return true;
    return false;
  }
  if (index.column() == 0)
    return role == Qt::DisplayRole || role == Qt::ToolTipRole ? toQt(words.where) : QVariant();
  const auto language = size_t(index.column()) - 1;
  const bool none = isMissing(index.row(), language);
  if (role == Qt::DisplayRole || role == Qt::EditRole) {
    if (none) return role == Qt::EditRole ? QString() : tr("missing");
    return toQt(wordsIn(project_.languages, *words.text, project_.languages[language].id));
  }
  if (role == Qt::ForegroundRole && none) return QBrush(missingColour_);
  if (role == Qt::TextAlignmentRole && project_.languages[language].rightToLeft)
    return int(Qt::AlignRight | Qt::AlignVCenter);
  return {};
}

QVariant WordsModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (role != Qt::DisplayRole || orientation != Qt::Horizontal) return {};
  if (section == 0) return tr("Where");
  const Language& language = project_.languages[size_t(section) - 1];
  const int none = missing_[size_t(section) - 1];
  const QString name = toQt(language.name.empty() ? language.tag : language.name);
  return none == 0 ? name : tr("%1 · %2 missing").arg(name).arg(none);
}

bool WordsModel::setData(const QModelIndex& index, const QVariant& value, int role) {
  if (role != Qt::EditRole || index.column() == 0) return false;
  const LanguageId language = project_.languages[size_t(index.column()) - 1].id;
  const std::string words = fromQt(value.toString().trimmed());
  const std::string& key = words_[size_t(index.row())].key;
  if (!words.empty())
    return work_.perform(writeWords(language, {{key, {}, words}}, "change words"));
  const bool none = isMissing(index.row(), size_t(index.column()) - 1);
  return !none && work_.perform(clearWords(language, key));
}

Qt::ItemFlags WordsModel::flags(const QModelIndex& index) const {
  const auto out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
  return index.column() == 0 ? out : out | Qt::ItemIsEditable;
}

}  // namespace bristle
