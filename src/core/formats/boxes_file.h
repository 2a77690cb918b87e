// Boxes, the plain exchange for solving any layout:
//   {"size":[w,h],"boxes":[{"id":"a","x":0,"y":0,"w":10,"h":10}],"entry":"a"}   in,
//   {"routes":{"a":{"up":null,"down":"b","left":null,"right":"c"}},
//    "reasons":{"a":{"up":"nothing","down":"solved","left":"beside","right":"repair"}}}  out.
// Reasons: solved; pinned; repair, where nothing natural lies there or so that all can be reached;
// of what leads nowhere: closed; nothing, if nothing lies there; beside, if what lies there begins
// before the box ends. Of a screen with clusters that are one stop: "stops", by their ids, as
// "routes".
#pragma once
#include <array>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/focus/screen_routes.h"

namespace bristle {

struct BoxesFile {
  SolveInput input;  // `names` are the ids
  std::string entry;
  double width = 0, height = 0;  // of what the boxes lie on; 0: not said
};

// Sizes must be above 0 (of all, up to 16384), all numbers within ±10,000,000, ids unique.
Result<BoxesFile> parseBoxes(std::string_view text);
// The other way round: parseBoxes reads what it writes. What was said of routes is not in it.
std::string writeBoxes(const BoxesFile& file);
// A cluster that is one stop, and where the directions lead from it as a whole.
struct StopRoutes {
  std::string id;
  std::array<Route, 4> routes;  // by Dir
};
// Those of a screen that have buttons.
std::vector<StopRoutes> stopsOf(const Screen& screen, const ScreenRoutes& routes);
std::string writeRoutes(const SolveInput& input, const Routes& routes,
                        const std::vector<StopRoutes>& stops = {});
// The word above.
std::string_view reasonOf(const SolveInput& input, const Routes& routes, int box, Dir dir);

}  // namespace bristle
