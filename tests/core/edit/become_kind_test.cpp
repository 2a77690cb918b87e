// Buttons that become ones of another kind.
#include "core/edit/become_kind.h"

#include <gtest/gtest.h>

#include "core/edit/kind_edits.h"
#include "core/edit/look_owner.h"
#include "core/edit/screen_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;

TEST(BecomeKind, WhatIsTheButtonsOwnGoesAlongWhereThePartsHaveTheSameNames) {
  History history(test::columnMenu({"a", "b"}));
  must(history, addKind("Other", Wins::Hover));
  const ScreenId screen = history.now().screens[0]->id;
  const ItemId button = test::buttons(history.now())[0];
  const Kind from = *history.now().kinds[0], to = *history.now().kinds[1];
  const LookOwner own{from.id, screen, button};
  const Part& plate = from.parts.front();
  must(history, setLook(own, {Column{}}, {{}, Prop::Scale}, 1.5));
  must(history, setLook(own, {Column{}}, {plate.id, Prop::Opacity}, 0.5));
  must(history, setLook(own, {StateId{"hover"}}, {plate.id, Prop::Opacity}, 0.7));
  must(history, setAction(screen, button, {ActionType::Message, {}, "go"}));
  must(history, setRoute(screen, button, Dir::Up, {RouteType::Closed, {}}));
  EXPECT_EQ(ownValuesLost(history.now(), *history.now().screens[0], {button}, to.id), 0u);
  must(history, becomeKind(screen, {button}, to.id));
  const ButtonData& now = *findItem(*history.now().screens[0], button)->button();
  EXPECT_EQ(now.kind, to.id);
  EXPECT_EQ(now.caption.base, "a");
  EXPECT_EQ(now.actions.at(0).message, "go");
  EXPECT_EQ(now.routes[Dir::Up].type, RouteType::Closed);
  const PartId other = to.parts.front().id;
  ASSERT_NE(other, plate.id);
  ASSERT_TRUE(now.own.base.find({other, Prop::Opacity}));
  EXPECT_EQ(*now.own.base.find({other, Prop::Opacity}), Value(0.5));
  EXPECT_EQ(*now.own.base.find({{}, Prop::Scale}), Value(1.5));
  EXPECT_EQ(*now.own.departures.at({"hover"}).find({other, Prop::Opacity}), Value(0.7));
}

TEST(BecomeKind, WhatHasNoPlaceInItIsCountedAndGoes) {
  History history(test::columnMenu({"a"}));
  must(history, addKind("Other", Wins::Hover));
  const ScreenId screen = history.now().screens[0]->id;
  const ItemId button = test::buttons(history.now())[0];
  const Kind from = *history.now().kinds[0], to = *history.now().kinds[1];
  must(history,
       setLook({from.id, screen, button}, {Column{}}, {from.parts.front().id, Prop::Opacity}, 0.5));
  must(history, renamePart(from.id, from.parts.front().id, "Slab"));
  EXPECT_EQ(ownValuesLost(history.now(), *history.now().screens[0], {button}, to.id), 1u);
  must(history, becomeKind(screen, {button}, to.id));
  EXPECT_TRUE(findItem(*history.now().screens[0], button)->button()->own.empty());
  history.undo();
  EXPECT_FALSE(findItem(*history.now().screens[0], button)->button()->own.empty());
  EXPECT_FALSE(history.perform(becomeKind(screen, {button}, {"k99"})));
}

}  // namespace
}  // namespace bristle
