// A plane moved, turned, scaled: what lies at x, y comes to lie at a x + c y + e, b x + d y + f, as
// SVG 1.1 §7.4 writes it.
#pragma once
#include <cmath>
#include <numbers>

namespace bristle {

struct Affine {
  double a = 1, b = 0, c = 0, d = 1, e = 0, f = 0;
  bool operator==(const Affine&) const = default;
  bool isIdentity() const { return *this == Affine(); }

  static Affine moved(double x, double y) { return {1, 0, 0, 1, x, y}; }
  // Turned by degrees, clockwise, and scaled, about a point.
  static Affine about(double x, double y, double degrees, double scale) {
    const double radians = degrees * std::numbers::pi / 180;
    const double cos = std::cos(radians) * scale, sin = std::sin(radians) * scale;
    return {cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y};
  }
};

}  // namespace bristle
