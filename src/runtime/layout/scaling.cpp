#include "runtime/layout/scaling.h"

#include <algorithm>
#include <cmath>

namespace bristle {

const Display& drawnOn(const Project& project, const Screen& screen) {
  const Display* display = find(project, screen.drawnOn);
  return display ? *display : project.displays.front();
}

double scaleOf(const Project& project, const Screen& screen, const Place& place,
               const Display& display) {
  const Scaling how = place.scaling.value_or(screen.scaling);
  const Display& from = drawnOn(project, screen);
  const double wider = display.layoutWidth() / from.layoutWidth();
  const double higher = display.layoutHeight() / from.layoutHeight();
  switch (how) {
    case Scaling::None:
      return 1;
    case Scaling::Width:
      return wider;
    case Scaling::Height:
      return higher;
    case Scaling::Smaller:
      return std::min(wider, higher);
    case Scaling::Greater:
      return std::max(wider, higher);
  }
  return 1;
}

Box roomFor(const Place& place, const Display& display) {
  Box room{0, 0, display.layoutWidth(), display.layoutHeight()};
  if (place.safe) room = display.safeArea();
  room.w = std::max(room.w, 1.0);
  room.h = std::max(room.h, 1.0);
  return room;
}

Unpinned unpinned(const Project& project, const Screen& screen, const Place& place,
                  const Display& display) {
  constexpr Px kSame = 1;  // what rounding of scales may make
  const Display& from = drawnOn(project, screen);
  const double scale = scaleOf(project, screen, place, display);
  const auto differs = [&](Px here, Px there) { return std::abs(here / scale - there) > kSame; };
  return {place.x.pin == Pin::None && differs(display.layoutWidth(), from.layoutWidth()),
          place.y.pin == Pin::None && differs(display.layoutHeight(), from.layoutHeight())};
}

}  // namespace bristle
