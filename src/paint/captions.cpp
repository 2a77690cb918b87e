#include "paint/captions.h"

#include <fmt/format.h>

#include <QFontMetricsF>
#include <QTextLayout>
#include <algorithm>
#include <cmath>

#include "paint/convert.h"
#include "paint/fonts.h"
#include "runtime/machine/part_place.h"

namespace bristle {
namespace {

constexpr size_t kMostKept = 4000;
constexpr double kLeastShrunk = 0.5;  // of the size: smaller cannot be read

QString inCase(const QString& text, const std::string& how) {
  if (how == "upper") return text.toUpper();
  if (how == "lower") return text.toLower();
  return text;
}

double widthOf(const QFont& font, const QString& text) {
  return QFontMetricsF(font).horizontalAdvance(text);
}

// From the top of a line to its baseline as it is drawn: where a font lacks letters, another one
// that stands in for it may need more room than its own.
double ascentOf(const QFont& font, const QString& text) {
  QTextLayout layout(text, font);
  layout.beginLayout();
  const QTextLine line = layout.createLine();
  layout.endLayout();
  return line.isValid() ? line.ascent() : QFontMetricsF(font).ascent();
}

// The text in at most two lines; what is left over stays in the second, elided where wanted.
QStringList linesOf(const QFont& font, const QString& text, double width) {
  if (widthOf(font, text) <= width) return {text};
  QTextLayout layout(text, font);
  layout.beginLayout();
  QTextLine first = layout.createLine();
  first.setLineWidth(width);
  layout.endLayout();
  const int at = first.textLength();
  return {text.left(at).trimmed(), text.mid(at).trimmed()};
}

// On which side lines begin.
Qt::Alignment sideOf(const PartValues& label) {
  const std::string& align = label.text(Prop::Align);
  if (align == "centre") return Qt::AlignHCenter;
  return (align == "end") != label.mirrored() ? Qt::AlignRight : Qt::AlignLeft;
}

}  // namespace

QRectF Captions::inside(const PartValues& label, const QRectF& rect) {
  return toQt(labelRoom(label, fromQt(rect)));
}

const Captions::Laid& Captions::laid(const PartValues& v, double width,
                                     const std::string& caption) {
  const double size = v.number(Prop::Size);
  const bool two = v.number(Prop::Lines) >= 1.5;
  const std::string& overflow = v.text(Prop::Overflow);
  // Sizes are rounded to the pixel by the font; key by what it will be.
  const std::string key =
      fmt::format("{}\n{}\n{}\n{:.1f}\n{}\n{}\n{}\n{}\n{}\n{}", v.text(Prop::Family),
                  std::lround(size), std::lround(v.number(Prop::Weight)), v.number(Prop::Spacing),
                  v.text(Prop::Case), two ? int(sideOf(v)) : 0, overflow,
                  overflow == "spill" && !two ? 0 : std::lround(width), two, caption);
  if (const auto at = laid_.find(key); at != laid_.end()) return at->second;
  if (laid_.size() > kMostKept) laid_.clear();
  Laid out;
  const QString text = inCase(toQt(caption), v.text(Prop::Case));
  const auto fontAt = [&](double px) {
    QFont font = fontOf(v.text(Prop::Family), px, v.number(Prop::Weight));
    if (v.number(Prop::Spacing) != 0)
      font.setLetterSpacing(QFont::AbsoluteSpacing, v.number(Prop::Spacing));
    return font;
  };
  out.font = fontAt(size);
  QStringList lines = two ? linesOf(out.font, text, width) : QStringList{text};
  const auto widest = [&](const QFont& font) {
    double w = 0;
    for (const QString& line : lines) w = std::max(w, widthOf(font, line));
    return w;
  };
  const bool tooWide = widest(out.font) > width + 0.5 && overflow != "spill";
  if (tooWide && overflow == "shrink") {
    for (double px = size; px >= size * kLeastShrunk; px -= 1) {
      out.font = fontAt(px);
      if (two) lines = linesOf(out.font, text, width);
      if (widest(out.font) <= width) break;
    }
  }
  const QFontMetricsF metrics(out.font);
  for (QString& line : lines) {
    if (overflow == "spill" || metrics.horizontalAdvance(line) <= width + 0.5) continue;
    line = metrics.elidedText(line, Qt::ElideRight, width);
    out.cut = true;
  }
  QTextOption option;
  option.setAlignment(sideOf(v));
  out.size = {widest(out.font),
              metrics.height() + metrics.lineSpacing() * double(lines.size() - 1)};
  out.text.setTextFormat(Qt::PlainText);
  out.text.setText(lines.join(QChar::LineSeparator));
  if (lines.size() > 1) {
    out.text.setTextOption(option);
    out.text.setTextWidth(std::ceil(out.size.width()) + 1);
  }
  out.text.prepare({}, out.font);
  // Centred by the height of capitals: captions look centred then, whatever the font's own spacing.
  out.middle = ascentOf(out.font, lines.front()) - metrics.capHeight() / 2 +
               metrics.lineSpacing() * double(lines.size() - 1) / 2;
  return laid_.emplace(key, std::move(out)).first->second;
}

QPointF Captions::placed(const PartValues& label, const QRectF& rect, const Laid& laid) {
  const Qt::Alignment side = sideOf(label);
  double x = rect.x();
  if (side == Qt::AlignHCenter) x += (rect.width() - laid.size.width()) / 2;
  if (side == Qt::AlignRight) x += rect.width() - laid.size.width();
  return {x, rect.center().y() - laid.middle};
}

void Captions::draw(QPainter& painter, const PartValues& label, const QRectF& rect,
                    const std::string& caption) {
  if (caption.empty()) return;
  const QRectF room = inside(label, rect);
  const Laid& text = laid(label, room.width(), caption);
  painter.setPen(toQt(label.colour(Prop::Colour)));
  painter.setFont(text.font);
  painter.drawStaticText(placed(label, room, text), text.text);
}

QRectF Captions::bounds(const PartValues& label, const QRectF& rect, const std::string& caption) {
  if (caption.empty()) return {};
  const QRectF room = inside(label, rect);
  const Laid& text = laid(label, room.width(), caption);
  return {placed(label, room, text), text.size};
}

double Captions::size(const PartValues& label, const QRectF& rect, const std::string& caption) {
  return laid(label, inside(label, rect).width(), caption).font.pixelSize();
}

bool Captions::isCut(const PartValues& label, const QRectF& rect, const std::string& caption) {
  return !caption.empty() && laid(label, inside(label, rect).width(), caption).cut;
}

}  // namespace bristle
