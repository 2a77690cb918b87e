#include "desktop/place/words_page.h"

#include <QFileDialog>
#include <QHeaderView>
#include <QSaveFile>
#include <QShortcut>
#include <vector>

#include "core/edit/language_edits.h"
#include "core/formats/words_file.h"
#include "desktop/view/ask_file.h"
#include "desktop/view/text_file.h"
#include "desktop/work/theme.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
namespace {

// Rows in which the text is in some column; only those with missing words where that is wanted.
class FoundWords : public QSortFilterProxyModel {
 public:
  using QSortFilterProxyModel::QSortFilterProxyModel;
  // What is missing when this is called: a row that gets its words meanwhile stays, so that nothing
  // moves away under who writes them.
  void onlyMissing(bool on) {
    only_ = on;
    missing_.clear();
    for (int row = 0; on && row < sourceModel()->rowCount(); ++row)
      missing_.push_back(isMissing(row));
    invalidateFilter();
  }

 protected:
  bool filterAcceptsRow(int row, const QModelIndex& parent) const override {
    const bool was = size_t(row) < missing_.size() && missing_[size_t(row)];
    if (only_ && !was && !isMissing(row)) return false;
    return QSortFilterProxyModel::filterAcceptsRow(row, parent);
  }

 private:
  bool isMissing(int row) const {
    return sourceModel()->index(row, 0).data(WordsModel::kMissing).toBool();
  }
  bool only_ = false;
  std::vector<bool> missing_;  // by row of all
};

bool isPo(const QString& path) {
  return path.endsWith(QStringLiteral(".po"), Qt::CaseInsensitive) ||
         path.endsWith(QStringLiteral(".pot"), Qt::CaseInsensitive);
}

}  // namespace

WordsPage::WordsPage(Work& work, QWidget* parent)
    : Page(tr("Words"), tr("All captions, names and descriptions, in all languages."), parent,
           tr("Back to the canvas")),
      work_(work),
      model_(new WordsModel(work, this)) {
  find_ = new QLineEdit;
  find_->setAccessibleName(tr("Find words"));
  find_->setPlaceholderText(tr("Find"));
  find_->setMinimumWidth(180);
  find_->setClearButtonEnabled(true);
  onlyMissing_ = new QCheckBox(tr("Only what is missing"));
  onlyMissing_->setAccessibleName(onlyMissing_->text());
  auto* in = button(tr("Import…"));
  auto* out = button(tr("Export…"));
  auto* pretend = button(tr("Write pretend words"));
  pretend->setToolTip(
      tr("A language 40 % longer, with accents: shows what is cut and what was left out"));
  row({find_, onlyMissing_, in, out, pretend});
  auto* found = new FoundWords(this);
  found_ = found;
  found_->setSourceModel(model_);
  found_->setFilterKeyColumn(-1);
  found_->setFilterCaseSensitivity(Qt::CaseInsensitive);
  table_ = new QTableView;
  table_->setAccessibleName(tr("Words in all languages"));
  table_->setModel(found_);
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                          QAbstractItemView::AnyKeyPressed);
  // Enter goes on to the word below.
  connect(table_->itemDelegate(), &QAbstractItemDelegate::closeEditor, this,
          [this](QWidget*, QAbstractItemDelegate::EndEditHint hint) {
            const QModelIndex at = table_->currentIndex(), next = at.siblingAtRow(at.row() + 1);
            if (hint == QAbstractItemDelegate::SubmitModelCache && next.isValid())
              table_->setCurrentIndex(next);
          });
  auto* clear = new QShortcut(QKeySequence::Delete, table_, nullptr, nullptr, Qt::WidgetShortcut);
  connect(clear, &QShortcut::activated, this,
          [this] { found_->setData(table_->currentIndex(), QString()); });
  body()->addWidget(table_, 1);
  setFocusProxy(table_);
  connect(find_, &QLineEdit::textChanged, found_, &QSortFilterProxyModel::setFilterFixedString);
  connect(model_, &QAbstractItemModel::modelReset, this,
          [this, found] { found->onlyMissing(onlyMissing_->isChecked()); });
  connect(onlyMissing_, &QCheckBox::toggled, this, [found](bool on) { found->onlyMissing(on); });
  connect(in, &QPushButton::clicked, this, [this] { ask(true); });
  connect(out, &QPushButton::clicked, this, [this] { ask(false); });
  connect(pretend, &QPushButton::clicked, this, [this] { work_.perform(pretendLanguage()); });
  new WhileSeen(work, this, [this] { model_->refresh(themeOf(this).wrong); });
}

void WordsPage::ask(bool import) {
  const QString kinds = tr("Tables and message catalogues (*.csv *.po);;All files (*)");
  if (import) {
    const QString path =
        QFileDialog::getOpenFileName(this, tr("Import words"), work_.folder(), kinds);
    if (!path.isEmpty()) importWords(path);
    return;
  }
  const QString path = QFileDialog::getSaveFileName(
      this, tr("Export words"), work_.folder() + QStringLiteral("/words.csv"), kinds);
  if (!path.isEmpty()) exportWords(path);
}

bool WordsPage::importWords(const QString& path) {
  QString why;
  const auto text = textOf(path, &why);
  if (!text) {
    work_.tell(why, true);
    return false;
  }
  return isPo(path) ? importPo(*text) : importTable(*text);
}

bool WordsPage::importPo(const QString& text) {
  const LanguageId to = work_.language().id;
  if (to == work_.project().languages.front().id) {
    work_.tell(tr("A catalogue is of one language: show that one first, on the screen's card"),
               true);
    return false;
  }
  const auto words = readPo(fromQt(text));
  if (!words) {
    work_.tell(toQt(words.error().text()), true);
    return false;
  }
  const WordsDone would = wouldWrite(work_.project(), *words);
  if (!work_.perform(writeWords(to, *words, "import words"))) return false;
  work_.tell(tr("%1 written; %2 of them for older words, %3 of buttons that are not here")
                 .arg(would.written)
                 .arg(would.older)
                 .arg(would.unknown));
  return true;
}

bool WordsPage::importTable(const QString& text) {
  const auto read = readWordsTable(work_.project(), fromQt(text));
  if (!read) {
    work_.tell(toQt(read.error().text()), true);
    return false;
  }
  WordsDone done;
  Edit all{"import words", {}, [read = *read](Project after) -> Result<Project> {
             for (const auto& [language, words] : read) {
               auto written = writeWords(language, words, {}).apply(after);
               if (!written) return written;
               after = std::move(*written);
             }
             return after;
           }};
  for (const auto& each : *read) {
    const WordsDone would = wouldWrite(work_.project(), each.second);
    done.written += would.written;
    done.unknown = std::max(done.unknown, would.unknown);
  }
  if (!work_.perform(all)) return false;
  work_.tell(tr("%1 read; %2 of buttons that are not here").arg(done.written).arg(done.unknown));
  return true;
}

bool WordsPage::exportWords(const QString& path) {
  QSaveFile file(path);
  const std::string text =
      isPo(path) ? writePo(work_.project(), work_.language().id) : writeWordsTable(work_.project());
  const bool done = !isSameFile(path, work_.file()) && file.open(QIODevice::WriteOnly) &&
                    file.write(text.data(), qint64(text.size())) == qint64(text.size()) &&
                    file.commit();
  work_.tell(done ? tr("Written: %1").arg(path) : tr("%1 cannot be written").arg(path), !done);
  return done;
}

}  // namespace bristle
