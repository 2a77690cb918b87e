// The wall: the ledger's header. Each section is the tile that heads the column of its values, so
// tiles and values can never stand apart. A heavy bar ties the columns that an edit goes to.
#pragma once
#include <QHeaderView>

#include "desktop/frame/work.h"

namespace bristle {

class LedgerModel;

class Wall : public QHeaderView {
  Q_OBJECT
 public:
  Wall(Work& work, LedgerModel& model, QWidget* parent);
  QSize sizeHint() const override;

 protected:
  void paintSection(QPainter* painter, const QRect& rect, int section) const override;
  void mousePressEvent(QMouseEvent* event) override;

 private:
  void paintTile(QPainter& painter, const QRectF& rect, const StateId& state) const;
  double scale() const;
  Work& work_;
  LedgerModel& model_;
};

}  // namespace bristle
