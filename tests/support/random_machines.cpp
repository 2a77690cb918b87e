#include "support/random_machines.h"

namespace bristle::test {
namespace {

const char* const kGuards[] = {"",        "over",     "focus",
                               "down",    "not over", "focus and not over",
                               "@v1 > 1", "@v1 = 0",  "not down"};

}  // namespace

std::string randomGuard(Dice& dice) {
  return kGuards[dice.whole(0, 8)];
}

Transition randomTransition(Dice& dice, const Machine& m) {
  Transition t;
  const auto state = [&] { return m.states[size_t(dice.whole(0, int(m.states.size()) - 1))].id; };
  if (dice.whole(0, 4) > 0) t.from = state();
  t.on = static_cast<Event>(dice.whole(0, 14));
  const Ms kAfters[] = {0, 100, 250, 600};
  t.after = t.on == Event::After ? kAfters[dice.whole(0, 3)] : 0;
  if (t.on == Event::Message) t.message = dice.whole(0, 1) ? "a" : "b";
  t.guard = randomGuard(dice);
  t.to = state();
  if (dice.whole(0, 3) == 0) t.effects.push_back({.type = EffectType::Activate});
  if (dice.whole(0, 7) == 0)
    t.effects.push_back({.type = EffectType::SetValue,
                         .value = {"v1"},
                         .formula = dice.whole(0, 1) ? "2" : "1 - @v1"});
  if (dice.whole(0, 9) == 0) t.effects.push_back({.type = EffectType::Message, .message = "a"});
  return t;
}

Machine randomMachine(Dice& dice, bool zeroTimes) {
  Machine m;
  m.name = "random";
  const int states = 2 + dice.whole(0, 3);
  for (int i = 0; i < states; ++i)
    m.states.push_back(
        {{"s" + std::to_string(i)}, "s", i ? Role(dice.whole(0, 5)) : Role::Rest, false, {}});
  for (int i = 4 + dice.whole(0, 10); i > 0; --i) {
    m.transitions.push_back(randomTransition(dice, m));
    if (!zeroTimes && m.transitions.back().on == Event::After) m.transitions.back().after += 50;
  }
  return m;
}

LawStep randomStep(Dice& dice, const Running& run, const Ready& ready, Ms at) {
  for (;;) {
    LawStep step{static_cast<Deed>(dice.whole(0, 15)), at};
    const Signals s = run.signals;
    if (step.deed == Deed::KeyPress && !s.has(Signals::Focus)) continue;
    const bool pointed = s.has(Signals::Armed) && s.has(Signals::Over) && !run.byKey;
    if ((step.deed == Deed::Lift || step.deed == Deed::Gone) && !pointed) continue;
    if (step.deed == Deed::Message) {
      if (ready.symbols.messages.empty()) continue;
      step.index = dice.whole(0, int(ready.symbols.messages.size()) - 1);
    }
    if (step.deed == Deed::SetValue) step.value = dice.whole(0, 2);
    return step;
  }
}

}  // namespace bristle::test
