// What the scope shows, but for the play head.
#include <QPainter>

#include "desktop/motion/motion_view.h"
#include "desktop/motion/scope_metrics.h"
#include "desktop/motion/scope_view.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

using namespace scope;

void ScopeView::paintLanes(QPainter& p) {
  const Theme& t = themeOf(this);
  const Score& score = view_.score();
  const double high = laneHeight();
  for (int lane = 0; lane < int(rows().size()); ++lane) {
    const QRectF row(0, kRuler + lane * high, width(), high);
    if (lane == lane_ && hasFocus()) p.fillRect(row, t.tint);
    p.setPen(lane == lane_ ? t.ink : t.quiet);
    p.drawText(
        row.adjusted(8, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter,
        p.fontMetrics().elidedText(rows_[size_t(lane)].name, Qt::ElideRight, int(kNames) - 12));
    p.setPen(t.line);
    p.drawLine(QPointF(kNames, row.bottom()), QPointF(width() - kRight, row.bottom()));
  }
  for (size_t i = 0; i < score.stretches.size(); ++i) {
    const Stretch& s = score.stretches[i];
    const int row = rowOf(s.lane);
    const double from = placeOf(row, s.from).x();
    const double to = placeOf(row, s.to < 0 ? score.length : s.to).x();
    const QRectF bar(from, kRuler + row * high + 4, std::max(2.0, to - from), high - 8);
    p.setPen(int(i) == stretch_ ? QPen(t.accent, 2) : QPen(Qt::NoPen));
    p.setBrush(s.lane == Lane::Disabled ? t.quiet : t.ink);
    p.drawRect(bar);
    if (!s.calledOff) continue;
    p.setPen(QPen(t.wrong, 2));  // called off: a cross at its end
    p.drawLine(bar.topRight() + QPointF(-4, 0), bar.bottomRight() + QPointF(4, 0));
    p.drawLine(bar.topRight() + QPointF(4, 0), bar.bottomRight() + QPointF(-4, 0));
  }
}

// A message is a tick, a value is its number from when on it counts.
void ScopeView::paintMarks(QPainter& p) {
  const Theme& t = themeOf(this);
  const Score& score = view_.score();
  for (size_t row = 0; row < rows().size(); ++row) {
    const ScopeRow& r = rows_[row];
    if (r.sort == ScopeRow::Sort::Signal) continue;
    for (size_t i = 0; i < score.marks.size(); ++i) {
      const LawStep& step = score.marks[i].step;
      if (step.deed != r.deed() || step.index != r.index) continue;
      const QPointF at = placeOf(int(row), step.at);
      const double half = laneHeight() / 2 - 2;
      const bool picked = int(i) == mark_;
      p.setPen(QPen(picked ? t.accent : t.ink, picked ? 3 : 2));
      p.drawLine(at - QPointF(0, half), at + QPointF(0, half));
      if (r.sort == ScopeRow::Sort::Value)
        p.drawText(QRectF(at.x() + 4, at.y() - half, 60, 2 * half),
                   Qt::AlignLeft | Qt::AlignVCenter, QString::number(step.value));
    }
    if (r.sort != ScopeRow::Sort::Value) continue;
    // What the machine itself sets.
    p.setPen(t.quiet);
    for (const Outcome& o : view_.run().outcomes)
      if (o.type == OutcomeType::SetValue && int(o.index) == r.index)
        p.drawText(QRectF(placeOf(int(row), o.at).x() + 2, placeOf(int(row), 0).y() - 8, 60, 16),
                   Qt::AlignLeft | Qt::AlignVCenter, QString::number(o.value));
  }
}

void ScopeView::paintStates(QPainter& p) {
  const Theme& t = themeOf(this);
  const Machine* machine = work_.machine();
  const auto& periods = view_.run().states;
  const double top = lanesEnd() + 4;
  p.setPen(t.quiet);
  p.drawText(QRectF(8, top, kNames, kStates), Qt::AlignLeft | Qt::AlignVCenter, tr("state"));
  for (size_t i = 0; machine && i < periods.size(); ++i) {
    const Ms end = i + 1 < periods.size() ? periods[i + 1].from : view_.score().length;
    if (end <= periods[i].from || periods[i].state >= machine->states.size()) continue;
    const QRectF box(QPointF(placeOf(0, periods[i].from).x(), top + 1),
                     QPointF(placeOf(0, end).x() - 1, top + kStates - 2));
    p.setPen(Qt::NoPen);
    p.setBrush(periods[i].state % 2 ? t.tint : t.band);
    p.drawRect(box);
    p.setPen(t.ink);
    const QString name = toQt(machine->states[periods[i].state].name);
    if (box.width() > 14)
      p.drawText(box.adjusted(4, 0, -2, 0), Qt::AlignLeft | Qt::AlignVCenter,
                 p.fontMetrics().elidedText(name, Qt::ElideRight, int(box.width()) - 6));
  }
  for (const Outcome& o : view_.run().outcomes) {
    if (o.type != OutcomeType::Activate) continue;
    const double x = placeOf(0, o.at).x();
    const QPointF drop[] = {{x, top - 3}, {x - 5, top - 11}, {x + 5, top - 11}};
    p.setPen(Qt::NoPen);
    p.setBrush(t.accent);
    p.drawPolygon(drop, 3);
  }
}

void ScopeView::paintCurves(QPainter& p) {
  const Theme& t = themeOf(this);
  const Kind* kind = work_.kind();
  const auto table = work_.lookTable();
  if (curvesStale_) curves_ = kind && table ? curvesOf(view_, *kind, *table) : std::vector<Curve>();
  curvesStale_ = false;
  const QRectF room(kNames, lanesEnd() + kStates + 10, width() - kNames - kRight,
                    height() - (lanesEnd() + kStates + 16));
  if (room.height() < 24) return;
  p.setPen(t.quiet);
  if (curves_.empty()) {
    p.drawText(room, Qt::AlignLeft | Qt::AlignTop,
               tr("No number moves here: colours and what is shown do."));
    return;
  }
  const Qt::PenStyle kStyles[] = {Qt::SolidLine,   Qt::DashLine,       Qt::DotLine,
                                  Qt::DashDotLine, Qt::DashDotDotLine, Qt::SolidLine};
  const double each = room.height() / double(curves_.size());
  for (size_t i = 0; i < curves_.size(); ++i) {
    const QRectF lane(room.x(), room.y() + each * double(i), room.width(), each - 3);
    QPolygonF line;
    const size_t stride = std::max<size_t>(1, curves_[i].heights.size() / size_t(width()));
    for (size_t s = 0; s < curves_[i].heights.size(); s += stride)
      line << QPointF(placeOf(0, Ms(s) * curves_[i].step).x(),
                      lane.bottom() - double(curves_[i].heights[s]) * lane.height());
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.accent, 1.5, kStyles[i % std::size(kStyles)]));
    p.drawPolyline(line);
    p.setPen(t.quiet);
    const QRectF words(8, lane.y() - 2, kNames - 14, lane.height() + 4);
    if (words.height() > 2 * p.fontMetrics().height())
      p.drawText(words, int(Qt::AlignLeft) | int(Qt::AlignVCenter) | int(Qt::TextWordWrap),
                 curves_[i].name);
    else
      p.drawText(words, Qt::AlignLeft | Qt::AlignVCenter,
                 p.fontMetrics().elidedText(curves_[i].name, Qt::ElideLeft, int(words.width())));
  }
}

// All but the play head is kept as a picture: it stays while time goes on.
void ScopeView::paintStill() {
  const double ratio = devicePixelRatioF();
  still_ = QPixmap(size() * ratio);
  still_.setDevicePixelRatio(ratio);
  QPainter p(&still_);
  p.setFont(font());
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  p.fillRect(rect(), t.chrome);
  p.setPen(t.quiet);
  const Ms length = view_.score().length;
  const Ms tick = length > 6000 ? 1000 : length > 2500 ? 500 : 200;
  for (Ms at = 0; at <= length; at += tick) {
    const double x = placeOf(-1, at).x();
    p.drawLine(QPointF(x, kRuler - 4), QPointF(x, kRuler));
    p.drawText(QRectF(x - 30, 0, 60, kRuler - 4), Qt::AlignCenter, QString::number(at));
  }
  p.drawText(QRectF(8, 0, kNames, kRuler - 4), Qt::AlignLeft | Qt::AlignVCenter, tr("ms"));
  paintLanes(p);
  paintMarks(p);
  paintStates(p);
  paintCurves(p);
}

}  // namespace bristle
