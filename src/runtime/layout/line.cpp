#include "runtime/layout/line.h"

#include <algorithm>

namespace bristle {
namespace {
constexpr Px kEmpty = 48;
}

Size measureLine(const ContainerData& line, std::span<const Size> children) {
  const bool row = line.flow == Flow::Row;
  Px along = 0, across = 0;
  for (const Size& s : children) {
    along += row ? s.w : s.h;
    across = std::max(across, row ? s.h : s.w);
  }
  if (children.empty()) along = across = kEmpty;
  if (children.size() > 1) along += line.gap * static_cast<double>(children.size() - 1);
  along += 2 * line.padding;
  across += 2 * line.padding;
  return row ? Size{along, across} : Size{across, along};
}

void arrangeLine(const ContainerData& line, const Box& box, bool rightToLeft,
                 std::span<const Size> children, std::span<Box> places) {
  const bool row = line.flow == Flow::Row;
  const Px room = (row ? box.h : box.w) - 2 * line.padding;
  Px at = line.padding;
  for (size_t i = 0; i < children.size(); ++i) {
    const Px along = row ? children[i].w : children[i].h;
    Px across = row ? children[i].h : children[i].w;
    Px shift = 0;
    if (line.across == Across::Stretch) across = room;
    if (line.across == Across::Centre) shift = (room - across) / 2;
    if (line.across == Across::End) shift = room - across;
    const Px start = row && rightToLeft ? box.w - at - along : at;
    places[i] = row ? Box{box.x + start, box.y + line.padding + shift, along, across}
                    : Box{box.x + line.padding + shift, box.y + at, across, along};
    at += along + line.gap;
  }
}

}  // namespace bristle
