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
#include "runtime/focus/screen_routes.h"

namespace bristle {
namespace {

struct Options {
  std::string boxes, project, screen, display, language, from, dir;
  bool json = false, quality = false, dot = false;
};

void printRoutes(const SolveInput& input, const Routes& routes, Streams s) {
  for (size_t i = 0; i < routes.size(); ++i) {
    s.out << input.names[i] << ":";
    for (Dir dir : kDirs) {
      const Route& r = routes[i][size_t(dir)];
      s.out << "  " << nameOf(dir) << " " << (r.target < 0 ? "–" : input.names[size_t(r.target)]);
      if (r.reason == RouteReason::Repair) s.out << " (repair)";
      if (r.reason == RouteReason::Stopgap) s.out << " (stopgap)";
    }
    s.out << "\n";
  }
}

int explain(const Options& o, const SolveInput& input, const Routes& routes, Streams s) {
  const auto at = std::find(input.names.begin(), input.names.end(), o.from);
  const auto dir = parseDir(o.dir);
  if (at == input.names.end()) return tell(s, {"--why", "no box “" + o.from + "”"});
  if (!dir) return tell(s, {"--dir", "expected up, down, left or right"});
  const int box = static_cast<int>(at - input.names.begin());
  auto list = nlohmann::ordered_json::array();
  const auto nameOfBox = [&](int i) { return input.names[size_t(i)]; };
  for (const RankedCandidate& c : rank(input, routes, box, *dir)) {
    const std::string& name = input.names[size_t(c.target)];
    const std::string verdict = verdictInWords(c, nameOfBox);
    if (o.json) {
      list.push_back({{"target", name},
                      {"verdict", verdict},
                      {"ahead", c.ahead},
                      {"returns", c.returns},
                      {"along", c.terms.along},
                      {"aside", c.terms.aside},
                      {"offCentre", c.terms.offCentre},
                      {"angle", c.angle},
                      {"cost", c.cost}});
    } else {
      s.out << name << ": " << whereInWords(c) << ", " << verdict << " (cost " << c.cost << ")"
            << (c.returns ? ", returns" : "") << "\n";
    }
  }
  const Route& route = routes[size_t(box)][size_t(*dir)];
  const std::string reason =
      route.target < 0 ? inWords(whyEmpty(input, box, *dir)) : inWords(route.reason);
  if (!o.json) s.out << reason << "\n";
  if (o.json)
    s.out << nlohmann::ordered_json{{"candidates", list}, {"reason", reason}}.dump(2) << "\n";
  return kFine;
}

int report(const Options& o, const SolveInput& input, const SolveOutput& output,
           const std::vector<std::string>& names, Streams s) {
  if (!o.from.empty()) return explain(o, input, output.routes, s);
  if (o.dot) {
    s.out << writeDot(input, output.routes, names);
  } else if (o.json) {
    s.out << writeRoutes(input, output.routes);
  } else {
    printRoutes(input, output.routes, s);
  }
  if (!output.allReached && input.boxes.size() > 1) {
    s.err << "bristle: not every box can be reached from every other\n";
    return kFound;
  }
  return kFine;
}

int routesOfBoxes(const Options& o, Streams s) {
  const auto text = readFile(o.boxes);
  if (!text) return tell(s, text.error());
  const auto boxes = parseBoxes(*text);
  if (!boxes) return tell(s, {o.boxes + " " + boxes.error().place, boxes.error().reason});
  Options json = o;
  json.json = !o.dot;  // the exchange is JSON both ways
  return report(json, boxes->input, solve(boxes->input), boxes->input.names, s);
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
  return report(o, routes.input, routes.output, names, s);
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
