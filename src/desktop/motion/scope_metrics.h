// Where things stand on the scope, px, and what its keys do, ms.
#pragma once
#include "runtime/document/basics.h"

namespace bristle::scope {

inline constexpr double kNames = 92, kRight = 22, kRuler = 18, kLane = 19, kLeastLane = 13;
inline constexpr double kStates = 24, kEdge = 5;
inline constexpr int kFewRows = 6;  // beyond, rows are lower
inline constexpr Ms kStep = 20, kBigStep = 100, kNewStretch = 200;

}  // namespace bristle::scope
