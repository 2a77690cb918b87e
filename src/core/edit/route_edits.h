// Routes of several buttons at once, said by a person.
#pragma once
#include <vector>

#include "core/edit/history.h"
#include "runtime/document/route_rule.h"

namespace bristle {

// How buttons are pinned in a line.
struct PinLine {
  Dir dir = Dir::Right;
  bool loop = false;     // the last leads to the first
  bool bothWays = true;  // each leads back to the one before it, too
};
// Pins each to the next in the line's direction. Refused for fewer than two buttons.
Edit pinLine(ScreenId screen, std::vector<ItemId> inOrder, PinLine line);
// The routes of the buttons in `container` are set as those of the buttons in `like` are, one after
// the other in document order: what leads to a button in there leads to its counterpart here, what
// leads anywhere else leads there, too. Refused where they do not hold as many buttons.
Edit routesLike(ScreenId screen, ItemId container, ItemId like);
// The other containers that hold as many buttons, for which that can be done; none where it holds
// none. Those around it and in it are not among them.
std::vector<ItemId> groupsLike(const Screen& screen, const ItemId& container);
// All directions of these are solved again, on all displays and in all languages; what their routes
// carry stays.
Edit releaseRoutes(ScreenId screen, std::vector<ItemId> items);
// What the routes of these carry in a direction.
Edit setCarries(ScreenId screen, std::vector<ItemId> items, Dir dir, RouteCarries carries);

}  // namespace bristle
