// Carries chosen aspects of a finished kind over to others.
#pragma once
#include <set>
#include <string>
#include <vector>

#include "core/edit/kind_edits.h"

namespace bristle {

struct Aspects {
  std::set<PartId> parts;  // of the source: with all their values; by name where the target has one
  bool departures = true;  // of those parts and of the whole: what the states change
  bool size = false;       // of the box
  bool hitArea = false;
  bool timing = false;   // how long transitions take and how they ease
  bool machine = false;  // states and transitions; the targets share the source's machine then
  bool sounds = false;   // what transitions play
};

// A kind on the shelf, or a panel or picture on a screen, which becomes a button first.
struct CarryTarget {
  KindId kind;
  ScreenId screen = {};
  ItemId item = {};
  bool operator==(const CarryTarget&) const = default;
};

// All targets in one step. States are matched by id, then by role, then by name; what a target has
// no state for is left out.
Edit carryOver(KindId from, Aspects aspects, std::vector<CarryTarget> targets);

}  // namespace bristle
