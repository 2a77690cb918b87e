// What is told of routes, in words: why a box was chosen or not, and why a direction is empty.
#pragma once
#include <functional>
#include <string>

#include "runtime/focus/screen_routes.h"
#include "runtime/focus/why.h"

namespace bristle {

using BoxName = std::function<std::string(int box)>;

// “straight ahead, 84 px”, “12 px on, 40 px aside, 63° off”.
std::string whereInWords(const RankedCandidate& candidate);
// “chosen”, “about as good”, “too far aside”, “behind Winch”, “Winch is better on each count”.
std::string verdictInWords(const RankedCandidate& candidate, const BoxName& name);
// Why a direction does not lead to a certain box, and what would change that: “12 px on, 20 px
// aside, 59° off: too far aside; with 8 px less aside it would lie within 45°”.
std::string whyNotInWords(const ScreenRoutes& routes, int box, Dir dir, int target,
                          const BoxName& name);
// “solved”, “pinned”, “stopgap: nothing lies within 45°”, “repair: so that all can be reached”.
std::string inWords(RouteReason reason);
// Why a direction leads where it leads, or nowhere.
std::string reasonInWords(const ScreenRoutes& routes, int box, Dir dir);
std::string inWords(Emptiness emptiness);

}  // namespace bristle
