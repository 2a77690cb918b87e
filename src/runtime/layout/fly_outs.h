// Fly-outs: containers that open beside a button.
#pragma once
#include <span>

#include "runtime/document/screen.h"
#include "runtime/layout/layout.h"

namespace bristle {

struct Nesting;

// Finds the screen's fly-outs, the outer ones first, closes them and puts each beside its button:
// on the side that it wants where it fits in `room` there, else on the other one. Of a circle of
// them none is one. Boxes are in layout px.
void placeFlyOuts(const Screen& screen, std::span<const Nesting> nesting, const Box& room,
                  Layout& layout);
// The side on which it lies now.
Side sideOf(const Layout& layout, const PlacedFlyOut& flyOut);
// Opens one with those around it, and closes all others; −1: closes all. False where that changes
// nothing.
bool openOnly(Layout& layout, int flyOut);

}  // namespace bristle
