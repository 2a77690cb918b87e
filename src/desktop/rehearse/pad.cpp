#include "desktop/rehearse/pad.h"

#include <QHelpEvent>
#include <QKeyEvent>
#include <QMouseEvent>
#include <QPainter>
#include <QToolTip>
#include <algorithm>
#include <cmath>

#include "desktop/rehearse/rehearsal.h"
#include "desktop/work/theme.h"
#include "paint/convert.h"

namespace bristle {
namespace {

constexpr int kUnit = 1000;  // beside the controllers that are plugged in
// It is drawn in a field of this size, and made as large as there is room.
constexpr double kWide = 320, kHigh = 124;
constexpr QPointF kStickAt(138, 88), kCrossAt(84, 62), kFourAt(236, 62);
constexpr double kStickRound = 21, kStickReach = 11;

std::optional<Dir> dirOf(const std::string& name) {
  return parseDir(name);
}

// Wide shoulders and a straight lower edge: two grips, each leaning out.
QPainterPath bodyPath() {
  QPainterPath p(QPointF(62, 22));
  p.lineTo(258, 22);
  p.cubicTo(292, 22, 300, 52, 306, 84);
  p.cubicTo(311, 110, 300, 121, 284, 119);
  p.cubicTo(264, 117, 254, 104, 236, 104);
  p.lineTo(84, 104);
  p.cubicTo(66, 104, 56, 117, 36, 119);
  p.cubicTo(20, 121, 9, 110, 14, 84);
  p.cubicTo(20, 52, 28, 22, 62, 22);
  return p;
}

QPainterPath armPath(Dir dir) {
  constexpr double kHalf = 8, kLong = 25;
  QPainterPath arm;
  arm.addRoundedRect(QRectF(-kHalf, -kLong, 2 * kHalf, kLong - kHalf + 1), 3, 3);
  constexpr double kTurns[] = {0, 180, -90, 90};  // up, down, left, right
  QTransform turn;
  turn.translate(kCrossAt.x(), kCrossAt.y());
  turn.rotate(kTurns[static_cast<size_t>(dir)]);
  return turn.map(arm);
}

QPainterPath roundPath(const QPointF& at, double radius) {
  QPainterPath out;
  out.addEllipse(at, radius, radius);
  return out;
}

QPainterPath barPath(const QRectF& rect, double radius) {
  QPainterPath out;
  out.addRoundedRect(rect, radius, radius);
  return out;
}

// What keys do while the pad itself has the keyboard.
std::string partOfKey(int key) {
  switch (key) {
    case Qt::Key_Up:
      return "up";
    case Qt::Key_Down:
      return "down";
    case Qt::Key_Left:
      return "left";
    case Qt::Key_Right:
      return "right";
    case Qt::Key_1:
    case Qt::Key_Return:
    case Qt::Key_Enter:
      return "lower button";
    case Qt::Key_2:
    case Qt::Key_Escape:
      return "right button";
    case Qt::Key_3:
      return "upper button";
    case Qt::Key_4:
      return "left button";
    case Qt::Key_L:
      return "left shoulder";
    case Qt::Key_R:
      return "right shoulder";
    case Qt::Key_S:
      return "start";
    default:
      return {};
  }
}

}  // namespace

Pad::Pad(Rehearsal& rehearsal, QWidget* parent) : QWidget(parent), rehearsal_(rehearsal) {
  setFocusPolicy(Qt::StrongFocus);
  setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Fixed);
  setAccessibleName(tr("On-screen controller"));
  setAccessibleDescription(
      tr("Arrows are its D-pad, 1 to 4 the lower, right, upper and left button, L and R the "
         "shoulders, S start"));
}

const std::vector<Pad::Part>& Pad::parts() {
  static const std::vector<Part> all = [] {
    std::vector<Part> out;
    for (const Dir dir : kDirs) out.push_back({std::string(nameOf(dir)), armPath(dir)});
    out.push_back({"stick", roundPath(kStickAt, kStickRound)});
    constexpr double kApart = 22, kRound = 10;
    out.push_back({"lower button", roundPath(kFourAt + QPointF(0, kApart), kRound)});
    out.push_back({"right button", roundPath(kFourAt + QPointF(kApart, 0), kRound)});
    out.push_back({"upper button", roundPath(kFourAt - QPointF(0, kApart), kRound)});
    out.push_back({"left button", roundPath(kFourAt - QPointF(kApart, 0), kRound)});
    out.push_back({"left shoulder", barPath({50, 6, 70, 13}, 6)});
    out.push_back({"right shoulder", barPath({200, 6, 70, 13}, 6)});
    out.push_back({"start", barPath({147, 44, 26, 12}, 6)});
    return out;
  }();
  return all;
}

QTransform Pad::toWidget() const {
  const double scale = std::min(width() / kWide, height() / kHigh);
  return QTransform::fromTranslate((width() - kWide * scale) / 2, (height() - kHigh * scale) / 2)
      .scale(scale, scale);
}

QPointF Pad::middleOf(const std::string& name) const {
  for (const Part& part : parts())
    if (part.name == name) return toWidget().map(part.path.boundingRect().center());
  return {};
}

const Pad::Part* Pad::partAt(const QPointF& widget) const {
  const QPointF at = toWidget().inverted().map(widget);
  for (const Part& part : parts())
    if (part.path.contains(at)) return &part;
  return nullptr;
}

void Pad::press(const std::string& name, bool down) {
  if (down ? !down_.insert(name).second : down_.erase(name) == 0) return;
  if (const auto dir = dirOf(name)) {
    InputEvent e;
    e.type = InputType::Move;
    e.device = Device::Controller;
    e.dir = *dir;
    e.down = down;
    e.unit = kUnit;
    rehearsal_.send(e);
  } else if (const auto sign = parseSign(Sign::Of::Button, name)) {
    rehearsal_.press(*sign, down, kUnit);
  }
  update();
}

// Its direction is told as a real one's is: beyond its dead zone, with its hysteresis.
void Pad::pushStick(const QPointF& by) {
  const double length = std::hypot(by.x(), by.y());
  pushed_ = length > 1 ? by / length : by;
  const auto before = stick_.held();
  const auto now = stick_.update(pushed_.x(), pushed_.y());
  update();
  if (before == now) return;
  if (before) press(std::string(nameOf(*before)), false);
  if (now) press(std::string(nameOf(*now)), true);
}

void Pad::mousePressEvent(QMouseEvent* event) {
  const Part* part = event->button() == Qt::LeftButton ? partAt(event->position()) : nullptr;
  if (!part) return;
  pressed_ = part->name;
  if (pressed_ == "stick")
    mouseMoveEvent(event);
  else
    press(pressed_, true);
}

void Pad::mouseMoveEvent(QMouseEvent* event) {
  if (pressed_ != "stick") return;
  const QPointF at = toWidget().inverted().map(event->position());
  pushStick((at - kStickAt) / kStickReach);
}

void Pad::mouseReleaseEvent(QMouseEvent*) {
  if (pressed_.empty()) return;
  if (pressed_ == "stick")
    pushStick({});
  else
    press(pressed_, false);
  pressed_.clear();
}

void Pad::keyPressEvent(QKeyEvent* event) {
  const std::string part = partOfKey(event->key());
  if (part.empty()) return QWidget::keyPressEvent(event);
  if (!event->isAutoRepeat()) press(part, true);
}

void Pad::keyReleaseEvent(QKeyEvent* event) {
  const std::string part = partOfKey(event->key());
  if (part.empty()) return QWidget::keyReleaseEvent(event);
  if (!event->isAutoRepeat()) press(part, false);
}

// What was held when the keyboard went elsewhere is let go.
void Pad::focusOutEvent(QFocusEvent* event) {
  for (const std::string& name : std::set(down_)) press(name, false);
  QWidget::focusOutEvent(event);
}

void Pad::show(const Sign& sign, bool down) {
  down ? static_cast<void>(shown_.insert(sign.name)) : static_cast<void>(shown_.erase(sign.name));
  update();
}

void Pad::show(Dir dir, bool down) {
  const std::string name(nameOf(dir));
  down ? static_cast<void>(shown_.insert(name)) : static_cast<void>(shown_.erase(name));
  update();
}

void Pad::showNothing() {
  shown_.clear();
  update();
}

void Pad::paintPart(QPainter& p, const Part& part) const {
  const Theme& theme = themeOf(this);
  const bool on = down_.contains(part.name) || shown_.contains(part.name);
  p.setPen(Qt::NoPen);
  p.setBrush(on ? theme.accent : theme.ink);
  if (part.name != "stick") return p.drawPath(part.path);
  QColor well = theme.ink;
  well.setAlphaF(0.25F);
  p.setBrush(well);
  p.drawPath(part.path);
  p.setBrush(stick_.held() ? theme.accent : theme.ink);
  p.drawEllipse(kStickAt + pushed_ * kStickReach, 14, 14);
  p.setBrush(theme.raised);
  p.drawEllipse(kStickAt + pushed_ * kStickReach, 6, 6);
}

void Pad::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  p.setTransform(toWidget());
  const Theme& theme = themeOf(this);
  for (const Part& part : parts())
    if (part.name.ends_with("shoulder")) paintPart(p, part);
  p.setPen(QPen(hasFocus() ? theme.accent : theme.line, hasFocus() ? 2.5 : 1.2));
  p.setBrush(theme.band);
  p.drawPath(bodyPath());
  // The cross is one piece; what is pressed of it lies on it.
  p.setPen(Qt::NoPen);
  p.setBrush(theme.ink);
  p.drawRect(QRectF(kCrossAt - QPointF(8, 8), QSizeF(16, 16)));
  for (const Part& part : parts())
    if (!part.name.ends_with("shoulder")) paintPart(p, part);
}

bool Pad::event(QEvent* event) {
  if (event->type() == QEvent::ToolTip) {
    auto* help = static_cast<QHelpEvent*>(event);
    const Part* part = partAt(help->pos());
    QToolTip::showText(help->globalPos(), part ? toQt(part->name) : QString(), this);
    return true;
  }
  return QWidget::event(event);
}

}  // namespace bristle
