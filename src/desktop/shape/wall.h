// The wall: the ledger's header. Each section is the tile that heads the column of its values, so
// tiles and values can never stand apart. A heavy bar ties the columns that an edit goes to; the
// picked part has handles on the tile of the last picked column.
#pragma once
#include <QHeaderView>
#include <optional>

#include "desktop/shape/handles.h"
#include "runtime/machine/program.h"

namespace bristle {

class LedgerModel;
class Readings;
class TileView;
class Work;

class Wall : public QHeaderView {
  Q_OBJECT
 public:
  // What it is given must outlive it.
  Wall(Work& work, TileView& view, Readings& readings, LedgerModel& model, QWidget* parent);
  QSize sizeHint() const override;
  // px; 0: the usual. By dragging the border, too.
  void setChosenHeight(int px);
  int chosenHeight() const { return chosen_; }
  // Where a place of the button is seen in a column's tile, and back. For drags and for tests.
  QPointF toTile(int section, const QPointF& button) const;
  QPointF fromTile(int section, const QPointF& tile) const;
  // The section whose tile has the handles; −1 where none is shown.
  int handled() const;

 protected:
  void paintSection(QPainter* painter, const QRect& rect, int section) const override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  bool viewportEvent(QEvent* event) override;

 private:
  QRectF tileOf(int section) const;
  void paintTile(QPainter& painter, int section, StateIndex state) const;
  void paintWords(QPainter& painter, const QRect& rect, int section, StateIndex state) const;
  void paintTarget(QPainter& painter, const QRect& text) const;
  void paintHandles(QPainter& painter, int section) const;
  double scale() const;
  bool onBorder(const QPointF& at) const;
  std::optional<Handle> handleAt(const QPointF& at) const;
  Work& work_;
  TileView& view_;
  Readings& readings_;
  LedgerModel& model_;
  std::optional<Handle> dragging_;
  QPointF grabbed_;  // in px of the button
  int chosen_ = 0;
  std::optional<int> borderFrom_;  // while the border is dragged: the pointer's y less the height
};

}  // namespace bristle
