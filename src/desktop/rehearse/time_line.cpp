#include "desktop/rehearse/time_line.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>

#include "core/derive/trace_words.h"
#include "core/rehearse/held.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kLanes = 3;  // controller and keys, pointers, screens
constexpr double kHead = 72, kLane = 16, kTop = 18;
constexpr Ms kLeastShown = 5'000;
constexpr double kMark = 3;  // px: the least width of what was pressed

int laneOf(Device device) {
  return isPointer(device) ? 1 : 0;
}

// Whole seconds, in steps that leave room for their words.
Ms rulerStep(double pxPerMs) {
  for (const Ms step : {1'000, 2'000, 5'000, 10'000, 30'000, 60'000, 300'000})
    if (step * pxPerMs > 56) return step;
  return 900'000;
}

}  // namespace

TimeLine::TimeLine(Rehearsal& rehearsal, QWidget* parent) : QWidget(parent), rehearsal_(rehearsal) {
  setFocusPolicy(Qt::StrongFocus);
  setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
  setAccessibleName(tr("Time line"));
  setAccessibleDescription(
      tr("Left and Right go by 16 ms, with Ctrl to what happened before or after, Home and End to "
         "the begin and the end; Space stands still and goes on"));
  connect(&rehearsal, &Rehearsal::advanced, this, qOverload<>(&QWidget::update));
}

// What there is, and room to go on in while it runs.
Ms TimeLine::shownEnd() const {
  const Reel* reel = rehearsal_.reel();
  return std::max(kLeastShown, reel ? reel->end() : 0);
}

QRectF TimeLine::lane(int index) const {
  return {kHead, kTop + index * kLane, width() - kHead - 16, kLane};
}

double TimeLine::xOf(Ms at) const {
  const QRectF l = lane(0);
  return l.left() + l.width() * static_cast<double>(at) / static_cast<double>(shownEnd());
}

Ms TimeLine::timeAt(double x) const {
  const QRectF l = lane(0);
  return static_cast<Ms>(std::clamp((x - l.left()) / l.width(), 0.0, 1.0) *
                         static_cast<double>(shownEnd()));
}

void TimeLine::paintRuler(QPainter& p) const {
  const Theme& theme = themeOf(this);
  const double perMs = lane(0).width() / static_cast<double>(shownEnd());
  const Ms step = rulerStep(perMs);
  p.setPen(theme.quiet);
  for (Ms at = 0; at <= shownEnd(); at += step) {
    const double x = xOf(at);
    p.drawText(QRectF(x - 30, 0, 60, kTop - 2), Qt::AlignCenter, tr("%1 s").arg(at / 1000));
  }
  p.setPen(QPen(theme.line, 1));
  for (Ms at = 0; at <= shownEnd(); at += step)
    p.drawLine(QPointF(xOf(at), kTop), QPointF(xOf(at), kTop + kLanes * kLane));
}

// From where something goes down to where it is let go.
void TimeLine::paintEvents(QPainter& p) const {
  const Theme& theme = themeOf(this);
  const auto& fed = rehearsal_.reel()->fed();
  const Ms end = rehearsal_.reel()->end();
  p.setPen(Qt::NoPen);
  p.setBrush(theme.ink);
  std::vector<InputEvent> held;
  const auto mark = [&](const InputEvent& from, Ms until) {
    const QRectF l = lane(laneOf(from.device));
    const double x = xOf(from.at);
    p.drawRect(QRectF(x, l.top() + 5, std::max(kMark, xOf(until) - x), l.height() - 9));
  };
  for (const InputEvent& e : fed) {
    if (e.type == InputType::Point) continue;  // there may be many thousands
    const auto before = held;
    noteHeld(held, e);
    for (const InputEvent& down : before)
      if (std::find(held.begin(), held.end(), down) == held.end()) mark(down, e.at);
    if (e.type == InputType::Step || e.type == InputType::Scroll) mark(e, e.at);
  }
  for (const InputEvent& down : held) mark(down, end);
}

// Which screen was on top, each with its name where there is room.
void TimeLine::paintScreens(QPainter& p) const {
  const Theme& theme = themeOf(this);
  const Project& project = rehearsal_.reel()->session().project();
  const QRectF l = lane(2);
  std::vector<std::pair<Ms, const Screen*>> tops;
  for (const TraceEntry& entry : rehearsal_.trace())
    if (entry.type == TraceType::Open || entry.type == TraceType::OnTop ||
        entry.type == TraceType::Back)
      tops.emplace_back(entry.at, bristle::find(project, entry.screen));
  for (size_t i = 0; i < tops.size(); ++i) {
    const Ms until = i + 1 < tops.size() ? tops[i + 1].first : rehearsal_.reel()->end();
    const QRectF bar(xOf(tops[i].first), l.top() + 1, xOf(until) - xOf(tops[i].first) - 1,
                     l.height() - 2);
    p.setPen(Qt::NoPen);
    p.setBrush(i % 2 ? theme.tint : theme.band);
    p.drawRect(bar);
    if (!tops[i].second || bar.width() < 24) continue;
    p.setPen(theme.ink);
    p.drawText(bar.adjusted(4, 0, -2, 0), Qt::AlignVCenter | Qt::AlignLeft,
               p.fontMetrics().elidedText(toQt(tops[i].second->name), Qt::ElideRight,
                                          static_cast<int>(bar.width()) - 6));
  }
}

void TimeLine::paintMoment(QPainter& p) const {
  const Theme& theme = themeOf(this);
  const double x = xOf(rehearsal_.reel()->now());
  p.setPen(QPen(theme.accent, 2));
  p.drawLine(QPointF(x, kTop - 2), QPointF(x, kTop + kLanes * kLane));
  p.setPen(Qt::NoPen);
  p.setBrush(theme.accent);
  p.drawPolygon(QPolygonF({{x - 6, kTop - 9}, {x + 6, kTop - 9}, {x, kTop}}));
}

void TimeLine::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const Theme& theme = themeOf(this);
  QFont small = font();
  small.setPixelSize(11);
  p.setFont(small);
  const QRectF all(lane(0).left(), kTop, lane(0).width(), kLanes * kLane);
  p.fillRect(all, theme.raised);
  p.setPen(theme.quiet);
  const QString names[] = {tr("keys, pad"), tr("pointer"), tr("screen")};
  for (int i = 0; i < kLanes; ++i)
    p.drawText(QRectF(16, lane(i).top(), kHead - 20, kLane), Qt::AlignVCenter, names[i]);
  paintRuler(p);
  if (!rehearsal_.reel()) return;
  paintScreens(p);
  paintEvents(p);
  // What a take leaves out.
  QColor away = theme.chrome;
  away.setAlphaF(0.8F);
  if (from_ > 0)
    p.fillRect(QRectF(all.left(), all.top(), xOf(from_) - all.left(), all.height()), away);
  if (until_ < shownEnd())
    p.fillRect(QRectF(xOf(until_), all.top(), all.right() - xOf(until_), all.height()), away);
  paintMoment(p);
  if (!hasFocus()) return;
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(theme.accent, 2));
  p.drawRect(all.adjusted(-2, -2, 2, 2));
}

void TimeLine::mousePressEvent(QMouseEvent* event) {
  if (event->button() == Qt::LeftButton && rehearsal_.reel())
    rehearsal_.seek(timeAt(event->position().x()));
}

void TimeLine::mouseMoveEvent(QMouseEvent* event) {
  if (event->buttons() & Qt::LeftButton && rehearsal_.reel())
    rehearsal_.seek(timeAt(event->position().x()));
}

void TimeLine::keyPressEvent(QKeyEvent* event) {
  if (!rehearsal_.reel()) return QWidget::keyPressEvent(event);
  constexpr Ms kFrame = 16;
  const bool far = event->modifiers() & Qt::ControlModifier;
  const Ms now = rehearsal_.reel()->now();
  switch (event->key()) {
    case Qt::Key_Left:
      return far ? rehearsal_.toPrevious() : rehearsal_.seek(now - kFrame);
    case Qt::Key_Right:
      return far ? rehearsal_.toNext() : rehearsal_.seek(now + kFrame);
    case Qt::Key_Home:
      return rehearsal_.seek(0);
    case Qt::Key_End:
      return rehearsal_.seek(rehearsal_.reel()->end());
    case Qt::Key_Space:
      return rehearsal_.setStill(!rehearsal_.still());
    case Qt::Key_BracketLeft:
      return cutBefore();
    case Qt::Key_BracketRight:
      return cutAfter();
    default:
      QWidget::keyPressEvent(event);
  }
}

bool TimeLine::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip && rehearsal_.reel()) {
    auto* help = static_cast<QHelpEvent*>(event);
    const Ms at = timeAt(help->pos().x());
    const InputEvent* last = nullptr;
    for (const InputEvent& e : rehearsal_.reel()->fed())
      if (e.at <= at && goesDown(e)) last = &e;
    const QString words =
        last ? tr("%1 ms: %2")
                   .arg(last->at)
                   .arg(toQt(inWords(*last, rehearsal_.reel()->session().project())))
             : tr("%1 ms").arg(at);
    QToolTip::showText(help->globalPos(), words, this);
    return true;
  }
  return QWidget::event(event);
}

void TimeLine::cutBefore() {
  if (!rehearsal_.reel()) return;
  const Ms now = rehearsal_.reel()->now();
  from_ = from_ == now ? 0 : now;
  if (until_ < from_) until_ = kToEnd;
  update();
  Q_EMIT cut();
}

void TimeLine::cutAfter() {
  if (!rehearsal_.reel()) return;
  const Ms now = rehearsal_.reel()->now();
  until_ = until_ == now ? kToEnd : now;
  if (from_ > until_) from_ = 0;
  update();
  Q_EMIT cut();
}

void TimeLine::uncut() {
  from_ = 0;
  until_ = kToEnd;
  update();
  Q_EMIT cut();
}

}  // namespace bristle
