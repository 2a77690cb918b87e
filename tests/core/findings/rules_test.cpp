// Each rule by the smallest menu that breaks it, and by one at the limit that keeps it; and what
// mends it.
#include "core/findings/rules.h"

#include <gmock/gmock.h>

#include <set>

#include "core/edit/accept_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/check.h"
#include "core/findings/rule_info.h"
#include "core/findings/sorted.h"
#include "support/layouts.h"
#include "support/menus.h"
#include "support/sound_menu.h"

namespace bristle::test {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

TEST(Rules, ASoundMenuHasNoFindings) {
  EXPECT_THAT(Sound().rules(), IsEmpty());
}

TEST(Rules, EachIsDescribedOnce) {
  std::set<std::string_view> names;
  for (const RuleInfo& info : ruleInfos()) {
    EXPECT_TRUE(names.insert(info.name).second) << info.name;
    EXPECT_FALSE(info.asks.empty() || info.why.empty()) << info.name;
  }
  for (const Rule& rule : allRules()) EXPECT_TRUE(names.contains(rule.name)) << rule.name;
}

TEST(Rules, HitAreasKeepTheirDistance) {
  Sound menu;
  ContainerData& column = *menu.item(menu.item(menu.ids[0]).parent).container();
  column.gap = menu.project.settings.leastGap;
  EXPECT_THAT(menu.rules(), IsEmpty());
  column.gap -= 1;
  const Finding f = only(menu, "hit-near");
  EXPECT_EQ(f.figure, 7);
  EXPECT_EQ(f.limit, 8);
  column.gap = 0;
  EXPECT_EQ(only(menu, "hit-near").figure, 0);
  menu.project.settings.leastGap = 0;
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(Rules, TextsAreThereInEveryLanguage) {
  Sound menu;
  menu.project.languages.push_back({{"de"}, "de", "German", false, {}, {}});
  EXPECT_THAT(menu.rules(), ElementsAre("untranslated", "untranslated"));
  for (const auto& id : menu.ids) menu.button(id).caption.others[{"de"}] = "Wort " + id.text;
  EXPECT_THAT(menu.rules(), IsEmpty());
  // Where none of many is there, that is one thing to do.
  menu.button(menu.ids[0]).accessibleName.base = "Dive now, at once";
  menu.project.languages.push_back({{"fr"}, "fr", "French", false, {}, {}});
  std::vector<std::string> told;
  for (const Finding& f : check(menu.project))
    if (f.rule == "untranslated") told.push_back(f.reason);
  EXPECT_THAT(told, ElementsAre("none of its 3 texts is there in French",
                                "its accessible name “Dive now, at once” is not there in German"));
}

TEST(Rules, PlaceholdersAreToldOf) {
  for (const char* words : {"Button", "caption", "Button 2", "Lorem ipsum dolor", "TODO: ask"}) {
    Sound menu;
    menu.button(menu.ids[0]).caption = words;
    only(menu, "placeholder");
  }
  for (const char* words : {"Text size", "Push the button", "Item list", "Tod"}) {
    Sound menu;
    menu.button(menu.ids[0]).caption = words;
    EXPECT_THAT(menu.rules(), IsEmpty()) << words;
  }
}

TEST(Rules, TextsReadAsTheirLanguageDoes) {
  Sound menu;
  menu.project.languages[0].rightToLeft = true;
  EXPECT_THAT(menu.rules(), ElementsAre("wrong-direction", "wrong-direction"));
  menu.button(menu.ids[0]).caption = "غوص";
  menu.button(menu.ids[1]).caption = "خريطة 3D";
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.project.languages[0].rightToLeft = false;
  EXPECT_THAT(menu.rules(), ElementsAre("wrong-direction", "wrong-direction"));
  // What is said alike in all languages is meant: the name of a language, for one.
  menu.project.languages.push_back({{"de"}, "de", "German", false, {}, {}});
  for (const auto& id : menu.ids) {
    Text& text = menu.button(id).caption;
    text.others[{"de"}] = text.base;
  }
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(Rules, TheNameHasTheCaptionInIt) {
  Sound menu;
  menu.button(menu.ids[0]).accessibleName = "Start the dive";  // whatever the case
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.button(menu.ids[0]).accessibleName = "Go under";
  EXPECT_THAT(only(menu, "label-in-name").reason, HasSubstr("Go under"));
  // Words in parts do not count: “divers” is not “dive”.
  menu.button(menu.ids[0]).accessibleName = "For divers";
  only(menu, "label-in-name");
}

TEST(Rules, TwoButtonsHaveTwoNames) {
  Sound menu;
  menu.button(menu.ids[1]).caption = "dive!";
  EXPECT_EQ(only(menu, "same-name").item, menu.ids[1]);
  menu.button(menu.ids[1]).accessibleName = "Dive! again";
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(Rules, EveryScreenIsComeToAndLeft) {
  Sound menu;
  History h(menu.project);
  must(h, addScreen("Chart"));
  const ScreenId second = h.now().screens[1]->id;
  must(h, addButton(second, h.now().kinds[0]->id, "On", 200, 200));
  must(h, setEntry(second, buttons(h.now(), 1)[0]));
  must(h, setActions(second, buttons(h.now(), 1), {{.type = ActionType::Message, .message = "m"}}));
  const ScreenId first = h.now().screens[0]->id;
  menu.project = h.now();
  EXPECT_THAT(menu.rules(), testing::UnorderedElementsAre("no-way-in", "no-way-out"));
  must(h, setActions(first, {menu.ids[0]}, {{.type = ActionType::Open, .screen = second}}));
  menu.project = h.now();
  EXPECT_EQ(only(menu, "no-way-out").screen, second);
  must(h, setActions(second, buttons(h.now(), 1), {{.type = ActionType::Open, .screen = first}}));
  menu.project = h.now();
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(Rules, AButtonDoesSomething) {
  Sound menu;
  menu.button(menu.ids[1]).actions.clear();
  EXPECT_EQ(only(menu, "idle-button").item, menu.ids[1]);
}

TEST(Rules, ValuesAreSetAndAskedFor) {
  Sound menu;
  menu.project.values = {{.id = {"v9"}, .name = "depth"}};
  only(menu, "value");
  menu.button(menu.ids[0]).actions = {{.type = ActionType::Set, .value = {"v9"}, .number = 1}};
  EXPECT_THAT(only(menu, "value").reason, HasSubstr("nothing in the menu asks"));
  menu.item(menu.ids[1]).shownWhen = "@v9 < 2";
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.button(menu.ids[0]).actions = {{.type = ActionType::Message, .message = "m"}};
  EXPECT_THAT(only(menu, "value").reason, HasSubstr("unless the game does"));
}

TEST(Rules, WhatThereIsIsUsed) {
  Sound menu;
  History h(menu.project);
  must(h, addKind("Badge", Wins::Hover));
  menu.project = h.now();
  // A kind brings its machine and its names along; the kind is what is told of.
  EXPECT_EQ(only(menu, "unused").kind, h.now().kinds[1]->id);
  Sound named;
  History n(named.project);
  must(n, addNamed(NamedType::Colour, "tide.alone", Colour{1, 2, 3, 255}));
  named.project = n.now();
  EXPECT_THAT(only(named, "unused").place, HasSubstr("tide.alone"));
}

// What only a reusable group has is used, though no copy of it is placed.
TEST(Rules, AGroupUsesNamesToo) {
  Sound menu;
  History h(menu.project);
  must(h, addNamed(NamedType::Colour, "tide.alone", Colour{1, 2, 3, 255}));
  menu.project = h.now();
  Item panel;
  panel.id = {"sheet"};
  Fill fill = Fill::solid({1, 2, 3, 255});
  fill.stops[0].named = menu.project.named->back().id;
  panel.what = PanelData{fill};
  Group group;
  group.id = {"g1"};
  group.holds.items.emplace_back(panel);
  menu.project.groups.emplace_back(group);
  EXPECT_THAT(menu.rules(), IsEmpty());
}

TEST(Rules, SomethingIsSeenAtOnce) {
  Sound menu;
  menu.machine().timing.delay = 100;
  EXPECT_THAT(menu.rules(), IsEmpty());
  for (Transition& t : menu.machine().transitions)
    if (t.on == Event::OverBegin) {
      t.timing = menu.machine().timing;
      t.timing->delay = 101;
      break;
    }
  const Finding f = only(menu, "slow-answer");
  EXPECT_EQ(f.figure, 101);
  EXPECT_EQ(f.limit, 100);
}

TEST(Rules, ButtonsOfARowAreEquallyHigh) {
  Sound menu;
  ContainerData& row = *menu.item(menu.item(menu.ids[0]).parent).container();
  row.flow = Flow::Row;
  EXPECT_THAT(menu.rules(), IsEmpty());
  menu.item(menu.ids[1]).place.y.size = menu.kind().height + 3;
  EXPECT_EQ(only(menu, "uneven-row").figure, 3);
}

TEST(Rules, ColoursThatLookTheSameAreTheSame) {
  Sound menu;
  const PropKey fill{menu.kind().parts[0].id, Prop::BorderColour};
  const StateId hover = menu.machine().states[1].id;
  menu.kind().base.set(fill, Colour{10, 90, 90, 255});
  menu.kind().departures[hover].set(fill, Colour{10, 120, 90, 255});
  const auto before = menu.rules();
  menu.kind().departures[hover].set(fill, Colour{11, 91, 90, 255});
  const Findings all = check(menu.project);
  ASSERT_EQ(all.size(), before.size() + 1);
  EXPECT_EQ(std::count_if(all.begin(), all.end(),
                          [](const Finding& f) { return f.rule == "near-twins"; }),
            1);
  for (const Finding& f : all)
    if (f.rule == "near-twins") {
      EXPECT_EQ(check(after(menu.project, f.mends[0])).size(), before.size());
    }
}

TEST(Rules, OneThatIsOffIsNotTold) {
  Sound menu;
  menu.button(menu.ids[1]).actions.clear();
  menu.project.settings.rulesOff = {"idle-button"};
  EXPECT_THAT(menu.rules(), IsEmpty());
}

// With a reason, shown apart; outdated once it is not found any more.
TEST(Accepting, KeepsAFindingApart) {
  Sound menu;
  menu.button(menu.ids[1]).actions.clear();
  const std::string key = check(menu.project)[0].key;
  EXPECT_FALSE(acceptFindings({key}, "  ", "2026-12-01").apply(menu.project));
  Project p = after(menu.project, acceptFindings({key}, "comes later", "2026-12-01"));
  auto now = sorted(p, check(p));
  EXPECT_THAT(now.open, IsEmpty());
  ASSERT_EQ(now.accepted.size(), 1U);
  EXPECT_EQ(now.accepted[0].reason, "comes later");
  EXPECT_EQ(now.accepted[0].on, "2026-12-01");
  EXPECT_THAT(now.outdated, IsEmpty());
  p = after(p, acceptFindings({key}, "never comes", "2026-12-02"));
  EXPECT_EQ(p.accepted.size(), 1U);
  const Project mended =
      after(p, setActions(p.screens[0]->id, {menu.ids[1]}, {{.type = ActionType::Quit}}));
  now = sorted(mended, check(mended));
  EXPECT_THAT(now.accepted, IsEmpty());
  ASSERT_EQ(now.outdated.size(), 1U);
  EXPECT_EQ(now.outdated[0].reason, "never comes");
  p = after(p, tellAgain({key}));
  EXPECT_EQ(sorted(p, check(p)).open.size(), 1U);
}

}  // namespace
}  // namespace bristle::test
