// What goes along when kinds leave one project for another, or looks one kind for another.
#include <gmock/gmock.h>

#include "core/edit/button_edits.h"
#include "core/edit/carry_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/library_edits.h"
#include "core/edit/machine_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/state_edits.h"
#include "core/edit/timing_edits.h"
#include "core/edit/used_files.h"
#include "core/findings/check.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"
#include "support/wrong.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;

TEST(Library, TakesAMachineOnceForKindsThatShareIt) {
  Project source = test::columnMenu({"One"});
  source = test::after(source, duplicateKind(source.kinds[0]->id));
  ASSERT_EQ(source.machines.size(), 1U);
  const std::vector<KindId> both{source.kinds[0]->id, source.kinds[1]->id};
  const Project taken = test::after(emptyProject(), takeKinds(libraryOf(source, both), both, {}));
  EXPECT_EQ(taken.kinds.size(), 2U);
  EXPECT_EQ(taken.machines.size(), 1U);
  EXPECT_EQ(taken.kinds[0]->machine, taken.machines[0]->id);
  EXPECT_EQ(taken.kinds[1]->machine, taken.machines[0]->id);
  EXPECT_TRUE(check(taken).empty());
}

TEST(Library, ValuesThatAMachineSetsServeByTheirNames) {
  const Project source = test::fullProject();  // its machine counts “dives”
  const KindId kind = source.kinds[0]->id;
  Project here = emptyProject();
  here.values.push_back({{"v77"}, "dives", 9, {}});
  here.lastId = 80;
  const Project mine = test::after(here, takeKinds(libraryOf(source, {kind}), {kind}, {}));
  EXPECT_EQ(mine.values.size(), 1U) << "the one that is there serves";
  bool sets = false;
  for (const Transition& t : mine.machines[0]->transitions)
    for (const Effect& effect : t.effects)
      if (effect.type == EffectType::SetValue) {
        sets = true;
        EXPECT_EQ(effect.value, ValueId{"v77"});
      }
  EXPECT_TRUE(sets);
  const Project other =
      test::after(emptyProject(), takeKinds(libraryOf(source, {kind}), {kind}, {}));
  ASSERT_EQ(other.values.size(), 1U);
  EXPECT_EQ(other.values[0].name, "dives") << "it comes along";
}

// Whatever names them: guards and what is set, too.
TEST(Library, FormulasNameTheValuesThatServeHere) {
  Project source = test::fullProject();
  source.values.push_back({{"v5"}, "depth", 0, {}});
  const KindId kind = source.kinds[0]->id;
  Machine& machine = *edit(source, source.machines[0]->id);
  machine.transitions[0].guard = "@v1 >= 2 and not (@v5<3 or over)";
  for (Transition& t : machine.transitions)
    for (Effect& effect : t.effects)
      if (effect.type == EffectType::SetValue) effect.formula = "@v5 * 2 + @v1";
  Project here = emptyProject();
  here.values.push_back({{"v77"}, "dives", 9, {}});
  here.lastId = 80;
  const Project mine = test::after(here, takeKinds(libraryOf(source, {kind}), {kind}, {}));
  ASSERT_EQ(mine.values.size(), 2U);
  EXPECT_EQ(mine.values[1].name, "depth") << "a guard needs it";
  const std::string depth = mine.values[1].id.text;
  EXPECT_EQ(mine.machines[0]->transitions[0].guard, "@v77 >= 2 and not (@" + depth + "<3 or over)");
  Symbols symbols{{mine.values[0].id, mine.values[1].id}, {}, {}};
  EXPECT_TRUE(Program::compile(*mine.machines[0], symbols));
  bool sets = false;
  for (const Transition& t : mine.machines[0]->transitions)
    for (const Effect& effect : t.effects)
      if (effect.type == EffectType::SetValue) {
        sets = true;
        EXPECT_EQ(effect.formula, "@" + depth + " * 2 + @v77");
      }
  EXPECT_TRUE(sets);
}

TEST(Library, ANamedValueComesWithWhatItStandsFor) {
  Project source = test::columnMenu({"One"});
  const KindId kind = source.kinds[0]->id;
  source = test::after(source, addNamed(NamedType::Colour, "deep", Colour{1, 2, 3, 255}));
  const NamedId deep = source.named->back().id;
  source = test::after(source, addNamed(NamedType::Colour, "edge", NamedRef{deep}));
  const NamedId edge = source.named->back().id;
  source = test::after(source, addNamed(NamedType::Colour, "unused", Colour{9, 9, 9, 255}));
  const PropKey border{source.kinds[0]->parts[0].id, Prop::BorderColour};
  source = test::after(source, setLook(kind, {Column{}}, border, NamedRef{edge}));
  const Project taken =
      test::after(emptyProject(), takeKinds(libraryOf(source, {kind}), {kind}, {}));
  ASSERT_EQ(taken.named->size(), 2U) << "without the unused one";
  const Naming names = naming(taken);
  const auto* used = std::get_if<NamedRef>(taken.kinds[0]->base.find(border));
  ASSERT_NE(used, nullptr);
  EXPECT_EQ(std::get<Colour>(*names.settle(used->id)), (Colour{1, 2, 3, 255}));
  EXPECT_EQ(names.find(used->id)->name, "edge");
}

TEST(Library, ANameOfAnotherTypeNeverServes) {
  Project source = test::columnMenu({"One"});
  const KindId kind = source.kinds[0]->id;
  const PropKey border{source.kinds[0]->parts[0].id, Prop::BorderColour};
  source = test::after(source, nameCell({kind}, {}, border, "edge", false));
  const Project here = test::after(emptyProject(), addNamed(NamedType::Length, "edge", 4.0));
  const Project library = libraryOf(source, {kind});
  const auto conflicts = conflictsWith(here, library, {kind});
  ASSERT_EQ(conflicts.size(), 1U);
  for (auto how : {OnConflict::Both, OnConflict::Mine, OnConflict::Theirs}) {
    const Project taken = test::after(here, takeKinds(library, {kind}, {{conflicts[0], how}}));
    ASSERT_EQ(taken.named->size(), 2U);
    EXPECT_EQ(taken.named->front().value, Value(4.0));
    EXPECT_EQ(taken.named->back().name, "edge-2");
    EXPECT_TRUE(check(taken).empty());
  }
}

TEST(Library, TellsWhichFilesBelongToIt) {
  Project p = test::after(emptyProject(), kindFromPictures({"Art",
                                                            10,
                                                            10,
                                                            {{Role::Rest, "art/a.svg#normal"},
                                                             {Role::Hover, "art/a.svg#hover"},
                                                             {Role::Press, "art/b.png"}},
                                                            {}}));
  const KindId kind = p.kinds[0]->id;
  EXPECT_THAT(filesOf(p, {kind}).pictures, ElementsAre("art/a.svg", "art/b.png"));
  p = test::after(p, addPart(kind, PartType::Icon, "Sign"));
  const PartId icon = p.kinds[0]->parts.back().id;
  EXPECT_EQ(filesOf(p, {kind}).pictures.size(), 2U) << "icons of our own are no files";
  p = test::after(p, setLook(kind, {Column{}}, {icon, Prop::Icon}, std::string("art/sign.svg")));
  EXPECT_EQ(filesOf(p, {kind}).pictures.size(), 3U);
}

class Carrying : public testing::Test {
 protected:
  Carrying() : history(test::columnMenu({"One"})) {
    test::must(history, addKind("Other", Wins::Hover));
  }
  const Kind& kind(size_t i) { return *history.now().kinds[i]; }
  History history;
};

TEST_F(Carrying, TimingGoesByTheStateThatItLeadsTo) {
  Timing slow;
  slow.duration = 777;
  slow.easing.type = EasingType::Linear;
  test::must(history, timeState(kind(0).id, StateId{"pressed"}, slow));
  Aspects aspects;
  aspects.departures = false;
  aspects.timing = true;
  test::must(history, carryOver(kind(0).id, aspects, {{kind(1).id}}));
  const Machine& there = *find(history.now(), kind(1).machine);
  EXPECT_EQ(timingInto(there, StateId{"pressed"}).duration, 777);
  EXPECT_NE(timingInto(there, StateId{"hover"}).duration, 777);
  EXPECT_NE(kind(0).machine, kind(1).machine) << "each keeps its own";
}

TEST_F(Carrying, StatesOfOnesOwnAreMatchedByTheirNames) {
  for (size_t i : {size_t{0}, size_t{1}})
    test::must(history, addState(kind(i).id, "visited", Role::Rest, {}));
  test::must(history, addState(kind(0).id, "only here", Role::Rest, {}));
  const Machine& here = *find(history.now(), kind(0).machine);
  const StateId visited = here.states[5].id, only = here.states[6].id;
  const PropKey fill{kind(0).parts[0].id, Prop::Fill};
  test::must(history, setLook(kind(0).id, {visited, only}, fill, Fill::solid({7, 7, 7, 255})));
  Aspects aspects;
  aspects.parts = {fill.part};
  test::must(history, carryOver(kind(0).id, aspects, {{kind(1).id}}));
  const Machine& there = *find(history.now(), kind(1).machine);
  const PropKey target{kind(1).parts[0].id, Prop::Fill};
  EXPECT_EQ(valueIn(kind(1), there.states[5].id, target), Value(Fill::solid({7, 7, 7, 255})));
  EXPECT_TRUE(test::wrongWith(history.now()).empty())
      << "nothing is left for a state that is not there";
}

TEST_F(Carrying, APanelBecomesAButtonWithTheCarriedLook) {
  Item panel;
  panel.name = "Board";
  panel.what = PanelData{Fill::solid({1, 1, 1, 255}), 0};
  panel.place = {{Pin::Start, 5, 200, 0}, {Pin::Start, 300, 60, 0}};
  const ScreenId screen = history.now().screens[0]->id;
  test::must(history, addItem(screen, "panel", panel));
  ItemId id;
  for (const auto& item : history.now().screens[0]->items)
    if (item->name == "Board") id = item->id;
  Aspects aspects;
  for (const Part& part : kind(0).parts) aspects.parts.insert(part.id);
  aspects.size = true;
  const Project before = history.now();
  test::must(history, carryOver(kind(0).id, aspects, {{{}, screen, id}, {kind(1).id}}));
  ASSERT_EQ(history.now().kinds.size(), 3U);
  const Kind& made = kind(2);
  EXPECT_NE(findItem(*history.now().screens[0], id)->button(), nullptr);
  EXPECT_EQ(baseValue(made, {made.parts[0].id, Prop::Fill}),
            baseValue(kind(0), {kind(0).parts[0].id, Prop::Fill}));
  EXPECT_EQ(made.width, kind(0).width);
  history.undo();
  EXPECT_TRUE(equal(history.now(), before)) << "both targets were one step";
}

TEST(Cutting, PlacesButtonsOverALockedBackground) {
  CutButton one{
      {"Anchor", 120, 40, {{Role::Rest, "art/a.png"}, {Role::Focus, "art/f.png"}}, {}}, 30, 50};
  CutButton two = one;
  two.pictures.name = "Lamp";
  two.y = 120;
  const Project p = test::after(emptyProject(), placeCut("Title", "art/ground.png", {one, two}));
  const Screen& screen = *p.screens[0];
  ASSERT_EQ(screen.items.size(), 3U);
  EXPECT_TRUE(screen.items[0]->locked);
  EXPECT_EQ(std::get<PictureData>(screen.items[0]->what).file, "art/ground.png");
  EXPECT_EQ(screen.items[2]->place.y.offset, 120);
  EXPECT_EQ(screen.items[2]->button()->accessibleName.base, "Lamp");
  EXPECT_EQ(p.kinds[0]->parts.size(), 1U) << "its own focus picture: no ring, and no caption";
  EXPECT_TRUE(test::wrongWith(p).empty());
  EXPECT_FALSE(placeCut("Title", "x", {}).apply(emptyProject()));
  EXPECT_FALSE(kindFromPictures({"A", 1, 1, {{Role::Hover, "h.png"}}, {}}).apply(emptyProject()));
}

TEST(NamedTiming, IsSettledWhenTheMachineIsCompiled) {
  Project p = test::columnMenu({"One"});
  p = test::after(p, addNamed(NamedType::Duration, "slow", 640.0));
  p = test::after(p, addNamed(NamedType::Easing, "even", Easing{EasingType::Linear, 0, 0, 0, 0}));
  Timing timing;
  timing.namedDuration = p.named->front().id;
  timing.namedEasing = p.named->back().id;
  p = test::after(p, timeState(p.kinds[0]->id, StateId{"pressed"}, timing));
  Symbols symbols;
  const auto program = Program::compile(*p.machines[0], symbols, naming(p));
  ASSERT_TRUE(program);
  for (size_t i = 0; i < p.machines[0]->transitions.size(); ++i) {
    if (p.machines[0]->transitions[i].to != StateId{"pressed"}) continue;
    for (size_t t = 0; t < p.machines[0]->transitions.size(); ++t) {
      const auto& compiled = program->transition(static_cast<std::uint16_t>(t));
      if (compiled.source != i) continue;
      EXPECT_EQ(compiled.pace.all.duration, 640);
      EXPECT_EQ(compiled.pace.all.easing.type, EasingType::Linear);
    }
  }
  // A property's own timing may be named, too, and goes the same ways.
  p = test::after(p, changeTiming(p.machines[0]->id, {{}, Prop::Fill}, false, "x", {},
                                  [&](Timing& t) { t = timing; }));
  const Project library = libraryOf(p, {p.kinds[0]->id});
  EXPECT_EQ(library.named->size(), 2U) << "what timings name goes along";
  const Project taken = test::after(emptyProject(), takeKinds(library, {p.kinds[0]->id}, {}));
  ASSERT_EQ(taken.machines[0]->propTimings.size(), 1U);
  EXPECT_EQ(find(taken, taken.machines[0]->propTimings[0].timing.namedDuration)->name, "slow");
  p = test::after(p, removeNamed(p.named->front().id, {}));
  EXPECT_EQ(p.machines[0]->propTimings[0].timing.duration, 640) << "what it stood for stays";
  EXPECT_EQ(timingInto(*p.machines[0], StateId{"pressed"}).duration, 640)
      << "what it stood for stays";
  EXPECT_THAT(timeState(p.kinds[0]->id, StateId{"pressed"}, {-1, 0, {}}).apply(p).error().text(),
              HasSubstr("0 to 60"));
}

}  // namespace
}  // namespace bristle
