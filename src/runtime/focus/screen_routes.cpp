#include "runtime/focus/screen_routes.h"

#include <algorithm>
#include <cmath>
#include <tuple>
#include <unordered_map>

#include "runtime/document/screen.h"
#include "runtime/focus/clusters.h"
#include "runtime/focus/relation.h"
#include "runtime/focus/scopes.h"
#include "runtime/layout/scroll.h"

namespace bristle {
namespace {

// Round the edge: as if the screen began again beyond it. What lies in the source's strip comes
// first, the one at the far end before the others; without any, the one least to the side.
// In a scroller, and in a cluster that is not open: round its ends.
int wrapTarget(const ScreenRoutes& routes, int box, Dir dir) {
  const SolveInput& input = routes.input;
  const Facing a = face(input.boxes[size_t(box)], dir);
  const int within = keeping(routes, box);
  int best = -1;
  std::tuple<bool, double, double> bestScore;
  for (size_t i = 0; i < input.boxes.size(); ++i) {
    const Facing b = face(input.boxes[i], dir);
    if (routes.isAside(i) || routes.scrollerOf[i] != routes.scrollerOf[size_t(box)] ||
        routes.flyOutOf[i] != routes.flyOutOf[size_t(box)] ||
        (within >= 0 && !holds(routes, within, static_cast<int>(i))))
      continue;
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

using BoxesById = std::unordered_map<ItemId, int>;

int boxOf(const BoxesById& boxes, const ItemPath& path) {
  const auto at = boxes.find(path.alone());
  return at == boxes.end() ? -1 : at->second;
}

// The cluster that a rule leads to; −1: none, or it is not there.
int clusterOf(const RouteRule& rule, const Screen& screen) {
  for (size_t c = 0; c < screen.clusters.size(); ++c)
    if (rule.target.cluster && screen.clusters[c].id == rule.target.cluster)
      return static_cast<int>(c);
  return -1;
}

RouteCluster::Exit exitOf(const RouteRule& rule, const Screen& screen, const BoxesById& boxes,
                          const ScreenRoutes& routes) {
  RouteCluster::Exit out{rule.type};
  if (rule.type != RouteType::Pinned) return out;
  out.target = boxOf(boxes, rule.target.item);
  out.cluster = clusterOf(rule, screen);
  if (out.cluster >= 0 && !routes.clusters[size_t(out.cluster)].boxes.empty())
    out.target = routes.clusters[size_t(out.cluster)].boxes.front();
  return out;
}

// A box is in a cluster by itself, or by a container that it is in.
void findClusters(const Screen& screen, const BoxesById& boxes, ScreenRoutes& out) {
  std::unordered_map<ItemId, std::vector<int>> in;  // by container
  if (!screen.clusters.empty())
    for (size_t b = 0; b < out.items.size(); ++b)
      for (const Item* at = &*screen.items[size_t(out.items[b])]; !out.aside[b] && at && at->parent;
           at = findItem(screen, at->parent))
        in[at->parent].push_back(static_cast<int>(b));
  out.clustersOf.resize(out.items.size());
  for (const Cluster& cluster : screen.clusters) {
    RouteCluster its{{}, cluster.enter, cluster.leave};
    std::vector<bool> has(out.items.size());
    const auto add = [&](int box) {
      if (box < 0 || has[size_t(box)]) return;
      has[size_t(box)] = true;
      its.boxes.push_back(box);
      out.clustersOf[size_t(box)].push_back(static_cast<int>(out.clusters.size()));
    };
    for (const ItemPath& path : cluster.items) {
      add(boxOf(boxes, path));
      if (const auto held = in.find(path.alone()); held != in.end())
        for (const int box : held->second) add(box);
    }
    out.clusters.push_back(std::move(its));
  }
  for (auto& around : out.clustersOf)
    std::stable_sort(around.begin(), around.end(), [&](int a, int b) {
      return out.clusters[size_t(a)].boxes.size() < out.clusters[size_t(b)].boxes.size();
    });
  for (size_t c = 0; c < screen.clusters.size(); ++c)
    for (const Dir dir : kDirs)
      out.clusters[c].exits[size_t(dir)] =
          exitOf(screen.clusters[c].exits[size_t(dir)], screen, boxes, out);
}

// What the rule of a box and a direction comes to.
void apply(const RouteRule& rule, const Screen& screen, const BoxesById& boxes, int box, Dir dir,
           ScreenRoutes& out) {
  SlotRule& slot = out.input.rules[size_t(box)][size_t(dir)];
  int target = -1;
  if (rule.type == RouteType::Closed) slot.type = SlotRule::Closed;
  if (rule.type == RouteType::Wrap) {
    target = wrapTarget(out, box, dir);
    out.wraps[size_t(box)][size_t(dir)] = target >= 0;
  }
  if (rule.type == RouteType::Pinned) {
    const RouteCluster::Exit to = exitOf(rule, screen, boxes, out);
    target = to.target;
    if (target >= 0) out.toCluster[size_t(box)][size_t(dir)] = to.cluster;
    out.broken[size_t(box)][size_t(dir)] = target < 0;
  }
  if (target >= 0) slot = {SlotRule::Fixed, target};
}

// Fly-outs, scrollers that have something to scroll, and which of them each button is in.
void findHolders(const Layout& layout, ScreenRoutes& out) {
  out.flyOuts = static_cast<int>(layout.flyOuts.size());
  std::vector<int> place;  // by Layout::scrollers
  for (const Scroller& s : layout.scrollers) {
    const int outer = s.outer < 0 ? -1 : place[size_t(s.outer)];
    const bool moves = mostScrolled(s) > 0;
    place.push_back(moves ? static_cast<int>(out.scrollers.size()) : outer);
    if (moves) out.scrollers.push_back({layout.items[s.item].box, outer});
  }
  for (const int item : out.items) {
    const int in = layout.items[size_t(item)].scroller;
    out.scrollerOf.push_back(in < 0 ? -1 : place[size_t(in)]);
    out.flyOutOf.push_back(layout.items[size_t(item)].flyOut);
  }
}

}  // namespace

bool ScreenRoutes::seenIn(size_t box, int scroller) const {
  const Box& hit = input.boxes[box];
  const Box seen = common(hit, scrollers[size_t(scroller)].view);
  return seen.w * seen.h * 2 >= hit.w * hit.h;
}

ScreenRoutes unsolvedRoutes(const Screen& screen, const Layout& layout, Asides asides) {
  ScreenRoutes out;
  out.boxOf.assign(screen.items.size(), -1);
  BoxesById boxes;
  for (size_t i = 0; i < screen.items.size(); ++i) {
    const Item& item = *screen.items[i];
    if (!item.button() || layout.items[i].still) continue;
    const bool aside = item.button()->aside || !layout.items[i].shown;
    if (aside && asides == Asides::LeftOut) continue;
    out.boxOf[i] = static_cast<int>(out.items.size());
    if (!aside) boxes.emplace(item.id, out.boxOf[i]);
    out.aside.push_back(aside);
    out.items.push_back(static_cast<int>(i));
    out.input.boxes.push_back(layout.items[i].hit);
    out.input.names.push_back(item.id.text);
  }
  findHolders(layout, out);
  const size_t n = out.items.size();
  out.input.rightToLeft = layout.rightToLeft;
  out.input.rules.resize(n);
  out.wraps.assign(n, {});
  out.broken.assign(n, {});
  out.said.assign(n, {});
  out.toCluster.assign(n, {-1, -1, -1, -1});
  findClusters(screen, boxes, out);
  for (size_t b = 0; b < n; ++b) {
    const ButtonData& button = *screen.items[size_t(out.items[b])]->button();
    for (Dir dir : kDirs) {
      const RouteRule& rule = button.routes.on(layout.display, layout.language, dir);
      out.said[b][size_t(dir)] = rule.type;
      apply(rule, screen, boxes, static_cast<int>(b), dir, out);
    }
  }
  out.output.routes.resize(n);
  return out;
}

ScreenRoutes screenRoutes(const Screen& screen, const Layout& layout, Asides asides) {
  ScreenRoutes out = unsolvedRoutes(screen, layout, asides);
  out.output = solveScopes(out);
  return out;
}

int entryBox(const Screen& screen, const ScreenRoutes& routes) {
  for (size_t b = 0; b < routes.items.size(); ++b)
    if (!routes.isAside(b) && screen.items[size_t(routes.items[b])]->id == screen.entry)
      return static_cast<int>(b);
  for (const int box : readingOrder(routes))
    if (routes.flyOutOf[size_t(box)] < 0 && !routes.isAside(size_t(box))) return box;
  return -1;
}

}  // namespace bristle
