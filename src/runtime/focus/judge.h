// Measures routes by definition: is anything the wrong way, jumped, missed, dominated, odd or
// unreachable, and how many moves come back. Plain and slow (every pair is looked at) on purpose:
// it shares nothing with the solver but the definitions, so that it can hold the solver to them.
#pragma once
#include <span>

#include "runtime/focus/solver.h"

namespace bristle {

// How strictly one looks: what counts as ahead, and as in the way.
struct Reading {
  bool byCentres = false;  // the 45° are measured between centres instead of the nearest points
  double blocks = 0.25;    // share of the smaller lateral extent that is in the way; 0: any, 1 px
};

// Moves that are marked as stopgaps or repairs are counted apart: of them only `stopgaps`,
// `repairs`, `wrongWay`, the steps and the reach tell.
struct Judgement {
  int moves = 0;       // directions that lead somewhere, as solved or pinned
  int stopgaps = 0;    // marked: nothing natural lies there
  int repairs = 0;     // marked: so that all can be reached
  int wrongWay = 0;    // the target's centre does not lie beyond
  int missed = 0;      // something lies in the cone, yet the direction is empty
  int jumped = 0;      // something in the strip ahead ends before the target begins
  int steep = 0;       // more than 45° off although something lies in the cone
  int dominated = 0;   // something in the cone is better on each count
  int odd = 0;         // clearly dearer than the best
  int empty = 0;       // leads nowhere although something begins beyond the edge
  int farPicks = 0;    // longer than twice the nearest admissible + 16 px
  int required = 0;    // directions with something in the cone
  int mutual = 0;      // moves that return by a move
  int mostMutual = 0;  // the most, if none were odd or dominated (maximum matching)
  int withMemory = 0;  // moves from whose target the way back would be admissible
  double reach = 1;    // share of ordered pairs that have a way
  double meanSteps = 0;
  int mostSteps = 0;
  double pairs() const { return mostMutual ? double(mutual) / mostMutual : 1; }
  double memoryShare() const { return moves ? double(withMemory) / moves : 1; }
  double oddShare() const { return moves ? double(odd) / moves : 0; }
  double farShare() const { return moves ? double(farPicks) / moves : 0; }
  int violations() const { return wrongWay + missed + jumped + steep + dominated; }
};

// Of all moves; takes time in the square of the boxes, or more.
Judgement judge(std::span<const Box> boxes, const Routes& routes, const Reading& reading = {});

}  // namespace bristle
