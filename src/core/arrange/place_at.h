// What an item's place is measured in, and the place that puts it somewhere: for all that moves and
// resizes things on a canvas.
#pragma once
#include <span>
#include <utility>
#include <vector>

#include "runtime/document/screen.h"
#include "runtime/layout/layout.h"

namespace bristle {

struct Nesting;

// Whether its own place says where it lies: on a screen, and in a free container.
bool isLoose(const Screen& screen, const Item& item);
// The same by index, for many.
bool looseAt(const Screen& screen, std::span<const Nesting> nesting, size_t item);
// What the picked items are moved by: they, or the outermost of the containers that keep them in
// order; none in another, in the screen's order.
std::vector<size_t> moversOf(const Screen& screen, std::span<const ItemId> picked);
// What its pins refer to: the display, or what its free container has within its padding.
Box roomOf(const Screen& screen, const Layout& layout, size_t item);
// The place of a loose item that puts it at `box`, pinned as it is; where the box's size differs
// from what it has, that size becomes its own. In layout px.
Place placeAt(const Screen& screen, const Layout& layout, size_t item, const Box& box);
// The same for one that shall be in another free container, or on the screen (empty), where
// it is no longer pinned to anything. One that was stretched keeps its size.
Place placeInside(const Screen& screen, const Layout& layout, const ItemId& holder, Place place,
                  const Box& box);
// The place of a container of the screen that begins to fly out: right at its button, whatever it
// was pinned to before; and of one that flies out no longer: where the layout has it.
Place placeFlying(Place place);

// Where a fly-out of that button is looked for first: beside an entry of a column, else below.
Side sideFlying(const Screen& screen, const ItemId& from);
Place placeLanded(const Screen& screen, const Layout& layout, size_t item);
// Places that keep all where they are when the container becomes a free one.
std::vector<std::pair<ItemId, Place>> placesInFree(const Screen& screen, const Layout& layout,
                                                   size_t container);
// The place of a free container that gets an order: as large as what is in it then, since the size
// that held it as it lay is a wrong one for a row or a ring.
Place placeInOrder(Place place);

}  // namespace bristle
