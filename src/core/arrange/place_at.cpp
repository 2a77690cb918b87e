#include "core/arrange/place_at.h"

#include <cmath>
#include <set>
#include <unordered_set>

#include "runtime/document/tree.h"
#include "runtime/layout/fly_outs.h"
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

// Which fly-out the item is, not only in; null where it is none.
const PlacedFlyOut* flyOutOf(const Layout& layout, size_t item) {
  const int at = layout.items[item].flyOut;
  if (at < 0 || layout.flyOuts[size_t(at)].item != item) return nullptr;
  return &layout.flyOuts[size_t(at)];
}

// The offsets of a fly-out are from its button: what it moves by, towards where it lies from there.
Place besideButton(Place place, const Layout& layout, const PlacedFlyOut& flyOut, const Box& to) {
  const Placed& it = layout.items[flyOut.item];
  const Box &was = it.box, &button = layout.items[flyOut.from].box;
  const Side side = sideOf(layout, flyOut);
  const bool above = side == Side::Above, level = above || side == Side::Below;
  // Level with the button's far edge, an offset moves it back.
  const Px dx = place.x.offset * it.scale, dy = place.y.offset * it.scale;
  const auto isAt = [](Px is, Px at) { return std::abs(is - at) < 1e-6; };
  const bool atRight = isAt(was.x, button.x + button.w - was.w - dx);
  const bool atLeft = isAt(was.x, button.x + dx), atTop = isAt(was.y, button.y + dy);
  const bool back = level ? atRight && (layout.rightToLeft || !atLeft) : side == Side::Left;
  const bool up = level ? above : !atTop && isAt(was.y, button.y + button.h - was.h - dy);
  const double right = back ? -1 : 1, down = up ? -1 : 1;
  place.x.offset += right * (to.x - was.x) / it.scale;
  place.y.offset += down * (to.y - was.y) / it.scale;
  if (std::abs(to.w - was.w) > 1e-9) place.x.size = to.w / it.scale;
  if (std::abs(to.h - was.h) > 1e-9) place.y.size = to.h / it.scale;
  return place;
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
  if (const PlacedFlyOut* flyOut = flyOutOf(layout, item))
    return besideButton(it.place, layout, *flyOut, box);
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

Side sideFlying(const Screen& screen, const ItemId& from) {
  const Item* button = findItem(screen, from);
  const Item* holder = button ? findItem(screen, button->parent) : nullptr;
  return holder && holder->container() && holder->container()->flow == Flow::Column ? Side::Right
                                                                                    : Side::Below;
}

Place placeFlying(Place place) {
  for (AxisPlace* axis : {&place.x, &place.y}) {
    axis->pin = Pin::None;
    axis->offset = axis->farOffset = axis->share = 0;
  }
  place.safe = false;
  return place;
}

Place placeLanded(const Screen& screen, const Layout& layout, size_t item) {
  return placeInside(screen, layout, {}, screen.items[item]->place, layout.items[item].box);
}

Place placeInOrder(Place place) {
  for (AxisPlace* axis : {&place.x, &place.y}) axis->size = axis->share = 0;
  return place;
}

}  // namespace bristle
