#include "desktop/findings/finding_lines.h"

#include <QPainter>

#include "core/findings/finding.h"
#include "desktop/findings/findings_model.h"
#include "desktop/work/theme.h"

namespace bristle {
namespace {

constexpr int kGlyph = 22;  // px that it takes

// By form, not by colour alone: a filled diamond, a hollow one, a dot.
void paintGlyph(QPainter& p, const QPointF& at, Severity severity, const Theme& theme) {
  p.setPen(QPen(severity == Severity::Note ? theme.quiet : theme.wrong, 1.6));
  p.setBrush(severity == Severity::Error  ? QBrush(theme.wrong)
             : severity == Severity::Note ? QBrush(theme.quiet)
                                          : QBrush(Qt::NoBrush));
  if (severity == Severity::Note) {
    p.drawEllipse(at, 2, 2);
    return;
  }
  p.drawPolygon(QPolygonF(
      {at + QPointF(0, -5), at + QPointF(5, 0), at + QPointF(0, 5), at + QPointF(-5, 0)}));
}

}  // namespace

QSize FindingLines::sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const {
  const int line = option.fontMetrics.height();
  return {100, index.parent().isValid() ? 2 * line + 8 : line + 12};
}

void FindingLines::paint(QPainter* p, const QStyleOptionViewItem& option,
                         const QModelIndex& index) const {
  const Theme& theme = themeOf(option.widget);
  p->save();
  p->setRenderHint(QPainter::Antialiasing);
  if (option.state & QStyle::State_Selected) p->fillRect(option.rect, theme.tint);
  if (!index.parent().isValid()) {
    p->setFont(index.data(Qt::FontRole).value<QFont>());
    p->setPen(theme.ink);
    p->drawText(option.rect.adjusted(2, 4, -4, 0), Qt::AlignLeft | Qt::AlignVCenter,
                index.data().toString());
    p->restore();
    return;
  }
  const QString place = index.data(FindingsModel::kPlace).toString();
  const QString reason = index.data(FindingsModel::kReason).toString();
  const QRect text = option.rect.adjusted(kGlyph, 3, -8, -3);
  paintGlyph(*p, QPointF(option.rect.left() + 9, text.top() + option.fontMetrics.height() / 2.0),
             static_cast<Severity>(index.data(FindingsModel::kSeverity).toInt()), theme);
  p->setPen(theme.ink);
  p->drawText(text, Qt::AlignLeft | Qt::AlignTop,
              option.fontMetrics.elidedText(place, Qt::ElideRight, text.width()));
  p->setPen(theme.quiet);
  p->drawText(text, Qt::AlignLeft | Qt::AlignBottom,
              option.fontMetrics.elidedText(reason, Qt::ElideRight, text.width()));
  p->restore();
}

}  // namespace bristle
