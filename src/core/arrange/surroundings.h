// What there is to snap to around what is dragged on a screen.
#pragma once
#include <span>

#include "core/arrange/snap.h"

namespace bristle {

struct Project;
struct Screen;
struct Layout;

// For items that are moved or resized, by index: what is shown besides them, the display, its safe
// area and the free containers they are in, the guides and, with `grid`, the project’s grid.
SnapField surroundingsOf(const Project& project, const Screen& screen, const Layout& layout,
                         std::span<const size_t> moved, bool grid);

}  // namespace bristle
