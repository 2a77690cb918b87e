// Buttons that something else covers, so that nobody sees that they have focus.
#include <fmt/format.h>

#include <algorithm>
#include <map>

#include "core/findings/plain_words.h"
#include "core/findings/rules.h"
#include "runtime/document/tree.h"
#include "runtime/layout/layout.h"

namespace bristle {
namespace {

constexpr double kMostCovered = 0.5;  // ours; §2.4.11 asks that not all of it is

bool isOpaque(const Fill& fill) {
  return fill.type != FillType::None && !fill.stops.empty() &&
         std::all_of(fill.stops.begin(), fill.stops.end(),
                     [](const Stop& stop) { return stop.colour.a == 255; });
}

// Whether nothing is seen through it, or only eyes can tell: a picture may be a frame around all.
bool mayHide(const Item& item, const Eyes* eyes) {
  const auto* panel = std::get_if<PanelData>(&item.what);
  return panel ? isOpaque(panel->fill) : eyes && std::holds_alternative<PictureData>(item.what);
}

double areaOf(const Box& box) {
  return std::max(0.0, box.w) * std::max(0.0, box.h);
}

Box sharedBy(const Box& a, const Box& b) {
  const Px x = std::max(a.x, b.x), y = std::max(a.y, b.y);
  return {x, y, std::min(a.x + a.w, b.x + b.w) - x, std::min(a.y + a.h, b.y + b.h) - y};
}

}  // namespace

// By what is laid over them on each display; of each button and cover the worst is told.
void checkCovered(const Surroundings& around, const Screen& screen, Findings& out) {
  const PlainMeasure plain;
  struct Worst {
    double share = 0;
    DisplayId display;
  };
  std::map<std::pair<size_t, size_t>, Worst> worst;
  for (const Display& display : around.project.displays) {
    if (around.stopped()) return;
    const Layout layout =
        layOut(around.project, screen, display, around.eyes ? around.eyes->measure() : plain);
    for (size_t over = 1; over < screen.items.size(); ++over) {
      const Item& cover = *screen.items[over];
      if (!mayHide(cover, around.eyes) || !layout.items[over].isSeen()) continue;
      for (size_t i = 0; i < over; ++i) {
        const Item& item = *screen.items[i];
        if (!item.button() || isStill(around.project, item) || !layout.items[i].isSeen()) continue;
        if (panelOf(screen, item) != panelOf(screen, cover)) continue;
        const Box& box = layout.items[i].visible;
        const double all = areaOf(box);
        if (all <= 0) continue;
        const Box shared = sharedBy(box, layout.items[over].visible);
        double share = areaOf(shared) / all;
        if (share < kMostCovered) continue;
        if (std::holds_alternative<PictureData>(cover.what))
          share *= around.eyes->opaqueShare(cover, layout.items[over], shared, layout.rightToLeft);
        Worst& known = worst[{i, over}];
        if (share > known.share) known = {share, display.id};
      }
    }
  }
  for (const auto& [pair, each] : worst) {
    if (each.share < kMostCovered) continue;
    const Item &item = *screen.items[pair.first], &cover = *screen.items[pair.second];
    out.push_back(
        {.place = fmt::format("{} · {}", screen.name, displayName(item)),
         .reason = fmt::format("“{}” covers {:.0f} % of it", displayName(cover), each.share * 100),
         .screen = screen.id,
         .item = item.id,
         .display = each.display,
         .detail = cover.id.text,
         .figure = each.share * 100,
         .limit = kMostCovered * 100,
         .unit = "%"});
  }
}

}  // namespace bristle
