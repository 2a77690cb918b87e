// Ready-made machines.
#pragma once
#include "core/document/machine.h"

namespace bristle {

enum class Wins : std::uint8_t { Hover, Focused };

// The five states normal, hover, pressed, focused, disabled, wired so that the state follows the
// signals: disabled, else pressed while down, else the one of hover and focused that wins, else
// the other, else normal. `activate` comes on release.
Machine menuButton(MachineId id, std::string name, Wins wins);

}  // namespace bristle
