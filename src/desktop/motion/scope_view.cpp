#include "desktop/motion/scope_view.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <cmath>

#include "core/laws/check.h"
#include "desktop/motion/graph_view.h"
#include "desktop/motion/scope_metrics.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {
using namespace scope;

ScopeView::ScopeView(Work& work, MotionView& view, QWidget* parent)
    : QWidget(parent), work_(work), view_(view) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Scope: signals over time"));
  connect(&view, &MotionView::moved, this, [this] { update(); });
  connect(&view, &MotionView::scoreChanged, this, [this] {
    curvesStale_ = rowsStale_ = true;
    const auto& marks = view_.score().marks;
    if (mark_ >= int(marks.size())) mark_ = -1;
    again();
  });
}

const std::vector<ScopeRow>& ScopeView::rows() const {
  const Ready* ready = rowsStale_ ? view_.ready() : nullptr;
  if (ready) rows_ = rowsOf(*ready, work_.project(), view_.score());
  if (rowsStale_ && !ready) rows_.clear();
  rowsStale_ = false;
  return rows_;
}

int ScopeView::rowOf(Lane lane) const {
  for (size_t i = 0; i < rows().size(); ++i)
    if (rows_[i].sort == ScopeRow::Sort::Signal && rows_[i].index == int(lane)) return int(i);
  return 0;
}

double ScopeView::laneHeight() const {
  const int count = int(rows().size());
  return count <= kFewRows ? kLane : std::max(kLeastLane, kLane * kFewRows / count);
}
double ScopeView::lanesEnd() const {
  return kRuler + laneHeight() * double(rows().size());
}

double ScopeView::scale() const {
  return (width() - kNames - kRight) / double(std::max<Ms>(view_.score().length, 1));
}
Ms ScopeView::timeAt(double x) const {
  return std::clamp<Ms>(Ms(std::lround((x - kNames) / scale())), 0, view_.score().length);
}
QPointF ScopeView::placeOf(int lane, Ms time) const {
  const double y = lane < 0 ? kRuler / 2 : kRuler + laneHeight() * (lane + 0.5);
  return {kNames + double(time) * scale(), y};
}
int ScopeView::laneAt(double y) const {
  const int lane = int(std::floor((y - kRuler) / laneHeight()));
  return lane >= 0 && lane < int(rows().size()) ? lane : -1;
}

int ScopeView::stretchAt(const QPointF& at, Drag* edge) const {
  const auto& all = view_.score().stretches;
  const int lane = laneAt(at.y());
  for (size_t i = 0; i < all.size(); ++i) {
    if (lane < 0 || rowOf(all[i].lane) != lane) continue;
    const double from = placeOf(lane, all[i].from).x();
    const double to = placeOf(lane, all[i].to < 0 ? view_.score().length : all[i].to).x();
    if (at.x() < from - kEdge || at.x() > to + kEdge) continue;
    if (edge)
      *edge = at.x() < from + kEdge ? Drag::From : at.x() > to - kEdge ? Drag::To : Drag::None;
    return int(i);
  }
  return -1;
}

void ScopeView::paintEvent(QPaintEvent*) {
  if (still_.isNull() || still_.deviceIndependentSize().toSize() != size()) paintStill();
  QPainter p(this);
  p.drawPixmap(0, 0, still_);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  const double x = placeOf(-1, view_.time()).x();
  p.setPen(QPen(t.pinned, 1.5));
  p.drawLine(QPointF(x, 2), QPointF(x, height() - 4));
  p.setBrush(t.pinned);
  const QPointF head[] = {{x - 5, 2}, {x + 5, 2}, {x, 11}};
  p.drawPolygon(head, 3);
}

void ScopeView::again() {
  still_ = {};
  update();
}

void ScopeView::changeEvent(QEvent* event) {
  again();  // another theme, font or language
  QWidget::changeEvent(event);
}
void ScopeView::focusInEvent(QFocusEvent*) {
  again();
}
void ScopeView::focusOutEvent(QFocusEvent*) {
  again();
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
  stretch_ = mark_ = -1;
  if (rows()[size_t(lane)].sort != ScopeRow::Sort::Signal) return pressMark(at);
  Drag edge = Drag::None;
  stretch_ = stretchAt(at, &edge);
  drag_ = stretch_ < 0 ? Drag::Draw : edge;
  again();
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
  if (drag_ == Drag::Mark) {
    next.marks[size_t(mark_)].step.at = now;
    return change(std::move(next));
  }
  if (drag_ == Drag::Draw) {
    setLane(next, Lane(rows()[size_t(lane_)].index), std::min(begun_, now), std::max(begun_, now),
            true);
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

// A mark that is there is picked and can be moved; elsewhere one is made.
void ScopeView::pressMark(const QPointF& at) {
  const ScopeRow row = rows()[size_t(lane_)];
  const Ms now = timeAt(at.x());
  const auto near = Ms(std::lround(kEdge * 1.5 / scale()));
  Score next = view_.score();
  if (const Ready* ready = view_.ready(); ready && markAt(next, row, now, near) < 0) {
    addMark(next, row, now, *ready);
    change(next);
  }
  mark_ = markAt(view_.score(), row, now, near);
  before_ = view_.score();
  drag_ = mark_ >= 0 ? Drag::Mark : Drag::None;
  again();
}

void ScopeView::mouseReleaseEvent(QMouseEvent*) {
  drag_ = Drag::None;
  again();
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
      lane_ = std::clamp(lane_ + (event->key() == Qt::Key_Up ? -1 : 1), 0, int(rows().size()) - 1);
      stretch_ = mark_ = -1;
      return again();
    case Qt::Key_Return:
    case Qt::Key_Enter:
      return turnLane();
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
      return remove();
    default:
      if (!changeValue(event)) QWidget::keyPressEvent(event);
  }
}

// On from the play head for a while, or off; in other rows a mark there.
void ScopeView::turnLane() {
  const Ms now = view_.time();
  Score score = view_.score();
  const Ready* ready = view_.ready();
  if (size_t(lane_) >= rows().size() || !ready) return;
  const ScopeRow row = rows()[size_t(lane_)];
  if (row.sort != ScopeRow::Sort::Signal) {
    if (markAt(score, row, now, 0) < 0) addMark(score, row, now, *ready);
    change(std::move(score));
    mark_ = markAt(view_.score(), row, now, 0);
    return again();
  }
  bool on = true;
  for (const Stretch& s : score.stretches)
    if (int(s.lane) == row.index && s.from <= now && (s.to < 0 || s.to > now)) on = false;
  setLane(score, Lane(row.index), now,
          on ? std::min(now + kNewStretch, score.length) : score.length, on);
  change(std::move(score));
}

// What is picked, or else all of the row.
void ScopeView::remove() {
  Score score = view_.score();
  if (size_t(lane_) >= rows().size()) return;
  const ScopeRow row = rows()[size_t(lane_)];
  if (mark_ >= 0 && mark_ < int(score.marks.size())) {
    score.marks.erase(score.marks.begin() + mark_);
  } else if (row.sort != ScopeRow::Sort::Signal) {
    std::erase_if(score.marks, [&](const Moment& m) {
      return m.step.deed == row.deed() && m.step.index == row.index;
    });
  } else if (stretch_ >= 0 && stretch_ < int(score.stretches.size())) {
    score.stretches.erase(score.stretches.begin() + stretch_);
  } else {
    std::erase_if(score.stretches, [&](const Stretch& s) { return int(s.lane) == row.index; });
  }
  stretch_ = mark_ = -1;
  change(std::move(score));
}

// A digit sets the picked value, + and − change it.
bool ScopeView::changeValue(QKeyEvent* event) {
  Score score = view_.score();
  if (mark_ < 0 || mark_ >= int(score.marks.size()) || event->text().isEmpty()) return false;
  LawStep& step = score.marks[size_t(mark_)].step;
  if (step.deed != Deed::SetValue) return false;
  const QChar key = event->text().front();
  if (key == QLatin1Char('+')) {
    step.value += 1;
  } else if (key == QLatin1Char('-')) {
    step.value -= 1;
  } else if (key.isDigit()) {
    step.value = key.digitValue();
  } else {
    return false;
  }
  change(std::move(score));
  return true;
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

}  // namespace bristle
