#include "runtime/document/named.h"

#include <algorithm>
#include <array>

namespace bristle {
namespace {

constexpr std::array<std::string_view, 9> kNames{
    "colour", "length", "number", "font", "weight", "duration", "easing", "gradient", "shadow"};

Colour colourOf(const NamedId& id, Colour otherwise, const Naming& names) {
  const Value* value = names.settle(id);
  const Colour* colour = value ? std::get_if<Colour>(value) : nullptr;
  return colour ? *colour : otherwise;
}

// The sort of value that the property takes, made of what a name stands for; nothing if it can't
// be.
std::optional<Value> adapted(const Value& value, const Value& like) {
  if (value.index() == like.index()) return value;
  if (std::holds_alternative<Fill>(like))
    if (const auto* colour = std::get_if<Colour>(&value)) return Fill::solid(*colour);
  if (std::holds_alternative<Four>(like))
    if (const auto* length = std::get_if<double>(&value)) return Four::all(*length);
  return {};
}

}  // namespace

const NamedValue* Naming::find(const NamedId& id) const {
  if (!values) return nullptr;
  for (const NamedValue& v : *values)
    if (v.id == id) return &v;
  return nullptr;
}

const NamedValue* Naming::find(std::string_view name) const {
  if (!values) return nullptr;
  for (const NamedValue& v : *values)
    if (v.name == name) return &v;
  return nullptr;
}

const Value* Naming::settle(const NamedId& id) const {
  NamedId now = id;
  // A chain longer than the list goes in a circle.
  for (size_t steps = 0; values && steps <= values->size(); ++steps) {
    const NamedValue* named = find(now);
    if (!named) return nullptr;
    const Value& value = dark && named->dark ? *named->dark : named->value;
    const auto* alias = std::get_if<NamedRef>(&value);
    if (!alias) return &value;
    now = alias->id;
  }
  return nullptr;
}

Value startOf(NamedType type) {
  switch (type) {
    case NamedType::Colour:
      return Colour{59, 140, 151, 255};
    case NamedType::Length:
      return 8.0;
    case NamedType::Number:
      return 1.0;
    case NamedType::Font:
      return std::string("Inter");
    case NamedType::Weight:
      return 500.0;
    case NamedType::Duration:
      return 120.0;
    case NamedType::Easing:
      return Easing{};
    case NamedType::Gradient:
      return Fill::linear(90, {{0, {59, 140, 151, 255}}, {1, {32, 80, 96, 255}}});
    case NamedType::Shadow:
      return Shadow{0, 3, 8, 0, {0, 0, 0, 128}};
  }
  return 0.0;
}

std::string_view nameOf(NamedType type) {
  return kNames[static_cast<size_t>(type)];
}

std::optional<NamedType> parseNamedType(std::string_view name) {
  const auto at = std::find(kNames.begin(), kNames.end(), name);
  if (at == kNames.end()) return {};
  return static_cast<NamedType>(at - kNames.begin());
}

std::string whyNoName(std::string_view name) {
  if (name.empty()) return "a named value needs a name";
  if (name.find_first_of("{}") != name.npos) return "a name has no braces";
  size_t from = 0;
  while (from <= name.size()) {
    const size_t to = std::min(name.find('.', from), name.size());
    const auto group = name.substr(from, to - from);
    if (group.empty()) return "a group between two dots needs a name";
    if (group.front() == '$') return "a name does not begin with $";
    if (group.find_first_of(" \t") != group.npos) return "a name has no spaces";
    from = to + 1;
  }
  return {};
}

bool fits(NamedType type, const PropertyInfo& info) {
  switch (type) {
    case NamedType::Colour:
      return std::holds_alternative<Colour>(info.start) || std::holds_alternative<Fill>(info.start);
    case NamedType::Length:
      return std::holds_alternative<double>(info.start) || std::holds_alternative<Four>(info.start);
    case NamedType::Number:
      return std::holds_alternative<double>(info.start);
    case NamedType::Font:
      return info.prop == Prop::Family;
    case NamedType::Weight:
      return info.prop == Prop::Weight;
    case NamedType::Gradient:
      return std::holds_alternative<Fill>(info.start);
    case NamedType::Shadow:
      return std::holds_alternative<Shadow>(info.start);
    case NamedType::Duration:
    case NamedType::Easing:
      return false;
  }
  return false;
}

NamedType namedTypeFor(const PropertyInfo& info) {
  if (std::holds_alternative<Colour>(info.start)) return NamedType::Colour;
  if (std::holds_alternative<Fill>(info.start)) return NamedType::Gradient;
  if (std::holds_alternative<Shadow>(info.start)) return NamedType::Shadow;
  if (info.prop == Prop::Family) return NamedType::Font;
  if (info.prop == Prop::Weight) return NamedType::Weight;
  const bool px = std::holds_alternative<Four>(info.start) || info.step >= 1;
  return px ? NamedType::Length : NamedType::Number;
}

Value settled(const Value& value, const PropertyInfo& info, const Naming& names) {
  if (const auto* ref = std::get_if<NamedRef>(&value)) {
    const Value* stands = names.settle(ref->id);
    if (!stands) return info.start;
    auto out = adapted(*stands, info.start);
    return out && whyUnsuitable(info, *out).empty() ? settled(*out, info, names) : info.start;
  }
  if (const auto* fill = std::get_if<Fill>(&value)) {
    const auto isNamed = [](const Stop& s) { return bool(s.named); };
    if (std::none_of(fill->stops.begin(), fill->stops.end(), isNamed)) return value;
    Fill out = *fill;
    for (Stop& stop : out.stops) {
      if (stop.named) stop.colour = colourOf(stop.named, stop.colour, names);
      stop.named = {};
    }
    return out;
  }
  if (const auto* shadow = std::get_if<Shadow>(&value); shadow && shadow->named) {
    Shadow out = *shadow;
    const auto alpha = out.colour.a;
    out.colour = colourOf(shadow->named, out.colour, names);
    out.colour.a = alpha;
    out.named = {};
    return out;
  }
  return value;
}

Value renamed(const Value& value, const NamedId& from, const NamedId& to, const Value& stoodFor) {
  if (const auto* ref = std::get_if<NamedRef>(&value)) {
    if (ref->id != from) return value;
    return to ? Value(NamedRef{to}) : stoodFor;
  }
  Value out = value;
  const auto* colour = std::get_if<Colour>(&stoodFor);
  if (auto* fill = std::get_if<Fill>(&out)) {
    for (Stop& stop : fill->stops) {
      if (stop.named != from) continue;
      stop.named = to;
      if (colour) stop.colour = *colour;
    }
  }
  if (auto* shadow = std::get_if<Shadow>(&out); shadow && shadow->named == from) {
    shadow->named = to;
    if (colour) shadow->colour = {colour->r, colour->g, colour->b, shadow->colour.a};
  }
  return out;
}

}  // namespace bristle
