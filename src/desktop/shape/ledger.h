// The table under the wall, with the wall as its header.
#pragma once
#include <QStyledItemDelegate>
#include <QTableView>

#include "desktop/shape/ledger_model.h"

namespace bristle {

class Ledger : public QTableView {
  Q_OBJECT
 public:
  Ledger(Work& work, QWidget* parent = nullptr);

 protected:
  void keyPressEvent(QKeyEvent* event) override;
  void resizeEvent(QResizeEvent* event) override;

 private:
  void pickFromSelection();
  void selectFromPicks();
  void restructure();
  Work& work_;
  LedgerModel model_;
  bool syncing_ = false;
};

}  // namespace bristle
