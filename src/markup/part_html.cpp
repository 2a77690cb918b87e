#include "markup/part_html.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "markup/css.h"
#include "markup/form_path.h"
#include "markup/icon_strokes.h"
#include "runtime/machine/part_place.h"

namespace bristle {
namespace {

// So far out of sight that nothing of a box shows but its shadow, which is moved back: a box hides
// its own shadow otherwise, and shows what lies behind through a fill that is not opaque.
constexpr double kAside = 20'000;

Box grown(const Box& b, double by) {
  return {b.x - by, b.y - by, b.w + 2 * by, b.h + 2 * by};
}

// Light from above: a stroke along the inside of the edge, light at the top and dark below.
std::string bevel(const PartValues& v, const Box& rect, double inset, std::string_view id) {
  const double width = v.number(Prop::Bevel);
  if (width <= 0) return {};
  const Colour light = v.colour(Prop::BevelLight), dark = v.colour(Prop::BevelDark);
  const auto stop = [](double at, Colour colour, bool none) {
    if (none) colour.a = 0;
    return fmt::format("<stop offset=\"{}\" stop-color=\"{}\" stop-opacity=\"{}\"/>", cssNumber(at),
                       toHex({colour.r, colour.g, colour.b, 255}), cssNumber(colour.a / 255.0));
  };
  return fmt::format(
      "<linearGradient id=\"{0}v\" gradientUnits=\"userSpaceOnUse\" x1=\"0\" y1=\"{1}\" x2=\"0\" "
      "y2=\"{2}\">{3}{4}{5}{6}</linearGradient><path d=\"{7}\" fill=\"none\" stroke=\"url(#{0}v)\" "
      "stroke-width=\"{8}\"/>",
      id, cssNumber(rect.y), cssNumber(rect.y + rect.h), stop(0, light, false),
      stop(0.45, light, true), stop(0.55, dark, true), stop(1, dark, false),
      formPathData(v, rect, -inset - width / 2), cssNumber(width));
}

// The border as a stroke, for what CSS has no border for.
std::string strokedBorder(const PartValues& v, const Box& rect, double by) {
  const double width = v.number(Prop::BorderWidth);
  if (width <= 0 || v.colour(Prop::BorderColour).a == 0) return {};
  const double on = v.number(Prop::DashOn), off = v.number(Prop::DashOff);
  return fmt::format(
      "<path d=\"{}\" fill=\"none\" stroke=\"{}\" stroke-width=\"{}\"{}/>",
      formPathData(v, rect, by), toHex(v.colour(Prop::BorderColour)), cssNumber(width),
      on > 0 && off > 0 ? fmt::format(" stroke-dasharray=\"{} {}\"", cssNumber(on), cssNumber(off))
                        : std::string());
}

std::string svg(const std::string& content) {
  return content.empty() ? content
                         : "<svg class=\"v\" width=\"1\" height=\"1\">" + content + "</svg>";
}

// A form that CSS knows: boxes with rounded corners, laid on one another.
std::string roundedShape(const PartValues& v, const Box& rect, double by, std::string_view id) {
  const double width = v.number(Prop::BorderWidth);
  const Shadow &outer = v.shadow(Prop::Shadow), &glow = v.shadow(Prop::Glow),
               &inner = v.shadow(Prop::InnerShadow);
  std::string out;
  const auto layer = [&](double beyond, const std::string& style) {
    out += fmt::format("<i style=\"{}border-radius:{};{}\"></i>", cssBox(grown(rect, beyond)),
                       cssRadii(v, beyond), style);
  };
  const double outline = std::max(0.0, by + width / 2);
  for (const Shadow* each : {&glow, &outer}) {
    if (each->colour.a == 0) continue;
    Box box = grown(rect, outline);
    box.x -= kAside;
    out += fmt::format("<i style=\"{}border-radius:{};box-shadow:{}\"></i>", cssBox(box),
                       cssRadii(v, outline), cssShadow(*each, kAside));
  }
  const bool dashed = v.number(Prop::DashOn) > 0 && v.number(Prop::DashOff) > 0;
  const bool whole = by >= 0 || inner.colour.a || v.number(Prop::DashOn) > 0;
  const Fill& fill = v.fill(Prop::Fill);
  if (fill.type == FillType::Solid && !fill.stops.empty()) {
    layer(whole ? 0 : by, "background:" + toHex(fill.stops[0].colour));
  } else if (fill.isGradient()) {
    // The gradient is that of the whole form, however little of it is filled.
    const double in = whole ? 0 : by;
    layer(in, fmt::format("background:{} {} {}/{} {} no-repeat", cssImage(fill, rect), cssPx(in),
                          cssPx(in), cssPx(rect.w), cssPx(rect.h)));
  }
  if (inner.colour.a) layer(0, "box-shadow:inset " + cssShadow(inner));
  if (width > 0 && !dashed && v.colour(Prop::BorderColour).a)
    layer(by + width / 2,
          fmt::format("border:{} solid {}", cssPx(width), toHex(v.colour(Prop::BorderColour))));
  const double inset = by < 0 ? width : by == 0 ? width / 2 : 0;
  return out +
         svg((dashed ? strokedBorder(v, rect, by) : std::string()) + bevel(v, rect, inset, id));
}

std::string gradient(const Fill& fill, const Box& r, std::string_view id) {
  std::string stops;
  for (const Stop& stop : fill.stops)
    stops += fmt::format("<stop offset=\"{}\" stop-color=\"{}\" stop-opacity=\"{}\"/>",
                         cssNumber(stop.at), toHex({stop.colour.r, stop.colour.g, stop.colour.b}),
                         cssNumber(stop.colour.a / 255.0));
  if (fill.type == FillType::Radial)
    return fmt::format(
        "<radialGradient id=\"{}f\" gradientUnits=\"userSpaceOnUse\" cx=\"0\" cy=\"0\" r=\"1\" "
        "gradientTransform=\"matrix({} 0 0 {} {} {})\">{}</radialGradient>",
        id, cssNumber(std::max(1e-3, fill.radius * r.w)),
        cssNumber(std::max(1e-3, fill.radius * r.h)), cssNumber(r.x + fill.x * r.w),
        cssNumber(r.y + fill.y * r.h), stops);
  // CSS Images Level 3 §3.1.1: the line through the centre whose ends meet the corners' normals.
  const double radians = fill.angle * 3.14159265358979323846 / 180;
  const double x = std::cos(radians), y = std::sin(radians);
  const double half = (std::abs(r.w * x) + std::abs(r.h * y)) / 2;
  const double cx = r.x + r.w / 2, cy = r.y + r.h / 2;
  return fmt::format(
      "<linearGradient id=\"{}f\" gradientUnits=\"userSpaceOnUse\" x1=\"{}\" y1=\"{}\" x2=\"{}\" "
      "y2=\"{}\">{}</linearGradient>",
      id, cssNumber(cx - x * half), cssNumber(cy - y * half), cssNumber(cx + x * half),
      cssNumber(cy + y * half), stops);
}

// Any other form, as SVG.
std::string drawnShape(const PartValues& v, const Box& rect, double by, std::string_view id) {
  const double width = v.number(Prop::BorderWidth);
  const std::string outline = formPathData(v, rect, std::max(0.0, by + width / 2));
  std::string out;
  for (const Prop prop : {Prop::Glow, Prop::Shadow}) {
    const Shadow& s = v.shadow(prop);
    if (s.colour.a == 0) continue;
    const double sx = (rect.w + 2 * s.spread) / std::max(1.0, rect.w),
                 sy = (rect.h + 2 * s.spread) / std::max(1.0, rect.h);
    const double cx = rect.x + rect.w / 2, cy = rect.y + rect.h / 2;
    out += fmt::format(
        "<path d=\"{}\" fill=\"{}\" style=\"filter:blur({})\" transform=\"matrix({} 0 0 {} {} "
        "{})\"/>",
        outline, toHex(s.colour), cssPx(s.blur / 2), cssNumber(sx), cssNumber(sy),
        cssNumber(cx - cx * sx + s.dx), cssNumber(cy - cy * sy + s.dy));
  }
  const Fill& fill = v.fill(Prop::Fill);
  const std::string form = formPathData(v, rect);
  if (fill.type == FillType::Solid && !fill.stops.empty())
    out += fmt::format("<path d=\"{}\" fill=\"{}\"/>", form, toHex(fill.stops[0].colour));
  else if (fill.isGradient())
    out += gradient(fill, rect, id) + fmt::format("<path d=\"{}\" fill=\"url(#{}f)\"/>", form, id);
  // What lies outside, moved and blurred, as far as it falls inside.
  if (const Shadow& s = v.shadow(Prop::InnerShadow); s.colour.a) {
    const Box far = grown(rect, 400);
    out += fmt::format(
        "<clipPath id=\"{0}c\"><path d=\"{1}\"/></clipPath><g clip-path=\"url(#{0}c)\"><path "
        "fill-rule=\"evenodd\" fill=\"{2}\" style=\"filter:blur({3})\" transform=\"translate({4} "
        "{5})\" d=\"M{6} {7}h{8}v{9}h-{8}Z{1}\"/></g>",
        id, form, toHex(s.colour), cssPx(s.blur / 2), cssNumber(s.dx), cssNumber(s.dy),
        cssNumber(far.x), cssNumber(far.y), cssNumber(far.w), cssNumber(far.h));
  }
  const double inset = by < 0 ? width : by == 0 ? width / 2 : 0;
  return svg(out + strokedBorder(v, rect, by) + bevel(v, rect, inset, id));
}

std::string shape(const PartValues& v, const Box& rect, std::string_view id) {
  if (rect.w <= 0 || rect.h <= 0) return {};
  const double width = v.number(Prop::BorderWidth);
  const std::string& place = v.text(Prop::BorderPlace);
  const double by = place == "inside" ? -width / 2 : place == "outside" ? width / 2 : 0;
  return isRoundedBox(v) ? roundedShape(v, rect, by, id) : drawnShape(v, rect, by, id);
}

std::string icon(const PartValues& v, const Box& rect, const PartSetting& with) {
  const Colour colour = v.flag(Prop::LikeCaption) ? with.captionColour : v.colour(Prop::Colour);
  const std::string& name = v.text(Prop::Icon);
  if (with.sign) {
    if (with.sign->empty()) return {};
    return pictureHtml(with.pictures, rect, {.file = *with.sign, .fit = "whole", .tint = colour});
  }
  const std::string_view strokes = iconStrokes(name);
  if (strokes.empty())
    return pictureHtml(with.pictures, rect, {.file = name, .fit = "contain", .tint = colour});
  // What points forward points to where one reads on.
  const bool turned = v.mirrored() && (name == "arrow left" || name == "arrow right");
  const double s = rect.w / 24;
  return svg(fmt::format(
      "<path d=\"{}\" fill=\"none\" stroke=\"{}\" stroke-width=\"2\" stroke-linecap=\"round\" "
      "stroke-linejoin=\"round\" transform=\"matrix({} 0 0 {} {} {})\"/>",
      strokes, toHex(colour), cssNumber(turned ? -s : s), cssNumber(s),
      cssNumber(turned ? rect.x + rect.w : rect.x), cssNumber(rect.y)));
}

std::string marker(const PartValues& v, const Box& rect) {
  return svg(fmt::format("<path d=\"{}\" fill=\"{}\" transform=\"matrix({} 0 0 1 {} {})\"/>",
                         markerPathData(v.text(Prop::Glyph), rect.w), toHex(v.colour(Prop::Colour)),
                         v.mirrored() ? -1 : 1, cssNumber(rect.x + rect.w / 2),
                         cssNumber(rect.y + rect.h / 2)));
}

PartCaption caption(const PartValues& v, const Box& rect, std::string_view words) {
  const std::string& align = v.text(Prop::Align);
  PartCaption out;
  out.room = labelRoom(v, rect);
  out.family = v.text(Prop::Family);
  out.size = v.number(Prop::Size);
  out.weight = v.number(Prop::Weight);
  out.spacing = v.number(Prop::Spacing);
  out.colour = v.colour(Prop::Colour);
  if (align != "centre") out.side = (align == "end") != v.mirrored() ? 1 : -1;
  out.overflow = v.text(Prop::Overflow);
  out.twoLines = v.number(Prop::Lines) >= 1.5;
  out.letters = v.text(Prop::Case);
  out.words = words;
  return out;
}

// Where a length lies in another: along where there is room; else so that the point of it that is
// asked for is as near to the middle as it can be.
double placed(double from, double room, double size, double focus) {
  if (size <= room) return from + (room - size) * focus;
  return std::clamp(from + room / 2 - size * focus, from + room - size, from);
}

}  // namespace

int frameAfter(std::string_view playing, double rate, int frames, Ms since) {
  if (frames <= 1 || playing == "stand") return 0;
  const auto n = static_cast<Ms>(std::floor(static_cast<double>(since) * rate / 1000));
  return static_cast<int>(playing == "loop" ? n % frames : std::min<Ms>(n, frames - 1));
}

std::string pictureHtml(const SheetPictures& pictures, const Box& box, const SheetLook& look) {
  const auto known = pictures.find(look.file);
  if (known == pictures.end() || box.w <= 0 || box.h <= 0) return {};
  const SheetPicture& picture = known->second;
  const std::string tint =
      look.tint.a ? "background-color:" + toHex(look.tint) + ";" : std::string();
  if (look.fit == "nine-slice") {
    const Four& s = look.slices;
    const double shrink =
        std::min({1.0, box.w / std::max(1e-6, s.b + s.d), box.h / std::max(1e-6, s.a + s.c)});
    return fmt::format(
        "<i class=\"n{}\" style=\"{}border-image-slice:{} {} {} {} fill;border-image-width:{} {} "
        "{} "
        "{}\"></i>",
        picture.number, cssBox(box), cssNumber(s.a), cssNumber(s.b), cssNumber(s.c), cssNumber(s.d),
        cssPx(s.a * shrink), cssPx(s.b * shrink), cssPx(s.c * shrink), cssPx(s.d * shrink));
  }
  const double w = picture.w / look.across, h = picture.h / look.down;
  Box at = box;
  if (look.fit != "whole" && w > 0 && h > 0) {
    const double scale =
        look.fit == "cover" ? std::max(box.w / w, box.h / h) : std::min(box.w / w, box.h / h);
    const double focusX = look.turned ? 1 - look.focusX : look.focusX;
    at = {placed(box.x, box.w, w * scale, focusX), placed(box.y, box.h, h * scale, look.focusY),
          w * scale, h * scale};
  }
  // In the box that cuts it, a layer as large as the whole sheet, moved to its frame.
  const Box seen{std::max(at.x, box.x), std::max(at.y, box.y), std::min(at.w, box.w),
                 std::min(at.h, box.h)};
  const std::string place =
      fmt::format("{} {}/{} {}", cssPx(at.x - seen.x - at.w * (look.frame % look.across)),
                  cssPx(at.y - seen.y - at.h * (look.frame / look.across)),
                  cssPx(at.w * look.across), cssPx(at.h * look.down));
  const size_t slash = place.find('/');
  const std::string turned = look.turned ? "transform:scaleX(-1);" : "";
  std::string out = fmt::format(
      "<i class=\"b{}\" style=\"{}background-position:{};background-size:{};{}\"></i>",
      picture.number, cssBox(seen), place.substr(0, slash), place.substr(slash + 1), turned);
  if (tint.empty()) return out;
  // A tint that hides the picture wholly needs no picture below.
  const std::string over = fmt::format(
      "<i class=\"m{}\" style=\"{}{}mask-position:{};mask-size:{};-webkit-mask-position:{};"
      "-webkit-mask-size:{};{}\"></i>",
      picture.number, cssBox(seen), tint, place.substr(0, slash), place.substr(slash + 1),
      place.substr(0, slash), place.substr(slash + 1), turned);
  return look.tint.a == 255 ? over : out + over;
}

std::optional<PartMarkup> markupOf(const PartValues& v, const Box& box, const PartSetting& with) {
  const double opacity = v.shown() * v.number(Prop::Opacity);
  if (opacity <= 0) return {};
  const Box rect = partBox(v, box);
  PartMarkup out;
  out.style = cssMotion(partMotion(v, rect), 0, 0) + cssOpacity(opacity);
  switch (v.type()) {
    case PartType::Shape:
      out.html = shape(v, rect, with.id);
      break;
    case PartType::Label:
      if (with.caption.empty()) return {};
      out.caption = caption(v, rect, with.caption);
      break;
    case PartType::Marker:
      out.html = marker(v, rect);
      break;
    case PartType::Picture: {
      SheetLook look{.file = v.text(Prop::File), .fit = v.text(Prop::Fit)};
      look.slices = v.four(Prop::Slices);
      look.tint = v.colour(Prop::Tint);
      look.across = std::max(1, static_cast<int>(v.number(Prop::FramesAcross)));
      look.down = std::max(1, static_cast<int>(v.number(Prop::FramesDown)));
      look.frame = frameAfter(v.text(Prop::Playing), v.number(Prop::FrameRate),
                              look.across * look.down, with.since);
      out.html = pictureHtml(with.pictures, rect, look);
      break;
    }
    case PartType::Icon:
      out.html = icon(v, rect, with);
      break;
    case PartType::Whole:
      return {};
  }
  return out;
}

}  // namespace bristle
