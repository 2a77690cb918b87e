// Motion that is interrupted: whatever comes when, nothing jumps, and turning back is no slower
// than going on would have been.
#include <gtest/gtest.h>

#include <cmath>

#include "core/edit/kind_edits.h"
#include "runtime/machine/look.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

class Interruption : public testing::Test {
 protected:
  History history{emptyProject()};
  std::shared_ptr<LookTable> table;
  size_t channel = 0;
  double span = 40;  // px between the outermost states

  void SetUp() override {
    must(history, addKind("Hatch", Wins::Hover));
    const Kind& kind = *history.now().kinds[0];
    const PropKey outset{kind.parts[0].id, Prop::Outset};
    const double offsets[] = {0, 40, 10, 25, 5};
    const Machine& machine = *find(history.now(), kind.machine);
    for (size_t s = 0; s < machine.states.size(); ++s)
      must(history, setLook(kind.id, {machine.states[s].id}, outset, offsets[s]));
    const Kind& now = *history.now().kinds[0];
    table = std::make_shared<LookTable>(now, machine, naming(history.now()));
    channel = size_t(table->channel(outset));
  }
  double at(LookPlayer& player, Ms now) { return std::get<double>(player.at(now)[channel]); }
};

TEST_F(Interruption, NothingJumpsWhateverComesWhen) {
  Dice dice(17);
  const Easing kEasings[] = {{EasingType::Linear, 0, 0, 1, 1},
                             {EasingType::CubicBezier, 0.2, 0.7, 0.2, 1},
                             {EasingType::CubicBezier, 0.3, 0, 0.3, 1}};
  for (int round = 0; round < 200; ++round) {
    LookPlayer player(table);
    Ms now = 0;
    double before = at(player, 0);
    for (int i = 0; i < 30; ++i) {
      const Timing timing{dice.whole(60, 300), dice.whole(0, 3) == 0 ? dice.whole(0, 80) : 0,
                          kEasings[dice.whole(0, 2)]};
      player.go(StateIndex(dice.whole(0, 4)), timing, now);
      ASSERT_NEAR(at(player, now), before, 1e-9) << "it starts from what is on screen";
      const Ms until = now + dice.whole(1, 200);
      for (; now < until;) {
        ++now;
        const double value = at(player, now);
        // The steepest of these easings goes 8 times as fast as an even one; turning back is
        // shortened with its way.
        ASSERT_LE(std::abs(value - before), span / 60 * 8)
            << "round " << round << " at " << now << " ms";
        before = value;
      }
    }
  }
}

TEST_F(Interruption, OutAndBackTakesNoLongerThanTheWayOut) {
  for (const Ms out : {1, 10, 40, 75, 110, 149, 150, 300}) {
    LookPlayer player(table);
    const Timing timing{150, 0, {EasingType::Linear, 0, 0, 1, 1}};
    player.go(1, timing, 0);
    player.at(out);
    const double reached = at(player, out);
    player.go(0, timing, out);
    const Ms back = std::min<Ms>(out, 150);
    EXPECT_NEAR(at(player, out + back), 0, 0.3) << "turned at " << out << " ms, at " << reached;
    EXPECT_FALSE(player.moving(out + back + 1));
    if (out > 2) {
      LookPlayer other(table);
      other.go(1, timing, 0);
      other.at(out);
      other.go(0, timing, out);
      EXPECT_GT(at(other, out + back / 2), 0.1 * reached) << "and does not get there at once";
    }
  }
}

TEST_F(Interruption, ARestlessPointerEndsWhereItIsLeft) {
  LookPlayer player(table);
  const Timing timing{150, 0, {EasingType::CubicBezier, 0.2, 0.7, 0.2, 1}};
  Ms now = 0;
  for (int i = 0; i < 41; ++i) player.go(StateIndex(i % 2 ? 0 : 1), timing, now += 13);
  EXPECT_NEAR(at(player, now + 150), 40, 1e-9);
}

}  // namespace
}  // namespace bristle::test
