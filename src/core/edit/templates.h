// Ready-made machines. All keep the ten laws with looks that can be told apart.
#pragma once
#include <span>

#include "runtime/document/machine.h"

namespace bristle {

// The five states normal, hover, pressed, focused, disabled, wired so that the state follows the
// signals: disabled, else pressed while down, else the one of hover and focused that wins, else
// the other, else normal. `activate` comes on release.
Machine menuButton(MachineId id, std::string name, Wins wins);

enum class Template : std::uint8_t {
  MenuButton,
  BothAtOnce,  // a menu button with a state of its own for hover and focus at once
  OnPress,
  HoldToConfirm,    // activates after the hold time, then shows `done` until let go
  RepeatWhileHeld,  // activates on press and again and again
  Toggle,           // two halves, off and on; each activation changes the half
  BarEntry,         // two halves; which one follows from whether it is current
  Tab,              // two halves; the one that was used is current until another one is
  FlashAndReturn,   // shows `flash` for a moment after it was used
};
// In the order in which they are offered.
std::span<const Template> allTemplates();
// "menu button", "hold to confirm" …
std::string_view nameOf(Template which);
// What it does, in one sentence.
std::string_view meaningOf(Template which);
Machine fromTemplate(Template which, MachineId id, std::string name, Wins wins);

}  // namespace bristle
