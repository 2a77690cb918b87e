#include <fmt/format.h>

#include "core/edit/kind_edits.h"
#include "core/findings/hit_size.h"
#include "core/findings/overlaps.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"

namespace bristle {

void checkHitSize(const Surroundings& around, const Kind& kind, Findings& out) {
  const double least = around.project.settings.leastHit;
  if (kind.still) return;
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

// Where two hit areas lie over each other, a touch at the seam is a matter of luck.
void checkOverlaps(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (project.displays.empty()) return;
  const Layout layout = layOut(project, screen, project.displays.front(), PlainMeasure());
  for (const Overlap& overlap : overlapsOf(project, screen, layout, around.stop)) {
    const Item &one = *screen.items[overlap.left], &other = *screen.items[overlap.right];
    out.push_back({.place = fmt::format("{} · {}", screen.name, displayName(one)),
                   .reason = fmt::format("its hit area lies over that of “{}”", displayName(other)),
                   .screen = screen.id,
                   .item = one.id,
                   .detail = other.id.text});
  }
}

}  // namespace bristle
