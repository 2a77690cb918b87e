// Edits of how a screen's items nest and follow one another.
#pragma once
#include <utility>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// Where an item shall lie from then on: as it was worked out from a layout (core/arrange).
using Places = std::vector<std::pair<ItemId, Place>>;

// Puts items into a new container at x, y, in reading order of `items`. A free one keeps them where
// `places` says, and is as large as `w` and `h` say, px; 0: as what is in it.
struct NewContainer {
  Flow flow = Flow::Column;
  Px x = 0, y = 0, w = 0, h = 0;
  Px padding = 0;
};
Edit gather(ScreenId screen, std::vector<ItemId> items, NewContainer container, Places places = {});
// Takes a container away; what is in it stands where it stood, in what held it.
Edit dissolve(ScreenId screen, ItemId container, Places places);
// Earlier or later in the painting order, and in its container.
Edit reorder(ScreenId screen, ItemId item, int by);

// Where in the tree something goes.
struct Spot {
  ItemId holder;  // empty: the screen
  ItemId before;  // the brother that it comes to stand before; empty: the last
  bool operator==(const Spot&) const = default;
};
// Items, each with all that is in it, in the screen's order. Refused where a container would be in
// itself.
Edit moveInto(ScreenId screen, std::vector<ItemId> items, Spot to, Places places = {},
              std::string mergeKey = {});

// Buttons of kinds, one after another at that spot, each with its kind's sample as caption. In an
// order or at `places`, which are as many as the kinds then.
Edit addButtons(ScreenId screen, std::vector<KindId> kinds, Spot at,
                std::vector<Place> places = {});

}  // namespace bristle
