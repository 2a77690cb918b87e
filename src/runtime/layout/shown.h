// What of a screen is there at the moment: items are shown and hidden while a menu runs.
#pragma once
#include <vector>

#include "runtime/layout/layout.h"

namespace bristle {

// `gone` is by item: those that are not there themselves; what is in them is not there, either.
// They keep their room. What scrollers hold is measured anew. False where all is so already.
bool show(Layout& layout, const Screen& screen, const std::vector<bool>& gone);

// What is hidden by itself as a screen opens: what says so, and of each set of panels all but the
// first that does not. Panels among `instead`, by index, are the ones of their sets that are there.
std::vector<bool> goneAtFirst(const Screen& screen, const std::vector<size_t>& instead = {});

}  // namespace bristle
