#include "paint/look_painter.h"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "markup/part_html.h"
#include "paint/convert.h"
#include "paint/forms.h"
#include "paint/part_place.h"
#include "runtime/machine/part_place.h"

namespace bristle {
namespace {

size_t channelsOf(const Kind& kind) {
  size_t out = propertiesOf(PartType::Whole).size();
  for (const Part& part : kind.parts) out += propertiesOf(part.type).size();
  return out;
}

QGradientStops stopsOf(const Fill& fill) {
  QGradientStops stops;
  for (const Stop& stop : fill.stops) stops.append({stop.at, toQt(stop.colour)});
  return stops;
}

// Light from above: a stroke along the inside of the edge, light at the top and dark below.
void bevel(QPainter& painter, const PartValues& v, const QRectF& rect, double inset) {
  const double width = v.number(Prop::Bevel);
  if (width <= 0) return;
  QColor light = toQt(v.colour(Prop::BevelLight)), dark = toQt(v.colour(Prop::BevelDark));
  QColor noLight = light, noDark = dark;
  noLight.setAlpha(0);
  noDark.setAlpha(0);
  QLinearGradient gradient(rect.topLeft(), rect.bottomLeft());
  gradient.setStops({{0, light}, {0.45, noLight}, {0.55, noDark}, {1, dark}});
  painter.setBrush(Qt::NoBrush);
  painter.setPen(QPen(QBrush(gradient), width, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin));
  painter.drawPath(formPath(v, rect, -inset - width / 2));
}

QPen borderPen(const PartValues& v) {
  const double width = v.number(Prop::BorderWidth);
  QPen pen(toQt(v.colour(Prop::BorderColour)), width, Qt::SolidLine, Qt::FlatCap, Qt::MiterJoin);
  const double on = v.number(Prop::DashOn), off = v.number(Prop::DashOff);
  if (on > 0 && off > 0) pen.setDashPattern({on / width, off / width});
  return pen;
}

// Forms whose outline keeps its form when it grows: their border is the area between two of them,
// which is painted in half the time that a stroke takes.
bool growsEvenly(const PartValues& v) {
  const std::string& form = v.text(Prop::Form);
  return form != "chevron" && form != "polygon" && form != "outline";
}

void border(QPainter& painter, const PartValues& v, const QRectF& rect, double by) {
  const double width = v.number(Prop::BorderWidth);
  if (width <= 0 || v.colour(Prop::BorderColour).a == 0) return;
  const bool dashed = v.number(Prop::DashOn) > 0 && v.number(Prop::DashOff) > 0;
  if (!dashed && growsEvenly(v)) {
    QPainterPath ring = formPath(v, rect, by + width / 2);
    ring.addPath(formPath(v, rect, by - width / 2));
    painter.fillPath(ring, toQt(v.colour(Prop::BorderColour)));
    return;
  }
  painter.setBrush(Qt::NoBrush);
  painter.setPen(borderPen(v));
  painter.drawPath(formPath(v, rect, by));
}

}  // namespace

QBrush brushOf(const Fill& fill, const QRectF& rect) {
  if (fill.type == FillType::None || fill.stops.empty()) return Qt::NoBrush;
  if (fill.type == FillType::Solid) return toQt(fill.stops[0].colour);
  if (fill.type == FillType::Radial) {
    QRadialGradient gradient(QPointF(0, 0), 1);
    gradient.setStops(stopsOf(fill));
    QBrush brush(gradient);
    brush.setTransform(QTransform::fromTranslate(rect.x() + fill.x * rect.width(),
                                                 rect.y() + fill.y * rect.height())
                           .scale(std::max(1e-3, fill.radius * rect.width()),
                                  std::max(1e-3, fill.radius * rect.height())));
    return brush;
  }
  // CSS Images Level 3 §3.1.1: the line through the centre whose ends meet the corners' normals.
  const double radians = fill.angle * 3.14159265358979323846 / 180;
  const QPointF along(std::cos(radians), std::sin(radians));
  const double half =
      (std::abs(rect.width() * along.x()) + std::abs(rect.height() * along.y())) / 2;
  QLinearGradient gradient(rect.center() - along * half, rect.center() + along * half);
  gradient.setStops(stopsOf(fill));
  return gradient;
}

void LookPainter::paint(QPainter& painter, const Kind& kind, const LookTable& table,
                        const Look& look, const QRectF& box, const std::string& caption, Ms since) {
  if (channelsOf(kind) == table.channels().size())
    paintParts(painter, kind, look, box, caption, since, {});
}

QColor signalColour(StateIndex state) {
  constexpr QRgb kColours[] = {0xff8a8a8a, 0xffffd000, 0xffff2d87, 0xff00c2ff,
                               0xff5a3cff, 0xff2fe04a, 0xffff7a00, 0xff00e0b8};
  return QColor::fromRgb(kColours[state % std::size(kColours)]);
}

void LookPainter::paintState(QPainter& painter, const Kind& kind, const LookTable& table,
                             StateIndex state, const Look& look, const QRectF& box,
                             const std::string& caption, Ms since) {
  if (!signals_) return paint(painter, kind, table, look, box, caption, since);
  const double room = reach(kind, table);
  const QRectF all = box.adjusted(-room, -room, room, room);
  QImage image((all.size() * 1.0).toSize(), QImage::Format_ARGB32_Premultiplied);
  image.fill(Qt::transparent);
  {
    QPainter into(&image);
    into.translate(-all.topLeft());
    paint(into, kind, table, look, box, caption, since);
    into.resetTransform();
    QColor tint = signalColour(state);
    tint.setAlpha(238);
    into.setCompositionMode(QPainter::CompositionMode_SourceAtop);
    into.fillRect(image.rect(), tint);
  }
  painter.save();
  painter.setRenderHint(QPainter::SmoothPixmapTransform);
  painter.drawImage(all.topLeft(), image);
  painter.restore();
  // The captions once more on top, as they are but black: their size is part of what is looked at.
  if (channelsOf(kind) != table.channels().size()) return;
  Look black = look;
  for (const Part& part : kind.parts)
    if (const int at = table.channel({part.id, Prop::Colour});
        at >= 0 && part.type == PartType::Label)
      black[size_t(at)] = Colour{0, 0, 0, 255};
  paintParts(painter, kind, black, box, caption, since,
             [](const Part& p) { return p.type == PartType::Label; });
}

void LookPainter::paintWithout(QPainter& painter, const Kind& kind, const Look& look,
                               const QRectF& box, const std::string& caption, const PartId& part) {
  if (channelsOf(kind) == look.size())
    paintParts(painter, kind, look, box, caption, 0, [&](const Part& p) { return p.id != part; });
}

void LookPainter::paintParts(QPainter& painter, const Kind& kind, const Look& look,
                             const QRectF& box, const std::string& caption, Ms since,
                             const Wanted& wanted) {
  const PartValues whole = eachPart(
      kind.parts, look.data(), [](const auto&, const auto&) {}, mirrored_);
  const double opacity = whole.number(Prop::Opacity);
  if (opacity <= 0) return;
  painter.save();
  painter.setRenderHint(QPainter::Antialiasing);
  const double base = painter.opacity() * opacity;
  shadows_.scaleTo(painter);
  const QTransform all = wholeTransform(whole, box);
  if (!all.isIdentity()) painter.setTransform(all, true);
  const QTransform before = painter.transform();
  const Colour colour = captionColour(kind, look);
  eachPart(
      kind.parts, look.data(),
      [&](const Part& p, const PartValues& values) {
        const double shown = values.shown() * values.number(Prop::Opacity);
        if (shown <= 0 || (wanted && !wanted(p))) return;
        painter.setOpacity(base * shown);
        const QRectF rect = partRect(values, box);
        const QTransform own = partTransform(values, rect);
        if (!own.isIdentity()) painter.setTransform(own, true);
        part(painter, values, rect, colour, caption, since);
        if (!own.isIdentity()) painter.setTransform(before);
      },
      mirrored_);
  painter.restore();
}

void LookPainter::part(QPainter& painter, const PartValues& values, const QRectF& rect,
                       Colour caption, const std::string& text, Ms since) {
  switch (values.type()) {
    case PartType::Shape:
      return shape(painter, values, rect);
    case PartType::Label:
      return captions_.draw(painter, values, rect, text);
    case PartType::Marker:
      painter.setPen(Qt::NoPen);
      painter.setBrush(toQt(values.colour(Prop::Colour)));
      painter.drawPath(
          QTransform(values.mirrored() ? -1 : 1, 0, 0, 1, rect.center().x(), rect.center().y())
              .map(markerPath(values.text(Prop::Glyph), rect.width())));
      return;
    case PartType::Picture:
      return picture(painter, values, rect, since);
    case PartType::Icon:
      return icon(painter, values, rect, caption);
    case PartType::Whole:
      return;
  }
}

void LookPainter::shape(QPainter& painter, const PartValues& v, const QRectF& rect) {
  if (rect.width() <= 0 || rect.height() <= 0) return;
  const double width = v.number(Prop::BorderWidth);
  const std::string& place = v.text(Prop::BorderPlace);
  // Inside by default, so that a state with a wider border keeps its size.
  const double by = place == "inside" ? -width / 2 : place == "outside" ? width / 2 : 0;
  const Shadow &outer = v.shadow(Prop::Shadow), &glow = v.shadow(Prop::Glow),
               &inner = v.shadow(Prop::InnerShadow);
  if (outer.colour.a || glow.colour.a) {
    const QPainterPath outline = formPath(v, rect, std::max(0.0, by + width / 2));
    shadows_.draw(painter, outline, glow);
    shadows_.draw(painter, outline, outer);
  }
  const Fill& fill = v.fill(Prop::Fill);
  // Under a border that lies inside, the filling ends in its middle: no seam shows at the edge.
  const bool whole = by >= 0 || inner.colour.a || v.number(Prop::DashOn) > 0;
  if (fill.type != FillType::None)
    painter.fillPath(formPath(v, rect, whole ? 0 : by), brushOf(fill, rect));
  if (inner.colour.a) shadows_.draw(painter, formPath(v, rect), inner, true);
  border(painter, v, rect, by);
  bevel(painter, v, rect, place == "inside" ? width : place == "centre" ? width / 2 : 0);
}

void LookPainter::picture(QPainter& painter, const PartValues& v, const QRectF& rect, Ms since) {
  PictureLook look;
  look.file = v.text(Prop::File);
  look.fit = v.text(Prop::Fit);
  look.slices = v.four(Prop::Slices);
  look.tint = v.colour(Prop::Tint);
  look.across = std::max(1, static_cast<int>(v.number(Prop::FramesAcross)));
  look.down = std::max(1, static_cast<int>(v.number(Prop::FramesDown)));
  look.frame =
      frameAfter(v.text(Prop::Playing), v.number(Prop::FrameRate), look.across * look.down, since);
  pictures_.draw(painter, rect, look);
}

void LookPainter::icon(QPainter& painter, const PartValues& v, const QRectF& rect, Colour caption) {
  const Colour colour = v.flag(Prop::LikeCaption) ? caption : v.colour(Prop::Colour);
  if (sign_) {
    if (sign_->sign) paintSign(painter, rect, *sign_->sign, sign_->pad, toQt(colour));
    return;
  }
  const std::string& name = v.text(Prop::Icon);
  if (const QPainterPath* path = iconPath(name)) {
    const QTransform before = painter.transform();
    const double s = rect.width() / 24;
    // What points forward points to where one reads on.
    const bool turned = v.mirrored() && (name == "arrow left" || name == "arrow right");
    painter.translate(turned ? rect.topRight() : rect.topLeft());
    painter.scale(turned ? -s : s, s);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(toQt(colour), 2, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(*path);
    painter.setTransform(before);
    return;
  }
  PictureLook look;  // a file: a form in one colour
  look.file = name;
  look.tint = colour;
  pictures_.draw(painter, rect, look);
}

bool LookPainter::cutsCaption(const Kind& kind, const LookTable& table, const QRectF& box,
                              const std::string& caption) {
  bool cut = false;
  for (size_t state = 0; state < table.stateCount() && !cut; ++state)
    eachPart(kind.parts, table.state(static_cast<StateIndex>(state)).data(),
             [&](const Part& part, const PartValues& v) {
               if (part.type == PartType::Label && v.shown() > 0)
                 cut = cut || captions_.isCut(v, partRect(v, box), caption);
             });
  return cut;
}

double LookPainter::captionSize(const Kind& kind, const LookTable& table, const QRectF& box,
                                const std::string& caption) {
  double least = 0;
  for (size_t state = 0; state < table.stateCount(); ++state)
    eachPart(kind.parts, table.state(static_cast<StateIndex>(state)).data(),
             [&](const Part& part, const PartValues& v) {
               if (part.type != PartType::Label || v.shown() <= 0) return;
               const double here = captions_.size(v, partRect(v, box), caption);
               if (least == 0 || here < least) least = here;
             });
  return least;
}

double LookPainter::reach(const Kind& kind, const LookTable& table) {
  const QRectF box(0, 0, kind.width, kind.height);
  QRectF all = box;
  const auto shade = [](const Shadow& s) {
    return s.colour.a ? s.blur + s.spread + std::max(std::abs(s.dx), std::abs(s.dy)) : 0;
  };
  for (size_t state = 0; state < table.stateCount(); ++state) {
    const Look& look = table.state(static_cast<StateIndex>(state));
    QRectF parts = box;
    const PartValues whole =
        eachPart(kind.parts, look.data(), [&](const Part& part, const PartValues& v) {
          const QRectF rect = partRect(v, box);
          double more = 0;
          if (part.type == PartType::Shape) {
            more = std::max({shade(v.shadow(Prop::Shadow)), shade(v.shadow(Prop::Glow)), 0.0});
            if (v.text(Prop::BorderPlace) != "inside") more += v.number(Prop::BorderWidth);
          }
          if (part.type == PartType::Label) return;
          parts |= partTransform(v, rect).mapRect(rect.adjusted(-more, -more, more, more));
        });
    all |= wholeTransform(whole, box).mapRect(parts);
  }
  return std::ceil(std::max(
             {-all.left(), -all.top(), all.right() - box.right(), all.bottom() - box.bottom()})) +
         2;
}

}  // namespace bristle
