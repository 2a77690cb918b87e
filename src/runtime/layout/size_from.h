// What an item's size follows from, on one axis: so that it can be said in words.
#pragma once
#include "runtime/document/project.h"

namespace bristle {

// In the order in which they count: pins to both edges, a share of the rest, being stretched, a
// fraction of what it is pinned in, a size of its own, else what it measures by itself.
enum class SizeFrom : std::uint8_t {
  Pins,
  Rest,
  Stretch,
  Share,
  Own,
  Kind,
  Caption,
  Content,
  Usual
};

// Of an item of the screen.
SizeFrom sizeFrom(const Project& project, const Screen& screen, const Item& item, bool horizontal);

}  // namespace bristle
