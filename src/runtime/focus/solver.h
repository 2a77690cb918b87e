// The focus solver: for any boxes, where each of the four directions leads from each of them.
//
//   SolveInput input;
//   input.boxes = {{0, 0, 100, 40}, {0, 60, 100, 40}};
//   const SolveOutput out = solve(input);
//   out.routes[0][size_t(Dir::Down)].target == 1
//
// Rules, in this order: never the wrong way, and nothing in the strip ahead is jumped; natural: no
// pick is dominated or clearly dearer than the best (relation.h has the figures); of what is
// natural the most pairs that return (a maximum matching), else the cheapest; where nothing lies
// within 45°, a stopgap: the cheapest of what begins beyond the edge; every box reachable from
// every other, repaired with few changes where the choice left some out. The result depends on the
// geometry alone, not on the order of the boxes. Boxes with equal centres cannot be told apart by
// direction and keep what the repair finds.
#pragma once
#include <array>
#include <cstdint>
#include <memory>
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
  bool operator==(const SlotRule&) const = default;
};

struct SolveInput {
  std::vector<Box> boxes;
  std::vector<std::string> names;  // break the very last ties, between equal boxes; may be empty
  std::vector<std::array<SlotRule, 4>> rules;  // may be empty: all free
  bool rightToLeft = false;                    // ties go to the right instead of the left
};

enum class RouteReason : std::uint8_t {
  None,     // leads nowhere
  Solved,   // a natural pick, within 45°
  Fixed,    // a person said so
  Stopgap,  // nothing natural lies there: the cheapest of what else there is
  Repair,   // so that every box can be reached
};

struct Route {
  int target = -1;  // −1: leads nowhere
  RouteReason reason = RouteReason::None;
  bool returns = false;  // the opposite direction at the target leads back
  bool operator==(const Route&) const = default;
};

using Routes = std::vector<std::array<Route, 4>>;

struct SolveOutput {
  Routes routes;
  Routes stops;  // of clusters that are one stop (screen_routes.h); solve() leaves it empty
  int repairs = 0;
  bool allReached = true;  // every box from every other
  bool operator==(const SolveOutput&) const = default;
};

// The same for the same layout, whatever the order of its boxes. Its steps: docs/architecture.md.
SolveOutput solve(const SolveInput& input);

// Solves one layout after another. Where few boxes have moved since the last, only what they touch
// is done again; the result is solve()'s.
class FocusSolver {
 public:
  FocusSolver();
  FocusSolver(FocusSolver&&) noexcept;
  FocusSolver& operator=(FocusSolver&&) noexcept;
  ~FocusSolver();

  const SolveOutput& solve(const SolveInput& input);
  // Whether the last one was brought up to date, and not done from the beginning.
  bool broughtUpToDate() const;

 private:
  class State;
  std::unique_ptr<State> state_;
};

}  // namespace bristle
