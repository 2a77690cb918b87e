// Cells, parts, states, buttons' own looks, named values, carrying over, libraries.
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
#include "core/findings/check.h"
#include "core/findings/visible.h"
#include "support/menus.h"
#include "support/wrong.h"

namespace bristle {
namespace {

using testing::HasSubstr;

class ShapeEdits : public testing::Test {
 protected:
  ShapeEdits() : history(test::columnMenu({"Dive", "Log"})) {}
  const Project& now() const { return history.now(); }
  const Kind& kind(size_t i = 0) const { return *now().kinds[i]; }
  const Machine& machine() const { return *find(now(), kind().machine); }
  const Part& plate() const { return kind().parts[0]; }
  ScreenId screen() const { return now().screens[0]->id; }
  ItemId button(size_t i = 0) const { return test::buttons(now())[i]; }
  void must(const Edit& edit) { test::must(history, edit); }
  std::string refused(const Edit& edit) {
    const auto out = edit.apply(now());
    return out ? "" : out.error().text();
  }
  Findings wrong() const { return test::wrongWith(now()); }
  Value shown(size_t kindIndex, const char* state, const PropKey& key) const {
    return valueIn(kind(kindIndex), StateId{state}, key);
  }
  History history;
};

TEST_F(ShapeEdits, ManyCellsAreOneStepAndUndoneAsOne) {
  const PropKey fill{plate().id, Prop::Fill}, radius{plate().id, Prop::Radius};
  const Project before = now();
  must(changeCells({kind().id},
                   {{StateId{"hover"}, fill, Fill::solid({1, 1, 1, 255})},
                    {StateId{"pressed"}, radius, Four{1, 2, 3, 4}},
                    {Column{}, fill, {}}},
                   "paste cells"));
  EXPECT_EQ(std::get<Four>(shown(0, "pressed", radius)), (Four{1, 2, 3, 4}));
  EXPECT_EQ(std::get<Fill>(baseValue(kind(), fill)), Fill{}) << "cleared: the start value";
  history.undo();
  EXPECT_TRUE(equal(now(), before));
}

TEST_F(ShapeEdits, ACellRefusesWhatDoesNotSuitAndNothingIsDone) {
  EXPECT_THAT(refused(changeCells({kind().id},
                                  {{Column{}, {plate().id, Prop::BorderWidth}, 2.0},
                                   {Column{}, {plate().id, Prop::BorderWidth}, 900.0}},
                                  "x")),
              HasSubstr("from 0 to 200"));
  EXPECT_THAT(refused(setLook(kind().id, {Column{}}, {plate().id, Prop::Fill}, NamedRef{{"n9"}})),
              HasSubstr("gone"));
}

TEST_F(ShapeEdits, AStatesLookIsCopiedToOthers) {
  must(copyColumn({kind().id}, StateId{"hover"}, {StateId{"disabled"}, StateId{"focused"}}));
  EXPECT_EQ(kind().departures.at({"disabled"}), kind().departures.at({"hover"}));
  must(copyColumn({kind().id}, Column{}, {StateId{"hover"}}));
  EXPECT_FALSE(kind().departures.contains({"hover"})) << "the base: nothing departs";
}

TEST_F(ShapeEdits, TextAndBackgroundSwap) {
  const PropKey text{kind().parts[2].id, Prop::Colour}, fill{plate().id, Prop::Fill};
  const Colour was = std::get<Colour>(shown(0, "hover", text));
  const Fill plateWas = std::get<Fill>(shown(0, "hover", fill));
  must(swapTextAndFill(kind().id, {StateId{"hover"}}));
  EXPECT_EQ(std::get<Colour>(shown(0, "hover", text)), plateWas.stops[0].colour);
  EXPECT_EQ(std::get<Fill>(shown(0, "hover", fill)), Fill::solid(was));
  EXPECT_EQ(std::get<Colour>(shown(0, "pressed", text)), was) << "only where it was asked for";
}

TEST_F(ShapeEdits, PartsMoveAndAreCopiedWithTheirStates) {
  const PartId ring = kind().parts[1].id;
  must(movePart(kind().id, ring, -5));
  EXPECT_EQ(kind().parts[0].id, ring);
  const auto copy = copyOfPart(kind(), ring);
  ASSERT_TRUE(copy);
  must(addKind("Other", Wins::Hover));
  must(pastePart(now().kinds[1]->id, *copy));
  const Kind& other = kind(1);
  EXPECT_EQ(other.parts.back().name, "Focus ring 2");
  EXPECT_EQ(valueIn(other, StateId{"focused"}, {other.parts.back().id, Prop::Shown}), Value(true));
}

TEST_F(ShapeEdits, AStateOfOnesOwnIsAddedRenamedMovedAndRemoved) {
  must(addState(kind().id, "visited", Role::Rest, StateId{"hover"}));
  const StateId own = machine().states.back().id;
  EXPECT_EQ(kind().departures.at(own), kind().departures.at({"hover"}));
  EXPECT_TRUE(wrong().empty()) << "all laws are kept";
  EXPECT_THAT(refused(addState(kind().id, "visited", Role::None, {})), HasSubstr("called"));
  must(renameState(kind().id, own, "been there"));
  must(moveState(kind().id, own, -10));
  EXPECT_EQ(machine().states[1].id, own) << "the first stays";
  EXPECT_NE(refused(moveState(kind().id, machine().states[0].id, 1)), "");
  must(removeState(kind().id, own));
  EXPECT_FALSE(kind().departures.contains(own));
  EXPECT_THAT(refused(removeState(kind().id, StateId{"hover"})), HasSubstr("only state"));
  EXPECT_NE(refused(removeState(kind().id, machine().states[0].id)), "");
}

TEST_F(ShapeEdits, AButtonDepartsFromItsKindAndComesBack) {
  const PropKey fill{plate().id, Prop::Fill}, radius{plate().id, Prop::Radius};
  const LookOwner own{kind().id, screen(), button()};
  must(setLook(own, {Column{}}, fill, Fill::solid({200, 0, 0, 255})));
  must(setLook(own, {StateId{"hover"}}, radius, Four::all(30)));
  const auto look = [&] { return findItem(*now().screens[0], button())->button()->own; };
  const OwnLook mine = look();
  EXPECT_EQ(valueIn(kind(), &mine, StateId{"normal"}, fill), Value(Fill::solid({200, 0, 0, 255})));
  EXPECT_EQ(valueIn(kind(), &mine, StateId{"hover"}, radius), Value(Four::all(30)));
  EXPECT_NE(valueIn(kind(), &mine, StateId{"hover"}, fill), Value(Fill::solid({200, 0, 0, 255})))
      << "the kind's hover departs, and counts before the button's base";
  // The kind changes, and the button follows in all but what is its own.
  must(setLook(kind().id, {Column{}}, radius, Four::all(3)));
  EXPECT_EQ(valueIn(kind(), &mine, StateId{"normal"}, radius), Value(Four::all(3)));
  must(detach(screen(), button()));
  EXPECT_EQ(now().kinds.size(), 2U);
  EXPECT_EQ(kind(1).name, "Dive");
  EXPECT_EQ(baseValue(kind(1), fill), Value(Fill::solid({200, 0, 0, 255})));
  EXPECT_TRUE(look().empty());
  history.undo();
  must(clearOwn(screen(), button()));
  EXPECT_TRUE(look().empty());
}

TEST_F(ShapeEdits, APanelBecomesAButtonInItsPlace) {
  Item panel;
  panel.name = "Plate";
  panel.place = {{Pin::Start, 40, 222, 0}, {Pin::Start, 30, 66, 0}};
  panel.what = PanelData{Fill::solid({7, 8, 9, 255}), 6};
  must(addItem(screen(), "panel", panel));
  ItemId id;
  for (const auto& item : now().screens[0]->items)
    if (item->name == "Plate") id = item->id;
  must(buttonFrom(screen(), id));
  const Item& made = *findItem(*now().screens[0], id);
  ASSERT_NE(made.button(), nullptr);
  EXPECT_EQ(made.place, panel.place);
  const Kind& look = kind(1);
  EXPECT_EQ(look.width, 222);
  EXPECT_EQ(baseValue(look, {look.parts[0].id, Prop::Fill}), Value(Fill::solid({7, 8, 9, 255})));
  EXPECT_NE(refused(buttonFrom(screen(), id)), "") << "it is a button already";
}

TEST(PictureNames, EndInStates) {
  const auto groups = groupByState({{"Dive_Normal.png", "a"},
                                    {"dive-hover.PNG", "b"},
                                    {"dive.pressed.png", "c"},
                                    {"anchor.png", "d"},
                                    {"lamp over.webp", "e"}});
  ASSERT_EQ(groups.size(), 3U);
  EXPECT_EQ(groups[0].first, "Dive");
  EXPECT_EQ(groups[0].second, (std::map<Role, std::string>{
                                  {Role::Rest, "a"}, {Role::Hover, "b"}, {Role::Press, "c"}}));
  EXPECT_EQ(groups[1].second.at(Role::Rest), "d");
  EXPECT_EQ(groups[2].second.at(Role::Rest), "e") << "one must be there to rest in";
  EXPECT_EQ(roleOfName("Disabled"), Role::Disabled);
  EXPECT_FALSE(roleOfName("overture"));
}

TEST_F(ShapeEdits, SeveralPicturesStandSideBySide) {
  must(kindsFromPictures({{"A", 60, 40, {{Role::Rest, "a.png"}, {Role::Hover, "ah.png"}}, {}},
                          {"B", 60, 40, {{Role::Rest, "b.png"}}, {}}},
                         screen(), 10, 20));
  EXPECT_EQ(now().kinds.size(), 3U);
  const Screen& on = *now().screens[0];
  const auto row = std::find_if(on.items.begin(), on.items.end(), [](const auto& item) {
    return item->container() && item->container()->flow == Flow::Row;
  });
  ASSERT_NE(row, on.items.end());
  EXPECT_EQ(std::count_if(on.items.begin(), on.items.end(),
                          [&](const auto& item) { return item->parent == (*row)->id; }),
            2);
  const Kind& a = kind(1);
  EXPECT_EQ(valueIn(a, StateId{"hover"}, {a.parts[0].id, Prop::File}),
            Value(std::string("ah.png")));
  EXPECT_TRUE(wrong().empty()) << "an accessible name and every state seen";
}

TEST_F(ShapeEdits, ANamedValueIsUsedChangedReplacedAndRemoved) {
  const PropKey fill{plate().id, Prop::Fill}, border{plate().id, Prop::BorderColour};
  must(setLook(kind().id, {Column{}}, border, Colour{10, 20, 30, 255}));
  must(setLook(kind().id, {StateId{"hover"}}, border, Colour{10, 20, 30, 255}));
  must(nameCell({kind().id}, {}, border, "edge", true));
  const NamedId edge = now().named->back().id;
  EXPECT_EQ(usesOf(now(), edge).size(), 2U) << "everywhere";
  EXPECT_EQ(usesOf(now(), edge)[1].place, kind().name + " · Plate · Border colour · hover");
  must(setNamed(edge, false, Colour{99, 0, 0, 255}));
  const LookTable table(kind(), machine(), naming(now()));
  EXPECT_EQ(std::get<Colour>(table.state(0)[size_t(table.channel(border))]),
            (Colour{99, 0, 0, 255}));
  must(addNamed(NamedType::Colour, "other", NamedRef{edge}));
  const NamedId other = now().named->back().id;
  EXPECT_THAT(refused(setNamed(edge, false, NamedRef{other})), HasSubstr("circle"));
  EXPECT_THAT(refused(removeNamed(edge, other)), HasSubstr("alias"));
  EXPECT_THAT(refused(renameNamed(other, "edge")), HasSubstr("called"));
  must(setNamed(other, false, Colour{1, 1, 1, 255}));
  must(removeNamed(edge, other));
  EXPECT_EQ(usesOf(now(), other).size(), 2U) << "replaced";
  must(removeNamed(other, {}));
  EXPECT_EQ(baseValue(kind(), border), Value(Colour{1, 1, 1, 255})) << "what it stood for";
  EXPECT_TRUE(now().named->empty());
  must(nameCell({kind().id}, {}, fill, "body", false));
  EXPECT_EQ(now().named->back().type, NamedType::Colour) << "a plain fill is a colour";
}

TEST_F(ShapeEdits, ADarkSetChangesWhatIsShown) {
  const PropKey border{plate().id, Prop::BorderColour};
  must(nameCell({kind().id}, {}, border, "edge", false));
  must(setNamed(now().named->back().id, true, Colour{0, 0, 0, 255}));
  Project dark = now();
  dark.settings.darkSet = true;
  EXPECT_TRUE(changeBetween(now(), dark).kinds) << "views must draw anew";
  const LookTable table(kind(), machine(), naming(dark));
  EXPECT_EQ(std::get<Colour>(table.base()[size_t(table.channel(border))]), (Colour{0, 0, 0, 255}));
}

TEST_F(ShapeEdits, CarriesPartsDeparturesAndHitAreasOver) {
  must(setLook(kind().id, {StateId{"hover"}}, {plate().id, Prop::Fill},
               Fill::solid({5, 5, 5, 255})));
  must(changeKind(kind().id, "hit", {}, [](Kind& k) { k.hitPadding = 17; }));
  must(addKind("Other", Wins::Focused));
  must(setLook(kind(1).id, {Column{}}, {kind(1).parts[2].id, Prop::Size}, 50.0));
  const KindId other = kind(1).id;
  Aspects aspects;
  aspects.parts = {plate().id};
  aspects.hitArea = true;
  const Project before = now();
  must(carryOver(kind().id, aspects, {{other}}));
  EXPECT_EQ(shown(1, "hover", {kind(1).parts[0].id, Prop::Fill}),
            Value(Fill::solid({5, 5, 5, 255})));
  EXPECT_EQ(kind(1).hitPadding, 17);
  EXPECT_EQ(baseValue(kind(1), {kind(1).parts[2].id, Prop::Size}), Value(50.0)) << "not chosen";
  EXPECT_NE(kind(1).machine, kind().machine);
  history.undo();
  EXPECT_TRUE(equal(now(), before)) << "one step";
  aspects.machine = true;
  must(carryOver(kind().id, aspects, {{other}}));
  EXPECT_EQ(kind(1).machine, kind().machine);
  EXPECT_EQ(now().machines.size(), 1U) << "the one that nobody uses is gone";
  EXPECT_NE(refused(carryOver(kind().id, aspects, {})), "");
}

// What moves while a state lasts goes along with what the state changes; sounds when asked for.
TEST_F(ShapeEdits, MotionsAndSoundsAreCarriedOver) {
  must(addKind("Other", Wins::Focused));
  const KindId other = kind(1).id;
  const StateMotion motion{
      0, 700, 0, {{{plate().id, Prop::OffsetX}, {{0, 0, {}}, {0.5, 4, {}}, {1, 0, {}}}}}};
  must(setMotion(kind().id, {"focused"}, motion, "move"));
  const MachineId from = kind().machine, to = kind(1).machine;
  const auto pressInto = [&](const MachineId& id) {
    const auto& all = find(now(), id)->transitions;
    size_t at = 0;
    while (all[at].on != Event::Press) ++at;
    return at;
  };
  must(changeTransition(from, pressInto(from), "sound", {}, [](Transition& t) {
    t.effects.push_back({.type = EffectType::Sound, .file = "tick.wav", .volume = 0.3});
  }));
  Aspects aspects;
  aspects.parts = {plate().id};
  must(carryOver(kind().id, aspects, {{other}}));
  ASSERT_TRUE(kind(1).motions.contains({"focused"}));
  EXPECT_EQ(kind(1).motions.at({"focused"}).period, 700);
  EXPECT_EQ(kind(1).motions.at({"focused"}).tracks[0].key.part, kind(1).parts[0].id);
  const auto sounds = [&] {
    int count = 0;
    for (const Transition& t : find(now(), to)->transitions)
      for (const Effect& e : t.effects) count += e.type == EffectType::Sound && e.volume == 0.3;
    return count;
  };
  EXPECT_EQ(sounds(), 0) << "not asked for";
  aspects.sounds = true;
  must(carryOver(kind().id, aspects, {{other}}));
  EXPECT_EQ(sounds(), 3) << "wherever a press leads to that state";
}

TEST_F(ShapeEdits, ALibraryGoesFromProjectToProjectWithItsConflicts) {
  must(nameCell({kind().id}, {}, {plate().id, Prop::BorderColour}, "edge", false));
  const Project library = libraryOf(now(), {kind().id});
  EXPECT_TRUE(library.screens.empty());
  EXPECT_EQ(library.named->size(), 1U);
  // Into an empty project: nothing conflicts, and all that it needs comes along.
  History fresh(emptyProject());
  EXPECT_TRUE(conflictsWith(fresh.now(), library, {kind().id}).empty());
  test::must(fresh, takeKinds(library, {kind().id}, {}));
  EXPECT_EQ(fresh.now().kinds.size(), 1U);
  EXPECT_EQ(fresh.now().named->size(), 1U);
  EXPECT_TRUE(check(fresh.now()).empty());
  const Project once = fresh.now();
  test::must(fresh, takeKinds(library, {kind().id}, {}));
  EXPECT_TRUE(equal(fresh.now(), once)) << "the same again is not taken twice";
  // Something else of the same names: a conflict for each.
  const Kind& mine = *fresh.now().kinds[0];
  test::must(fresh, setLook(mine.id, {Column{}}, {mine.parts[0].id, Prop::BorderWidth}, 9.0));
  test::must(fresh, setNamed(fresh.now().named->back().id, false, Colour{0, 99, 0, 255}));
  const auto conflicts = conflictsWith(fresh.now(), library, {kind().id});
  ASSERT_EQ(conflicts.size(), 2U);
  const auto taken = [&](OnConflict how) {
    return *takeKinds(library, {kind().id}, {{conflicts[0], how}, {conflicts[1], how}})
                .apply(fresh.now());
  };
  EXPECT_EQ(taken(OnConflict::Both).kinds.size(), 2U);
  EXPECT_EQ(taken(OnConflict::Both).named->size(), 2U);
  EXPECT_TRUE(equal(taken(OnConflict::Mine), fresh.now()));
  const Project theirs = taken(OnConflict::Theirs);
  EXPECT_EQ(theirs.kinds.size(), 1U);
  EXPECT_EQ(theirs.kinds[0]->id, mine.id) << "what used it goes on doing so";
  EXPECT_NE(baseValue(*theirs.kinds[0], {mine.parts[0].id, Prop::BorderWidth}), Value(9.0));
  EXPECT_EQ(theirs.named->back().value, library.named->back().value);
}

TEST_F(ShapeEdits, AStateThatVanishesIsFound) {
  EXPECT_TRUE(wrong().empty());
  must(setLook(kind().id, {StateId{"hover"}}, {{}, Prop::Opacity}, 0.0));
  const auto found = wrong();
  ASSERT_EQ(found.size(), 1U);
  EXPECT_EQ(found[0].rule, "unseen");
  EXPECT_THAT(found[0].place, HasSubstr("hover"));
  must(changeKind(kind().id, "small", {}, [](Kind& k) { k.height = 6; }));
  EXPECT_EQ(wrong().size(), 2U) << "its hit area is too small";
}

TEST_F(ShapeEdits, HitAreasThatLieOverEachOtherAreFound) {
  const auto overlaps = [&] {
    const auto all = check(now());
    return std::count_if(all.begin(), all.end(),
                         [](const Finding& f) { return f.rule == "hit-overlap"; });
  };
  EXPECT_EQ(overlaps(), 0);
  must(changeKind(kind().id, "hit", {}, [](Kind& k) { k.hitPadding = 40; }));
  EXPECT_EQ(overlaps(), 1) << "one column of two: one seam";
}

TEST_F(ShapeEdits, WhatCannotBeSeenMakesNoDifference) {
  must(setLook(kind().id, {StateId{"hover"}}, {kind().parts[1].id, Prop::BorderWidth}, 8.0));
  must(copyColumn({kind().id}, Column{}, {StateId{"pressed"}}));
  must(setLook(kind().id, {StateId{"pressed"}}, {kind().parts[1].id, Prop::BorderWidth}, 8.0));
  const LookTable table(kind(), machine(), naming(now()));
  EXPECT_TRUE(lookAlike(kind(), table.state(2), table.base())) << "the ring is hidden";
  EXPECT_FALSE(lookAlike(kind(), table.state(1), table.base()));
  EXPECT_FALSE(lookAlike(kind(), table.state(3), table.base())) << "the ring is shown";
}

}  // namespace
}  // namespace bristle
