// Hit areas that lie over one another: the one rule that findings and marks on the canvas go by.
#pragma once
#include <atomic>
#include <vector>

#include "runtime/layout/layout.h"

namespace bristle {

struct Overlap {
  size_t left = 0, right = 0;  // indices of Screen::items, by where the areas begin
  Px by = 0;                   // the smaller side of what both cover, > 0
};
// Of all buttons that are shown, by what can be hit of them. Areas of other forms than boxes are
// left out: their boxes may overlap where they do not. Comes back early once `stop` is set.
std::vector<Overlap> overlapsOf(const Project& project, const Screen& screen, const Layout& layout,
                                const std::atomic<bool>* stop = nullptr);
// Those that do not overlap and are less than `gap` px apart, corner to corner where they lie aside
// of one another; `by` is how far, 0 where they touch.
std::vector<Overlap> nearOnes(const Project& project, const Screen& screen, const Layout& layout,
                              Px gap, const std::atomic<bool>* stop = nullptr);

}  // namespace bristle
