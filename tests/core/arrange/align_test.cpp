// Lining up, spreading out, evening.
#include "core/arrange/align.h"

#include <gtest/gtest.h>

#include <algorithm>

#include "support/layouts.h"

namespace bristle::test {
namespace {

TEST(Align, MeetsTheEdgesAndMiddlesOfWhatItIsLinedUpTo) {
  const std::vector<Box> boxes{{10, 20, 100, 40}, {50, 90, 60, 20}};
  const Box all = boundsOf(boxes);
  EXPECT_EQ(all, (Box{10, 20, 100, 90}));
  EXPECT_EQ(aligned(boxes, Alignment::Left, all)[1].x, 10);
  EXPECT_EQ(aligned(boxes, Alignment::Right, all)[1].x, 50);
  EXPECT_EQ(aligned(boxes, Alignment::Centre, all)[1].x, 30);
  EXPECT_EQ(aligned(boxes, Alignment::Top, all)[1].y, 20);
  EXPECT_EQ(aligned(boxes, Alignment::Middle, all)[0].y, 45);
  EXPECT_EQ(aligned(boxes, Alignment::Bottom, boxes[0])[1].y, 40) << "to a key one";
}

TEST(Spread, CentresAreEvenlyApartWhateverTheSizes) {
  const std::vector<Box> boxes{{0, 0, 100, 10}, {110, 0, 20, 10}, {300, 0, 100, 10}};
  const auto out = spreadOut(boxes, true, Spread::Centres);
  EXPECT_EQ(out[0], boxes[0]);
  EXPECT_EQ(out[1].x, 190);
  EXPECT_EQ(out[2], boxes[2]);
}

TEST(Spread, FewerThanThreeStay) {
  const std::vector<Box> two{{0, 0, 10, 10}, {50, 5, 10, 10}};
  EXPECT_EQ(spreadOut(two, true, Spread::Gaps), two);
  EXPECT_TRUE(spreadOut({}, true, Spread::Gaps).empty());
}

// In whatever order they were picked, gaps are alike, first and last stay, and nothing changes the
// second time.
TEST(Spread, GapsAreAlike) {
  for (std::uint64_t seed = 1; seed <= 100; ++seed) {
    Dice dice(seed);
    std::vector<Box> boxes;
    double at = 0;
    for (int i = dice.whole(3, 12); i > 0; --i) {
      boxes.push_back({dice.real(0, 500), at, dice.real(5, 60), dice.real(5, 60)});
      at += boxes.back().h + dice.real(0, 90);
    }
    std::vector<Box> shuffled = boxes;
    for (size_t i = shuffled.size(); i > 1; --i)
      std::swap(shuffled[i - 1], shuffled[size_t(dice.whole(0, int(i) - 1))]);
    auto out = spreadOut(shuffled, false, Spread::Gaps);
    std::sort(out.begin(), out.end(), [](const Box& a, const Box& b) { return a.y < b.y; });
    EXPECT_EQ(out.front(), boxes.front());
    EXPECT_NEAR(out.back().y, boxes.back().y, 1e-6);
    const double gap = out[1].y - out[0].y - out[0].h;
    for (size_t i = 1; i < out.size(); ++i)
      EXPECT_NEAR(out[i].y - out[i - 1].y - out[i - 1].h, gap, 1e-6) << "seed " << seed;
    const auto again = spreadOut(out, false, Spread::Gaps);
    for (size_t i = 0; i < out.size(); ++i) EXPECT_NEAR(again[i].y, out[i].y, 1e-6);
  }
}

TEST(Spread, AGivenGapGoesOnFromTheFirst) {
  const std::vector<Box> boxes{{90, 0, 10, 10}, {0, 0, 40, 10}, {30, 0, 20, 10}};
  const auto out = spacedBy(boxes, true, 8);
  EXPECT_EQ(out[1].x, 0);
  EXPECT_EQ(out[2].x, 48);
  EXPECT_EQ(out[0].x, 76);
}

TEST(Even, TakesTheSizeOfOne) {
  const std::vector<Box> boxes{{0, 0, 10, 20}, {50, 60, 30, 40}};
  EXPECT_EQ(evened(boxes, true, false, boxes[1])[0], (Box{0, 0, 30, 20}));
  EXPECT_EQ(evened(boxes, true, true, boxes[0])[1], (Box{50, 60, 10, 20}));
}

}  // namespace
}  // namespace bristle::test
