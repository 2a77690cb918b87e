#include "core/edit/cluster_edits.h"

#include <fmt/format.h>

#include <algorithm>

#include "core/edit/on_screen.h"

namespace bristle {
namespace {

std::string freshName(const Screen& screen) {
  for (int i = static_cast<int>(screen.clusters.size()) + 1;; ++i) {
    std::string name = fmt::format("Cluster {}", i);
    const bool taken = std::any_of(screen.clusters.begin(), screen.clusters.end(),
                                   [&](const Cluster& c) { return c.name == name; });
    if (!taken) return name;
  }
}

}  // namespace

Edit addCluster(ScreenId screen, std::vector<ItemId> items) {
  return onScreen(std::move(screen), "make a cluster", {},
                  [items = std::move(items)](Project after, Screen& s) -> Result<Project> {
                    Cluster cluster;
                    for (const ItemId& id : items)
                      if (const Item* item = findItem(s, id);
                          item && (item->button() || item->container()))
                        cluster.items.emplace_back(id);
                    if (cluster.items.empty())
                      return fail({}, "a cluster needs a button, or a container with buttons");
                    cluster.id = freshId<ClusterId>(after, "g");
                    cluster.name = freshName(s);
                    s.clusters.push_back(std::move(cluster));
                    return after;
                  });
}

Edit changeCluster(ScreenId screen, ClusterId cluster, std::string name,
                   std::function<void(Cluster&)> change) {
  return onScreen(std::move(screen), std::move(name), {},
                  [=](Project after, Screen& s) -> Result<Project> {
                    const auto at = std::find_if(s.clusters.begin(), s.clusters.end(),
                                                 [&](const Cluster& c) { return c.id == cluster; });
                    if (at == s.clusters.end()) return fail({}, "that cluster is gone");
                    change(*at);
                    return after;
                  });
}

Edit removeCluster(ScreenId screen, ClusterId cluster) {
  return onScreen(
      std::move(screen), "take a cluster away", {},
      [=](Project after, Screen& s) -> Result<Project> {
        if (std::erase_if(s.clusters, [&](const Cluster& c) { return c.id == cluster; }) == 0)
          return fail({}, "that cluster is gone");
        const auto leads = [&](const RouteRule& rule) {
          return rule.target.cluster == cluster && cluster;
        };
        for (Cluster& each : s.clusters)
          for (RouteRule& exit : each.exits)
            if (leads(exit)) exit = {};
        for (auto& item : s.items) {
          if (!item->button()) continue;
          bool any = false;
          item->button()->routes.each([&](const RouteRule& r) { any |= leads(r); });
          if (any)
            item.edit().button()->routes.each([&](RouteRule& r) {
              if (leads(r)) r = {};
            });
        }
        return after;
      });
}

}  // namespace bristle
