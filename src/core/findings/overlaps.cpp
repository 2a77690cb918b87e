#include "core/findings/overlaps.h"

#include <algorithm>
#include <cmath>

#include "runtime/document/project.h"

namespace bristle {

namespace {

// Each two whose left edges lie so near that they may be less than `reach` px apart.
template <class Use>
void eachTwo(const Project& project, const Screen& screen, const Layout& layout, Px reach,
             const std::atomic<bool>* stop, Use use) {
  std::vector<size_t> order;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const ButtonData* button = screen.items[i]->button();
    const Kind* kind = button && layout.items[i].shown ? find(project, button->kind) : nullptr;
    if (kind && !kind->still && kind->hitForm == HitForm::Box) order.push_back(i);
  }
  const auto area = [&](size_t i) -> const Box& { return layout.items[i].visible; };
  std::sort(order.begin(), order.end(), [&](size_t a, size_t b) { return area(a).x < area(b).x; });
  for (size_t i = 0; i < order.size() && !(stop && stop->load()); ++i)
    for (size_t j = i + 1; j < order.size(); ++j) {
      const Box &a = area(order[i]), &b = area(order[j]);
      if (b.x >= a.x + a.w + reach) break;
      // What flies out lies over the rest.
      if (layout.items[order[i]].flyOut == layout.items[order[j]].flyOut)
        use(order[i], order[j], a, b);
    }
}

}  // namespace

std::vector<Overlap> overlapsOf(const Project& project, const Screen& screen, const Layout& layout,
                                const std::atomic<bool>* stop) {
  std::vector<Overlap> out;
  eachTwo(project, screen, layout, 0, stop,
          [&](size_t left, size_t right, const Box& a, const Box& b) {
            const Box both = common(a, b);
            if (both.w > 0 && both.h > 0) out.push_back({left, right, std::min(both.w, both.h)});
          });
  return out;
}

std::vector<Overlap> nearOnes(const Project& project, const Screen& screen, const Layout& layout,
                              Px gap, const std::atomic<bool>* stop) {
  std::vector<Overlap> out;
  eachTwo(project, screen, layout, gap, stop,
          [&](size_t left, size_t right, const Box& a, const Box& b) {
            if (a.w <= 0 || a.h <= 0 || b.w <= 0 || b.h <= 0) return;  // nothing of it can be hit
            const Px across = std::max(b.x - (a.x + a.w), a.x - (b.x + b.w));
            const Px down = std::max(b.y - (a.y + a.h), a.y - (b.y + b.h));
            if (across < 0 && down < 0) return;
            const Px apart = std::hypot(std::max(across, 0.0), std::max(down, 0.0));
            if (apart < gap) out.push_back({left, right, apart});
          });
  return out;
}

}  // namespace bristle
