// `bristle findings`: the review on the command line.
#include <fmt/format.h>

#include <CLI/CLI.hpp>
#include <QDate>
#include <algorithm>
#include <nlohmann/json.hpp>

#include "command/command.h"
#include "command/finding_json.h"
#include "command/graphics.h"
#include "core/findings/review.h"
#include "core/findings/rule_info.h"
#include "core/formats/file_io.h"
#include "core/formats/project_store.h"
#include "core/formats/sarif.h"
#include "deliver/file_probes.h"
#include "deliver/findings_report.h"
#include "paint/convert.h"
#include "paint/painted_eyes.h"

namespace bristle {
namespace {

struct FindingsOptions {
  std::string file, sarif, html, baseline, mend;
  std::vector<std::string> rules, displays, languages;
  bool json = false, mendAll = false, ruleList = false;
};

// Only what is asked for is looked at; an id that is not there is an error.
template <class T>
Result<void> keepOnly(std::vector<T>& all, const std::vector<std::string>& wanted,
                      const char* what) {
  for (const std::string& id : wanted)
    if (std::none_of(all.begin(), all.end(), [&](const T& each) { return each.id.text == id; }))
      return fail(what, fmt::format("there is none with the id “{}”", id));
  if (!wanted.empty())
    std::erase_if(all, [&](const T& each) {
      return std::find(wanted.begin(), wanted.end(), each.id.text) == wanted.end();
    });
  return {};
}

Result<void> checkRuleNames(const std::vector<std::string>& names) {
  for (const std::string& name : names)
    if (infoOf(name).name.empty())
      return fail("--rule", fmt::format("there is no rule “{}”; --rules lists them", name));
  return {};
}

// A project as it is looked at, again after each mend.
class Looking {
 public:
  explicit Looking(const FindingsOptions& o)
      : o_(o), files_(folderOf(o.file)), eyes_(toQt(folderOf(o.file))) {}

  SortedFindings at(const Project& project) {
    Probes probes = files_.probes();
    eyes_.lookFor(probes);
    auto all = sorted(project, review_.check(project, probes));
    const auto other = [&](std::string_view rule) {
      return !o_.rules.empty() &&
             std::find(o_.rules.begin(), o_.rules.end(), rule) == o_.rules.end();
    };
    std::erase_if(all.open, [&](const Finding& f) { return other(f.rule); });
    std::erase_if(all.accepted, [&](const auto& each) { return other(each.finding.rule); });
    return all;
  }

 private:
  const FindingsOptions& o_;
  FileProbes files_;
  Review review_;
  ManyEyes eyes_;
};

// The first mend of what it names, or of all that have one, until none is left; each is looked at
// again first, since one may mend several. How many were done.
Result<int> mend(const FindingsOptions& o, Looking& looking, Project& project) {
  int done = 0;
  std::set<std::string> tried;
  for (;;) {
    const auto now = looking.at(project);
    const auto next = std::find_if(now.open.begin(), now.open.end(), [&](const Finding& f) {
      return (o.mendAll || f.key == o.mend) && !f.mends.empty() && !tried.contains(f.key);
    });
    if (next == now.open.end()) {
      if (!o.mendAll && done == 0)
        return tl::unexpected(Error{o.mend, "there is no such finding that could be mended"});
      return done;
    }
    tried.insert(next->key);
    auto after = next->mends.front().apply(project);
    if (!after) return tl::unexpected(after.error());
    project = std::move(*after);
    ++done;
  }
}

void print(const SortedFindings& found, Streams s) {
  for (const Finding& f : found.open)
    s.out << fmt::format("{}: {} [{}, {}]\n", f.place, f.reason, nameOf(f.severity), f.rule);
  for (const Accepted& each : found.outdated)
    s.out << fmt::format("accepted, and not found any more: {}\n", each.key);
  s.out << (found.open.empty() ? "no findings" : fmt::format("{} findings", found.open.size()));
  if (!found.accepted.empty()) s.out << fmt::format(", {} accepted", found.accepted.size());
  s.out << "\n";
}

int listRules(Streams s) {
  for (const RuleInfo& info : ruleInfos())
    s.out << fmt::format("{:16} {:8} {} {}{}\n", info.name, nameOf(info.severity), info.asks,
                         info.why,
                         info.standard.empty() ? "" : fmt::format(" ({})", info.standard));
  return kFine;
}

int run(const FindingsOptions& o, Streams s) {
  if (o.ruleList) return listRules(s);
  if (const auto known = checkRuleNames(o.rules); !known) return tell(s, known.error());
  auto opened = openFile(o.file, s);
  if (!opened) return kUnusable;
  Project project = opened->project;
  const Graphics graphics(o.file);
  Looking looking(o);
  if (o.mendAll || !o.mend.empty()) {
    if (opened->readOnly)
      return tell(s, {o.file, "a newer Bristle wrote it; writing it here would lose that"});
    const auto done = mend(o, looking, project);
    if (!done) return tell(s, done.error());
    if (*done > 0)
      if (const auto saved = saveProject(o.file, project); !saved) return tell(s, saved.error());
    s.err << fmt::format("bristle: {} mended\n", *done);
  }
  Project shown = project;
  if (const auto kept = keepOnly(shown.displays, o.displays, "--display"); !kept)
    return tell(s, kept.error());
  if (const auto kept = keepOnly(shown.languages, o.languages, "--language"); !kept)
    return tell(s, kept.error());
  SortedFindings found = looking.at(shown);
  std::optional<std::set<std::string>> baseline;
  if (!o.baseline.empty()) {
    const auto text = readFile(o.baseline);
    if (!text) return tell(s, text.error());
    auto keys = keysInSarif(*text);
    if (!keys) return tell(s, {o.baseline, keys.error().reason});
    baseline = std::move(*keys);
  }
  if (!o.sarif.empty()) {
    const auto text = readFile(o.file);
    const std::string name = o.file.substr(o.file.rfind('/') + 1);
    const std::string log = sarif(project, found, {name, text ? *text : std::string()},
                                  baseline ? &*baseline : nullptr);
    if (const auto written = writeFile(o.sarif, log); !written) return tell(s, written.error());
  }
  if (!o.html.empty()) {
    LookPainter looks;
    looks.pictures().setFolder(folderOf(o.file));
    const std::string day = fromQt(QDate::currentDate().toString(Qt::ISODate));
    const std::string page = findingsReport(shown, found, looks, FontMeasure(), day);
    if (const auto written = writeFile(o.html, page); !written) return tell(s, written.error());
  }
  if (baseline)
    std::erase_if(found.open, [&](const Finding& f) { return baseline->contains(f.key); });
  if (o.json) {
    auto list = nlohmann::ordered_json::array();
    for (const Finding& f : found.open) list.push_back(inJson(f));
    s.out << nlohmann::ordered_json{{"findings", list}}.dump(2) << "\n";
  } else {
    print(found, s);
  }
  return found.open.empty() ? kFine : kFound;
}

}  // namespace

Subcommand addFindings(CLI::App& app) {
  auto o = std::make_shared<FindingsOptions>();
  CLI::App* sub = app.add_subcommand(
      "findings", "Reviews a project: what is wrong, where, why it matters, and what mends it");
  auto* file = sub->add_option("project", o->file, "A .bristle file");
  auto* rules = sub->add_flag("--rules", o->ruleList, "Lists the rules, and does nothing else");
  file->excludes(rules);
  sub->add_option("--rule", o->rules, "Only what these rules tell");
  sub->add_option("--display", o->displays, "Only on these displays, by id");
  sub->add_option("--language", o->languages, "Only in these languages, by id");
  sub->add_flag("--json", o->json, "Findings as JSON");
  sub->add_option("--sarif", o->sarif, "Writes them as SARIF 2.1.0");
  sub->add_option("--html", o->html, "Writes them as one page with pictures");
  sub->add_option("--baseline", o->baseline,
                  "An earlier SARIF log: only what is new since then is told");
  auto* one = sub->add_option("--mend", o->mend, "Mends the finding of that key, and saves");
  sub->add_flag("--mend-all", o->mendAll, "Mends all that can be, and saves")->excludes(one);
  sub->callback([o] {
    if (o->file.empty() && !o->ruleList) throw CLI::RequiredError("project");
  });
  return {sub, [o](Streams s) -> int { return run(*o, s); }};
}

}  // namespace bristle
