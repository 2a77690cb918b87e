#include "runtime/layout/free.h"

#include <cmath>

#include "runtime/layout/pins.h"

namespace bristle {
namespace {

Px needed(const Child& child) {
  const AxisPlace& place = *child.place;
  switch (place.pin) {
    case Pin::None:
    case Pin::Start:
    case Pin::End:
      return place.offset + child.base;
    case Pin::Fraction:  // however large the container is: from the fraction nothing follows
      return child.base;
    case Pin::Baseline:
      return place.offset - child.baseline.in(child.base) + child.base;
    case Pin::Centre:
      return child.base + 2 * std::abs(place.offset);
    case Pin::Both:
      return place.offset + child.base + place.farOffset;
  }
  return 0;
}

}  // namespace

Px measureFree(const ContainerData& container, std::span<const Child> children) {
  Px most = children.empty() ? kEmptyContainer : 0;
  for (const Child& child : children) most = std::max(most, needed(child));
  return most + 2 * container.padding;
}

void arrangeFree(const ContainerData& container, Px size, std::span<const Child> children,
                 std::span<Span> places) {
  for (size_t i = 0; i < children.size(); ++i)
    places[i] = placeOnAxis(*children[i].place, children[i].base, container.padding,
                            size - 2 * container.padding, children[i].baseline);
}

}  // namespace bristle
