#include "core/findings/overlaps.h"

#include <algorithm>

#include "runtime/document/project.h"

namespace bristle {

std::vector<Overlap> overlapsOf(const Project& project, const Screen& screen, const Layout& layout,
                                const std::atomic<bool>* stop) {
  std::vector<size_t> order;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const ButtonData* button = screen.items[i]->button();
    const Kind* kind = button && layout.items[i].shown ? find(project, button->kind) : nullptr;
    if (kind && !kind->still && kind->hitForm == HitForm::Box) order.push_back(i);
  }
  const auto area = [&](size_t i) -> const Box& { return layout.items[i].visible; };
  std::sort(order.begin(), order.end(), [&](size_t a, size_t b) { return area(a).x < area(b).x; });
  std::vector<Overlap> out;
  for (size_t i = 0; i < order.size() && !(stop && stop->load()); ++i)
    for (size_t j = i + 1; j < order.size(); ++j) {
      const Box &a = area(order[i]), &b = area(order[j]);
      if (b.x >= a.x + a.w) break;
      // What flies out lies over the rest.
      if (layout.items[order[i]].flyOut != layout.items[order[j]].flyOut) continue;
      const Box both = common(a, b);
      if (both.w > 0 && both.h > 0) out.push_back({order[i], order[j], std::min(both.w, both.h)});
    }
  return out;
}

}  // namespace bristle
