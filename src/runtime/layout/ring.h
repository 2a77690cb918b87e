// Rings: children round a middle, all as far from it.
#pragma once
#include <span>

#include "runtime/layout/child.h"

namespace bristle {

// One axis: what holds the whole circle and the largest of them anywhere on it, with its padding.
Px measureRing(const ContainerData& ring, std::span<const Child> children);
// Round the middle of the size. All the way round they are evenly apart; else the first and the
// last stand at the ends of the sweep.
void arrangeRing(const ContainerData& ring, bool horizontal, Px size,
                 std::span<const Child> children, std::span<Span> places);

}  // namespace bristle
