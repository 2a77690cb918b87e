#include "runtime/focus/repair.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "runtime/focus/strong.h"

namespace bristle {
namespace {

// A change that would join parts: this direction of this box to that target.
struct Change {
  int from;
  Dir dir;
  int to;
  int grade;  // 0 fills an empty direction, 1 turns a route that does not return, 2 gives up a pair
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

class Repairer {
 public:
  Repairer(const RepairInput& input, Routes& routes) : in_(input), routes_(routes) {
    for (Dir dir : kDirs)
      for (const Box& box : in_.boxes) facing_[size_t(dir)].push_back(face(box, dir));
  }

  int run() {
    look();
    // What falls into thousands of parts is no menu: looking for what would join them all must end.
    while (standing_.parts.count > 1 && work_ < kMostWork) {
      if (!fillEmpty() && !turn(1) && !turn(2)) break;
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
  bool free(int box, Dir dir) const {
    const auto& rules = *in_.rules;
    return rules.empty() || rules[size_t(box)][size_t(dir)].type == SlotRule::Free;
  }
  const Candidates& candidates(Dir dir) const { return (*in_.candidates)[size_t(dir)]; }

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

  void apply(const Change& c) {
    slot(c.from, c.dir) = {c.to, RouteReason::Repair, false};
    ++changes_;
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
      const bool fewer = after.parts.count < standing_.parts.count ||
                         after.sources + after.sinks < standing_.sources + standing_.sinks;
      if (!good && fewer) good = &c;
    }
    if (!good) return false;
    apply(*good);
    look();
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
        if (!candidates(dir).of(from).empty()) continue;
        if (work_ > kMostWork) continue;
        work_ += static_cast<std::int64_t>(entered.size());
        for (int to : entered) offer(best, from, dir, to);
      }
    }
    std::vector<Change> out;
    for (const auto& entry : best) out.push_back(entry.second);
    std::sort(out.begin(), out.end(), [](const Change& a, const Change& b) {
      return std::tie(a.price, a.from, a.dir, a.to) < std::tie(b.price, b.from, b.dir, b.to);
    });
    return out;
  }

  void offer(std::map<std::pair<int, int>, Change>& best, int from, Dir dir, int to) const {
    if (part(from) == part(to)) return;
    const Facing &a = facing_[size_t(dir)][size_t(from)], &b = facing_[size_t(dir)][size_t(to)];
    const Relation r = relate(a, b);
    if (!r.progress) return;
    // The less it lies off the direction, the less it surprises.
    const double price = std::hypot(std::max(0.0, r.gap), r.lateral) + kSteep * r.lateral;
    const Change change{from, dir, to, 0, price};
    if (best.size() >= kMostPairs && !best.contains({part(from), part(to)})) return;
    const auto [at, fresh] = best.try_emplace({part(from), part(to)}, change);
    if (!fresh && std::tie(price, from, dir, to) <
                      std::tie(at->second.price, at->second.from, at->second.dir, at->second.to))
      at->second = change;
  }

  // Turns a route to another admissible target, if that leaves fewer parts. A route that does not
  // return goes first (grade 1), a pair is given up last (grade 2).
  bool turn(int grade) {
    std::vector<Change> all;
    for (size_t u = 0; u < routes_.size(); ++u)
      for (Dir dir : kDirs) collectTurns(static_cast<int>(u), dir, grade, all);
    std::sort(all.begin(), all.end(), [](const Change& a, const Change& b) {
      return std::tie(a.price, a.from, a.dir, a.to) < std::tie(b.price, b.from, b.dir, b.to);
    });
    const int count = standing_.parts.count, ends = standing_.sources + standing_.sinks;
    size_t tried = 0;
    for (const Change& c : all) {
      if (++tried > kMostTried || work_ > kMostWork) return false;
      const Route old = slot(c.from, c.dir);
      apply(c);
      look();
      if (standing_.parts.count < count ||
          (standing_.parts.count == count && standing_.sources + standing_.sinks < ends))
        return true;
      slot(c.from, c.dir) = old;
      --changes_;
    }
    look();
    return false;
  }

  void collectTurns(int from, Dir dir, int grade, std::vector<Change>& all) {
    const Route& now = slot(from, dir);
    if (now.target < 0 || !free(from, dir)) return;
    const bool returns = slot(now.target, opposite(dir)).target == from;
    if (returns != (grade == 2)) return;
    for (const Candidate& c : candidates(dir).of(from)) {
      if (c.target == now.target || part(c.target) == part(from)) continue;
      if (!standing_.sink[size_t(part(from))] && !standing_.source[size_t(part(c.target))])
        continue;
      all.push_back({from, dir, c.target, grade, c.effort});
    }
  }

  static constexpr double kSteep = 2;         // a px to the side costs this much more
  static constexpr size_t kMostTried = 2000;  // bounds the time on layouts that have no answer
  static constexpr std::int64_t kMostWork = 40'000'000;  // boxes and links looked at: a few seconds
  static constexpr size_t kMostPairs =
      200'000;  // of parts that a change could join, in memory at once

  const RepairInput& in_;
  Routes& routes_;
  std::array<std::vector<Facing>, 4> facing_;
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
