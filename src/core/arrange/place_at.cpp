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

Place placeIn(Place place, const Box& box, const Box& room, const Box& was) {
  if (place.x.pin != Pin::Both && std::abs(box.w - was.w) > 1e-9) place.x.size = box.w;
  if (place.y.pin != Pin::Both && std::abs(box.h - was.h) > 1e-9) place.y.size = box.h;
  return placeFor(place, box, room);
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
  if (!container) return {0, 0, layout.width, layout.height};
  return within(layout.items[*holder].box, container->padding);
}

Place placeAt(const Screen& screen, const Layout& layout, size_t item, const Box& box) {
  const Item& it = *screen.items[item];
  const Box room = roomOf(screen, layout, item);
  const bool mirrored = it.parent && layout.rightToLeft;
  return placeIn(it.place, asWritten(box, room, mirrored), room, layout.items[item].box);
}

Place placeInside(const Screen& screen, const Layout& layout, const ItemId& holder, Place place,
                  const Box& box) {
  const auto at = holder ? indexOf(screen, holder) : std::nullopt;
  const Box room = at ? within(layout.items[*at].box, screen.items[*at]->container()->padding)
                      : Box{0, 0, layout.width, layout.height};
  if (place.x.pin == Pin::Both) place.x.size = box.w;
  if (place.y.pin == Pin::Both) place.y.size = box.h;
  place.x.pin = place.y.pin = Pin::Start;
  return placeFor(place, asWritten(box, room, at && layout.rightToLeft), room);
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
