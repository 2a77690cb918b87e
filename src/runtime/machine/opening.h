// What a button looks like when its screen opens, before anything has happened.
#pragma once
#include "runtime/document/project.h"
#include "runtime/machine/program.h"

namespace bristle {

// Whether it is current on that screen with all values at their start.
bool startsCurrent(const Project& project, const ButtonData& button, const ScreenId& on);

// The state that a machine opens in, as the session has it: told what is so, without moving. The
// machine's first where it does not compile. The same for all buttons of which the same is so.
StateIndex openingState(const Project& project, const Machine& machine, bool enabled, bool current);

}  // namespace bristle
