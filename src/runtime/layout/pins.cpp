#include "runtime/layout/pins.h"

#include <algorithm>

namespace bristle {
namespace {

AxisPlace axisFor(AxisPlace axis, Px at, Px size, Px from, Px extent, const Baseline& baseline) {
  switch (axis.pin) {
    case Pin::None:
    case Pin::Start:
      axis.offset = at - from;
      break;
    case Pin::Centre:
      axis.offset = at + size / 2 - (from + extent / 2);
      break;
    case Pin::End:
      axis.offset = from + extent - (at + size);
      break;
    case Pin::Both:
      axis.offset = at - from;
      axis.farOffset = from + extent - (at + size);
      break;
    case Pin::Fraction:
      axis.offset = at + size / 2 - (from + extent * axis.fraction);
      break;
    case Pin::Baseline:
      axis.offset = at + baseline.in(size)-from;
      break;
  }
  return axis;
}

}  // namespace

Px withinBounds(const AxisPlace& place, Px size) {
  return Child{.least = place.least, .most = place.most}.within(size);
}

Span placeOnAxis(const AxisPlace& place, Px natural, Px from, Px extent, const Baseline& baseline) {
  const Px wanted = place.share > 0  ? std::max(1.0, place.share * extent)
                    : place.size > 0 ? place.size
                                     : natural;
  const Px size = withinBounds(place, wanted);
  switch (place.pin) {
    case Pin::None:
    case Pin::Start:
      return {from + place.offset, size};
    case Pin::Centre:
      return {from + (extent - size) / 2 + place.offset, size};
    case Pin::End:
      return {from + extent - place.offset - size, size};
    case Pin::Both:
      return {from + place.offset,
              withinBounds(place, std::max(1.0, extent - place.offset - place.farOffset))};
    case Pin::Fraction:
      return {from + extent * place.fraction - size / 2 + place.offset, size};
    case Pin::Baseline:
      return {from + place.offset - baseline.in(size), size};
  }
  return {};
}

Place placeFor(const Place& old, const Box& box, const Box& holder, const Baseline& baseline) {
  Place out = old;
  out.x = axisFor(old.x, box.x, box.w, holder.x, holder.w, {});
  out.y = axisFor(old.y, box.y, box.h, holder.y, holder.h, baseline);
  return out;
}

}  // namespace bristle
