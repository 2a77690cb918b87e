#include <set>

#include "core/findings/check.h"

namespace bristle {

// Each file once for each machine: the same sound on ten transitions is one thing to mend.
void checkSounds(const Project& project, const WhyNoFile& why, Findings& out) {
  for (const auto& machine : project.machines) {
    std::set<std::string> seen;
    for (const Transition& t : machine->transitions)
      for (const Effect& effect : t.effects) {
        if (effect.type != EffectType::Sound || !seen.insert(effect.file).second) continue;
        const std::string reason =
            effect.file.empty() ? std::string("a sound without a file") : why(effect.file);
        if (!reason.empty())
          out.push_back({.place = "machine “" + machine->name + "”, sound “" + effect.file + "”",
                         .reason = reason,
                         .machine = machine->id,
                         .detail = effect.file});
      }
  }
}

}  // namespace bristle
