// Rules about what never changes, and about what stands or moves otherwise than one expects.
#include <gmock/gmock.h>

#include "core/edit/cluster_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/rules.h"
#include "support/layouts.h"
#include "support/sound_menu.h"

namespace bristle::test {
namespace {

using testing::Each;
using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

// A value that the first button sets.
Sound withValue(ProjectValue value) {
  Sound menu;
  value.id = {"v9"};
  value.name = "depth";
  menu.project.values = {value};
  menu.button(menu.ids[0]).actions = {{.type = ActionType::Set, .value = {"v9"}, .number = 1}};
  menu.item(menu.ids[1]).shownWhen = "@v9 < 2";
  return menu;
}

TEST(SteadyRules, AConditionMayHoldOrNot) {
  Sound menu = withValue({});
  EXPECT_THAT(menu.rules(), IsEmpty());
  const std::pair<const char*, const char*> steady[] = {
      {"@v9 < 2 or @v9 >= 2", "always holds"},
      {"@v9 > 4 and @v9 < 3", "can never hold"},
      {"@v9 * 2 = 6 and @v9 != 3", "can never hold"},
      {"not (@v9 > 1 and @v9 < 1)", "always holds"},
  };
  for (const auto& [formula, words] : steady) {
    menu.item(menu.ids[1]).shownWhen = formula;
    const Findings all = check(menu.project);
    ASSERT_EQ(all.size(), 1U) << formula;
    EXPECT_EQ(all[0].rule, "steady-condition");
    EXPECT_THAT(all[0].reason, HasSubstr(words)) << formula;
    EXPECT_TRUE(after(menu.project, all[0].mends[0]).screens[0]->items.back()->shownWhen.empty());
  }
  for (const char* formula : {"@v9 > 4 and @v9 < 4.25", "@v9 = 0.1", "@v9 != 7"}) {
    menu.item(menu.ids[1]).shownWhen = formula;
    EXPECT_THAT(menu.rules(), IsEmpty()) << formula;
  }
}

TEST(SteadyRules, AValueComesNoFartherThanItsLimits) {
  Sound menu = withValue({.least = 0, .most = 4});
  menu.item(menu.ids[1]).shownWhen = "@v9 <= 4";
  EXPECT_THAT(menu.rules(), ElementsAre("steady-condition"));
  menu.item(menu.ids[1]).shownWhen = "@v9 < 4";
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.item(menu.ids[1]).shownWhen = "@v9 > 4";
  EXPECT_THAT(menu.rules(), ElementsAre("steady-condition"));
  menu = withValue({.sort = ValueSort::Choice, .options = {"shallow", "deep"}});
  menu.item(menu.ids[1]).shownWhen = "@v9 = 1";
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.item(menu.ids[1]).shownWhen = "@v9 = 2";
  EXPECT_THAT(menu.rules(), ElementsAre("steady-condition"));
  menu = withValue({.sort = ValueSort::Flag});
  menu.item(menu.ids[1]).shownWhen = "@v9 = 0 or @v9 = 1";
  EXPECT_THAT(menu.rules(), ElementsAre("steady-condition"));
}

// Two values compared with each other cannot be told by trying.
TEST(SteadyRules, WhatCannotBeToldIsNotTold) {
  Sound menu = withValue({});
  menu.project.values.push_back({.id = {"v8"}, .name = "other"});
  menu.button(menu.ids[0])
      .actions.push_back({.type = ActionType::Set, .value = {"v8"}, .number = 1});
  menu.item(menu.ids[1]).shownWhen = "@v9 < @v8 and @v9 > @v8";
  EXPECT_THAT(menu.rules(), IsEmpty());
}

// Three in a line; the first is pinned past the second.
TEST(RouteRules, APinThatBecameOddIsQuestioned) {
  Sound menu;
  menu.project = placedMenu({{100, 100, 200, 60}, {100, 200, 200, 60}, {100, 300, 200, 60}});
  menu.ids = buttons(menu.project);
  for (const ItemId& id : menu.ids)
    menu.button(id).actions = {{.type = ActionType::Message, .message = "m"}};
  menu.screen().entry = menu.ids[0];
  EXPECT_THAT(menu.rules(), IsEmpty());
  RouteRule& down = menu.button(menu.ids[0]).routes[Dir::Down];
  down = {RouteType::Pinned, menu.ids[1]};
  EXPECT_THAT(menu.rules(), IsEmpty()) << "pinned to what is natural";
  down.target = menu.ids[2];
  const Finding f = only(menu, "odd-pin");
  EXPECT_EQ(f.item, menu.ids[0]);
  EXPECT_THAT(f.reason, HasSubstr("b2"));
  // Round and round is meant: each end leads to the other.
  down = {};
  menu.button(menu.ids[2]).routes[Dir::Down] = {RouteType::Pinned, menu.ids[0]};
  menu.button(menu.ids[0]).routes[Dir::Up] = {RouteType::Pinned, menu.ids[2]};
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(RouteRules, AWrapStaysInTheRow) {
  Sound menu;
  menu.project = placedMenu({{100, 100, 200, 60}, {400, 100, 200, 60}});
  menu.ids = buttons(menu.project);
  for (const ItemId& id : menu.ids)
    menu.button(id).actions = {{.type = ActionType::Message, .message = "m"}};
  menu.screen().entry = menu.ids[0];
  menu.button(menu.ids[1]).routes[Dir::Right] = {RouteType::Wrap, {}};
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.item(menu.ids[0]).place.y.offset = 300;
  const auto rules = menu.rules();
  EXPECT_THAT(rules, ElementsAre("odd-wrap"));
}

TEST(MachineRules, WhatNobodyUsesComesToRest) {
  Sound menu;
  const StateId rest = menu.machine().states[0].id;
  StateMotion sway;
  sway.tracks = {{{{}, Prop::Rotation}, {{0, 0, {}}, {0.5, 4, {}}, {1, 0, {}}}}};
  sway.period = 1000;
  sway.count = 5;
  menu.kind().motions[rest] = sway;
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.kind().motions[rest].count = 6;
  EXPECT_EQ(only(menu, "endless-motion").figure, 6);
  menu.kind().motions[rest].count = 0;
  only(menu, "endless-motion");
  // While somebody points at it, it may.
  menu.kind().motions = {{menu.machine().states[1].id, sway}};
  menu.kind().motions.begin()->second.count = 0;
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(NameRules, APictureAloneIsDescribed) {
  Sound menu;
  History h(menu.project);
  must(h, addPart(h.now().kinds[0]->id, PartType::Picture, "Art"));
  menu.project = h.now();
  EXPECT_THAT(menu.rules(), IsEmpty()) << "with a caption";
  menu.button(menu.ids[0]).accessibleName = menu.button(menu.ids[0]).caption;
  menu.button(menu.ids[0]).caption = {};
  EXPECT_EQ(only(menu, "no-description").item, menu.ids[0]);
  menu.button(menu.ids[0]).description = "A helm of brass";
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(LookRules, NothingCoversAButton) {
  Sound menu;
  const auto cover = [&](Px high, Colour colour) {
    Item panel;
    panel.id = {"sheet"};
    panel.place = {{Pin::Start, 0, 1920, 0}, {Pin::Start, 0, high, 0}};
    panel.what = PanelData{Fill::solid(colour)};
    Screen& screen = menu.screen();
    std::erase_if(screen.items, [](const auto& item) { return item->id == ItemId{"sheet"}; });
    screen.items.emplace_back(panel);
  };
  const Px half = 100 + menu.kind().height / 2;  // of the first, which stands at 100
  cover(half, {0, 0, 0, 255});
  EXPECT_THAT(menu.rules(), ElementsAre("focus-covered"));
  EXPECT_EQ(check(menu.project)[0].figure, 50);
  cover(half - 1, {0, 0, 0, 255});
  EXPECT_THAT(menu.rules(), IsEmpty());
  cover(half, {0, 0, 0, 254});
  EXPECT_THAT(menu.rules(), IsEmpty()) << "something is seen through it";
}

TEST(ConsistencyRules, CaptionsOfAColumnAreAlignedAlike) {
  Sound menu;
  const ItemId column = menu.item(menu.ids[0]).parent;
  Item third = menu.item(menu.ids[1]);
  third.id = {"third"};
  third.button()->caption = "Log";
  menu.screen().items.emplace_back(third);
  EXPECT_THAT(menu.rules(), IsEmpty());
  PartId label;
  for (const Part& part : menu.kind().parts)
    if (part.type == PartType::Label) label = part.id;
  menu.button(third.id).own.base.set({label, Prop::Align}, std::string("start"));
  EXPECT_EQ(only(menu, "odd-alignment").item, third.id);
  EXPECT_EQ(menu.item(third.id).parent, column);
}

TEST(ConsistencyRules, DurationsThatAreNearlyTheSameAre) {
  Sound menu;
  Machine& machine = menu.machine();
  for (Transition& t : machine.transitions) t.timing = {};
  machine.timing.duration = 200;
  machine.transitions[0].timing = machine.timing;
  machine.transitions[0].timing->duration = 180;
  EXPECT_EQ(only(menu, "near-twins").figure, 20);
  machine.transitions[0].timing->duration = 179;
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(ConsistencyRules, WhatHasANameIsUsedByIt) {
  Sound menu;
  menu.project.named.edit().push_back(
      {.id = {"n9"}, .name = "tide", .value = Colour{10, 90, 90, 255}});
  const PropKey border{menu.kind().parts[0].id, Prop::BorderColour};
  menu.kind().base.set(border, NamedRef{{"n9"}});
  const auto before = menu.rules();
  EXPECT_THAT(before, IsEmpty());
  menu.kind().base.set(border, Colour{10, 90, 90, 255});
  menu.kind().departures[menu.machine().states[1].id].set(border, NamedRef{{"n9"}});
  const Finding f = only(menu, "has-a-name");
  EXPECT_THAT(f.reason, HasSubstr("tide"));
}

}  // namespace
}  // namespace bristle::test
