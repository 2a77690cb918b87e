#include "runtime/focus/repair.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <tuple>

#include "runtime/focus/strong.h"

namespace bristle {
namespace {

// A change that would join parts: this direction of this box to that target.
struct Change {
  int from;
  Dir dir;
  int to;
  double price;
};

// The parts and how they hang together.
struct Standing {
  Parts parts;
  std::vector<char> source, sink;
  int sources = 0, sinks = 0;
  int bound() const { return std::max(sources, sinks); }
};

Standing standingOf(Parts parts, const std::vector<std::pair<int, int>>& links) {
  Standing s;
  s.parts = std::move(parts);
  s.source.assign(size_t(s.parts.count), 1);
  s.sink.assign(size_t(s.parts.count), 1);
  for (const auto& [a, b] : links) {
    s.sink[size_t(a)] = 0;
    s.source[size_t(b)] = 0;
  }
  for (char c : s.source) s.sources += c;
  for (char c : s.sink) s.sinks += c;
  return s;
}

std::vector<std::pair<int, int>> linksBetween(const Routes& routes, const Parts& parts) {
  std::vector<std::pair<int, int>> links;
  for (size_t v = 0; v < routes.size(); ++v)
    for (const Route& r : routes[v])
      if (r.target >= 0 && parts.part[v] != parts.part[size_t(r.target)])
        links.emplace_back(parts.part[v], parts.part[size_t(r.target)]);
  std::sort(links.begin(), links.end());
  links.erase(std::unique(links.begin(), links.end()), links.end());
  return links;
}

// What may be given up to join parts, the least surprising first.
enum class Turn : std::uint8_t {
  Alone,     // a route that does not return goes to another natural pick
  Pair,      // one that returns
  AloneFar,  // one that does not, to anything admissible
  PairFar,
};

class Repairer {
 public:
  Repairer(const RepairInput& input, Routes& routes)
      : in_(input), routes_(routes), finder_(input.field, input.rank) {}

  int run() {
    look();
    // What falls into thousands of parts is no menu: looking for what would join them all must end.
    while (standing_.parts.count > 1 && work_ < kMostWork) {
      if (!fillEmpty() && !turn(Turn::Alone) && !turn(Turn::Pair) && !turn(Turn::AloneFar) &&
          !turn(Turn::PairFar))
        break;
    }
    return changes_;
  }

 private:
  void look() {
    work_ += static_cast<std::int64_t>(routes_.size()) * 4;
    Parts parts = strongParts(routes_);
    links_ = linksBetween(routes_, parts);
    standing_ = standingOf(std::move(parts), links_);
  }

  int part(int box) const { return standing_.parts.part[size_t(box)]; }
  Route& slot(int box, Dir dir) { return routes_[size_t(box)][size_t(dir)]; }
  bool free(int box, Dir dir) const { return in_.free[size_t(box)][size_t(dir)]; }
  // Between changes of one price those from what stands first, so that the order of the boxes in
  // the document has no say.
  bool before(const Change& a, const Change& b) const {
    const auto key = [this](const Change& c) {
      return std::tuple(c.price, in_.rank[size_t(c.from)], c.dir, in_.rank[size_t(c.to)]);
    };
    return key(a) < key(b);
  }

  // How the parts would hang together with one more link; on the small graph of parts.
  Standing with(int a, int b) const {
    work_ += static_cast<std::int64_t>(links_.size()) + standing_.parts.count;
    std::vector<std::vector<int>> graph(size_t(standing_.parts.count));
    for (const auto& [x, y] : links_) graph[size_t(x)].push_back(y);
    graph[size_t(a)].push_back(b);
    const Parts merged = strongParts(graph);
    std::vector<std::pair<int, int>> links;
    for (size_t x = 0; x < graph.size(); ++x)
      for (int y : graph[x])
        if (merged.part[x] != merged.part[size_t(y)])
          links.emplace_back(merged.part[x], merged.part[size_t(y)]);
    return standingOf(merged, links);
  }

  // Makes the change. What it leads away from is still reached otherwise, so all that happens to
  // the parts is that some of them become one: `after` is by part.
  void apply(const Change& c, const Standing& after) {
    slot(c.from, c.dir) = {c.to, RouteReason::Repair, false};
    ++changes_;
    links_.emplace_back(part(c.from), part(c.to));
    const std::vector<int>& now = after.parts.part;
    std::erase_if(links_, [&](auto& link) {
      link = {now[size_t(link.first)], now[size_t(link.second)]};
      return link.first == link.second;
    });
    std::sort(links_.begin(), links_.end());
    links_.erase(std::unique(links_.begin(), links_.end()), links_.end());
    std::vector<int> parts = std::move(standing_.parts.part);
    for (int& part : parts) part = now[size_t(part)];
    standing_ = after;
    standing_.parts.part = std::move(parts);
    work_ += static_cast<std::int64_t>(routes_.size());
  }

  // Fills one empty direction, from a part that nothing leaves to one that nothing enters where
  // there is such, so that each change takes away one of both.
  bool fillEmpty() {
    const std::vector<Change> best = cheapestFills();
    const int before = standing_.bound();
    const Change* good = nullptr;
    for (const Change& c : best) {
      if (work_ > kMostWork) return false;
      const Standing after = with(part(c.from), part(c.to));
      if (after.parts.count == 1 || after.bound() < before) {
        good = &c;
        break;
      }
      if (!good && better(after)) good = &c;
    }
    if (!good) return false;
    apply(*good, with(part(good->from), part(good->to)));
    return true;
  }

  // The cheapest fill for each two parts of which one lacks a way out and the other a way in.
  std::vector<Change> cheapestFills() const {
    std::vector<int> entered;  // boxes of parts that nothing enters
    for (size_t v = 0; v < routes_.size(); ++v)
      if (standing_.source[size_t(part(static_cast<int>(v)))])
        entered.push_back(static_cast<int>(v));
    std::map<std::pair<int, int>, Change> best;
    for (size_t u = 0; u < routes_.size(); ++u) {
      if (!standing_.sink[size_t(part(static_cast<int>(u)))]) continue;
      for (Dir dir : kDirs) {
        const int from = static_cast<int>(u);
        if (routes_[u][size_t(dir)].target >= 0 || !free(from, dir)) continue;
        if (work_ > kMostWork) continue;
        work_ += static_cast<std::int64_t>(entered.size());
        for (int to : entered) offer(best, from, dir, to);
      }
    }
    std::vector<Change> out;
    for (const auto& entry : best) out.push_back(entry.second);
    std::sort(out.begin(), out.end(),
              [this](const Change& a, const Change& b) { return before(a, b); });
    return out;
  }

  void offer(std::map<std::pair<int, int>, Change>& best, int from, Dir dir, int to) const {
    if (part(from) == part(to)) return;
    const Facing &a = in_.field.facing(from, dir), &b = in_.field.facing(to, dir);
    const Relation r = relate(a, b);
    if (!r.progress) return;
    // The less it lies off the direction, the less it surprises.
    const double price = std::hypot(std::max(0.0, r.gap), r.lateral) + kSteep * r.lateral;
    const Change change{from, dir, to, price};
    if (best.size() >= kMostPairs && !best.contains({part(from), part(to)})) return;
    const auto [at, fresh] = best.try_emplace({part(from), part(to)}, change);
    if (!fresh && before(change, at->second)) at->second = change;
  }

  bool better(const Standing& after) const {
    return after.parts.count < standing_.parts.count ||
           (after.parts.count == standing_.parts.count &&
            after.sources + after.sinks < standing_.sources + standing_.sinks);
  }

  // Whether a route from here to there might join parts.
  bool mayJoin(int from, int to) const {
    return part(from) != part(to) &&
           (standing_.sink[size_t(part(from))] || standing_.source[size_t(part(to))]);
  }

  // Turns routes to other targets, where that leaves fewer parts.
  bool turn(Turn how) {
    std::vector<Change> all;
    for (size_t u = 0; u < routes_.size(); ++u)
      for (Dir dir : kDirs) collectTurns(static_cast<int>(u), dir, how, all);
    std::sort(all.begin(), all.end(),
              [this](const Change& a, const Change& b) { return before(a, b); });
    const int changed = changes_;
    size_t tried = 0;
    for (const Change& c : all) {
      if (standing_.parts.count == 1 || ++tried > kMostTried || work_ > kMostWork) break;
      if (slot(c.from, c.dir).reason == RouteReason::Repair || !mayJoin(c.from, c.to) ||
          !reachedOtherwise(c.from, c.dir))
        continue;
      if (const Standing after = with(part(c.from), part(c.to)); better(after)) apply(c, after);
    }
    return changes_ > changed;
  }

  // Whether a route may be turned away and its target still be reached from its box, not too far
  // round: then nothing falls apart.
  bool reachedOtherwise(int from, Dir dir) {
    const int target = slot(from, dir).target;
    std::vector<int>& queue = queue_;
    queue.assign(1, from);
    ++round_;
    seen_.resize(routes_.size(), 0);
    seen_[size_t(from)] = round_;
    for (size_t at = 0; at < queue.size() && at < kMostRound; ++at)
      for (Dir d : kDirs) {
        const int next = slot(queue[at], d).target;
        if (next < 0 || (queue[at] == from && d == dir) || seen_[size_t(next)] == round_) continue;
        if (next == target) return true;
        seen_[size_t(next)] = round_;
        queue.push_back(next);
      }
    work_ += static_cast<std::int64_t>(queue.size());
    return false;
  }

  void collectTurns(int from, Dir dir, Turn how, std::vector<Change>& all) {
    const Route& now = slot(from, dir);
    if (now.target < 0 || !free(from, dir) || work_ > kMostWork) return;
    const bool returns = slot(now.target, opposite(dir)).target == from;
    if (returns != (how == Turn::Pair || how == Turn::PairFar)) return;
    const Picks& natural = in_.picks[size_t(from)][size_t(dir)];
    std::vector<Pick> far;
    if (how == Turn::AloneFar || how == Turn::PairFar) {
      work_ += kFarWork;
      far = finder_.admissible(from, dir, kMostFar);
    }
    for (const Pick& p : far.empty() ? natural.list() : std::span<const Pick>(far))
      if (p.target != now.target && mayJoin(from, p.target))
        all.push_back({from, dir, p.target, p.cost});
  }

  static constexpr double kSteep = 2;         // a px to the side costs this much more
  static constexpr size_t kMostTried = 2000;  // bounds the time on layouts that have no answer
  static constexpr std::int64_t kMostWork = 40'000'000;  // boxes and links looked at: a few seconds
  static constexpr size_t kMostPairs = 200'000;  // parts a change could join, in memory at once
  static constexpr size_t kMostFar = 64;
  static constexpr size_t kMostRound = 300;  // boxes looked at for another way
  static constexpr std::int64_t kFarWork = 400;

  const RepairInput& in_;
  Routes& routes_;
  PickFinder finder_;
  std::vector<int> seen_, queue_;
  int round_ = 0;
  Standing standing_;
  std::vector<std::pair<int, int>> links_;
  int changes_ = 0;
  mutable std::int64_t work_ = 0;
};

}  // namespace

int repair(const RepairInput& input, Routes& routes) {
  return Repairer(input, routes).run();
}

}  // namespace bristle
