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

std::string toText(const Easing& e) {
  if (e.type == EasingType::Linear) return "linear";
  if (e.type == EasingType::CubicBezier)
    return fmt::format("bezier {:g} {:g} {:g} {:g}", e.x1, e.y1, e.x2, e.y2);
  return fmt::format("steps {}{}", e.count, e.jumpAtStart ? " start" : "");
}

std::optional<Easing> parseEasing(std::string_view text) {
  std::istringstream in{std::string(text)};
  in.imbue(std::locale::classic());
  std::string word, more;
  in >> word;
  Easing e;
  if (word == "linear") {
    e.type = EasingType::Linear;
  } else if (word == "bezier") {
    if (!(in >> e.x1 >> e.y1 >> e.x2 >> e.y2)) return {};
    if (e.x1 < 0 || e.x1 > 1 || e.x2 < 0 || e.x2 > 1 || std::abs(e.y1) > 10 || std::abs(e.y2) > 10)
      return {};
  } else if (word == "steps") {
    e.type = EasingType::Steps;
    if (!(in >> e.count) || e.count < 1 || e.count > 1000) return {};
    if (in >> more) {
      if (more != "start") return {};
      e.jumpAtStart = true;
    }
  } else {
    return {};
  }
  if (in >> more) return {};
  return e;
}

}  // namespace bristle
