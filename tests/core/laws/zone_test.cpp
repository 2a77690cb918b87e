#include "core/laws/zone.h"

#include <gtest/gtest.h>

#include <set>

#include "support/layouts.h"

namespace bristle::test {
namespace {

constexpr int kMost = 14;  // readings that the plain reference counts
using Readings = std::array<int, 3>;
constexpr Clock kClocks[] = {Clock::State, Clock::Down, Clock::Repeat};

// The same, as a plain set of all readings.
class PlainZone {
 public:
  PlainZone() : all_{{0, 0, 0}} {}
  void elapse() {
    std::set<Readings> more;
    for (Readings r : all_)
      for (; *std::max_element(r.begin(), r.end()) <= kMost; ++r[0], ++r[1], ++r[2]) more.insert(r);
    all_ = more;
  }
  template <class Keep>
  void keep(Keep keeps) {
    std::erase_if(all_, [&](const Readings& r) { return !keeps(r); });
  }
  void reset(size_t clock) {
    std::set<Readings> more;
    for (Readings r : all_) {
      r[clock] = 0;
      more.insert(r);
    }
    all_ = more;
  }
  bool empty() const { return all_.empty(); }
  bool has(const Readings& r) const { return all_.contains(r); }

 private:
  std::set<Readings> all_;
};

// Whether a zone has one reading: pinned to it, it is not empty.
bool has(Zone zone, const Readings& r) {
  for (size_t i = 0; i < 3 && !zone.empty(); ++i) {
    zone.atMost(kClocks[i], r[i]);
    if (!zone.empty()) zone.atLeast(kClocks[i], r[i]);
  }
  return !zone.empty();
}

TEST(Zone, HasTheReadingsThatAPlainSetHas) {
  Dice dice(31);
  for (int round = 0; round < 150; ++round) {
    Zone zone;
    PlainZone plain;
    for (int step = 0; step < 8 && !plain.empty(); ++step) {
      const auto clock = size_t(dice.whole(0, 2));
      const int bound = dice.whole(0, 6);
      switch (dice.whole(0, 3)) {
        case 0: {
          // Time goes on only as far as some clock allows, as in a machine with timers.
          zone.elapse();
          plain.elapse();
          zone.atMost(kClocks[clock], bound);
          plain.keep([&](const Readings& r) { return r[clock] <= bound; });
          for (const size_t other : {size_t{0}, size_t{1}, size_t{2}}) {
            if (!zone.empty()) zone.atMost(kClocks[other], kMost);
            plain.keep([&](const Readings& r) { return r[other] <= kMost; });
          }
          break;
        }
        case 1:
          zone.reset(kClocks[clock]);
          plain.reset(clock);
          break;
        case 2:
          zone.atLeast(kClocks[clock], bound);
          plain.keep([&](const Readings& r) { return r[clock] >= bound; });
          break;
        default:
          zone.atMost(kClocks[clock], bound);
          plain.keep([&](const Readings& r) { return r[clock] <= bound; });
      }
      ASSERT_EQ(zone.empty(), plain.empty()) << "round " << round;
      if (plain.empty()) break;
      for (int probe = 0; probe < 60; ++probe) {
        const Readings r{dice.whole(0, 9), dice.whole(0, 9), dice.whole(0, 9)};
        ASSERT_EQ(has(zone, r), plain.has(r))
            << "round " << round << ": " << r[0] << " " << r[1] << " " << r[2];
      }
    }
  }
}

TEST(Zone, AForgottenClockMayReadAnything) {
  Zone zone;
  zone.elapse();
  zone.atMost(Clock::State, 5);
  zone.forget(Clock::Down);
  EXPECT_TRUE(has(zone, {3, 12, 3}));
  EXPECT_TRUE(has(zone, {3, 0, 3}));
  EXPECT_FALSE(has(zone, {3, 0, 4})) << "the others still go together";
  Zone exact;
  exact.elapse();
  exact.atMost(Clock::State, 5);
  EXPECT_TRUE(zone.contains(exact));
  EXPECT_FALSE(exact.contains(zone));
}

}  // namespace
}  // namespace bristle::test
