#include "markup/css.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <cstdint>

namespace bristle {
namespace {

// To so many decimals, without needless zeros. By whole numbers: a page writes thousands of them in
// each frame, and shortest digits of a double take ten times as long. What is too large for that
// is at the edge of what CSS can say anyway.
template <int kDecimals>
std::string rounded(double value) {
  constexpr std::int64_t kOne = kDecimals == 3 ? 1000 : 100'000;
  constexpr double kMost = 1e12;
  if (!std::isfinite(value)) return "0";
  const std::int64_t scaled = std::llround(std::clamp(value, -kMost, kMost) * double(kOne));
  if (scaled == 0) return "0";
  char digits[24];
  char* at = digits + sizeof digits;
  std::uint64_t rest = scaled < 0 ? std::uint64_t(-scaled) : std::uint64_t(scaled);
  bool any = false;
  for (int i = 0; i < kDecimals; ++i, rest /= 10) {
    const char digit = char('0' + rest % 10);
    if (digit == '0' && !any) continue;
    any = true;
    *--at = digit;
  }
  if (any) *--at = '.';
  do {
    *--at = char('0' + rest % 10);
    rest /= 10;
  } while (rest);
  if (scaled < 0) *--at = '-';
  return {at, size_t(digits + sizeof digits - at)};
}

std::string stops(const Fill& fill) {
  std::string out;
  for (const Stop& stop : fill.stops)
    out += fmt::format(",{} {}%", toHex(stop.colour), cssNumber(stop.at * 100));
  return out;
}

}  // namespace

std::string cssNumber(double value) {
  return rounded<3>(value);
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
  return fmt::format("transform:matrix({},{},{},{},{},{});", rounded<5>(m.a), rounded<5>(m.b),
                     rounded<5>(m.c), rounded<5>(m.d), cssNumber(m.a * x + m.c * y + m.e - x),
                     cssNumber(m.b * x + m.d * y + m.f - y));
}

std::string cssOpacity(double opacity) {
  return opacity >= 1 ? std::string() : fmt::format("opacity:{};", cssNumber(opacity));
}

void addJsonText(std::string& out, std::string_view text) {
  out += '"';
  size_t begin = 0;  // of what needs no care
  for (size_t i = 0; i < text.size(); ++i) {
    const char c = text[i];
    if (c != '"' && c != '\\' && static_cast<unsigned char>(c) >= 0x20) continue;
    out += text.substr(begin, i - begin);
    begin = i + 1;
    if (c == '"' || c == '\\')
      (out += '\\') += c;
    else
      out += fmt::format("\\u{:04x}", static_cast<int>(c));
  }
  out += text.substr(begin);
  out += '"';
}

std::string jsonText(std::string_view text) {
  std::string out;
  addJsonText(out, text);
  return out;
}

}  // namespace bristle
