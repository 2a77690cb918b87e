#include "desktop/flow/steps_page.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLineEdit>
#include <QPushButton>
#include <QSaveFile>
#include <QSortFilterProxyModel>
#include <QTableView>
#include <QVBoxLayout>

#include "desktop/flow/steps_model.h"
#include "desktop/view/ask_file.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
StepsPage::StepsPage(Work& work, QWidget* parent)
    : QWidget(parent), work_(work), model_(new StepsModel(work, this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 4, 12, 10);
  auto* line = new QHBoxLayout;
  find_ = new QLineEdit;
  find_->setAccessibleName(tr("Find a step"));
  find_->setPlaceholderText(tr("Find"));
  find_->setClearButtonEnabled(true);
  find_->setMaximumWidth(260);
  line->addWidget(find_);
  line->addStretch();
  auto* out = new QPushButton(tr("Export…"));
  out->setAutoDefault(true);
  out->setAccessibleName(tr("Export the steps as a table"));
  line->addWidget(out);
  column->addLayout(line);
  found_ = new QSortFilterProxyModel(this);
  found_->setSourceModel(model_);
  found_->setFilterKeyColumn(-1);
  found_->setFilterCaseSensitivity(Qt::CaseInsensitive);
  table_ = new QTableView;
  table_->setAccessibleName(tr("Steps between screens"));
  table_->setModel(found_);
  table_->setSortingEnabled(true);
  table_->sortByColumn(-1, Qt::AscendingOrder);
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                          QAbstractItemView::AnyKeyPressed);
  table_->setTabKeyNavigation(false);
  // Cells are picked in the filtered table; the model is told in its own rows.
  auto* picks = new QItemSelectionModel(model_, this);
  model_->setPicks(picks);
  connect(table_->selectionModel(), &QItemSelectionModel::selectionChanged, this, [this, picks] {
    picks->select(found_->mapSelectionToSource(table_->selectionModel()->selection()),
                  QItemSelectionModel::ClearAndSelect);
    pickCurrent();
  });
  column->addWidget(table_, 1);
  setFocusProxy(table_);
  connect(find_, &QLineEdit::textChanged, found_, &QSortFilterProxyModel::setFilterFixedString);
  connect(out, &QPushButton::clicked, this, [this] {
    const QString path =
        askWhereToSave(this, tr("Export the steps"), work_.folder() + QStringLiteral("/flow.csv"),
                       tr("Tables (*.csv)"), QStringLiteral(".csv"), work_.file());
    if (!path.isEmpty()) exportTo(path);
  });
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void StepsPage::refresh() {
  // Only where something else stands in it: what is picked there stays.
  if (flowRows(work_.project()).size() == size_t(model_->rowCount()) && isVisible()) {
    bool same = true;
    const auto now = flowRows(work_.project());
    for (int i = 0; i < model_->rowCount(); ++i)
      same = same && now[size_t(i)].cells == model_->at(i).cells &&
             now[size_t(i)].item == model_->at(i).item;
    if (same) return;
  }
  const QModelIndex at = table_->currentIndex();
  const int row = at.row(), cell = at.column();
  model_->refresh();
  if (row >= 0 && row < found_->rowCount()) table_->setCurrentIndex(found_->index(row, cell));
}

void StepsPage::pickCurrent() {
  const QModelIndex at = found_->mapToSource(table_->currentIndex());
  if (!at.isValid() || !isVisible()) return;
  const FlowRow& row = model_->at(at.row());
  if (!(work_.picked().screen == row.screen)) work_.pickScreen(row.screen);
  work_.pickItems({row.item});
}

bool StepsPage::exportTo(const QString& path) {
  QSaveFile file(path);
  const QByteArray text = QByteArray::fromStdString(flowTable(work_.project()));
  const bool done =
      file.open(QIODevice::WriteOnly) && file.write(text) == text.size() && file.commit();
  work_.tell(done ? tr("Wrote %1").arg(path) : tr("%1: %2").arg(path, file.errorString()), !done);
  return done;
}

}  // namespace bristle
