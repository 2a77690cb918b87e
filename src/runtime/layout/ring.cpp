#include "runtime/layout/ring.h"

#include <cmath>
#include <numbers>

namespace bristle {

Px measureRing(const ContainerData& ring, std::span<const Child> children) {
  Px largest = 0;
  for (const Child& child : children) largest = std::max(largest, child.base);
  return 2 * (ring.radius + ring.padding) + largest;
}

void arrangeRing(const ContainerData& ring, bool horizontal, Px size,
                 std::span<const Child> children, std::span<Span> places) {
  const auto count = static_cast<double>(children.size());
  const double steps = std::abs(ring.sweep) >= 360 ? count : std::max(1.0, count - 1);
  for (size_t i = 0; i < children.size(); ++i) {
    const double degrees = ring.start + ring.sweep * static_cast<double>(i) / steps;
    const double angle = degrees * std::numbers::pi / 180;
    const Px out = ring.radius * (horizontal ? std::sin(angle) : -std::cos(angle));
    places[i] = {size / 2 + out - children[i].base / 2, children[i].base};
  }
}

}  // namespace bristle
