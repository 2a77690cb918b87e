// Scrollers: how far their content is moved, and how the view follows focus.
#pragma once
#include <span>

#include "runtime/document/box.h"
#include "runtime/layout/layout.h"

namespace bristle {

struct Screen;

// How far the content of one can be moved, layout px.
Px mostScrolled(const Scroller& scroller);

// How long the content of each is, by what of it is shown; nothing must be moved yet.
void measureContent(Layout& layout, const Screen& screen);

// Moves what scrollers hold. `offsets` is as long as Layout::scrollers, in layout px; what is more
// than can be moved counts as that. False where that is how it lies already.
bool scroll(Layout& layout, std::span<const Px> offsets);
std::vector<Px> offsetsOf(const Layout& layout);

// The offsets that show an item by the way in which each scroller around it follows focus; the
// others stay. Padding is kept free at both ends.
std::vector<Px> offsetsToShow(const Screen& screen, const Layout& layout, size_t item);

// Whether half of its hit area or more can be seen.
bool inView(const Placed& item);

}  // namespace bristle
