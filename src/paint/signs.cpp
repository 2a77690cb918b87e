#include "paint/signs.h"

#include <QPainterPath>
#include <algorithm>
#include <array>
#include <cmath>

#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/forms.h"

namespace bristle {
namespace {

// Everything is drawn in a square of 24 × 24, as icons are.
constexpr double kSide = 24, kLine = 1.8;

// Strokes of the keys that have a picture of their own.
struct KeyPicture {
  std::string_view name;
  const char* strokes;  // SVG path data
};
constexpr KeyPicture kPictures[] = {
    {"Enter", "M17 7V13H7.500M11 9.500L7.500 13L11 16.500"},
    {"NumpadEnter", "M17 7V13H7.500M11 9.500L7.500 13L11 16.500"},
    {"Space", "M6.500 10.500V14.500H17.500V10.500"},
    {"Backspace", "M17.500 12H7M10.500 8.500L7 12L10.500 15.500"},
    {"PageUp", "M12 16.500V8.500M8.500 12L12 8.500L15.500 12M7 6H17"},
    {"PageDown", "M12 6V14M8.500 10.500L12 14L15.500 10.500M7 16.500H17"}};

std::string shortName(const std::string& name) {
  constexpr std::pair<std::string_view, std::string_view> kShort[] = {
      {"Escape", "Esc"},  {"Delete", "Del"},    {"Insert", "Ins"},    {"Comma", ","},
      {"Period", "."},    {"Minus", "-"},       {"Equal", "="},       {"Slash", "/"},
      {"Semicolon", ";"}, {"BracketLeft", "["}, {"BracketRight", "]"}};
  for (const auto& [is, out] : kShort)
    if (is == name) return std::string(out);
  return name;
}

void write(QPainter& p, const QRectF& room, const QString& text, double most) {
  // Of its own, so that a sign is the same whoever draws it: the window, the command line, a file.
  const QFont font = fontOf("Inter", 100, 600);
  const QRectF at100 =
      QFontMetricsF(font).boundingRect(QRectF(0, 0, 2000, 2000), Qt::AlignLeft, text);
  const double size = std::min({most, 100 * room.width() / std::max(1.0, at100.width()),
                                100 * room.height() / std::max(1.0, at100.height())});
  // Small sizes are drawn large and scaled: fonts have whole pixels only.
  p.save();
  p.setFont(font);
  p.translate(room.center());
  p.scale(size / 100, size / 100);
  p.drawText(QRectF(-1000, -1000, 2000, 2000), Qt::AlignCenter, text);
  p.restore();
}

void paintKey(QPainter& p, const Sign& sign) {
  const QRectF cap(2.5, 2.5, 19, 19);
  p.drawRoundedRect(cap, 4, 4);
  p.drawLine(QPointF(6, 19), QPointF(18, 19));  // its front edge
  const bool modified = sign.ctrl || sign.alt || sign.shift;
  for (const KeyPicture& each : kPictures)
    if (each.name == sign.name && !modified) {
      p.drawPath(*parseSvgPath(each.strokes));
      return;
    }
  QStringList lines;
  if (sign.ctrl) lines << QStringLiteral("Ctrl");
  if (sign.alt) lines << QStringLiteral("Alt");
  if (sign.shift) lines << QStringLiteral("Shift");
  lines << toQt(shortName(sign.name));
  write(p, QRectF(4.5, 4, 15, 14), lines.join(QLatin1Char('\n')), 12);
}

// Where the four stand, from the lower one on, round to the right.
constexpr std::array<QPointF, 4> kPlaces{QPointF(12, 19), QPointF(19, 12), QPointF(12, 5),
                                         QPointF(5, 12)};

int placeInFour(const std::string& name) {
  constexpr std::string_view kFour[] = {"lower button", "right button", "upper button",
                                        "left button"};
  const auto at = std::find(std::begin(kFour), std::end(kFour), name);
  return at == std::end(kFour) ? -1 : static_cast<int>(at - std::begin(kFour));
}

void paintFour(QPainter& p, int which, PadSigns pad) {
  const QBrush full(p.pen().color());
  if (pad == PadSigns::Dots) {
    for (int i = 0; i < 4; ++i) {
      p.setBrush(i == which ? full : QBrush(Qt::NoBrush));
      const double r = i == which ? 4 : 2.6;
      p.drawEllipse(kPlaces[size_t(i)], r, r);
    }
    return;
  }
  p.drawEllipse(QPointF(12, 12), 9.5, 9.5);
  if (pad == PadSigns::Numbers)
    return write(p, QRectF(5, 5, 14, 14), QString::number(which + 1), 13);
  p.setBrush(full);
  // Qt counts from the right, against the clock, in sixteenths of a degree.
  constexpr int kMiddles[] = {270, 0, 90, 180};
  p.drawPie(QRectF(2.5, 2.5, 19, 19), (kMiddles[which] - 45) * 16, 90 * 16);
}

// A bar over the hand's edge, rounder on its outer side; a trigger hangs deeper.
void paintShoulder(QPainter& p, bool left, bool trigger) {
  p.save();
  if (!left) {
    p.translate(kSide, 0);
    p.scale(-1, 1);
  }
  const double low = trigger ? 20 : 15;
  QPainterPath path(QPointF(21, 7));
  path.lineTo(11, 7);
  path.cubicTo(6, 7, 3, trigger ? 12 : 10, 3, low);
  path.lineTo(21, low);
  path.closeSubpath();
  p.drawPath(path);
  p.restore();
  write(p, QRectF(left ? 8 : 4, trigger ? 9 : 8, 12, trigger ? 9 : 6),
        left ? QStringLiteral("L") : QStringLiteral("R"), 9);
}

void paintButton(QPainter& p, const std::string& name, PadSigns pad) {
  if (const int which = placeInFour(name); which >= 0) return paintFour(p, which, pad);
  if (name == "left shoulder" || name == "right shoulder")
    return paintShoulder(p, name == "left shoulder", false);
  if (name == "left trigger" || name == "right trigger")
    return paintShoulder(p, name == "left trigger", true);
  if (name == "start" || name == "select") {
    p.drawRoundedRect(QRectF(2.5, 7, 19, 10), 5, 5);
    for (double y : {10.3, 13.7}) {
      if (name == "start") p.drawLine(QPointF(8, y), QPointF(16, y));
    }
    if (name == "select") p.drawRect(QRectF(9.5, 10, 5, 4));
    return;
  }
  // A stick, pressed down.
  const bool left = name == "left stick press";
  p.drawEllipse(QPointF(12, 13), 9, 9);
  p.drawPath(*parseSvgPath("M12 2V8.500M9.500 6L12 8.500L14.500 6"));
  write(p, QRectF(8, 10, 8, 8), left ? QStringLiteral("L") : QStringLiteral("R"), 8);
}

}  // namespace

void paintSign(QPainter& painter, const QRectF& square, const Sign& sign, PadSigns pad,
               const QColor& colour) {
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.translate(square.topLeft());
  painter.scale(square.width() / kSide, square.height() / kSide);
  painter.setPen(QPen(colour, kLine, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
  painter.setBrush(Qt::NoBrush);
  if (sign.of == Sign::Of::Key)
    paintKey(painter, sign);
  else
    paintButton(painter, sign.name, pad);
  painter.restore();
}

}  // namespace bristle
