// Edits that once lost or mistook something: each test is one of them.
#include <gmock/gmock.h>

#include "core/edit/button_edits.h"
#include "core/edit/carry_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/library_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/state_edits.h"
#include "core/edit/templates.h"
#include "core/laws/mend.h"
#include "support/menus.h"

namespace bristle {
namespace {

struct OneKind {
  History history{test::columnMenu({"One", "Two"})};
  KindId kind = history.now().kinds[0]->id;
  MachineId machine = history.now().machines[0]->id;
  const Machine& m() const { return *find(history.now(), machine); }
};

TEST(NameIt, NamesTheValueOfTheButtonAlone) {
  OneKind k;
  const auto label =
      std::find_if(k.history.now().kinds[0]->parts.begin(), k.history.now().kinds[0]->parts.end(),
                   [](const Part& p) { return p.type == PartType::Label; });
  const PropKey size{label->id, Prop::Size};
  const LookOwner own{k.kind, k.history.now().screens[0]->id, test::buttons(k.history.now())[0]};
  test::must(k.history, setLook(own, {Column{}}, size, 41.0));
  test::must(k.history, nameCell(own, {}, size, "big", false));
  EXPECT_EQ(k.history.now().named->back().value, Value(41.0));
}

TEST(StrongerLook, KeepsEverythingThatIsTheMachinesOwn) {
  OneKind k;
  test::must(
      k.history, changeMachine(k.machine, "x", {}, [](Machine& m) {
        m.hold = 777;
        m.repeatDelay = 333;
        m.waivers = {{6, "later"}};
        m.propTimings = {{Prop::Fill, {40, 0, {}}}};
        for (Transition& t : m.transitions)
          if (t.on == Event::Press)
            t.effects.push_back({.type = EffectType::Sound, .file = "tick.wav", .volume = 0.5});
      }));
  const auto sounds = [&] {
    int n = 0;
    for (const Transition& t : k.m().transitions)
      for (const Effect& e : t.effects) n += e.type == EffectType::Sound;
    return n;
  };
  const int before = sounds();
  ASSERT_GT(before, 0);
  test::must(k.history, rewire(k.kind, Wins::Focused));
  EXPECT_EQ(sounds(), before);
  EXPECT_EQ(k.m().hold, 777);
  EXPECT_EQ(k.m().repeatDelay, 333);
  EXPECT_EQ(k.m().waivers.size(), 1U);
  EXPECT_EQ(k.m().propTimings.size(), 1U);
  EXPECT_EQ(k.m().wins, Wins::Focused);
}

TEST(Carry, OnlyTheMachineKeepsTheLooksOfStatesThatHaveOtherIds) {
  History h{test::columnMenu({"One"})};
  test::must(h, addKind("Other", Wins::Hover));
  const KindId from = h.now().kinds[1]->id, to = h.now().kinds[0]->id;
  // The same machine under other ids.
  Machine renamed = *find(h.now(), h.now().kinds[1]->machine);
  for (State& s : renamed.states) s.id.text = "x-" + s.id.text;
  for (Transition& t : renamed.transitions) {
    if (t.from) t.from->text = "x-" + t.from->text;
    t.to.text = "x-" + t.to.text;
  }
  test::must(h, replaceMachine(renamed.id, renamed));
  const auto before = find(h.now(), to)->departures;
  ASSERT_TRUE(before.contains({"hover"}));
  Aspects only;
  only.machine = true;
  only.departures = false;
  test::must(h, carryOver(from, only, {{to, {}, {}}}));
  const Kind& now = *find(h.now(), to);
  EXPECT_EQ(now.departures.size(), before.size());
  ASSERT_TRUE(now.departures.contains({"x-hover"}));
  EXPECT_EQ(now.departures.at({"x-hover"}), before.at({"hover"}));
}

TEST(Mends, AreNotPutOverAMachineThatHasChangedSince) {
  OneKind k;
  const Machine before = k.m();
  Machine mended = before;
  mended.name = "mended";
  test::must(k.history, changeMachine(k.machine, "x", {}, [](Machine& m) { m.hold = 901; }));
  EXPECT_FALSE(k.history.perform(mendMachine(k.machine, before, mended)));
  EXPECT_EQ(k.m().hold, 901);
  EXPECT_TRUE(k.history.perform(mendMachine(k.machine, k.m(), mended)));
}

TEST(Order, AMovedTransitionIsFoundWhereItWent) {
  OneKind k;
  const auto& all = k.m().transitions;
  size_t last = 0;
  for (size_t i = 0; i < all.size(); ++i)
    if (all[i].from == StateId{"pressed"} && all[i].on == Event::Release) last = i;
  const Transition moved = all[last];
  size_t at = last;
  for (auto to = placeAfterMove(k.m(), at, -1); to; to = placeAfterMove(k.m(), at, -1)) {
    test::must(k.history, moveTransition(k.machine, at, -1));
    at = *to;
    EXPECT_EQ(k.m().transitions[at], moved);
  }
  EXPECT_LT(at, last);
}

TEST(Library, ConflictsGoByNamesNotByIdsOfTwoProjects) {
  const auto project = [](bool shifted) {
    History h(emptyProject());
    if (shifted) test::must(h, addNamed(NamedType::Number, "other", 3.0));
    test::must(h, addNamed(NamedType::Colour, "tide", Colour{1, 2, 3, 255}));
    const NamedId tide = h.now().named->back().id;
    test::must(h, addNamed(NamedType::Colour, "text", NamedRef{tide}));
    test::must(h, addKind("Same", Wins::Hover));
    Kind& kind = *edit(const_cast<Project&>(h.now()), h.now().kinds[0]->id);
    // Ids of parts are the same in both, those of names are not.
    for (size_t i = 0; i < kind.parts.size(); ++i)
      kind.parts[i].id.text = "part" + std::to_string(i);
    kind.base = {};
    kind.departures.clear();
    kind.base.set({kind.parts.back().id, Prop::Colour}, NamedRef{tide});
    return h.now();
  };
  const Project mine = project(false), theirs = project(true);
  EXPECT_TRUE(conflictsWith(mine, theirs, {theirs.kinds[0]->id}).empty());
}

}  // namespace
}  // namespace bristle
