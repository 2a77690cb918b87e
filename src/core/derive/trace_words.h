// What happened in a rehearsal in plain words, and why.
#pragma once
#include <string>

#include "runtime/session/input.h"
#include "runtime/session/trace.h"

namespace bristle {

// What a device or the host did: “right, controller”, “accept let go, keyboard”, “press at Winch,
// mouse”.
std::string inWords(const InputEvent& event, const Project& project);
// “Echo ear: focused → pressed”, “fires Echo ear”, “focus Keep diving → Surface now”.
std::string inWords(const TraceEntry& entry, const Project& project);
// “by press, own transition 2, only if @crew > 3”, “right: solved”; empty: nothing is to be said.
std::string whyInWords(const TraceEntry& entry, const Project& project);

// The machine's transition that a State entry tells of; null: it is gone, or the entry is another.
const Transition* transitionOf(const TraceEntry& entry, const Project& project);
// The button that an entry is about; null: none, or it is gone.
const Item* itemOf(const TraceEntry& entry, const Project& project);

}  // namespace bristle
