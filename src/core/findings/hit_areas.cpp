#include <fmt/format.h>

#include <algorithm>

#include "core/edit/kind_edits.h"
#include "core/findings/hit_size.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"

namespace bristle {

void checkHitSize(const Surroundings& around, const Kind& kind, Findings& out) {
  const double least = around.project.settings.leastHit;
  const HitExtent area = hitExtent(kind);
  if (!isTooSmallToHit(area, around.project.settings)) return;
  Finding f{.place = "kind “" + kind.name + "”",
            .reason = fmt::format("its hit area is {:g} × {:g} px; at least {:g} × {:g} are wanted "
                                  "so that it can be hit",
                                  area.w, area.h, least, least),
            .kind = kind.id,
            .figure = area.smaller(),
            .limit = least,
            .unit = "px"};
  if (kind.hitForm == HitForm::Box)
    f.mends = {changeKind(kind.id, "grow the hit area", {},
                          [by = (least - area.smaller()) / 2](Kind& k) { k.hitPadding += by; })};
  out.push_back(std::move(f));
}

// Where two hit areas lie over each other, a touch at the seam is a matter of luck. Areas of other
// forms than boxes are left out: their boxes may overlap where they do not.
void checkOverlaps(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (project.displays.empty()) return;
  const Layout layout = layOut(project, screen, project.displays.front(), PlainMeasure());
  std::vector<size_t> order;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const auto* button = screen.items[i]->button();
    const Kind* kind = button && layout.items[i].shown ? find(project, button->kind) : nullptr;
    if (kind && kind->hitForm == HitForm::Box) order.push_back(i);
  }
  std::sort(order.begin(), order.end(), [&](size_t a, size_t b) {
    return layout.items[a].visible.x < layout.items[b].visible.x;
  });
  for (size_t i = 0; i < order.size() && !around.stopped(); ++i)
    for (size_t j = i + 1; j < order.size(); ++j) {
      const Box &a = layout.items[order[i]].visible, &b = layout.items[order[j]].visible;
      if (b.x >= a.x + a.w) break;
      if (b.y >= a.y + a.h || a.y >= b.y + b.h) continue;
      const Item &one = *screen.items[order[i]], &other = *screen.items[order[j]];
      out.push_back(
          {.place = fmt::format("{} · {}", screen.name, displayName(one)),
           .reason = fmt::format("its hit area lies over that of “{}”", displayName(other)),
           .screen = screen.id,
           .item = one.id,
           .detail = other.id.text});
    }
}

}  // namespace bristle
