#include <fmt/format.h>

#include "core/findings/rules.h"
#include "core/findings/visible.h"
#include "runtime/machine/look.h"

namespace bristle {

void checkSeen(const Surroundings& around, const Kind& kind, Findings& out) {
  const Machine* machine = find(around.project, kind.machine);
  if (!machine) return;
  const LookTable table(kind, *machine, naming(around.project));
  for (size_t s = 0; s < machine->states.size(); ++s)
    if (!canBeSeen(kind, table.state(static_cast<StateIndex>(s))))
      out.push_back({.place = fmt::format("kind “{}”, {}", kind.name, machine->states[s].name),
                     .reason = "the button cannot be seen in this state: it would vanish",
                     .kind = kind.id,
                     .state = machine->states[s].id});
}

}  // namespace bristle
