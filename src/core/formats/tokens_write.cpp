#include <cmath>
#include <functional>

#include "core/formats/tokens_file.h"
#include "core/formats/tokens_words.h"
#include "runtime/document/map_names.h"
#include "runtime/formats/json_reader.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"

namespace bristle {
namespace {

using namespace tokens;

// ---- writing ----

Json colourJson(Colour c) {
  const auto part = [](std::uint8_t v) { return std::round(v / 255.0 * 1e5) / 1e5; };
  Json out{{"colorSpace", "srgb"}, {"components", {part(c.r), part(c.g), part(c.b)}}};
  if (c.a != 255) out["alpha"] = part(c.a);
  out["hex"] = toHex({c.r, c.g, c.b, 255});
  return out;
}

Json alias(const NamedId& id, const NameOf& nameOf) {
  return "{" + nameOf(id) + "}";
}

Json lengthJson(double v) {
  return {{"value", v}, {"unit", "px"}};
}

Json fontJson(const std::string& families) {
  if (families.find(',') == families.npos) return families;
  Json out = Json::array();
  size_t from = 0;
  while (from <= families.size()) {
    const size_t to = std::min(families.find(',', from), families.size());
    const size_t first = families.find_first_not_of(' ', from);
    if (first < to) out.push_back(families.substr(first, to - first));
    from = to + 1;
  }
  return out;
}

}  // namespace

Json tokens::tokenValue(NamedType type, const Value& value, const NameOf& nameOf) {
  if (const auto* ref = std::get_if<NamedRef>(&value)) return alias(ref->id, nameOf);
  if (const auto* colour = std::get_if<Colour>(&value)) return colourJson(*colour);
  if (const auto* text = std::get_if<std::string>(&value)) return fontJson(*text);
  if (const auto* number = std::get_if<double>(&value)) {
    if (type == NamedType::Length) return lengthJson(*number);
    if (type == NamedType::Duration) return {{"value", *number}, {"unit", "ms"}};
    return *number;
  }
  if (const auto* e = std::get_if<Easing>(&value)) {
    if (e->type == EasingType::CubicBezier) return {e->x1, e->y1, e->x2, e->y2};
    return {0, 0, 1, 1};
  }
  if (const auto* fill = std::get_if<Fill>(&value)) {
    Json stops = Json::array();
    for (const Stop& stop : fill->stops)
      stops.push_back({{"color", stop.named ? alias(stop.named, nameOf) : colourJson(stop.colour)},
                       {"position", stop.at}});
    return stops;
  }
  if (const auto* s = std::get_if<Shadow>(&value))
    return {{"color", colourJson(s->colour)},
            {"offsetX", lengthJson(s->dx)},
            {"offsetY", lengthJson(s->dy)},
            {"blur", lengthJson(s->blur)},
            {"spread", lengthJson(s->spread)}};
  return nullptr;
}

// What the format cannot say in full is said again in words of our own beside it.

namespace {

bool needsOurs(const Value& value) {
  if (const auto* easing = std::get_if<Easing>(&value))
    return easing->type != EasingType::CubicBezier;
  if (const auto* shadow = std::get_if<Shadow>(&value)) return bool(shadow->named);
  return std::holds_alternative<Fill>(value);
}

Json tokenJson(const NamedValue& named, const NameOf& nameOf) {
  Json out;
  for (const TypeName& t : kTypes)
    if (t.ours == named.type) out["$type"] = t.token;
  out["$value"] = tokenValue(named.type, named.value, nameOf);
  if (!named.description.empty()) out["$description"] = named.description;
  putBack(out, named.extra);
  // Our own words use names, not ids, which mean nothing in another project.
  const auto byName = [&](const NamedId& id) { return NamedId{nameOf(id)}; };
  if (needsOurs(named.value))
    out["$extensions"][kOurs]["exact"] = toJson(mappedNames(named.value, byName));
  if (named.dark) {
    out["$extensions"][kOurs]["dark"] = tokenValue(named.type, *named.dark, nameOf);
    if (needsOurs(*named.dark))
      out["$extensions"][kOurs]["darkExact"] = toJson(mappedNames(*named.dark, byName));
  }
  return out;
}

// The object at a dotted path, made where it is missing.
Json& at(Json& root, const std::string& path) {
  Json* now = &root;
  size_t from = 0;
  while (from <= path.size()) {
    const size_t to = std::min(path.find('.', from), path.size());
    now = &(*now)[path.substr(from, to - from)];
    from = to + 1;
  }
  return *now;
}

}  // namespace

std::string writeTokens(const NamedValues& values, const Extras& foreign) {
  Json root = Json::object();
  const Naming names{&values, false};
  const NameOf nameOf = [&](const NamedId& id) {
    const NamedValue* named = names.find(id);
    return named ? named->name : id.text;
  };
  for (const NamedValue& named : values) at(root, named.name) = tokenJson(named, nameOf);
  if (foreign.json) {
    const Json others = Json::parse(*foreign.json, nullptr, false);
    if (others.is_object())
      for (const auto& [path, members] : others.items())
        for (const auto& [name, member] : members.items())
          (path.empty() ? root : at(root, path))[name] = member;
  }
  return root.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

}  // namespace bristle
