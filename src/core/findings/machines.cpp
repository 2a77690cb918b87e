#include <fmt/format.h>

#include <unordered_set>

#include "core/findings/check.h"
#include "core/machine/program.h"

namespace bristle {
namespace {

void checkStates(const Machine& machine, std::vector<Finding>& out) {
  const auto tell = [&](std::string reason) {
    out.push_back({"machine", "machine “" + machine.name + "”", std::move(reason), {}, {}, {}});
  };
  std::unordered_set<StateId> entered;
  for (size_t i = 0; i < machine.transitions.size(); ++i) {
    const Transition& t = machine.transitions[i];
    for (const StateId* id : {t.from ? &*t.from : nullptr, &t.to})
      if (id && !findState(machine, *id))
        tell(fmt::format("transition {} names a state “{}” that is not there", i + 1, id->text));
    entered.insert(t.to);
  }
  for (size_t i = 1; i < machine.states.size(); ++i)
    if (!entered.contains(machine.states[i].id))
      tell(fmt::format("nothing leads to its state “{}”", machine.states[i].name));
}

}  // namespace

void checkMachines(const Project& project, std::vector<Finding>& out) {
  Symbols symbols;
  for (const ProjectValue& value : project.values) symbols.values.push_back(value.id);
  for (const auto& machine : project.machines) {
    if (const auto program = Program::compile(*machine, symbols); !program)
      out.push_back({"machine", program.error().place, program.error().reason, {}, {}, {}});
    checkStates(*machine, out);
  }
}

}  // namespace bristle
