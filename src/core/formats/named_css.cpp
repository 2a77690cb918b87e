#include "core/formats/named_css.h"

#include <fmt/format.h>

#include <algorithm>
#include <cctype>
#include <map>

namespace bristle {
namespace {

std::string cssName(const std::string& name) {
  std::string out;
  for (const char c : name) {
    const auto u = static_cast<unsigned char>(c);
    if (std::isalnum(u) && u < 128)
      out += static_cast<char>(std::tolower(u));
    else if (!out.empty() && out.back() != '-')
      out += '-';
  }
  while (!out.empty() && out.back() == '-') out.pop_back();
  return out.empty() ? "value" : out;
}

std::string cssText(const std::string& text) {
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"' || c == '\\') out += '\\';
    out += c == '\n' ? ' ' : c;
  }
  return out + "\"";
}

class Writing {
 public:
  explicit Writing(const NamedValues& values) {
    std::vector<std::string> taken;
    for (const NamedValue& each : values) {
      const std::string wanted = cssName(each.name);
      std::string name = wanted;
      for (int n = 2; std::find(taken.begin(), taken.end(), name) != taken.end(); ++n)
        name = wanted + "-" + std::to_string(n);
      taken.push_back(name);
      names_[each.id] = name;
    }
  }

  std::string line(const NamedValue& named, const Value& value) const {
    const std::string words = text(value, named.type);
    return words.empty() ? words : fmt::format("  --{}: {};\n", names_.at(named.id), words);
  }

 private:
  std::string text(const Value& value, NamedType type) const {
    if (const auto* ref = std::get_if<NamedRef>(&value)) {
      const auto at = names_.find(ref->id);
      return at == names_.end() ? std::string() : fmt::format("var(--{})", at->second);
    }
    if (const auto* colour = std::get_if<Colour>(&value)) return toHex(*colour);
    if (const auto* number = std::get_if<double>(&value)) {
      if (type == NamedType::Length) return fmt::format("{}px", *number);
      if (type == NamedType::Duration) return fmt::format("{}ms", *number);
      return fmt::format("{}", *number);
    }
    if (const auto* words = std::get_if<std::string>(&value)) return cssText(*words);
    if (const auto* shadow = std::get_if<Shadow>(&value))
      return fmt::format("{}px {}px {}px {}px {}", shadow->dx, shadow->dy, shadow->blur,
                         shadow->spread, toHex(shadow->colour));
    if (const auto* easing = std::get_if<Easing>(&value)) return text(*easing);
    if (const auto* fill = std::get_if<Fill>(&value)) return text(*fill);
    return {};
  }

  // A spring has no name in CSS; it is left out.
  static std::string text(const Easing& e) {
    switch (e.type) {
      case EasingType::Linear:
        return "linear";
      case EasingType::CubicBezier:
        return fmt::format("cubic-bezier({}, {}, {}, {})", e.x1, e.y1, e.x2, e.y2);
      case EasingType::Steps:
        return fmt::format("steps({}, {})", e.count, e.jumpAtStart ? "jump-start" : "jump-end");
      case EasingType::Spring:
        return {};
    }
    return {};
  }

  static std::string text(const Fill& fill) {
    if (fill.stops.empty()) return "none";
    if (fill.type == FillType::Solid) return toHex(fill.stops[0].colour);
    std::string stops;
    for (const Stop& stop : fill.stops)
      stops += fmt::format(", {} {}%", toHex(stop.colour), stop.at * 100);
    // 0° of ours runs to the right, of CSS upwards.
    if (fill.type == FillType::Linear)
      return fmt::format("linear-gradient({}deg{})", fill.angle + 90, stops);
    return fmt::format("radial-gradient({}% {}% at {}% {}%{})", fill.radius * 100,
                       fill.radius * 100, fill.x * 100, fill.y * 100, stops);
  }

  std::map<NamedId, std::string> names_;
};

}  // namespace

std::string writeNamedCss(const Project& project) {
  const Writing writing(*project.named);
  std::string light, dark;
  for (const NamedValue& named : *project.named) {
    light += writing.line(named, named.value);
    if (named.dark) dark += writing.line(named, *named.dark);
  }
  std::string out = ":root {\n" + light + "}\n";
  if (!dark.empty()) out += "@media (prefers-color-scheme: dark) {\n:root {\n" + dark + "}\n}\n";
  return out;
}

}  // namespace bristle
