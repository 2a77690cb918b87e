#include <sys/stat.h>
#include <CLI/CLI.hpp>

#include "command/command.h"
#include "core/edit/kind_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/screen_edits.h"
#include "core/formats/boxes_screen.h"
#include "core/formats/project_store.h"
#include "deliver/statechart.h"

namespace bristle {
namespace {

// A kind, a screen and a column of buttons to begin with.
Result<Project> begun(const std::string& name, const std::vector<std::string>& captions) {
  History history([&] {
    Project project = emptyProject();
    project.name = name;
    return project;
  }());
  if (captions.empty()) return history.now();
  if (auto r = history.perform(addKind("Menu entry", Wins::Hover)); !r)
    return tl::unexpected(r.error());
  if (auto r = history.perform(addScreen("First")); !r) return tl::unexpected(r.error());
  const auto r = history.perform(addSeries(history.now().screens[0]->id, history.now().kinds[0]->id,
                                           captions, Flow::Column, 160, 240));
  if (!r) return tl::unexpected(r.error());
  return history.now();
}

// The first kind, made where there is none, runs the chart; its states have the template's looks as
// far as they match by role.
Result<Project> withChart(Project project, const std::string& file) {
  History history(std::move(project));
  if (history.now().kinds.empty())
    if (auto r = history.perform(addKind("Menu entry", Wins::Hover)); !r)
      return tl::unexpected(r.error());
  const auto text = readFile(file);
  if (!text) return tl::unexpected(text.error());
  const auto machine = readStatechart(QByteArray::fromStdString(*text), history.now());
  if (!machine) return fail(file + ", " + machine.error().place, machine.error().reason);
  if (auto r = history.perform(replaceMachine(history.now().kinds[0]->machine, *machine)); !r)
    return tl::unexpected(r.error());
  return history.now();
}

// A screen with a plain button at each box of a file.
Result<Project> withBoxes(const Project& project, const std::string& file) {
  const auto text = readFile(file);
  if (!text) return tl::unexpected(text.error());
  auto boxes = parseBoxes(*text);
  if (!boxes) return fail(file + boxes.error().place, boxes.error().reason);
  return addScreenOfBoxes("Boxes", std::move(*boxes)).apply(project);
}

}  // namespace

Subcommand addNew(CLI::App& app) {
  struct Options {
    std::string file, name, chart, boxes;
    std::vector<std::string> captions;
  };
  auto o = std::make_shared<Options>();
  CLI::App* sub = app.add_subcommand("new", "Writes a new project");
  sub->add_option("file", o->file, "The .bristle file to write; it may not be there yet")
      ->required();
  sub->add_option("--name", o->name, "The project's name; else the file's");
  sub->add_option("--buttons", o->captions, "Captions: a first screen with a column of buttons");
  sub->add_option("--statechart", o->chart,
                  "A flat statechart (SCXML 1.0): the machine of a first kind of button");
  sub->add_option("--boxes", o->boxes,
                  "Boxes (JSON, as for routes --boxes): a screen with a plain button at each");
  return {sub, [o](Streams s) -> int {
            struct stat there {};
            if (::stat(o->file.c_str(), &there) == 0)
              return tell(s, {o->file, "is there already; it is left as it is"});
            std::string name = o->name;
            if (name.empty()) {
              name = o->file.substr(
                  o->file.rfind('/') == std::string::npos ? 0 : o->file.rfind('/') + 1);
              if (const auto dot = name.rfind(".bristle"); dot != name.npos) name.resize(dot);
            }
            auto project = begun(name, o->captions);
            if (project && !o->chart.empty()) project = withChart(std::move(*project), o->chart);
            if (project && !o->boxes.empty()) project = withBoxes(*project, o->boxes);
            if (!project) return tell(s, project.error());
            const auto written = saveProject(o->file, *project);
            if (!written) return tell(s, written.error());
            s.out << o->file << "\n";
            return kFine;
          }};
}

}  // namespace bristle
