#include <CLI/CLI.hpp>
#include <nlohmann/json.hpp>

#include "command/command.h"
#include "command/graphics.h"
#include "command/quality.h"
#include "core/derive/route_words.h"
#include "core/formats/boxes_file.h"
#include "core/formats/file_io.h"
#include "core/formats/route_dot.h"
#include "paint/fonts.h"
#include "runtime/focus/scopes.h"

namespace bristle {
namespace {

struct Options {
  std::string boxes, project, screen, display, language, from, dir, whyNot;
  bool json = false, quality = false, dot = false;
};

void printLine(const SolveInput& input, const std::string& name, const std::array<Route, 4>& routes,
               Streams s) {
  s.out << name << ":";
  for (Dir dir : kDirs) {
    const Route& r = routes[size_t(dir)];
    s.out << "  " << nameOf(dir) << " " << (r.target < 0 ? "–" : input.names[size_t(r.target)]);
    if (r.reason == RouteReason::Repair) s.out << " (repair)";
    if (r.reason == RouteReason::Stopgap) s.out << " (stopgap)";
  }
  s.out << "\n";
}

void printRoutes(const SolveInput& input, const Routes& routes,
                 const std::vector<StopRoutes>& stops, Streams s) {
  for (size_t i = 0; i < routes.size(); ++i) printLine(input, input.names[i], routes[i], s);
  for (const StopRoutes& stop : stops) printLine(input, "stop " + stop.id, stop.routes, s);
}

int boxCalled(const ScreenRoutes& routes, const std::string& name) {
  const auto& names = routes.input.names;
  const auto at = std::find(names.begin(), names.end(), name);
  return at == names.end() ? -1 : static_cast<int>(at - names.begin());
}

nlohmann::ordered_json inJson(const RankedCandidate& c, const BoxName& name) {
  return {{"target", name(c.target)},
          {"verdict", verdictInWords(c, name)},
          {"ahead", c.ahead},
          {"returns", c.returns},
          {"along", c.terms.along},
          {"aside", c.terms.aside},
          {"offCentre", c.terms.offCentre},
          {"angle", c.angle},
          {"cost", c.cost}};
}

int explain(const Options& o, const ScreenRoutes& routes, Streams s) {
  const int box = boxCalled(routes, o.from), other = boxCalled(routes, o.whyNot);
  const auto dir = parseDir(o.dir);
  if (box < 0) return tell(s, {"--why", "no box “" + o.from + "”"});
  if (!dir) return tell(s, {"--dir", "expected up, down, left or right"});
  if (!o.whyNot.empty() && other < 0) return tell(s, {"--not", "no box “" + o.whyNot + "”"});
  const BoxName name = [&](int i) { return routes.input.names[size_t(i)]; };
  nlohmann::ordered_json all{{"candidates", nlohmann::ordered_json::array()}};
  for (const RankedCandidate& c : rank(routes, box, *dir)) {
    all["candidates"].push_back(inJson(c, name));
    if (o.json) continue;
    s.out << name(c.target) << ": " << whereInWords(c) << ", " << verdictInWords(c, name)
          << " (cost " << c.cost << ")" << (c.returns ? ", returns" : "") << "\n";
  }
  const std::string reason = reasonInWords(routes, box, *dir);
  all["reason"] = reason;
  if (!o.json) s.out << reason << "\n";
  if (other >= 0) {
    const std::string words = whyNotInWords(routes, box, *dir, other, name);
    all["not"] = {{"target", o.whyNot}, {"why", words}};
    if (!o.json) s.out << "not " << o.whyNot << ": " << words << "\n";
  }
  if (o.json) s.out << all.dump(2) << "\n";
  return kFine;
}

int report(const Options& o, const ScreenRoutes& routes, const std::vector<std::string>& names,
           const std::vector<StopRoutes>& stops, Streams s) {
  if (!o.from.empty()) return explain(o, routes, s);
  const auto& solved = routes.output.routes;
  if (o.dot) {
    s.out << writeDot(routes.input, solved, names);
  } else if (o.json) {
    s.out << writeRoutes(routes.input, solved, stops);
  } else {
    printRoutes(routes.input, solved, stops, s);
  }
  if (!routes.output.allReached && routes.items.size() > 1) {
    s.err << "bristle: not every box can be reached from every other\n";
    return kFound;
  }
  return kFine;
}

// As if they were the buttons of a screen.
ScreenRoutes routesOf(SolveInput input) {
  ScreenRoutes out;
  const size_t n = input.boxes.size();
  input.rules.resize(n);
  out.output = solve(input);
  out.input = std::move(input);
  for (size_t i = 0; i < n; ++i) out.items.push_back(static_cast<int>(i));
  out.boxOf = out.items;
  out.scrollerOf.assign(n, -1);
  out.flyOutOf.assign(n, -1);
  return out;
}

int routesOfBoxes(const Options& o, Streams s) {
  const auto text = readFile(o.boxes);
  if (!text) return tell(s, text.error());
  auto boxes = parseBoxes(*text);
  if (!boxes) return tell(s, {o.boxes + " " + boxes.error().place, boxes.error().reason});
  Options json = o;
  json.json = !o.dot;  // the exchange is JSON both ways
  const ScreenRoutes routes = routesOf(std::move(boxes->input));
  return report(json, routes, routes.input.names, {}, s);
}

int routesOfScreen(const Options& o, Streams s) {
  Project project;
  if (!openProject(o.project, project, s)) return kUnusable;
  const ScreenId id = o.screen.empty() ? project.first : ScreenId{o.screen};
  const Screen* screen = find(project, id);
  if (!screen) return tell(s, {o.project, "no screen “" + id.text + "”"});
  const auto showing = showingOf(project, {o.display}, {o.language});
  if (!showing) return tell(s, {o.project, showing.error().reason});
  const Graphics graphics(o.project);
  if (o.quality) {
    QualityAsked asked{project, *screen, {showing->display}, showing->language, o.json};
    if (o.display.empty()) asked.displays = project.displays;
    return tellQuality(asked, s);
  }
  const ScreenRoutes routes =
      screenRoutes(*screen, layOut(project, *screen, *showing, FontMeasure()));
  std::vector<std::string> names;
  for (const int item : routes.items) names.push_back(displayName(*screen->items[size_t(item)]));
  return report(o, routes, names, stopsOf(*screen, routes), s);
}

}  // namespace

Subcommand addRoutes(CLI::App& app) {
  auto o = std::make_shared<Options>();
  CLI::App* sub = app.add_subcommand("routes", "Solves where the directions lead");
  auto* boxes = sub->add_option("--boxes", o->boxes,
                                "Any layout, as a list of boxes in JSON; routes come out as JSON");
  auto* project = sub->add_option("project", o->project, "A .bristle file")->excludes(boxes);
  sub->add_option("--screen", o->screen, "The screen's id; else the first")->needs(project);
  sub->add_option("--display", o->display, "The display's id; else the first")->needs(project);
  sub->add_option("--language", o->language, "The language's id; else the first")->needs(project);
  auto* why = sub->add_option("--why", o->from, "Rank the candidates of this box or button");
  sub->add_option("--dir", o->dir, "… in this direction")->needs(why);
  sub->add_option("--not", o->whyNot, "… and tell why it does not lead to this one")->needs(why);
  auto* json = sub->add_flag("--json", o->json, "As JSON");
  auto* quality = sub->add_flag("--quality", o->quality,
                                "How good they are, on the display, else on all there are");
  quality->needs(project)->excludes(why);
  sub->add_flag("--dot", o->dot, "As a graph in DOT")
      ->excludes(why)
      ->excludes(quality)
      ->excludes(json);
  return {sub, [o, sub](Streams s) -> int {
            if (!o->boxes.empty()) return routesOfBoxes(*o, s);
            if (!o->project.empty()) return routesOfScreen(*o, s);
            s.err << sub->help();
            return kUnusable;
          }};
}

}  // namespace bristle
