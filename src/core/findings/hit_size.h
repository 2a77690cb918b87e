// How large the area is that hits a button, and whether that is enough (WCAG 2.2 §2.5.8): the one
// rule that findings, cards and canvases go by.
#pragma once
#include <algorithm>

#include "runtime/document/project.h"

namespace bristle {

// px before the display's scale.
struct HitExtent {
  Px w = 0, h = 0;
  Px smaller() const { return std::min(w, h); }
};

// Of a button in its kind's own size; of other forms than boxes the box that they lie in.
inline HitExtent hitExtent(const Kind& kind) {
  const Px grown = kind.hitForm == HitForm::Box ? 2 * kind.hitPadding : 0;
  return {kind.width + grown, kind.height + grown};
}

// By the project's own limit.
inline bool isTooSmallToHit(const HitExtent& area, const Settings& settings) {
  return area.smaller() < settings.leastHit;
}

}  // namespace bristle
