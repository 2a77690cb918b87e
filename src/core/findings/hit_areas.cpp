#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "core/edit/kind_edits.h"
#include "core/findings/hit_size.h"
#include "core/findings/overlaps.h"
#include "core/findings/rules.h"
#include "runtime/layout/layout.h"

namespace bristle {

namespace {

constexpr double kPointerTarget = 24;  // px: WCAG 2.2 §2.5.8
constexpr double kMmToAnInch = 25.4;

double apart(Px ax, Px ay, Px bx, Px by) {
  return std::hypot(ax - bx, ay - by);
}
double apart(Px x, Px y, const Box& box) {
  return std::hypot(std::max({box.x - x, 0.0, x - box.x - box.w}),
                    std::max({box.y - y, 0.0, y - box.y - box.h}));
}

bool isOn(const Screen& screen, const Kind& kind) {
  return std::any_of(screen.items.begin(), screen.items.end(), [&](const Shared<Item>& item) {
    return item->button() && item->button()->kind == kind.id;
  });
}
bool isPlaced(const Project& project, const Kind& kind) {
  return !project.displays.empty() &&
         std::any_of(project.screens.begin(), project.screens.end(),
                     [&](const Shared<Screen>& screen) { return isOn(*screen, kind); });
}

struct Target {
  Box area;
  bool ofKind = false;
  ItemId hiddenIn;  // empty: it is seen at first, or lies on the screen itself
};
// Calls with each target of the kind and each that is seen together with it, on every display,
// until it hands back false. Whether it never did.
template <class Use>
bool everywhere(const Surroundings& around, const Kind& kind, Use use) {
  const Project& project = around.project;
  const PlainMeasure plain;
  for (const auto& screen : project.screens) {
    if (!isOn(*screen, kind)) continue;
    for (const Display& display : project.displays) {
      if (around.stopped()) return false;
      const Layout layout =
          layOut(project, *screen, display, around.eyes ? around.eyes->measure() : plain);
      std::vector<Target> targets;
      for (size_t i = 0; i < screen->items.size(); ++i) {
        const Item& item = *screen->items[i];
        if (!item.button() || isStill(project, item)) continue;
        targets.push_back({layout.items[i].hit, item.button()->kind == kind.id,
                           layout.items[i].isSeen() ? ItemId() : item.parent});
      }
      for (size_t i = 0; i < targets.size(); ++i)
        for (size_t j = 0; j < targets.size() && targets[i].ofKind; ++j)
          if (i != j && targets[i].hiddenIn == targets[j].hiddenIn && !use(targets[i], targets[j]))
            return false;
    }
  }
  return true;
}

// §2.5.8, “Spacing”: a circle of 24 px about the middle of each button of the kind meets no other
// target, nor the circle of another one that is too small.
bool keepsItsDistance(const Surroundings& around, const Kind& kind) {
  return everywhere(around, kind, [](const Target& target, const Target& neighbour) {
    const Box &own = target.area, &other = neighbour.area;
    const Px x = own.x + own.w / 2, y = own.y + own.h / 2;
    if (apart(x, y, other) < kPointerTarget / 2) return false;
    const bool small = std::min(other.w, other.h) < kPointerTarget;
    return !small || apart(x, y, other.x + other.w / 2, other.y + other.h / 2) >= kPointerTarget;
  });
}

// Where nothing comes to lie over anything else by it, or nearer than it should.
std::vector<Edit> growBy(const Surroundings& around, const Kind& kind, Px by) {
  if (kind.hitForm != HitForm::Box) return {};
  const auto meet = [](const Box& a, const Box& b, Px more) {
    return a.x - more < b.x + b.w && b.x - more < a.x + a.w && a.y - more < b.y + b.h &&
           b.y - more < a.y + a.h;
  };
  const Px gap = around.project.settings.leastGap;
  const bool fits = everywhere(around, kind, [&](const Target& own, const Target& other) {
    const Px grown = other.ofKind ? 2 * by : by;
    return !meet(own.area, other.area, gap + grown) || meet(own.area, other.area, gap);
  });
  if (!fits) return {};
  return {changeKind(kind.id, "grow the hit area", {}, [by](Kind& k) { k.hitPadding += by; })};
}

void tellPx(const Surroundings& around, const Kind& kind, Findings& out) {
  const double least = around.project.settings.leastHit;
  const HitExtent area = hitExtent(kind);
  if (!isTooSmallToHit(area, around.project.settings)) return;
  if (least <= kPointerTarget && isPlaced(around.project, kind) && keepsItsDistance(around, kind))
    return;
  out.push_back({.place = "kind “" + kind.name + "”",
                 .reason = fmt::format("its hit area is {:g} × {:g} px; at least {:g} × {:g} are "
                                       "wanted so that it can be hit",
                                       area.w, area.h, least, least),
                 .kind = kind.id,
                 .figure = area.smaller(),
                 .limit = least,
                 .unit = "px",
                 .mends = growBy(around, kind, (least - area.smaller()) / 2)});
}

// On the display where it is the smallest.
void tellMm(const Surroundings& around, const Kind& kind, Findings& out) {
  const double least = around.project.settings.leastHitMm;
  const Display* worst = nullptr;
  double perPx = 0;  // mm to a layout px
  for (const Display& display : around.project.displays) {
    if (display.perInch <= 0) continue;
    const double here = display.scale * kMmToAnInch / display.perInch;
    if (!worst || here < perPx) {
      worst = &display;
      perPx = here;
    }
  }
  const double mm = hitExtent(kind).smaller() * perPx;
  if (!worst || least <= 0 || mm >= least) return;
  out.push_back({.place = "kind “" + kind.name + "”",
                 .reason = fmt::format("its hit area is {:.1f} mm on {}; at least {:g} mm are "
                                       "wanted",
                                       mm, worst->name, least),
                 .kind = kind.id,
                 .display = worst->id,
                 .detail = "mm",
                 .figure = mm,
                 .limit = least,
                 .unit = "mm",
                 .mends = growBy(around, kind, std::ceil((least - mm) / perPx / 2))});
}

}  // namespace

void checkHitSize(const Surroundings& around, Findings& out) {
  for (const auto& kind : around.project.kinds) {
    if (kind->still) continue;
    tellPx(around, *kind, out);
    tellMm(around, *kind, out);
  }
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
