#include <fmt/format.h>

#include <CLI/CLI.hpp>
#include <algorithm>
#include <filesystem>

#include "command/command.h"
#include "command/graphics.h"
#include "core/formats/file_io.h"
#include "deliver/measures.h"
#include "deliver/outputs.h"
#include "deliver/pictures.h"
#include "runtime/formats/menu_file.h"

namespace bristle {
namespace {

struct Wanted {
  std::string project, measures, menu, page, specification, data, pictures, sheets, statecharts;
  std::string since;
  std::vector<std::string> only;
  double scale = 1;
  int frames = 0;
  bool placed = false, noCaptions = false;
  bool all = false, trim = false, over = false, allowMissing = false;
};

// Without a place an error is the list of what is missing.
int tellMade(Streams s, const Error& error) {
  return error.place.empty() ? tellMissing(s, error) : tell(s, error);
}

int put(const std::string& folder, const std::vector<MadeFile>& files, const Wanted& o, Streams s,
        const std::string& basis = {}) {
  const auto done = handOver(folder, files, o.over, basis);
  if (!done) return tell(s, done.error());
  for (const std::string& path : done->left)
    s.err << "bristle: no longer made, and changed by somebody, so it stays: " << path << "\n";
  s.out << fmt::format("{}: {} files, {} written, {} removed\n", folder, files.size(),
                       done->written.size(), done->removed.size());
  return kFine;
}

void tellLeft(OutputSetting& with, Streams s) {
  for (const std::string& each : with.left) s.err << "bristle: left out: " << each << "\n";
  with.left.clear();
}

// One output into a folder of its own, without the folder that it has within a delivery.
int one(OutputSort sort, const std::string& folder, const Wanted& o, OutputSetting& with,
        Streams s) {
  if (folder.empty()) return kFine;
  // On the command line it is meant from where one is.
  const std::string since = o.since.empty() ? o.since : std::filesystem::absolute(o.since).string();
  auto files = makeOutput({sort, o.scale, o.trim, o.placed, !o.noCaptions, o.frames, since}, with);
  if (!files) return tellMade(s, files.error());
  tellLeft(with, s);
  for (MadeFile& file : *files) file.path = file.path.substr(file.path.rfind('/') + 1);
  return put(folder, *files, o, s);
}

int lists(const Wanted& o, OutputSetting& with, Streams s) {
  const auto wanted = [&](const Delivery& d) {
    return o.only.empty() || std::find(o.only.begin(), o.only.end(), d.name) != o.only.end();
  };
  for (const std::string& name : o.only)
    if (std::none_of(with.project.deliveries.begin(), with.project.deliveries.end(),
                     [&](const Delivery& d) { return d.name == name; }))
      return tell(s, {o.project, fmt::format("it has no delivery “{}”", name)});
  int done = 0;
  for (const Delivery& delivery : with.project.deliveries) {
    if (!wanted(delivery)) continue;
    const std::string folder = folderFor(delivery, with.folder), basis = basisOf(delivery, with);
    ++done;
    if (const auto there = isThere(folder, basis)) {
      s.out << fmt::format("{}: {} files, as they were\n", folder, there->same.size());
      continue;
    }
    const auto files = makeAll(delivery, with);
    if (!files) return tellMade(s, files.error());
    tellLeft(with, s);
    if (const int code = put(folder, *files, o, s, basis)) return code;
  }
  if (done == 0) return tell(s, {o.project, "it has no delivery; the Deliver bench makes them"});
  return kFine;
}

int files(const Wanted& o, const OutputSetting& with, Streams s) {
  if (o.measures.empty() && o.menu.empty()) return kFine;
  const Measured measured = measureAll(with.project, with.looks.pictures());
  if (auto missing = missingIn(with.looks.pictures().takeProblems()); missing && !o.allowMissing)
    return tellMissing(s, *missing);
  const auto write = [&](const std::string& to, const std::string& bytes) {
    if (to.empty()) return int(kFine);
    if (auto written = writeFile(to, bytes); !written) return tell(s, written.error());
    s.out << fmt::format("{} bytes in {}; {} texts and {} hit areas are measured\n", bytes.size(),
                         to, measured.texts.size(), measured.areas.uses.size());
    return int(kFine);
  };
  if (const int code = write(o.measures, writeMeasured(measured))) return code;
  return write(o.menu, writeMenu(with.project, measured));
}

int deliver(const Wanted& o, Streams s) {
  const std::pair<OutputSort, const std::string*> kEach[] = {
      {OutputSort::Page, &o.page},     {OutputSort::Specification, &o.specification},
      {OutputSort::Data, &o.data},     {OutputSort::Pictures, &o.pictures},
      {OutputSort::Sheets, &o.sheets}, {OutputSort::Statecharts, &o.statecharts}};
  const bool any = std::any_of(std::begin(kEach), std::end(kEach),
                               [](const auto& each) { return !each.second->empty(); });
  if (!any && !o.all && o.menu.empty() && o.measures.empty())
    return tell(s,
                {"deliver",
                 "say what: --all, --page, --specification, --menu, --data, --pictures, --sheets, "
                 "--statechart or --measures"});
  Project project;
  if (!openProject(o.project, project, s)) return kUnusable;
  const Graphics graphics(o.project);
  LookPainter looks;
  looks.pictures().setFolder(folderOf(o.project));
  OutputSetting with{project, looks, folderOf(o.project), o.allowMissing};
  if (const int code = files(o, with, s)) return code;
  for (const auto& [sort, folder] : kEach)
    if (const int code = one(sort, *folder, o, with, s)) return code;
  return o.all ? lists(o, with, s) : kFine;
}

}  // namespace

Subcommand addDeliver(CLI::App& app) {
  auto o = std::make_shared<Wanted>();
  CLI::App* sub = app.add_subcommand("deliver", "Hands a project over");
  sub->add_option("project", o->project, "A .bristle file")->required();
  auto* all = sub->add_flag("--all", o->all, "All deliveries of the project");
  sub->add_option("--only", o->only, "Of these only that one, by its name")->needs(all);
  sub->add_option("--page", o->page, "A folder for the menu as one web page, which runs by itself");
  sub->add_option("--menu", o->menu,
                  "A file that the library for a game's own code runs (bristle.h)");
  auto* spec = sub->add_option("--specification", o->specification,
                               "A folder for what colleagues are told of it, as HTML and PDF");
  sub->add_option("--since", o->since, "Mark in it what has changed since this project file")
      ->needs(spec);
  sub->add_option("--data", o->data,
                  "A folder for the menu laid out on each display, as JSON for importers");
  sub->add_option("--pictures", o->pictures,
                  "A folder for the picture of every kind in every state, with an index");
  sub->add_option("--sheets", o->sheets, "A folder for the same, packed into few");
  sub->add_option("--scale", o->scale, "Of pictures and sheets, 0.25 to 4")
      ->check(CLI::Range(0.25, 4.0));
  sub->add_flag("--trim", o->trim, "Pictures without what is empty around");
  sub->add_flag("--placed", o->placed,
                "Pictures of what stands on screens, too, as it looks there");
  sub->add_flag("--no-captions", o->noCaptions, "Pictures of kinds without their sample captions");
  sub->add_option("--frames", o->frames, "Of each change of state so many pictures a second, too")
      ->check(CLI::Range(0, kMostFrames));
  sub->add_option("--statechart", o->statecharts,
                  "A folder for every machine as a statechart (SCXML 1.0)");
  sub->add_option("--measures", o->measures,
                  "A file for what the menu asks of fonts and pictures, so that it runs the same "
                  "where there are none");
  sub->add_flag("--over", o->over, "Write over files that are in the way");
  sub->add_flag("--allow-missing", o->allowMissing,
                "Hand over a stand-in for pictures that are missing or broken");
  return {sub, [o](Streams s) { return deliver(*o, s); }};
}

}  // namespace bristle
