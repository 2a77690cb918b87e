#include "core/formats/look_json.h"

#include <fmt/format.h>

namespace bristle {
namespace {

Colour readColour(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value.is_string())
    if (const auto colour = parseColour(value.get_ref<const std::string&>())) return *colour;
  r.complain(at, "expected a colour like #3b8c97 or #3b8c97cc, found " + JsonReader::sortOf(value));
  return {};
}

Json toJson(const Shadow& s) {
  if (s == Shadow{}) return "none";
  return {{"x", s.dx},
          {"y", s.dy},
          {"blur", s.blur},
          {"spread", s.spread},
          {"colour", toHex(s.colour)}};
}

Shadow readShadow(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value == "none") return {};
  if (!r.isObject(value, at)) return {};
  Shadow s;
  s.dx = r.number(value, at, "x", 0, -2000, 2000);
  s.dy = r.number(value, at, "y", 0, -2000, 2000);
  s.blur = r.number(value, at, "blur", 0, 0, 200);
  s.spread = r.number(value, at, "spread", 0, -500, 500);
  if (const Json* colour = r.member(value, "colour"))
    s.colour = readColour(r, *colour, {&at, "colour", 0, false});
  return s;
}

Json toJson(const Value& value) {
  struct Write {
    Json operator()(double v) const { return v; }
    Json operator()(bool v) const { return v; }
    Json operator()(Colour v) const { return toHex(v); }
    Json operator()(const Fill& v) const { return bristle::toJson(v); }
    Json operator()(const Shadow& v) const { return toJson(v); }
    Json operator()(const std::string& v) const { return v; }
  };
  return std::visit(Write{}, value);
}

Value readValue(JsonReader& r, const PropertyInfo& info, const Json& value, const JsonPlace& at) {
  Value out = info.start;
  if (std::holds_alternative<double>(out)) {
    out = r.plainNumber(value, at, info.least, info.most);
  } else if (std::holds_alternative<bool>(out)) {
    if (!value.is_boolean())
      r.complain(at, "expected true or false, found " + JsonReader::sortOf(value));
    out = value.is_boolean() && value.get<bool>();
  } else if (std::holds_alternative<Colour>(out)) {
    out = readColour(r, value, at);
  } else if (std::holds_alternative<Fill>(out)) {
    out = readFill(r, value, at);
  } else if (std::holds_alternative<Shadow>(out)) {
    out = readShadow(r, value, at);
  } else if (!value.is_string()) {
    r.complain(at, "expected a text, found " + JsonReader::sortOf(value));
  } else {
    out = value.get<std::string>();
    if (const auto wanted = whyUnsuitable(info, out); !wanted.empty())
      r.complain(at, "expected " + wanted + ", found " + JsonReader::sortOf(value));
  }
  return out;
}

// Whole's values are under the key "whole", those of parts under their ids.
constexpr std::string_view kWhole = "whole";

Json lookJson(const Kind& kind, const LookValues& values) {
  Json out = Json::object();
  for (const auto& [key, value] : values) {
    const PartType* type = partType(kind, key.part);
    const PropertyInfo* info = type ? findProperty(*type, key.prop) : nullptr;
    if (!info) continue;
    out[key.part ? key.part.text : std::string(kWhole)][std::string(info->key)] = toJson(value);
  }
  return out;
}

LookValues readLook(JsonReader& r, const Kind& kind, const Json& value, const JsonPlace& at) {
  LookValues out;
  if (!r.isObject(value, at)) return out;
  for (const auto& [partName, properties] : value.items()) {
    const JsonPlace partPlace{&at, partName, 0, false};
    const PartId part = partName == kWhole ? PartId{} : PartId{partName};
    const PartType* type = partType(kind, part);
    if (!type) {
      r.complain(partPlace, "expected the id of one of the kind's parts");
      return out;
    }
    if (!r.isObject(properties, partPlace)) return out;
    for (const auto& [name, property] : properties.items()) {
      const JsonPlace here{&partPlace, name, 0, false};
      const PropertyInfo* info = findProperty(*type, name);
      if (!info) {
        r.complain(here, fmt::format("a {} has no such property", nameOf(*type)));
        return out;
      }
      out.set({part, info->prop}, readValue(r, *info, property, here));
    }
  }
  return out;
}

}  // namespace

Json toJson(const Fill& fill) {
  if (fill.type == FillType::None) return "none";
  if (fill.type == FillType::Solid) return toHex(fill.stops.at(0).colour);
  Json stops = Json::array();
  for (const Stop& stop : fill.stops)
    stops.push_back({{"at", stop.at}, {"colour", toHex(stop.colour)}});
  return {{"angle", fill.angle}, {"stops", stops}};
}

Fill readFill(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value == "none") return {};
  if (value.is_string()) return Fill::solid(readColour(r, value, at));
  if (!value.is_object()) {
    r.complain(at, "expected none, a colour, or a gradient with angle and stops, found " +
                       JsonReader::sortOf(value));
    return {};
  }
  Fill fill = Fill::linear(r.number(value, at, "angle", 90, -3600, 3600), {});
  double last = 0;
  r.each(value, at, "stops", [&](const Json& stop, const JsonPlace& here) {
    if (!r.isObject(stop, here)) return;
    const double where = r.number(stop, here, "at", 0, 0, 1);
    if (where < last) r.complain(here, "expected stops in rising order");
    last = where;
    const Json* colour = r.member(stop, "colour");
    if (!colour) return r.complain(here, "expected a colour");
    fill.stops.push_back({where, readColour(r, *colour, {&here, "colour", 0, false})});
  });
  if (fill.stops.size() < 2 || fill.stops.size() > 32) r.complain(at, "expected 2 to 32 stops");
  return fill;
}

Json toJson(const Kind& kind) {
  Json out{{"id", kind.id.text}, {"name", kind.name}, {"machine", kind.machine.text}};
  out["width"] = kind.width;
  out["height"] = kind.height;
  if (kind.fitsCaption) out["fitsCaption"] = true;
  if (kind.captionPadding != 24) out["captionPadding"] = kind.captionPadding;
  if (kind.hitPadding != 0) out["hitPadding"] = kind.hitPadding;
  if (!kind.sampleCaption.empty()) out["sample"] = kind.sampleCaption;
  out["parts"] = Json::array();
  for (const Part& part : kind.parts) {
    Json entry{{"id", part.id.text}, {"name", part.name}, {"type", nameOf(part.type)}};
    addExtras(entry, part.extra);
    out["parts"].push_back(std::move(entry));
  }
  out["base"] = lookJson(kind, kind.base);
  out["departures"] = Json::object();
  for (const auto& [state, look] : kind.departures)
    out["departures"][state.text] = lookJson(kind, look);
  addExtras(out, kind.extra);
  return out;
}

Kind readKind(JsonReader& r, const Json& value, const JsonPlace& at) {
  Kind kind;
  if (!r.isObject(value, at)) return kind;
  kind.id = {r.id(value, at, "id")};
  kind.name = r.text(value, at, "name");
  kind.machine = {r.text(value, at, "machine")};
  kind.width = r.number(value, at, "width", kind.width, 1, 8000);
  kind.height = r.number(value, at, "height", kind.height, 1, 8000);
  kind.fitsCaption = r.boolean(value, at, "fitsCaption", false);
  kind.captionPadding = r.number(value, at, "captionPadding", 24, 0, 1000);
  kind.hitPadding = r.number(value, at, "hitPadding", 0, 0, 200);
  kind.sampleCaption = r.text(value, at, "sample");
  r.each(value, at, "parts", [&](const Json& entry, const JsonPlace& here) {
    if (!r.isObject(entry, here)) return;
    Part part;
    part.id = {r.id(entry, here, "id")};
    part.name = r.text(entry, here, "name");
    const std::string type = r.text(entry, here, "type");
    bool known = false;
    for (auto t : {PartType::Shape, PartType::Label, PartType::Marker, PartType::Picture}) {
      if (nameOf(t) != type) continue;
      part.type = t;
      known = true;
    }
    if (!known) r.complain({&here, "type", 0, false}, "expected shape, label, marker or picture");
    if (part.id.text == kWhole || partType(kind, part.id))
      r.complain({&here, "id", 0, false}, "expected an id that no other part has");
    part.extra = JsonReader::extras(entry, {"id", "name", "type"});
    kind.parts.push_back(std::move(part));
  });
  if (const Json* base = r.member(value, "base"))
    kind.base = readLook(r, kind, *base, {&at, "base", 0, false});
  if (const Json* states = r.member(value, "departures")) {
    const JsonPlace here{&at, "departures", 0, false};
    if (!r.isObject(*states, here)) return kind;
    for (const auto& [state, look] : states->items())
      kind.departures[StateId{state}] = readLook(r, kind, look, {&here, state, 0, false});
  }
  kind.extra = JsonReader::extras(
      value, {"id", "name", "machine", "width", "height", "fitsCaption", "captionPadding",
              "hitPadding", "sample", "parts", "base", "departures"});
  return kind;
}

}  // namespace bristle
