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

// By what can be hit of them on the first display; what lies over one another is told of elsewhere.
void checkNear(const Surroundings& around, const Screen& screen, Findings& out) {
  const Project& project = around.project;
  if (project.displays.empty() || project.settings.leastGap <= 0) return;
  const PlainMeasure plain;
  const TextMeasure& measure = around.eyes ? around.eyes->measure() : plain;
  const Layout layout = layOut(project, screen, project.displays.front(), measure);
  for (const Overlap& near :
       nearOnes(project, screen, layout, project.settings.leastGap, around.stop)) {
    const Item &one = *screen.items[near.left], &other = *screen.items[near.right];
    out.push_back({.place = fmt::format("{} · {}", screen.name, displayName(one)),
                   .reason = fmt::format("its hit area is {:g} px from that of “{}”", near.by,
                                         displayName(other)),
                   .screen = screen.id,
                   .item = one.id,
                   .detail = other.id.text,
                   .figure = near.by,
                   .limit = project.settings.leastGap,
                   .unit = "px"});
  }
}

}  // namespace bristle
