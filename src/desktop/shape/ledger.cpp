#include "desktop/shape/ledger.h"

#include <QClipboard>
#include <QGuiApplication>
#include <QHeaderView>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "desktop/shape/cells.h"
#include "desktop/shape/tile_view.h"
#include "desktop/shape/wall.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"

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
    const Theme& t = themeOf(option.widget);
    const QRect r = option.rect;
    if (index.data(LedgerModel::BandRole).toBool()) {
      p->fillRect(r, t.band);
      QFont bold = option.font;
      bold.setWeight(QFont::DemiBold);
      p->setFont(bold);
      p->setPen(t.ink);
      p->drawText(r.adjusted(14, 0, -8, 0), Qt::AlignLeft | Qt::AlignVCenter,
                  index.data(Qt::DisplayRole).toString());
      if (const int folded = model_.rowAt(index.row()).folded) {
        p->setFont(option.font);
        p->setPen(t.quiet);
        p->drawText(r.adjusted(14, 0, -14, 0), Qt::AlignRight | Qt::AlignVCenter,
                    QObject::tr("+ %1 more").arg(folded));
      }
      return;
    }
    const Column column = model_.columnAt(index.column());
    const auto& picked = work_.picked();
    const bool columnPicked =
        std::find(picked.columns.begin(), picked.columns.end(), column) != picked.columns.end();
    const PropKey& row = model_.rowAt(index.row()).key;
    const bool rowPicked =
        std::find(picked.rows.begin(), picked.rows.end(), row) != picked.rows.end();
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
    if (index.data(LedgerModel::OwnRole).toBool()) {
      // A diamond: this button's own.
      p->save();
      p->setRenderHint(QPainter::Antialiasing);
      p->setPen(Qt::NoPen);
      p->setBrush(t.pinned);
      const QPointF c(x + 4, r.center().y() + 0.5);
      p->drawPolygon(QPolygonF(
          {c + QPointF(0, -4), c + QPointF(4, 0), c + QPointF(0, 4), c + QPointF(-4, 0)}));
      p->restore();
      x += 14;
    }
    QFont font = option.font;
    if (departs && column) font.setWeight(QFont::DemiBold);
    const bool named = index.data(LedgerModel::NamedRole).toBool();
    p->setFont(font);
    p->setPen(named ? t.accent : departs ? t.ink : t.quiet);
    const QRect text(x, r.y(), r.right() - x - 6, r.height());
    const QString shown = index.data(Qt::DisplayRole).toString();
    p->drawText(departs ? text : r, departs ? Qt::AlignVCenter | Qt::AlignLeft : Qt::AlignCenter,
                QFontMetrics(font).elidedText(shown, Qt::ElideRight, text.width()));
    if (rowPicked && columnPicked) {
      p->setPen(QPen(t.accent, row == picked.property ? 2 : 1));
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

Ledger::Ledger(Work& work, TileView& view, Readings& readings, QWidget* parent)
    : QTableView(parent), work_(work), view_(view), model_(work) {
  setModel(&model_);
  wall_ = new Wall(work, view, readings, model_, this);
  setHorizontalHeader(wall_);
  setItemDelegate(new CellDelegate(work, model_));
  setAccessibleName(tr("Ledger: the values of every state"));
  setShowGrid(false);
  setCornerButtonEnabled(false);
  setTabKeyNavigation(false);
  setMouseTracking(true);
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
  connect(&work, &Work::pickedChanged, this, &Ledger::arrange);
  connect(&view, &TileView::changed, this, &Ledger::arrange);
  restructure();
}

// Bands reach across all columns and carry the part's name.
void Ledger::restructure() {
  clearSpans();
  for (int row = 0; row < model_.rowCount(); ++row) {
    setRowHeight(row, model_.rowAt(row).isBand ? 24 : 26);
    if (model_.rowAt(row).isBand && model_.columnCount() > 1)
      setSpan(row, 0, 1, model_.columnCount());
  }
  arrange();
  selectFromPicks();
}

// All columns share the width; at true size each is as wide as the button; alone, the base and the
// picked state stand there.
void Ledger::arrange() {
  if (model_.columnCount() == 0) return;
  const Kind* kind = work_.kind();
  const bool wide = view_.trueSize() && !view_.alone() && kind;
  horizontalHeader()->setSectionResizeMode(wide ? QHeaderView::Fixed : QHeaderView::Stretch);
  horizontalHeader()->setSectionResizeMode(0, QHeaderView::Fixed);
  horizontalHeader()->resizeSection(0, kBaseWidth);
  const Column& picked = work_.picked().columns.back();
  const int shown = std::max(1, model_.columnOf(picked));
  for (int column = 1; column < model_.columnCount(); ++column) {
    setColumnHidden(column, view_.alone() && column != shown);
    if (wide) horizontalHeader()->resizeSection(column, std::max(96, int(kind->width) + 48));
  }
  wall_->updateGeometry();
  updateGeometries();
  wall_->viewport()->update();
}

void Ledger::resizeEvent(QResizeEvent* event) {
  QTableView::resizeEvent(event);
  viewport()->update();
}

// The columns and rows of the selected cells are where edits go; one row is the current one.
void Ledger::pickFromSelection() {
  if (syncing_ || !currentIndex().isValid() || model_.rowAt(currentIndex().row()).isBand) return;
  std::vector<Column> columns;
  std::vector<PropKey> rows;
  const auto add = [](auto& list, const auto& one) {
    if (std::find(list.begin(), list.end(), one) == list.end()) list.push_back(one);
  };
  for (const QModelIndex& index : selectionModel()->selectedIndexes()) {
    if (isColumnHidden(index.column())) continue;
    add(columns, model_.columnAt(index.column()));
    add(rows, model_.rowAt(index.row()).key);
  }
  const PropKey current = model_.rowAt(currentIndex().row()).key;
  if (columns.empty()) columns.push_back(model_.columnAt(currentIndex().column()));
  add(rows, current);
  work_.pickCells(columns, rows, current);
}

void Ledger::selectFromPicks() {
  viewport()->update();
  const int row = model_.rowOf(work_.picked().property);
  if (row < 0) return;
  syncing_ = true;
  QItemSelection selection;
  for (const PropKey& key : work_.picked().rows)
    for (const Column& column : work_.picked().columns) {
      const QModelIndex index = model_.index(model_.rowOf(key), model_.columnOf(column));
      if (index.isValid()) selection.select(index, index);
    }
  const bool elsewhere = currentIndex().row() != row || !selection.contains(currentIndex());
  if (elsewhere && !selection.isEmpty())
    selectionModel()->setCurrentIndex(
        model_.index(row, model_.columnOf(work_.picked().columns.front())),
        QItemSelectionModel::NoUpdate);
  selectionModel()->select(selection, QItemSelectionModel::ClearAndSelect);
  syncing_ = false;
}

void Ledger::copy() {
  QGuiApplication::clipboard()->setText(copiedCells(work_, model_));
}

void Ledger::paste() {
  pasteCells(work_, model_, QGuiApplication::clipboard()->text());
}

void Ledger::toggleFold() {
  model_.toggleFold(work_.picked().property.part);
}

void Ledger::keyPressEvent(QKeyEvent* event) {
  if (state() == EditingState) return QTableView::keyPressEvent(event);
  const bool isStep = event->modifiers() & Qt::AltModifier &&
                      (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down);
  if (isStep) {
    const double far = event->modifiers() & Qt::ShiftModifier ? 10 : 1;
    return stepCells(work_, event->key() == Qt::Key_Up ? far : -far);
  }
  if (event->matches(QKeySequence::Copy)) return copy();
  if (event->matches(QKeySequence::Paste)) return paste();
  if (event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace) return clearCells(work_);
  if (event->key() == Qt::Key_Space && event->modifiers() == Qt::NoModifier)
    return turnCells(work_);
  if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) &&
      currentIndex().isValid()) {
    edit(currentIndex());
    return;
  }
  QTableView::keyPressEvent(event);
}

bool Ledger::onName(const QPoint& at) const {
  const QModelIndex index = indexAt(at);
  return index.isValid() && index.column() == 0 && !model_.rowAt(index.row()).isBand &&
         at.x() < columnViewportPosition(0) + kNameWidth - 8;
}

void Ledger::mousePressEvent(QMouseEvent* event) {
  const QPoint at = event->position().toPoint();
  const QModelIndex index = indexAt(at);
  if (event->button() == Qt::LeftButton && index.isValid()) {
    const LedgerModel::Row& row = model_.rowAt(index.row());
    if (row.isBand) return model_.toggleFold(row.key.part);
    const PropertyInfo* info = infoOf(work_, row.key);
    lastX_ = at.x();
    dragRow_ = row.key;
    if (onName(at)) {
      const auto& rows = work_.picked().rows;
      if (std::find(rows.begin(), rows.end(), row.key) == rows.end())
        work_.pickColumns(work_.picked().columns, row.key);
      work_.seal();
      if (info && info->step > 0) drag_ = Drag::Scrub;
      return;
    }
    if (event->modifiers() & Qt::AltModifier) {
      drag_ = Drag::Carry;
      dragFrom_ = model_.columnAt(index.column());
      return;
    }
  }
  QTableView::mousePressEvent(event);
}

void Ledger::mouseMoveEvent(QMouseEvent* event) {
  const QPoint at = event->position().toPoint();
  if (drag_ == Drag::Scrub) {
    const int moved = (at.x() - lastX_) / 2;  // two px of the hand for a step: fine enough
    if (moved == 0) return;
    lastX_ += moved * 2;
    return stepCells(work_, event->modifiers() & Qt::ShiftModifier ? moved * 10 : moved);
  }
  if (drag_ == Drag::Carry) {
    const int from = model_.columnOf(dragFrom_), to = columnAt(at.x());
    if (to < 0) return;
    std::vector<Column> columns;
    for (int c = std::min(from, to); c <= std::max(from, to); ++c)
      columns.push_back(model_.columnAt(c));
    return work_.pickCells(columns, {dragRow_}, dragRow_);
  }
  const PropertyInfo* info =
      onName(at) ? infoOf(work_, model_.rowAt(indexAt(at).row()).key) : nullptr;
  viewport()->setCursor(info && info->step > 0 ? Qt::SizeHorCursor : Qt::ArrowCursor);
  QTableView::mouseMoveEvent(event);
}

void Ledger::mouseReleaseEvent(QMouseEvent* event) {
  if (drag_ != Drag::None) {
    // Carried when let go: what was only passed over on the way stays as it was.
    if (drag_ == Drag::Carry) carrySideways(work_, dragRow_, dragFrom_, work_.picked().columns);
    drag_ = Drag::None;
    return work_.seal();
  }
  QTableView::mouseReleaseEvent(event);
}

}  // namespace bristle
