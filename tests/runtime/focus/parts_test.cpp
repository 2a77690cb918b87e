// The solver's parts, each against a plain and obviously right version of itself.
#include <gtest/gtest.h>

#include <algorithm>
#include <functional>
#include <numeric>
#include <set>

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

// By definition, from all pairs: admissible, hardly dearer than the best, not dominated; with
// nothing in the cone the same of what begins beyond the edge.
std::set<int> plainPicks(const std::vector<Box>& boxes, int box, Dir dir, bool& aside) {
  struct One {
    int box;
    Facing facing;
    Relation relation;
    Terms terms;
  };
  const Facing a = face(boxes[size_t(box)], dir);
  std::vector<One> cone, beyond;
  for (size_t i = 0; i < boxes.size(); ++i) {
    if (int(i) == box) continue;
    const Facing b = face(boxes[i], dir);
    const Relation r = relate(a, b);
    if (r.inCone) cone.push_back({int(i), b, r, termsOf(a, b, r)});
    if (r.beyond()) beyond.push_back({int(i), b, r, termsOf(a, b, r)});
  }
  aside = cone.empty();
  const std::vector<One>& all = aside ? beyond : cone;
  std::vector<One> can;
  for (const One& t : all)
    if (std::none_of(cone.begin(), cone.end(), [&](const One& k) {
          return k.box != t.box && k.relation.blocks && k.facing.far < t.facing.near + 1;
        }))
      can.push_back(t);
  double least = HUGE_VAL;
  for (const One& t : can) least = std::min(least, t.terms.cost());
  std::set<int> out;
  for (const One& t : can)
    if (t.terms.cost() <= 1.25 * least + 16 &&
        std::none_of(all.begin(), all.end(),
                     [&](const One& o) { return dominates(o.terms, t.terms); }))
      out.insert(t.box);
  return out;
}

std::vector<int> anyRank(size_t n) {
  std::vector<int> rank(n);
  std::iota(rank.begin(), rank.end(), 0);
  return rank;
}

void expectPicksOfTheDefinition(const std::vector<Box>& boxes, const Field& field,
                                const std::string& where) {
  const auto rank = anyRank(boxes.size());
  PickFinder picker(field, rank);
  for (size_t i = 0; i < boxes.size(); ++i)
    for (Dir dir : kDirs) {
      bool aside = false;
      const std::set<int> expected = plainPicks(boxes, int(i), dir, aside);
      const Picks picks = picker.pick(int(i), dir);
      std::set<int> found;
      for (const Pick& p : picks.list()) found.insert(p.target);
      ASSERT_EQ(picks.aside, aside) << where << ", box " << i << " " << nameOf(dir);
      if (expected.size() > Picks::kMost) {
        for (int f : found) ASSERT_TRUE(expected.contains(f)) << where;
      } else if (!expected.empty()) {
        ASSERT_EQ(found, expected) << where << ", box " << i << " " << nameOf(dir);
      }
      ASSERT_EQ(picks.natural, !aside && !expected.empty());
      for (size_t k = 1; k < picks.count; ++k)
        ASSERT_LE(picks.all[k - 1].cost, picks.all[k].cost) << "the cheapest first";
    }
}

TEST(Picks, AreExactlyThoseOfTheDefinition) {
  for (std::uint64_t seed = 0; seed < 70; ++seed) {
    const auto boxes = someBoxes(seed, 60);
    expectPicksOfTheDefinition(boxes, Field(boxes), "seed " + std::to_string(seed));
  }
}

TEST(Picks, AreThoseOfTheDefinitionOnLongAndOnWideFields) {
  for (std::uint64_t seed = 0; seed < 12; ++seed)
    for (const bool wide : {false, true}) {
      auto boxes = someBoxes(seed, 200);
      for (Box& box : boxes) (wide ? box.x : box.y) *= 40;
      boxes.push_back({-1e5, -1e5, 20, 20});  // a few far out do not say how long a field is
      expectPicksOfTheDefinition(boxes, Field(boxes),
                                 (wide ? "wide, seed " : "long, seed ") + std::to_string(seed));
    }
}

TEST(Picks, WhatLiesOverIsGoneToWhereNothingElseIsLeft) {
  // Each of the two thin ones is jumped by the other: what is in the way is gone to all the same.
  const std::vector<Box> boxes{{0, 0, 100, 40}, {0, 50, 100, 0.25}, {0, 50.5, 100, 0.25}};
  const Field field(boxes);
  const auto rank = anyRank(3);
  const Picks picks = PickFinder(field, rank).pick(0, Dir::Down);
  ASSERT_EQ(picks.count, 1);
  EXPECT_FALSE(picks.natural);
}

TEST(Field, AfterMovesIsWhatItWouldBeMadeAnew) {
  for (std::uint64_t seed = 0; seed < 20; ++seed) {
    Dice dice(seed);
    auto boxes = someBoxes(seed, 50);
    Field field(boxes);
    for (int step = 0; step < 40; ++step) {
      const int i = dice.whole(0, int(boxes.size()) - 1);
      Box& box = boxes[size_t(i)];
      box.x += dice.real(-300, 300);
      box.y += dice.real(-300, 300);
      if (dice.chance(0.3)) box.w = dice.real(5, 200);
      field.move(i, box);
    }
    expectPicksOfTheDefinition(boxes, field, "moved, seed " + std::to_string(seed));
  }
}

TEST(Field, KnowsWhatLiesOverWhatFromBothSidesAndNothingElse) {
  for (std::uint64_t seed = 0; seed < 20; ++seed) {
    const auto boxes = test::layoutOf("overlapping", seed, 80);
    const Field field(boxes);
    for (size_t a = 0; a < boxes.size(); ++a) {
      std::set<int> expected;
      for (size_t b = 0; b < boxes.size(); ++b) {
        const Box &x = boxes[a], &y = boxes[b];
        if (a != b && x.x < y.x + y.w && y.x < x.x + x.w && x.y < y.y + y.h && y.y < x.y + x.h)
          expected.insert(int(b));
      }
      const auto found = field.overlapping(int(a));
      ASSERT_EQ(std::set<int>(found.begin(), found.end()), expected) << "seed " << seed;
      ASSERT_EQ(found.size(), expected.size()) << "each once";
    }
  }
}

// A heap of thousands of boxes in one place is no menu, but it must not fill the memory either.
TEST(Field, AHeapOfBoxesIsBounded) {
  std::vector<Box> boxes;
  for (int i = 0; i < 3000; ++i) boxes.push_back({double(i % 7), double(i % 11), 400, 300});
  const Field field(boxes);
  EXPECT_TRUE(field.heaped());
  for (int i = 0; i < 3000; ++i) ASSERT_LE(field.overlapping(i).size(), Field::kMostOverlapping);
}

TEST(Slabs, VisitAllThatTouchTheRangeAndStartInTheSlab) {
  Dice dice(4);
  std::vector<Facing> boxes;
  for (int i = 0; i < 500; ++i) {
    const double near = dice.real(0, 1000), lo = dice.real(0, 1000);
    boxes.push_back({near, near + dice.real(1, 90), lo, lo + dice.real(1, 400)});
  }
  Slabs slabs(boxes);
  for (int i = 0; i < 400; ++i) {
    if (i >= 200) {  // the same after moves
      const auto which = size_t(dice.whole(0, 499));
      const Facing before = boxes[which];
      const double near = dice.real(-200, 1200), lo = dice.real(0, 1000);
      boxes[which] = {near, near + dice.real(1, 90), lo, lo + dice.real(1, 400)};
      slabs.move(int(which), before, boxes[which]);
    }
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
size_t mostByTrying(const std::vector<std::vector<int>>& choices, size_t others) {
  std::vector<int> owner(others, -1);
  const std::function<bool(int, std::vector<char>&)> place = [&](int a, std::vector<char>& seen) {
    for (const int b : choices[size_t(a)]) {
      if (seen[size_t(b)]) continue;
      seen[size_t(b)] = 1;
      if (owner[size_t(b)] >= 0 && !place(owner[size_t(b)], seen)) continue;
      owner[size_t(b)] = a;
      return true;
    }
    return false;
  };
  size_t count = 0;
  for (size_t a = 0; a < choices.size(); ++a) {
    std::vector<char> seen(others);
    count += place(int(a), seen);
  }
  return count;
}

TEST(Matching, NoneIsLarger) {
  for (std::uint64_t seed = 0; seed < 300; ++seed) {
    Dice dice(seed);
    const auto from = size_t(dice.whole(1, 14)), to = size_t(dice.whole(1, 14));
    std::vector<MatchEdge> edges;
    std::vector<std::vector<int>> choices(from);
    for (size_t a = 0; a < from; ++a)
      for (size_t b = 0; b < to; ++b)
        if (dice.chance(0.25)) {
          edges.push_back({int(a), int(b), float(dice.whole(0, 40))});
          choices[a].push_back(int(b));
        }
    const std::vector<int> mates = mostPairs(from, to, edges);
    std::set<int> used;
    for (size_t a = 0; a < from; ++a) {
      if (mates[a] < 0) continue;
      ASSERT_TRUE(used.insert(mates[a]).second) << "one partner each";
      ASSERT_NE(std::find(choices[a].begin(), choices[a].end(), mates[a]), choices[a].end());
    }
    ASSERT_EQ(used.size(), mostByTrying(choices, to)) << "seed " << seed;
  }
}

TEST(Matching, OfTwoWaysToPairAllTakesTheCheaper) {
  const std::vector<MatchEdge> edges{{0, 0, 5}, {0, 1, 9}, {1, 0, 1}, {1, 1, 20}};
  EXPECT_EQ(mostPairs(2, 2, edges), (std::vector{1, 0}));
}

AllPicks picksOf(const std::vector<Box>& boxes, const Field& field, const std::vector<int>& rank) {
  AllPicks out(boxes.size());
  PickFinder picker(field, rank);
  for (size_t i = 0; i < boxes.size(); ++i)
    for (Dir dir : kDirs) out[i][size_t(dir)] = picker.pick(int(i), dir);
  return out;
}

TEST(Pairing, PairsWhatPicksOneAnotherAndAsManyAsCanBe) {
  for (std::uint64_t seed = 0; seed < 56; ++seed) {
    const auto boxes = someBoxes(seed, 70);
    const Field field(boxes);
    const auto rank = anyRank(boxes.size());
    const AllPicks picks = picksOf(boxes, field, rank);
    for (Dir dir : {Dir::Right, Dir::Down}) {
      std::vector<Slot> all, touched;
      std::vector<std::vector<int>> choices(boxes.size());
      for (size_t i = 0; i < boxes.size(); ++i) {
        all.push_back({int(i), dir});
        for (const Pick& p : picks[i][size_t(dir)].list())
          if (picks[size_t(p.target)][size_t(opposite(dir))].has(int(i)))
            choices[i].push_back(p.target);
      }
      Pairing pairing(dir, boxes.size());
      pairing.pair(picks, rank, all, touched);
      size_t count = 0;
      for (size_t i = 0; i < boxes.size(); ++i) {
        const int to = pairing.partner(int(i), dir);
        if (to < 0) continue;
        ++count;
        ASSERT_EQ(pairing.partner(to, opposite(dir)), int(i));
        ASSERT_NE(std::find(choices[i].begin(), choices[i].end(), to), choices[i].end());
      }
      ASSERT_EQ(count, mostByTrying(choices, boxes.size())) << "seed " << seed;
    }
  }
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
  explicit Repaired(std::vector<Box> all)
      : boxes(std::move(all)),
        field(boxes),
        rank(anyRank(boxes.size())),
        picks(picksOf(boxes, field, rank)),
        free(boxes.size(), {true, true, true, true}),
        routes(boxes.size()) {}
  void route(int from, Dir dir, int to) {
    routes[size_t(from)][size_t(dir)] = {to, RouteReason::Solved, false};
  }
  int run() { return repair({field, picks, rank, free}, routes); }
  std::vector<Box> boxes;
  Field field;
  std::vector<int> rank;
  AllPicks picks;
  std::vector<std::array<bool, 4>> free;
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
  r.free.assign(2, {false, false, false, false});
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
