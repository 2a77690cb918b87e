#include "command/rehearse_many.h"

#include <fmt/format.h>

#include "command/graphics.h"
#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "core/rehearse/restless.h"
#include "core/rehearse/take_runs.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/hit_shape.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/session.h"

namespace bristle {
namespace {

// A project with what is needed to run it.
struct Opened {
  Graphics graphics;
  Project project;
  Pictures pictures;
  HitShapes hits{pictures};
  FontMeasure measure;
  std::vector<DisplayId> displays;
  std::vector<LanguageId> languages;

  explicit Opened(const std::string& file) : graphics(file) { pictures.setFolder(folderOf(file)); }
};

// Those that were asked for, each of which must be there; all where none was.
template <class Id, class Parts>
bool choose(const std::vector<std::string>& asked, const Parts& parts, const char* sort,
            std::vector<Id>& out, Streams s) {
  for (const std::string& id : asked) {
    const auto its = [&](const auto& part) { return part.id.text == id; };
    if (std::none_of(parts.begin(), parts.end(), its)) {
      tell(s, {std::string("--") + sort, fmt::format("there is no {} “{}”", sort, id)});
      return false;
    }
    out.push_back({id});
  }
  if (out.empty())
    for (const auto& part : parts) out.push_back(part.id);
  return true;
}

bool open(Opened& it, const RehearseMany& o, Streams s) {
  return openProject(o.project, it.project, s) &&
         choose(o.displays, it.project.displays, "display", it.displays, s) &&
         choose(o.languages, it.project.languages, "language", it.languages, s);
}

std::string placeOf(const TakeRun& run) {
  return fmt::format("{} {}", run.display.text, run.language.text);
}

}  // namespace

int rehearseAll(const RehearseMany& o, Streams s) {
  Opened it(o.project);
  if (!open(it, o, s)) return kUnusable;
  std::vector<Take> takes;
  for (const std::string& path : takeFilesIn(folderOf(o.project))) {
    auto take = readTake(path);
    if (!take) return tell(s, take.error());
    takes.push_back(std::move(*take));
  }
  if (takes.empty())
    return tell(s, {o.project, "there are no takes (*.take.jsonl) beside it, nor in takes/"});
  auto runs = runsOf(it.project, takes, it.displays, it.languages);
  size_t passed = 0, failed = 0;
  for (TakeRun& each : runs) {
    run(each, it.project, takes[each.take], it.measure, &it.hits);
    passed += each.end == TakeEnd::Passed;
    if (each.end != TakeEnd::Failed && each.end != TakeEnd::Stopped) continue;
    ++failed;
    s.err << "bristle: " << takes[each.take].name << ", " << placeOf(each) << ": " << wordsFor(each)
          << (each.end == TakeEnd::Stopped ? "\n" : "");
  }
  s.out << fmt::format("{} takes, {} displays, {} languages: {} passed, {} failed, {} left out\n",
                       takes.size(), it.displays.size(), it.languages.size(), passed, failed,
                       runs.size() - passed - failed);
  if (!o.junit.empty())
    if (const auto written = writeFile(o.junit, junit(it.project, takes, runs)); !written)
      return tell(s, written.error());
  return failed ? kFound : kFine;
}

int rehearseRestless(const RehearseMany& o, Streams s) {
  Opened it(o.project);
  if (!open(it, o, s)) return kUnusable;
  const auto showing = showingOf(it.project, it.displays.front(), it.languages.front());
  if (!showing) return tell(s, showing.error());
  auto begun = Session::start(it.project, *showing, it.measure);
  if (!begun) return tell(s, {o.project, begun.error().text()});
  begun->setHitTest(&it.hits);
  const Restless all = visit(*begun, o.restless, o.seed);
  int number = 0;
  for (const Found& found : all.found) {
    const std::string place = found.item ? found.item.text : found.screen.text;
    s.out << fmt::format("{}: {} ({} events)\n", place, wordsFor(found.trouble),
                         found.take.steps.size());
    const std::string text = writeTake(found.take);
    if (o.keep.empty()) {
      s.out << text;
      continue;
    }
    const std::string path = fmt::format("{}/restless-{}-{}.take.jsonl", o.keep, o.seed, ++number);
    if (const auto written = writeFile(path, text); !written) return tell(s, written.error());
    s.out << path << "\n";
  }
  s.out << fmt::format(
      "{} events, seed {}: {}\n", all.events, o.seed,
      all.found.empty() ? "nothing found" : fmt::format("{} found", all.found.size()));
  return all.found.empty() ? kFine : kFound;
}

}  // namespace bristle
