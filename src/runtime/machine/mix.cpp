#include "runtime/machine/mix.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace bristle {
namespace {

struct Lab {
  double l, a, b, alpha;
};

const std::array<double, 256>& linearOf8Bit() {
  static const auto table = [] {
    std::array<double, 256> t{};
    for (size_t i = 0; i < t.size(); ++i) {
      const double c = static_cast<double>(i) / 255;
      t[i] = c <= 0.04045 ? c / 12.92 : std::pow((c + 0.055) / 1.055, 2.4);
    }
    return t;
  }();
  return table;
}

std::uint8_t toByte(double linear) {
  const double c = std::clamp(linear, 0.0, 1.0);
  const double s = c <= 0.0031308 ? 12.92 * c : 1.055 * std::pow(c, 1 / 2.4) - 0.055;
  return static_cast<std::uint8_t>(std::lround(s * 255));
}

Lab toLab(Colour colour) {
  const auto& linear = linearOf8Bit();
  const double r = linear[colour.r], g = linear[colour.g], b = linear[colour.b];
  const double l = std::cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
  const double m = std::cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
  const double s = std::cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
  return {0.2104542553 * l + 0.7936177850 * m - 0.0040720468 * s,
          1.9779984951 * l - 2.4285922050 * m + 0.4505937099 * s,
          0.0259040371 * l + 0.7827717662 * m - 0.8086757660 * s, colour.a / 255.0};
}

Colour fromLab(const Lab& lab) {
  const auto cube = [](double v) { return v * v * v; };
  const double l = cube(lab.l + 0.3963377774 * lab.a + 0.2158037573 * lab.b);
  const double m = cube(lab.l - 0.1055613458 * lab.a - 0.0638541728 * lab.b);
  const double s = cube(lab.l - 0.0894841775 * lab.a - 1.2914855480 * lab.b);
  return {toByte(4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s),
          toByte(-1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s),
          toByte(-0.0041960863 * l - 0.7034186147 * m + 1.7076147010 * s),
          static_cast<std::uint8_t>(std::lround(std::clamp(lab.alpha, 0.0, 1.0) * 255))};
}

Colour transparent(Colour c) {
  return {c.r, c.g, c.b, 0};
}

Colour colourAt(const std::vector<Stop>& stops, double at) {
  if (at <= stops.front().at) return stops.front().colour;
  for (size_t i = 1; i < stops.size(); ++i) {
    if (at > stops[i].at) continue;
    const double span = stops[i].at - stops[i - 1].at;
    if (span <= 0) return stops[i].colour;
    return mix(stops[i - 1].colour, stops[i].colour, (at - stops[i - 1].at) / span);
  }
  return stops.back().colour;
}

Fill asTransparent(const Fill& like) {
  Fill fill = like;
  for (Stop& stop : fill.stops) stop.colour = transparent(stop.colour);
  return fill;
}

bool samePlaces(const Fill& a, const Fill& b) {
  return a.stops.size() == b.stops.size() &&
         std::equal(a.stops.begin(), a.stops.end(), b.stops.begin(),
                    [](const Stop& x, const Stop& y) { return x.at == y.at; });
}

void mixFills(Fill& out, const Fill& a, const Fill& b, double t) {
  if (a.stops.empty() || b.stops.empty()) {
    if (a.stops.empty() && b.stops.empty()) {
      out = a;
    } else if (a.stops.empty()) {
      mixFills(out, asTransparent(b), b, t);
    } else {
      mixFills(out, a, asTransparent(a), t);
    }
    return;
  }
  // A solid side has no direction of its own: it takes the other's. Between a linear and a radial
  // one there is no middle form: it turns at the half.
  const Fill& from = a.isGradient() ? a : b;
  const Fill& to = b.isGradient() ? b : a;
  const Fill& form = t < 0.5 ? from : to;
  const bool sameForm = from.type == to.type;
  const auto line = [&](double x, double y, double own) {
    return sameForm ? x + (y - x) * t : own;
  };
  out.type = form.type;
  out.angle = line(from.angle, to.angle, form.angle);
  out.x = line(from.x, to.x, form.x);
  out.y = line(from.y, to.y, form.y);
  out.radius = line(from.radius, to.radius, form.radius);
  out.stops.clear();
  if (samePlaces(a, b)) {
    for (size_t i = 0; i < a.stops.size(); ++i)
      out.stops.push_back({a.stops[i].at, mix(a.stops[i].colour, b.stops[i].colour, t)});
    return;
  }
  const auto add = [&](double at) {
    if (std::none_of(out.stops.begin(), out.stops.end(),
                     [&](const Stop& s) { return std::abs(s.at - at) < 1e-9; }))
      out.stops.push_back({at, mix(colourAt(a.stops, at), colourAt(b.stops, at), t)});
  };
  for (const Stop& stop : a.stops) add(stop.at);
  for (const Stop& stop : b.stops) add(stop.at);
  std::sort(out.stops.begin(), out.stops.end(),
            [](const Stop& x, const Stop& y) { return x.at < y.at; });
}

Shadow mixShadows(const Shadow& a, const Shadow& b, double t) {
  if (a.colour.a == 0 && b.colour.a != 0) {
    Shadow from = b;
    from.colour = transparent(b.colour);
    return {b.dx, b.dy, b.blur, b.spread, mix(from.colour, b.colour, t)};
  }
  if (b.colour.a == 0 && a.colour.a != 0)
    return {a.dx, a.dy, a.blur, a.spread, mix(a.colour, transparent(a.colour), t)};
  const auto line = [t](double x, double y) { return x + (y - x) * t; };
  return {line(a.dx, b.dx), line(a.dy, b.dy), std::max(0.0, line(a.blur, b.blur)),
          line(a.spread, b.spread), mix(a.colour, b.colour, t)};
}

}  // namespace

Colour mix(Colour a, Colour b, double t) {
  if (a == b || t == 0) return a;
  if (t == 1) return b;
  const Lab x = toLab(a), y = toLab(b);
  const double alpha = std::clamp(x.alpha + (y.alpha - x.alpha) * t, 0.0, 1.0);
  if (alpha <= 0) return transparent(t < 0.5 ? a : b);
  const auto channel = [&](double u, double v) {
    return (u * x.alpha + (v * y.alpha - u * x.alpha) * t) / alpha;
  };
  return fromLab({channel(x.l, y.l), channel(x.a, y.a), channel(x.b, y.b), alpha});
}

void mixInto(Value& out, const Value& a, const Value& b, double t) {
  if (const auto* x = std::get_if<double>(&a)) {
    out = *x + (std::get<double>(b) - *x) * t;
  } else if (const auto* colour = std::get_if<Colour>(&a)) {
    out = mix(*colour, std::get<Colour>(b), t);
  } else if (const auto* fill = std::get_if<Fill>(&a)) {
    if (!std::holds_alternative<Fill>(out)) out = Fill{};
    mixFills(std::get<Fill>(out), *fill, std::get<Fill>(b), t);
  } else if (const auto* shadow = std::get_if<Shadow>(&a)) {
    out = mixShadows(*shadow, std::get<Shadow>(b), t);
  } else if (const auto* four = std::get_if<Four>(&a)) {
    const Four& to = std::get<Four>(b);
    out = Four{four->a + (to.a - four->a) * t, four->b + (to.b - four->b) * t,
               four->c + (to.c - four->c) * t, four->d + (to.d - four->d) * t};
  } else {
    out = t < 0.5 ? a : b;
  }
}

namespace {

bool inGamut(const Lab& lab) {
  const auto cube = [](double v) { return v * v * v; };
  const double l = cube(lab.l + 0.3963377774 * lab.a + 0.2158037573 * lab.b);
  const double m = cube(lab.l - 0.1055613458 * lab.a - 0.0638541728 * lab.b);
  const double s = cube(lab.l - 0.0894841775 * lab.a - 1.2914855480 * lab.b);
  const double rgb[] = {4.0767416621 * l - 3.3077115913 * m + 0.2309699292 * s,
                        -1.2684380046 * l + 2.6097574011 * m - 0.3413193965 * s,
                        -0.0041960863 * l - 0.7034186147 * m + 1.7076147010 * s};
  return std::all_of(std::begin(rgb), std::end(rgb),
                     [](double v) { return v > -1e-4 && v < 1 + 1e-4; });
}

}  // namespace

double lookApart(Colour a, Colour b) {
  const Lab x = toLab(a), y = toLab(b);
  const double l = x.l - y.l, u = x.a - y.a, v = x.b - y.b;
  return std::sqrt(l * l + u * u + v * v);
}

Lch toLch(Colour colour) {
  const Lab lab = toLab(colour);
  const double c = std::hypot(lab.a, lab.b);
  // Greys have no hue; rounding must not give them one.
  if (c < 2e-4) return {lab.l, 0, 0};
  const double h = std::atan2(lab.b, lab.a) * 180 / std::numbers::pi;
  return {lab.l, c, h < 0 ? h + 360 : h};
}

Colour fromLch(Lch lch, std::uint8_t alpha) {
  const double radians = lch.h * std::numbers::pi / 180;
  const auto lab = [&](double c) {
    return Lab{std::clamp(lch.l, 0.0, 1.0), c * std::cos(radians), c * std::sin(radians), 1};
  };
  double least = 0, most = std::max(0.0, lch.c);
  if (!inGamut(lab(most))) {
    for (int i = 0; i < 24; ++i) {
      const double c = (least + most) / 2;
      (inGamut(lab(c)) ? least : most) = c;
    }
    most = least;
  }
  Colour out = fromLab(lab(most));
  out.a = alpha;
  return out;
}

Colour over(Colour top, Colour below) {
  const double a = top.a / 255.0;
  const auto channel = [a](std::uint8_t t, std::uint8_t b) {
    return static_cast<std::uint8_t>(std::lround(t * a + b * (1 - a)));
  };
  return {channel(top.r, below.r), channel(top.g, below.g), channel(top.b, below.b), 255};
}

Colour nudged(Colour text, Colour behind, double wanted) {
  if (contrast(over(text, behind), behind) >= wanted) return text;
  const Lch from = toLch(text);
  const auto passes = [&](Colour c) { return contrast(over(c, behind), behind) >= wanted; };
  constexpr int kSteps = 500;
  for (int i = 1; i <= kSteps; ++i)
    for (double way : {1.0, -1.0}) {
      const double l = from.l + way * i / kSteps;
      if (l < 0 || l > 1) continue;
      const Colour c = fromLch({l, from.c, from.h}, text.a);
      if (passes(c)) return c;
    }
  const Colour white{255, 255, 255, 255}, black{0, 0, 0, 255};
  return contrast(white, behind) > contrast(black, behind) ? white : black;
}

double luminance(Colour c) {
  const auto& linear = linearOf8Bit();
  return 0.2126 * linear[c.r] + 0.7152 * linear[c.g] + 0.0722 * linear[c.b];
}

double contrast(Colour a, Colour b) {
  const double x = luminance(a), y = luminance(b);
  return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
}

}  // namespace bristle
