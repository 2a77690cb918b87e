#include <fmt/format.h>

#include "core/edit/machine_edits.h"
#include "core/findings/rules.h"
#include "core/laws/check.h"
#include "core/laws/mend.h"
#include "core/laws/sequence.h"

namespace bristle {
namespace {

std::string placeOf(const Machine& machine) {
  return "machine “" + machine.name + "”";
}

}  // namespace

void checkStates(const Surroundings&, const Machine& machine, Findings& out) {
  for (size_t i = 0; i < machine.transitions.size(); ++i) {
    const Transition& t = machine.transitions[i];
    for (const StateId* id : {t.from ? &*t.from : nullptr, &t.to})
      if (id && !findState(machine, *id))
        out.push_back({.place = placeOf(machine),
                       .reason = fmt::format("transition {} names a state “{}” that is not there",
                                             i + 1, id->text),
                       .machine = machine.id,
                       .state = *id,
                       .detail = std::to_string(i + 1)});
  }
}

// Each machine once, whichever kinds share it. What only pictures can tell is left to those who
// have them.
void checkMachineLaws(const Surroundings& around, const Machine& machine, Findings& out) {
  const auto ready = makeReady(machine, around.project);
  if (!ready) {
    out.push_back({.place = ready.error().place,
                   .reason = ready.error().reason,
                   .machine = machine.id,
                   .detail = "runs"});
    return;
  }
  const LawReport report =
      checkLaws({machine, ready->program, ready->symbols, ready->values, nullptr, around.stop});
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& law = report.laws[static_cast<size_t>(i)];
    if (!law.broken || !law.waived.empty()) continue;
    Finding f{.place = placeOf(machine),
              .reason = fmt::format("law {}, {}: {} (when {})", i + 1, nameOf(Law(i + 1)), law.what,
                                    inWords(law.sequence, ready->symbols)),
              .machine = machine.id,
              .detail = std::to_string(i + 1)};
    // Where not all could be looked at, to try changes would take as long again for each.
    if (report.whole)
      if (auto mend = mendFor(machine, around.project, Law(i + 1), nullptr, around.stop)) {
        f.mends = {mendMachine(machine.id, mend->before, mend->after)};
        f.mends[0].name = mend->words.size() == 1 ? mend->words[0]
                                                  : fmt::format("{}, and {} more", mend->words[0],
                                                                mend->words.size() - 1);
      }
    out.push_back(std::move(f));
  }
  if (!report.whole && !around.stopped())
    out.push_back(
        {.rule = "unproved",
         .place = placeOf(machine),
         .reason = "not all that can happen to it could be looked at: " + report.whyNotWhole,
         .machine = machine.id});
}

}  // namespace bristle
