#include "runtime/document/value.h"

#include <fmt/format.h>

#include <algorithm>
#include <charconv>
#include <cmath>

#include "runtime/document/named.h"
#include "runtime/document/numbers.h"

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
  if (text.starts_with('+')) text.remove_prefix(1);
  const NumberRead read = readNumber(text);
  const auto rest = text.substr(read.length);
  if (read.length == 0 || !std::isfinite(read.value)) return {};
  if (rest == "%") return read.value / 100;
  if (!rest.empty() && rest != "px" && rest != "ms" && rest != "°") return {};
  return read.value;
}

// A colour, or the name of one.
std::optional<Stop> parseStop(std::string_view text, const Naming* names) {
  if (auto colour = parseColour(text)) return Stop{-1, *colour};
  const NamedValue* named = names ? names->find(text) : nullptr;
  const Value* value = named ? names->settle(named->id) : nullptr;
  const Colour* colour = value ? std::get_if<Colour>(value) : nullptr;
  if (!colour) return {};
  return Stop{-1, *colour, named->id};
}

// Stops without a place stand evenly between those that have one (CSS Images Level 3 §3.5.3).
void spread(std::vector<Stop>& stops) {
  if (stops.front().at < 0) stops.front().at = 0;
  if (stops.back().at < 0) stops.back().at = 1;
  size_t from = 0;  // the last one whose place is known
  for (size_t i = 1; i < stops.size(); ++i) {
    if (stops[i].at < 0) continue;
    stops[i].at = std::max(stops[i].at, stops[from].at);
    const double n = static_cast<double>(i - from), span = stops[i].at - stops[from].at;
    for (size_t j = from + 1; j < i; ++j)
      stops[j].at = stops[from].at + span * static_cast<double>(j - from) / n;
    from = i;
  }
}

// The word "radial", then up to three numbers: centre and radius.
bool parseRadial(const std::vector<std::string_view>& parts, size_t from, Fill& fill) {
  double* const slots[] = {&fill.x, &fill.y, &fill.radius};
  fill.type = FillType::Radial;
  for (size_t i = from; i < parts.size(); ++i) {
    const auto value = number(parts[i]);
    if (i - from >= 3 || !value || *value < -2 || *value > 3) return false;
    *slots[i - from] = *value;
  }
  return fill.radius > 0;
}

std::optional<Value> parseFill(const std::vector<std::string_view>& parts, const Naming* names) {
  if (parts.size() == 1 && parts[0] == "none") return Fill{};
  Fill fill;
  fill.type = FillType::Linear;
  for (size_t i = 0; i < parts.size(); ++i) {
    if (parts[i] == "radial") {
      if (!parseRadial(parts, i + 1, fill)) return {};
      break;
    }
    if (auto stop = parseStop(parts[i], names)) {
      fill.stops.push_back(*stop);
    } else if (auto value = number(parts[i]); value && parts[i].ends_with('%')) {
      if (fill.stops.empty() || *value < 0 || *value > 1) return {};
      fill.stops.back().at = *value;
    } else if (value) {
      fill.angle = *value;
    } else {
      return {};
    }
  }
  if (fill.stops.empty() || fill.stops.size() > 32) return {};
  spread(fill.stops);
  if (fill.stops.size() == 1) {
    fill.stops[0].at = 0;
    fill.type = FillType::Solid;
    fill.angle = 90;
  }
  return fill;
}

std::optional<Value> parseShadow(const std::vector<std::string_view>& parts, const Naming* names) {
  if (parts.size() == 1 && parts[0] == "none") return Shadow{};
  Shadow shadow{0, 0, 0, 0, {0, 0, 0, 128}};
  double* const slots[] = {&shadow.dx, &shadow.dy, &shadow.blur, &shadow.spread};
  size_t filled = 0;
  for (auto part : parts) {
    if (auto stop = parseStop(part, names)) {
      shadow.colour = stop->colour;
      shadow.named = stop->named;
    } else if (auto length = number(part); length && part.ends_with('%')) {
      shadow.colour.a = static_cast<std::uint8_t>(std::lround(std::clamp(*length, 0.0, 1.0) * 255));
    } else if (length && filled < 4) {
      *slots[filled++] = *length;
    } else {
      return {};
    }
  }
  if (filled < 3 || shadow.blur < 0 || shadow.blur > 200) return {};
  return shadow;
}

std::optional<Value> parseFour(const std::vector<std::string_view>& parts) {
  double v[4];
  if (parts.empty() || parts.size() > 4) return {};
  for (size_t i = 0; i < parts.size(); ++i) {
    const auto value = number(parts[i]);
    if (!value) return {};
    v[i] = *value;
  }
  // What is left out follows the opposite one, as CSS has it for corners and padding.
  if (parts.size() < 2) v[1] = v[0];
  if (parts.size() < 3) v[2] = v[0];
  if (parts.size() < 4) v[3] = v[1];
  return Four{v[0], v[1], v[2], v[3]};
}

std::string nameFor(const NamedId& id, const Naming* names, const std::string& otherwise) {
  if (!id || !names) return otherwise;
  const NamedValue* named = names->find(id);
  return named ? named->name : otherwise;
}

// Places are told only where they are not the even ones that parseFill would give.
std::string fillText(const Fill& fill, const Naming* names) {
  if (fill.type == FillType::None) return "none";
  std::vector<Stop> even = fill.stops;
  for (Stop& stop : even) stop.at = -1;
  spread(even);
  std::string out;
  for (size_t i = 0; i < fill.stops.size(); ++i) {
    const Stop& stop = fill.stops[i];
    out += (out.empty() ? "" : " ") + nameFor(stop.named, names, toHex(stop.colour));
    if (fill.isGradient() && std::abs(even[i].at - stop.at) > 1e-6)
      out += fmt::format(" {:g}%", stop.at * 100);
  }
  if (fill.type == FillType::Linear) out += fmt::format(" {:g}°", fill.angle);
  if (fill.type == FillType::Radial)
    out += fmt::format(" radial {:g} {:g} {:g}", fill.x, fill.y, fill.radius);
  return out;
}

std::string shadowText(const Shadow& s, const Naming* names) {
  if (s.colour.a == 0) return "none";
  std::string lengths = fmt::format("{:g} {:g} {:g}", s.dx, s.dy, s.blur);
  if (s.spread != 0) lengths += fmt::format(" {:g}", s.spread);
  const std::string name = nameFor(s.named, names, {});
  if (name.empty()) return lengths + " " + toHex(s.colour);
  return fmt::format("{} {} {:g}%", lengths, name, std::round(s.colour.a / 2.55 * 100) / 100);
}

}  // namespace

std::string toHex(Colour c) {
  std::string out = "#";
  const auto add = [&out](std::uint8_t channel) {
    constexpr const char* kDigits = "0123456789abcdef";
    out += kDigits[channel >> 4];
    out += kDigits[channel & 15];
  };
  add(c.r);
  add(c.g);
  add(c.b);
  if (c.a != 255) add(c.a);
  return out;
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

std::string toText(const Easing& e) {
  if (e.type == EasingType::Linear) return "linear";
  if (e.type == EasingType::CubicBezier)
    return fmt::format("bezier {} {} {} {}", e.x1, e.y1, e.x2, e.y2);
  if (e.type == EasingType::Spring) return fmt::format("spring {} {}", e.period, e.damping);
  return fmt::format("steps {}{}", e.count, e.jumpAtStart ? " start" : "");
}

std::optional<Easing> parseEasing(std::string_view text) {
  const auto all = words(text);
  if (all.empty()) return {};
  std::vector<double> given;
  size_t next = 1;
  for (; next < all.size(); ++next) {
    const NumberRead read = readNumber(all[next]);
    if (read.length != all[next].size() || read.tooLarge) break;
    given.push_back(read.value);
  }
  const auto has = [&](size_t count) { return given.size() == count && next == all.size(); };
  Easing e;
  if (all[0] == "linear") {
    e.type = EasingType::Linear;
    if (!has(0)) return {};
  } else if (all[0] == "bezier") {
    if (!has(4)) return {};
    e.x1 = given[0], e.y1 = given[1], e.x2 = given[2], e.y2 = given[3];
    if (e.x1 < 0 || e.x1 > 1 || e.x2 < 0 || e.x2 > 1 || std::abs(e.y1) > 10 || std::abs(e.y2) > 10)
      return {};
  } else if (all[0] == "steps") {
    e.type = EasingType::Steps;
    e.jumpAtStart = next + 1 == all.size() && all[next] == "start";
    next += e.jumpAtStart ? 1 : 0;
    if (!has(1) || given[0] < 1 || given[0] > 1000 || given[0] != std::floor(given[0])) return {};
    e.count = static_cast<int>(given[0]);
  } else if (all[0] == "spring") {
    e.type = EasingType::Spring;
    if (!has(2)) return {};
    e.period = given[0], e.damping = given[1];
    if (!(e.period >= 20 && e.period <= 5000 && e.damping >= 0.05 && e.damping <= 2)) return {};
  } else {
    return {};
  }
  return e;
}

std::string toText(const Value& value, const Naming* names) {
  struct Text {
    const Naming* names;
    std::string operator()(double v) const { return fmt::format("{:g}", v); }
    std::string operator()(bool v) const { return v ? "yes" : "no"; }
    std::string operator()(Colour v) const { return toHex(v); }
    std::string operator()(const Fill& v) const { return fillText(v, names); }
    std::string operator()(const Shadow& v) const { return shadowText(v, names); }
    std::string operator()(const std::string& v) const { return v; }
    std::string operator()(const Four& v) const {
      if (v.even()) return fmt::format("{:g}", v.a);
      return fmt::format("{:g} {:g} {:g} {:g}", v.a, v.b, v.c, v.d);
    }
    std::string operator()(const Easing& v) const { return bristle::toText(v); }
    std::string operator()(const NamedRef& v) const {
      return nameFor(v.id, names, "missing: " + v.id.text);
    }
  };
  return std::visit(Text{names}, value);
}

namespace {

// What stands in a property of this sort, and how a person is told so.
std::optional<Value> parsePlain(std::string_view text, const Value& like, const char*& what,
                                const Naming* names) {
  const auto parts = words(text);
  struct Parse {
    const std::vector<std::string_view>& parts;
    std::string_view text;
    const char*& what;
    const Naming* names;
    std::optional<Value> operator()(double) const {
      what = "a number, for example 12 or 0.5";
      const bool unit = parts.size() == 2 && (parts[1] == "ms" || parts[1] == "px");
      if (parts.size() == 1 || unit)
        if (auto v = number(parts[0])) return *v;
      return {};
    }
    std::optional<Value> operator()(bool) const {
      what = "yes or no";
      if (parts.size() == 1 && (parts[0] == "yes" || parts[0] == "no")) return parts[0] == "yes";
      return {};
    }
    std::optional<Value> operator()(Colour) const {
      what = "a colour, for example #3b8c97";
      if (parts.size() == 1)
        if (auto v = parseColour(parts[0])) return *v;
      return {};
    }
    std::optional<Value> operator()(const Fill&) const {
      what =
          "none, one colour, or several with an angle or “radial”: #3b8c97 #205060 40% #111d22 90°";
      return parseFill(parts, names);
    }
    std::optional<Value> operator()(const Shadow&) const {
      what = "none, or x y blur [spread] colour: 0 3 8 #00000080";
      return parseShadow(parts, names);
    }
    std::optional<Value> operator()(const std::string&) const { return std::string(text); }
    std::optional<Value> operator()(const Four&) const {
      what = "one length for all four, or two to four lengths: 12 or 12 12 0 0";
      return parseFour(parts);
    }
    std::optional<Value> operator()(const Easing&) const {
      what = "linear, steps 4, or a curve: bezier 0.25 0.1 0.25 1";
      if (const auto easing = parseEasing(text)) return *easing;
      return {};
    }
    std::optional<Value> operator()(const NamedRef&) const { return {}; }
  };
  return std::visit(Parse{parts, text, what, names}, like);
}

}  // namespace

std::optional<Value> parseValue(std::string_view text, const Value& like, std::string* expected,
                                const Naming* names) {
  const auto parts = words(text);
  if (names && parts.size() == 1) {
    if (const NamedValue* named = names->find(parts[0])) {
      // A colour in a fill stays a fill, so that more stops can be added to it.
      const Value* value = names->settle(named->id);
      const bool colourInFill =
          value && std::holds_alternative<Colour>(*value) && std::holds_alternative<Fill>(like);
      if (!colourInFill) return NamedRef{named->id};
    }
  }
  const char* what = "";
  auto out = parsePlain(text, like, what, names);
  if (!out && expected) *expected = what;
  return out;
}

}  // namespace bristle
