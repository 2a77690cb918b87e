#include "desktop/shape/ledger.h"

#include <QHeaderView>
#include <QKeyEvent>
#include <QPainter>
#include <algorithm>

#include "desktop/frame/theme.h"
#include "desktop/shape/wall.h"

namespace bristle {
namespace {

constexpr int kNameWidth = 116;  // px of the base column taken by the property's name
constexpr int kBaseWidth = 232;

class CellDelegate : public QStyledItemDelegate {
 public:
  CellDelegate(Work& work, LedgerModel& model)
      : QStyledItemDelegate(&model), work_(work), model_(model) {}

  void paint(QPainter* p, const QStyleOptionViewItem& option,
             const QModelIndex& index) const override {
    const Theme& t = theme();
    const QRect r = option.rect;
    if (index.data(LedgerModel::BandRole).toBool()) {
      p->fillRect(r, t.band);
      QFont bold = option.font;
      bold.setWeight(QFont::DemiBold);
      p->setFont(bold);
      p->setPen(t.ink);
      p->drawText(r.adjusted(14, 0, -8, 0), Qt::AlignLeft | Qt::AlignVCenter,
                  index.data(Qt::DisplayRole).toString());
      return;
    }
    const Column column = model_.columnAt(index.column());
    const auto& picked = work_.picked();
    const bool columnPicked =
        std::find(picked.columns.begin(), picked.columns.end(), column) != picked.columns.end();
    const bool rowPicked = model_.rowAt(index.row()).key == picked.property;
    p->fillRect(r, columnPicked ? t.tint : t.chrome);
    p->setPen(t.line);
    p->drawLine(r.bottomLeft(), r.bottomRight());
    const bool departs = index.data(LedgerModel::DepartsRole).toBool();
    int x = r.x() + 10;
    if (!column) {  // the base column also carries the property's name
      p->setFont(option.font);
      p->setPen(t.quiet);
      p->drawText(r.adjusted(14, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter,
                  model_.rowAt(index.row()).name);
      x = r.x() + kNameWidth;
    }
    if (const QVariant swatch = index.data(LedgerModel::SwatchRole); swatch.isValid()) {
      const QRect box(x, r.center().y() - 6, 13, 13);
      p->fillRect(box, swatch.value<QColor>());
      p->setPen(t.quiet);
      p->drawRect(box.adjusted(0, 0, -1, -1));
      x += 20;
    }
    QFont font = option.font;
    if (departs && column) font.setWeight(QFont::DemiBold);
    p->setFont(font);
    p->setPen(departs ? t.ink : t.quiet);
    const QRect text(x, r.y(), r.right() - x - 6, r.height());
    const QString shown = index.data(Qt::DisplayRole).toString();
    p->drawText(departs ? text : r, departs ? Qt::AlignVCenter | Qt::AlignLeft : Qt::AlignCenter,
                QFontMetrics(font).elidedText(shown, Qt::ElideRight, text.width()));
    if (rowPicked && columnPicked) {
      p->setPen(QPen(t.accent, 2));
      p->drawRect(r.adjusted(1, 1, -1, -1));
    }
  }

  QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem& option,
                        const QModelIndex& index) const override {
    QWidget* editor = QStyledItemDelegate::createEditor(parent, option, index);
    editor->setAccessibleName(QObject::tr("Value"));
    return editor;
  }

  void updateEditorGeometry(QWidget* editor, const QStyleOptionViewItem& option,
                            const QModelIndex& index) const override {
    editor->setGeometry(option.rect.adjusted(index.column() == 0 ? kNameWidth - 8 : 0, 0, 0, 0));
  }

 private:
  Work& work_;
  LedgerModel& model_;
};

}  // namespace

Ledger::Ledger(Work& work, QWidget* parent) : QTableView(parent), work_(work), model_(work) {
  setModel(&model_);
  setHorizontalHeader(new Wall(work, model_, this));
  setItemDelegate(new CellDelegate(work, model_));
  setAccessibleName(tr("Ledger: the values of every state"));
  setShowGrid(false);
  setCornerButtonEnabled(false);
  setTabKeyNavigation(false);
  setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                  QAbstractItemView::AnyKeyPressed);
  setSelectionMode(QAbstractItemView::ExtendedSelection);
  setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
  setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
  verticalHeader()->hide();
  connect(&model_, &QAbstractItemModel::modelReset, this, &Ledger::restructure);
  connect(selectionModel(), &QItemSelectionModel::selectionChanged, this,
          &Ledger::pickFromSelection);
  connect(&work, &Work::pickedChanged, this, &Ledger::selectFromPicks);
  connect(&work, &Work::changed, this, [this] { viewport()->update(); });
  restructure();
}

// Bands reach across all columns and carry the part's name.
void Ledger::restructure() {
  clearSpans();
  for (int row = 0; row < model_.rowCount(); ++row) {
    setRowHeight(row, model_.rowAt(row).isBand ? 24 : 26);
    if (model_.rowAt(row).isBand) setSpan(row, 0, 1, model_.columnCount());
  }
  if (model_.columnCount() == 0) return;
  horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  horizontalHeader()->setSectionResizeMode(0, QHeaderView::Fixed);
  horizontalHeader()->resizeSection(0, kBaseWidth);
  selectFromPicks();
}

void Ledger::resizeEvent(QResizeEvent* event) {
  QTableView::resizeEvent(event);
  viewport()->update();
}

// The columns of the selected cells are where edits go; the row is the current one.
void Ledger::pickFromSelection() {
  if (syncing_ || !currentIndex().isValid() || model_.rowAt(currentIndex().row()).isBand) return;
  std::vector<Column> columns;
  for (const QModelIndex& index : selectionModel()->selectedIndexes()) {
    const Column column = model_.columnAt(index.column());
    if (std::find(columns.begin(), columns.end(), column) == columns.end())
      columns.push_back(column);
  }
  if (columns.empty()) columns.push_back(model_.columnAt(currentIndex().column()));
  work_.pickColumns(columns, model_.rowAt(currentIndex().row()).key);
}

void Ledger::selectFromPicks() {
  viewport()->update();
  const int row = model_.rowOf(work_.picked().property);
  if (row < 0) return;
  syncing_ = true;
  QItemSelection selection;
  for (const Column& column : work_.picked().columns) {
    const QModelIndex index = model_.index(row, model_.columnOf(column));
    selection.select(index, index);
  }
  const bool elsewhere = currentIndex().row() != row || !selection.contains(currentIndex());
  if (elsewhere && !selection.isEmpty())
    selectionModel()->setCurrentIndex(selection.indexes().constFirst(),
                                      QItemSelectionModel::NoUpdate);
  selectionModel()->select(selection, QItemSelectionModel::ClearAndSelect);
  syncing_ = false;
}

void Ledger::keyPressEvent(QKeyEvent* event) {
  const bool clears = event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace;
  if (clears && state() != EditingState && work_.kind()) {
    work_.perform(clearLook(work_.kind()->id, work_.picked().columns, work_.picked().property));
    return;
  }
  if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) &&
      state() != EditingState && currentIndex().isValid()) {
    edit(currentIndex());
    return;
  }
  QTableView::keyPressEvent(event);
}

}  // namespace bristle
