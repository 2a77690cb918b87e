#include "core/formats/laid_out_file.h"

#include <algorithm>
#include <array>
#include <cmath>

#include "core/formats/boxes_file.h"
#include "runtime/focus/screen_routes.h"
#include "runtime/formats/action_json.h"
#include "runtime/formats/binding_json.h"
#include "runtime/formats/item_json.h"
#include "runtime/formats/look_json.h"
#include "runtime/formats/route_json.h"
#include "runtime/machine/look.h"

namespace bristle {
namespace {

constexpr std::array<std::string_view, 3> kSorts{"number", "flag", "choice"};

double px(double v) {
  return std::round(v * 1000) / 1000;
}

Json boxJson(const Box& b) {
  return {{"x", px(b.x)}, {"y", px(b.y)}, {"w", px(b.w)}, {"h", px(b.h)}};
}

// The words in every language, those that fall back, too.
Json textJson(const Project& project, const Text& text) {
  Json out = Json::object();
  for (const Language& language : project.languages)
    out[language.id.text] = wordsIn(project, text, language.id);
  return out;
}

Json displayJson(const Display& d) {
  Json out{{"id", d.id.text},         {"name", d.name},   {"width", d.width},
           {"height", d.height},      {"scale", d.scale}, {"safe", boxJson(d.safeArea())},
           {"blocked", Json::array()}};
  for (const Box& box : d.blocked) out["blocked"].push_back(boxJson(box));
  return out;
}

Json languageJson(const Language& l) {
  return {{"id", l.id.text}, {"tag", l.tag}, {"name", l.name}, {"rightToLeft", l.rightToLeft}};
}

Json valueJson(const ProjectValue& v) {
  Json out{
      {"id", v.id.text}, {"name", v.name}, {"sort", kSorts[size_t(v.sort)]}, {"start", v.start}};
  if (v.sort == ValueSort::Number) out["step"] = v.step;
  if (v.least) out["least"] = *v.least;
  if (v.most) out["most"] = *v.most;
  if (!v.options.empty()) out["options"] = v.options;
  return out;
}

// A look, part by part in painting order, the whole last.
Json lookJson(const Kind& kind, const Look& look) {
  Json out = Json::array();
  size_t at = 0;
  const auto add = [&](Json part, PartType type) {
    for (const PropertyInfo& info : propertiesOf(type))
      part[std::string(info.key)] = toJson(look[at++]);
    out.push_back(std::move(part));
  };
  for (const Part& part : kind.parts)
    add({{"part", part.id.text}, {"type", nameOf(part.type)}}, part.type);
  add({{"part", ""}, {"type", nameOf(PartType::Whole)}}, PartType::Whole);
  return out;
}

Json looksJson(const Project& project, const Kind& kind, const Machine& machine,
               const OwnLook* own) {
  const LookTable table(kind, machine, naming(project), own);
  Json out = Json::object();
  for (size_t s = 0; s < table.stateCount(); ++s)
    out[machine.states[s].id.text] = lookJson(kind, table.state(StateIndex(s)));
  return out;
}

Json kindJson(const Project& project, const Kind& kind) {
  Json out{{"id", kind.id.text},  {"name", kind.name},       {"machine", kind.machine.text},
           {"still", kind.still}, {"width", px(kind.width)}, {"height", px(kind.height)}};
  if (const Machine* machine = find(project, kind.machine))
    out["looks"] = looksJson(project, kind, *machine, nullptr);
  return out;
}

void addButton(Json& out, const Project& project, const ButtonData& b) {
  const Kind* kind = find(project, b.kind);
  out["kind"] = b.kind.text;
  out["caption"] = textJson(project, b.caption);
  out["accessibleName"] =
      textJson(project, b.accessibleName.empty() ? b.caption : b.accessibleName);
  if (!b.description.empty()) out["description"] = textJson(project, b.description);
  const Machine* machine = kind ? find(project, kind->machine) : nullptr;
  if (machine && !b.own.empty()) out["looks"] = looksJson(project, *kind, *machine, &b.own);
  writeDoing(out, b);
}

Json itemJson(const Project& project, const Item& item) {
  Json out{{"id", item.id.text}, {"name", displayName(item)}, {"type", "container"}};
  if (item.parent) out["parent"] = item.parent.text;
  if (item.hidden) out["hidden"] = true;
  if (!item.shownWhen.empty()) out["shownWhen"] = item.shownWhen;
  if (const ButtonData* button = item.button()) {
    out["type"] = isStill(project, item) ? "still" : "button";
    addButton(out, project, *button);
  } else if (const auto* panel = std::get_if<PanelData>(&item.what)) {
    out["type"] = "panel";
    out["fill"] = toJson(panel->fill);
    out["radius"] = panel->radius;
    if (panel->blur != 0) out["blur"] = panel->blur;
  } else if (const auto* picture = std::get_if<PictureData>(&item.what)) {
    out["type"] = "picture";
    out["file"] = picture->file;
    out["fit"] = kFits[size_t(picture->fit)];
    out["focusX"] = picture->focusX;
    out["focusY"] = picture->focusY;
    if (picture->turns) out["turns"] = true;
  } else if (const ContainerData* container = item.container()) {
    if (container->panels) out["onePanelShown"] = true;
    if (container->tabs != Tabs::No) out["tabs"] = true;
    if (container->flyOut.from) out["fliesOutFrom"] = container->flyOut.from.text;
  }
  return out;
}

Json routesJson(const Screen& screen, const ScreenRoutes& routes) {
  Json out = Json::object();
  for (size_t box = 0; box < routes.items.size(); ++box) {
    Json of = Json::object();
    for (const Dir dir : kDirs) {
      const size_t d = size_t(dir);
      const int target = routes.output.routes[box][d].target;
      const bool wraps = box < routes.wraps.size() && routes.wraps[box][d];
      Json to{
          {"to",
           target < 0 ? Json() : Json(screen.items[size_t(routes.items[size_t(target)])]->id.text)},
          {"why", wraps ? std::string_view("wrap")
                        : reasonOf(routes.input, routes.output.routes, int(box), dir)}};
      if (const int cluster = box < routes.toCluster.size() ? routes.toCluster[box][d] : -1;
          cluster >= 0)
        to["cluster"] = screen.clusters[size_t(cluster)].id.text;
      of[std::string(nameOf(dir))] = std::move(to);
    }
    out[screen.items[size_t(routes.items[box])]->id.text] = std::move(of);
  }
  return out;
}

// Of clusters that are one stop, where the directions lead from each as a whole.
Json stopsJson(const Screen& screen, const ScreenRoutes& routes) {
  Json out = Json::object();
  for (const StopRoutes& stop : stopsOf(screen, routes))
    for (const Dir dir : kDirs) {
      const int target = stop.routes[size_t(dir)].target;
      out[stop.id][std::string(nameOf(dir))] =
          target < 0 ? Json() : Json(screen.items[size_t(routes.items[size_t(target)])]->id.text);
    }
  return out;
}

Json placedJson(const Screen& screen, const Layout& layout) {
  Json out = Json::array();
  for (size_t i = 0; i < layout.items.size(); ++i) {
    const Placed& at = layout.items[i];
    const Item& item = *screen.items[i];
    Json box{{"item", item.id.text}, {"box", boxJson(at.box)}};
    if (item.button() && !at.still) {
      box["hit"] = boxJson(at.hit);
      if (!(at.visible == at.hit)) box["visible"] = boxJson(at.visible);
    }
    if (at.clip >= 0) box["clip"] = boxJson(layout.clips[size_t(at.clip)]);
    if (at.scale != 1) box["scale"] = px(at.scale);
    if (!at.isSeen()) box["seen"] = false;
    out.push_back(std::move(box));
  }
  return out;
}

Json layoutJson(const Project& project, const Screen& screen, const Showing& on,
                const TextMeasure& measure) {
  const Layout layout = layOut(project, screen, on, measure);
  const ScreenRoutes routes = screenRoutes(screen, layout);
  const int entry = entryBox(screen, routes);
  Json out{{"display", layout.display.text},
           {"language", layout.language.text},
           {"width", px(layout.width)},
           {"height", px(layout.height)},
           {"entry",
            entry < 0 ? Json() : Json(screen.items[size_t(routes.items[size_t(entry)])]->id.text)},
           {"places", placedJson(screen, layout)},
           {"scrollers", Json::array()},
           {"routes", routesJson(screen, routes)},
           {"stops", stopsJson(screen, routes)}};
  for (const Scroller& scroller : layout.scrollers)
    out["scrollers"].push_back({{"item", screen.items[scroller.item]->id.text},
                                {"along", scroller.down ? "down" : "across"},
                                {"view", px(scroller.view)},
                                {"content", px(scroller.content)}});
  return out;
}

Json screenJson(const Project& project, const Screen& screen, const TextMeasure& measure) {
  Json out{{"id", screen.id.text}, {"name", screen.name}, {"backdrop", toJson(screen.backdrop)}};
  if (screen.dimBelow != 0) out["dimBelow"] = screen.dimBelow;
  if (screen.blurBelow != 0) out["blurBelow"] = screen.blurBelow;
  writeMotion(out, "comes", screen.comes);
  writeMotion(out, "goes", screen.goes);
  if (!screen.music.file.empty())
    out["music"] = {{"file", screen.music.file}, {"volume", screen.music.volume}};
  if (screen.idle.after > 0)
    out["idle"] = {{"after", screen.idle.after}, {"actions", toJson(screen.idle.actions)}};
  out["clusters"] = Json::array();
  for (const Cluster& cluster : screen.clusters) out["clusters"].push_back(toJson(cluster));
  out["bindings"] = Json::array();
  for (const Binding& binding : screen.bindings) out["bindings"].push_back(toJson(binding));
  out["items"] = Json::array();
  for (const auto& item : screen.items) out["items"].push_back(itemJson(project, *item));
  out["layouts"] = Json::array();
  for (const Display& display : project.displays)
    for (const Language& language : project.languages)
      out["layouts"].push_back(layoutJson(project, screen, {display, language.id}, measure));
  return out;
}

// Without what only matters to who made it.
Json plainMachine(const Project& project, Machine machine) {
  machine.waivers.clear();
  eachTiming(machine, [&](Timing& t) { t = settledTiming(t, naming(project)); });
  return toJson(machine);
}

// A list of what each makes of it.
template <class List, class Make>
Json each(const List& list, Make make) {
  Json out = Json::array();
  for (const auto& one : list) out.push_back(make(one));
  return out;
}

}  // namespace

std::string writeLaidOut(const Project& project, const TextMeasure& measure) {
  const Json out{
      {"bristleLaidOut", kLaidOutVersion},
      {"project", project.name},
      {"first", find(project, project.first) ? Json(project.first.text) : Json()},
      {"displays", each(project.displays, displayJson)},
      {"languages", each(project.languages, languageJson)},
      {"values", each(project.values, valueJson)},
      {"bindings", each(project.bindings, [](const Binding& b) { return toJson(b); })},
      {"shortcuts", each(project.shortcuts, [](const Shortcut& s) { return toJson(s); })},
      {"machines",
       each(project.machines, [&](const auto& m) { return plainMachine(project, *m); })},
      {"kinds", each(project.kinds, [&](const auto& k) { return kindJson(project, *k); })},
      {"screens",
       each(project.screens, [&](const auto& s) { return screenJson(project, *s, measure); })}};
  return out.dump(1) + "\n";
}

}  // namespace bristle
