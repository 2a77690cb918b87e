// A stick or a D-pad's axes to directions: a round dead zone with hysteresis and four sectors with
// hysteresis, so that a shaky thumb neither flickers nor slips sideways.
#pragma once
#include <optional>

#include "runtime/document/route_rule.h"

namespace bristle {

class Stick {
 public:
  static constexpr double kLeaves = 0.5;    // leaves rest beyond this much deflection, 0–1
  static constexpr double kReturns = 0.35;  // is at rest again below this
  static constexpr double kHolds = 10;      // degrees beyond its sector that a direction holds
  // Deflection −1…1, y downwards. The direction now held; nothing at rest.
  std::optional<Dir> update(double x, double y);
  std::optional<Dir> held() const { return held_; }

 private:
  std::optional<Dir> held_;
};

}  // namespace bristle
