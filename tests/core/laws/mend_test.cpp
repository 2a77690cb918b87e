// Every mend that is offered keeps its law and breaks no other one.
#include "core/laws/mend.h"

#include <gtest/gtest.h>

#include "core/edit/templates.h"
#include "core/formats/file_io.h"
#include "core/laws/sequence.h"
#include "runtime/formats/project_file.h"
#include "support/layouts.h"
#include "support/menus.h"

namespace bristle::test {
namespace {

LawReport reportOn(const Machine& machine, const Project& project) {
  const auto ready = makeReady(machine, project);
  EXPECT_TRUE(ready) << ready.error().text();
  return checkLaws({machine, ready->program, ready->symbols, ready->values, nullptr, nullptr});
}

// A template with one or two transitions lost or leading elsewhere.
Machine bentMachine(Dice& dice) {
  Machine m = fromTemplate(allTemplates()[size_t(dice.whole(0, int(allTemplates().size()) - 1))],
                           {"m"}, "bent", dice.chance(0.5) ? Wins::Hover : Wins::Focused);
  for (int i = dice.whole(1, 2); i > 0; --i) {
    const auto at = size_t(dice.whole(0, int(m.transitions.size()) - 1));
    if (dice.chance(0.5))
      m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(at));
    else
      m.transitions[at].to = m.states[size_t(dice.whole(0, int(m.states.size()) - 1))].id;
  }
  return m;
}

Machine plainMenu() {
  return menuButton({"m"}, "menu button", Wins::Hover);
}

// The mends of all laws that a machine breaks: how many there are, of how many laws. Each is held
// to keep its law and to break no other.
std::pair<int, int> mendAll(const Machine& m, const Project& project, const std::string& which) {
  std::pair<int, int> out{0, 0};
  const LawReport before = reportOn(m, project);
  for (int law = 0; law < kLaws && before.whole; ++law) {
    if (!before.laws[size_t(law)].broken) continue;
    ++out.second;
    const auto mend = mendFor(m, project, Law(law + 1));
    if (!mend) continue;
    ++out.first;
    EXPECT_FALSE(mend->words.empty());
    const LawReport after = reportOn(mend->after, project);
    EXPECT_FALSE(after.laws[size_t(law)].broken) << which << " law " << law + 1;
    for (int other = 0; other < kLaws; ++other)
      EXPECT_LE(after.laws[size_t(other)].broken, before.laws[size_t(other)].broken)
          << which << ": mending law " << law + 1 << " broke law " << other + 1;
  }
  return out;
}

TEST(Mends, EveryLostTransitionOfTheMenuButtonCanBeMended) {
  const Machine whole = plainMenu();
  int mended = 0, broken = 0;
  for (size_t i = 0; i < whole.transitions.size(); ++i) {
    Machine m = whole;
    m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(i));
    const auto [some, all] = mendAll(m, {}, "without " + std::to_string(i + 1));
    mended += some;
    broken += all;
  }
  EXPECT_GE(mended * 10, broken * 9) << mended << " of " << broken;
}

// What takes the place of one that activated has to activate, too: else one law is kept and another
// is broken.
TEST(Mends, ALostReleaseComesBackActivating) {
  const Project p =
      parseProject(*readFile(test::sourcePath("data/glasshouse/fernhollow-glasshouse.bristle")))
          ->project;
  int tried = 0;
  for (const auto& machine : p.machines)
    for (size_t i = 0; i < machine->transitions.size(); ++i) {
      if (machine->transitions[i].on != Event::Release || machine->transitions[i].guard.empty())
        continue;
      Machine m = *machine;
      m.transitions.erase(m.transitions.begin() + std::ptrdiff_t(i));
      const auto [some, all] = mendAll(m, p, machine->name + ", without " + std::to_string(i + 1));
      EXPECT_EQ(some, all) << machine->name << ", without " << i + 1;
      const auto mend = mendFor(m, p, Law::Follows);
      for (const Transition& t : mend ? mend->after.transitions : m.transitions)
        EXPECT_TRUE(t.timing) << "as fast as others go there";
      tried += all;
    }
  EXPECT_GT(tried, 1);
}

TEST(Mends, TellWhatTheyChange) {
  Machine m = plainMenu();
  std::erase_if(m.transitions, [](const Transition& t) {
    return t.from == StateId{"hover"} && t.on == Event::OverEnd && t.guard.empty();
  });
  const auto mend = mendFor(m, {}, Law::Follows);
  ASSERT_TRUE(mend);
  ASSERT_EQ(mend->words.size(), 1U);
  EXPECT_EQ(mend->words[0], "add from hover, on over.end, to normal");
}

TEST(Mends, TwoAnswersAreSetApart) {
  Machine m = plainMenu();
  Transition rival;
  rival.from = StateId{"normal"};
  rival.on = Event::OverBegin;
  rival.guard = "down or focus";
  rival.to = {"focused"};
  m.transitions.push_back(rival);
  ASSERT_TRUE(reportOn(m, {}).of(Law::OneAnswer).broken);
  const auto mend = mendFor(m, {}, Law::OneAnswer);
  ASSERT_TRUE(mend);
  EXPECT_FALSE(reportOn(mend->after, {}).of(Law::OneAnswer).broken);
  EXPECT_EQ(mend->after.transitions.back().guard, "(down or focus) and not down");
}

TEST(Mends, AnOrphanIsRemovedAndADeadEndIsLedOut) {
  Machine lost = plainMenu();
  lost.states.push_back({{"lost"}, "lost", Role::None, false, {}});
  const auto gone = mendFor(lost, {}, Law::NoOrphan);
  ASSERT_TRUE(gone);
  EXPECT_EQ(gone->after.states.size(), 5U);

  Machine stuck = plainMenu();
  stuck.states.push_back({{"stuck"}, "stuck", Role::None, false, {}});
  for (Transition& t : stuck.transitions)
    if (t.on == Event::Release && t.to == StateId{"hover"}) t.to = {"stuck"};
  std::erase_if(stuck.transitions, [](const Transition& t) { return !t.from; });
  for (const char* from : {"normal", "hover", "pressed", "focused"}) {
    Transition off;
    off.from = StateId{from};
    off.on = Event::Disable;
    off.to = {"disabled"};
    stuck.transitions.push_back(off);
  }
  ASSERT_TRUE(reportOn(stuck, {}).of(Law::NoDeadEnd).broken);
  const auto out = mendFor(stuck, {}, Law::NoDeadEnd);
  ASSERT_TRUE(out);
  EXPECT_FALSE(reportOn(out->after, {}).of(Law::NoDeadEnd).broken);
}

TEST(Mends, NothingIsOfferedForWhatIsKeptOrBeyondHelp) {
  EXPECT_FALSE(mendFor(plainMenu(), {}, Law::Follows));
  Machine wrong = plainMenu();
  wrong.transitions[0].guard = "over and";
  EXPECT_FALSE(mendFor(wrong, {}, Law::Follows)) << "a guard that cannot be read";
}

// On bent machines of all sorts: what is offered does what it says.
TEST(Mends, NeverMakeItWorse) {
  Project project;
  project.values = {{{"v1"}, "level", 0, {}}};
  int offered = 0;
  for (std::uint64_t seed = 0; seed < 14 && !testing::Test::HasFailure(); ++seed) {
    Dice dice(seed);
    offered += mendAll(bentMachine(dice), project, "seed " + std::to_string(seed)).first;
  }
  EXPECT_GT(offered, 10);
}

}  // namespace
}  // namespace bristle::test
