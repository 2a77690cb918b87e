#include "desktop/place/snap_marks.h"

#include <QCoreApplication>

#include "desktop/view/screen_view.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {

QString words(const SnapReason& reason) {
  const auto tr = [](const char* text) { return QCoreApplication::translate("SnapMarks", text); };
  switch (reason.to) {
    case SnapTo::Guide:
      return tr("guide %1").arg(reason.at);
    case SnapTo::Edge:
      return tr("edge");
    case SnapTo::Centre:
      return tr("centre");
    case SnapTo::Holder:
      return tr("frame");
    case SnapTo::Gap:
      return tr("gap %1").arg(QString::number(reason.at, 'g', 5));
    case SnapTo::Grid:
      return tr("grid");
  }
  return {};
}

// Dark on white: seen on any art.
void stroke(QPainter& p, const ScreenView& view, const QLineF& line) {
  p.setPen(QPen(QColor(255, 255, 255, 220), 3));
  p.drawLine(line);
  p.setPen(QPen(themeOf(&view).accent, 1));
  p.drawLine(line);
}

void paintGap(QPainter& p, const ScreenView& view, const SnapReason& reason, const Box& gap) {
  const QRectF at = view.toWidget(gap);
  const QPointF middle = at.center();
  const QPointF a = reason.upright ? QPointF(at.left(), middle.y()) : QPointF(middle.x(), at.top());
  const QPointF b =
      reason.upright ? QPointF(at.right(), middle.y()) : QPointF(middle.x(), at.bottom());
  const QPointF end = reason.upright ? QPointF(0, 5) : QPointF(5, 0);
  for (const QLineF& line : {QLineF(a, b), QLineF(a - end, a + end), QLineF(b - end, b + end)})
    stroke(p, view, line);
  paintTag(p, view, middle + QPointF(6, 6), words(reason));
}

}  // namespace

void paintTag(QPainter& p, const ScreenView& view, const QPointF& at, const QString& text) {
  const Theme& t = themeOf(&view);
  const QSizeF size(p.fontMetrics().horizontalAdvance(text) + 12, p.fontMetrics().height() + 4);
  const QRectF within(view.rect());
  const QRectF box({std::clamp(at.x(), within.left() + 4, within.right() - size.width() - 4),
                    std::clamp(at.y(), within.top() + 4, within.bottom() - size.height() - 4)},
                   size);
  p.setPen(Qt::NoPen);
  p.setBrush(t.chrome);
  p.drawRoundedRect(box, 4, 4);
  p.setBrush(Qt::NoBrush);
  p.setPen(t.ink);
  p.drawText(box, Qt::AlignCenter, text);
}

void paintReasons(QPainter& p, const ScreenView& view, const std::vector<SnapReason>& reasons) {
  for (const SnapReason& reason : reasons) {
    for (const Box& gap : reason.gaps) paintGap(p, view, reason, gap);
    if (reason.to == SnapTo::Gap) continue;
    const bool all = reason.to == SnapTo::Guide || reason.to == SnapTo::Holder;
    constexpr double kBeyond = 8;  // px that the line goes on
    QLineF line = reason.upright ? QLineF(view.toWidget(QPointF(reason.at, reason.from)),
                                          view.toWidget(QPointF(reason.at, reason.until)))
                                 : QLineF(view.toWidget(QPointF(reason.from, reason.at)),
                                          view.toWidget(QPointF(reason.until, reason.at)));
    const QPointF beyond = reason.upright ? QPointF(0, kBeyond) : QPointF(kBeyond, 0);
    line = {line.p1() - beyond, line.p2() + beyond};
    if (all && reason.upright) line = {line.x1(), 0, line.x2(), double(view.height())};
    if (all && !reason.upright) line = {0, line.y1(), double(view.width()), line.y2()};
    stroke(p, view, line);
    if (reason.to == SnapTo::Grid) continue;  // once a grid is on, all lies on it
    const QPointF end =
        all ? (reason.upright ? QPointF(line.x1(), view.toWidget(QPointF(0, reason.from)).y() - 30)
                              : QPointF(view.toWidget(QPointF(reason.from, 0)).x() - 60, line.y1()))
            : line.p1();
    paintTag(p, view, end + QPointF(4, 4), words(reason));
  }
}

}  // namespace bristle
