// What is wrong with how a screen lies on one display in one language: told on the items
// themselves.
#pragma once
#include <cstdint>
#include <functional>
#include <string>
#include <string_view>
#include <vector>

#include "runtime/layout/layout.h"

namespace bristle {

enum class PlaceFaultSort : std::uint8_t {
  CaptionCut,  // not all of it can be read, in some state
  TooSmall,    // a container that does not hold what is in it
  Outside,     // nothing of it is on the display
  Beyond,      // it reaches beyond the display
  Unsafe,      // a button that reaches out of the safe area
  Overlap,     // its hit area lies over that of another
  Blocked,     // a button that reaches where the display shows and feels nothing
  Unpinned,    // it stays where it was drawn, though the display has another shape
  Unlocked,    // it covers the whole display, and is picked by mistake
};
inline constexpr int kPlaceFaultSorts = static_cast<int>(PlaceFaultSort::Unlocked) + 1;

struct PlaceFault {
  PlaceFaultSort sort = PlaceFaultSort::CaptionCut;
  size_t item = 0;   // index of Screen::items
  size_t other = 0;  // Overlap: the one below it
  Px by = 0;         // how far; Overlap: of the smaller side that both share
  bool operator==(const PlaceFault&) const = default;
};

// Of what is shown, by item. `isCut` tells of a button whether its caption is, as only who knows
// the fonts can. Decor that is locked may reach beyond the display: backdrops do. Containers are
// told of once, by what reaches out of them the farthest.
std::vector<PlaceFault> placeFaults(const Project& project, const Screen& screen,
                                    const Layout& layout,
                                    const std::function<bool(size_t item)>& isCut);
// Worth knowing, but not wrong: all may be as it is meant.
inline bool isAdvice(PlaceFaultSort sort) {
  return sort == PlaceFaultSort::Unpinned;
}
// The rule that tells of it as a finding.
std::string_view ruleOf(PlaceFaultSort sort);
// In words, with its figure.
std::string inWords(const PlaceFault& fault, const Screen& screen);

}  // namespace bristle
