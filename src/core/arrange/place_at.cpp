#include "core/arrange/place_at.h"

#include <cmath>
#include <set>
#include <unordered_set>

#include "runtime/document/tree.h"
#include "runtime/layout/pins.h"

namespace bristle {
namespace {

Box within(const Box& box, Px padding) {
  return {box.x + padding, box.y + padding, box.w - 2 * padding, box.h - 2 * padding};
}

// In containers all is mirrored where one reads from the right.
Box asWritten(Box box, const Box& room, bool mirrored) {
  if (mirrored) box.x = room.x + room.w - (box.x - room.x) - box.w;
  return box;
}

Box smaller(const Box& box, double scale) {
  return {box.x / scale, box.y / scale, box.w / scale, box.h / scale};
}

// A length that is as it was keeps what it follows from.
void resize(AxisPlace& axis, Px to, Px was, Px room) {
  if (axis.pin == Pin::Both || std::abs(to - was) <= 1e-9) return;
  if (axis.share > 0 && to <= room) {
    axis.share = to / room;
  } else {
    axis.share = 0;
    axis.size = to;
  }
}

}  // namespace

bool isLoose(const Screen& screen, const Item& item) {
  const Item* holder = item.parent ? findItem(screen, item.parent) : nullptr;
  const ContainerData* container = holder ? holder->container() : nullptr;
  return !container || container->flow == Flow::Free;
}

bool looseAt(const Screen& screen, std::span<const Nesting> nesting, size_t item) {
  const int holder = nesting[item].parent;
  const ContainerData* container = holder < 0 ? nullptr : screen.items[size_t(holder)]->container();
  return !container || container->flow == Flow::Free;
}

std::vector<size_t> moversOf(const Screen& screen, std::span<const ItemId> picked) {
  const auto nesting = nestingOf(screen);
  std::set<size_t> movers;
  const std::unordered_set<ItemId> wanted(picked.begin(), picked.end());
  for (size_t i = 0; i < screen.items.size(); ++i) {
    if (!wanted.contains(screen.items[i]->id)) continue;
    size_t at = i;
    // Up to the last container that keeps its content in order.
    while (nesting[at].parent >= 0 &&
           screen.items[size_t(nesting[at].parent)]->container()->flow != Flow::Free)
      at = size_t(nesting[at].parent);
    movers.insert(at);
  }
  std::vector<size_t> out;
  for (const size_t i : movers)
    if (out.empty() || i >= nesting[out.back()].end) out.push_back(i);
  return out;
}

Box roomOf(const Screen& screen, const Layout& layout, size_t item) {
  const ItemId& parent = screen.items[item]->parent;
  const auto holder = parent ? indexOf(screen, parent) : std::nullopt;
  const ContainerData* container = holder ? screen.items[*holder]->container() : nullptr;
  if (container)
    return within(layout.items[*holder].box, container->padding * layout.items[*holder].scale);
  return screen.items[item]->place.safe ? layout.safe : Box{0, 0, layout.width, layout.height};
}

Place placeAt(const Screen& screen, const Layout& layout, size_t item, const Box& box) {
  const Item& it = *screen.items[item];
  const double scale = layout.items[item].scale;
  const Box room = smaller(roomOf(screen, layout, item), scale);
  const Box was = smaller(layout.items[item].box, scale);
  const bool mirrored = layout.rightToLeft && (it.parent || it.place.x.pin != Pin::None);
  const Box to = asWritten(smaller(box, scale), room, mirrored);
  Place place = it.place;
  resize(place.x, to.w, was.w, room.w);
  resize(place.y, to.h, was.h, room.h);
  return placeFor(place, to, room, layout.items[item].baseline);
}

Place placeInside(const Screen& screen, const Layout& layout, const ItemId& holder, Place place,
                  const Box& box) {
  const auto at = holder ? indexOf(screen, holder) : std::nullopt;
  const double scale = at ? layout.items[*at].scale : layout.scale;
  const Box room =
      smaller(at ? within(layout.items[*at].box, screen.items[*at]->container()->padding * scale)
                 : Box{0, 0, layout.width, layout.height},
              scale);
  const Box to = asWritten(smaller(box, scale), room, at && layout.rightToLeft);
  for (const auto& [axis, size] : {std::pair(&place.x, to.w), std::pair(&place.y, to.h)}) {
    if (axis->pin == Pin::Both || axis->share > 0) axis->size = size;
    axis->share = 0;
    axis->pin = Pin::None;
  }
  place.safe = false;
  place.scaling.reset();
  return placeFor(place, to, room, {});
}

std::vector<std::pair<ItemId, Place>> placesInFree(const Screen& screen, const Layout& layout,
                                                   size_t container) {
  std::vector<std::pair<ItemId, Place>> out;
  const auto nesting = nestingOf(screen);
  for (size_t i = container + 1; i < nesting[container].end; i = nesting[i].end)
    out.emplace_back(screen.items[i]->id, placeInside(screen, layout, screen.items[container]->id,
                                                      screen.items[i]->place, layout.items[i].box));
  return out;
}

}  // namespace bristle
