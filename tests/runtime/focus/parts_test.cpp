// The solver's parts, each against a plain and obviously right version of itself.
#include <gtest/gtest.h>

#include <algorithm>
#include <functional>
#include <map>
#include <set>

#include "runtime/focus/candidates.h"
#include "runtime/focus/pairing.h"
#include "runtime/focus/repair.h"
#include "runtime/focus/slabs.h"
#include "runtime/focus/strong.h"
#include "support/layouts.h"

namespace bristle {
namespace {

using test::Dice;

std::vector<Box> someBoxes(std::uint64_t seed, int size) {
  const auto& families = test::layoutFamilies();
  return test::layoutOf(families[seed % families.size()], seed, size);
}

// By definition: in the cone, and no blocker other than itself ends before it begins.
std::set<int> plainCandidates(const std::vector<Box>& boxes, int box, Dir dir) {
  std::set<int> out;
  const Facing a = face(boxes[size_t(box)], dir);
  for (size_t t = 0; t < boxes.size(); ++t) {
    const Facing target = face(boxes[t], dir);
    if (int(t) == box || !relate(a, target).inCone) continue;
    bool jumped = false;
    for (size_t k = 0; k < boxes.size(); ++k) {
      if (int(k) == box || k == t) continue;
      const Facing other = face(boxes[k], dir);
      jumped |= relate(a, other).blocks && other.far < target.near + 1;
    }
    if (!jumped) out.insert(int(t));
  }
  return out;
}

TEST(Candidates, AreExactlyThoseOfTheDefinition) {
  for (std::uint64_t seed = 0; seed < 56; ++seed) {
    const auto boxes = someBoxes(seed, 60);
    const auto overlapping = overlaps(boxes);
    for (Dir dir : kDirs) {
      const Candidates candidates = gather(boxes, dir, overlapping, 1000);
      for (size_t i = 0; i < boxes.size(); ++i) {
        std::set<int> found;
        for (const Candidate& c : candidates.of(int(i))) found.insert(c.target);
        ASSERT_EQ(found, plainCandidates(boxes, int(i), dir))
            << "seed " << seed << " box " << i << " " << nameOf(dir);
      }
    }
  }
}

TEST(Candidates, KeptFewTheyAreTheBestOfAll) {
  for (std::uint64_t seed = 0; seed < 28; ++seed) {
    const auto boxes = someBoxes(seed, 120);
    const auto overlapping = overlaps(boxes);
    for (Dir dir : kDirs) {
      const Candidates all = gather(boxes, dir, overlapping, 1000);
      const Candidates few = gather(boxes, dir, overlapping, 3);
      for (size_t i = 0; i < boxes.size(); ++i) {
        const auto whole = all.of(int(i)), some = few.of(int(i));
        ASSERT_EQ(some.size(), std::min<size_t>(3, whole.size()));
        if (some.empty()) continue;
        // The first is the one that would be taken; of the others some far aside may differ.
        ASSERT_EQ(some[0].target, whole[0].target) << "seed " << seed << " box " << i;
      }
    }
  }
}

TEST(Overlaps, AreFoundFromBothSidesAndNoOthers) {
  for (std::uint64_t seed = 0; seed < 20; ++seed) {
    const auto boxes = test::layoutOf("overlapping", seed, 80);
    const auto found = overlaps(boxes);
    for (size_t a = 0; a < boxes.size(); ++a) {
      std::set<int> expected;
      for (size_t b = 0; b < boxes.size(); ++b) {
        const Box &x = boxes[a], &y = boxes[b];
        if (a != b && x.x < y.x + y.w && y.x < x.x + x.w && x.y < y.y + y.h && y.y < x.y + x.h)
          expected.insert(int(b));
      }
      ASSERT_EQ(std::set<int>(found[a].begin(), found[a].end()), expected) << "seed " << seed;
      ASSERT_EQ(found[a].size(), expected.size()) << "each once";
    }
  }
}

TEST(Slabs, VisitAllThatTouchTheRangeAndStartInTheSlab) {
  Dice dice(4);
  std::vector<Facing> boxes;
  for (int i = 0; i < 500; ++i) {
    const double near = dice.real(0, 1000), lo = dice.real(0, 1000);
    boxes.push_back({near, near + dice.real(1, 90), lo, lo + dice.real(1, 400)});
  }
  const Slabs slabs(boxes);
  for (int i = 0; i < 200; ++i) {
    const double from = dice.real(-100, 1100), lo = dice.real(-100, 1000),
                 hi = lo + dice.real(0, 300);
    std::set<int> seen, expected;
    for (size_t s = slabs.firstFrom(from); s < slabs.slabs().size(); ++s)
      slabs.across(slabs.slabs()[s], lo, hi, [&](int b) {
        if (boxes[size_t(b)].hi >= lo) seen.insert(b);
      });
    for (size_t b = 0; b < boxes.size(); ++b)
      if (boxes[b].near >= from && boxes[b].lo <= hi && boxes[b].hi >= lo) expected.insert(int(b));
    for (int b : expected) ASSERT_TRUE(seen.count(b)) << "from " << from << " box " << b;
  }
}

// The most pairs, by trying everything: Kuhn's paths without any order or price.
int mostPairs(const Candidates& there, const Candidates& back, size_t n) {
  std::vector<int> owner(n, -1);
  const std::function<bool(int, std::vector<char>&)> place = [&](int a, std::vector<char>& seen) {
    for (const Candidate& c : there.of(a)) {
      if (seen[size_t(c.target)] || !back.find(c.target, a)) continue;
      seen[size_t(c.target)] = 1;
      if (owner[size_t(c.target)] >= 0 && !place(owner[size_t(c.target)], seen)) continue;
      owner[size_t(c.target)] = a;
      return true;
    }
    return false;
  };
  int count = 0;
  for (size_t a = 0; a < n; ++a) {
    std::vector<char> seen(n);
    count += place(int(a), seen);
  }
  return count;
}

TEST(Pairing, IsAMatchingOfAdmissiblePairsAndNoneIsLarger) {
  for (std::uint64_t seed = 0; seed < 56; ++seed) {
    const auto boxes = someBoxes(seed, 70);
    const auto overlapping = overlaps(boxes);
    const size_t n = boxes.size();
    for (Dir dir : {Dir::Right, Dir::Down}) {
      const Candidates there = gather(boxes, dir, overlapping, 1000);
      const Candidates back = gather(boxes, opposite(dir), overlapping, 1000);
      const Pairs pairs = pairUp(there, back, n, std::vector<char>(n), std::vector<char>(n));
      int count = 0;
      for (size_t a = 0; a < n; ++a) {
        const int b = pairs.forward[a];
        if (b < 0) continue;
        ++count;
        ASSERT_EQ(pairs.backward[size_t(b)], int(a));
        ASSERT_TRUE(there.find(int(a), b));
        ASSERT_TRUE(back.find(b, int(a)));
      }
      ASSERT_EQ(count, mostPairs(there, back, n)) << "seed " << seed << " " << nameOf(dir);
    }
  }
}

TEST(Pairing, LeavesOutWhatIsToBeSkipped) {
  const std::vector<Box> column{{0, 0, 50, 20}, {0, 40, 50, 20}, {0, 80, 50, 20}};
  const auto overlapping = overlaps(column);
  const Candidates down = gather(column, Dir::Down, overlapping, 10);
  const Candidates up = gather(column, Dir::Up, overlapping, 10);
  const Pairs pairs = pairUp(down, up, 3, {1, 0, 0}, {0, 0, 0});
  EXPECT_EQ(pairs.forward[0], -1);
  EXPECT_EQ(pairs.forward[1], 2);
}

std::vector<std::vector<char>> reachOf(const std::vector<std::vector<int>>& graph) {
  const size_t n = graph.size();
  std::vector<std::vector<char>> reach(n, std::vector<char>(n));
  for (size_t v = 0; v < n; ++v) {
    std::vector<int> queue{int(v)};
    reach[v][v] = 1;
    for (size_t at = 0; at < queue.size(); ++at)
      for (int w : graph[size_t(queue[at])])
        if (!reach[v][size_t(w)]) {
          reach[v][size_t(w)] = 1;
          queue.push_back(w);
        }
  }
  return reach;
}

TEST(StrongParts, AreThoseThatReachOneAnother) {
  for (std::uint64_t seed = 0; seed < 100; ++seed) {
    Dice dice(seed);
    const int n = dice.whole(1, 30);
    std::vector<std::vector<int>> graph(static_cast<size_t>(n));
    for (int e = 0; e < n * 3 / 2; ++e)
      graph[size_t(dice.whole(0, n - 1))].push_back(dice.whole(0, n - 1));
    const Parts parts = strongParts(graph);
    const auto reach = reachOf(graph);
    for (size_t a = 0; a < graph.size(); ++a)
      for (size_t b = 0; b < graph.size(); ++b)
        ASSERT_EQ(parts.part[a] == parts.part[b], reach[a][b] && reach[b][a]) << "seed " << seed;
    EXPECT_EQ(std::set<int>(parts.part.begin(), parts.part.end()).size(), size_t(parts.count));
  }
}

TEST(StrongParts, ALongChainNeedsNoDeepStack) {
  std::vector<std::vector<int>> chain(200000);
  for (size_t i = 0; i + 1 < chain.size(); ++i) chain[i].push_back(int(i) + 1);
  EXPECT_EQ(strongParts(chain).count, int(chain.size()));
  chain.back().push_back(0);
  EXPECT_EQ(strongParts(chain).count, 1);
}

struct Repaired {
  explicit Repaired(std::vector<Box> all) : boxes(std::move(all)), routes(boxes.size()) {
    const auto overlapping = overlaps(boxes);
    for (Dir dir : kDirs) candidates[size_t(dir)] = gather(boxes, dir, overlapping, 100);
  }
  void route(int from, Dir dir, int to) {
    routes[size_t(from)][size_t(dir)] = {to, RouteReason::Solved, false};
  }
  int run() { return repair({boxes, &candidates, &rules}, routes); }
  std::vector<Box> boxes;
  std::array<Candidates, 4> candidates;
  std::vector<std::array<SlotRule, 4>> rules;
  Routes routes;
};

TEST(Repair, LeavesWhatHangsTogetherAsItIs) {
  Repaired r({{0, 0, 50, 20}, {0, 40, 50, 20}});
  r.route(0, Dir::Down, 1);
  r.route(1, Dir::Up, 0);
  const Routes before = r.routes;
  EXPECT_EQ(r.run(), 0);
  EXPECT_EQ(r.routes, before);
}

TEST(Repair, JoinsTwoHalvesAndMarksWhatItChanged) {
  // Two columns side by side; only the vertical routes are there.
  Repaired r({{0, 0, 50, 20}, {0, 40, 50, 20}, {60, 100, 50, 20}, {60, 140, 50, 20}});
  r.route(0, Dir::Down, 1);
  r.route(1, Dir::Up, 0);
  r.route(2, Dir::Down, 3);
  r.route(3, Dir::Up, 2);
  EXPECT_EQ(r.run(), 2) << "one way there and one way back";
  EXPECT_EQ(strongParts(r.routes).count, 1);
  int marked = 0;
  for (const auto& box : r.routes)
    for (const Route& route : box) marked += route.reason == RouteReason::Repair;
  EXPECT_EQ(marked, 2);
}

TEST(Repair, NeverTouchesClosedOrPinnedDirections) {
  Repaired r({{0, 0, 50, 20}, {200, 5, 50, 20}});
  r.rules.resize(2);
  for (auto& box : r.rules)
    for (auto& rule : box) rule.type = SlotRule::Closed;
  EXPECT_EQ(r.run(), 0);
  for (const auto& box : r.routes)
    for (const Route& route : box) EXPECT_EQ(route.target, -1);
}

TEST(Relation, IsTheSameSeenFromTheOtherSide) {
  Dice dice(8);
  for (int i = 0; i < 2000; ++i) {
    const auto box = [&] {
      return Box{dice.real(0, 200), dice.real(0, 200), dice.real(1, 120), dice.real(1, 120)};
    };
    const Box a = box(), b = box();
    for (Dir dir : kDirs) {
      const Relation there = relate(face(a, dir), face(b, dir));
      const Relation back = relate(face(b, opposite(dir)), face(a, opposite(dir)));
      ASSERT_EQ(there.inCone, back.inCone);
      ASSERT_EQ(there.blocks, back.blocks);
      ASSERT_NEAR(there.gap, back.gap, 1e-9);
      ASSERT_NEAR(there.lateral, back.lateral, 1e-9);
    }
  }
}

TEST(Relation, TheConeEndsAtFortyFiveDegrees) {
  const Facing source = face({0, 0, 100, 100}, Dir::Right);
  const auto inCone = [&](double x, double y) {
    return relate(source, face({x, y, 50, 50}, Dir::Right)).inCone;
  };
  EXPECT_TRUE(inCone(140, 139)) << "40 on, 39 aside";
  EXPECT_TRUE(inCone(140, 140)) << "exactly 45°";
  EXPECT_FALSE(inCone(140, 141));
  EXPECT_FALSE(inCone(-200, 0)) << "behind";
}

}  // namespace
}  // namespace bristle
