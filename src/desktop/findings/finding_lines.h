// Lines of the list of findings: a glyph for how bad it is, the place, and below it what is wrong.
#pragma once
#include <QStyledItemDelegate>

namespace bristle {

class FindingLines : public QStyledItemDelegate {
 public:
  using QStyledItemDelegate::QStyledItemDelegate;
  QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override;
  void paint(QPainter* painter, const QStyleOptionViewItem& option,
             const QModelIndex& index) const override;
};

}  // namespace bristle
