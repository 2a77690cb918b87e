// Which sign a prompt shows.
#pragma once
#include <optional>

#include "runtime/document/project.h"
#include "runtime/session/input.h"

namespace bristle {

// The sign that does it on that screen: a controller's where one was used last, else a key; nothing
// for a finger, and where none is bound.
std::optional<Sign> promptSign(const Project& project, const Screen* screen, const Prompt& prompt,
                               Device device);

}  // namespace bristle
