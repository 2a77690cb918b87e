// How good the routes of a screen are on one display in one language, in figures, each with the
// moves that it counts.
#pragma once
#include <atomic>
#include <vector>

#include "runtime/focus/screen_routes.h"

namespace bristle {

// A direction of a box.
struct RouteMove {
  int box;
  Dir dir;
  bool operator==(const RouteMove&) const = default;
};

// Steps from a box to others, by the directions alone.
struct Steps {
  double mean = 0;
  int most = 0;
};

struct RouteQuality {
  int buttons = 0;
  int moves = 0;                    // directions that lead somewhere
  std::vector<int> unreachable;     // boxes that focus cannot come to from where it starts
  std::vector<int> traps;           // boxes from which it cannot come back there
  std::vector<RouteMove> oneWay;    // the opposite direction does not lead back
  std::vector<RouteMove> noMemory;  // not in a session either: somebody said otherwise
  std::vector<RouteMove> jumps;     // something in the strip ahead is jumped over
  std::vector<RouteMove> steep;     // more than 45° off, or not that way at all
  std::vector<RouteMove> dear;      // something else is clearly nearer, or better on each count
  std::vector<RouteMove> stopgaps, repairs;
  std::vector<RouteMove> empty;  // leads nowhere, though something lies that way
  std::vector<int> stepsTo;      // by box, from where focus starts; −1: there is no way
  Steps fromEntry, between;      // between: over all ordered pairs that have a way
  // The least that is possible with so many buttons and four directions each.
  Steps least;

  // 0–1 of the moves.
  double returning() const { return share(oneWay); }
  double returningWithMemory() const { return share(noMemory); }
  bool sound() const { return unreachable.empty() && traps.empty(); }

 private:
  double share(const std::vector<RouteMove>& without) const {
    return moves ? 1 - double(without.size()) / moves : 1;
  }
};

// Takes time in the square of the boxes. Once `stop` is set it comes back soon, with whatever there
// is.
RouteQuality routeQuality(const Screen& screen, const Layout& layout, const ScreenRoutes& routes,
                          const std::atomic<bool>* stop = nullptr);

// The moves that lead elsewhere on another display, or in another language, of the same screen: by
// `routes`. A button that is not there counts as leading nowhere.
std::vector<RouteMove> changedMoves(const ScreenRoutes& routes, const ScreenRoutes& other);

}  // namespace bristle
