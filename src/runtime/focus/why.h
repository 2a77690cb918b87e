// Why a direction leads where it leads: all boxes that lie that way, ranked, with the terms.
#pragma once
#include <span>
#include <vector>

#include "runtime/focus/relation.h"
#include "runtime/focus/solver.h"

namespace bristle {

// The best first.
enum class Verdict : std::uint8_t {
  Chosen,     // it is the route
  Natural,    // about as good: would have been right, too
  Dearer,     // nothing is wrong with it, but another costs clearly less
  Dominated,  // another is better on each count
  Behind,     // something in the strip ahead ends before it begins
  Aside,      // more than 45° off
  Beside,     // it lies beyond, but begins before the source ends
  WrongWay,   // it does not lie beyond
};

struct RankedCandidate {
  int target = -1;
  Verdict verdict = Verdict::Natural;
  // Dearer: the cheapest; Dominated: a better one; Behind: the first that is in the way; −1: none.
  int because = -1;
  bool ahead = false;    // in the strip ahead
  bool returns = false;  // the routes lead back from there
  double gap = 0;        // px along the direction, between the facing edges; below 0: they overlap
  Terms terms;
  double angle = 0;  // degrees off the direction, 0–90; 180 the wrong way
  double cost = 0;   // px, the sum that ranks
};

// All that lies that way, the best first; at most `most`. `input` and `routes` are solve()'s.
std::vector<RankedCandidate> rank(const SolveInput& input, const Routes& routes, int box, Dir dir,
                                  size_t most = 8);

// The same of any one box, wherever it lies.
RankedCandidate whyNot(const SolveInput& input, const Routes& routes, int box, Dir dir, int target);

// What would be said of a box if it were not the route: never Chosen.
Verdict merit(const SolveInput& input, int box, Dir dir, int target);

// Why nothing is solved for a direction.
enum class Emptiness : std::uint8_t {
  Closed,   // a person said so
  Nothing,  // nothing lies there
  Beside,   // what lies there begins before the box ends
};
// Of a direction that leads nowhere.
Emptiness whyEmpty(const SolveInput& input, int box, Dir dir);

// Whether a route from `box` to `target` would be right: in the cone, and nothing jumped.
bool admissible(const SolveInput& input, int box, Dir dir, int target);

}  // namespace bristle
