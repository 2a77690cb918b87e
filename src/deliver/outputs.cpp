#include "deliver/outputs.h"

#include <algorithm>
#include <filesystem>
#include <memory>
#include <set>

#include "core/edit/used_files.h"
#include "core/formats/boxes_file.h"
#include "core/formats/file_io.h"
#include "core/formats/laid_out_file.h"
#include "core/formats/named_css.h"
#include "core/formats/route_dot.h"
#include "core/formats/tokens_file.h"
#include "core/formats/words_file.h"
#include "deliver/measures.h"
#include "deliver/pictures.h"
#include "deliver/specification.h"
#include "deliver/statechart.h"
#include "deliver/web_page.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/project_fonts.h"
#include "runtime/focus/screen_routes.h"
#include "runtime/formats/menu_file.h"
#include "runtime/formats/project_file.h"

namespace bristle {
namespace {

using Files = std::vector<MadeFile>;

// Raised when the same project is delivered otherwise than before.
constexpr const char* kProgram = "bristle delivers 2";

// What a picture that is missing makes of it.
Result<Files> unlessMissing(Files files, OutputSetting& with) {
  auto missing = missingIn(with.looks.pictures().takeProblems());
  if (missing && !with.allowMissing) return tl::unexpected(std::move(*missing));
  return files;
}

Result<Files> page(OutputSetting& with) {
  const auto runtime = pageRuntime();
  if (!runtime) return tl::unexpected(runtime.error());
  auto made = webPage(with.project, with.looks, with.folder, *runtime);
  if (!made) return tl::unexpected(made.error());
  with.left.insert(with.left.end(), made->left.begin(), made->left.end());
  return unlessMissing({{"index.html", std::move(made->html)}}, with);
}

Result<Files> statecharts(const Project& project) {
  Files out;
  std::vector<std::string> taken;
  for (const auto& machine : project.machines) {
    const auto chart = writeStatechart(*machine, project);
    if (!chart) return tl::unexpected(chart.error());
    out.push_back({safeFileName(machine->name, taken) + ".scxml", chart->toStdString()});
  }
  return out;
}

Files words(const Project& project) {
  Files out{{"words.csv", writeWordsTable(project)}};
  std::vector<std::string> taken;
  for (size_t i = 1; i < project.languages.size(); ++i)
    out.push_back({safeFileName(project.languages[i].tag, taken) + ".po",
                   writePo(project, project.languages[i].id)});
  return out;
}

// As they are on the first display, in the first language.
Files routes(const Project& project) {
  Files out;
  std::vector<std::string> taken;
  const FontMeasure measure;
  for (const auto& screen : project.screens) {
    const Layout layout = layOut(project, *screen, Showing(project.displays.front()), measure);
    const ScreenRoutes solved = screenRoutes(*screen, layout);
    std::vector<std::string> names;
    for (const int item : solved.items) names.push_back(displayName(*screen->items[size_t(item)]));
    const std::string name = safeFileName(screen->name, taken);
    const int entry = entryBox(*screen, solved);
    out.push_back({name + ".dot", writeDot(solved.input, solved.output.routes, names)});
    // A button that is hidden or in a fly-out may have no size there.
    const bool flat = std::any_of(solved.input.boxes.begin(), solved.input.boxes.end(),
                                  [](const Box& box) { return !(box.w > 0 && box.h > 0); });
    if (!flat)
      out.push_back(
          {name + ".boxes.json",
           writeBoxes({solved.input, entry < 0 ? std::string() : solved.input.names[size_t(entry)],
                       layout.width, layout.height})});
    out.push_back({name + ".routes.json",
                   writeRoutes(solved.input, solved.output.routes, stopsOf(*screen, solved))});
  }
  return out;
}

std::string beside(const std::string& folder, const std::string& path) {
  const std::filesystem::path to(path);
  return (to.is_absolute() ? to : std::filesystem::path(folder) / to).string();
}

// The same of an earlier version, to be held against.
Result<Specification> earlier(const std::string& since, OutputSetting& with) {
  const auto text = readFile(beside(with.folder, since));
  if (!text) return fail(since, "the earlier version cannot be read: " + text.error().reason);
  const auto project = parseProject(*text);
  if (!project)
    return fail(since,
                "is no earlier version: " + project.error().place + ": " + project.error().reason);
  auto spec = specify({project->project, with.looks, with.progress});
  with.looks.pictures().takeProblems();  // it need not be whole
  if (!spec) return fail(since, "stopped; nothing was written");
  return std::move(*spec);
}

Result<LaterFiles> specification(const Output& output, OutputSetting& with) {
  std::optional<Specification> before;
  if (!output.since.empty()) {
    auto old = earlier(output.since, with);
    if (!old) return tl::unexpected(old.error());
    before = std::move(*old);
  }
  auto spec = specify({with.project, with.looks, with.progress});
  if (!spec) return fail(with.project.name, "stopped; nothing was written");
  if (before) markChanges(*spec, *before, output.since);
  if (auto missing = missingIn(with.looks.pictures().takeProblems()); missing && !with.allowMissing)
    return tl::unexpected(std::move(*missing));
  const auto shared = std::make_shared<const Specification>(std::move(*spec));
  LaterFiles out;
  out.add("specification.html", [shared] { return Result<std::string>(specHtml(*shared)); });
  out.add("specification.pdf", [shared] { return Result<std::string>(specPdf(*shared)); });
  return out;
}

LaterFiles later(Files files, const char* folder = "") {
  LaterFiles out;
  for (MadeFile& file : files) out.add(std::move(file.path), std::move(file.bytes));
  LaterFiles in;
  in.add(std::move(out), folder);
  return in;
}

Result<LaterFiles> later(Result<Files> files, const char* folder = "") {
  if (!files) return tl::unexpected(files.error());
  return later(std::move(*files), folder);
}

Result<LaterFiles> within(const char* folder, Result<LaterFiles> files) {
  if (!files) return files;
  LaterFiles out;
  out.add(std::move(*files), folder);
  return out;
}

Result<LaterFiles> begin(const Output& output, OutputSetting& with) {
  const Project& project = with.project;
  if (project.displays.empty()) return fail(project.name, "it has no display");
  const PictureWishes wishes{output.scale,    output.trim,   with.allowMissing,
                             output.captions, output.placed, output.frames};
  switch (output.sort) {
    case OutputSort::Page:
      return later(page(with));
    case OutputSort::Library:
      return later(unlessMissing(
          {{"menu.jsonl", writeMenu(project, measureAll(project, with.looks.pictures()))}}, with));
    case OutputSort::Specification:
      return specification(output, with);
    case OutputSort::Data:
      return later(Files{{"menu.json", writeLaidOut(project, FontMeasure())}});
    case OutputSort::Pictures:
      return within("pictures", makePictures(project, with.looks, wishes, with.progress));
    case OutputSort::Sheets:
      return within("sheets", makeSheets(project, with.looks, wishes, with.progress));
    case OutputSort::Statecharts:
      return later(statecharts(project), "statecharts");
    case OutputSort::Tokens:
      return later(
          Files{{"named.tokens.json", writeTokens(*project.named, project.foreignTokens)}});
    case OutputSort::Css:
      return later(Files{{"named.css", writeNamedCss(project)}});
    case OutputSort::Words:
      return later(words(project), "words");
    case OutputSort::Routes:
      return later(routes(project), "routes");
  }
  return LaterFiles();
}

}  // namespace

OutputWords wordsOf(OutputSort sort) {
  switch (sort) {
    case OutputSort::Page:
      return {"Web page", "One file that runs the menu in any browser, from a folder or a server"};
    case OutputSort::Specification:
      return {"Specification", "Looks, machines, measures and routes for colleagues, HTML and PDF"};
    case OutputSort::Data:
      return {"Menu as data", "Every screen laid out on each display, for an engine’s importer"};
    case OutputSort::Library:
      return {"Menu for the library", "What bristle.h opens in a game’s own code"};
    case OutputSort::Pictures:
      return {"Pictures", "A file for each kind in each state, with an index"};
    case OutputSort::Sheets:
      return {"Sheets", "The same pictures packed into few, with an index"};
    case OutputSort::Statecharts:
      return {"Statecharts", "Each machine as SCXML, the open standard"};
    case OutputSort::Tokens:
      return {"Design tokens", "The named values for design tools"};
    case OutputSort::Css:
      return {"CSS properties", "The named values for web pages"};
    case OutputSort::Words:
      return {"Words", "All texts as a table, and a catalogue for each language"};
    case OutputSort::Routes:
      return {"Routes", "Where focus goes on each screen: a graph in DOT, and boxes in JSON"};
  }
  return {"", ""};
}

Result<Files> makeOutput(const Output& output, OutputSetting& with) {
  auto begun = begin(output, with);
  if (!begun) return tl::unexpected(begun.error());
  return begun->wait();
}

Result<Files> makeAll(const Delivery& delivery, OutputSetting& with) {
  LaterFiles all;
  for (const Output& output : delivery.outputs) {
    auto begun = begin(output, with);
    if (!begun) return tl::unexpected(begun.error());
    all.add(std::move(*begun));
  }
  auto out = all.wait();
  std::set<std::string> paths;
  if (out)
    for (const MadeFile& file : *out)
      if (!paths.insert(file.path).second)
        return fail(file.path, "two outputs of the delivery would write it");
  return out;
}

std::string basisOf(const Delivery& delivery, const OutputSetting& with) {
  std::string all = std::string(kProgram) + (with.allowMissing ? " with stand-ins\n" : "\n") +
                    delivery.id.text + "\n";
  Project lean = with.project;
  lean.accepted.clear();
  all += writeProject(lean);
  const auto stamp = [&](const std::string& path) {
    const FileStamp is = stampOf(path);
    all += "\n" + path + " " + std::to_string(is.size) + " " + std::to_string(is.modified);
  };
  const UsedFiles used = filesOf(with.project);
  for (const auto* files : {&used.pictures, &used.sounds})
    for (const std::string& file : *files) stamp(with.folder + "/" + file);
  for (const QString& font : fontFilesOf(toQt(with.folder)))
    stamp(with.folder + "/" + fromQt(font));
  for (const Output& output : delivery.outputs)
    if (!output.since.empty()) stamp(beside(with.folder, output.since));
  for (const Output& output : delivery.outputs)
    if (output.sort == OutputSort::Page) all += hashOfBytes(pageRuntime().value_or(""));
  return hashOfBytes(all);
}

std::string folderFor(const Delivery& delivery, const std::string& projectFolder) {
  return beside(projectFolder, delivery.folder);
}

}  // namespace bristle
