#include "desktop/motion/timeline_view.h"

#include <QMouseEvent>
#include <QPainter>
#include <cmath>

#include "core/edit/motion_edits.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/convert.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

constexpr double kTrackNames = 122, kTrackRight = 22, kTrackRuler = 18, kMostRow = 150, kKeyKnob = 5, kNearKey = 9;
constexpr double kKeyTime = 0.01, kBigKeyTime = 0.1;

}  // namespace

QString nameOfTrack(const Kind& kind, const PropKey& key) {
  const PartType* type = partType(kind, key.part);
  const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
  QString out = info ? toQt(std::string(info->label)) : QString();
  for (const Part& part : kind.parts)
    if (part.id == key.part) out = toQt(part.name) + QStringLiteral(" · ") + out;
  return out;
}

TimelineView::TimelineView(Work& work, MotionView& view, QWidget* parent)
    : QWidget(parent), work_(work), view_(view) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAccessibleName(tr("Time line: motion while the state lasts"));
  const auto again = [this] { update(); };
  connect(&work, &Work::changed, this, again);
  connect(&view, &MotionView::picked, this, again);
  connect(&view, &MotionView::moved, this, again);
}

const StateMotion* TimelineView::motion() const {
  const Kind* kind = work_.kind();
  if (!kind) return nullptr;
  const auto at = kind->motions.find(view_.stirred());
  return at == kind->motions.end() ? nullptr : &at->second;
}

double TimelineView::rowHeight() const {
  const StateMotion* m = motion();
  return m ? std::min(kMostRow,
                      (height() - kTrackRuler - 8) / double(std::max<size_t>(1, m->tracks.size())))
           : kMostRow;
}

double TimelineView::reach(const MotionTrack& track) const {
  double most = 0;
  for (const KeyFrame& f : track.frames) most = std::max(most, std::abs(f.add));
  const Kind* kind = work_.kind();
  const PartType* type = kind ? partType(*kind, track.key.part) : nullptr;
  const PropertyInfo* info = type ? findProperty(*type, track.key.prop) : nullptr;
  return std::max(most * 1.25, info ? info->step * 10 : 1.0);
}

QPointF TimelineView::placeOf(size_t row, double phase, double add) const {
  const StateMotion* m = motion();
  const double middle = kTrackRuler + rowHeight() * (double(row) + 0.5);
  const double up = m && row < m->tracks.size() ? add / reach(m->tracks[row]) : 0;
  return {kTrackNames + phase * (width() - kTrackNames - kTrackRight), middle - up * (rowHeight() / 2 - 7)};
}

double TimelineView::phaseAt(double x) const {
  return std::clamp((x - kTrackNames) / (width() - kTrackNames - kTrackRight), 0.0, 1.0);
}

double TimelineView::addAt(int row, double y) const {
  const MotionTrack& track = motion()->tracks[size_t(row)];
  const double middle = kTrackRuler + rowHeight() * (row + 0.5);
  return (middle - y) / (rowHeight() / 2 - 7) * reach(track);
}

int TimelineView::rowAt(double y) const {
  const StateMotion* m = motion();
  const int row = int(std::floor((y - kTrackRuler) / rowHeight()));
  return m && row >= 0 && row < int(m->tracks.size()) ? row : -1;
}

void TimelineView::paintRow(QPainter& p, size_t row) {
  const Theme& t = themeOf(this);
  const MotionTrack& track = motion()->tracks[row];
  const bool picked = int(row) == view_.track();
  const QRectF whole(0, kTrackRuler + rowHeight() * double(row), width(), rowHeight());
  if (picked && hasFocus()) p.fillRect(whole, t.tint);
  p.setPen(picked ? t.ink : t.quiet);
  p.drawText(QRectF(8, whole.y(), kTrackNames - 14, whole.height()),
             int(Qt::AlignLeft) | int(Qt::AlignVCenter) | int(Qt::TextWordWrap),
             nameOfTrack(*work_.kind(), track.key));
  p.setPen(QPen(t.line, 1));
  p.drawLine(placeOf(row, 0, 0), placeOf(row, 1, 0));
  QPolygonF curve;
  for (size_t i = 0; i < track.frames.size(); ++i) {
    const KeyFrame& from = track.frames[i];
    if (i == 0) curve << placeOf(row, 0, from.add);
    curve << placeOf(row, from.at, from.add);
    if (i + 1 == track.frames.size()) {
      curve << placeOf(row, 1, from.add);
      break;
    }
    const KeyFrame& to = track.frames[i + 1];
    for (int s = 1; s < 24; ++s) {
      const double at = s / 24.0;
      curve << placeOf(row, from.at + (to.at - from.at) * at,
                       from.add + (to.add - from.add) * ease(from.easing, at));
    }
  }
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(t.ink, 1.5));
  p.drawPolyline(curve);
  for (size_t i = 0; i < track.frames.size(); ++i) {
    const bool here = picked && int(i) == view_.frame();
    p.setPen(QPen(here ? t.accent : t.ink, 1.5));
    p.setBrush(here ? t.accent : t.raised);
    p.drawEllipse(placeOf(row, track.frames[i].at, track.frames[i].add), kKeyKnob, kKeyKnob);
  }
}

void TimelineView::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& t = themeOf(this);
  p.fillRect(rect(), t.chrome);
  const StateMotion* m = motion();
  const Machine* machine = work_.machine();
  const State* state = machine ? findState(*machine, view_.stirred()) : nullptr;
  if (!m) {
    p.setPen(t.quiet);
    p.drawText(rect().adjusted(24, 0, -24, 0), Qt::AlignCenter | Qt::TextWordWrap,
               state ? tr("Nothing moves while “%1” lasts. Choose a motion to begin with on the "
                          "card, for the whole button or for a part.")
                           .arg(toQt(state->name))
                     : QString());
    return;
  }
  p.setPen(t.quiet);
  p.drawText(QRectF(8, 0, kTrackNames, kTrackRuler - 4), Qt::AlignLeft | Qt::AlignVCenter, tr("ms"));
  for (int i = 0; i <= 4; ++i) {
    const double x = placeOf(0, i / 4.0, 0).x();
    p.setPen(t.quiet);
    p.drawLine(QPointF(x, kTrackRuler - 4), QPointF(x, kTrackRuler));
    p.drawText(QRectF(x - 30, 0, 60, kTrackRuler - 4), Qt::AlignCenter,
               QString::number(m->period * i / 4));
  }
  for (size_t row = 0; row < m->tracks.size(); ++row) paintRow(p, row);
  const Ms since = view_.time() - m->delay;
  if (since < 0) return;
  const bool over = m->count > 0 && since >= m->period * m->count;
  const double x = placeOf(0, over ? 1.0 : double(since % m->period) / double(m->period), 0).x();
  p.setPen(QPen(t.pinned, 1.5));
  p.drawLine(QPointF(x, 2), QPointF(x, height() - 4));
  p.setBrush(t.pinned);
  const QPointF head[] = {{x - 5, 2}, {x + 5, 2}, {x, 11}};
  p.drawPolygon(head, 3);
}

bool TimelineView::frameAt(const QPointF& at, int& track, int& frame) const {
  const StateMotion* m = motion();
  const int row = rowAt(at.y());
  if (!m || row < 0) return false;
  const auto& frames = m->tracks[size_t(row)].frames;
  for (size_t i = frames.size(); i-- > 0;)
    if (QLineF(at, placeOf(size_t(row), frames[i].at, frames[i].add)).length() < kNearKey) {
      track = row;
      frame = int(i);
      return true;
    }
  return false;
}

void TimelineView::mousePressEvent(QMouseEvent* event) {
  const StateMotion* m = motion();
  if (event->button() != Qt::LeftButton || !m) return;
  const QPointF at = event->position();
  view_.setPlaying(false);
  int track = -1, frame = -1;
  if (frameAt(at, track, frame)) {
    view_.pickFrame(track, frame);
    drag_ = Drag::Frame;
  } else if (at.y() < kTrackRuler) {
    drag_ = Drag::Ruler;
    view_.setTime(m->delay + Ms(std::lround(phaseAt(at.x()) * double(m->period))));
  } else if (const int row = rowAt(at.y()); row >= 0) {
    view_.pickFrame(row, -1);
  }
}

void TimelineView::mouseMoveEvent(QMouseEvent* event) {
  const StateMotion* m = motion();
  if (!m) return;
  const QPointF at = event->position();
  if (drag_ == Drag::Ruler)
    view_.setTime(m->delay + Ms(std::lround(phaseAt(at.x()) * double(m->period))));
  if (drag_ == Drag::Frame && view_.track() < int(m->tracks.size()))
    moveFrame(phaseAt(at.x()), addAt(view_.track(), at.y()), "pull a key frame");
}

void TimelineView::mouseReleaseEvent(QMouseEvent*) {
  if (drag_ == Drag::Frame) work_.seal();
  drag_ = Drag::None;
}

void TimelineView::mouseDoubleClickEvent(QMouseEvent* event) {
  const int row = rowAt(event->position().y());
  if (row >= 0) addFrame(row, phaseAt(event->position().x()), addAt(row, event->position().y()));
}

void TimelineView::addFrame(int row, double phase, double add) {
  StateMotion next = *motion();
  auto& frames = next.tracks[size_t(row)].frames;
  phase = std::round(phase * 1000) / 1000;
  const auto at =
      std::find_if(frames.begin(), frames.end(), [&](const KeyFrame& f) { return f.at > phase; });
  const auto place = at - frames.begin();
  const Easing easing = place > 0 ? frames[size_t(place) - 1].easing : Easing{};
  frames.insert(at, {phase, std::round(add * 100) / 100, easing});
  if (work_.perform(setMotion(work_.kind()->id, view_.stirred(), next, "add key frame")))
    view_.pickFrame(row, int(place));
}

// Stays between its neighbours, so that it is the same one afterwards.
void TimelineView::moveFrame(double phase, double add, const char* mergeKey) {
  StateMotion next = *motion();
  const auto row = size_t(view_.track());
  if (row >= next.tracks.size() || view_.frame() < 0) return;
  auto& frames = next.tracks[row].frames;
  const auto i = size_t(view_.frame());
  if (i >= frames.size()) return;
  const double least = i > 0 ? frames[i - 1].at : 0;
  const double most = i + 1 < frames.size() ? frames[i + 1].at : 1;
  frames[i].at = std::clamp(std::round(phase * 1000) / 1000, least, most);
  frames[i].add = std::round(add * 100) / 100;
  work_.perform(setMotion(work_.kind()->id, view_.stirred(), next, "move key frame", mergeKey));
}

void TimelineView::removeFrame() {
  StateMotion next = *motion();
  const auto row = size_t(view_.track());
  if (row >= next.tracks.size()) return;
  auto& frames = next.tracks[row].frames;
  if (view_.frame() >= 0 && view_.frame() < int(frames.size()) && frames.size() > 1)
    frames.erase(frames.begin() + view_.frame());
  else
    next.tracks.erase(next.tracks.begin() + std::ptrdiff_t(row));
  work_.perform(setMotion(work_.kind()->id, view_.stirred(), next, "remove key frame"));
}

void TimelineView::keyPressEvent(QKeyEvent* event) {
  const StateMotion* m = motion();
  if (event->key() == Qt::Key_Space) return view_.setPlaying(!view_.playing());
  if (!m || m->tracks.empty()) return QWidget::keyPressEvent(event);
  const bool move = event->modifiers() & Qt::ControlModifier;
  const int row = std::clamp(view_.track(), 0, int(m->tracks.size()) - 1);
  const auto& frames = m->tracks[size_t(row)].frames;
  const int frame = std::clamp(view_.frame(), -1, int(frames.size()) - 1);
  const int dx = (event->key() == Qt::Key_Right) - (event->key() == Qt::Key_Left);
  const int dy = (event->key() == Qt::Key_Up) - (event->key() == Qt::Key_Down);
  if (event->key() == Qt::Key_Insert) {
    const Ms since = std::max<Ms>(0, view_.time() - m->delay) % m->period;
    return addFrame(row, double(since) / double(m->period), 0);
  }
  if (event->key() == Qt::Key_Delete || event->key() == Qt::Key_Backspace) return removeFrame();
  if (!dx && !dy) return QWidget::keyPressEvent(event);
  if (move && frame >= 0) {
    const double time = event->modifiers() & Qt::ShiftModifier ? kBigKeyTime : kKeyTime;
    const PropertyInfo* info = findProperty(
        *partType(*work_.kind(), m->tracks[size_t(row)].key.part), m->tracks[size_t(row)].key.prop);
    const double step = (info ? info->step : 1) * (event->modifiers() & Qt::ShiftModifier ? 10 : 1);
    view_.pickFrame(row, frame);
    return moveFrame(frames[size_t(frame)].at + dx * time, frames[size_t(frame)].add + dy * step,
                     "");
  }
  if (dy) return view_.pickFrame(std::clamp(row - dy, 0, int(m->tracks.size()) - 1), 0);
  view_.pickFrame(row, std::clamp(frame + dx, 0, int(frames.size()) - 1));
}

// Insert is ours here, and not the graph's.
bool TimelineView::event(QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride &&
      static_cast<QKeyEvent*>(event)->key() == Qt::Key_Insert)
    event->accept();
  return QWidget::event(event);
}

}  // namespace bristle
