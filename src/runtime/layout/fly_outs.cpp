#include "runtime/layout/fly_outs.h"

#include <algorithm>
#include <unordered_map>

#include "runtime/document/tree.h"
#include "runtime/layout/child.h"

namespace bristle {
namespace {

// Along one axis: after `anchor`, or before it, as wanted; where only the other one fits, there.
Px beside(const Span& anchor, Px gap, Px size, Px from, Px extent, bool before) {
  const Px after = anchor.at + anchor.size + gap, ahead = anchor.at - gap - size;
  const Px wanted = before ? ahead : after, other = before ? after : ahead;
  const auto fits = [&](Px at) { return at >= from && at + size <= from + extent; };
  return fits(wanted) || !fits(other) ? wanted : other;
}

// With the same near edge, else with the same far one.
Px level(const Span& anchor, Px shift, Px size, Px from, Px extent, bool atFar) {
  const Px near = anchor.at + shift, far = anchor.at + anchor.size - size - shift;
  const Px wanted = atFar ? far : near, other = atFar ? near : far;
  const auto fits = [&](Px at) { return at >= from && at + size <= from + extent; };
  const Px out = fits(wanted) || !fits(other) ? wanted : other;
  return std::max(from, std::min(out, from + extent - size));
}

// Where it comes to stand; only the corner counts.
Box placed(const FlyOut& how, const Place& place, double scale, const Box& own, const Box& anchor,
           const Box& room, bool rightToLeft) {
  const Span across{anchor.x, anchor.w}, down{anchor.y, anchor.h};
  const Px dx = place.x.offset * scale, dy = place.y.offset * scale;
  Box out = own;
  if (how.side == Side::Below || how.side == Side::Above) {
    out.x = level(across, dx, own.w, room.x, room.w, rightToLeft);
    out.y = beside(down, dy, own.h, room.y, room.h, how.side == Side::Above);
  } else {
    const bool left = (how.side == Side::Left) != rightToLeft;
    out.x = beside(across, dx, own.w, room.x, room.w, left);
    out.y = level(down, dy, own.h, room.y, room.h, false);
  }
  return out;
}

// A fly-out is listed once the one that its button is in is.
void findFlyOuts(const Screen& screen, std::span<const Nesting> nesting, Layout& layout) {
  std::unordered_map<ItemId, size_t> buttons;
  std::vector<size_t> open;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const ContainerData* box = screen.items[i]->container();
    if (box && box->flyOut.from && nesting[i].parent < 0) open.push_back(i);
    if (screen.items[i]->button()) buttons.emplace(screen.items[i]->id, i);
  }
  if (open.empty()) return;
  const auto rootOf = [&](size_t item) {
    while (nesting[item].parent >= 0) item = size_t(nesting[item].parent);
    return item;
  };
  for (bool any = true; any;) {
    any = false;
    const std::vector<size_t> waiting = open;
    std::erase_if(open, [&](size_t i) {
      const auto button = buttons.find(screen.items[i]->container()->flyOut.from);
      if (button == buttons.end()) return true;
      const size_t root = rootOf(button->second);
      int outer = -1;
      for (size_t f = 0; f < layout.flyOuts.size(); ++f)
        if (layout.flyOuts[f].item == root) outer = static_cast<int>(f);
      if (std::find(waiting.begin(), waiting.end(), root) != waiting.end()) return false;
      layout.flyOuts.push_back({i, button->second, outer});
      any = true;
      return true;
    });
  }
}

}  // namespace

void placeFlyOuts(const Screen& screen, std::span<const Nesting> nesting, const Box& room,
                  Layout& layout) {
  findFlyOuts(screen, nesting, layout);
  for (size_t f = 0; f < layout.flyOuts.size(); ++f) {
    const PlacedFlyOut& it = layout.flyOuts[f];
    const Placed& container = layout.items[it.item];
    const Item& item = *screen.items[it.item];
    const Box to = placed(item.container()->flyOut, item.place, container.scale, container.box,
                          layout.items[it.from].box, room, layout.rightToLeft);
    const Px dx = to.x - container.box.x, dy = to.y - container.box.y;
    for (size_t i = it.item; i < nesting[it.item].end; ++i) {
      Placed& each = layout.items[i];
      each.box.x += dx;
      each.box.y += dy;
      each.flyOut = static_cast<int>(f);
      each.closed = true;
    }
  }
}

Side sideOf(const Layout& layout, const PlacedFlyOut& flyOut) {
  const Box &box = layout.items[flyOut.item].box, &from = layout.items[flyOut.from].box;
  if (box.y >= from.y + from.h) return Side::Below;
  if (box.y + box.h <= from.y) return Side::Above;
  return box.x >= from.x + from.w / 2 ? Side::Right : Side::Left;
}

bool openOnly(Layout& layout, int flyOut) {
  std::vector<bool> wanted(layout.flyOuts.size(), false);
  for (int at = flyOut; at >= 0; at = layout.flyOuts[size_t(at)].outer) wanted[size_t(at)] = true;
  bool any = false;
  for (size_t f = 0; f < wanted.size(); ++f) {
    any |= layout.flyOuts[f].open != wanted[f];
    layout.flyOuts[f].open = wanted[f];
  }
  if (!any) return false;
  for (Placed& each : layout.items)
    if (each.flyOut >= 0) each.closed = !wanted[size_t(each.flyOut)];
  return true;
}

}  // namespace bristle
