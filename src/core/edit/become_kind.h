// Placed buttons that become buttons of another kind.
#pragma once
#include <vector>

#include "core/edit/history.h"

namespace bristle {

// Captions, names, targets and routes stay. What a button had of its own stays where the kind has a
// part of that name and sort, and its machine that state; the rest goes.
Edit becomeKind(ScreenId screen, std::vector<ItemId> buttons, KindId kind);

// How many own values of these buttons would go.
size_t ownValuesLost(const Project& project, const Screen& screen,
                     const std::vector<ItemId>& buttons, const KindId& kind);

}  // namespace bristle
