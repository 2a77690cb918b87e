// A layout brought up to date where only single items changed.
#pragma once
#include <optional>

#include "core/derive/shown_screen.h"
#include "runtime/layout/layout.h"

namespace bristle {

class TextMeasure;

// What layOut gives for `now`, from what it gave for `before`, in the time of a copy; nothing where
// more has changed than some items that stand on the screen itself, are no containers, and from
// which nothing flies out.
std::optional<Layout> layOutAgain(const ShownScreen& before, const Layout& laid,
                                  const ShownScreen& now, const TextMeasure& measure);

}  // namespace bristle
