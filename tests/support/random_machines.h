// Machines and what happens to them, drawn from a seed.
#pragma once
#include "core/laws/check.h"
#include "runtime/machine/interpreter.h"
#include "support/layouts.h"

namespace bristle::test {

std::string randomGuard(Dice& dice);
Transition randomTransition(Dice& dice, const Machine& machine);
// Two to five states with all sorts of transitions; with `zeroTimes` some `after` take no time.
Machine randomMachine(Dice& dice, bool zeroTimes);
// What can happen next: keys press only what has focus.
LawStep randomStep(Dice& dice, const Running& run, const Ready& ready, Ms at);

}  // namespace bristle::test
