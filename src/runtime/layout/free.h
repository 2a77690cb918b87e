// Free containers: each child where its own pins say, as on a screen.
#pragma once
#include <span>

#include "runtime/layout/child.h"

namespace bristle {

// One axis: the least size in which every child has its distance to the edges it is pinned to, with
// the padding. What reaches beyond the near edge counts for nothing.
Px measureFree(const ContainerData& container, std::span<const Child> children);
// Within the padding.
void arrangeFree(const ContainerData& container, Px size, std::span<const Child> children,
                 std::span<Span> places);

}  // namespace bristle
