#include "runtime/machine/easing.h"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

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

constexpr double kPi = 3.14159265358979323846;
constexpr double kRest = 0.001;    // of the way: less cannot be seen
constexpr double kNoWaves = 0.98;  // from this damping on what overshoots is far below kRest

// Where a spring is, 0 at its start, 1 at its target. `t` ms.
double springAt(const Easing& e, double t) {
  const double omega = 2 * kPi / e.period, z = e.damping;
  if (z < 1 - 1e-6) {
    const double wave = omega * std::sqrt(1 - z * z);
    return 1 -
           std::exp(-z * omega * t) * (std::cos(wave * t) + z * omega / wave * std::sin(wave * t));
  }
  if (z < 1 + 1e-6) return 1 - std::exp(-omega * t) * (1 + omega * t);
  const double root = omega * std::sqrt(z * z - 1), fast = -z * omega - root,
               slow = -z * omega + root;
  return 1 + (fast * std::exp(slow * t) - slow * std::exp(fast * t)) / (slow - fast);
}

}  // namespace

double restsAfter(const Easing& e) {
  const double omega = 2 * kPi / e.period, z = e.damping;
  if (z < kNoWaves) return std::log(1 / (kRest * std::sqrt(1 - z * z))) / (z * omega);
  double low = 0, high = e.period;
  while (1 - springAt(e, high) > kRest) high *= 2;
  for (int i = 0; i < 40; ++i) {
    const double middle = (low + high) / 2;
    (1 - springAt(e, middle) > kRest ? low : high) = middle;
  }
  return high;
}

double runTime(const Timing& timing) {
  return timing.easing.type == EasingType::Spring
             ? restsAfter(timing.easing)
             : static_cast<double>(std::max<Ms>(timing.duration, 0));
}

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
    case EasingType::Spring: {
      // What is left at the end is spread over the run, so that nothing jumps there.
      const double end = restsAfter(e);
      return springAt(e, p * end) + (1 - springAt(e, end)) * p;
    }
  }
  return p;
}

}  // namespace bristle
