// Copying between screens and projects.
#include "core/edit/clip_edits.h"

#include <gmock/gmock.h>

#include <algorithm>

#include "core/edit/binding_edits.h"
#include "core/edit/kind_edits.h"
#include "core/edit/language_edits.h"
#include "core/edit/look_owner.h"
#include "core/edit/named_edits.h"
#include "core/edit/screen_edits.h"
#include "runtime/document/tree.h"
#include "runtime/formats/project_file.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::must;

// As it goes over the clipboard: written and read again.
Shared<Project> clip(const Project& project, const std::vector<ItemId>& items,
                     const Places& places = {}) {
  const std::string text = writeProject(clipOf(project, *project.screens[0], items, places));
  auto read = parseProject(text);
  EXPECT_TRUE(read) << (read ? "" : read.error().text());
  return Shared<Project>(read->project);
}

const Item& last(const Project& project, size_t screen) {
  return *project.screens[screen]->items.back();
}

TEST(Clip, OntoAnotherScreenOfTheProjectNothingElseIsAdded) {
  History history(test::columnMenu({"a", "b"}));
  must(history, addScreen("Other"));
  const Project before = history.now();
  const ItemId column = before.screens[0]->items[0]->id;
  must(history, pasteClip(clip(before, {column}), before.screens[1]->id, {}, 0, 0));
  const Project& after = history.now();
  EXPECT_EQ(after.kinds.size(), before.kinds.size());
  EXPECT_EQ(after.machines.size(), before.machines.size());
  ASSERT_EQ(after.screens[1]->items.size(), 3u);
  EXPECT_EQ(whyNoTree(*after.screens[1]), "");
  EXPECT_EQ(last(after, 1).button()->caption.base, "b");
  EXPECT_EQ(last(after, 1).button()->kind, before.kinds[0]->id);
  EXPECT_NE(last(after, 1).id, test::buttons(before)[1]);
  EXPECT_EQ(after.screens[1]->entry, after.screens[1]->items[1]->id) << "it had none";
  EXPECT_EQ(history.undoName(), "paste");
}

TEST(Clip, IntoAnotherProjectKindsNamesAndWordsComeAlong) {
  History from(test::columnMenu({"a", "b"}));
  const ScreenId screen = from.now().screens[0]->id;
  const ItemId button = test::buttons(from.now())[0];
  must(from, addNamed(NamedType::Colour, "tide", Colour{1, 2, 3, 255}));
  const NamedId tide = from.now().named->back().id;
  const Kind& kind = *from.now().kinds[0];
  must(from, setLook({kind.id, screen, button}, {Column{}}, {kind.parts[0].id, Prop::Fill},
                     NamedRef{tide}));
  must(from, renameKind(kind.id, "Slab"));
  must(from, addLanguage("de", "Deutsch"));
  const LanguageId german = from.now().languages.back().id;
  must(from, changeItems(screen, {button}, "words", {},
                         [&](Item& item) { item.button()->caption.others[german] = "eins"; }));
  History to(test::columnMenu({"x"}));
  must(to, addLanguage("fr", "Français"));
  must(to, addLanguage("de", "Deutsch"));
  const ScreenId there = to.now().screens[0]->id;
  must(to, pasteClip(clip(from.now(), {button}), there, {}, 0, 0));
  const ButtonData& pasted = *last(to.now(), 0).button();
  const Kind* slab = find(to.now(), pasted.kind);
  ASSERT_TRUE(slab);
  EXPECT_EQ(slab->name, "Slab");
  ASSERT_TRUE(naming(to.now()).find("tide"));
  ASSERT_EQ(pasted.own.base.size(), 1u);
  EXPECT_EQ(pasted.own.base.begin()->second, Value(NamedRef{naming(to.now()).find("tide")->id}));
  EXPECT_EQ(wordsIn(to.now(), pasted.caption, to.now().languages[2].id), "eins");
  // Once more: nothing is there twice.
  const size_t kinds = to.now().kinds.size();
  must(to, pasteClip(clip(from.now(), {button}), there, {}, 24, 24));
  EXPECT_EQ(to.now().kinds.size(), kinds);
}

TEST(Clip, ShortcutsAreFoundByNameInAnotherProject) {
  History from(test::columnMenu({"a", "b"}));
  const auto buttons = test::buttons(from.now());
  for (size_t i = 0; i < 2; ++i) {
    must(from, addShortcut(i == 0 ? "Drop" : "Lift"));
    const ShortcutId id = from.now().shortcuts.back().id;
    must(from, changeItems(from.now().screens[0]->id, {buttons[i]}, "answer", {},
                           [&](Item& item) { item.button()->answers.shortcut = id; }));
  }
  History to(test::columnMenu({"x"}));
  must(to, addShortcut("Turn"));
  must(to, addShortcut("Drop"));
  const ScreenId there = to.now().screens[0]->id;
  must(to, pasteClip(clip(from.now(), {buttons[0]}), there, {}, 0, 0));
  EXPECT_EQ(last(to.now(), 0).button()->answers.shortcut, to.now().shortcuts[1].id);
  must(to, pasteClip(clip(from.now(), {buttons[1]}), there, {}, 0, 0));
  EXPECT_FALSE(last(to.now(), 0).button()->answers.any()) << "there is none of that name";
}

TEST(Clip, RoutesAmongTheCopiesAreKeptAndTargetsAreFoundByName) {
  History history(test::columnMenu({"a", "b", "c"}));
  const ScreenId screen = history.now().screens[0]->id;
  const auto ids = test::buttons(history.now());
  must(history, addScreen("Depths"));
  must(history, setAction(screen, ids[0], {ActionType::Open, history.now().screens[1]->id, {}}));
  must(history, setRoute(screen, ids[0], Dir::Down, {RouteType::Pinned, ids[1]}));
  must(history, setRoute(screen, ids[0], Dir::Up, {RouteType::Pinned, ids[2]}));
  const auto copied = clip(history.now(), {ids[0], ids[1]});
  must(history, pasteClip(copied, screen, {}, 24, 24));
  const Screen& same = *history.now().screens[0];
  const ButtonData& here = *same.items[same.items.size() - 2]->button();
  EXPECT_EQ(here.routes[Dir::Down].target, RouteTarget(same.items.back()->id));
  EXPECT_EQ(here.routes[Dir::Up].target, RouteTarget(ids[2])) << "it is on this screen";

  History other(test::columnMenu({"x"}));
  must(other, addScreen("Surface"));  // has the id that Depths has there
  must(other, addScreen("Depths"));
  must(other, pasteClip(copied, other.now().screens[0]->id, {}, 0, 0));
  const Screen& there = *other.now().screens[0];
  const ButtonData& pasted = *there.items[there.items.size() - 2]->button();
  EXPECT_EQ(pasted.routes[Dir::Up].type, RouteType::Solved);
  EXPECT_EQ(find(other.now(), pasted.actions.at(0).screen)->name, "Depths");
}

TEST(Clip, GoesIntoAContainerAndKeepsBrokenKindsBroken) {
  History history(test::columnMenu({"a", "b"}));
  const ScreenId screen = history.now().screens[0]->id;
  const auto ids = test::buttons(history.now());
  must(history, changeItems(screen, {ids[0]}, "break", {},
                            [](Item& item) { item.button()->kind = {"k99"}; }));
  const ItemId column = history.now().screens[0]->items[0]->id;
  must(history, pasteClip(clip(history.now(), {ids[0]}), screen, {column, ids[1]}, 0, 0));
  const Screen& now = *history.now().screens[0];
  ASSERT_EQ(now.items.size(), 4u);
  EXPECT_EQ(now.items[2]->parent, column);
  EXPECT_EQ(now.items[2]->button()->kind, KindId{"k99"});
  EXPECT_FALSE(history.perform(pasteClip(Shared<Project>(emptyProject()), screen, {}, 0, 0)));
}

}  // namespace
}  // namespace bristle
