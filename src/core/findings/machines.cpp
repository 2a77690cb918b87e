#include <fmt/format.h>

#include "core/findings/check.h"
#include "core/laws/check.h"
#include "core/laws/sequence.h"

namespace bristle {
namespace {

void checkStates(const Machine& machine, std::vector<Finding>& out) {
  const auto tell = [&](std::string reason) {
    out.push_back({"machine", "machine “" + machine.name + "”", std::move(reason), {}, {}, {}});
  };
  for (size_t i = 0; i < machine.transitions.size(); ++i) {
    const Transition& t = machine.transitions[i];
    for (const StateId* id : {t.from ? &*t.from : nullptr, &t.to})
      if (id && !findState(machine, *id))
        tell(fmt::format("transition {} names a state “{}” that is not there", i + 1, id->text));
  }
}

// Each machine once, whichever kinds share it. What only pictures can tell is left to those who
// have them.
void checkMachineLaws(const Machine& machine, const Project& project, const std::atomic<bool>* stop,
                      std::vector<Finding>& out) {
  const auto ready = makeReady(machine, project);
  if (!ready) {
    out.push_back({"machine", ready.error().place, ready.error().reason, {}, {}, {}});
    return;
  }
  const LawReport report =
      checkLaws({machine, ready->program, ready->symbols, ready->values, nullptr, stop});
  for (int i = 0; i < kLaws; ++i) {
    const LawResult& law = report.laws[static_cast<size_t>(i)];
    if (law.broken && law.waived.empty())
      out.push_back({"law",
                     "machine “" + machine.name + "”",
                     fmt::format("law {}, {}: {} (when {})", i + 1, nameOf(Law(i + 1)), law.what,
                                 inWords(law.sequence, ready->symbols)),
                     {},
                     {},
                     {}});
  }
}

}  // namespace

void checkMachines(const Project& project, const std::atomic<bool>* stop,
                   std::vector<Finding>& out) {
  for (const auto& machine : project.machines) {
    if (stop && stop->load()) return;
    checkStates(*machine, out);
    checkMachineLaws(*machine, project, stop, out);
  }
}

}  // namespace bristle
