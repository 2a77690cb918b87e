// Edits of the states of a kind's machine, as the Shape bench needs them. A machine that several
// kinds share changes for all of them.
#pragma once
#include <string>

#include "core/edit/history.h"

namespace bristle {

// A state of the person's own, after the others, which looks like `like` at first (or like the
// base). It is entered by the message of its name and left by the message "NAME.over", so that it
// can be reached and left from the start.
Edit addState(KindId kind, std::string name, Role role, std::optional<StateId> like);
Edit renameState(KindId kind, StateId state, std::string name);
Edit setRole(KindId kind, StateId state, Role role);
// By −1 is one column to the left. The first state stays the one in which a screen opens.
Edit moveState(KindId kind, StateId state, int by);
// How all transitions into a state run: their duration (or the name of one) and easing.
Edit timeState(KindId kind, StateId state, Timing timing);
// How they run now: that of the first that leads there; the machine's own where none does.
Timing timingInto(const Machine& machine, const StateId& state);
// With its looks and the transitions from and to it. Refused for the first state, and for the last
// one of a role that the machine needs.
// Why a state cannot be removed; empty where it can.
std::string whyKept(const Machine& machine, const State& state);
Edit removeState(KindId kind, StateId state);

}  // namespace bristle
