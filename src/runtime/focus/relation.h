// How one box lies to another, seen along one direction. All of the solver's geometry is here.
#pragma once
#include <algorithm>
#include <cmath>

#include "runtime/focus/solver.h"

namespace bristle {

namespace tuning {
// The target's centre must lie this far beyond the source's, px; less is not a direction.
inline constexpr double kProgress = 0.5;
// Boxes that overlap by up to this much along the direction still count as apart, px.
inline constexpr double kTouch = 1.0;
// What covers at least this share of the smaller lateral extent stands in the way.
inline constexpr double kBlocks = 0.25;
// A pixel to the side counts as much as this many ahead: the eye follows rows and columns.
inline constexpr double kSide = 2.0;
// Centres that lie apart laterally count this much; it prefers the straight one of equals.
inline constexpr double kOffCentre = 0.15;
// What costs more than this many times the least, and so many px, would make a person wonder.
inline constexpr double kDearer = 1.25, kDearerBy = 16;
// What is farther on each count, and by more than this in sum, px, is never right.
inline constexpr double kDominates = 16;
}  // namespace tuning

// A box turned so that the direction runs towards larger `near`/`far`.
struct Facing {
  double near, far;  // its edges along the direction
  double lo, hi;     // its edges across it
  double centre() const { return (near + far) / 2; }
  double middle() const { return (lo + hi) / 2; }
};

// The box as a move in `dir` sees it: edges along and across, growing ahead.
inline Facing face(const Box& b, Dir dir) {
  switch (dir) {
    case Dir::Right:
      return {b.x, b.x + b.w, b.y, b.y + b.h};
    case Dir::Left:
      return {-(b.x + b.w), -b.x, b.y, b.y + b.h};
    case Dir::Down:
      return {b.y, b.y + b.h, b.x, b.x + b.w};
    case Dir::Up:
      return {-(b.y + b.h), -b.y, b.x, b.x + b.w};
  }
  return {};
}

struct Relation {
  double gap;      // along, between the facing edges; below 0 where they overlap along
  double lateral;  // across, between the projections; 0 where these overlap
  double overlap;  // of the projections across; below 0 where there is none
  bool progress;   // the centre lies beyond
  bool inCone;     // with progress, and at most 45° off
  bool ahead;      // in the cone, and in the strip ahead
  bool blocks;     // ahead, and covers enough of the strip to stand in the way
  // It begins where the source ends, or later, at any angle.
  bool beyond() const { return progress && gap >= -tuning::kTouch; }
};

// How b lies to a for a move from a.
inline Relation relate(const Facing& a, const Facing& b) {
  Relation r{};
  r.progress = b.centre() > a.centre() + tuning::kProgress;
  r.gap = b.near - a.far;
  r.overlap = std::min(a.hi, b.hi) - std::max(a.lo, b.lo);
  r.lateral = std::max(0.0, -r.overlap);
  if (!r.progress) return r;
  if (r.overlap > 0) {
    const double along = std::min(a.far, b.far) - std::max(a.near, b.near);
    r.inCone = r.gap >= -tuning::kTouch || along <= r.overlap;
    r.ahead = r.inCone;
    const double smaller = std::min(a.hi - a.lo, b.hi - b.lo);
    r.blocks = r.inCone && r.overlap >= std::max(1.0, tuning::kBlocks * smaller);
  } else {
    r.inCone = r.gap >= 0 && r.lateral <= r.gap;
  }
  return r;
}

// What a move is weighed by, px each.
struct Terms {
  double along = 0;      // between the facing edges, along the direction; 0 where they overlap
  double aside = 0;      // between the projections
  double offCentre = 0;  // between the middles, across the direction
  double cost() const { return along + tuning::kSide * aside + tuning::kOffCentre * offCentre; }
};

inline Terms termsOf(const Facing& a, const Facing& b, const Relation& r) {
  return {std::max(0.0, r.gap), r.lateral, std::abs(a.middle() - b.middle())};
}

// Whether no term of `a` is greater, and all of them together clearly less.
inline bool dominates(const Terms& a, const Terms& b) {
  return a.along <= b.along && a.aside <= b.aside && a.offCentre <= b.offCentre &&
         a.along + a.aside + a.offCentre + tuning::kDominates < b.along + b.aside + b.offCentre;
}

// The most that a move may cost where the least is `least`.
inline double mostNatural(double least) {
  return tuning::kDearer * least + tuning::kDearerBy;
}

}  // namespace bristle
