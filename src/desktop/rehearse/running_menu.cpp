#include "desktop/rehearse/running_menu.h"

#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QTimer>
#include <QTouchEvent>
#include <QWheelEvent>
#include <cmath>
#include <tuple>

#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"
#include "desktop/view/key_sign.h"
#include "desktop/work/theme.h"
#include "desktop/work/work.h"
#include "paint/blur.h"
#include "paint/convert.h"
#include "paint/display_edges.h"

namespace bristle {
namespace {

constexpr double kMargin = 12;
constexpr int kFinger = 900;  // beside those of a touch screen
constexpr double kFingerRound = 18;

// Arrows always move.
std::optional<Dir> arrow(int key) {
  switch (key) {
    case Qt::Key_Up:
      return Dir::Up;
    case Qt::Key_Down:
      return Dir::Down;
    case Qt::Key_Left:
      return Dir::Left;
    case Qt::Key_Right:
      return Dir::Right;
    default:
      return {};
  }
}

}  // namespace

RunningMenu::RunningMenu(Work& work, Rehearsal& rehearsal, QWidget* parent)
    : QWidget(parent), work_(work), rehearsal_(rehearsal) {
  setFocusPolicy(Qt::StrongFocus);
  setMouseTracking(true);
  setAttribute(Qt::WA_AcceptTouchEvents);
  setAttribute(Qt::WA_OpaquePaintEvent);
  setMinimumSize(320, 200);
  setAccessibleName(tr("The running menu"));
  setAccessibleDescription(
      tr("Arrows move, Enter accepts, Escape goes back, Tab steps; F6 leaves the menu"));
  connect(&rehearsal, &Rehearsal::begun, this, [this] { kept_.forget(); });
  connect(&work, &Work::picturesChanged, this, [this] {
    kept_.forget();
    update();
  });
  connect(&rehearsal, &Rehearsal::advanced, this, &RunningMenu::refresh);
}

double RunningMenu::zoom() const {
  const Display* d = work_.display();
  if (!d) return 1;
  const double margin = isWindow() ? 0 : kMargin;
  return std::max(0.02, std::min((width() - 2 * margin) / d->layoutWidth(),
                                 (height() - 2 * margin) / d->layoutHeight()));
}

QPointF RunningMenu::origin() const {
  const Display* d = work_.display();
  if (!d) return {};
  if (isWindow())
    return {(width() - d->layoutWidth() * zoom()) / 2, (height() - d->layoutHeight() * zoom()) / 2};
  return {std::round((width() - d->layoutWidth() * zoom()) / 2),
          std::round((height() - d->layoutHeight() * zoom()) / 2)};
}

QPointF RunningMenu::toScreen(const QPointF& p) const {
  return (p - origin()) / zoom();
}
QPointF RunningMenu::toWidget(const QPointF& p) const {
  return p * zoom() + origin();
}

// What moves just now, and what shows it through.
QRegion RunningMenu::moving(const Session& session) const {
  QRegion all;
  const auto add = [&](const QRectF& r) {
    all += QRectF(toWidget(r.topLeft()), r.size() * zoom()).toAlignedRect().adjusted(-2, -2, 2, 2);
  };
  const auto& stack = session.stack();
  for (size_t s = 0; s < stack.size(); ++s)
    for (size_t b = 0; b < stack[s].buttons.size(); ++b) {
      if (!stack[s].buttons[b].player.moving(session.now())) continue;
      const QRectF moved = extentOf(stack[s], b);
      add(moved);
      for (size_t over = s; over < stack.size(); ++over)
        for (const QRectF& pane : panesOver(*stack[over].screen, stack[over].layout, moved,
                                            over == s ? size_t(stack[s].routes.items[b]) + 1 : 0))
          add(pane);
    }
  return all;
}

// Only what moves, or has just stopped, is painted again; all of it when something else happened.
void RunningMenu::refresh() {
  const Session* session = rehearsal_.session();
  const size_t happened = session ? rehearsal_.reel()->happened() : 0;
  const bool whole = !session || happened != seen_ || rehearsal_.still() || session->ended() ||
                     session->screensMove() || !onlyMoves_;
  seen_ = happened;
  onlyMoves_ = session && !session->ended() && !session->screensMove();
  const QRegion now = onlyMoves_ ? moving(*session) : QRegion();
  whole ? update() : update(now + moving_);
  moving_ = now;
}

void RunningMenu::paintEvent(QPaintEvent* event) {
  QPainter p(this);
  p.fillRect(rect(), themeOf(this).work);
  const Display* d = work_.display();
  Session* session = rehearsal_.session();
  if (!session || !d) {
    p.setPen(themeOf(this).onWork);
    p.drawText(rect(), Qt::AlignCenter, tr("Press Enter here, or Rehearse above, to run the menu"));
  } else {
    p.save();
    p.translate(origin());
    p.scale(zoom(), zoom());
    p.setClipRect(QRectF(0, 0, d->layoutWidth(), d->layoutHeight()));
    // A frame more around what is asked for: edges are smoothed.
    const QRectF asked = QRectF(event->rect()).adjusted(-2, -2, 2, 2);
    paintSession(p, work_.looks(), *session,
                 QRectF(toScreen(asked.topLeft()), asked.size() / zoom()), &kept_);
    paintBlocked(p, *d, QRectF(0, 0, d->layoutWidth(), d->layoutHeight()));
    p.restore();
    if (session->ended()) {
      p.fillRect(rect(), QColor(0, 0, 0, 120));
      p.setPen(Qt::white);
      p.drawText(rect(), Qt::AlignCenter, tr("The menu has quit. Restart runs it again."));
    }
  }
  if (finger_) paintFinger(p);
  if (!hasFocus() || isWindow()) return;
  p.setPen(QPen(themeOf(this).accent, 3));
  p.drawRect(rect().adjusted(1, 1, -2, -2));
}

// Tab belongs to the menu while it runs; F6 goes on to the next part of the window.
bool RunningMenu::event(QEvent* event) {
  // Over the whole screen it is never closed: it goes back to where it came from.
  if (event->type() == QEvent::Close && isWindow()) {
    event->ignore();
    QTimer::singleShot(0, this, &RunningMenu::wantsFull);
    return true;
  }
  if (event->type() == QEvent::KeyPress && rehearsal_.running()) {
    auto* pressed = static_cast<QKeyEvent*>(event);
    if (pressed->key() == Qt::Key_Tab || pressed->key() == Qt::Key_Backtab) {
      InputEvent step;
      step.type = InputType::Step;
      step.down = pressed->key() == Qt::Key_Tab;
      rehearsal_.send(step);
      return true;
    }
  }
  // What is bound is the menu's; no shortcut of the window may take it but the one that leaves it.
  if (event->type() == QEvent::ShortcutOverride && rehearsal_.running()) {
    const auto& pressed = static_cast<QKeyEvent&>(*event);
    const auto sign = signOf(pressed);
    if (arrow(pressed.key()) || (sign && pressed.key() != Qt::Key_F6 && rehearsal_.binds(*sign))) {
      event->accept();
      return true;
    }
  }
  if (event->type() == QEvent::TouchCancel) {
    InputEvent gone;
    gone.type = InputType::Gone;
    gone.device = Device::Touch;
    for (const QEventPoint& point : static_cast<QTouchEvent*>(event)->points()) {
      gone.unit = point.id();
      rehearsal_.send(gone);
    }
    return true;
  }
  if (event->type() == QEvent::TouchBegin || event->type() == QEvent::TouchUpdate ||
      event->type() == QEvent::TouchEnd) {
    // Each finger is a pointer of its own.
    for (const QEventPoint& point : static_cast<QTouchEvent*>(event)->points()) {
      if (point.state() == QEventPoint::Stationary) continue;
      const auto type = point.state() == QEventPoint::Pressed    ? InputType::PointDown
                        : point.state() == QEventPoint::Released ? InputType::PointUp
                                                                 : InputType::Point;
      sendPoint(type, point.position(), Device::Touch, point.id());
    }
    return true;
  }
  return QWidget::event(event);
}

bool RunningMenu::key(QKeyEvent* event, bool down) {
  if (isWindow() && event->key() == Qt::Key_F11) {
    if (down && !event->isAutoRepeat()) Q_EMIT wantsFull();
    return true;
  }
  if (isWindow() && event->key() == Qt::Key_F5) {
    if (down && !event->isAutoRepeat()) Q_EMIT wantsBack();
    return true;
  }
  if (event->isAutoRepeat()) return true;  // the session repeats by its own rule
  const auto dir = arrow(event->key());
  const auto sign = signOf(*event);
  if (down && !rehearsal_.running()) {
    const bool starts =
        sign && (sign->name == "Enter" || sign->name == "NumpadEnter" || sign->name == "Space");
    if (starts) Q_EMIT wantsStart();
    return starts;
  }
  if (dir) {
    if (down && event->modifiers() & (Qt::ControlModifier | Qt::AltModifier | Qt::MetaModifier))
      return false;
    InputEvent move;
    move.type = InputType::Move;
    move.dir = *dir;
    move.down = down;
    rehearsal_.send(move);
  } else if (!sign || !rehearsal_.press(*sign, down)) {
    return false;
  }
  down ? static_cast<void>(held_.insert(event->key()))
       : static_cast<void>(held_.remove(event->key()));
  return true;
}

void RunningMenu::keyPressEvent(QKeyEvent* event) {
  if (!key(event, true)) QWidget::keyPressEvent(event);
}

void RunningMenu::keyReleaseEvent(QKeyEvent* event) {
  if (!key(event, false)) QWidget::keyReleaseEvent(event);
}

void RunningMenu::sendPoint(InputType type, const QPointF& widget, Device device, int finger) {
  const QPointF at = toScreen(widget);
  InputEvent e;
  e.type = type;
  e.device = device;
  e.unit = finger;
  e.x = at.x();
  e.y = at.y();
  rehearsal_.send(e);
}

void RunningMenu::mouseMoveEvent(QMouseEvent* event) {
  if (finger_) {
    finger_ = event->position();
    sendPoint(InputType::Point, *finger_, Device::Touch, kFinger);
    return update();
  }
  sendPoint(InputType::Point, event->position());
}

// With Ctrl it pretends to be a finger: it is nowhere until it touches.
void RunningMenu::mousePressEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  if (!rehearsal_.running()) {
    Q_EMIT wantsStart();
    return;
  }
  if (event->modifiers() & Qt::ControlModifier) {
    finger_ = event->position();
    sendPoint(InputType::PointDown, *finger_, Device::Touch, kFinger);
    return update();
  }
  sendPoint(InputType::PointDown, event->position());
}

void RunningMenu::mouseReleaseEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton) return;
  if (!finger_) return sendPoint(InputType::PointUp, event->position());
  finger_.reset();
  sendPoint(InputType::PointUp, event->position(), Device::Touch, kFinger);
  update();
}

void RunningMenu::paintFinger(QPainter& p) const {
  p.setPen(QPen(QColor(255, 255, 255, 200), 2));
  p.setBrush(QColor(36, 33, 30, 110));
  p.drawEllipse(*finger_, kFingerRound, kFingerRound);
}

// A notch of a wheel is 120 eighths of a degree, and moves by this many px.
void RunningMenu::wheelEvent(QWheelEvent* event) {
  constexpr double kNotch = 120, kPerNotch = 96;
  const QPoint turned = event->angleDelta();
  for (const auto& [by, back, on] : {std::tuple(turned.y(), Dir::Up, Dir::Down),
                                     std::tuple(turned.x(), Dir::Left, Dir::Right)}) {
    if (by == 0) continue;
    const QPointF at = toScreen(event->position());
    InputEvent e;
    e.type = InputType::Scroll;
    e.device = Device::Mouse;
    e.x = at.x();
    e.y = at.y();
    e.dir = by > 0 ? back : on;
    e.number = std::abs(by) / kNotch * kPerNotch;
    rehearsal_.send(e);
  }
  event->accept();
}

void RunningMenu::leaveEvent(QEvent*) {
  sendPoint(InputType::Point, QPointF(-1e4, -1e4));
}

// What was held when the keyboard went elsewhere will never be let go here.
void RunningMenu::focusOutEvent(QFocusEvent* event) {
  QWidget::focusOutEvent(event);
  if (held_.isEmpty()) return;
  held_.clear();
  InputEvent gone;
  gone.type = InputType::Gone;
  rehearsal_.send(gone);
}

}  // namespace bristle
