#include "markup/css.h"

#include <fmt/format.h>

#include <cmath>

namespace bristle {
namespace {

std::string stops(const Fill& fill) {
  std::string out;
  for (const Stop& stop : fill.stops)
    out += fmt::format(",{} {}%", toHex(stop.colour), cssNumber(stop.at * 100));
  return out;
}

}  // namespace

std::string cssNumber(double value) {
  const double rounded = std::round(value * 1000) / 1000;
  return rounded == 0 || !std::isfinite(rounded) ? "0" : fmt::format("{}", rounded);
}

std::string cssPx(double value) {
  return cssNumber(value) + "px";
}

std::string cssBox(const Box& box) {
  return fmt::format("left:{};top:{};width:{};height:{};", cssPx(box.x), cssPx(box.y), cssPx(box.w),
                     cssPx(box.h));
}

std::string cssImage(const Fill& fill, const Box& size) {
  if (fill.type == FillType::None || fill.stops.empty()) return "none";
  if (fill.type == FillType::Solid) {
    const std::string colour = toHex(fill.stops[0].colour);
    return fmt::format("linear-gradient({0},{0})", colour);
  }
  // 0° of ours runs to the right, of CSS upwards.
  if (fill.type == FillType::Linear)
    return fmt::format("linear-gradient({}deg{})", cssNumber(fill.angle + 90), stops(fill));
  return fmt::format("radial-gradient({} {} at {}% {}%{})",
                     cssPx(std::max(1e-3, fill.radius * size.w)),
                     cssPx(std::max(1e-3, fill.radius * size.h)), cssNumber(fill.x * 100),
                     cssNumber(fill.y * 100), stops(fill));
}

std::string cssShadow(const Shadow& s, double moved) {
  return fmt::format("{} {} {} {} {}", cssPx(s.dx + moved), cssPx(s.dy), cssPx(s.blur),
                     cssPx(s.spread), toHex(s.colour));
}

std::string cssMotion(const Affine& m, double x, double y) {
  if (m.isIdentity()) return {};
  return fmt::format("transform:matrix({},{},{},{},{},{});", fmt::format("{:.5g}", m.a),
                     fmt::format("{:.5g}", m.b), fmt::format("{:.5g}", m.c),
                     fmt::format("{:.5g}", m.d), cssNumber(m.a * x + m.c * y + m.e - x),
                     cssNumber(m.b * x + m.d * y + m.f - y));
}

std::string cssOpacity(double opacity) {
  return opacity >= 1 ? std::string() : fmt::format("opacity:{};", cssNumber(opacity));
}

std::string jsonText(std::string_view text) {
  std::string out = "\"";
  for (char c : text) {
    if (c == '"' || c == '\\') {
      out += '\\';
      out += c;
    } else if (static_cast<unsigned char>(c) < 0x20) {
      out += fmt::format("\\u{:04x}", static_cast<int>(c));
    } else {
      out += c;
    }
  }
  return out + "\"";
}

}  // namespace bristle
