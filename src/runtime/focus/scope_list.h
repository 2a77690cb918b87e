// What of a screen is solved together, and as what: for scopes.h alone.
#pragma once
#include <array>
#include <vector>

#include "runtime/focus/screen_routes.h"

namespace bristle {

// What is solved together.
struct Scope {
  std::vector<int> all;      // every box in it, seen or not
  std::vector<int> entries;  // boxes; and, beyond their number, clusters that are one stop in it
  int cluster = -1;          // whose it is
};

// From the inside out: scrollers and clusters by how much is in them, fly-outs, last the screen.
std::vector<Scope> scopesOf(const ScreenRoutes& routes);
// Whether all of a screen is one scope.
bool isWhole(const ScreenRoutes& routes);
// What an entry stands for: itself, or the first of a stop.
int boxAt(const ScreenRoutes& routes, int entry);
// Which stop an entry is, by cluster; below 0: it is a box.
inline int stopAt(const ScreenRoutes& routes, int entry) {
  return entry - static_cast<int>(routes.items.size());
}
// By box: its entry, or the one of the stop that it is in; −1: it is not in the scope.
std::vector<int> placesIn(const ScreenRoutes& routes, const Scope& scope);
// What was said counts there, too; a pin that leads out of the scope is closed: it is put in when
// all are solved.
SolveInput inputOf(const ScreenRoutes& routes, const Scope& scope, const std::vector<int>& place);
// What the exits of a single stop come to.
std::array<SlotRule, 4> rulesOf(const RouteCluster& stop);

}  // namespace bristle
