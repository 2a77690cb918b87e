// The ways of routes as they are drawn: from the side of one box to the side of another, bent round
// the boxes between, and apart from each other where they arrive.
#pragma once
#include <span>
#include <vector>

#include "runtime/document/box.h"
#include "runtime/document/route_rule.h"

namespace bristle {

struct StrokeSpot {
  Px x = 0, y = 0;
  bool operator==(const StrokeSpot&) const = default;
};

// Where a direction points, of length 1; y runs down.
StrokeSpot unitOf(Dir dir);

// A route to be drawn: by index into the boxes, which may be the same ones.
struct RouteEnds {
  int from = 0;
  Dir dir = Dir::Down;
  int to = 0;
  bool bends = true;  // else a plain curve, whatever it crosses
};

// Where a stroke goes: the first spot is on the side of `from` that lies in the route's direction,
// the last on a side of `to`; `leaves` and `arrives` are the ways in which it does, of length 1.
// Two spots where nothing lies between: a plain curve from one to the other. Otherwise straight
// pieces from spot to spot cross no other box.
struct StrokeWay {
  std::vector<StrokeSpot> spots;
  StrokeSpot leaves, arrives;
  Px round = 0;  // how far from a spot between the stroke begins to turn there
};

// One for each route, in the pixels of the boxes, of which the first `obstacles` are gone round:
// `away` px from them (4–40), further where several do, nearer in narrow lanes. What overlaps one
// of the route's own boxes is no obstacle. Where there is no way round, the plain curve. The order
// of the routes does not matter. Takes time in the obstacles for each route, and more for each that
// has to bend.
std::vector<StrokeWay> strokeWays(std::span<const Box> boxes, size_t obstacles,
                                  std::span<const RouteEnds> routes, Px away);

// Spots along a stroke, evenly in its parameter, from its first to its last: the curve itself where
// there are but two, else one that goes smoothly through all. At least `count`.
std::vector<StrokeSpot> alongStroke(const StrokeWay& way, int count);

}  // namespace bristle
