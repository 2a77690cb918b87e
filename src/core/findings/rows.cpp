#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"

namespace bristle {

// By how they lie on the first display; a row that stretches what is in it has them alike.
void checkRows(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (project.displays.empty()) return;
  const PlainMeasure plain;
  const Layout layout = layOut(project, screen, project.displays.front(),
                               around.eyes ? around.eyes->measure() : plain);
  for (const auto& holder : screen.items) {
    const ContainerData* row = holder->container();
    if (!row || row->flow != Flow::Row) continue;
    double least = 1e9, most = 0;
    const Item* highest = nullptr;
    for (size_t i = 0; i < screen.items.size(); ++i) {
      const Item& item = *screen.items[i];
      if (item.parent != holder->id || !item.button() || isStill(project, item)) continue;
      const double high = layout.items[i].box.h;
      if (high > most) highest = &item;
      least = std::min(least, high);
      most = std::max(most, high);
    }
    if (!highest || most - least < 0.5) continue;
    out.push_back(
        {.place = fmt::format("{} · {}", screen.name, displayName(*holder)),
         .reason = fmt::format("“{}” is {:g} px high, another button of the row {:g} px",
                               displayName(*highest), std::round(most), std::round(least)),
         .screen = screen.id,
         .item = holder->id,
         .figure = most - least,
         .limit = 0,
         .unit = "px",
         .mends = {changeItems(screen.id, {holder->id}, "stretch the row", {},
                               [](Item& i) { i.container()->across = Across::Stretch; })}});
  }
}

}  // namespace bristle
