#include <CLI/CLI.hpp>
#include <nlohmann/json.hpp>

#include <list>
#include <map>

#include "command/command.h"
#include "command/graphics.h"
#include "core/derive/ground.h"
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
  if (!report.whole) out["why"] = report.whyNotWhole;
  out["laws"] = Json::array();
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& r = report.laws[size_t(i)];
    const LawVerdict verdict = report.verdict(Law(i + 1));
    Json one{{"law", i + 1},
             {"name", nameOf(Law(i + 1))},
             {"verdict", nameOf(verdict)},
             {"kept", verdict == LawVerdict::Kept && !r.broken}};
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

int countOf(const LawReport& report, LawVerdict verdict) {
  int n = 0;
  for (int i = 1; i <= kLaws; ++i) n += report.verdict(Law(i)) == verdict;
  return n;
}

void tellReport(std::ostream& out, const Kind& kind, const Machine& machine,
                const LawReport& report, const Symbols& symbols) {
  out << kind.name << ": " << countOf(report, LawVerdict::Kept) << " of " << kLaws << " laws kept";
  if (!report.whole) out << ", " << countOf(report, LawVerdict::NotProved) << " not proved";
  out << ", " << report.visited << " situations\n";
  if (!report.whole) out << "  not proved: " << report.whyNotWhole << "\n";
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& r = report.laws[size_t(i)];
    if (!r.broken) continue;
    out << "  " << i + 1 << " " << nameOf(Law(i + 1)) << ": " << r.what << "\n      when "
        << inWords(r.sequence, symbols) << "\n";
    if (!r.waived.empty()) out << "      switched off: " << r.waived << "\n";
  }
  for (const auto t : report.neverTaken) {
    const Transition& one = machine.transitions[t];
    out << "  advice: transition " << t + 1 << " ("
        << (one.from ? one.from->text : std::string("common")) << ", " << nameOf(one.on)
        << ") can never be taken\n";
  }
  for (const auto& advice : report.advice) out << "  advice: " << advice << "\n";
}

void tellMends(std::ostream& out, const Kind& kind, const Mends& mends) {
  for (const auto& [law, mend] : mends)
    for (const std::string& line : mend.words)
      out << kind.name << ", law " << law + 1 << ": mend: " << line << "\n";
}

struct Options {
  std::string file, kind;
  bool json = false, mends = true, strict = false;
};

// One kind with all that its check needs.
struct Checked {
  const Kind& kind;
  const Machine& machine;
  Ready ready;
  LookTable table;
  RenderedLooks rendered;
  LawReport report;
  Checked(LookPainter& looks, const Project& project, const Kind& k, const Machine& m, Ready r)
      : kind(k),
        machine(m),
        ready(std::move(r)),
        table(k, m, naming(project)),
        rendered(looks, k, table, groundOf(project, k.id)),
        report(checkLaws({m, ready.program, ready.symbols, ready.values, &rendered, nullptr})) {}
};

Mends mendsOf(const Project& project, const Checked& one) {
  Mends out;
  for (int i = 0; i < kLaws && one.report.whole; ++i)
    if (one.report.verdict(Law(i + 1)) == LawVerdict::Broken)
      if (auto mend = mendFor(one.machine, project, Law(i + 1), &one.rendered))
        out.emplace(i, std::move(*mend));
  return out;
}

// Verdicts come first, for all kinds; looking for mends takes longer.
int run(const Options& o, Streams s) {
  Project project;
  if (!openProject(o.file, project, s)) return kUnusable;
  const Graphics graphics(o.file);
  LookPainter looks;
  looks.pictures().setFolder(folderOf(o.file));
  std::list<Checked> all;
  for (const auto& kind : project.kinds) {
    if (!o.kind.empty() && kind->id.text != o.kind && kind->name != o.kind) continue;
    if (kind->still && o.kind.empty()) continue;
    const Machine* machine = find(project, kind->machine);
    if (!machine) return tell(s, {kind->name, "its machine is not there"});
    auto ready = makeReady(*machine, project);
    if (!ready) return tell(s, ready.error());
    const Checked& one = all.emplace_back(looks, project, *kind, *machine, std::move(*ready));
    if (o.json) continue;
    tellReport(s.out, one.kind, one.machine, one.report, one.ready.symbols);
    s.out.flush();
  }
  if (all.empty() && !o.kind.empty()) return tell(s, {o.file, "no kind “" + o.kind + "”"});
  Json list = Json::array();
  bool kept = true;
  for (const Checked& one : all) {
    const Mends mends = o.mends ? mendsOf(project, one) : Mends{};
    if (o.json)
      list.push_back(reportJson(one.kind, one.report, one.ready.symbols, mends));
    else
      tellMends(s.out, one.kind, mends);
    kept = kept && (o.strict ? one.report.allKept() : one.report.noneBroken());
  }
  if (o.json) s.out << Json{{"kinds", list}}.dump(2) << "\n";
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
  sub->add_flag("!--no-mends", o->mends, "Don’t look for what would mend a broken law");
  sub->add_flag("--strict", o->strict, "Exit with 1 also where a law is not proved");
  return {sub, [o](Streams s) { return run(*o, s); }};
}

}  // namespace bristle
