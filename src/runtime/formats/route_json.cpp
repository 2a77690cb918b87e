#include "runtime/formats/route_json.h"

#include "runtime/formats/leftover.h"
#include "runtime/formats/look_json.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 4> kEnter{"first", "nearest", "last", "chosen"};
constexpr std::array<std::string_view, 4> kLeave{"open", "ends", "sealed", "single stop"};
constexpr const char* kWhere = "where";
constexpr const char* kCarries = "carries";
constexpr double kLongestRoute = 60'000;  // ms

Json pathJson(const ItemPath& path) {
  if (path.ids.size() == 1) return path.ids.front().text;
  Json out = Json::array();
  for (const ItemId& id : path.ids) out.push_back(id.text);
  return out;
}

ItemPath readPath(JsonReader& r, const Json& value, const JsonPlace& at) {
  ItemPath path;
  const auto add = [&](const Json& id) {
    if (id.is_string()) path.ids.push_back({id.get<std::string>()});
  };
  if (value.is_array())
    for (const Json& id : value) add(id);
  else
    add(value);
  if (path.ids.empty() || (value.is_array() && path.ids.size() != value.size()))
    r.complain(at, "expected an id, or a list of ids");
  return path;
}

Json routeJson(const RouteRule& rule) {
  switch (rule.type) {
    case RouteType::Solved:
      return "solved";
    case RouteType::Closed:
      return "closed";
    case RouteType::Wrap:
      return "wrap";
    case RouteType::Pinned:
      break;
  }
  if (rule.target.cluster) return {{"cluster", rule.target.cluster.text}};
  return {{"to", pathJson(rule.target.item)}};
}

RouteRule readRoute(JsonReader& r, const Json& value, const JsonPlace& at) {
  if (value == "solved") return {};
  if (value == "closed") return {RouteType::Closed, {}};
  if (value == "wrap") return {RouteType::Wrap, {}};
  if (value.is_object() && r.member(value, "cluster"))
    return {RouteType::Pinned, ClusterId{r.id(value, at, "cluster")}};
  if (const Json* to = value.is_object() ? r.member(value, "to") : nullptr)
    return {RouteType::Pinned, readPath(r, *to, {&at, "to", 0, false})};
  r.complain(at, "expected closed, wrap, or an object with to or cluster");
  return {};
}

Json carriesJson(const RouteCarries& carries) {
  Json out = Json::object();
  if (carries.motion) {
    out["duration"] = carries.motion->duration;
    out["easing"] = toText(carries.motion->easing);
  }
  if (!carries.sound.empty()) {
    out["sound"] = carries.sound;
    if (carries.volume != 1) out["volume"] = carries.volume;
  }
  return out;
}

RouteCarries readCarries(JsonReader& r, const Json& value, const JsonPlace& at) {
  RouteCarries out;
  if (!r.isObject(value, at)) return out;
  if (r.member(value, "duration") || r.member(value, "easing"))
    out.motion = {Ms(r.number(value, at, "duration", 240, 0, kLongestRoute)),
                  readEasing(r, value, at)};
  out.sound = r.text(value, at, "sound");
  out.volume = r.number(value, at, "volume", 1, 0, 1);
  return out;
}

template <class Use>
void eachDir(JsonReader& r, const Json& routes, const JsonPlace& at, Use use) {
  for (const auto& [name, route] : routes.items()) {
    const JsonPlace place{&at, name, 0, false};
    if (const auto dir = parseDir(name))
      use(*dir, readRoute(r, route, place));
    else if (name != kWhere && name != kCarries && name != "display" && name != "language")
      return r.complain(place, "expected up, down, left or right");
  }
}

}  // namespace

void writeRoutes(Json& button, const RouteRules& routes) {
  Json out;
  for (Dir dir : kDirs)
    if (routes[dir].type != RouteType::Solved)
      out[std::string(nameOf(dir))] = routeJson(routes[dir]);
  for (const RouteException& each : routes.where) {
    Json one = Json::object();
    if (each.display) one["display"] = each.display.text;
    if (each.language) one["language"] = each.language.text;
    one[std::string(nameOf(each.dir))] = routeJson(each.rule);
    out[kWhere].push_back(std::move(one));
  }
  for (const Dir dir : kDirs)
    if (const Json each = carriesJson(routes.carries[size_t(dir)]); !each.empty())
      out[kCarries][std::string(nameOf(dir))] = each;
  if (!out.is_null()) button["routes"] = std::move(out);
}

RouteRules readRoutes(JsonReader& r, const Json& button, const JsonPlace& at) {
  RouteRules out;
  const Json* routes = r.member(button, "routes");
  const JsonPlace here{&at, "routes", 0, false};
  if (!routes || !r.isObject(*routes, here)) return out;
  eachDir(r, *routes, here, [&](Dir dir, RouteRule rule) { out[dir] = std::move(rule); });
  r.each(*routes, here, kWhere, [&](const Json& one, const JsonPlace& place) {
    if (!r.isObject(one, place)) return;
    const DisplayId display{r.text(one, place, "display")};
    const LanguageId language{r.text(one, place, "language")};
    if (!display && !language) return r.complain(place, "expected a display or a language");
    eachDir(r, one, place, [&](Dir dir, RouteRule rule) {
      out.where.push_back({display, language, dir, std::move(rule)});
    });
  });
  const JsonPlace place{&here, kCarries, 0, false};
  if (const Json* carries = r.member(*routes, kCarries); carries && r.isObject(*carries, place))
    for (const auto& [name, each] : carries->items()) {
      const JsonPlace which{&place, name, 0, false};
      if (const auto dir = parseDir(name))
        out.carries[size_t(*dir)] = readCarries(r, each, which);
      else
        r.complain(which, "expected up, down, left or right");
    }
  return out;
}

namespace {

Json ringJson(const FocusRing& ring) {
  return {{"width", ring.width},
          {"outset", ring.outset},
          {"radius", ring.radius},
          {"colour", toHex(ring.colour)}};
}

FocusRing readRing(JsonReader& r, const Json& value, const JsonPlace& at) {
  FocusRing out;
  if (!r.isObject(value, at)) return out;
  out.width = r.number(value, at, "width", out.width, 0, 40);
  out.outset = r.number(value, at, "outset", out.outset, 0, 200);
  out.radius = r.number(value, at, "radius", out.radius, 0, 2000);
  const std::string text = r.text(value, at, "colour", toHex(out.colour));
  if (const auto colour = parseColour(text))
    out.colour = *colour;
  else
    r.complain({&at, "colour", 0, false},
               "expected a colour such as #f2c14e, found “" + text + "”");
  return out;
}

}  // namespace

Json toJson(const Cluster& cluster) {
  Json out{{"id", cluster.id.text}, {"name", cluster.name}, {"items", Json::array()}};
  for (const ItemPath& path : cluster.items) out["items"].push_back(pathJson(path));
  if (cluster.enter != Enter::Nearest) out["enter"] = kEnter[static_cast<size_t>(cluster.enter)];
  if (cluster.chosen) out["chosen"] = pathJson(cluster.chosen);
  if (cluster.leave != Leave::Open) out["leave"] = kLeave[static_cast<size_t>(cluster.leave)];
  for (const Dir dir : kDirs)
    if (const RouteRule& exit = cluster.exits[size_t(dir)]; exit.type != RouteType::Solved)
      out["exits"][std::string(nameOf(dir))] = routeJson(exit);
  if (cluster.ring != FocusRing{}) out["ring"] = ringJson(cluster.ring);
  putBack(out, cluster.extra);
  return out;
}

Cluster readCluster(JsonReader& r, const Json& value, const JsonPlace& at) {
  Cluster out;
  if (!r.isObject(value, at)) return out;
  out.id = {r.id(value, at, "id")};
  out.name = r.text(value, at, "name");
  r.each(value, at, "items", [&](const Json& path, const JsonPlace& here) {
    out.items.push_back(readPath(r, path, here));
  });
  out.enter =
      static_cast<Enter>(r.choice(value, at, "enter", kEnter, static_cast<size_t>(Enter::Nearest)));
  if (const Json* chosen = r.member(value, "chosen"))
    out.chosen = readPath(r, *chosen, {&at, "chosen", 0, false});
  out.leave = static_cast<Leave>(r.choice(value, at, "leave", kLeave, size_t(Leave::Open)));
  const JsonPlace here{&at, "exits", 0, false};
  if (const Json* exits = r.member(value, "exits"); exits && r.isObject(*exits, here))
    eachDir(r, *exits, here, [&](Dir dir, RouteRule rule) {
      if (rule.type == RouteType::Wrap)
        return r.complain(here, "expected closed, or an object with to or cluster");
      out.exits[size_t(dir)] = std::move(rule);
    });
  if (const Json* ring = r.member(value, "ring"))
    out.ring = readRing(r, *ring, {&at, "ring", 0, false});
  out.extra = leftover(value, toJson(out));
  return out;
}

}  // namespace bristle
