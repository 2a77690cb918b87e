// The focus solver: for any boxes, where each of the four directions leads from each of them.
//
//   SolveInput input;
//   input.boxes = {{0, 0, 100, 40}, {0, 60, 100, 40}};
//   const SolveOutput out = solve(input);
//   out.routes[0][size_t(Dir::Down)].target == 1
//
// Rules, in this order: never the wrong way; nothing in the strip ahead is jumped; the most pairs
// that return (a maximum matching over what is admissible); aligned before near, wherever that does
// not cost a pair; every box
// reachable from every other, repaired with few changes where the choice left some out. The result
// depends on the geometry alone, not on the order of the boxes. Boxes with equal centres cannot be
// told apart by direction and keep what the repair finds.
#pragma once
#include <array>
#include <cstdint>
#include <string>
#include <vector>

#include "runtime/document/basics.h"
#include "runtime/document/box.h"
#include "runtime/document/route_rule.h"

namespace bristle {

// What a person said about one direction of one box.
struct SlotRule {
  enum Type : std::uint8_t { Free, Closed, Fixed } type = Free;
  int target = -1;  // Fixed: index of the box
};

struct SolveInput {
  std::vector<Box> boxes;
  std::vector<std::string> names;  // break the very last ties, between equal boxes; may be empty
  std::vector<std::array<SlotRule, 4>> rules;  // may be empty: all free
  bool rightToLeft = false;                    // ties go to the right instead of the left
};

enum class RouteReason : std::uint8_t { None, Solved, Fixed, Repair };

struct Route {
  int target = -1;  // −1: leads nowhere
  RouteReason reason = RouteReason::None;
  bool returns = false;  // the opposite direction at the target leads back
  bool operator==(const Route&) const = default;
};

using Routes = std::vector<std::array<Route, 4>>;

struct SolveOutput {
  Routes routes;
  int repairs = 0;
  bool allReached = true;  // every box from every other
};

// The same for the same layout, whatever the order of its boxes. Its steps: docs/architecture.md.
SolveOutput solve(const SolveInput& input);

}  // namespace bristle
