// A rectangle.
#pragma once

namespace bristle {

// In px; w and h > 0.
struct Box {
  double x = 0, y = 0, w = 1, h = 1;
  bool operator==(const Box&) const = default;
};

}  // namespace bristle
