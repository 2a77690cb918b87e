#include <fmt/format.h>

#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/focus/screen_routes.h"

namespace bristle {

void checkFocusStart(const Surroundings&, const Screen& screen, Findings& out) {
  if (screen.entry) return;
  for (const auto& item : screen.items) {
    if (!item->button() || item->hidden) continue;
    const auto start = [id = item->id](Screen& changed) { changed.entry = id; };
    out.push_back(
        {.place = screen.name,
         .reason = "it does not say where focus starts",
         .screen = screen.id,
         .mends = {changeScreen(screen.id, fmt::format("start focus on “{}”", displayName(*item)),
                                {}, start)}});
    return;
  }
}

// Judged with plain text measures: sizes that follow captions differ a little from the window's.
void checkReach(const Surroundings& around, const Screen& screen, Findings& out) {
  if (!screen.entry || around.project.displays.empty()) return;
  const Layout layout =
      layOut(around.project, screen, around.project.displays.front(), PlainMeasure());
  if (!screenRoutes(around.project, screen, layout).output.allReached)
    out.push_back({.place = screen.name,
                   .reason = "not every button can be reached from every other by the directions",
                   .screen = screen.id});
}

}  // namespace bristle
