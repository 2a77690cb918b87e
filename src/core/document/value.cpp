#include "core/document/value.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cmath>

namespace bristle {
namespace {

std::vector<std::string_view> words(std::string_view text) {
  std::vector<std::string_view> out;
  size_t at = 0;
  while (at < text.size()) {
    const size_t from = text.find_first_not_of(" \t,", at);
    if (from == text.npos) break;
    const size_t to = std::min(text.find_first_of(" \t,", from), text.size());
    out.push_back(text.substr(from, to - from));
    at = to;
  }
  return out;
}

std::optional<double> number(std::string_view text) {
  double value = 0;
  if (text.starts_with('+')) text.remove_prefix(1);
  const auto [end, bad] = std::from_chars(text.data(), text.data() + text.size(), value);
  std::string_view rest(end, static_cast<size_t>(text.data() + text.size() - end));
  if (bad != std::errc() || !std::isfinite(value)) return {};
  if (rest == "%") return value / 100;
  if (!rest.empty() && rest != "px" && rest != "ms" && rest != "°") return {};
  return value;
}

std::optional<Value> parseFill(const std::vector<std::string_view>& parts) {
  if (parts.size() == 1 && parts[0] == "none") return Fill{};
  std::vector<Stop> stops;
  double angle = 90;
  for (auto part : parts) {
    if (auto colour = parseColour(part)) {
      stops.push_back({0, *colour});
    } else if (auto degrees = number(part)) {
      angle = *degrees;
    } else {
      return {};
    }
  }
  if (stops.empty()) return {};
  if (stops.size() == 1) return Fill::solid(stops[0].colour);
  for (size_t i = 0; i < stops.size(); ++i) {
    stops[i].at = static_cast<double>(i) / static_cast<double>(stops.size() - 1);
  }
  return Fill::linear(angle, std::move(stops));
}

std::optional<Value> parseShadow(const std::vector<std::string_view>& parts) {
  if (parts.size() == 1 && parts[0] == "none") return Shadow{};
  Shadow shadow{0, 0, 0, 0, {0, 0, 0, 128}};
  double* const slots[] = {&shadow.dx, &shadow.dy, &shadow.blur, &shadow.spread};
  size_t filled = 0;
  for (auto part : parts) {
    if (auto colour = parseColour(part)) {
      shadow.colour = *colour;
    } else if (auto length = number(part); length && filled < 4) {
      *slots[filled++] = *length;
    } else {
      return {};
    }
  }
  if (filled < 3 || shadow.blur < 0 || shadow.blur > 200) return {};
  return shadow;
}

std::string fillText(const Fill& fill) {
  if (fill.type == FillType::None) return "none";
  std::string out;
  for (const Stop& stop : fill.stops) out += (out.empty() ? "" : " ") + toHex(stop.colour);
  if (fill.type == FillType::Linear) out += fmt::format(" {:g}°", fill.angle);
  return out;
}

std::string shadowText(const Shadow& s) {
  if (s.colour.a == 0) return "none";
  std::string lengths = fmt::format("{:g} {:g} {:g}", s.dx, s.dy, s.blur);
  if (s.spread != 0) lengths += fmt::format(" {:g}", s.spread);
  return lengths + " " + toHex(s.colour);
}

}  // namespace

std::string toHex(Colour c) {
  if (c.a == 255) return fmt::format("#{:02x}{:02x}{:02x}", c.r, c.g, c.b);
  return fmt::format("#{:02x}{:02x}{:02x}{:02x}", c.r, c.g, c.b, c.a);
}

std::optional<Colour> parseColour(std::string_view text) {
  if (!text.starts_with('#')) return {};
  text.remove_prefix(1);
  unsigned bits = 0;
  const auto [end, bad] = std::from_chars(text.data(), text.data() + text.size(), bits, 16);
  if (bad != std::errc() || end != text.data() + text.size()) return {};
  const auto byte = [&](int shift) { return static_cast<std::uint8_t>(bits >> shift & 0xff); };
  const auto nibble = [&](int shift) {
    return static_cast<std::uint8_t>((bits >> shift & 0xf) * 0x11);
  };
  if (text.size() == 3) return Colour{nibble(8), nibble(4), nibble(0), 255};
  if (text.size() == 6) return Colour{byte(16), byte(8), byte(0), 255};
  if (text.size() == 8) return Colour{byte(24), byte(16), byte(8), byte(0)};
  return {};
}

std::string toText(const Value& value) {
  struct Text {
    std::string operator()(double v) const { return fmt::format("{:g}", v); }
    std::string operator()(bool v) const { return v ? "yes" : "no"; }
    std::string operator()(Colour v) const { return toHex(v); }
    std::string operator()(const Fill& v) const { return fillText(v); }
    std::string operator()(const Shadow& v) const { return shadowText(v); }
    std::string operator()(const std::string& v) const { return v; }
  };
  return std::visit(Text{}, value);
}

std::optional<Value> parseValue(std::string_view text, const Value& like, std::string* expected) {
  const auto parts = words(text);
  const auto want = [&](const char* what) -> std::optional<Value> {
    if (expected) *expected = what;
    return {};
  };
  if (std::holds_alternative<std::string>(like)) return std::string(text);
  if (std::holds_alternative<double>(like)) {
    if (parts.size() == 1)
      if (auto v = number(parts[0])) return *v;
    return want("a number, for example 12 or 0.5");
  }
  if (std::holds_alternative<bool>(like)) {
    if (parts.size() == 1 && (parts[0] == "yes" || parts[0] == "no")) return parts[0] == "yes";
    return want("yes or no");
  }
  if (std::holds_alternative<Colour>(like)) {
    if (parts.size() == 1)
      if (auto v = parseColour(parts[0])) return *v;
    return want("a colour, for example #3b8c97");
  }
  if (std::holds_alternative<Fill>(like)) {
    if (auto v = parseFill(parts)) return v;
    return want("none, one colour, or several colours and an angle: #3b8c97 #205060 90°");
  }
  if (auto v = parseShadow(parts)) return v;
  return want("none, or x y blur [spread] colour: 0 3 8 #00000080");
}

}  // namespace bristle
