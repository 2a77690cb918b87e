#include "core/edit/machine_edits.h"

#include <gmock/gmock.h>

#include "core/edit/kind_edits.h"
#include "core/findings/check.h"
#include "runtime/document/property.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

class MachineEdits : public testing::Test {
 protected:
  History history{emptyProject()};
  void SetUp() override { test::must(history, addKind("Hatch", Wins::Hover)); }
  const Project& now() { return history.now(); }
  const Machine& machine() { return *now().machines[0]; }
  MachineId id() { return machine().id; }
  std::string refused(const Edit& edit) {
    const Project before = now();
    const auto done = history.perform(edit);
    EXPECT_FALSE(done);
    EXPECT_TRUE(equal(now(), before)) << "what is refused changes nothing";
    return done ? std::string() : done.error().text();
  }
};

TEST_F(MachineEdits, WhatCannotBeRunIsRefusedWithThePlace) {
  const auto guard = [&](std::string text) {
    return changeTransition(id(), 0, "guard", {}, [=](Transition& t) { t.guard = text; });
  };
  EXPECT_THAT(refused(guard("over and (")), HasSubstr("column"));
  EXPECT_THAT(refused(guard("@nowhere > 1")), HasSubstr("nowhere"));
  EXPECT_THAT(refused(changeTransition(id(), 0, "to", {}, [](Transition& t) { t.to = {"gone"}; })),
              HasSubstr("gone"));
  EXPECT_THAT(refused(changeTransition(id(), 0, "time", {},
                                       [](Transition& t) {
                                         t.timing = Timing{-5, 0, {}};
                                       })),
              HasSubstr("0 to 600000"));
  EXPECT_THAT(refused(changeTransition(id(), 0, "time", {},
                                       [](Transition& t) {
                                         t.on = Event::After;
                                         t.after = 1LL << 40;
                                       })),
              HasSubstr("0 to 600000"));
  EXPECT_THAT(refused(removeTransition(id(), 999)), HasSubstr("gone"));
}

TEST_F(MachineEdits, OrderChangesOnlyAmongThoseThatAnswerTheSame) {
  std::vector<size_t> release;
  for (size_t i = 0; i < machine().transitions.size(); ++i)
    if (machine().transitions[i].on == Event::Release) release.push_back(i);
  const Transition first = machine().transitions[release[0]];
  test::must(history, moveTransition(id(), release[0], 1));
  EXPECT_EQ(machine().transitions[release[1]], first);
  const Machine before = machine();
  test::must(history, moveTransition(id(), release[0], -1));
  EXPECT_EQ(machine(), before) << "the first stays the first";
}

TEST_F(MachineEdits, ATemplateKeepsLooksWithTheirStates) {
  const KindId kind = now().kinds[0]->id;
  const PropKey fill{now().kinds[0]->parts[0].id, Prop::Fill};
  const Value red = Fill::solid({200, 20, 20, 255});
  test::must(history, setLook(kind, {StateId{"hover"}}, fill, red));
  test::must(history, applyTemplate(id(), Template::Toggle, Wins::Hover));
  const Kind& now_ = *now().kinds[0];
  EXPECT_EQ(machine().states.size(), 10U);
  EXPECT_EQ(valueIn(now_, StateId{"hover"}, fill), red);
  EXPECT_EQ(valueIn(now_, StateId{"on-hover"}, fill), red) << "a new state looks like its role";
  EXPECT_TRUE(check(now()).empty());
  history.undo();
  EXPECT_EQ(machine().states.size(), 5U);
}

TEST_F(MachineEdits, AMachineIsSharedAndMadeOnesOwnAgain) {
  test::must(history, addKind("Other", Wins::Focused));
  const KindId other = now().kinds[1]->id;
  test::must(history, shareMachine(other, id()));
  EXPECT_EQ(now().kinds[1]->machine, id());
  EXPECT_FALSE(now().kinds[1]->departures.empty());
  test::must(history, ownMachine(other));
  EXPECT_NE(now().kinds[1]->machine, id());
  EXPECT_EQ(find(now(), now().kinds[1]->machine)->transitions, machine().transitions);
}

TEST_F(MachineEdits, ALawIsSwitchedOffWithAReasonThatIsKeptInTheFile) {
  test::must(history, removeTransition(id(), 0));
  ASSERT_FALSE(check(now()).empty());
  for (int law = 1; law <= 10; ++law) test::must(history, waiveLaw(id(), law, "a kiosk: no mouse"));
  EXPECT_TRUE(check(now()).empty());
  test::must(history, changeMachine(id(), "rules", {}, [](Machine& m) {
               m.wins = Wins::Focused;
               m.fires = Fires::Hold;
               m.states[2].final = true;
             }));
  const auto again = parseProject(writeProject(now()));
  ASSERT_TRUE(again) << again.error().text();
  EXPECT_EQ(*again->project.machines[0], machine());
  test::must(history, waiveLaw(id(), 1, ""));
  EXPECT_EQ(machine().waivers.size(), 9U);
}

}  // namespace
}  // namespace bristle
