#include "core/formats/boxes_file.h"

#include <tuple>
#include <unordered_set>

#include "runtime/document/screen.h"
#include "runtime/focus/why.h"
#include "runtime/formats/json_reader.h"

namespace bristle {

namespace {

bool isSide(double px) {
  return px >= 1 && px <= 16384;
}

}  // namespace

Result<BoxesFile> parseBoxes(std::string_view text) {
  auto json = parseJson(text);
  if (!json) return tl::unexpected(json.error());
  JsonReader r;
  const JsonPlace top;
  BoxesFile out;
  if (!r.isObject(*json, top)) return tl::unexpected(*r.error());
  if (!r.member(*json, "boxes")) return fail("/boxes", "expected a list of boxes");
  std::unordered_set<std::string> seen;
  r.each(*json, top, "boxes", [&](const Json& value, const JsonPlace& at) {
    if (!r.isObject(value, at)) return;
    for (const char* key : {"x", "y", "w", "h"})
      if (!r.member(value, key)) return r.complain({&at, key, 0, false}, "expected a number");
    Box box{r.number(value, at, "x", 0), r.number(value, at, "y", 0), r.number(value, at, "w", 1),
            r.number(value, at, "h", 1)};
    if (!(box.w > 0)) r.complain({&at, "w", 0, false}, "expected a width above 0");
    if (!(box.h > 0)) r.complain({&at, "h", 0, false}, "expected a height above 0");
    std::string id = r.id(value, at, "id");
    if (!seen.insert(id).second)
      r.complain({&at, "id", 0, false}, "expected an id of its own; “" + id + "” is used already");
    out.input.boxes.push_back(box);
    out.input.names.push_back(std::move(id));
  });
  if (const Json* size = r.member(*json, "size")) {
    const bool fits = size->is_array() && size->size() == 2 && (*size)[0].is_number() &&
                      (*size)[1].is_number() && isSide((*size)[0].get<double>()) &&
                      isSide((*size)[1].get<double>());
    if (!fits) r.complain({&top, "size", 0, false}, "expected a width and a height, 1 to 16384");
    if (fits)
      std::tie(out.width, out.height) =
          std::pair{(*size)[0].get<double>(), (*size)[1].get<double>()};
  }
  out.input.rightToLeft = r.boolean(*json, top, "rightToLeft", false);
  out.entry = r.text(*json, top, "entry");
  if (!r.error() && !out.entry.empty() && !seen.contains(out.entry))
    r.complain({&top, "entry", 0, false}, "expected the id of a box, found “" + out.entry + "”");
  if (r.error()) return tl::unexpected(*r.error());
  return out;
}

std::string writeBoxes(const BoxesFile& file) {
  Json out = Json::object();
  if (file.width > 0 && file.height > 0) out["size"] = {file.width, file.height};
  out["boxes"] = Json::array();
  for (size_t i = 0; i < file.input.boxes.size(); ++i) {
    const Box& box = file.input.boxes[i];
    out["boxes"].push_back(
        {{"id", file.input.names[i]}, {"x", box.x}, {"y", box.y}, {"w", box.w}, {"h", box.h}});
  }
  if (file.input.rightToLeft) out["rightToLeft"] = true;
  if (!file.entry.empty()) out["entry"] = file.entry;
  return out.dump(1) + "\n";
}

std::string_view reasonOf(const SolveInput& input, const Routes& routes, int box, Dir dir) {
  switch (routes[size_t(box)][size_t(dir)].reason) {
    case RouteReason::Solved:
      return "solved";
    case RouteReason::Fixed:
      return "pinned";
    case RouteReason::Stopgap:
    case RouteReason::Repair:
      return "repair";
    case RouteReason::None:
      break;
  }
  switch (whyEmpty(input, box, dir)) {
    case Emptiness::Closed:
      return "closed";
    case Emptiness::Beside:
      return "beside";
    case Emptiness::Nothing:
      break;
  }
  return "nothing";
}

std::vector<StopRoutes> stopsOf(const Screen& screen, const ScreenRoutes& routes) {
  std::vector<StopRoutes> out;
  for (size_t c = 0; c < routes.output.stops.size() && c < screen.clusters.size(); ++c)
    if (routes.clusters[c].leave == Leave::SingleStop && !routes.clusters[c].boxes.empty())
      out.push_back({screen.clusters[c].id.text, routes.output.stops[c]});
  return out;
}

std::string writeRoutes(const SolveInput& input, const Routes& routes,
                        const std::vector<StopRoutes>& stops) {
  Json targets = Json::object(), reasons = Json::object();
  // Insertion into an ordered object looks every key up; a list of pairs does not.
  auto& to = static_cast<Json::object_t::Container&>(targets.get_ref<Json::object_t&>());
  auto& why = static_cast<Json::object_t::Container&>(reasons.get_ref<Json::object_t&>());
  to.reserve(routes.size());
  why.reserve(routes.size());
  for (size_t i = 0; i < routes.size(); ++i) {
    Json target = Json::object(), reason = Json::object();
    for (Dir dir : kDirs) {
      const std::string name(nameOf(dir));
      const int at = routes[i][size_t(dir)].target;
      target[name] = at < 0 ? Json(nullptr) : Json(input.names[size_t(at)]);
      reason[name] = reasonOf(input, routes, static_cast<int>(i), dir);
    }
    to.emplace_back(input.names[i], std::move(target));
    why.emplace_back(input.names[i], std::move(reason));
  }
  Json out{{"routes", std::move(targets)}, {"reasons", std::move(reasons)}};
  for (const StopRoutes& stop : stops)
    for (const Dir dir : kDirs) {
      const int at = stop.routes[size_t(dir)].target;
      out["stops"][stop.id][std::string(nameOf(dir))] =
          at < 0 ? Json(nullptr) : Json(input.names[size_t(at)]);
    }
  return out.dump(1) + "\n";
}

}  // namespace bristle
