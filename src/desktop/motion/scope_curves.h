// What numbers of the look do over the score: one curve each, over its own range.
#pragma once
#include <QString>
#include <vector>

#include "runtime/document/kind.h"

namespace bristle {

class LookTable;
class MotionView;

inline constexpr size_t kMostCurves = 6;
struct Curve {
  QString name;
  Ms step = 10;                // between heights; longer scores have no more of them
  std::vector<float> heights;  // 0–1
};

// The channels that can be shown: numbers that move.
std::vector<PropKey> curvesToChoose(const LookTable& table);
// Those that were chosen (view.curves()), or the first six that really move.
std::vector<Curve> curvesOf(MotionView& view, const Kind& kind, const LookTable& table);

}  // namespace bristle
