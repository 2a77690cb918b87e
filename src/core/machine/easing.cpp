#include "core/machine/easing.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <sstream>

namespace bristle {
namespace {

double bezier(double a, double b, double t) {
  return ((1 - 3 * b + 3 * a) * t + (3 * b - 6 * a)) * t * t + 3 * a * t;
}

double slope(double a, double b, double t) {
  return 3 * (1 - 3 * b + 3 * a) * t * t + 2 * (3 * b - 6 * a) * t + 3 * a;
}

// The curve's parameter at which x is reached: Newton first, halving where it is too flat.
double parameterAt(double x1, double x2, double x) {
  double t = x;
  for (int i = 0; i < 6; ++i) {
    const double miss = bezier(x1, x2, t) - x;
    if (std::abs(miss) < 1e-7) return t;
    const double d = slope(x1, x2, t);
    if (std::abs(d) < 1e-5) break;
    t -= miss / d;
  }
  double low = 0, high = 1;
  for (int i = 0; i < 40; ++i) {
    t = (low + high) / 2;
    (bezier(x1, x2, t) < x ? low : high) = t;
  }
  return t;
}

}  // namespace

double ease(const Easing& e, double progress) {
  const double p = std::clamp(progress, 0.0, 1.0);
  switch (e.type) {
    case EasingType::Linear:
      return p;
    case EasingType::CubicBezier:
      if (p == 0 || p == 1) return p;
      return bezier(e.y1, e.y2,
                    parameterAt(std::clamp(e.x1, 0.0, 1.0), std::clamp(e.x2, 0.0, 1.0), p));
    case EasingType::Steps: {
      const double n = std::max(e.count, 1);
      const double step = std::floor(p * n) + (e.jumpAtStart ? 1 : 0);
      return std::clamp(step / n, 0.0, 1.0);
    }
  }
  return p;
}

}  // namespace bristle
