// Keys of the window as the signs that a project binds.
#pragma once
#include <optional>

#include "runtime/document/binding.h"

class QKeyEvent;

namespace bristle {

// Nothing for keys that cannot be bound: arrows, Tab, modifiers alone.
std::optional<Sign> signOf(const QKeyEvent& event);

}  // namespace bristle
