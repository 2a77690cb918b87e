#include "runtime/focus/solver.h"

#include <gtest/gtest.h>

#include <algorithm>

#include "runtime/focus/judge.h"
#include "runtime/focus/why.h"
#include "support/layouts.h"

namespace bristle {
namespace {

using test::Dice;

SolveInput inputOf(std::vector<Box> boxes) {
  SolveInput input;
  input.boxes = std::move(boxes);
  for (size_t i = 0; i < input.boxes.size(); ++i) input.names.push_back("b" + std::to_string(i));
  return input;
}

int to(const SolveOutput& out, int box, Dir dir) {
  return out.routes[size_t(box)][size_t(dir)].target;
}

// All families, hundreds of seeds: what is required holds on every one of them.
class Family : public testing::TestWithParam<std::string> {};

TEST_P(Family, KeepsTheHardRulesOnEverySeed) {
  for (std::uint64_t seed = 0; seed < 60; ++seed) {
    const auto boxes = test::layoutOf(GetParam(), seed + 1000, 5 + int(seed * 11 % 80));
    const SolveOutput out = solve(inputOf(boxes));
    const Judgement j = judge(boxes, out.routes);
    ASSERT_EQ(j.wrongWay, 0) << "seed " << seed;
    ASSERT_EQ(j.missed, 0) << "seed " << seed;
    ASSERT_EQ(j.jumped, 0) << "seed " << seed;
    ASSERT_EQ(j.steep, 0) << "seed " << seed;
    ASSERT_EQ(j.dominated, 0) << "seed " << seed;
    ASSERT_EQ(j.empty, 0) << "seed " << seed << ": something begins beyond the edge";
    ASSERT_EQ(j.reach, 1) << "seed " << seed << ", " << boxes.size() << " boxes";
    ASSERT_TRUE(out.allReached);
    ASSERT_LE(j.oddShare(), 0.01) << "seed " << seed;
    ASSERT_GE(j.pairs(), 0.97) << "seed " << seed;
    ASSERT_EQ(j.repairs, out.repairs);
  }
}

// What is kept up to date while boxes move is what solving from the beginning gives.
TEST_P(Family, BroughtUpToDateItIsTheSameAsFromTheBeginning) {
  for (std::uint64_t seed = 0; seed < 12; ++seed) {
    Dice dice(seed);
    SolveInput input = inputOf(test::layoutOf(GetParam(), seed, 60));
    input.rightToLeft = dice.chance(0.3);
    if (dice.chance(0.4)) {
      input.rules.resize(input.boxes.size());
      for (int k = 0; k < 6; ++k)
        input.rules[size_t(dice.whole(0, int(input.boxes.size()) - 1))][size_t(dice.whole(0, 3))] =
            dice.chance(0.5)
                ? SlotRule{SlotRule::Closed, -1}
                : SlotRule{SlotRule::Fixed, dice.whole(0, int(input.boxes.size()) - 1)};
    }
    FocusSolver solver;
    solver.solve(input);
    EXPECT_FALSE(solver.broughtUpToDate());
    for (int step = 0; step < 12; ++step) {
      for (int moved = dice.whole(1, 2); moved-- > 0;) {
        Box& box = input.boxes[size_t(dice.whole(0, int(input.boxes.size()) - 1))];
        const double far = dice.chance(0.3) ? 900 : 40;
        box.x += dice.real(-far, far);
        box.y += dice.real(-far, far);
        if (dice.chance(0.2)) box.w = dice.real(4, 160);
      }
      ASSERT_EQ(solver.solve(input), solve(input)) << "seed " << seed << " step " << step;
      ASSERT_TRUE(solver.broughtUpToDate() || input.boxes.size() < 32);
    }
  }
}

TEST_P(Family, DoesNotDependOnTheOrderOfTheBoxes) {
  for (std::uint64_t seed = 0; seed < 15; ++seed) {
    const SolveInput input = inputOf(test::layoutOf(GetParam(), seed, 40));
    const SolveOutput out = solve(input);
    const int n = int(input.boxes.size());
    std::vector<int> order(input.boxes.size());
    for (int i = 0; i < n; ++i) order[size_t(i)] = i;
    Dice dice(seed + 7);
    for (int i = n; i-- > 1;) std::swap(order[size_t(i)], order[size_t(dice.whole(0, i))]);
    SolveInput shuffled;
    for (int i : order) {
      shuffled.boxes.push_back(input.boxes[size_t(i)]);
      shuffled.names.push_back(input.names[size_t(i)]);
    }
    const SolveOutput other = solve(shuffled);
    for (int i = 0; i < n; ++i)
      for (Dir dir : kDirs) {
        const int target = to(other, i, dir);
        ASSERT_EQ(target < 0 ? -1 : order[size_t(target)], to(out, order[size_t(i)], dir))
            << "seed " << seed;
      }
  }
}

TEST_P(Family, MirroredLayoutsGetMirroredRoutes) {
  for (std::uint64_t seed = 0; seed < 15; ++seed) {
    SolveInput input = inputOf(test::layoutOf(GetParam(), seed, 40));
    // Whole px, so that mirroring is exact.
    for (Box& b : input.boxes)
      b = {std::round(b.x), std::round(b.y), std::round(b.w), std::round(b.h)};
    SolveInput mirrored = input;
    for (Box& b : mirrored.boxes) b.x = -(b.x + b.w);
    mirrored.rightToLeft = true;
    const SolveOutput out = solve(input), other = solve(mirrored);
    for (size_t i = 0; i < input.boxes.size(); ++i) {
      const int b = int(i);
      ASSERT_EQ(to(out, b, Dir::Left), to(other, b, Dir::Right)) << "seed " << seed;
      ASSERT_EQ(to(out, b, Dir::Right), to(other, b, Dir::Left));
      ASSERT_EQ(to(out, b, Dir::Up), to(other, b, Dir::Up));
      ASSERT_EQ(to(out, b, Dir::Down), to(other, b, Dir::Down));
    }
  }
}

TEST_P(Family, WhyAgreesWithTheChoice) {
  for (std::uint64_t seed = 0; seed < 5; ++seed) {
    const SolveInput input = inputOf(test::layoutOf(GetParam(), seed, 30));
    const SolveOutput out = solve(input);
    for (size_t i = 0; i < input.boxes.size(); ++i)
      for (Dir dir : kDirs) {
        const auto ranked = rank(input, out.routes, int(i), dir, 100);
        const int target = to(out, int(i), dir);
        if (target >= 0) {
          ASSERT_FALSE(ranked.empty());
          EXPECT_EQ(ranked[0].target, target);
          EXPECT_EQ(ranked[0].verdict, Verdict::Chosen);
        }
        for (const RankedCandidate& c : ranked) {
          EXPECT_EQ(whyNot(input, out.routes, int(i), dir, c.target).verdict, c.verdict);
          if (c.verdict == Verdict::Chosen) continue;
          const bool can = c.verdict == Verdict::Natural || c.verdict == Verdict::Dearer ||
                           c.verdict == Verdict::Dominated;
          EXPECT_EQ(admissible(input, int(i), dir, c.target), can);
        }
      }
  }
}

INSTANTIATE_TEST_SUITE_P(All, Family, testing::ValuesIn(test::layoutFamilies()),
                         [](const auto& each) {
                           std::string name = each.param;
                           std::replace(name.begin(), name.end(), ' ', '_');
                           return name;
                         });

TEST(Solver, AGridIsWhatOneExpects) {
  std::vector<Box> boxes;
  for (int y = 0; y < 3; ++y)
    for (int x = 0; x < 4; ++x) boxes.push_back({x * 110.0, y * 60.0, 100, 50});
  const SolveOutput out = solve(inputOf(boxes));
  for (int y = 0; y < 3; ++y)
    for (int x = 0; x < 4; ++x) {
      const int i = y * 4 + x;
      EXPECT_EQ(to(out, i, Dir::Right), x < 3 ? i + 1 : -1);
      EXPECT_EQ(to(out, i, Dir::Left), x > 0 ? i - 1 : -1);
      EXPECT_EQ(to(out, i, Dir::Down), y < 2 ? i + 4 : -1);
      EXPECT_EQ(to(out, i, Dir::Up), y > 0 ? i - 4 : -1);
    }
  EXPECT_EQ(out.repairs, 0);
}

TEST(Solver, AlignedComesBeforeNear) {
  // The last lies a little nearer to the first than what is straight below it, but aside; either
  // is natural, and the straight one returns.
  const SolveOutput out =
      solve(inputOf({{0, 0, 100, 40}, {0, 110, 100, 40}, {110, 0, 100, 40}, {110, 70, 100, 40}}));
  EXPECT_EQ(to(out, 0, Dir::Down), 1);
  EXPECT_EQ(to(out, 1, Dir::Up), 0);
  EXPECT_EQ(to(out, 2, Dir::Down), 3);
}

TEST(Solver, NothingInTheStripIsJumped) {
  const SolveOutput out = solve(inputOf({{0, 0, 100, 40}, {0, 60, 100, 40}, {0, 120, 100, 40}}));
  EXPECT_EQ(to(out, 0, Dir::Down), 1);
  EXPECT_EQ(to(out, 2, Dir::Up), 1);
}

TEST(Solver, WhatIsOnlyReachableSteeplyIsReachedByAMarkedRepair) {
  // Two boxes that overlap, so that neither axis has a clear way both ways, and one far corner.
  std::vector<Box> boxes{{0, 0, 200, 200}, {1, 60, 198, 20}};
  const SolveOutput out = solve(inputOf(boxes));
  EXPECT_TRUE(out.allReached);
  EXPECT_EQ(judge(boxes, out.routes).reach, 1);
}

TEST(Solver, PinnedAndClosedDirectionsAreObeyed) {
  SolveInput input = inputOf({{0, 0, 100, 40}, {0, 60, 100, 40}, {0, 120, 100, 40}});
  input.rules.resize(3);
  input.rules[0][size_t(Dir::Down)] = {SlotRule::Fixed, 2};
  input.rules[1][size_t(Dir::Up)] = {SlotRule::Closed, -1};
  const SolveOutput out = solve(input);
  EXPECT_EQ(to(out, 0, Dir::Down), 2);
  EXPECT_EQ(out.routes[0][size_t(Dir::Down)].reason, RouteReason::Fixed);
  EXPECT_EQ(to(out, 1, Dir::Up), -1);
  EXPECT_EQ(to(out, 2, Dir::Up), 1) << "the strip below is still not jumped";
}

TEST(Solver, ASmallMoveChangesOnlyRoutesAround) {
  std::vector<Box> boxes = test::layoutOf("ragged grid", 5, 300);
  const SolveOutput before = solve(inputOf(boxes));
  const Box moved = boxes[150];
  boxes[150].x += 3;
  const SolveOutput after = solve(inputOf(boxes));
  for (size_t i = 0; i < boxes.size(); ++i) {
    const double away = std::hypot(boxes[i].x - moved.x, boxes[i].y - moved.y);
    for (Dir dir : kDirs)
      if (away > 700) {
        EXPECT_EQ(to(before, int(i), dir), to(after, int(i), dir))
            << "box " << i << ", " << away << " px away";
      }
  }
}

TEST(Solver, HandlesNothingOneAndEqualBoxes) {
  EXPECT_TRUE(solve({}).routes.empty());
  const SolveOutput one = solve(inputOf({{0, 0, 10, 10}}));
  for (Dir dir : kDirs) EXPECT_EQ(to(one, 0, dir), -1);
  const SolveOutput same = solve(inputOf({{0, 0, 10, 10}, {0, 0, 10, 10}, {50, 0, 10, 10}}));
  EXPECT_EQ(same.routes.size(), 3U);
  EXPECT_EQ(to(same, 2, Dir::Left) == 0 || to(same, 2, Dir::Left) == 1, true);
}

TEST(Solver, HostileLayoutsEnd) {
  std::vector<Box> heap, far;
  for (int i = 0; i < 1500; ++i) heap.push_back({i * 0.01, i * 0.01, 1000, 1000});
  for (int i = 0; i < 500; ++i) far.push_back({i % 2 ? -9e6 + i : 9e6 - i, i * 1e4, 1e-3, 1e6});
  EXPECT_EQ(solve(inputOf(heap)).routes.size(), heap.size());
  EXPECT_EQ(solve(inputOf(far)).routes.size(), far.size());
}

TEST(Solver, TenThousandBoxesInOnePlaceEnd) {
  std::vector<Box> same, nested, half;
  for (int i = 0; i < 10'000; ++i) {
    same.push_back({5, 5, 10, 10});
    nested.push_back({i * 0.1, i * 0.1, 4000 - i * 0.2, 4000 - i * 0.2});
    half.push_back({i % 100 * 60.0 - 3000, i / 100 * 40.0 - 2000, 100, 60});
  }
  const SolveOutput one = solve(inputOf(same));
  for (const auto& box : one.routes)
    for (const Route& route : box) ASSERT_EQ(route.target, -1) << "no way leads anywhere";
  EXPECT_EQ(solve(inputOf(nested)).routes.size(), nested.size());
  EXPECT_TRUE(solve(inputOf(half)).allReached) << "each half over its neighbours";
}

TEST(Solver, LargeLayoutsKeepTheRules) {
  for (const char* family : {"scattered", "ragged grid", "bars"}) {
    const auto boxes = test::layoutOf(family, 2, 700);
    const Judgement j = judge(boxes, solve(inputOf(boxes)).routes);
    EXPECT_EQ(j.violations(), 0) << family;
    EXPECT_EQ(j.reach, 1) << family;
    EXPECT_GE(j.pairs(), 0.97) << family;
  }
}

TEST(Solver, TwoThousandScatteredBoxesAreNotJumped) {
  const auto boxes = test::layoutOf("scattered", 1, 2000);
  const SolveOutput out = solve(inputOf(boxes));
  int jumped = 0;
  for (size_t i = 0; i < boxes.size(); ++i)
    for (Dir dir : kDirs) {
      const Route& route = out.routes[i][size_t(dir)];
      if (route.reason != RouteReason::Solved) continue;
      jumped += !admissible(inputOf(boxes), int(i), dir, route.target);
    }
  EXPECT_EQ(jumped, 0);
  EXPECT_TRUE(out.allReached);
}

TEST(Judge, SeesEachSortOfFault) {
  const std::vector<Box> column{{0, 0, 100, 40}, {0, 60, 100, 40}, {0, 120, 100, 40}};
  Routes routes = solve(inputOf(column)).routes;
  EXPECT_EQ(judge(column, routes).pairs(), 1);
  const auto with = [&](int box, Dir dir, int target) {
    Routes changed = routes;
    changed[size_t(box)][size_t(dir)].target = target;
    return judge(column, changed);
  };
  EXPECT_EQ(with(0, Dir::Down, 2).jumped, 1);
  EXPECT_EQ(with(0, Dir::Down, 2).dominated, 1);
  EXPECT_EQ(with(0, Dir::Down, -1).missed, 1);
  EXPECT_EQ(with(1, Dir::Down, 0).wrongWay, 1);
  EXPECT_LT(with(2, Dir::Up, -1).reach, 1);
  EXPECT_EQ(judge(column, routes).mostSteps, 2);
}

TEST(Judge, CallsOddWhatIsDearAndDominatedWhatIsWorseOnEachCount) {
  // Ahead at 20 px; aside at 80 px on, 60 aside, its middle 160 off.
  const std::vector<Box> boxes{{0, 0, 100, 40}, {0, 60, 100, 40}, {160, 120, 100, 40}};
  Routes routes(3);
  routes[0][size_t(Dir::Down)] = {2, RouteReason::Solved, false};
  EXPECT_EQ(judge(boxes, routes).dominated, 1);
  EXPECT_EQ(judge(boxes, routes).odd, 1);
  routes[0][size_t(Dir::Down)] = {2, RouteReason::Repair, false};
  EXPECT_EQ(judge(boxes, routes).dominated + judge(boxes, routes).odd, 0) << "told apart";
  EXPECT_EQ(judge(boxes, routes).repairs, 1);
  // Dear, but straighter: odd and not dominated. The other costs 10 + 2 × 10 + 0.15 × 30 = 34.5.
  const std::vector<Box> straight{{0, 0, 20, 20}, {30, 30, 20, 20}, {0, 90, 20, 20}};
  Routes far(3);
  far[0][size_t(Dir::Down)] = {2, RouteReason::Solved, false};
  EXPECT_EQ(judge(straight, far).odd, 1) << "70 is over 1.25 × 34.5 + 16";
  EXPECT_EQ(judge(straight, far).dominated, 0);
}

TEST(Judge, AStricterReadingFindsMoreInTheWay) {
  // What covers a tenth of the strip is in the way if anything is.
  const std::vector<Box> boxes{{0, 0, 100, 40}, {90, 50, 100, 20}, {0, 90, 100, 40}};
  Routes routes(3);
  routes[0][size_t(Dir::Down)] = {2, RouteReason::Solved, false};
  EXPECT_EQ(judge(boxes, routes).jumped, 0);
  EXPECT_EQ(judge(boxes, routes, {.blocks = 0}).jumped, 1);
  // Centres 61° off, though the boxes lie above one another.
  const std::vector<Box> wide{{0, 0, 400, 40}, {0, 120, 40, 40}, {300, 180, 40, 40}};
  routes.assign(3, {});
  routes[0][size_t(Dir::Down)] = {1, RouteReason::Solved, false};
  EXPECT_EQ(judge(wide, routes).steep, 0);
  EXPECT_EQ(judge(wide, routes, {.byCentres = true}).steep, 1);
}

}  // namespace
}  // namespace bristle
