// Edits of the project's displays.
#pragma once
#include "core/edit/history.h"

namespace bristle {

// As large as the last one, with a name that is free.
Edit addDisplay(std::string name);
// An edit with the same non-empty `merge` as the one before it becomes one with it.
Edit changeDisplay(DisplayId display, std::string name, std::string merge,
                   std::function<void(Display&)> change);
// With the routes that hold on it only; screens that were drawn on it are drawn on the first that
// is left, as they are. The last one cannot go.
Edit removeDisplay(DisplayId display);
// Becomes the first: what is asked for no display shows it.
Edit putDisplayFirst(DisplayId display);

}  // namespace bristle
