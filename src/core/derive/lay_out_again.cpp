#include "core/derive/lay_out_again.h"

#include <algorithm>

namespace bristle {
namespace {

constexpr size_t kMost = 400;  // items: a larger part is laid out with the whole

bool standsAlone(const Item& item) {
  return !item.parent && !item.container();
}

}  // namespace

std::optional<Layout> layOutAgain(const ShownScreen& before, const Layout& laid,
                                  const ShownScreen& now, const TextMeasure& measure) {
  // With the same layout for both only what is in the document is compared.
  const auto changed = changedItems(before, laid, now, laid);
  if (!changed || changed->size() > kMost) return {};
  const Screen &old = *before.find(), &screen = *now.find();
  if (old.scaling != screen.scaling) return {};
  Screen alone;
  alone.scaling = screen.scaling;
  alone.drawnOn = screen.drawnOn;
  for (const size_t i : *changed) {
    if (!standsAlone(*old.items[i]) || !standsAlone(*screen.items[i])) return {};
    alone.items.push_back(screen.items[i]);
  }
  for (const PlacedFlyOut& flyOut : laid.flyOuts)
    if (std::find(changed->begin(), changed->end(), flyOut.from) != changed->end()) return {};
  const Layout part = layOut(now.project, alone, now.showing, measure);
  Layout out = laid;
  for (size_t i = 0; i < changed->size(); ++i) out.items[(*changed)[i]] = part.items[i];
  return out;
}

}  // namespace bristle
