#include <fmt/format.h>

#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/document/tree.h"
#include "runtime/focus/screen_routes.h"

namespace bristle {

void checkFocusStart(const Surroundings& around, const Screen& screen, Findings& out) {
  if (screen.entry) return;
  const auto nesting = nestingOf(screen);
  for (size_t i = 0; i < nesting.size(); ++i) {
    const Item& item = *screen.items[i];
    if (!item.button() || nesting[i].hidden || isStill(around.project, item)) continue;
    const auto start = [id = item.id](Screen& changed) { changed.entry = id; };
    out.push_back(
        {.place = screen.name,
         .reason = "it does not say where focus starts",
         .screen = screen.id,
         .mends = {changeScreen(screen.id, fmt::format("start focus on “{}”", displayName(item)),
                                {}, start)}});
    return;
  }
}

// Judged with plain text measures: sizes that follow captions differ a little from the window's.
void checkReach(const Surroundings& around, const Screen& screen, Findings& out) {
  if (!screen.entry || around.project.displays.empty()) return;
  const Layout layout =
      layOut(around.project, screen, around.project.displays.front(), PlainMeasure());
  if (!screenRoutes(screen, layout).output.allReached)
    out.push_back({.place = screen.name,
                   .reason = "not every button can be reached from every other by the directions",
                   .screen = screen.id});
}

}  // namespace bristle
