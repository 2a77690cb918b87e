// Screens that nobody comes to or gets out of, and buttons that do nothing.
#include <fmt/format.h>

#include "core/derive/flow_graph.h"
#include "core/edit/flow_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"

namespace bristle {

void checkFlow(const Surroundings& around, Findings& out) {
  const Project& project = around.project;
  const FlowGraph graph = flowOf(project);
  for (size_t s = 0; s < graph.screens.size(); ++s) {
    const FlowScreen& flow = graph.screens[s];
    const Screen& screen = *project.screens[s];
    if (flow.depth < 0)
      out.push_back({.rule = "no-way-in",
                     .place = screen.name,
                     .reason = "nothing leads to it from where the menu opens",
                     .screen = screen.id});
    // One screen alone is a menu whose buttons tell the game something.
    if (!flow.left && flow.depth >= 0 && graph.screens.size() > 1)
      out.push_back({.rule = "no-way-out",
                     .place = screen.name,
                     .reason = "nothing on it opens another screen, goes back or quits",
                     .screen = screen.id});
    for (const ItemId& button : flow.idle)
      out.push_back(
          {.rule = "idle-button",
           .place = fmt::format("{} · {}", screen.name, displayName(*findItem(screen, button))),
           .reason = "it has no action: pressed, it does nothing",
           .screen = screen.id,
           .item = button});
  }
}

}  // namespace bristle
