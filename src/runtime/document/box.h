// A rectangle, and distances from its edges.
#pragma once

namespace bristle {

// In px; w and h > 0.
struct Box {
  double x = 0, y = 0, w = 1, h = 1;
  bool operator==(const Box&) const = default;
};

// From each edge, px.
struct Insets {
  double left = 0, top = 0, right = 0, bottom = 0;
  Insets() = default;
  Insets(double all) : left(all), top(all), right(all), bottom(all) {}
  Insets(double l, double t, double r, double b) : left(l), top(t), right(r), bottom(b) {}
  bool operator==(const Insets&) const = default;
  bool none() const { return *this == Insets(); }
};

}  // namespace bristle
