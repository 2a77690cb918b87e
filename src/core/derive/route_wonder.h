// The moves of a screen that a person would most likely wonder about, and what would mend each.
#pragma once
#include <string>
#include <vector>

#include "core/derive/route_quality.h"
#include "core/edit/history.h"

namespace bristle {

struct Wonder {
  RouteMove move;
  double weight = 0;        // more is worse; only for comparing
  std::string why;          // “behind Winch”, “63° off: nothing natural lies that way”
  std::vector<Edit> mends;  // each would mend it; its name says what it does
};

// The worst first; none on a screen where every move leads where one expects. In this order: what
// jumps over something, what is steep, what has a clearly better one beside it, repairs, stopgaps.
// `quality` is routeQuality()'s of the same. At most `most`.
std::vector<Wonder> routeWonders(const Screen& screen, const Layout& layout,
                                 const ScreenRoutes& routes, const RouteQuality& quality,
                                 size_t most = 50);

}  // namespace bristle
