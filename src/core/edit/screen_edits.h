// Edits of screens and what is placed on them.
#pragma once
#include <optional>
#include <utility>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// The first screen of a project becomes the one where the menu opens.
Edit addScreen(std::string name);
Edit renameScreen(ScreenId screen, std::string name);
// What pointed to it stays and is shown as broken.
Edit removeScreen(ScreenId screen);
Edit openFirst(ScreenId screen);
Edit changeScreen(ScreenId screen, std::string name, std::string mergeKey,
                  std::function<void(Screen&)> change);

// One value on several items; the general edit for all their properties.
Edit changeItems(ScreenId screen, std::vector<ItemId> items, std::string name, std::string mergeKey,
                 std::function<void(Item&)> change);

// A column (or row) of buttons of one kind, one for each caption, its top left corner at x, y.
// Entry is set to the first where the screen has none.
Edit addSeries(ScreenId screen, KindId kind, std::vector<std::string> captions, Flow flow, Px x,
               Px y);
// At x, y from the upper left, px; the last on the screen. Entry where the screen has none.
Edit addButton(ScreenId screen, KindId kind, std::string caption, Px x, Px y);
// Under a fresh id. Panels and pictures go behind the buttons.
Edit addItem(ScreenId screen, std::string name, Item item);
// With what is in them. Routes pinned to them and an entry on them become free again: deleting
// leaves nothing broken.
Edit removeItems(ScreenId screen, std::vector<ItemId> items);
// Copies, 24 px down and right of the originals.
Edit duplicateItems(ScreenId screen, std::vector<ItemId> items);
// Sets whole places, as a drag, a nudge or an alignment computed them.
Edit placeItems(ScreenId screen, std::vector<std::pair<ItemId, Place>> places, std::string name,
                std::string mergeKey);
// An empty id lets focus start at the first in reading order.
Edit setEntry(ScreenId screen, ItemId item);
// On all displays and in all languages.
Edit setRoute(ScreenId screen, ItemId item, Dir dir, RouteRule rule);
// On one display only; nothing lets it be there as everywhere.
Edit setRouteOn(ScreenId screen, ItemId item, Dir dir, DisplayId display,
                std::optional<RouteRule> rule);
// What the button does when it is activated.
// It does this and nothing else.
Edit setAction(ScreenId screen, ItemId item, Action action);
Edit setActions(ScreenId screen, std::vector<ItemId> items, Actions actions);

}  // namespace bristle
