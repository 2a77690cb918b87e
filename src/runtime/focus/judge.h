// Measures routes by definition: is anything the wrong way, jumped, missed, unreachable, and how
// many moves come back. Plain and slow (every pair is looked at) on purpose: it shares nothing with
// the solver but the definitions, so that it can hold the solver to them.
#pragma once
#include <span>

#include "runtime/focus/solver.h"

namespace bristle {

struct Judgement {
  int moves = 0;         // directions that lead somewhere
  int wrongWay = 0;      // the target's centre does not lie beyond
  int missed = 0;        // something lies in the cone, yet the direction is empty
  int jumped = 0;        // something in the strip ahead ends before the target begins
  int steep = 0;         // more than 45° off although something lies in the cone
  int steepRepairs = 0;  // more than 45° off, where nothing lies in the cone
  int empty = 0;         // leads nowhere although something lies beyond at some angle
  int farPicks = 0;      // longer than twice the nearest admissible + 16 px
  int required = 0;      // directions with something in the cone
  int mutual = 0;        // required moves that return by a required move
  int mostMutual = 0;    // the most that any admissible routes could have (maximum matching)
  int withMemory = 0;    // required moves from whose target the way back would be admissible
  double reach = 1;      // share of ordered pairs that have a way
  double meanSteps = 0;
  int mostSteps = 0;
  double thereAndBack() const { return mostMutual ? double(mutual) / mostMutual : 1; }
  double memoryShare() const { return required ? double(withMemory) / required : 1; }
  double farShare() const { return moves ? double(farPicks) / moves : 0; }
};

// Of all moves; takes time in the square of the boxes.
Judgement judge(std::span<const Box> boxes, const Routes& routes);

}  // namespace bristle
