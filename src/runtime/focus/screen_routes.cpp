#include "runtime/focus/screen_routes.h"

#include <cmath>
#include <tuple>
#include <unordered_map>

#include "runtime/focus/relation.h"

namespace bristle {
namespace {

// Round the edge: as if the screen began again beyond it. What lies in the source's strip comes
// first, the one at the far end before the others; without any, the one least to the side.
int wrapTarget(const SolveInput& input, int box, Dir dir) {
  const Facing a = face(input.boxes[size_t(box)], dir);
  int best = -1;
  std::tuple<bool, double, double> bestScore;
  for (size_t i = 0; i < input.boxes.size(); ++i) {
    const Facing b = face(input.boxes[i], dir);
    if (static_cast<int>(i) == box || b.centre() > a.centre() - tuning::kProgress) continue;
    const Relation r = relate(a, b);
    const bool aside = r.overlap <= 0;
    const std::tuple score{aside, aside ? r.lateral + 0.5 * b.near : b.near,
                           std::abs(a.middle() - b.middle())};
    if (best >= 0 && score >= bestScore) continue;
    best = static_cast<int>(i);
    bestScore = score;
  }
  return best;
}

}  // namespace

ScreenRoutes screenRoutes(const Project& project, const Screen& screen, const Layout& layout) {
  ScreenRoutes out;
  out.boxOf.assign(screen.items.size(), -1);
  std::unordered_map<ItemId, int> boxes;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    if (!item.button() || item.hidden) continue;
    out.boxOf[i] = static_cast<int>(out.items.size());
    boxes.emplace(item.id, out.boxOf[i]);
    out.items.push_back(static_cast<int>(i));
    out.input.boxes.push_back(layout.items[i].hit);
    out.input.names.push_back(item.id.text);
  }
  out.input.rightToLeft = project.settings.rightToLeft;
  out.input.rules.resize(out.items.size());
  out.wraps.resize(out.items.size());
  out.broken.resize(out.items.size());
  for (size_t b = 0; b < out.items.size(); ++b) {
    const ButtonData& button = *screen.items[size_t(out.items[b])]->button();
    for (Dir dir : kDirs) {
      const RouteRule& rule = button.routes[size_t(dir)];
      SlotRule& slot = out.input.rules[b][size_t(dir)];
      out.wraps[b][size_t(dir)] = out.broken[b][size_t(dir)] = false;
      if (rule.type == RouteType::Closed) slot.type = SlotRule::Closed;
      int target = -1;
      if (rule.type == RouteType::Pinned) {
        const auto at = boxes.find(rule.target);
        if (at != boxes.end()) target = at->second;
        out.broken[b][size_t(dir)] = target < 0;
      } else if (rule.type == RouteType::Wrap) {
        target = wrapTarget(out.input, static_cast<int>(b), dir);
        out.wraps[b][size_t(dir)] = target >= 0;
      }
      if (target >= 0) slot = {SlotRule::Fixed, target};
    }
  }
  out.output = solve(out.input);
  return out;
}

int entryBox(const Screen& screen, const ScreenRoutes& routes, bool rightToLeft) {
  int best = -1;
  for (size_t b = 0; b < routes.items.size(); ++b) {
    if (screen.items[size_t(routes.items[b])]->id == screen.entry) return static_cast<int>(b);
    const auto order = [&](size_t i) {
      const Box& box = routes.input.boxes[i];
      return std::pair(box.y, rightToLeft ? -(box.x + box.w) : box.x);
    };
    if (best < 0 || order(b) < order(size_t(best))) best = static_cast<int>(b);
  }
  return best;
}

}  // namespace bristle
