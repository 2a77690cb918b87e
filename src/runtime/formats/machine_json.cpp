#include <fmt/format.h>

#include "runtime/document/whynot.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"
#include "runtime/machine/easing.h"

namespace bristle {
namespace {

Json timingJson(const Timing& t) {
  Json out{{"duration", t.duration}};
  if (t.delay) out["delay"] = t.delay;
  out["easing"] = toText(t.easing);
  if (t.namedDuration) out["namedDuration"] = t.namedDuration.text;
  if (t.namedEasing) out["namedEasing"] = t.namedEasing.text;
  return out;
}

Timing readTiming(JsonReader& r, const Json& value, const JsonPlace& at) {
  Timing t;
  if (!r.isObject(value, at)) return t;
  t.duration = r.milliseconds(value, at, "duration", t.duration);
  t.delay = r.milliseconds(value, at, "delay", 0);
  t.namedDuration = {r.text(value, at, "namedDuration")};
  t.namedEasing = {r.text(value, at, "namedEasing")};
  t.easing = readEasing(r, value, at);
  return t;
}

Json propTimingsJson(const PropTimings& all) {
  Json out = Json::array();
  for (const PropTiming& each : all) {
    Json entry = timingJson(each.timing);
    entry["property"] = keyOf(each.prop);
    out.push_back(std::move(entry));
  }
  return out;
}

PropTimings readPropTimings(JsonReader& r, const Json& value, const JsonPlace& at) {
  PropTimings out;
  r.each(value, at, "propertyTimings", [&](const Json& entry, const JsonPlace& here) {
    if (!r.isObject(entry, here)) return;
    const std::string key = r.text(entry, here, "property");
    const auto prop = parseProp(key);
    if (!prop)
      return r.complain({&here, "property", 0, false},
                        "expected a property such as fill or offsetX, found “" + key + "”");
    for (const PropTiming& other : out)
      if (other.prop == *prop)
        return r.complain({&here, "property", 0, false}, "expected each property once");
    out.push_back({*prop, readTiming(r, entry, here)});
  });
  return out;
}

Json effectJson(const Effect& e) {
  if (e.type == EffectType::Sound) return {{"do", "sound"}, {"file", e.file}, {"volume", e.volume}};
  if (e.type == EffectType::Message) return {{"do", "message"}, {"message", e.message}};
  if (e.type == EffectType::SetValue)
    return {{"do", "set"}, {"value", e.value.text}, {"to", e.formula}};
  return {{"do", "activate"}};
}

Effect readEffect(JsonReader& r, const Json& value, const JsonPlace& at) {
  Effect e;
  if (!r.isObject(value, at)) return e;
  const std::string what = r.text(value, at, "do");
  if (what == "message") {
    e.type = EffectType::Message;
    e.message = r.text(value, at, "message");
  } else if (what == "set") {
    e.type = EffectType::SetValue;
    e.value = {r.text(value, at, "value")};
    e.formula = r.text(value, at, "to");
  } else if (what == "sound") {
    e.type = EffectType::Sound;
    e.file = r.text(value, at, "file");
    e.volume = r.number(value, at, "volume", 1, 0, 1);
  } else if (what != "activate") {
    r.complain({&at, "do", 0, false}, "expected activate, message, set or sound");
  }
  return e;
}

Json transitionJson(const Transition& t) {
  Json out = Json::object();
  if (t.from) out["from"] = t.from->text;
  out["on"] = nameOf(t.on);
  if (t.on == Event::After) out["after"] = t.after;
  if (t.on == Event::Message) out["message"] = t.message;
  if (!t.guard.empty()) out["if"] = t.guard;
  out["to"] = t.to.text;
  if (t.timing) out["timing"] = timingJson(*t.timing);
  if (!t.propTimings.empty()) out["propertyTimings"] = propTimingsJson(t.propTimings);
  for (const Effect& effect : t.effects) out["effects"].push_back(effectJson(effect));
  putBack(out, t.extra);
  return out;
}

Transition readTransition(JsonReader& r, const Json& value, const JsonPlace& at) {
  Transition t;
  if (!r.isObject(value, at)) return t;
  if (const std::string from = r.text(value, at, "from"); !from.empty()) t.from = StateId{from};
  const std::string on = r.text(value, at, "on");
  if (const auto event = parseEvent(on)) {
    t.on = *event;
  } else {
    r.complain({&at, "on", 0, false},
               "expected an event such as press or over.begin, found “" + on + "”");
  }
  t.after = r.milliseconds(value, at, "after", 0);
  t.message = r.text(value, at, "message");
  t.guard = r.text(value, at, "if");
  t.to = {r.id(value, at, "to")};
  if (const Json* timing = r.member(value, "timing"))
    t.timing = readTiming(r, *timing, {&at, "timing", 0, false});
  t.propTimings = readPropTimings(r, value, at);
  r.each(value, at, "effects", [&](const Json& effect, const JsonPlace& here) {
    t.effects.push_back(readEffect(r, effect, here));
  });
  t.extra = leftover(value, transitionJson(t));
  return t;
}

Json stateJson(const State& state) {
  Json out{{"id", state.id.text}, {"name", state.name}};
  if (state.role != Role::None) out["role"] = nameOf(state.role);
  if (state.final) out["final"] = true;
  putBack(out, state.extra);
  return out;
}

void readRules(JsonReader& r, Machine& m, const Json& value, const JsonPlace& at) {
  const std::string wins = r.text(value, at, "wins", "hover");
  if (wins != "hover" && wins != "focus")
    r.complain({&at, "wins", 0, false}, "expected hover or focus, found “" + wins + "”");
  m.wins = wins == "focus" ? Wins::Focused : Wins::Hover;
  const std::string fires = r.text(value, at, "fires", "release");
  if (const auto known = parseFires(fires)) {
    m.fires = *known;
  } else {
    r.complain({&at, "fires", 0, false}, "expected release, press, hold or repeat");
  }
  r.each(value, at, "waivers", [&](const Json& entry, const JsonPlace& here) {
    if (!r.isObject(entry, here)) return;
    const double law = r.number(entry, here, "law", 0, 1, 10);
    m.waivers.push_back({static_cast<int>(law), r.text(entry, here, "reason")});
  });
}

}  // namespace

Json toJson(const Machine& m) {
  Json out{{"id", m.id.text}, {"name", m.name}, {"timing", timingJson(m.timing)}};
  if (!m.propTimings.empty()) out["propertyTimings"] = propTimingsJson(m.propTimings);
  if (m.wins == Wins::Focused) out["wins"] = "focus";
  if (m.fires != Fires::Release) out["fires"] = nameOf(m.fires);
  for (const Waiver& w : m.waivers)
    out["waivers"].push_back({{"law", w.law}, {"reason", w.reason}});
  if (m.hold != 600) out["hold"] = m.hold;
  if (m.repeatDelay != 400) out["repeatDelay"] = m.repeatDelay;
  if (m.repeatInterval != 120) out["repeatInterval"] = m.repeatInterval;
  out["states"] = Json::array();
  for (const State& state : m.states) out["states"].push_back(stateJson(state));
  out["transitions"] = Json::array();
  for (const Transition& t : m.transitions) out["transitions"].push_back(transitionJson(t));
  putBack(out, m.extra);
  return out;
}

Machine readMachine(JsonReader& r, const Json& value, const JsonPlace& at) {
  Machine m;
  if (!r.isObject(value, at)) return m;
  m.id = {r.id(value, at, "id")};
  m.name = r.text(value, at, "name");
  if (const Json* timing = r.member(value, "timing"))
    m.timing = readTiming(r, *timing, {&at, "timing", 0, false});
  m.propTimings = readPropTimings(r, value, at);
  m.hold = r.milliseconds(value, at, "hold", 600);
  m.repeatDelay = r.milliseconds(value, at, "repeatDelay", 400);
  m.repeatInterval = r.milliseconds(value, at, "repeatInterval", 120);
  readRules(r, m, value, at);
  r.each(value, at, "states", [&](const Json& entry, const JsonPlace& here) {
    if (!r.isObject(entry, here)) return;
    State state;
    state.id = {r.id(entry, here, "id")};
    state.name = r.text(entry, here, "name");
    const std::string role = r.text(entry, here, "role");
    if (const auto known = parseRole(role)) {
      state.role = *known;
    } else {
      r.complain({&here, "role", 0, false}, "expected rest, hover, press, focus or disabled");
    }
    state.final = r.boolean(entry, here, "final", false);
    if (findState(m, state.id))
      r.complain({&here, "id", 0, false}, "expected an id that no other state has");
    state.extra = leftover(entry, stateJson(state));
    m.states.push_back(std::move(state));
  });
  r.each(value, at, "transitions", [&](const Json& entry, const JsonPlace& here) {
    m.transitions.push_back(readTransition(r, entry, here));
  });
  r.complain(at, whyNot(m));
  if (!r.error()) m.extra = leftover(value, toJson(m), {"states", "transitions"});
  return m;
}

}  // namespace bristle
