#include "runtime/formats/project_file.h"

#include <algorithm>
#include <array>

#include "runtime/document/whynot.h"
#include "runtime/formats/binding_json.h"
#include "runtime/formats/delivery_json.h"
#include "runtime/formats/format_one.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"
#include "runtime/formats/screen_json.h"
#include "runtime/formats/text_json.h"

namespace bristle {
namespace {

// The oldest format of which a reader understands what is written: format 1 knew no tree of items.
constexpr int kReadableBy = 2;

constexpr std::array<std::string_view, 3> kSorts{"number", "flag", "choice"};
constexpr std::array<std::string_view, 3> kPadSigns{"dots", "quarters", "numbers"};

Json displayJson(const Display& d);
Json settingsJson(const Settings& s);
Json namedJson(const NamedValue& named);

// One number for all four edges, or each by its name.
Insets readInsets(JsonReader& r, const Json& value, const JsonPlace& at, const char* key) {
  const Json* insets = r.member(value, key);
  if (!insets) return {};
  const JsonPlace here{&at, key, 0, false};
  if (insets->is_number()) return r.plainNumber(*insets, here, 0, 1000);
  if (!r.isObject(*insets, here)) return {};
  const auto edge = [&](const char* name) { return r.number(*insets, here, name, 0, 0, 1000); };
  return {edge("left"), edge("top"), edge("right"), edge("bottom")};
}

Display readDisplay(JsonReader& r, const Json& value, const JsonPlace& at) {
  Display d;
  if (!r.isObject(value, at)) return d;
  d.id = {r.id(value, at, "id")};
  d.name = r.text(value, at, "name");
  d.width = r.number(value, at, "width", 1920, 1, kLargestDisplay);
  d.height = r.number(value, at, "height", 1080, 1, kLargestDisplay);
  d.scale = r.number(value, at, "scale", 1, 0.1, 8);
  d.safe = readInsets(r, value, at, "safe");
  d.corner = r.number(value, at, "corner", 0, 0, 1000);
  d.perInch = r.number(value, at, "perInch", 0, 0, 2000);
  d.distance = r.number(value, at, "distance", 0, 0, 20'000);
  r.each(value, at, "blocked", [&](const Json& area, const JsonPlace& here) {
    if (!r.isObject(area, here)) return;
    const auto length = [&](const char* key) {
      return r.number(area, here, key, 0, 0, kLargestDisplay);
    };
    d.blocked.push_back({length("x"), length("y"), length("w"), length("h")});
  });
  r.complain(at, whyNot(d));
  d.extra = leftover(value, displayJson(d));
  return d;
}

Json displayJson(const Display& d) {
  Json out{{"id", d.id.text}, {"name", d.name}, {"width", d.width}, {"height", d.height}};
  if (d.scale != 1) out["scale"] = d.scale;
  if (d.safe == Insets(d.safe.left) && !d.safe.none()) out["safe"] = d.safe.left;
  if (!(d.safe == Insets(d.safe.left)))
    out["safe"] = {{"left", d.safe.left},
                   {"top", d.safe.top},
                   {"right", d.safe.right},
                   {"bottom", d.safe.bottom}};
  if (d.corner != 0) out["corner"] = d.corner;
  if (d.perInch != 0) out["perInch"] = d.perInch;
  if (d.distance != 0) out["distance"] = d.distance;
  for (const Box& box : d.blocked)
    out["blocked"].push_back({{"x", box.x}, {"y", box.y}, {"w", box.w}, {"h", box.h}});
  putBack(out, d.extra);
  return out;
}

Settings readSettings(JsonReader& r, const Json& value, const JsonPlace& at, int format) {
  Settings s;
  if (!r.isObject(value, at)) return s;
  s.pointerMovesFocus = r.boolean(value, at, "pointerMovesFocus", true);
  s.repeatDelay = r.milliseconds(value, at, "repeatDelay", 400);
  s.repeatInterval = r.milliseconds(value, at, "repeatInterval", 120);
  s.leastHit = r.number(value, at, "leastHit", 24, 1, 400);
  s.leastHitMm = r.number(value, at, "leastHitMm", 0, 0, 50);
  s.leastText = r.number(value, at, "leastText", 16, 0, 60);
  s.leastGap = r.number(value, at, "leastGap", 8, 0, 400);
  r.each(value, at, "rulesOff", [&](const Json& rule, const JsonPlace& here) {
    if (!rule.is_string()) return r.complain(here, "expected what the rule is called");
    s.rulesOff.push_back(rule.get<std::string>());
  });
  s.darkSet = r.boolean(value, at, "darkSet", false);
  s.gridWidth = r.number(value, at, "gridWidth", 8, 1, 4000);
  s.gridHeight = r.number(value, at, "gridHeight", 8, 1, 4000);
  s.bumpSound = r.text(value, at, "bumpSound");
  s.openSound = r.text(value, at, "openSound");
  s.backSound = r.text(value, at, "backSound");
  s.musicVolume = {r.text(value, at, "musicVolume")};
  s.cueVolume = {r.text(value, at, "cueVolume")};
  if (r.member(value, "padSigns"))
    s.padSigns = static_cast<PadSigns>(r.choice(value, at, "padSigns", kPadSigns));
  // An interval of nothing would repeat without end in no time.
  if (s.repeatInterval < 1) r.complain({&at, "repeatInterval", 0, false}, "expected at least 1");
  s.extra = leftover(value, settingsJson(s), {format == 1 ? "rightToLeft" : "repeatDelay"});
  return s;
}

Json settingsJson(const Settings& s) {
  Json out{{"pointerMovesFocus", s.pointerMovesFocus},
           {"repeatDelay", s.repeatDelay},
           {"repeatInterval", s.repeatInterval}};
  if (s.leastHit != 24) out["leastHit"] = s.leastHit;
  if (s.leastHitMm != 0) out["leastHitMm"] = s.leastHitMm;
  if (s.leastText != 16) out["leastText"] = s.leastText;
  if (s.leastGap != 8) out["leastGap"] = s.leastGap;
  if (!s.rulesOff.empty()) out["rulesOff"] = s.rulesOff;
  if (s.darkSet) out["darkSet"] = true;
  if (s.gridWidth != 8) out["gridWidth"] = s.gridWidth;
  if (s.gridHeight != 8) out["gridHeight"] = s.gridHeight;
  if (!s.bumpSound.empty()) out["bumpSound"] = s.bumpSound;
  if (!s.openSound.empty()) out["openSound"] = s.openSound;
  if (!s.backSound.empty()) out["backSound"] = s.backSound;
  if (s.musicVolume) out["musicVolume"] = s.musicVolume.text;
  if (s.cueVolume) out["cueVolume"] = s.cueVolume.text;
  if (s.padSigns != PadSigns::Dots) out["padSigns"] = kPadSigns[static_cast<size_t>(s.padSigns)];
  putBack(out, s.extra);
  return out;
}

NamedValue readNamed(JsonReader& r, const Json& value, const JsonPlace& at) {
  NamedValue out;
  if (!r.isObject(value, at)) return out;
  out.id = {r.id(value, at, "id")};
  out.name = r.text(value, at, "name");
  if (const auto why = whyNoName(out.name); !why.empty()) r.complain({&at, "name", 0, false}, why);
  const std::string type = r.text(value, at, "type");
  const auto known = parseNamedType(type);
  if (!known) {
    r.complain({&at, "type", 0, false},
               "expected a type such as colour or length, found “" + type + "”");
    return out;
  }
  out.type = *known;
  out.value = startOf(out.type);
  if (const Json* own = r.member(value, "value"))
    out.value = readValue(r, *own, {&at, "value", 0, false}, out.value);
  else
    r.complain(at, "expected a value");
  if (const Json* dark = r.member(value, "dark"))
    out.dark = readValue(r, *dark, {&at, "dark", 0, false}, startOf(out.type));
  out.description = r.text(value, at, "description");
  out.extra = leftover(value, namedJson(out));
  return out;
}

Json namedJson(const NamedValue& named) {
  Json out{{"id", named.id.text}, {"name", named.name}, {"type", nameOf(named.type)}};
  out["value"] = toJson(named.value);
  if (named.dark) out["dark"] = toJson(*named.dark);
  if (!named.description.empty()) out["description"] = named.description;
  putBack(out, named.extra);
  return out;
}

Json valueJson(const ProjectValue& value) {
  Json out{{"id", value.id.text}, {"name", value.name}, {"start", value.start}};
  if (value.sort != ValueSort::Number) out["sort"] = kSorts[static_cast<size_t>(value.sort)];
  if (value.least) out["least"] = *value.least;
  if (value.most) out["most"] = *value.most;
  if (value.step != 1) out["step"] = value.step;
  if (!value.options.empty()) out["options"] = value.options;
  putBack(out, value.extra);
  return out;
}

ProjectValue readProjectValue(JsonReader& r, const Json& value, const JsonPlace& at) {
  constexpr double kFar = 1e12;
  ProjectValue out;
  out.id = {r.id(value, at, "id")};
  out.name = r.text(value, at, "name");
  out.start = r.number(value, at, "start", 0, -kFar, kFar);
  out.sort = static_cast<ValueSort>(r.choice(value, at, "sort", kSorts));
  if (r.member(value, "least")) out.least = r.number(value, at, "least", 0, -kFar, kFar);
  if (r.member(value, "most")) out.most = r.number(value, at, "most", 0, -kFar, kFar);
  out.step = r.number(value, at, "step", 1, 1e-9, kFar);
  r.each(value, at, "options", [&](const Json& option, const JsonPlace& here) {
    if (!option.is_string()) return r.complain(here, "expected what the option is called");
    out.options.push_back(option.get<std::string>());
  });
  if (!r.error()) r.complain(at, whyNot(out));
  out.extra = leftover(value, valueJson(out));
  return out;
}

Json acceptedJson(const Accepted& accepted) {
  Json out{{"key", accepted.key}, {"reason", accepted.reason}};
  if (!accepted.on.empty()) out["on"] = accepted.on;
  putBack(out, accepted.extra);
  return out;
}

Accepted readAccepted(JsonReader& r, const Json& value, const JsonPlace& at) {
  Accepted out;
  if (!r.isObject(value, at)) return out;
  out.key = r.text(value, at, "key");
  out.reason = r.text(value, at, "reason");
  out.on = r.text(value, at, "on");
  out.extra = leftover(value, acceptedJson(out));
  return out;
}

Json listJson(const ScreenList& list) {
  Json out{{"id", list.id.text}, {"name", list.name}, {"screens", Json::array()}};
  for (const ScreenId& screen : list.screens) out["screens"].push_back(screen.text);
  putBack(out, list.extra);
  return out;
}

ScreenList readList(JsonReader& r, const Json& value, const JsonPlace& at) {
  ScreenList out;
  if (!r.isObject(value, at)) return out;
  out.id = {r.id(value, at, "id")};
  out.name = r.text(value, at, "name");
  r.each(value, at, "screens", [&](const Json& screen, const JsonPlace& here) {
    if (!screen.is_string()) return r.complain(here, "expected a screen’s id");
    out.screens.push_back({screen.get<std::string>()});
  });
  out.extra = leftover(value, listJson(out));
  return out;
}

void readGroups(JsonReader& r, const Json& root, const JsonPlace& top, const ReadingScreens& with,
                Project& p) {
  r.each(root, top, "groups", [&](const Json& value, const JsonPlace& at) {
    p.groups.emplace_back(readGroup(r, value, at, with));
  });
  r.each(root, top, "lists", [&](const Json& value, const JsonPlace& at) {
    p.lists.push_back(readList(r, value, at));
    with.ids.add(p.lists.back().id.text, at);
  });
}

void readParts(JsonReader& r, const Json& root, const JsonPlace& top, int format, Project& p) {
  UniqueIds ids(r);
  r.each(root, top, "displays", [&](const Json& value, const JsonPlace& at) {
    p.displays.push_back(readDisplay(r, value, at));
    ids.add(p.displays.back().id.text, at);
  });
  r.each(root, top, "languages", [&](const Json& value, const JsonPlace& at) {
    p.languages.push_back(readLanguage(r, value, at));
    ids.add(p.languages.back().id.text, at);
  });
  r.each(root, top, "values", [&](const Json& value, const JsonPlace& at) {
    if (!r.isObject(value, at)) return;
    p.values.push_back(readProjectValue(r, value, at));
    ids.add(p.values.back().id.text, at);
  });
  r.each(root, top, "named", [&](const Json& value, const JsonPlace& at) {
    NamedValue named = readNamed(r, value, at);
    if (naming(p).find(named.name))
      r.complain({&at, "name", 0, false}, "expected a name of its own");
    p.named.edit().push_back(std::move(named));
    ids.add(p.named->back().id.text, at);
  });
  r.each(root, top, "machines", [&](const Json& value, const JsonPlace& at) {
    p.machines.emplace_back(readMachine(r, value, at));
    ids.add(p.machines.back()->id.text, at);
  });
  r.each(root, top, "kinds", [&](const Json& value, const JsonPlace& at) {
    p.kinds.emplace_back(readKind(r, value, at));
    ids.add(p.kinds.back()->id.text, at);
  });
  r.each(root, top, "screens", [&](const Json& value, const JsonPlace& at) {
    p.screens.emplace_back(readScreen(r, value, at, {p, ids, format}));
  });
  readGroups(r, root, top, {p, ids, format}, p);
  r.each(root, top, "deliveries", [&](const Json& value, const JsonPlace& at) {
    p.deliveries.push_back(readDelivery(r, value, at));
  });
  r.each(root, top, "accepted", [&](const Json& value, const JsonPlace& at) {
    p.accepted.push_back(readAccepted(r, value, at));
  });
  r.each(root, top, "shortcuts", [&](const Json& value, const JsonPlace& at) {
    p.shortcuts.push_back(readShortcut(r, value, at));
    ids.add(p.shortcuts.back().id.text, at);
  });
  if (r.member(root, "bindings")) p.bindings = readBindings(r, root, top);
}

Json headJson(const Project& p) {
  Json out;
  out["bristle"] = {{"format", kFormatVersion}, {"readableBy", kReadableBy}};
  out["name"] = p.name;
  out["settings"] = settingsJson(p.settings);
  if (p.first) out["first"] = p.first.text;
  return out;
}

}  // namespace

Result<OpenedProject> parseProject(std::string_view text) {
  auto json = parseJson(text);
  if (!json) return tl::unexpected(json.error());
  JsonReader r;
  const JsonPlace top;
  OpenedProject out;
  if (!json->is_object())
    return fail("line 1, column 1",
                "expected a project, an object; found " + JsonReader::sortOf(*json));
  if (!r.member(*json, "bristle"))
    return fail("/bristle", "expected the format’s version; this is no Bristle project");
  const JsonPlace version{&top, "bristle", 0, false};
  const Json& head = *r.member(*json, "bristle");
  if (!r.isObject(head, version)) return tl::unexpected(*r.error());
  const double written = r.number(head, version, "format", kFormatVersion, 1, 1e6);
  const double readable = r.number(head, version, "readableBy", 1, 1, 1e6);
  if (!r.error() && readable > kFormatVersion)
    return fail("/bristle/readableBy",
                "a newer Bristle wrote this file in a format that this one cannot read");
  out.readOnly = written > kFormatVersion;
  if (out.readOnly)
    out.note =
        "A newer Bristle wrote this project. It is open read-only, so that nothing of it is lost.";
  const int format = static_cast<int>(std::min(written, double{kFormatVersion}));
  Project& p = out.project;
  p.name = r.text(*json, top, "name");
  bool rightToLeft = false;  // in format 1 a setting of the project
  if (const Json* settings = r.member(*json, "settings")) {
    const JsonPlace at{&top, "settings", 0, false};
    p.settings = readSettings(r, *settings, at, format);
    if (format == 1 && settings->is_object())
      rightToLeft = r.boolean(*settings, at, "rightToLeft", false);
  }
  p.first = {r.text(*json, top, "first")};
  if (const Json* foreign = r.member(*json, "foreignTokens"); foreign && foreign->is_object())
    p.foreignTokens.json = std::make_shared<std::string>(foreign->dump());
  readParts(r, *json, top, format, p);
  if (!r.error() && p.displays.empty())
    r.complain({&top, "displays", 0, false}, "expected at least one display");
  if (r.error()) return tl::unexpected(*r.error());
  p.lastId = highestId(p);
  if (p.languages.empty())
    p.languages.push_back({freshId<LanguageId>(p, "l"), "und", "As written", false, {}, {}});
  if (format == 1) {
    out.broughtUp = bringUpItems(p);
    p.languages.front().rightToLeft = rightToLeft;
    out.note = "An earlier Bristle wrote this project. Saving it writes the format of today.";
  }
  // The rules that edits go by; what the reader checks with its place has been told above.
  if (const auto why = whyNot(p)) return fail(why->place, why->reason);
  p.extra =
      leftover(*json, headJson(p),
               {"settings", "displays", "languages", "values", "named", "foreignTokens", "machines",
                "kinds", "screens", "groups", "lists", "accepted", "shortcuts", "bindings", "deliveries"});
  return out;
}

std::string writeProject(const Project& p) {
  Json out = headJson(p);
  out["displays"] = Json::array();
  for (const Display& display : p.displays) out["displays"].push_back(displayJson(display));
  out["languages"] = Json::array();
  for (const Language& language : p.languages) out["languages"].push_back(toJson(language));
  out["values"] = Json::array();
  for (const ProjectValue& value : p.values) out["values"].push_back(valueJson(value));
  if (!p.named->empty()) {
    out["named"] = Json::array();
    for (const NamedValue& named : *p.named) out["named"].push_back(namedJson(named));
  }
  if (p.foreignTokens.json)
    out["foreignTokens"] = Json::parse(*p.foreignTokens.json, nullptr, false);
  out["machines"] = Json::array();
  for (const auto& machine : p.machines) out["machines"].push_back(toJson(*machine));
  out["kinds"] = Json::array();
  for (const auto& kind : p.kinds) out["kinds"].push_back(toJson(*kind));
  out["screens"] = Json::array();
  for (const auto& screen : p.screens) out["screens"].push_back(toJson(*screen, p));
  for (const auto& group : p.groups) out["groups"].push_back(toJson(*group, p));
  for (const ScreenList& list : p.lists) out["lists"].push_back(listJson(list));
  for (const Accepted& accepted : p.accepted) out["accepted"].push_back(acceptedJson(accepted));
  for (const Shortcut& shortcut : p.shortcuts) out["shortcuts"].push_back(toJson(shortcut));
  for (const Delivery& delivery : p.deliveries) out["deliveries"].push_back(toJson(delivery));
  if (p.bindings != standardBindings()) {
    out["bindings"] = Json::array();
    for (const Binding& binding : p.bindings) out["bindings"].push_back(toJson(binding));
  }
  putBack(out, p.extra);
  return out.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

}  // namespace bristle
