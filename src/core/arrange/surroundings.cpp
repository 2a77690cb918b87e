#include "core/arrange/surroundings.h"

#include "core/arrange/place_at.h"
#include "runtime/document/project.h"
#include "runtime/document/tree.h"

namespace bristle {

SnapField surroundingsOf(const Project& project, const Screen& screen, const Layout& layout,
                         std::span<const size_t> moved, bool grid) {
  SnapField out;
  const auto nesting = nestingOf(screen);
  std::vector<bool> goes(screen.items.size(), false), holds(screen.items.size(), false);
  for (const size_t i : moved) {
    for (size_t in = i; in < nesting[i].end; ++in) goes[in] = true;
    for (int up = nesting[i].parent; up >= 0; up = nesting[size_t(up)].parent)
      holds[size_t(up)] = true;
  }
  for (size_t i = 0; i < screen.items.size(); ++i)
    if (!goes[i] && !holds[i] && layout.items[i].isSeen())
      out.neighbours.push_back(layout.items[i].box);
  out.holders.push_back({0, 0, layout.width, layout.height});
  if (const Display* display = find(project, layout.display); display && !display->safe.none()) {
    out.holders.push_back(layout.safe);
  }
  if (!moved.empty() && nesting[moved[0]].parent >= 0)
    out.holders.push_back(roomOf(screen, layout, moved[0]));
  out.guides = screen.guides;
  if (grid) {
    out.gridWidth = project.settings.gridWidth;
    out.gridHeight = project.settings.gridHeight;
  }
  return out;
}

}  // namespace bristle
