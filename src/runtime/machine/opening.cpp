#include "runtime/machine/opening.h"

#include "runtime/machine/condition.h"
#include "runtime/machine/interpreter.h"

namespace bristle {

bool startsCurrent(const Project& project, const ButtonData& button, const ScreenId& on) {
  if (!button.when.current.empty()) return startsSo(project, button.when.current);
  return opens(button.actions) == on;
}

StateIndex openingState(const Project& project, const Machine& machine, bool enabled,
                        bool current) {
  if (enabled && !current) return 0;
  Symbols symbols;
  std::vector<double> values;
  for (const ProjectValue& value : project.values) {
    symbols.values.push_back(value.id);
    values.push_back(value.start);
  }
  const auto program = Program::compile(machine, symbols);
  if (!program) return 0;
  Running run;
  std::vector<Outcome> outcomes;
  change(*program, run, {.enabled = enabled, .current = current}, {0, values, &outcomes});
  return run.state;
}

}  // namespace bristle
