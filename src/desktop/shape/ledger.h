// The table under the wall, with the wall as its header. Dragging selects cells; with Alt it
// carries a value sideways; dragging a row's name scrubs its numbers.
#pragma once
#include <QStyledItemDelegate>
#include <QTableView>

#include "desktop/shape/ledger_model.h"

namespace bristle {

class Readings;
class TileView;
class Wall;

class Ledger : public QTableView {
  Q_OBJECT
 public:
  Ledger(Work& work, TileView& view, Readings& readings, QWidget* parent = nullptr);
  LedgerModel& ledger() { return model_; }
  Wall& wall() { return *wall_; }
  // The picked cells, as text in rows and columns.
  void copy();
  // The same from the clipboard, from the picked cell on, as one step.
  void paste();
  // Folds or unfolds the part that is picked.
  void toggleFold();

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void mousePressEvent(QMouseEvent* event) override;
  void mouseMoveEvent(QMouseEvent* event) override;
  void mouseReleaseEvent(QMouseEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  void pickFromSelection();
  void selectFromPicks();
  void restructure();
  void arrange();
  bool onName(const QPoint& at) const;
  Work& work_;
  TileView& view_;
  LedgerModel model_;
  Wall* wall_;
  bool syncing_ = false;
  enum class Drag { None, Scrub, Carry } drag_ = Drag::None;
  int lastX_ = 0;
  PropKey dragRow_;
  Column dragFrom_;
};

}  // namespace bristle
