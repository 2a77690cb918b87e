#include "runtime/formats/look_json.h"

#include "runtime/document/whynot.h"
#include "runtime/formats/leftover.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

namespace bristle {
namespace {

Colour readColour(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value.is_string())
    if (const auto colour = parseColour(value.get_ref<const std::string&>())) return *colour;
  r.complain(at, "expected a colour like #3b8c97 or #3b8c97cc, found " + JsonReader::sortOf(value));
  return {};
}

// A colour that may come by a name: {"colour": …, "named": id} or plain.
void writeNamed(Json& out, const NamedId& named) {
  if (named) out["named"] = named.text;
}

Json toJson(const Shadow& s) {
  if (s == Shadow{}) return "none";
  Json out{{"x", s.dx},
           {"y", s.dy},
           {"blur", s.blur},
           {"spread", s.spread},
           {"colour", toHex(s.colour)}};
  writeNamed(out, s.named);
  return out;
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
  s.named = {r.text(value, at, "named")};
  return s;
}

Json toJson(const Four& f) {
  if (f.even()) return f.a;
  return {f.a, f.b, f.c, f.d};
}

Four readFour(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (!value.is_array()) return Four::all(r.plainNumber(value, at));
  if (value.size() != 4) {
    r.complain(at, "expected one number, or a list of four");
    return {};
  }
  double v[4];
  for (size_t i = 0; i < 4; ++i) v[i] = r.plainNumber(value[i], JsonPlace{&at, {}, i, true});
  return {v[0], v[1], v[2], v[3]};
}

// A fill or a shadow may have a colour by a name, too.
bool isReference(const Json& value) {
  if (!value.is_object() || !value.contains("named") || !value["named"].is_string()) return false;
  for (const char* own : {"colour", "stops", "x", "y", "blur", "spread"})
    if (value.contains(own)) return false;
  return !value["named"].get_ref<const std::string&>().empty();
}

Value readProperty(JsonReader& r, const PropertyInfo& info, const Json& value,
                   const JsonPlace& at) {
  Value out = readValue(r, value, at, info.start);
  if (r.error() || std::holds_alternative<NamedRef>(out)) return out;
  if (const auto wanted = whyUnsuitable(info, out); !wanted.empty())
    r.complain(at, "expected " + wanted + ", found " + JsonReader::sortOf(value));
  return out;
}

// Whole's values are under the key "whole", those of parts under their ids.
constexpr std::string_view kWhole = "whole";
constexpr PartType kAllTypes[] = {PartType::Whole,  PartType::Shape,   PartType::Label,
                                  PartType::Marker, PartType::Picture, PartType::Icon};
constexpr std::string_view kHitForms[] = {"box", "shape", "alpha"};

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
    if (!r.isObject(properties, partPlace)) return out;
    // What this version does not know is kept, and put back when it is written.
    const PartType* type = partType(kind, part);
    if (!type) continue;
    for (const auto& [name, property] : properties.items()) {
      const JsonPlace here{&partPlace, name, 0, false};
      const PropertyInfo* info = findProperty(*type, name);
      if (!info) continue;
      out.set({part, info->prop}, readProperty(r, *info, property, here));
    }
  }
  return out;
}

}  // namespace

Json toJson(const Value& value) {
  struct Write {
    Json operator()(double v) const { return v; }
    Json operator()(bool v) const { return v; }
    Json operator()(Colour v) const { return toHex(v); }
    Json operator()(const Fill& v) const { return bristle::toJson(v); }
    Json operator()(const Shadow& v) const { return toJson(v); }
    Json operator()(const std::string& v) const { return v; }
    Json operator()(const Four& v) const { return toJson(v); }
    Json operator()(const Easing& v) const { return toText(v); }
    Json operator()(const NamedRef& v) const { return {{"named", v.id.text}}; }
  };
  return std::visit(Write{}, value);
}

Value readValue(JsonReader& r, const Json& value, const JsonPlace& at, const Value& like) {
  if (isReference(value)) return NamedRef{{value["named"].get<std::string>()}};
  struct Read {
    JsonReader& r;
    const Json& value;
    const JsonPlace& at;
    Value operator()(double) const { return r.plainNumber(value, at); }
    Value operator()(bool) const {
      if (!value.is_boolean())
        r.complain(at, "expected true or false, found " + JsonReader::sortOf(value));
      return value.is_boolean() && value.get<bool>();
    }
    Value operator()(Colour) const { return readColour(r, value, at); }
    Value operator()(const Fill&) const { return readFill(r, value, at); }
    Value operator()(const Shadow&) const { return readShadow(r, value, at); }
    Value operator()(const Four&) const { return readFour(r, value, at); }
    Value operator()(const std::string&) const {
      if (value.is_string()) return value.get<std::string>();
      r.complain(at, "expected a text, found " + JsonReader::sortOf(value));
      return std::string();
    }
    Value operator()(const Easing& like) const {
      if (value.is_string())
        if (const auto easing = parseEasing(value.get<std::string>())) return *easing;
      r.complain(at, "expected linear, bezier x1 y1 x2 y2, or steps n");
      return like;
    }
    Value operator()(const NamedRef& like) const { return like; }
  };
  return std::visit(Read{r, value, at}, like);
}

Json toJson(const Fill& fill) {
  if (fill.type == FillType::None) return "none";
  if (fill.type == FillType::Solid) {
    const Stop& only = fill.stops.at(0);
    if (!only.named) return toHex(only.colour);
    return {{"colour", toHex(only.colour)}, {"named", only.named.text}};
  }
  Json stops = Json::array();
  for (const Stop& stop : fill.stops) {
    stops.push_back({{"at", stop.at}, {"colour", toHex(stop.colour)}});
    writeNamed(stops.back(), stop.named);
  }
  if (fill.type == FillType::Linear) return {{"angle", fill.angle}, {"stops", stops}};
  return {{"radial", {fill.x, fill.y, fill.radius}}, {"stops", stops}};
}

Easing readEasing(JsonReader& r, const Json& value, const JsonPlace& at) {
  const std::string text = r.text(value, at, "easing", toText(Easing{}));
  if (const auto easing = parseEasing(text)) return *easing;
  r.complain({&at, "easing", 0, false},
             "expected linear, bezier x1 y1 x2 y2, steps n, or spring period damping, found “" +
                 text + "”");
  return {};
}

Fill readFill(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value == "none") return {};
  if (value.is_string()) return Fill::solid(readColour(r, value, at));
  if (!value.is_object()) {
    r.complain(at, "expected none, a colour, or a gradient with angle and stops, found " +
                       JsonReader::sortOf(value));
    return {};
  }
  if (const Json* colour = r.member(value, "colour")) {
    Fill fill = Fill::solid(readColour(r, *colour, {&at, "colour", 0, false}));
    fill.stops[0].named = {r.text(value, at, "named")};
    return fill;
  }
  Fill fill = Fill::linear(r.number(value, at, "angle", 90, -3600, 3600), {});
  if (const Json* radial = r.member(value, "radial")) {
    const JsonPlace here{&at, "radial", 0, false};
    const Four spot = radial->is_array() && radial->size() == 3
                          ? readFour(r, {(*radial)[0], (*radial)[1], (*radial)[2], 0}, here)
                          : Four{};
    if (!(spot.c > 0 && spot.c <= 3 && std::abs(spot.a) <= 3 && std::abs(spot.b) <= 3))
      r.complain(here, "expected the centre's x and y (0–1) and the radius (above 0, at most 3)");
    fill.type = FillType::Radial;
    fill.x = spot.a;
    fill.y = spot.b;
    fill.radius = spot.c;
  }
  double last = 0;
  r.each(value, at, "stops", [&](const Json& stop, const JsonPlace& here) {
    if (!r.isObject(stop, here)) return;
    const double where = r.number(stop, here, "at", 0, 0, 1);
    if (where < last) r.complain(here, "expected stops in rising order");
    last = where;
    const Json* colour = r.member(stop, "colour");
    if (!colour) return r.complain(here, "expected a colour");
    fill.stops.push_back({where,
                          readColour(r, *colour, {&here, "colour", 0, false}),
                          {r.text(stop, here, "named")}});
  });
  if (fill.stops.size() < 2 || fill.stops.size() > 32) r.complain(at, "expected 2 to 32 stops");
  return fill;
}

namespace {

// Which sort of part the value belongs to: the kind's, or else the first that can have it.
const PropertyInfo* infoFor(const Kind* kind, const PropKey& key, const Value& value) {
  const PartType* known = kind ? partType(*kind, key.part) : nullptr;
  if (known) return findProperty(*known, key.prop);
  for (auto type : kAllTypes)
    if (const PropertyInfo* info = findProperty(type, key.prop);
        info && (type == PartType::Whole) == !key.part &&
        (info->start.index() == value.index() || std::holds_alternative<NamedRef>(value)))
      return info;
  return nullptr;
}

}  // namespace

// A button does not say what sorts its kind's parts are, so that it can be read on its own: the
// part's sort stands before the property, "label.size".
Json toJson(const OwnLook& own, const Kind* kind) {
  const auto look = [&](const LookValues& values) {
    Json out = Json::object();
    for (const auto& [key, value] : values)
      if (const PropertyInfo* info = infoFor(kind, key, value))
        out[key.part ? key.part.text : std::string(kWhole)]
           [fmt::format("{}.{}", nameOf(info->part), info->key)] = toJson(value);
    return out;
  };
  Json out = Json::object();
  if (!own.base.empty()) out["base"] = look(own.base);
  for (const auto& [state, values] : own.departures) out["departures"][state.text] = look(values);
  return out;
}

OwnLook readOwnLook(JsonReader& r, const Json& value, const JsonPlace& at) {
  const auto readOne = [&](const Json& look, const JsonPlace& here) {
    LookValues out;
    if (!r.isObject(look, here)) return out;
    for (const auto& [part, properties] : look.items()) {
      const JsonPlace partPlace{&here, part, 0, false};
      if (!r.isObject(properties, partPlace)) return out;
      for (const auto& [name, property] : properties.items()) {
        const JsonPlace place{&partPlace, name, 0, false};
        const auto dot = name.find('.');
        const auto sort = name.substr(0, dot);
        const auto type = sort == kWhole ? PartType::Whole : parsePartType(sort);
        const PropertyInfo* info = type && dot != name.npos
                                       ? findProperty(*type, std::string_view(name).substr(dot + 1))
                                       : nullptr;
        if (info)
          out.set({part == kWhole ? PartId{} : PartId{part}, info->prop},
                  readProperty(r, *info, property, place));
      }
    }
    return out;
  };
  OwnLook own;
  if (!r.isObject(value, at)) return own;
  if (const Json* base = r.member(value, "base"))
    own.base = readOne(*base, {&at, "base", 0, false});
  if (const Json* states = r.member(value, "departures")) {
    const JsonPlace here{&at, "departures", 0, false};
    if (!r.isObject(*states, here)) return own;
    for (const auto& [state, look] : states->items())
      own.departures[StateId{state}] = readOne(look, {&here, state, 0, false});
  }
  return own;
}

namespace {

Json motionJson(const StateId& state, const StateMotion& motion) {
  Json out{{"state", state.text}, {"period", motion.period}};
  if (motion.delay) out["delay"] = motion.delay;
  if (motion.count) out["count"] = motion.count;
  out["tracks"] = Json::array();
  for (const MotionTrack& track : motion.tracks) {
    Json frames = Json::array();
    for (const KeyFrame& f : track.frames)
      frames.push_back({{"at", f.at}, {"add", f.add}, {"easing", toText(f.easing)}});
    out["tracks"].push_back({{"part", track.key.part ? track.key.part.text : std::string(kWhole)},
                             {"property", keyOf(track.key.prop)},
                             {"frames", std::move(frames)}});
  }
  return out;
}

MotionTrack readTrack(JsonReader& r, const Kind& kind, const Json& value, const JsonPlace& at) {
  MotionTrack out;
  if (!r.isObject(value, at)) return out;
  const std::string part = r.text(value, at, "part", std::string(kWhole));
  const std::string key = r.text(value, at, "property");
  out.key.part = part == kWhole ? PartId{} : PartId{part};
  const PartType* type = partType(kind, out.key.part);
  if (!type) r.complain({&at, "part", 0, false}, "expected a part of the kind");
  const PropertyInfo* info = type ? findProperty(*type, key) : nullptr;
  if (!info || !std::holds_alternative<double>(info->start))
    r.complain({&at, "property", 0, false},
               "expected a property that is a number, found “" + key + "”");
  else
    out.key.prop = info->prop;
  r.each(value, at, "frames", [&](const Json& frame, const JsonPlace& here) {
    if (!r.isObject(frame, here)) return;
    KeyFrame f;
    f.at = r.number(frame, here, "at", 0, 0, 1);
    f.add = r.number(frame, here, "add", 0);
    if (!out.frames.empty() && f.at < out.frames.back().at)
      r.complain({&here, "at", 0, false}, "expected key frames in rising order");
    f.easing = readEasing(r, frame, here);
    out.frames.push_back(f);
  });
  return out;
}

void readMotion(JsonReader& r, Kind& kind, const Json& value, const JsonPlace& at) {
  if (!r.isObject(value, at)) return;
  const StateId state{r.id(value, at, "state")};
  StateMotion motion;
  motion.period = r.milliseconds(value, at, "period", motion.period);
  if (motion.period < 1) r.complain({&at, "period", 0, false}, "expected 1 ms or more");
  motion.delay = r.milliseconds(value, at, "delay", 0);
  motion.count = static_cast<int>(r.number(value, at, "count", 0, 0, 1000));
  r.each(value, at, "tracks", [&](const Json& track, const JsonPlace& here) {
    motion.tracks.push_back(readTrack(r, kind, track, here));
  });
  if (kind.motions.contains(state))
    r.complain({&at, "state", 0, false}, "expected each state once");
  kind.motions[state] = std::move(motion);
}

Json partJson(const Part& part) {
  Json out{{"id", part.id.text}, {"name", part.name}, {"type", nameOf(part.type)}};
  putBack(out, part.extra);
  return out;
}

}  // namespace

Json toJson(const Kind& kind) {
  Json out{{"id", kind.id.text}, {"name", kind.name}, {"machine", kind.machine.text}};
  out["width"] = kind.width;
  out["height"] = kind.height;
  if (kind.fitsCaption) out["fitsCaption"] = true;
  if (kind.captionPadding != 24) out["captionPadding"] = kind.captionPadding;
  if (kind.hitPadding != 0) out["hitPadding"] = kind.hitPadding;
  if (kind.hitForm != HitForm::Box) out["hitForm"] = kHitForms[static_cast<size_t>(kind.hitForm)];
  if (kind.hitAlpha != 0.5) out["hitAlpha"] = kind.hitAlpha;
  if (kind.still) out["still"] = true;
  if (kind.sizesDiffer) out["sizesDiffer"] = true;
  if (!kind.sampleCaption.empty()) out["sample"] = kind.sampleCaption;
  out["parts"] = Json::array();
  for (const Part& part : kind.parts) out["parts"].push_back(partJson(part));
  out["base"] = lookJson(kind, kind.base);
  out["departures"] = Json::object();
  for (const auto& [state, look] : kind.departures)
    out["departures"][state.text] = lookJson(kind, look);
  for (const auto& [state, motion] : kind.motions)
    out["motions"].push_back(motionJson(state, motion));
  putBack(out, kind.extra);
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
  kind.still = r.boolean(value, at, "still", false);
  const std::string form = r.text(value, at, "hitForm", "box");
  const auto known = std::find(std::begin(kHitForms), std::end(kHitForms), form);
  if (known == std::end(kHitForms))
    r.complain({&at, "hitForm", 0, false}, "expected box, shape or alpha, found “" + form + "”");
  else
    kind.hitForm = static_cast<HitForm>(known - std::begin(kHitForms));
  kind.hitAlpha = r.number(value, at, "hitAlpha", 0.5, 0, 1);
  kind.sizesDiffer = r.boolean(value, at, "sizesDiffer", false);
  kind.sampleCaption = r.text(value, at, "sample");
  r.each(value, at, "parts", [&](const Json& entry, const JsonPlace& here) {
    if (!r.isObject(entry, here)) return;
    Part part;
    part.id = {r.id(entry, here, "id")};
    part.name = r.text(entry, here, "name");
    const std::string type = r.text(entry, here, "type");
    const auto sort = parsePartType(type);
    part.type = sort.value_or(PartType::Shape);
    if (!sort)
      r.complain({&here, "type", 0, false}, "expected shape, label, marker, picture or icon");
    if (part.id.text == kWhole || partType(kind, part.id))
      r.complain({&here, "id", 0, false}, "expected an id that no other part has");
    part.extra = leftover(entry, partJson(part));
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
  r.each(value, at, "motions",
         [&](const Json& entry, const JsonPlace& here) { readMotion(r, kind, entry, here); });
  r.complain(at, whyNot(kind));
  if (!r.error()) kind.extra = leftover(value, toJson(kind), {"parts"});
  return kind;
}

}  // namespace bristle
