#include <CLI/CLI.hpp>
#include <nlohmann/json.hpp>

#include <map>

#include "command/command.h"
#include "command/graphics.h"
#include "core/formats/file_io.h"
#include "core/laws/mend.h"
#include "core/laws/sequence.h"
#include "paint/convert.h"
#include "paint/law_looks.h"

namespace bristle {
namespace {

using Json = nlohmann::ordered_json;

Json sequenceJson(const Sequence& sequence, const Symbols& symbols) {
  Json out = Json::array();
  for (const LawStep& step : sequence) {
    Json one{{"at", step.at}, {"do", nameOf(step.deed)}};
    if (step.deed == Deed::Message) one["message"] = symbols.messages[size_t(step.index)];
    if (step.deed == Deed::SetValue) {
      one["value"] = symbols.values[size_t(step.index)].text;
      one["to"] = step.value;
    }
    out.push_back(std::move(one));
  }
  return out;
}

// The mends of the laws that are broken, where there is one.
using Mends = std::map<int, Mend>;

Json reportJson(const Kind& kind, const LawReport& report, const Symbols& symbols,
                const Mends& mends) {
  Json out{{"kind", kind.id.text},
           {"name", kind.name},
           {"visited", report.visited},
           {"whole", report.whole}};
  out["laws"] = Json::array();
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& r = report.laws[size_t(i)];
    Json one{{"law", i + 1}, {"name", nameOf(Law(i + 1))}, {"kept", !r.broken}};
    if (!r.waived.empty()) one["off"] = r.waived;
    if (r.broken) one["what"] = r.what;
    if (r.broken) one["sequence"] = sequenceJson(r.sequence, symbols);
    if (const auto mend = mends.find(i); mend != mends.end()) one["mend"] = mend->second.words;
    out["laws"].push_back(std::move(one));
  }
  for (const auto t : report.neverTaken) out["neverTaken"].push_back(t);
  for (const auto& advice : report.advice) out["advice"].push_back(advice);
  return out;
}

void tellReport(std::ostream& out, const Kind& kind, const Machine& machine,
                const LawReport& report, const Symbols& symbols, const Mends& mends) {
  int kept = 0;
  for (const LawResult& r : report.laws) kept += !r.broken;
  out << kind.name << ": " << kept << " of " << kLaws << " laws kept, " << report.visited
      << " situations" << (report.whole ? "" : ", not all of them") << "\n";
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& r = report.laws[size_t(i)];
    if (!r.broken) continue;
    out << "  " << i + 1 << " " << nameOf(Law(i + 1)) << ": " << r.what << "\n      when "
        << inWords(r.sequence, symbols) << "\n";
    if (!r.waived.empty()) out << "      switched off: " << r.waived << "\n";
    if (const auto mend = mends.find(i); mend != mends.end())
      for (const std::string& line : mend->second.words) out << "      mend: " << line << "\n";
  }
  for (const auto t : report.neverTaken) {
    const Transition& one = machine.transitions[t];
    out << "  advice: transition " << t + 1 << " ("
        << (one.from ? one.from->text : std::string("common")) << ", " << nameOf(one.on)
        << ") can never be taken\n";
  }
  for (const auto& advice : report.advice) out << "  advice: " << advice << "\n";
}

struct Options {
  std::string file, kind;
  bool json = false;
};

int run(const Options& o, Streams s) {
  Project project;
  if (!openProject(o.file, project, s)) return kUnusable;
  const Graphics graphics;
  LookPainter looks;
  looks.pictures().setFolder(folderOf(o.file));
  Json all = Json::array();
  bool found = false, kept = true;
  for (const auto& kind : project.kinds) {
    if (!o.kind.empty() && kind->id.text != o.kind && kind->name != o.kind) continue;
    found = true;
    const Machine* machine = find(project, kind->machine);
    if (!machine) return tell(s, {kind->name, "its machine is not there"});
    const auto ready = makeReady(*machine, project);
    if (!ready) return tell(s, ready.error());
    const LookTable table(*kind, *machine, naming(project));
    const RenderedLooks rendered(looks, *kind, table, groundOf(project, *kind));
    const LawReport report =
        checkLaws({*machine, ready->program, ready->symbols, ready->values, &rendered, nullptr});
    kept = kept && report.allKept();
    Mends mends;
    for (int i = 0; i < kLaws && report.whole; ++i)
      if (report.laws[size_t(i)].broken && report.laws[size_t(i)].waived.empty())
        if (auto mend = mendFor(*machine, project, Law(i + 1), &rendered))
          mends.emplace(i, std::move(*mend));
    if (o.json) {
      all.push_back(reportJson(*kind, report, ready->symbols, mends));
    } else {
      tellReport(s.out, *kind, *machine, report, ready->symbols, mends);
    }
  }
  if (!found && !o.kind.empty()) return tell(s, {o.file, "no kind “" + o.kind + "”"});
  if (o.json) s.out << Json{{"kinds", all}}.dump(2) << "\n";
  return kept ? kFine : kFound;
}

}  // namespace

Subcommand addLaws(CLI::App& app) {
  auto o = std::make_shared<Options>();
  CLI::App* sub = app.add_subcommand(
      "laws", "Checks the kinds' machines against the ten laws, in every situation");
  sub->add_option("project", o->file, "A .bristle file")->required();
  sub->add_option("--kind", o->kind, "Only this kind, by id or name");
  sub->add_flag("--json", o->json, "Reports as JSON");
  return {sub, [o](Streams s) { return run(*o, s); }};
}

}  // namespace bristle
