#include <fmt/format.h>

#include "core/derive/value_uses.h"
#include "core/edit/value_edits.h"
#include "core/findings/rules.h"

namespace bristle {

// A game may set and read any value by its name; nobody knows that here.
void checkValues(const Surroundings& around, Findings& out) {
  for (const ProjectValue& value : around.project.values) {
    const ValueUses uses = usesOf(around.project, value.id);
    const bool asked = !uses.askedBy.empty(), set = !uses.setBy.empty();
    if (asked && set) continue;
    Finding f{.place = fmt::format("value “{}”", value.name),
              .reason = asked
                            ? fmt::format("nothing in the menu sets it: unless the game does, what "
                                          "asks for it ({}) never changes",
                                          uses.askedBy.front())
                        : set ? fmt::format("{} sets it, and nothing in the menu asks for it",
                                            uses.setBy.front())
                              : "nothing sets it or asks for it",
              .detail = value.id.text};
    if (!asked && !set) f.mends = {removeValue(value.id)};
    out.push_back(std::move(f));
  }
}

}  // namespace bristle
