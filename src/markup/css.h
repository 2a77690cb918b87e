// Values as CSS has them (CSS Color 4, CSS Images 3, CSS Transforms 1).
#pragma once
#include <string>
#include <string_view>

#include "runtime/document/affine.h"
#include "runtime/document/box.h"
#include "runtime/document/value.h"

namespace bristle {

// A number to a thousandth, without needless digits.
std::string cssNumber(double value);
// “12.5px”.
std::string cssPx(double value);
// “left:…;top:…;width:…;height:…;”
std::string cssBox(const Box& box);
// A colour, a gradient, or “none”; `size` is that of the box that it fills, px.
std::string cssImage(const Fill& fill, const Box& size);
// “dx dy blur spread colour”, without the word inset.
std::string cssShadow(const Shadow& shadow, double moved = 0);
// “transform:…;” of what stands at a place, moved in the coordinates around it; nothing for what
// does not move.
std::string cssMotion(const Affine& motion, double x, double y);
// “opacity:…;”, nothing for 1.
std::string cssOpacity(double opacity);

// A text as JSON has it, with its quotes.
std::string jsonText(std::string_view text);
void addJsonText(std::string& out, std::string_view text);

}  // namespace bristle
