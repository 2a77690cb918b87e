// What keys and controller buttons do: everywhere, or on one screen (an empty id means everywhere).
#pragma once
#include <functional>
#include <string>
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// The keys, or the controller buttons, that do this are these. What they do besides, they go on
// doing: two things at once are told by the findings. Refused where one of them cannot be bound.
Edit bind(ScreenId where, Sign::Of of, Does does, ShortcutId shortcut, std::vector<Sign> signs);
// The sign does this alone there.
Edit bindOnly(ScreenId where, Binding binding);
// Everywhere as it was at first; a screen has none of its own.
Edit bindAsAtFirst(ScreenId where);

Edit addShortcut(std::string name);
// `mergeKey`: as of Edit.
Edit changeShortcut(ShortcutId id, std::string name, std::string mergeKey,
                    std::function<void(Shortcut&)> change);
// With its bindings; no button answers to it any more.
Edit removeShortcut(ShortcutId id);

}  // namespace bristle
