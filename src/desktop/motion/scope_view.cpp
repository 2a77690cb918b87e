#include "desktop/motion/scope_view.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <cmath>

#include "core/laws/check.h"
#include "desktop/frame/theme.h"
#include "desktop/motion/graph_view.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr double kNames = 92, kRight = 22, kRuler = 18, kLane = 19, kStates = 24, kEdge = 5;
constexpr Ms kSample = 10, kStep = 20, kBigStep = 100, kNewStretch = 200;
constexpr size_t kMostCurves = 6;

}  // namespace

ScopeView::ScopeView(Work& work, MotionView& view, QWidget* parent)
    : QWidget(parent), work_(work), view_(view) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Scope: signals over time"));
  connect(&view, &MotionView::moved, this, [this] { update(); });
  connect(&view, &MotionView::scoreChanged, this, [this] {
    curvesStale_ = true;
    update();
  });
}

double ScopeView::scale() const {
  return (width() - kNames - kRight) / double(std::max<Ms>(view_.score().length, 1));
}
Ms ScopeView::timeAt(double x) const {
  return std::clamp<Ms>(Ms(std::lround((x - kNames) / scale())), 0, view_.score().length);
}
QPointF ScopeView::placeOf(int lane, Ms time) const {
  const double y = lane < 0 ? kRuler / 2 : kRuler + kLane * (lane + 0.5);
  return {kNames + double(time) * scale(), y};
}
int ScopeView::laneAt(double y) const {
  const int lane = int(std::floor((y - kRuler) / kLane));
  return lane >= 0 && lane < kLaneCount ? lane : -1;
}

int ScopeView::stretchAt(const QPointF& at, Drag* edge) const {
  const auto& all = view_.score().stretches;
  const int lane = laneAt(at.y());
  for (size_t i = 0; i < all.size(); ++i) {
    if (int(all[i].lane) != lane) continue;
    const double from = placeOf(lane, all[i].from).x();
    const double to = placeOf(lane, all[i].to < 0 ? view_.score().length : all[i].to).x();
    if (at.x() < from - kEdge || at.x() > to + kEdge) continue;
    if (edge)
      *edge = at.x() < from + kEdge ? Drag::From : at.x() > to - kEdge ? Drag::To : Drag::None;
    return int(i);
  }
  return -1;
}

void ScopeView::paintLanes(QPainter& p) {
  const Theme& t = theme();
  const Score& score = view_.score();
  for (int lane = 0; lane < kLaneCount; ++lane) {
    const QRectF row(0, kRuler + lane * kLane, width(), kLane);
    if (lane == lane_ && hasFocus()) p.fillRect(row, t.tint);
    p.setPen(lane == lane_ ? t.ink : t.quiet);
    p.drawText(row.adjusted(8, 0, 0, 0), Qt::AlignLeft | Qt::AlignVCenter,
               toQt(std::string(nameOf(Lane(lane)))));
    p.setPen(t.line);
    p.drawLine(QPointF(kNames, row.bottom()), QPointF(width() - kRight, row.bottom()));
  }
  for (size_t i = 0; i < score.stretches.size(); ++i) {
    const Stretch& s = score.stretches[i];
    const double from = placeOf(int(s.lane), s.from).x();
    const double to = placeOf(int(s.lane), s.to < 0 ? score.length : s.to).x();
    const QRectF bar(from, kRuler + int(s.lane) * kLane + 4, std::max(2.0, to - from), kLane - 8);
    p.setPen(int(i) == stretch_ ? QPen(t.accent, 2) : QPen(Qt::NoPen));
    p.setBrush(s.lane == Lane::Disabled ? t.quiet : t.ink);
    p.drawRect(bar);
    if (!s.calledOff) continue;
    p.setPen(QPen(t.wrong, 2));  // called off: a cross at its end
    p.drawLine(bar.topRight() + QPointF(-4, 0), bar.bottomRight() + QPointF(4, 0));
    p.drawLine(bar.topRight() + QPointF(4, 0), bar.bottomRight() + QPointF(-4, 0));
  }
  for (const Moment& m : score.marks) {
    const double x = placeOf(0, m.step.at).x();
    p.setPen(QPen(t.pinned, 1.5));
    p.drawLine(QPointF(x, kRuler), QPointF(x, kRuler + kLane * kLaneCount));
  }
}

void ScopeView::paintStates(QPainter& p) {
  const Theme& t = theme();
  const Machine* machine = work_.machine();
  const auto& periods = view_.run().states;
  const double top = kRuler + kLane * kLaneCount + 4;
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

// Each number that moves between the states, over its own range.
void ScopeView::makeCurves() {
  curves_.clear();
  curvesStale_ = false;
  const Kind* kind = work_.kind();
  const LookTable* table = work_.lookTable();
  if (!kind || !table) return;
  std::vector<size_t> channels;
  for (const int c : table->varying())
    if (std::holds_alternative<double>(table->base()[size_t(c)]) && channels.size() < kMostCurves)
      channels.push_back(size_t(c));
  std::vector<std::vector<double>> values(channels.size());
  for (Ms t = 0; t <= view_.score().length; t += kSample) {
    const Look* look = view_.lookAt(t);
    if (!look) return;
    for (size_t i = 0; i < channels.size(); ++i)
      values[i].push_back(std::get<double>((*look)[channels[i]]));
  }
  for (size_t i = 0; i < channels.size(); ++i) {
    const auto [low, high] = std::minmax_element(values[i].begin(), values[i].end());
    if (*high - *low < 1e-9) continue;
    const PropKey& key = table->channels()[channels[i]];
    Curve curve;
    if (const PartType* type = partType(*kind, key.part))
      if (const PropertyInfo* info = findProperty(*type, key.prop))
        curve.name = toQt(std::string(info->label));
    const double least = *low, span = *high - *low;
    for (const double v : values[i]) curve.heights.push_back(float((v - least) / span));
    curves_.push_back(std::move(curve));
  }
}

void ScopeView::paintCurves(QPainter& p) {
  const Theme& t = theme();
  if (curvesStale_) makeCurves();
  const QRectF room(kNames, kRuler + kLane * kLaneCount + kStates + 10, width() - kNames - kRight,
                    height() - (kRuler + kLane * kLaneCount + kStates + 16));
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
    for (size_t s = 0; s < curves_[i].heights.size(); ++s)
      line << QPointF(placeOf(0, Ms(s) * kSample).x(),
                      lane.bottom() - double(curves_[i].heights[s]) * lane.height());
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(t.accent, 1.5, kStyles[i % std::size(kStyles)]));
    p.drawPolyline(line);
    p.setPen(t.quiet);
    p.drawText(QRectF(8, lane.y(), kNames - 10, lane.height()), Qt::AlignLeft | Qt::AlignVCenter,
               p.fontMetrics().elidedText(curves_[i].name, Qt::ElideRight, int(kNames) - 12));
  }
}

void ScopeView::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = theme();
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
  paintStates(p);
  paintCurves(p);
  const double x = placeOf(-1, view_.time()).x();
  p.setPen(QPen(t.pinned, 1.5));
  p.drawLine(QPointF(x, 2), QPointF(x, height() - 4));
  p.setBrush(t.pinned);
  const QPointF head[] = {{x - 5, 2}, {x + 5, 2}, {x, 11}};
  p.drawPolygon(head, 3);
}

void ScopeView::change(Score score) {
  view_.setScore(std::move(score));
}

void ScopeView::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  const QPointF at = event->position();
  const int lane = laneAt(at.y());
  view_.setPlaying(false);
  begun_ = timeAt(at.x());
  before_ = view_.score();
  if (lane < 0) {
    drag_ = Drag::Ruler;
    return view_.setTime(begun_);
  }
  lane_ = lane;
  Drag edge = Drag::None;
  stretch_ = stretchAt(at, &edge);
  drag_ = stretch_ < 0 ? Drag::Draw : edge;
  update();
}

void ScopeView::mouseMoveEvent(QMouseEvent* event) {
  const QPointF at = event->position();
  const Ms now = timeAt(at.x());
  if (drag_ == Drag::None) {
    Drag edge = Drag::None;
    setCursor(stretchAt(at, &edge) >= 0 && edge != Drag::None ? Qt::SizeHorCursor
                                                              : Qt::ArrowCursor);
    return;
  }
  if (drag_ == Drag::Ruler) return view_.setTime(now);
  Score next = before_;
  if (drag_ == Drag::Draw) {
    setLane(next, Lane(lane_), std::min(begun_, now), std::max(begun_, now), true);
  } else {
    Stretch moved = next.stretches[size_t(stretch_)];
    next.stretches.erase(next.stretches.begin() + stretch_);
    const Ms end = moved.to < 0 ? next.length : moved.to;
    const Ms from = drag_ == Drag::From ? std::min(now, end - 10) : moved.from;
    const Ms to = drag_ == Drag::To ? std::max(now, moved.from + 10) : end;
    setLane(next, moved.lane, from, to, true);
  }
  change(std::move(next));
}

void ScopeView::mouseReleaseEvent(QMouseEvent*) {
  drag_ = Drag::None;
  update();
}

void ScopeView::keyPressEvent(QKeyEvent* event) {
  const Ms step = event->modifiers() & Qt::ShiftModifier ? kBigStep : kStep;
  Score score = view_.score();
  switch (event->key()) {
    case Qt::Key_Space:
      return view_.setPlaying(!view_.playing());
    case Qt::Key_Left:
      return view_.setTime(view_.time() - step);
    case Qt::Key_Right:
      return view_.setTime(view_.time() + step);
    case Qt::Key_Home:
      return view_.setTime(0);
    case Qt::Key_End:
      return view_.setTime(score.length);
    case Qt::Key_Up:
    case Qt::Key_Down:
      lane_ = std::clamp(lane_ + (event->key() == Qt::Key_Up ? -1 : 1), 0, kLaneCount - 1);
      stretch_ = -1;
      return update();
    case Qt::Key_Return:
    case Qt::Key_Enter: {  // on from here for a while, or off
      const Ms now = view_.time();
      bool on = true;
      for (const Stretch& s : score.stretches)
        if (int(s.lane) == lane_ && s.from <= now && (s.to < 0 || s.to > now)) on = false;
      setLane(score, Lane(lane_), now,
              on ? std::min(now + kNewStretch, score.length) : score.length, on);
      return change(std::move(score));
    }
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      if (stretch_ >= 0 && stretch_ < int(score.stretches.size())) {
        score.stretches.erase(score.stretches.begin() + stretch_);
        stretch_ = -1;
      } else {
        std::erase_if(score.stretches, [&](const Stretch& s) { return int(s.lane) == lane_; });
      }
      return change(std::move(score));
    default:
      QWidget::keyPressEvent(event);
  }
}

QString ScopeView::whatHappenedAt(const QPointF& at) {
  const Machine* machine = work_.machine();
  if (!machine || laneAt(at.y()) >= 0 || at.x() < kNames) return {};
  const Ms now = timeAt(at.x());
  const StatePeriod* period = nullptr;
  for (const StatePeriod& p : view_.run().states)
    if (p.from <= now) period = &p;
  if (!period || period->transition < 0) return tr("where a screen opens");
  const Transition& t = machine->transitions[size_t(period->transition)];
  const State* from = t.from ? findState(*machine, *t.from) : nullptr;
  return tr("%1 ms: %2, from %3 to %4")
      .arg(period->from)
      .arg(eventOf(t), from ? toQt(from->name) : tr("every state"),
           toQt(machine->states[period->state].name));
}

bool ScopeView::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    auto* help = static_cast<QHelpEvent*>(event);
    QToolTip::showText(help->globalPos(), whatHappenedAt(QPointF(help->pos())), this);
    return true;
  }
  return QWidget::event(event);
}

LiveButton::LiveButton(Work& work, MotionView& view, QWidget* parent)
    : QWidget(parent), work_(work), view_(view) {
  setAccessibleName(tr("The button at the play head"));
  connect(&view, &MotionView::moved, this, [this] { update(); });
  connect(&view, &MotionView::scoreChanged, this, [this] { update(); });
}

void LiveButton::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = theme();
  p.fillRect(rect(), t.work);
  const Kind* kind = work_.kind();
  const LookTable* table = work_.lookTable();
  const Machine* machine = work_.machine();
  const Look* look = view_.lookAt(view_.time());
  if (!kind || !table || !machine || !look) return;
  const double s = std::min({1.5, (width() - 40) / kind->width, (height() - 70) / kind->height});
  p.save();
  p.translate(QPointF(width(), height() - 24) / 2 - QPointF(kind->width, kind->height) * s / 2);
  p.scale(s, s);
  const StateIndex state = view_.run().at(view_.time());
  work_.looks().paintState(p, *kind, *table, state, *look, QRectF(0, 0, kind->width, kind->height),
                           kind->sampleCaption, view_.time());
  p.restore();
  p.setPen(t.onWork);
  p.drawText(rect().adjusted(10, 0, -10, -8), Qt::AlignLeft | Qt::AlignBottom,
             toQt(machine->states[state].name));
  p.drawText(rect().adjusted(10, 0, -10, -8), Qt::AlignRight | Qt::AlignBottom,
             tr("%1 ms").arg(view_.time()));
}

}  // namespace bristle
