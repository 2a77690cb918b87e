#include "runtime/focus/scope_list.h"

#include <algorithm>
#include <iterator>

namespace bristle {

int boxAt(const ScreenRoutes& routes, int entry) {
  const int stop = stopAt(routes, entry);
  return stop < 0 ? entry : routes.clusters[size_t(stop)].boxes.front();
}

namespace {

// By scroller: whether it holds all of these boxes.
std::vector<bool> scrollersAround(const ScreenRoutes& routes, const std::vector<int>& boxes) {
  std::vector<size_t> held(routes.scrollers.size(), 0);
  for (const int box : boxes)
    for (int at = routes.scrollerOf[size_t(box)]; at >= 0; at = routes.scrollers[size_t(at)].outer)
      ++held[size_t(at)];
  std::vector<bool> out;
  for (const size_t each : held) out.push_back(each == boxes.size());
  return out;
}

// Whether what is in a cluster is seen in it: in each scroller that does not hold the whole
// cluster.
bool seenInCluster(const ScreenRoutes& routes, int box, const std::vector<bool>& around) {
  for (int at = routes.scrollerOf[size_t(box)]; at >= 0; at = routes.scrollers[size_t(at)].outer) {
    if (around[size_t(at)]) return true;
    if (!routes.seenIn(size_t(box), at)) return false;
  }
  return true;
}

// Boxes of a single stop are one entry in what is around it. `outermost`: the scope has nothing
// around it, and no cluster either.
void putStops(const ScreenRoutes& routes, bool outermost, Scope& scope) {
  std::vector<int> shared(routes.clusters.size(), 0);
  for (const int box : scope.all)
    for (const int c : routes.clustersOf[size_t(box)]) ++shared[size_t(c)];
  const int size = static_cast<int>(scope.all.size());
  std::vector<bool> there(routes.clusters.size());
  std::vector<int> entries;
  for (const int box : scope.entries) {
    const auto& around = routes.clustersOf[size_t(box)];
    const auto stop = std::find_if(around.rbegin(), around.rend(), [&](int c) {
      return routes.clusters[size_t(c)].leave == Leave::SingleStop &&
             (outermost || (c != scope.cluster && shared[size_t(c)] < size));
    });
    if (stop == around.rend()) {
      entries.push_back(box);
    } else if (!there[size_t(*stop)]) {
      there[size_t(*stop)] = true;
      entries.push_back(static_cast<int>(routes.items.size()) + *stop);
    }
  }
  scope.entries = std::move(entries);
}

void addClusters(const ScreenRoutes& routes, std::vector<Scope>& out) {
  for (size_t c = 0; c < routes.clusters.size(); ++c) {
    const RouteCluster& cluster = routes.clusters[c];
    if (cluster.leave == Leave::Open || cluster.boxes.empty()) continue;
    Scope scope{cluster.boxes, {}, static_cast<int>(c)};
    const auto around = scrollersAround(routes, cluster.boxes);
    for (const int box : cluster.boxes)
      if (seenInCluster(routes, box, around)) scope.entries.push_back(box);
    out.push_back(std::move(scope));
  }
}

}  // namespace

std::vector<Scope> scopesOf(const ScreenRoutes& routes) {
  const size_t scrollers = routes.scrollers.size();
  std::vector<Scope> in(scrollers), last(size_t(routes.flyOuts) + 1);
  for (size_t b = 0; b < routes.items.size(); ++b) {
    const int box = static_cast<int>(b);
    if (routes.isAside(b)) continue;
    // From the innermost outwards, for as long as each can be seen in the one it is in.
    bool seen = true;
    for (int at = routes.scrollerOf[b]; at >= 0; at = routes.scrollers[size_t(at)].outer) {
      in[size_t(at)].all.push_back(box);
      if (seen) in[size_t(at)].entries.push_back(box);
      seen = seen && routes.seenIn(b, at);
    }
    const int flyOut = routes.flyOutOf[b];
    Scope& rest = flyOut < 0 ? last.back() : last[size_t(flyOut)];
    rest.all.push_back(box);
    if (seen) rest.entries.push_back(box);
  }
  std::vector<Scope> out(std::make_move_iterator(in.rbegin()), std::make_move_iterator(in.rend()));
  addClusters(routes, out);
  std::stable_sort(out.begin(), out.end(),
                   [](const Scope& a, const Scope& b) { return a.all.size() < b.all.size(); });
  const size_t inner = out.size();
  out.insert(out.end(), std::make_move_iterator(last.begin()), std::make_move_iterator(last.end()));
  for (size_t s = 0; s < out.size(); ++s) putStops(routes, s >= inner, out[s]);
  return out;
}

bool isWhole(const ScreenRoutes& routes) {
  return routes.scrollers.empty() && routes.flyOuts == 0 &&
         std::find(routes.aside.begin(), routes.aside.end(), true) == routes.aside.end() &&
         std::none_of(routes.clusters.begin(), routes.clusters.end(), [](const RouteCluster& c) {
           return c.leave != Leave::Open && !c.boxes.empty();
         });
}

std::vector<int> placesIn(const ScreenRoutes& routes, const Scope& scope) {
  std::vector<int> out(routes.items.size(), -1);
  for (size_t i = 0; i < scope.entries.size(); ++i) {
    const int entry = scope.entries[i], stop = stopAt(routes, entry);
    if (stop < 0)
      out[size_t(entry)] = static_cast<int>(i);
    else
      for (const int box : routes.clusters[size_t(stop)].boxes)
        out[size_t(box)] = static_cast<int>(i);
  }
  return out;
}

namespace {

Box around(const ScreenRoutes& routes, const RouteCluster& cluster) {
  std::vector<Box> boxes;
  for (const int box : cluster.boxes) boxes.push_back(routes.input.boxes[size_t(box)]);
  return boundsOf(boxes);
}

}  // namespace

std::array<SlotRule, 4> rulesOf(const RouteCluster& stop) {
  std::array<SlotRule, 4> out;
  for (const Dir dir : kDirs) {
    const RouteCluster::Exit& exit = stop.exits[size_t(dir)];
    if (exit.type == RouteType::Closed) out[size_t(dir)].type = SlotRule::Closed;
    if (exit.target >= 0) out[size_t(dir)] = {SlotRule::Fixed, exit.target};
  }
  return out;
}

SolveInput inputOf(const ScreenRoutes& routes, const Scope& scope, const std::vector<int>& place) {
  SolveInput out;
  out.rightToLeft = routes.input.rightToLeft;
  for (size_t i = 0; i < scope.entries.size(); ++i) {
    const int entry = scope.entries[i], stop = stopAt(routes, entry);
    const RouteCluster* cluster = stop < 0 ? nullptr : &routes.clusters[size_t(stop)];
    out.boxes.push_back(cluster ? around(routes, *cluster) : routes.input.boxes[size_t(entry)]);
    out.names.push_back(routes.input.names[size_t(boxAt(routes, entry))]);
    auto rules = cluster ? rulesOf(*cluster) : routes.input.rules[size_t(entry)];
    for (SlotRule& rule : rules)
      if (rule.type == SlotRule::Fixed) {
        const int target = place[size_t(rule.target)];
        const bool leaves = target < 0 || target == static_cast<int>(i);
        rule = leaves ? SlotRule{SlotRule::Closed, -1} : SlotRule{SlotRule::Fixed, target};
      }
    out.rules.push_back(rules);
  }
  return out;
}

}  // namespace bristle
