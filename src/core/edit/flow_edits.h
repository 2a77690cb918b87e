// Edits of what leads where between screens.
#pragma once
#include <functional>
#include <optional>
#include <string>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// The button leads to the screen: its action in hand, or the first that names a screen, is led
// there; without one it opens it, or goes on to put it on top where it is an overlay.
Edit leadTo(ScreenId from, ItemId button, ScreenId to, std::optional<size_t> action = {});
// A new screen that the button puts on top, with a button of the same kind that goes back and
// answers to cancel. Its id is the last of the project's screens.
Edit leadToNew(ScreenId from, ItemId button);
// Where one action stands.
struct ActionPlace {
  ScreenId screen;
  ItemId item;
  size_t at = 0;
};
// Of several at once, in one step; those that are gone are left out.
Edit changeActions(std::string name, std::vector<ActionPlace> places,
                   std::function<void(Action&)> change);
// How they come and go, in the same form both ways; none: as the screens themselves say.
Edit changeForms(std::vector<ActionPlace> places, std::optional<ScreenMotionForm> form);
Edit removeAction(ScreenId screen, ItemId button, size_t action);

}  // namespace bristle
