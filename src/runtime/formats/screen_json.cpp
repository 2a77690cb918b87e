#include "runtime/formats/screen_json.h"

#include <array>

#include "runtime/document/whynot.h"
#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 4> kPins{"start", "centre", "end", "both"};
constexpr std::array<std::string_view, 4> kAcross{"start", "centre", "end", "stretch"};
constexpr std::array<std::string_view, 6> kActions{"none", "open",    "top",
                                                   "back", "message", "quit"};

template <size_t N>
size_t choice(JsonReader& r, const Json& value, const JsonPlace& at, std::string_view key,
              const std::array<std::string_view, N>& choices) {
  const std::string text = r.text(value, at, key, std::string(choices[0]));
  for (size_t i = 0; i < N; ++i)
    if (choices[i] == text) return i;
  std::string all;
  for (auto c : choices) all += (all.empty() ? "" : ", ") + std::string(c);
  r.complain({&at, key, 0, false}, "expected one of " + all + ", found “" + text + "”");
  return 0;
}

// A plain number is an offset from the start.
Json axisJson(const AxisPlace& a) {
  if (a.pin == Pin::Start && a.size == 0) return a.offset;
  Json out{{"pin", kPins[static_cast<size_t>(a.pin)]}, {"offset", a.offset}};
  if (a.size != 0) out["size"] = a.size;
  if (a.pin == Pin::Both) out["farOffset"] = a.farOffset;
  return out;
}

AxisPlace readAxis(JsonReader& r, const Json& item, const JsonPlace& at, std::string_view key) {
  AxisPlace a;
  const Json* value = r.member(item, key);
  if (!value) return a;
  const JsonPlace here{&at, key, 0, false};
  if (value->is_number()) {
    a.offset = r.plainNumber(*value, here, -1e6, 1e6);
    return a;
  }
  if (!r.isObject(*value, here)) return a;
  a.pin = static_cast<Pin>(choice(r, *value, here, "pin", kPins));
  a.offset = r.number(*value, here, "offset", 0, -1e6, 1e6);
  a.size = r.number(*value, here, "size", 0, 0, 1e6);
  a.farOffset = r.number(*value, here, "farOffset", 0, -1e6, 1e6);
  return a;
}

Json routeJson(const RouteRule& rule) {
  if (rule.type == RouteType::Closed) return "closed";
  if (rule.type == RouteType::Wrap) return "wrap";
  return {{"to", rule.target.text}};
}

RouteRule readRoute(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value == "closed") return {RouteType::Closed, {}};
  if (value == "wrap") return {RouteType::Wrap, {}};
  if (value.is_object()) return {RouteType::Pinned, {r.id(value, at, "to")}};
  r.complain(at, "expected closed, wrap, or an object with to");
  return {};
}

void writeButton(Json& out, const ButtonData& b, const Project& project) {
  out["kind"] = b.kind.text;
  out["caption"] = b.caption;
  if (!b.accessibleName.empty()) out["accessibleName"] = b.accessibleName;
  if (!b.description.empty()) out["description"] = b.description;
  if (!b.own.empty()) out["own"] = toJson(b.own, find(project, b.kind));
  if (b.disabled) out["disabled"] = true;
  if (b.action.type != ActionType::None) {
    Json action{{"do", kActions[static_cast<size_t>(b.action.type)]}};
    if (b.action.screen) action["screen"] = b.action.screen.text;
    if (!b.action.message.empty()) action["message"] = b.action.message;
    out["action"] = std::move(action);
  }
  for (Dir dir : kDirs)
    if (const RouteRule& rule = b.routes[size_t(dir)]; rule.type != RouteType::Solved)
      out["routes"][std::string(nameOf(dir))] = routeJson(rule);
}

ButtonData readButton(JsonReader& r, const Json& value, const JsonPlace& at) {
  ButtonData b;
  b.kind = {r.text(value, at, "kind")};
  b.caption = r.text(value, at, "caption");
  b.accessibleName = r.text(value, at, "accessibleName");
  b.description = r.text(value, at, "description");
  if (const Json* own = r.member(value, "own"))
    b.own = readOwnLook(r, *own, {&at, "own", 0, false});
  b.disabled = r.boolean(value, at, "disabled", false);
  if (const Json* action = r.member(value, "action")) {
    const JsonPlace here{&at, "action", 0, false};
    if (!r.isObject(*action, here)) return b;
    b.action.type = static_cast<ActionType>(choice(r, *action, here, "do", kActions));
    b.action.screen = {r.text(*action, here, "screen")};
    b.action.message = r.text(*action, here, "message");
  }
  if (const Json* routes = r.member(value, "routes")) {
    const JsonPlace here{&at, "routes", 0, false};
    if (!r.isObject(*routes, here)) return b;
    for (const auto& [name, route] : routes->items()) {
      const JsonPlace place{&here, name, 0, false};
      const auto dir = parseDir(name);
      if (!dir) {
        r.complain(place, "expected up, down, left or right");
        return b;
      }
      b.routes[size_t(*dir)] = readRoute(r, route, place);
    }
  }
  return b;
}

void writeContainer(Json& out, const ContainerData& c) {
  out["gap"] = c.gap;
  if (c.padding != 0) out["padding"] = c.padding;
  if (c.across != Across::Start) out["across"] = kAcross[static_cast<size_t>(c.across)];
}

ContainerData readContainer(JsonReader& r, const Json& value, const JsonPlace& at, Flow flow) {
  ContainerData c;
  c.flow = flow;
  c.gap = r.number(value, at, "gap", 16, -1000, 10000);
  c.padding = r.number(value, at, "padding", 0, 0, 10000);
  c.across = static_cast<Across>(choice(r, value, at, "across", kAcross));
  return c;
}

Json itemJson(const Item& item, const Project& project) {
  Json out = Json::object();
  out.get_ref<Json::object_t&>().reserve(12);  // thousands of them are made when a file is read
  out["id"] = item.id.text;
  const auto* box = item.container();
  const auto* panel = std::get_if<PanelData>(&item.what);
  out["type"] = item.button() ? "button"
                : box         ? (box->flow == Flow::Row ? "row" : "column")
                              : (panel ? "panel" : "picture");
  if (!item.name.empty()) out["name"] = item.name;
  if (item.parent) out["in"] = item.parent.text;
  out["x"] = axisJson(item.place.x);
  out["y"] = axisJson(item.place.y);
  if (item.locked) out["locked"] = true;
  if (item.hidden) out["hidden"] = true;
  if (const auto* button = item.button()) writeButton(out, *button, project);
  if (box) writeContainer(out, *box);
  if (panel) {
    out["fill"] = toJson(panel->fill);
    if (panel->radius != 0) out["radius"] = panel->radius;
  }
  if (const auto* picture = std::get_if<PictureData>(&item.what)) out["file"] = picture->file;
  putBack(out, item.extra);
  return out;
}

Item readItem(JsonReader& r, const Json& value, const JsonPlace& at, const Project& project) {
  Item item;
  if (!r.isObject(value, at)) return item;
  item.id = {r.id(value, at, "id")};
  item.name = r.text(value, at, "name");
  item.parent = {r.text(value, at, "in")};
  item.place = {readAxis(r, value, at, "x"), readAxis(r, value, at, "y")};
  item.locked = r.boolean(value, at, "locked", false);
  item.hidden = r.boolean(value, at, "hidden", false);
  const std::string type = r.text(value, at, "type");
  if (type == "button") {
    item.what = readButton(r, value, at);
  } else if (type == "row" || type == "column") {
    item.what = readContainer(r, value, at, type == "row" ? Flow::Row : Flow::Column);
  } else if (type == "panel") {
    PanelData panel;
    if (const Json* fill = r.member(value, "fill"))
      panel.fill = readFill(r, *fill, {&at, "fill", 0, false});
    panel.radius = r.number(value, at, "radius", 0, 0, 2000);
    item.what = panel;
  } else if (type == "picture") {
    item.what = PictureData{r.text(value, at, "file")};
  } else {
    r.complain({&at, "type", 0, false},
               "expected button, row, column, panel or picture, found “" + type + "”");
  }
  r.complain(at, whyNot(item));
  if (r.error()) return item;
  // Without its kind nobody knows which sorts of parts its own look is of.
  const ButtonData* button = item.button();
  const bool lost = button && !find(project, button->kind);
  item.extra = lost ? leftover(value, itemJson(item, project), {"own"})
                    : leftover(value, itemJson(item, project));
  return item;
}

Json screenHead(const Screen& screen) {
  Json out{{"id", screen.id.text}, {"name", screen.name}, {"backdrop", toJson(screen.backdrop)}};
  if (screen.dimBelow != 0) out["dimBelow"] = screen.dimBelow;
  if (!screen.passDisabled) out["stopsOnDisabled"] = true;
  if (screen.entry) out["entry"] = screen.entry.text;
  return out;
}

}  // namespace

Json toJson(const Screen& screen, const Project& project) {
  Json out = screenHead(screen);
  out["items"] = Json::array();
  for (const auto& item : screen.items) out["items"].push_back(itemJson(*item, project));
  putBack(out, screen.extra);
  return out;
}

Screen readScreen(JsonReader& r, const Json& value, const JsonPlace& at, const Project& project) {
  Screen screen;
  if (!r.isObject(value, at)) return screen;
  screen.id = {r.id(value, at, "id")};
  screen.name = r.text(value, at, "name");
  if (const Json* fill = r.member(value, "backdrop"))
    screen.backdrop = readFill(r, *fill, {&at, "backdrop", 0, false});
  screen.dimBelow = r.number(value, at, "dimBelow", 0, 0, 1);
  screen.passDisabled = !r.boolean(value, at, "stopsOnDisabled", false);
  screen.entry = {r.text(value, at, "entry")};
  r.each(value, at, "items", [&](const Json& item, const JsonPlace& here) {
    screen.items.emplace_back(readItem(r, item, here, project));
  });
  r.complain(at, whyNot(screen));
  screen.extra = leftover(value, screenHead(screen), {"items"});
  return screen;
}

}  // namespace bristle
