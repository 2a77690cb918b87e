#include "runtime/machine/look.h"

#include <gtest/gtest.h>

#include <cmath>

#include "runtime/machine/easing.h"
#include "runtime/machine/mix.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Dice;

TEST(Easing, MeetsItsEndsAndTheKnownCurveOfCss) {
  const Easing standard;  // CSS `ease`
  EXPECT_EQ(ease(standard, 0), 0);
  EXPECT_EQ(ease(standard, 1), 1);
  EXPECT_NEAR(ease(standard, 0.5), 0.8024, 1e-3);
  EXPECT_NEAR(ease({EasingType::CubicBezier, 0.42, 0, 0.58, 1}, 0.5), 0.5, 1e-9);
  Easing linear;
  linear.type = EasingType::Linear;
  EXPECT_EQ(ease(linear, 0.3), 0.3);
}

TEST(Easing, StepsJumpAtTheirEndOrStart) {
  Easing steps{EasingType::Steps, 0, 0, 0, 0, 4, false};
  EXPECT_EQ(ease(steps, 0), 0);
  EXPECT_EQ(ease(steps, 0.26), 0.25);
  EXPECT_EQ(ease(steps, 1), 1);
  steps.jumpAtStart = true;
  EXPECT_EQ(ease(steps, 0), 0.25);
  EXPECT_EQ(ease(steps, 0.99), 1);
}

TEST(Easing, EveryBezierIsMonotoneInTimeAndExactInText) {
  Dice dice(3);
  for (int i = 0; i < 200; ++i) {
    const Easing e{EasingType::CubicBezier, dice.real(0, 1), dice.real(0, 1), dice.real(0, 1),
                   dice.real(0, 1)};
    double last = -1;
    for (int k = 0; k <= 20; ++k) {
      const double v = ease(e, k / 20.0);
      ASSERT_GE(v, last - 1e-6);
      last = v;
    }
  }
  for (const char* text : {"linear", "bezier 0.2 -0.5 0.9 1.5", "steps 5", "steps 3 start"}) {
    const auto e = parseEasing(text);
    ASSERT_TRUE(e) << text;
    EXPECT_EQ(toText(*e), text);
  }
  for (const char* text :
       {"", "swoosh", "bezier 1 2 3", "bezier 2 0 1 1", "steps 0", "steps 4 middle", "linear x"})
    EXPECT_FALSE(parseEasing(text)) << text;
}

TEST(Mix, IsExactAtTheEndsAndEvenToTheEyeBetween) {
  const Colour black{0, 0, 0, 255}, white{255, 255, 255, 255};
  EXPECT_EQ(mix(black, white, 0), black);
  EXPECT_EQ(mix(black, white, 1), white);
  const Colour grey = mix(black, white, 0.5);  // OKLab lightness 0.5 is #636363
  EXPECT_EQ(grey.r, 99);
  EXPECT_EQ(grey.r, grey.g);
  EXPECT_EQ(grey.g, grey.b);
}

TEST(Mix, FadingInKeepsTheHueOfWhatFades) {
  const Colour none{0, 0, 0, 0}, red{255, 0, 0, 255};
  const Colour half = mix(none, red, 0.5);
  EXPECT_EQ(half.a, 128);
  EXPECT_GT(half.r, 250) << "premultiplied: no dark fringe";
  EXPECT_LT(half.g, 6);
}

TEST(Mix, GradientsGoStopByStopAndMissingStopsAreFilledIn) {
  Value out = 0.0;
  const Fill plain = Fill::solid({0, 0, 0, 255});
  const Fill three =
      Fill::linear(0, {{0, {255, 0, 0, 255}}, {0.3, {0, 255, 0, 255}}, {1, {0, 0, 255, 255}}});
  mixInto(out, plain, three, 0.5);
  const Fill& fill = std::get<Fill>(out);
  ASSERT_EQ(fill.stops.size(), 3U);
  EXPECT_EQ(fill.stops[1].at, 0.3);
  EXPECT_EQ(fill.angle, 0) << "a solid fill has no direction of its own";
  EXPECT_EQ(fill.stops[1].colour, mix({0, 0, 0, 255}, {0, 255, 0, 255}, 0.5));
  mixInto(out, Fill{}, three, 0.5);
  EXPECT_EQ(std::get<Fill>(out).stops[0].colour.a, 128) << "none counts as transparent";
}

TEST(Contrast, AgreesWithTheStandardsExamples) {
  EXPECT_NEAR(contrast({255, 255, 255, 255}, {0, 0, 0, 255}), 21, 1e-9);
  EXPECT_NEAR(contrast({0x77, 0x77, 0x77, 255}, {255, 255, 255, 255}), 4.48, 0.01);
}

struct Played {
  Played() : project(test::columnMenu({"a"})) {
    const Kind& kind = *project.kinds[0];
    table = std::make_shared<LookTable>(kind, *project.machines[0]);
    scale = static_cast<size_t>(table->channel({{}, Prop::Scale}));
    player = std::make_unique<LookPlayer>(table);
  }
  double at(Ms now) { return std::get<double>(player->at(now)[scale]); }
  Project project;
  std::shared_ptr<const LookTable> table;
  std::unique_ptr<LookPlayer> player;
  size_t scale = 0;
};

constexpr StateIndex kNormal = 0, kPressed = 2;
const Timing kLinear{100, 0, {EasingType::Linear}};

TEST(LookPlayer, RunsFromWhatIsOnScreenAndEndsAtTheTarget) {
  Played p;
  p.player->go(kPressed, kLinear, 1000);
  EXPECT_EQ(p.at(1000), 1);
  EXPECT_NEAR(p.at(1050), 0.985, 1e-9);
  EXPECT_TRUE(p.player->moving(1050));
  EXPECT_NEAR(p.at(1100), 0.97, 1e-12);
  EXPECT_FALSE(p.player->moving(1100));
}

TEST(LookPlayer, TurningBackTakesAsLongAsTheWayThereTook) {
  Played p;
  p.player->go(kPressed, kLinear, 0);
  const double there = p.at(30);
  p.player->go(kNormal, kLinear, 30);
  EXPECT_NEAR(p.at(30), there, 1e-12);
  EXPECT_LT(p.at(59), 1);
  EXPECT_EQ(p.at(60), 1) << "30 ms there, 30 ms back";
}

TEST(LookPlayer, DelayHoldsTheOldValue) {
  Played p;
  p.player->go(kPressed, Timing{100, 50, {EasingType::Linear}}, 0);
  EXPECT_EQ(p.at(49), 1);
  EXPECT_NEAR(p.at(100), 0.985, 1e-9);
}

TEST(LookPlayer, NoInterruptionEverJumps) {
  for (std::uint64_t seed = 0; seed < 60; ++seed) {
    Dice dice(seed);
    Played p;
    Ms now = 0;
    double before = p.at(0);
    for (int i = 0; i < 200; ++i) {
      now += dice.whole(0, 4);
      if (dice.chance(0.2)) {
        const double here = p.at(now);
        p.player->go(static_cast<StateIndex>(dice.whole(0, 4)),
                     Timing{dice.whole(40, 200), 0, {EasingType::Linear}}, now);
        ASSERT_NEAR(p.at(now), here, 1e-12) << "seed " << seed;
      }
      const double value = p.at(now);
      // The whole way is 0.03 and takes 40 ms at least; shortened ones go no faster.
      ASSERT_LE(std::abs(value - before), 4 * 0.03 / 40 + 1e-9) << "seed " << seed << " step " << i;
      before = value;
    }
  }
}

TEST(LookTable, AStateIsTheBaseAndItsDepartures) {
  const Project project = test::columnMenu({"a"});
  const Kind& kind = *project.kinds[0];
  const LookTable table(kind, *project.machines[0]);
  const auto radius = static_cast<size_t>(table.channel({kind.parts[0].id, Prop::Radius}));
  for (StateIndex s = 0; s < table.stateCount(); ++s)
    EXPECT_EQ(std::get<Four>(table.state(s)[radius]), Four::all(8));
  const auto shown = static_cast<size_t>(table.channel({kind.parts[1].id, Prop::Shown}));
  EXPECT_EQ(std::get<double>(table.state(0)[shown]), 0);
  EXPECT_EQ(std::get<double>(table.state(3)[shown]), 1) << "the focus ring";
}

}  // namespace
}  // namespace bristle
