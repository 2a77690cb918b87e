#include "desktop/flow/values_page.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableView>
#include <QVBoxLayout>

#include "core/edit/value_edits.h"
#include "desktop/flow/values_model.h"
#include "desktop/work/while_seen.h"
#include "desktop/work/work.h"

namespace bristle {

ValuesPage::ValuesPage(Work& work, QWidget* parent)
    : QWidget(parent), work_(work), model_(new ValuesModel(work, this)) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 4, 12, 10);
  auto* line = new QHBoxLayout;
  const auto button = [&](const QString& name, auto done) {
    auto* out = new QPushButton(name);
    out->setAutoDefault(true);
    out->setAccessibleName(name);
    connect(out, &QPushButton::clicked, this, done);
    line->addWidget(out);
    return out;
  };
  const auto add = [this](const char* name, ValueSort sort) {
    if (!work_.perform(addValue(name, sort))) return;
    const QModelIndex at = model_->index(model_->rowCount() - 1, ValuesModel::Name);
    table_->setCurrentIndex(at);
    table_->setFocus();
    table_->edit(at);
  };
  button(tr("Add a flag"), [add] { add("flag", ValueSort::Flag); });
  button(tr("Add a number"), [add] { add("number", ValueSort::Number); });
  button(tr("Add a choice"), [add] { add("choice", ValueSort::Choice); });
  line->addStretch();
  remove_ = button(tr("Remove the value"), [this] { removePicked(); });
  column->addLayout(line);
  table_ = new QTableView;
  table_->setAccessibleName(tr("Values of the project"));
  table_->setModel(model_);
  table_->setSelectionBehavior(QAbstractItemView::SelectItems);
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(ValuesModel::AskedBy, QHeaderView::Stretch);
  table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                          QAbstractItemView::AnyKeyPressed);
  table_->setTabKeyNavigation(false);
  none_ = new QLabel(tr(
      "No values yet. A flag, a number or a choice is set by buttons, machines and the game, and "
      "asked for by conditions: when something is shown, enabled or done."));
  none_->setWordWrap(true);
  none_->setProperty("quiet", true);
  column->addWidget(none_);
  column->addWidget(table_, 1);
  setFocusProxy(table_);
  new WhileSeen(work, this, [this] { refresh(); });
  refresh();
}

void ValuesPage::refresh() {
  const QModelIndex at = table_->currentIndex();
  model_->refresh();
  remove_->setEnabled(model_->rowCount() > 0);
  none_->setVisible(model_->rowCount() == 0);
  if (at.isValid() && at.row() < model_->rowCount())
    table_->setCurrentIndex(model_->index(at.row(), at.column()));
}

void ValuesPage::removePicked() {
  const int row = table_->currentIndex().row();
  if (row < 0 || size_t(row) >= work_.project().values.size())
    return work_.tell(tr("Pick the value that is to go"), true);
  work_.perform(removeValue(work_.project().values[size_t(row)].id));
}

}  // namespace bristle
