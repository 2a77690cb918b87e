// What is not proved must not be called kept: behaviour.md §2, values by regions.
#include <gmock/gmock.h>

#include <random>

#include "core/edit/templates.h"
#include "core/laws/formula_bounds.h"
#include "core/laws/mend.h"
#include "core/laws/sequence.h"
#include "support/menus.h"

namespace bristle {
namespace {

Project withValues() {
  Project p = emptyProject();
  p.values = {{{"depth"}, "depth", 0, {}}, {{"speed"}, "speed", 0, {}}};
  return p;
}
Transition to(const char* from, Event on, const char* state, std::string guard = {}) {
  Transition t;
  t.from = StateId{from};
  t.on = on;
  t.to = {state};
  t.guard = std::move(guard);
  return t;
}
LawReport valuesReport(const Machine& m, const Project& p = withValues()) {
  const auto ready = makeReady(m, p);
  if (!ready) throw std::runtime_error(ready.error().text());
  return checkLaws({m, ready->program, ready->symbols, ready->values});
}
Machine valuesMenu() {
  return menuButton({"m"}, "menu", Wins::Hover);
}

// A fault that needs one value: a disabled button that leaves its disabled look where the guard
// holds.
Machine faulty(const std::string& guard) {
  Machine m = valuesMenu();
  m.transitions.insert(m.transitions.begin(), to("disabled", Event::OverBegin, "normal", guard));
  return m;
}

class Fault : public testing::TestWithParam<const char*> {};

TEST_P(Fault, IsFoundWhateverTheGuardComparesWith) {
  const LawReport report = valuesReport(faulty(GetParam()));
  EXPECT_EQ(report.verdict(Law::DeadWhenDisabled), LawVerdict::Broken) << GetParam();
  EXPECT_TRUE(report.whole);
}
INSTANTIATE_TEST_SUITE_P(
    All, Fault,
    testing::Values("@depth < -5", "@depth * 2 = 7", "@depth > 0.2 and @depth < 0.8",
                    "@depth = 3.2",
                    "@depth != 0 and @depth != 1 and @depth != 2 and @depth != 3 "
                    "and @depth > 11 and @depth < 12",
                    "@depth - 100 > 3", "-@depth / 4 >= 2.5", "not (@depth <= 1000000)",
                    "@depth + over > 41.5", "@depth = -0.125", "(@depth > 2) + (@depth > 4) = 1"));

TEST(Regions, WhatCanNeverHoldIsNoFault) {
  for (const char* guard : {"@depth > 3 and @depth < 3", "@depth > 2 and @depth < 1", "no",
                            "@depth * 0 = 1", "@depth = 1 and @depth = 2"}) {
    const LawReport report = valuesReport(faulty(guard));
    EXPECT_EQ(report.verdict(Law::DeadWhenDisabled), LawVerdict::Kept) << guard;
  }
}

TEST(Regions, WhatCannotBeSolvedIsNotProved) {
  for (const char* guard :
       {"@depth > @speed and @depth < @speed", "@depth * @depth = -1",
        "1 / @depth = 0.5 and @depth < 1", "@depth * @speed = @depth * @speed + 1"}) {
    const LawReport report = valuesReport(faulty(guard));
    EXPECT_EQ(report.verdict(Law::DeadWhenDisabled), LawVerdict::NotProved) << guard;
    EXPECT_FALSE(report.allKept()) << guard;
    EXPECT_TRUE(report.noneBroken()) << guard;
    EXPECT_FALSE(report.whyNotWhole.empty());
  }
}

TEST(Regions, RivalsBetweenWholeNumbersAreFound) {
  Machine m = valuesMenu();
  m.transitions.push_back(to("hover", Event::Repeat, "normal", "@depth >= 3.2"));
  m.transitions.push_back(to("hover", Event::Repeat, "focused", "@depth <= 3.2"));
  m.transitions.back().on = m.transitions[m.transitions.size() - 2].on = Event::Message;
  m.transitions.back().message = m.transitions[m.transitions.size() - 2].message = "go";
  EXPECT_EQ(valuesReport(m).verdict(Law::OneAnswer), LawVerdict::Broken);
}

TEST(Regions, ACounterIsFollowedAndNotCalledProved) {
  Machine m = valuesMenu();
  for (Transition& t : m.transitions)
    if (t.on == Event::Press)
      t.effects.push_back(
          {.type = EffectType::SetValue, .value = {"depth"}, .formula = "@depth + 1"});
  m.transitions.insert(m.transitions.begin(),
                       to("disabled", Event::OverBegin, "disabled", "@depth > 5"));
  const LawReport report = valuesReport(m);
  EXPECT_FALSE(report.whole);
  EXPECT_EQ(report.verdict(Law::DeadWhenDisabled), LawVerdict::NotProved);
}

TEST(Regions, ASwitchBetweenTwoValuesIsProved) {
  Machine m = valuesMenu();
  for (Transition& t : m.transitions)
    if (t.on == Event::Press)
      t.effects.push_back(
          {.type = EffectType::SetValue, .value = {"depth"}, .formula = "1 - @depth"});
  m.transitions.insert(m.transitions.begin(),
                       to("disabled", Event::OverBegin, "disabled", "@depth > 0.5"));
  EXPECT_TRUE(valuesReport(m).whole);
}

// Guards made at random, linear in one value: the bounds split the line so that the answer is the
// same all over each piece. The plain model tries thousands of numbers.
TEST(Regions, BetweenTwoBoundsAGuardAnswersAlike) {
  std::mt19937 random(5);
  const auto number = [&] { return std::to_string(int(random() % 41) - 20); };
  const auto linear = [&] {
    std::string out = number();
    for (unsigned i = 0; i < random() % 3; ++i)
      out = "(" + out + (random() % 2 ? " + " : " - ") +
            (random() % 2   ? "@depth"
             : random() % 2 ? "over"
                            : number() + " * @depth") +
            ")";
    return random() % 4 ? out : out + " / " + std::to_string(1 + random() % 5);
  };
  constexpr const char* kSigns[] = {" < ", " <= ", " > ", " >= ", " = ", " != "};
  Symbols symbols;
  symbols.values = {{"depth"}, {"speed"}};
  int changing = 0, unsolved = 0;
  for (int round = 0; round < 400; ++round) {
    std::string text;
    for (unsigned i = 0; i <= random() % 3; ++i)
      text += (text.empty()   ? ""
               : random() % 2 ? " and "
                              : " or ") +
              std::string(random() % 4 ? "" : "not ") + "(" + linear() + kSigns[random() % 6] +
              linear() + ")";
    const auto guard = compileFormula(text, symbols);
    ASSERT_TRUE(guard) << text;
    ValueBounds bounds;
    addBounds(*guard, bounds);
    if (!bounds.solved) {  // a value that cancels itself out: rounding would decide
      ++unsolved;
      continue;
    }
    const std::set<double>& at = bounds.at[0];
    for (const std::uint8_t signals : {0, 1}) {
      std::map<size_t, bool> answers;  // by interval
      for (int i = 0; i < 1200; ++i) {
        const double v = (int(random() % 40001) - 20000) / 37.0;
        bool onBound = false;
        for (const double b : at) onBound = onBound || std::abs(v - b) < 1e-9;
        if (onBound) continue;
        const auto piece = size_t(std::distance(at.begin(), at.lower_bound(v)));
        const double values[] = {v, 0};
        const bool holds = guard->holds(Signals{signals}, values);
        const auto [known, fresh] = answers.try_emplace(piece, holds);
        ASSERT_EQ(known->second, holds) << text << " at " << v;
        changing += fresh && holds;
      }
    }
  }
  EXPECT_GT(changing, 200);
  EXPECT_LT(unsolved, 100);
}

TEST(Chains, AFiniteChainOfManyMessagesIsNoEndlessOne) {
  Machine m;
  m.id = {"m"};
  m.name = "chain";
  for (int i = 0; i <= 400; ++i)
    m.states.push_back({{"s" + std::to_string(i)},
                        "s" + std::to_string(i),
                        i == 0 || i == 400 ? Role::Rest : Role::None,
                        false,
                        {}});
  for (int i = 0; i < 400; ++i) {
    Transition t;
    t.from = StateId{"s" + std::to_string(i)};
    t.on = i == 0 ? Event::OverBegin : Event::Message;
    t.message = i == 0 ? "" : "m" + std::to_string(i);
    t.to = {"s" + std::to_string(i + 1)};
    if (i < 399)
      t.effects = {{.type = EffectType::Message, .message = "m" + std::to_string(i + 1)}};
    m.transitions.push_back(t);
  }
  EXPECT_FALSE(valuesReport(m).of(Law::Settles).broken);
  // … and one that comes round is, however long it is.
  m.transitions.back().to = {"s1"};
  m.transitions.back().effects = {{.type = EffectType::Message, .message = "m1"}};
  EXPECT_TRUE(valuesReport(m).of(Law::Settles).broken);
}

TEST(Transients, WhatLastsNoTimeBreaksNoLawOfLooks) {
  // Disabled, it passes through a state of no role for no time at all.
  Machine m = valuesMenu();
  m.states.push_back({{"through"}, "through", Role::None, false, {}});
  for (Transition& t : m.transitions)
    if (t.on == Event::Disable) t.to = {"through"};
  Transition on = to("through", Event::After, "disabled");
  on.after = 0;
  m.transitions.push_back(on);
  EXPECT_EQ(valuesReport(m).verdict(Law::DeadWhenDisabled), LawVerdict::Kept);
  m.transitions.back().after = 5;  // but for five milliseconds it is seen
  EXPECT_EQ(valuesReport(m).verdict(Law::DeadWhenDisabled), LawVerdict::Broken);
}

TEST(Budget, WhatTakesTooLongIsNotProvedAndSaysWhy) {
  // A short timer beside a long period: the ways in which they can meet are without number.
  Machine m = fromTemplate(Template::RepeatWhileHeld, {"m"}, "repeat", Wins::Hover);
  Transition t;
  t.on = Event::After;
  t.after = 2;
  t.to = {"pressed"};
  m.transitions.push_back(t);
  const LawReport report = valuesReport(m);
  EXPECT_FALSE(report.whole);
  EXPECT_THAT(report.whyNotWhole, testing::HasSubstr("timers"));
  m.transitions.back().after = 3'600'000;
  valuesReport(m);  // comes back
}

TEST(Stop, AnyCheckEndsSoonAfterItIsAsked) {
  Machine m = fromTemplate(Template::RepeatWhileHeld, {"m"}, "repeat", Wins::Hover);
  const auto ready = makeReady(m, withValues());
  std::atomic<bool> stop{true};
  const LawReport report =
      checkLaws({m, ready->program, ready->symbols, ready->values, nullptr, &stop});
  EXPECT_FALSE(report.whole);
  EXPECT_LE(report.visited, 2U);
}

}  // namespace
}  // namespace bristle
