// What numbers of the look do over the score: one curve each, over its own range.
#pragma once
#include <QString>
#include <vector>

#include "desktop/motion/motion_view.h"

namespace bristle {

inline constexpr size_t kMostCurves = 6;
inline constexpr Ms kCurveSample = 10;

struct Curve {
  QString name;
  std::vector<float> heights;  // 0–1, one for each 10 ms
};

// The channels that can be shown: numbers that move.
std::vector<PropKey> curvesToChoose(const LookTable& table);
// Those that were chosen (view.curves()), or the first six that really move.
std::vector<Curve> curvesOf(MotionView& view, const Kind& kind, const LookTable& table);

}  // namespace bristle
