#include <fmt/format.h>

#include "core/findings/check.h"
#include "runtime/focus/screen_routes.h"

namespace bristle {

// Judged with plain text measures: sizes that follow captions differ a little from the window's.
void checkFocus(const Project& project, const std::atomic<bool>* stop, std::vector<Finding>& out) {
  const PlainMeasure measure;
  for (const auto& screen : project.screens) {
    if (stop && stop->load()) return;
    bool any = false;
    for (const auto& item : screen->items) any |= item->button() && !item->hidden;
    if (!any) continue;
    if (!screen->entry)
      out.push_back(
          {"focus start", screen->name, "it does not say where focus starts", screen->id, {}, {}});
    if (!screen->entry || project.displays.empty()) continue;
    const Layout layout = layOut(project, *screen, project.displays.front(), measure);
    const ScreenRoutes routes = screenRoutes(project, *screen, layout);
    if (!routes.output.allReached)
      out.push_back({"reach",
                     screen->name,
                     "not every button can be reached from every other by "
                     "the directions",
                     screen->id,
                     {},
                     {}});
  }
}

}  // namespace bristle
