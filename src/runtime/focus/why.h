// Why a direction leads where it leads: all boxes that lie that way, ranked, with the terms.
#pragma once
#include <span>
#include <vector>

#include "runtime/focus/solver.h"

namespace bristle {

enum class Verdict : std::uint8_t {
  Chosen,      // it is the route
  Admissible,  // could have been chosen
  Behind,      // something in the strip ahead ends before it begins
  Aside,       // more than 45° off
};

struct RankedCandidate {
  int target = -1;
  Verdict verdict = Verdict::Admissible;
  bool ahead = false;    // in the strip ahead
  bool returns = false;  // the routes lead back from there
  double gap = 0;        // px along the direction, between the facing edges
  double lateral = 0;    // px to the side, between the projections
  double angle = 0;      // degrees off the direction, 0–90
  double effort = 0;     // px, the sum that ranks: gap + 2 × lateral + 0.2 × off centre
};

// The best first; at most `most`. `input` and `routes` are solve()'s.
std::vector<RankedCandidate> rank(const SolveInput& input, const Routes& routes, int box, Dir dir,
                                  size_t most = 8);

// Whether a route from `box` to `target` would be right: in the cone, and nothing jumped.
bool admissible(const SolveInput& input, int box, Dir dir, int target);

}  // namespace bristle
