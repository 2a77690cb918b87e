#include "paint/look_painter.h"

#include <fmt/format.h>

#include <QFontMetricsF>
#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "paint/convert.h"
#include "paint/fonts.h"

namespace bristle {
namespace {

constexpr size_t kMostTexts = 4000;

// The values of one part lie together, in the order of the registry.
const Value& valueOf(const Value* values, PartType type, Prop prop) {
  const auto properties = propertiesOf(type);
  for (size_t i = 0; i < properties.size(); ++i)
    if (properties[i].prop == prop) return values[i];
  return values[0];
}

double number(const Value* values, PartType type, Prop prop) {
  return std::get<double>(valueOf(values, type, prop));
}

QPainterPath glyphPath(const std::string& glyph, double s) {
  QPainterPath path;
  if (glyph == "bar") {
    path.addRoundedRect(QRectF(-s / 6, -s / 2, s / 3, s), s / 8, s / 8);
  } else if (glyph == "drop") {
    path.moveTo(s / 2, 0);
    path.cubicTo(0, -s / 2, -s / 2, -s / 3, -s / 2, 0);
    path.cubicTo(-s / 2, s / 3, 0, s / 2, s / 2, 0);
  } else {
    path.moveTo(-s / 3, -s / 2);
    path.lineTo(s / 2, 0);
    path.lineTo(-s / 3, s / 2);
    path.lineTo(-s / 8, 0);
    path.closeSubpath();
  }
  return path;
}

}  // namespace

QBrush brushOf(const Fill& fill, const QRectF& rect) {
  if (fill.type == FillType::None || fill.stops.empty()) return Qt::NoBrush;
  if (fill.type == FillType::Solid) return toQt(fill.stops[0].colour);
  // CSS Images Level 3 §3.1.1: the line through the centre whose ends meet the corners' normals.
  const double radians = fill.angle * 3.14159265358979323846 / 180;
  const QPointF along(std::cos(radians), std::sin(radians));
  const double half =
      (std::abs(rect.width() * along.x()) + std::abs(rect.height() * along.y())) / 2;
  QLinearGradient gradient(rect.center() - along * half, rect.center() + along * half);
  QGradientStops stops;
  for (const Stop& stop : fill.stops) stops.append({stop.at, toQt(stop.colour)});
  gradient.setStops(stops);
  return gradient;
}

void LookPainter::paint(QPainter& painter, const Kind& kind, const LookTable& table,
                        const Look& look, const QRectF& box, const std::string& caption) {
  size_t whole = 0;
  for (const Part& part : kind.parts) whole += propertiesOf(part.type).size();
  if (whole + propertiesOf(PartType::Whole).size() != table.channels().size()) return;
  const auto of = [&](Prop prop) { return number(look.data() + whole, PartType::Whole, prop); };
  const double opacity = of(Prop::Opacity);
  if (opacity <= 0) return;
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  painter.setOpacity(painter.opacity() * opacity);
  if (const double scale = of(Prop::Scale); scale != 1) {
    const QPointF pivot(box.x() + of(Prop::PivotX) * box.width(),
                        box.y() + of(Prop::PivotY) * box.height());
    painter.translate(pivot);
    painter.scale(scale, scale);
    painter.translate(-pivot);
  }
  const double base = painter.opacity();
  const Value* values = look.data();
  for (const Part& part : kind.parts) {
    const double shown = number(values, part.type, Prop::Shown);
    if (shown > 0) {
      painter.setOpacity(base * shown);
      switch (part.type) {
        case PartType::Shape:
          shape(painter, box, values);
          break;
        case PartType::Label:
          label(painter, box, values, caption);
          break;
        case PartType::Marker:
          marker(painter, box, values);
          break;
        case PartType::Picture:
          painter.setOpacity(painter.opacity() * number(values, part.type, Prop::Opacity));
          pictures_.draw(painter, box,
                         std::get<std::string>(valueOf(values, part.type, Prop::File)),
                         std::get<std::string>(valueOf(values, part.type, Prop::Fit)));
          break;
        case PartType::Whole:
          break;
      }
    }
    values += propertiesOf(part.type).size();
  }
  painter.restore();
}

void LookPainter::shape(QPainter& painter, const QRectF& box, const Value* values) {
  const auto of = [&](Prop prop) -> const Value& { return valueOf(values, PartType::Shape, prop); };
  const double outset = std::get<double>(of(Prop::Outset));
  const QRectF rect = box.adjusted(-outset, -outset, outset, outset);
  if (rect.width() <= 0 || rect.height() <= 0) return;
  const double radius =
      std::min({std::get<double>(of(Prop::Radius)), rect.width() / 2, rect.height() / 2});
  shadows_.draw(painter, rect, radius, std::get<Shadow>(of(Prop::Shadow)));
  const double width = std::get<double>(of(Prop::BorderWidth));
  const Fill& fill = std::get<Fill>(of(Prop::Fill));
  // The border lies inside the box, so that a state with a wider one keeps its size.
  const double inset = width / 2;
  const QRectF line = rect.adjusted(inset, inset, -inset, -inset);
  painter.setPen(width > 0 ? QPen(toQt(std::get<Colour>(of(Prop::BorderColour))), width)
                           : QPen(Qt::NoPen));
  painter.setBrush(brushOf(fill, rect));
  const double inner = std::max(0.0, radius - inset);
  painter.drawRoundedRect(line, inner, inner);
}

const LookPainter::Text& LookPainter::textOf(const std::string& family, double size, double weight,
                                             const std::string& text) {
  // Sizes are rounded to the pixel by the font; key by what it will be.
  const std::string key =
      fmt::format("{}\n{}\n{}\n{}", family, std::lround(size), std::lround(weight), text);
  if (const auto at = texts_.find(key); at != texts_.end()) return at->second;
  if (texts_.size() > kMostTexts) texts_.clear();
  Text made;
  made.font = fontOf(family, size, weight);
  made.text.setText(toQt(text));
  made.text.setTextFormat(Qt::PlainText);
  made.text.prepare({}, made.font);
  const QFontMetricsF metrics(made.font);
  made.size = {metrics.horizontalAdvance(toQt(text)), metrics.height()};
  // Centred by the height of capitals: captions look centred then, whatever the font's own spacing.
  made.capTop = metrics.ascent() - metrics.capHeight() / 2;
  return texts_.emplace(key, std::move(made)).first->second;
}

void LookPainter::label(QPainter& painter, const QRectF& box, const Value* values,
                        const std::string& caption) {
  if (caption.empty()) return;
  const auto of = [&](Prop prop) -> const Value& { return valueOf(values, PartType::Label, prop); };
  const Text& text =
      textOf(std::get<std::string>(of(Prop::Family)), std::get<double>(of(Prop::Size)),
             std::get<double>(of(Prop::Weight)), caption);
  const std::string& align = std::get<std::string>(of(Prop::Align));
  double x = box.x();
  if (align == "centre") x += (box.width() - text.size.width()) / 2;
  if (align == "end") x += box.width() - text.size.width();
  const double y = box.center().y() - text.capTop;
  painter.setPen(toQt(std::get<Colour>(of(Prop::Colour))));
  painter.setFont(text.font);
  painter.drawStaticText(
      QPointF(x + std::get<double>(of(Prop::OffsetX)), y + std::get<double>(of(Prop::OffsetY))),
      text.text);
}

void LookPainter::marker(QPainter& painter, const QRectF& box, const Value* values) {
  const auto of = [&](Prop prop) -> const Value& {
    return valueOf(values, PartType::Marker, prop);
  };
  painter.save();
  painter.translate(box.x() + std::get<double>(of(Prop::OffsetX)),
                    box.center().y() + std::get<double>(of(Prop::OffsetY)));
  painter.setPen(Qt::NoPen);
  painter.setBrush(toQt(std::get<Colour>(of(Prop::Colour))));
  painter.drawPath(
      glyphPath(std::get<std::string>(of(Prop::Glyph)), std::get<double>(of(Prop::Size))));
  painter.restore();
}

double LookPainter::reach(const Kind& kind, const LookTable& table) {
  double out = 0;
  for (size_t state = 0; state < table.stateCount(); ++state) {
    const Value* values = table.state(static_cast<StateIndex>(state)).data();
    for (const Part& part : kind.parts) {
      if (part.type == PartType::Shape) {
        const Shadow& s = std::get<Shadow>(valueOf(values, part.type, Prop::Shadow));
        const double outset = number(values, part.type, Prop::Outset);
        const double shade =
            s.colour.a ? s.blur + s.spread + std::max(std::abs(s.dx), std::abs(s.dy)) : 0;
        out = std::max(out, outset + shade);
      } else if (part.type == PartType::Marker) {
        const double x = number(values, part.type, Prop::OffsetX);
        const double size = number(values, part.type, Prop::Size);
        out = std::max({out, size - x, x + size - kind.width});
      }
      values += propertiesOf(part.type).size();
    }
    const double scale = number(values, PartType::Whole, Prop::Scale);
    out = std::max(out, std::max(kind.width, kind.height) * std::max(0.0, scale - 1));
  }
  return std::ceil(out);
}

}  // namespace bristle
