// How children share the room on one axis, one after another.
#pragma once
#include <span>

#include "runtime/layout/child.h"

namespace bristle {

// Where they lie in `room`, `gap` between them. Those that take the rest get it by their shares,
// each within its bounds: the sizes are clamp(unit · share, least, most) for the one unit with
// which they fill what the others leave, or as near as the bounds let them come (the rule of CSS
// Flexible Box Layout Level 1 §9.7 for items whose flex base size is 0). What is left over then
// goes where `along` says. `places` is as long as `children`.
void shareOut(std::span<const Child> children, Px room, Px gap, Along along,
              std::span<Span> places);

// The room that they take at the least: what takes the rest counts with its own size.
Px extentOf(std::span<const Child> children, Px gap);

}  // namespace bristle
