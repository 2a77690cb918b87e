// What is told of routes, in words: why a box was chosen or not, and why a direction is empty.
#pragma once
#include <functional>
#include <string>

#include "runtime/focus/why.h"

namespace bristle {

using BoxName = std::function<std::string(int box)>;

// “straight ahead, 84 px”, “12 px on, 40 px aside, 63° off”.
std::string whereInWords(const RankedCandidate& candidate);
// “chosen”, “about as good”, “too far aside”, “behind Winch”, “Winch is better on each count”.
std::string verdictInWords(const RankedCandidate& candidate, const BoxName& name);
// “solved”, “pinned”, “stopgap: nothing lies within 45°”, “repair: so that all can be reached”.
std::string inWords(RouteReason reason);
std::string inWords(Emptiness emptiness);

}  // namespace bristle
