// The checker and the interpreter never disagree: on machines drawn at random, and on templates
// with something changed.
#include <gtest/gtest.h>

#include "core/edit/templates.h"
#include "law_observer.h"
#include "support/random_machines.h"

namespace bristle::test {
namespace {

Machine bentTemplate(Dice& dice) {
  const auto all = allTemplates();
  Machine m = fromTemplate(all[size_t(dice.whole(0, int(all.size()) - 1))], {"m"}, "bent",
                           dice.whole(0, 1) ? Wins::Hover : Wins::Focused);
  for (int i = dice.whole(0, 3); i >= 0; --i) {
    const auto at = size_t(dice.whole(0, int(m.transitions.size()) - 1));
    switch (dice.whole(0, 3)) {
      case 0:
        m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(at));
        break;
      case 1:
        m.transitions[at].to = m.states[size_t(dice.whole(0, int(m.states.size()) - 1))].id;
        break;
      case 2:
        m.transitions[at].guard = randomGuard(dice);
        break;
      default:
        m.transitions.push_back(randomTransition(dice, m));
    }
  }
  return m;
}

#ifdef __SANITIZE_ADDRESS__
constexpr int kMachines = 150;  // the same code runs many times slower
#else
constexpr int kMachines = 1500;
#endif

void agree(const Machine& machine, Dice& dice) {
  Project project;
  project.values = {{{"v1"}, "level", 0, {}}};
  const auto ready = makeReady(machine, project);
  ASSERT_TRUE(ready) << ready.error().text();
  const LawReport report =
      checkLaws({machine, ready->program, ready->symbols, ready->values, nullptr, nullptr});
  for (int i = 0; i < kLaws; ++i) {
    const auto law = static_cast<Law>(i + 1);
    if (!report.of(law).broken || law == Law::NoOrphan || law == Law::NoDeadEnd) continue;
    LawObserver observer(machine, *ready);
    Ms end = 0;
    for (const LawStep& step : report.of(law).sequence) {
      observer.step(step);
      end = step.at;
    }
    if (law == Law::Rest) observer.leaveAlone(end);
    if (law == Law::Settles) observer.waitTo(end);
    // A chain without end is cut where it is run: what would come later cannot be seen.
    EXPECT_TRUE(observer.broken.contains(law) || observer.broken.contains(Law::Settles))
        << nameOf(law) << ": " << report.of(law).what << " after "
        << inWords(report.of(law).sequence, ready->symbols);
  }
  if (!report.whole) return;
  for (int round = 0; round < 12; ++round) {
    LawObserver observer(machine, *ready);
    Ms now = 0;
    std::string did;
    for (int i = 0; i < 25 && !observer.broken.contains(Law::Settles); ++i) {
      const Ms kWaits[] = {0, 0, 0, 1, 99, 100, 150, 250, 400, 600, 1200};
      now += kWaits[dice.whole(0, 10)];
      const LawStep step = randomStep(dice, observer.player().run(), *ready, now);
      did += inWords(step, ready->symbols) + " " + std::to_string(now) + "; ";
      observer.step(step);
    }
    for (const Law law : observer.broken)
      ASSERT_TRUE(report.of(law).broken) << nameOf(law) << " was broken after " << did;
    if (!report.of(Law::NoOrphan).broken) continue;
    for (const StateIndex state : observer.seen)
      ASSERT_EQ(report.of(Law::NoOrphan).what.find("“" + machine.states[state].name + "”"),
                std::string::npos)
          << "reached after all";
  }
}

std::string told(const Machine& m) {
  std::string out;
  for (const Transition& t : m.transitions) {
    out += (t.from ? t.from->text : "any") + " " + std::string(nameOf(t.on)) +
           (t.after ? std::to_string(t.after) : "") + t.message + " [" + t.guard + "] " + t.to.text;
    for (const Effect& e : t.effects)
      out += " /" + std::string(e.type == EffectType::Activate  ? "activate"
                                : e.type == EffectType::Message ? "send a"
                                                                : "set " + e.formula);
    out += "\n";
  }
  return out;
}

TEST(CheckerAndInterpreter, AgreeOnRandomMachines) {
  Dice dice(4711);
  for (int i = 0; i < kMachines && !testing::Test::HasFailure(); ++i) {
    SCOPED_TRACE(i);
    Machine m = randomMachine(dice, true);
    for (State& s : m.states) s.name = s.id.text;
    m.fires = static_cast<Fires>(dice.whole(0, 3));
    m.wins = static_cast<Wins>(dice.whole(0, 1));
    SCOPED_TRACE(told(m));
    agree(m, dice);
  }
}

TEST(CheckerAndInterpreter, AgreeOnBentTemplates) {
  Dice dice(815);
  for (int i = 0; i < kMachines && !testing::Test::HasFailure(); ++i) {
    SCOPED_TRACE(i);
    const Machine m = bentTemplate(dice);
    SCOPED_TRACE(told(m));
    agree(m, dice);
  }
}

}  // namespace
}  // namespace bristle::test
