// Which events hold something, and what ends them.
#pragma once
#include <vector>

#include "runtime/session/input.h"

namespace bristle {

// A key, a button or a finger goes down.
bool goesDown(const InputEvent& event);
// The event that ends one that went down.
InputEvent endOf(InputEvent down);
// Keeps the list of those that went down and are not yet up.
void noteHeld(std::vector<InputEvent>& held, const InputEvent& event);

}  // namespace bristle
