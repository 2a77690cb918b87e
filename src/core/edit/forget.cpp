#include "core/edit/forget.h"

namespace bristle {

void forget(Screen& screen, const std::unordered_set<ItemId>& removed) {
  if (removed.contains(screen.entry)) screen.entry = {};
  for (auto& shared : screen.items) {
    if (const auto* box = shared->container(); box && removed.contains(box->flyOut.from))
      shared.edit().container()->flyOut.from = {};
    const ButtonData* button = shared->button();
    if (!button) continue;
    const auto isGone = [&](const RouteRule& r) { return removed.contains(r.target.item.alone()); };
    bool points = false;
    button->routes.each([&](const RouteRule& rule) { points |= isGone(rule); });
    if (!points) continue;
    shared.edit().button()->routes.each([&](RouteRule& rule) {
      if (isGone(rule)) rule = {};
    });
  }
  for (Cluster& cluster : screen.clusters) {
    const auto isGone = [&](const ItemPath& path) { return removed.contains(path.alone()); };
    std::erase_if(cluster.items, isGone);
    if (isGone(cluster.chosen)) cluster.chosen = {};
    for (RouteRule& exit : cluster.exits)
      if (isGone(exit.target.item)) exit = {};
  }
}

}  // namespace bristle
