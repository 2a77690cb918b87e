#include "desktop/motion/scope_curves.h"

#include <algorithm>

#include "desktop/motion/motion_view.h"
#include "desktop/motion/timeline_view.h"

namespace bristle {
namespace {
constexpr Ms kMostSamples = 1000;  // about two for each px
}

std::vector<PropKey> curvesToChoose(const LookTable& table) {
  std::vector<PropKey> out;
  for (const int c : table.varying())
    if (std::holds_alternative<double>(table.base()[size_t(c)]))
      out.push_back(table.channels()[size_t(c)]);
  return out;
}

std::vector<Curve> curvesOf(MotionView& view, const Kind& kind, const LookTable& table) {
  std::vector<Curve> out;
  const auto& chosen = view.curves();
  const std::vector<PropKey> keys = chosen ? *chosen : curvesToChoose(table);
  std::vector<size_t> channels;
  for (const PropKey& key : keys)
    if (const int c = table.channel(key); c >= 0) channels.push_back(size_t(c));
  std::vector<std::vector<float>> values(channels.size());
  const Ms step = std::max<Ms>(10, view.score().length / kMostSamples);
  for (Ms t = 0; t <= view.score().length; t += step) {
    const Look* look = view.lookAt(t);
    if (!look) return out;
    for (size_t i = 0; i < channels.size(); ++i)
      values[i].push_back(float(std::get<double>((*look)[channels[i]])));
  }
  for (size_t i = 0; i < channels.size() && out.size() < kMostCurves; ++i) {
    const auto [low, high] = std::minmax_element(values[i].begin(), values[i].end());
    const float least = *low, span = *high - *low;
    if (span < 1e-6F && !chosen) continue;
    for (float& v : values[i]) v = span < 1e-6F ? 0.5F : (v - least) / span;
    out.push_back({nameOfTrack(kind, table.channels()[channels[i]]), step, std::move(values[i])});
  }
  return out;
}

}  // namespace bristle
