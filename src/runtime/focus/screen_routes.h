// The routes of one screen on one display: its buttons' hit areas, what a person pinned, closed or
// let wrap round, and the rest solved.
#pragma once
#include <vector>

#include "runtime/document/route_rule.h"
#include "runtime/focus/solver.h"
#include "runtime/layout/layout.h"

namespace bristle {

// A container whose content is longer than it.
struct RouteScroller {
  Box view;        // where it stands
  int outer = -1;  // the one that it is in; −1: the screen
};

// A cluster, with what there is of it on the display.
struct RouteCluster {
  std::vector<int> boxes;  // in its order; those of a container in document order
  Enter enter = Enter::Nearest;
  Leave leave = Leave::Open;
  // Where focus goes that leaves it, by Dir. Pinned to what is not there: `target` is −1.
  struct Exit {
    RouteType type = RouteType::Solved;
    int target = -1;   // a box; of a cluster its first
    int cluster = -1;  // where it leads to one, by index
  };
  std::array<Exit, 4> exits = {};
};

// A screen's focusable buttons, by index: `items[i]` is the place in Screen::items of box i. A
// session's has those that never have focus, too: nothing leads to them, nor from them.
struct ScreenRoutes {
  std::vector<int> items;
  std::vector<bool> aside;  // by box: it never has focus; empty: all may have it
  std::vector<int> boxOf;   // by item; −1 for what cannot have focus
  SolveInput input;
  SolveOutput output;
  // By box and direction: the route goes round the edge.
  std::vector<std::array<bool, 4>> wraps;
  // By box and direction: pinned to something that is not there, or cannot have focus.
  std::vector<std::array<bool, 4>> broken;
  // By box and direction: what was said of it, for the display and the language.
  std::vector<std::array<RouteType, 4>> said;
  std::vector<RouteCluster> clusters;        // as Screen::clusters
  std::vector<std::vector<int>> clustersOf;  // by box: those around it, from the inside out
  // By box and direction: the cluster that it leads to, by index; −1: none. The target is its
  // first.
  std::vector<std::array<int, 4>> toCluster;
  std::vector<RouteScroller> scrollers;  // from the outside in
  std::vector<int> scrollerOf;           // by box: the innermost that it is in; −1: none
  int flyOuts = 0;
  std::vector<int> flyOutOf;  // by box: the innermost that it is in; −1: none
  bool isAside(size_t box) const { return box < aside.size() && aside[box]; }
  // Whether at least half of a box can be seen in the scroller.
  bool seenIn(size_t box, int scroller) const;
};

// Whether buttons that cannot have focus are there: by themselves, or since they are hidden.
enum class Asides : std::uint8_t { LeftOut, Kept };

// Solves at once; about 4 ms for 1,000 buttons.
ScreenRoutes screenRoutes(const Screen& screen, const Layout& layout,
                          Asides asides = Asides::LeftOut);
// The same before anything is solved: nothing leads anywhere. solveScopes() makes the output
// (scopes.h).
ScreenRoutes unsolvedRoutes(const Screen& screen, const Layout& layout,
                            Asides asides = Asides::LeftOut);

// The box where focus starts: the screen's entry, else the first in reading order; −1 without any.
int entryBox(const Screen& screen, const ScreenRoutes& routes);

}  // namespace bristle
