#include <gtest/gtest.h>

#include "core/edit/templates.h"
#include "core/laws/check.h"
#include "core/laws/sequence.h"
#include "law_observer.h"
#include "support/layouts.h"

namespace bristle::test {
namespace {

Project withValue() {
  Project project;
  project.values = {{{"v1"}, "level", 0, {}}};
  return project;
}

LawReport reportOn(const Machine& machine, const LawLooks* looks = nullptr) {
  const auto ready = makeReady(machine, withValue());
  EXPECT_TRUE(ready) << ready.error().text();
  return checkLaws({machine, ready->program, ready->symbols, ready->values, looks, nullptr});
}

std::string brokenOf(const LawReport& report) {
  std::string out;
  for (int i = 0; i < kLaws; ++i)
    if (report.laws[size_t(i)].broken) out += (out.empty() ? "" : " ") + std::to_string(i + 1);
  return out;
}

std::string deeds(const Sequence& sequence) {
  std::string out;
  for (const LawStep& step : sequence) {
    const char* const kNames[] = {"over",        "out",     "press",   "key",   "release",
                                  "cancel",      "lift",    "gone",    "focus", "blur",
                                  "able",        "disable", "message", "value", "current",
                                  "not current", "unlock",  "wait"};
    out += (out.empty() ? "" : " ") + std::string(kNames[size_t(step.deed)]);
  }
  return out;
}

// What lifts at the end of a touch is a release and the end of over at once: a guard that reads
// `over` is asked when both signals have changed already (behaviour.md §1 and §5).
TEST(Laws, AFingerThatLiftsIsOneCause) {
  Machine m = menuButton({"m"}, "menu button", Wins::Hover);
  for (Transition& t : m.transitions)
    if (t.on == Event::Release && !t.effects.empty()) t.guard = "over or focus";
  EXPECT_NE(reportOn(m).of(Law::OneForOne).what, "");
  EXPECT_EQ(deeds(reportOn(m).of(Law::OneForOne).sequence), "over press lift");
}

Machine menu() {
  return menuButton({"m"}, "menu button", Wins::Hover);
}

// The transitions that go from a state (nullptr: any) on an event.
template <class Change>
void each(Machine& m, const char* from, Event on, Change change) {
  for (Transition& t : m.transitions)
    if (t.on == on && (!from || (t.from && t.from->text == from))) change(t);
}
void drop(Machine& m, const char* from, Event on) {
  std::erase_if(m.transitions,
                [&](const Transition& t) { return t.on == on && t.from && t.from->text == from; });
}

class Templates : public testing::TestWithParam<std::tuple<Template, Wins>> {
 protected:
  Machine machine() const {
    return fromTemplate(std::get<0>(GetParam()), {"m"}, "a machine", std::get<1>(GetParam()));
  }
};

TEST_P(Templates, KeepAllLaws) {
  const LawReport report = reportOn(machine());
  for (int i = 0; i < kLaws; ++i)
    EXPECT_FALSE(report.laws[size_t(i)].broken)
        << i + 1 << ": " << report.laws[size_t(i)].what << " after "
        << deeds(report.laws[size_t(i)].sequence);
  EXPECT_TRUE(report.whole);
  for (const std::string& advice : report.advice) ADD_FAILURE() << advice;
}

// What can never be taken is told as advice: a press where there is neither pointer nor focus, say,
// which only a shortcut could begin.
bool couldBeTaken(const LawReport& whole, size_t transition) {
  return std::find(whole.neverTaken.begin(), whole.neverTaken.end(), transition) ==
         whole.neverTaken.end();
}

// When a finger lifts, the pointer's going follows at once and leads to the same state.
bool isMadeUpFor(const Machine& m, const Transition& t) {
  return t.on == Event::Release && t.effects.empty() &&
         std::any_of(m.transitions.begin(), m.transitions.end(), [&](const Transition& other) {
           return other.on == Event::OverEnd && other.from == t.from && other.to == t.to;
         });
}

TEST_P(Templates, MissingAnyOneTransitionIsNoticed) {
  const Machine whole = machine();
  const LawReport before = reportOn(whole);
  EXPECT_LE(before.neverTaken.size(), 6U);
  for (size_t i = 0; i < whole.transitions.size(); ++i) {
    Machine m = whole;
    m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(i));
    const Transition& t = whole.transitions[i];
    if (isMadeUpFor(whole, t)) continue;
    const LawReport report = reportOn(m);
    EXPECT_EQ(!report.allKept() || !report.advice.empty(), couldBeTaken(before, i))
        << (t.from ? t.from->text : "common") << " " << nameOf(t.on) << " " << t.guard << " → "
        << t.to.text;
  }
}

INSTANTIATE_TEST_SUITE_P(All, Templates,
                         testing::Combine(testing::ValuesIn(allTemplates().begin(),
                                                            allTemplates().end()),
                                          testing::Values(Wins::Hover, Wins::Focused)));

TEST(MenuButtonLaws, HasFourteenSituationsAndNoticesEachLossWithinFiveSteps) {
  const Machine whole = menu();
  const LawReport before = reportOn(whole);
  EXPECT_EQ(before.visited, 14U);
  for (size_t i = 0; i < whole.transitions.size(); ++i) {
    if (!couldBeTaken(before, i)) continue;
    Machine m = whole;
    m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(i));
    const LawReport report = reportOn(m);
    size_t shortest = 100;
    for (const LawResult& r : report.laws)
      if (r.broken) shortest = std::min(shortest, r.sequence.size());
    EXPECT_LE(shortest, 5U) << i;
  }
}

// What depends on being current is looked at both ways.
TEST(MenuButtonLaws, WhatIsCurrentIsVisitedToo) {
  Machine m = menu();
  m.states.push_back({{"here"}, "here", Role::None, false, {}});
  Transition t;
  t.from = StateId{"normal"};
  t.on = Event::After;
  t.after = 100;
  t.guard = "current";
  t.to = {"here"};
  m.transitions.push_back(t);
  const LawReport report = reportOn(m);
  EXPECT_FALSE(report.of(Law::NoOrphan).broken) << "it is reached where it is current";
  EXPECT_TRUE(report.of(Law::Rest).broken);
  EXPECT_EQ(deeds(report.of(Law::Rest).sequence), "current wait");
}

// One machine for each law, which breaks that law alone, and the shortest way to see it.
TEST(EachLaw, RestIsBrokenByAStateThatHoldsOn) {
  Machine m = menu();
  m.states.push_back({{"seen"}, "seen", Role::None, false, {}});
  each(m, "hover", Event::OverEnd, [](Transition& t) {
    if (t.guard.empty()) t.to = {"seen"};
  });
  Transition back;
  back.from = StateId{"seen"};
  for (const auto& [on, to] :
       {std::pair{Event::OverBegin, "hover"}, {Event::FocusGain, "focused"}}) {
    back.on = on;
    back.to = {to};
    m.transitions.push_back(back);
  }
  const LawReport report = reportOn(m);
  EXPECT_EQ(brokenOf(report), "1");
  EXPECT_EQ(deeds(report.of(Law::Rest).sequence), "over out");
}

TEST(EachLaw, RestIsBrokenByTimersThatGoOnForEver) {
  Machine m = menu();
  m.states.push_back({{"a"}, "a", Role::None, false, {}});
  m.states.push_back({{"b"}, "b", Role::None, false, {}});
  each(m, "hover", Event::OverEnd, [](Transition& t) {
    if (t.guard.empty()) t.to = {"a"};
  });
  for (const auto& [from, to] : {std::pair{"a", "b"}, {"b", "a"}}) {
    Transition t;
    t.from = StateId{from};
    t.on = Event::After;
    t.after = 300;
    t.to = {to};
    m.transitions.push_back(t);
    for (const auto& [on, there] :
         {std::pair{Event::OverBegin, "hover"}, {Event::FocusGain, "focused"}}) {
      t.on = on;
      t.to = {there};
      m.transitions.push_back(t);
    }
  }
  const LawReport report = reportOn(m);
  EXPECT_EQ(brokenOf(report), "1");
  EXPECT_EQ(deeds(report.of(Law::Rest).sequence), "over out");
}

TEST(EachLaw, ADisabledButtonThatFires) {
  // Asked for by a message while disabled.
  Transition told;
  told.from = StateId{"disabled"};
  told.on = Event::Message;
  told.message = "go";
  told.to = {"disabled"};
  told.effects.push_back({.type = EffectType::Activate});
  Machine asked = menu();
  asked.transitions.push_back(told);
  const LawReport report = reportOn(asked);
  EXPECT_TRUE(report.of(Law::DeadWhenDisabled).broken);
  EXPECT_EQ(deeds(report.of(Law::DeadWhenDisabled).sequence), "disable message");
}

TEST(EachLaw, ADisabledButtonThatDoesNotShowIt) {
  Machine m = menu();
  std::erase_if(m.transitions, [](const Transition& t) {
    return t.on == Event::Disable || t.on == Event::Enable;
  });
  std::erase_if(m.states, [](const State& s) { return s.role == Role::Disabled; });
  const LawReport report = reportOn(m);
  EXPECT_EQ(brokenOf(report), "2");
  EXPECT_EQ(deeds(report.of(Law::DeadWhenDisabled).sequence), "disable");
}

TEST(EachLaw, APressThatDoesNothingOrTooMuch) {
  Machine nothing = menu();
  each(nothing, "pressed", Event::Release, [](Transition& t) { t.effects.clear(); });
  EXPECT_EQ(brokenOf(reportOn(nothing)), "3");
  EXPECT_EQ(deeds(reportOn(nothing).of(Law::OneForOne).sequence), "over press release");
  Machine twice = menu();
  each(twice, nullptr, Event::Press,
       [](Transition& t) { t.effects.push_back({.type = EffectType::Activate}); });
  EXPECT_EQ(brokenOf(reportOn(twice)), "3");
  Machine calledOff = menu();
  each(calledOff, "pressed", Event::Abandon,
       [](Transition& t) { t.effects.push_back({.type = EffectType::Activate}); });
  const LawReport report = reportOn(calledOff);
  EXPECT_EQ(brokenOf(report), "3");
  EXPECT_EQ(report.of(Law::OneForOne).sequence.size(), 3U);
}

TEST(EachLaw, FocusThatCannotBeSeen) {
  class Blind : public LawLooks {
   public:
    bool differ(StateIndex a, StateIndex b) const override { return a != b; }
    bool showsFocus(StateIndex, StateIndex) const override { return false; }
  } blind;
  const LawReport report = reportOn(menu(), &blind);
  EXPECT_EQ(brokenOf(report), "4");
  EXPECT_EQ(deeds(report.of(Law::FocusShows).sequence), "focus");
}

TEST(EachLaw, APressThatLooksLikeHover) {
  class SamePress : public LawLooks {
   public:
    bool differ(StateIndex a, StateIndex b) const override { return a != b && a + b != 3; }
    bool showsFocus(StateIndex, StateIndex) const override { return true; }
  } same;  // states 1 and 2: hover and pressed
  const LawReport report = reportOn(menu(), &same);
  EXPECT_EQ(brokenOf(report), "5");
  EXPECT_EQ(deeds(report.of(Law::PressShows).sequence), "over press");
}

TEST(EachLaw, AStateThatNothingLeadsTo) {
  Machine m = menu();
  m.states.push_back({{"lost"}, "lost", Role::None, false, {}});
  const LawReport report = reportOn(m);
  EXPECT_EQ(brokenOf(report), "6");
  EXPECT_NE(report.of(Law::NoOrphan).what.find("lost"), std::string::npos);
}

TEST(EachLaw, AStateThatNothingLeadsOutOfUnlessItIsMeantTo) {
  Machine m = menu();
  m.states.push_back({{"gone"}, "gone", Role::None, false, {}});
  each(m, nullptr, Event::Disable, [](Transition& t) { t.from = StateId{"normal"}; });
  Transition t;
  t.from = StateId{"normal"};
  t.on = Event::Message;
  t.message = "spent";
  t.to = {"gone"};
  m.transitions.push_back(t);
  EXPECT_TRUE(reportOn(m).of(Law::NoDeadEnd).broken);
  EXPECT_EQ(deeds(reportOn(m).of(Law::NoDeadEnd).sequence), "message");
  m.states.back().final = true;
  EXPECT_FALSE(reportOn(m).of(Law::NoDeadEnd).broken);
}

TEST(EachLaw, TwoAnswersToOneEvent) {
  Machine m = menu();
  each(m, "pressed", Event::Release, [](Transition& t) {
    if (t.guard == "focus and not over") t.guard = "focus";
  });
  const LawReport report = reportOn(m);
  EXPECT_EQ(brokenOf(report), "8");
  EXPECT_EQ(report.of(Law::OneAnswer).sequence.size(), 4U)
      << deeds(report.of(Law::OneAnswer).sequence);
}

TEST(EachLaw, AChainThatDoesNotEnd) {
  Machine m = menu();
  for (const char* id : {"ping", "pong"}) m.states.push_back({{id}, id, Role::Rest, false, {}});
  const auto add = [&](const char* from, Event on, const char* to) {
    Transition t;
    t.from = StateId{from};
    t.on = on;
    t.message = on == Event::Message ? "go" : "";
    t.to = {to};
    m.transitions.push_back(t);
  };
  add("normal", Event::Message, "ping");
  add("ping", Event::After, "pong");
  add("pong", Event::After, "ping");
  const LawReport report = reportOn(m);
  EXPECT_TRUE(report.of(Law::Settles).broken);
  EXPECT_EQ(deeds(report.of(Law::Settles).sequence), "message");
  // Messages that answer each other.
  Machine echo = menu();
  Transition t;
  t.from = StateId{"normal"};
  t.on = Event::Message;
  t.message = "echo";
  t.to = {"normal"};
  t.effects.push_back({.type = EffectType::Message, .message = "echo"});
  echo.transitions.push_back(t);
  EXPECT_EQ(brokenOf(reportOn(echo)), "9");
}

TEST(EachLaw, AStateThatDoesNotFollowItsSignals) {
  Machine m = menu();
  drop(m, "normal", Event::FocusGain);
  m.transitions.insert(m.transitions.begin(), Transition{});
  Transition& t = m.transitions.front();
  t.from = StateId{"normal"};
  t.on = Event::FocusGain;
  t.to = {"hover"};
  const LawReport report = reportOn(m);
  EXPECT_TRUE(report.of(Law::Follows).broken);
  EXPECT_EQ(deeds(report.of(Law::Follows).sequence), "focus");
}

TEST(EachLaw, MayBeSwitchedOffWithAReason) {
  Machine m = menu();
  m.states.push_back({{"lost"}, "lost", Role::None, false, {}});
  m.waivers.push_back({6, "kept for the next season"});
  const LawReport report = reportOn(m);
  EXPECT_TRUE(report.of(Law::NoOrphan).broken);
  EXPECT_EQ(report.of(Law::NoOrphan).waived, "kept for the next season");
  EXPECT_TRUE(report.allKept());
}

TEST(LawTimes, TellWhenATimerCannotComeFirst) {
  // `after 500` cannot come where `after 300` of the same state leads away: it is never taken.
  Machine m = fromTemplate(Template::HoldToConfirm, {"m"}, "hold", Wins::Hover);
  m.hold = 300;
  Transition t;
  t.from = StateId{"pressed"};
  t.on = Event::After;
  t.after = 500;
  t.to = {"done"};
  m.transitions.push_back(t);
  m.transitions.push_back(t);
  m.transitions[m.transitions.size() - 2].after = 300;
  EXPECT_FALSE(couldBeTaken(reportOn(m), m.transitions.size() - 1));
  m.transitions.pop_back();
  // `hold` at 300 comes before it, too, but not when the press is dragged off and back after it.
  m.transitions.back().after = 500;
  EXPECT_TRUE(couldBeTaken(reportOn(m), m.transitions.size() - 1));
  // … but it can where it is shorter, and then no activation comes of the press.
  m.transitions.back().after = 200;
  const LawReport early = reportOn(m);
  EXPECT_TRUE(couldBeTaken(early, m.transitions.size() - 1));
  ASSERT_TRUE(early.of(Law::OneForOne).broken);
  EXPECT_EQ(early.of(Law::OneForOne).sequence.back().at, 300);
}

}  // namespace
}  // namespace bristle::test
