#include <CLI/CLI.hpp>
#include <nlohmann/json.hpp>

#include "command/command.h"
#include "command/graphics.h"
#include "command/rehearse_many.h"
#include "core/formats/file_io.h"
#include "core/formats/score_file.h"
#include "paint/convert.h"
#include "paint/fonts.h"
#include "paint/hit_shape.h"
#include "runtime/formats/take_file.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

struct Options {
  std::string project, take;
  bool json = false, names = false, all = false;
  RehearseMany many;
};

// Entry by entry as they happen: a take may be of any length.
class TracePrinter {
 public:
  TracePrinter(const Options& o, const Project& project, Streams s)
      : options_(o), project_(project), out_(s.out) {
    if (o.json) out_ << "{\n \"trace\": [";
  }
  void operator()(const TraceEntry& e) {
    if (options_.json) {
      out_ << (first_ ? "\n  " : ",\n  ")
           << nlohmann::ordered_json{{"at", e.at}, {"what", toLine(e)}}.dump();
      first_ = false;
    } else {
      out_ << e.at << "\t" << (options_.names ? toLine(e, project_) : toLine(e)) << "\n";
    }
  }
  void finish(size_t failed) {
    if (options_.json) out_ << "\n ],\n \"failed\": " << failed << "\n}\n";
  }

 private:
  const Options& options_;
  const Project& project_;
  std::ostream& out_;
  bool first_ = true;
};

int tellFailures(const Options& o, const std::vector<TakeFailure>& failures, Streams s) {
  for (const TakeFailure& f : failures) {
    s.err << "bristle: " << o.take << ", line " << f.source << ": expected “" << f.expected
          << "”; ";
    if (f.happened.empty()) s.err << "nothing happened since the last expectation\n";
    for (size_t i = 0; i < f.happened.size() && i < 10; ++i)
      s.err << (i ? "    " : "since then:\n    ") << f.happened[i] << "\n";
  }
  return failures.empty() ? kFine : kFound;
}

// What was drawn on the scope: one kind, no screen.
int runKept(const Options& o, const std::string& text, const Project& project, Streams s) {
  const auto kept = parseScore(text, project);
  if (!kept) return tell(s, {o.take + ", " + kept.error().place, kept.error().reason});
  std::vector<TakeFailure> failures;
  const auto lines = playKept(*kept, project, failures);
  if (!lines) return tell(s, {o.take + ", " + lines.error().place, lines.error().reason});
  if (o.json) {
    s.out << nlohmann::ordered_json{{"trace", *lines}, {"failed", failures.size()}}.dump(1) << "\n";
  } else {
    for (const std::string& line : *lines) s.out << line << "\n";
  }
  return tellFailures(o, failures, s);
}

int run(const Options& o, Streams s) {
  RehearseMany many = o.many;
  many.project = o.project;
  if (o.all) return rehearseAll(many, s);
  if (many.restless > 0) return rehearseRestless(many, s);
  Project project;
  if (!openProject(o.project, project, s)) return kUnusable;
  const auto text = readFile(o.take);
  if (!text) return tell(s, text.error());
  if (isKeptScore(*text)) return runKept(o, *text, project, s);
  const auto take = parseTake(*text);
  if (!take) return tell(s, {o.take + ", " + take.error().place, take.error().reason});
  const Graphics graphics(o.project);
  Pictures pictures;
  pictures.setFolder(folderOf(o.project));
  const HitShapes hits(pictures);
  TracePrinter print(o, project, s);
  const auto failures = playThrough(project, *take, FontMeasure(), &hits,
                                    [&](const TraceEntry& entry) { print(entry); });
  print.finish(failures ? failures->size() : 0);
  if (!failures) return tell(s, {o.take + ", " + failures.error().place, failures.error().reason});
  return tellFailures(o, *failures, s);
}

}  // namespace

Subcommand addRehearse(CLI::App& app) {
  auto o = std::make_shared<Options>();
  CLI::App* sub = app.add_subcommand("rehearse", "Plays takes and tells what happened");
  sub->add_option("project", o->project, "A .bristle file")->required();
  auto* what = sub->add_option_group("what");
  what->add_option("--take", o->take, "A take, as JSON Lines: prints its trace");
  auto* all = what->add_flag("--all", o->all,
                             "Every take beside the project, on every display, in every language");
  auto* restless = what->add_option("--restless", o->many.restless,
                                    "So many random events, looking for what must never be")
                       ->check(CLI::Range(std::uint64_t{1}, std::uint64_t{1'000'000'000'000}));
  what->require_option(1);
  sub->add_option("--display", o->many.displays, "Only on these, by id");
  sub->add_option("--language", o->many.languages, "Only in these, by id");
  sub->add_option("--junit", o->many.junit, "Writes the results as JUnit XML")->needs(all);
  sub->add_option("--seed", o->many.seed, "The same seed does the same")->needs(restless);
  sub->add_option("--keep", o->many.keep, "A folder for takes of what is found")->needs(restless);
  sub->add_flag("--names", o->names, "Names instead of ids in the trace");
  sub->add_flag("--json", o->json, "The trace as JSON");
  return {sub, [o](Streams s) { return run(*o, s); }};
}

}  // namespace bristle
