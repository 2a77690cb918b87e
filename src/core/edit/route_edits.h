// Routes of several buttons at once, said by a person.
#pragma once
#include <vector>

#include "core/edit/history.h"
#include "runtime/document/route_rule.h"

namespace bristle {

// Pins each to the next in `dir`, and each to the one before it the opposite way; `loop`: the last
// leads to the first, and back. Refused for fewer than two buttons.
Edit pinLine(ScreenId screen, std::vector<ItemId> inOrder, Dir dir, bool loop);
// All directions of these are solved again, on all displays and in all languages; what their routes
// carry stays.
Edit releaseRoutes(ScreenId screen, std::vector<ItemId> items);
// What the routes of these carry in a direction.
Edit setCarries(ScreenId screen, std::vector<ItemId> items, Dir dir, RouteCarries carries);

}  // namespace bristle
