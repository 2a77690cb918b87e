// What is told of keys and controller buttons, and that each mend mends.
#include <gmock/gmock.h>

#include "core/edit/binding_edits.h"
#include "core/findings/check.h"
#include "support/menus.h"

namespace bristle {
namespace {

using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;

Sign key(const char* text) {
  return *parseSign(Sign::Of::Key, text);
}

struct Keys {
  Project project = test::columnMenu({"One", "Two", "Three"});
  std::vector<ItemId> ids = test::buttons(project);
  ScreenId on = project.screens[0]->id;
  ButtonData& data(size_t i) { return *edit(*edit(project, on), ids[i])->button(); }
  Findings found() const { return of(project); }
  static Findings of(const Project& project) {
    Findings out = check(project);
    std::erase_if(out, [](const Finding& f) { return f.rule != "binding"; });
    return out;
  }
  std::vector<std::string> told() const {
    std::vector<std::string> out;
    for (const Finding& f : found()) out.push_back(f.place + ": " + f.reason);
    return out;
  }
  void expectMended() const {
    for (const Finding& f : found())
      for (const Edit& mend : f.mends) {
        const auto after = of(test::after(project, mend));
        for (const Finding& left : after) EXPECT_NE(left.key, f.key) << mend.name;
      }
  }
};

TEST(BindingFindings, ANewMenuHasNone) {
  EXPECT_THAT(Keys().told(), IsEmpty());
}

TEST(BindingFindings, OneKeyForTwoThings) {
  Keys k;
  k.project.bindings.push_back({key("Enter"), Does::Cancel, {}});
  EXPECT_THAT(k.told(), ElementsAre(HasSubstr("Enter is bound to accept and to cancel")));
  ASSERT_EQ(k.found()[0].mends.size(), 2U);
  k.expectMended();
}

// Bad input: bindings that take away the only accept key.
TEST(BindingFindings, NothingAccepts) {
  Keys k;
  k.project = test::after(k.project, bind({}, Sign::Of::Key, Does::Accept, {}, {}));
  EXPECT_THAT(k.told(), ElementsAre(HasSubstr("no key accepts")));
  k.expectMended();
  k.project = test::after(k.project, bindAsAtFirst({}));
  EXPECT_THAT(k.told(), IsEmpty());
  // On one screen.
  edit(k.project, k.on)->bindings = {{key("Enter"), Does::Nothing, {}},
                                     {key("Space"), Does::Cancel, {}},
                                     {key("NumpadEnter"), Does::Up, {}}};
  EXPECT_THAT(k.told(), ElementsAre(HasSubstr("no key accepts here")));
  k.expectMended();
}

TEST(BindingFindings, AButtonThatNothingPresses) {
  Keys k;
  k.data(1).aside = true;
  EXPECT_THAT(k.told(), ElementsAre(HasSubstr("no key or controller button presses it")));
  k.expectMended();
  k.data(1).answers.cancel = true;
  EXPECT_THAT(k.told(), IsEmpty());
  k.data(2).answers.cancel = true;
  EXPECT_THAT(k.told(), ElementsAre(HasSubstr("“Two” answers to cancel, too")));
  k.expectMended();
}

TEST(BindingFindings, AnAsideButtonIsNotCountedAsUnreachable) {
  Keys k;
  k.data(1).aside = true;
  k.data(1).answers.cancel = true;
  for (const Finding& f : check(k.project)) EXPECT_NE(f.rule, "reach") << f.reason;
}

TEST(BindingFindings, ShortcutsThatAreGone) {
  Keys k;
  k.project = test::after(k.project, addShortcut("Drop"));
  const ShortcutId drop = k.project.shortcuts[0].id;
  k.project = test::after(k.project, bind({}, Sign::Of::Key, Does::Shortcut, drop, {key("X")}));
  k.data(0).answers.shortcut = drop;
  EXPECT_THAT(k.told(), IsEmpty());
  const Project without = test::after(k.project, removeShortcut(drop));
  EXPECT_THAT(Keys::of(without), IsEmpty()) << "removed with all that refers to it";
  k.project.shortcuts.clear();
  EXPECT_THAT(k.told(), testing::UnorderedElementsAre(HasSubstr("X is bound to a shortcut"),
                                                      HasSubstr("that is not there")));
  k.expectMended();
}

TEST(BindingEdits, AreUndoneAndDoneAgain) {
  History history(Keys().project);
  const ScreenId on = history.now().screens[0]->id;
  std::vector<Project> all{history.now()};
  const auto perform = [&](const Edit& edit) {
    test::must(history, edit);
    EXPECT_FALSE(equal(history.now(), all.back())) << edit.name;
    all.push_back(history.now());
  };
  perform(addShortcut("Drop"));
  const ShortcutId drop = history.now().shortcuts[0].id;
  perform(bind({}, Sign::Of::Key, Does::Shortcut, drop, {key("X"), key("Y")}));
  perform(bind(on, Sign::Of::Key, Does::Cancel, {}, {key("B")}));
  perform(changeShortcut(drop, "rename shortcut", {}, [](Shortcut& s) { s.name = "Let go"; }));
  perform(bindOnly({}, {key("X"), Does::Accept, {}}));
  perform(bindAsAtFirst(on));
  perform(removeShortcut(drop));
  for (size_t i = all.size(); i-- > 1;) {
    EXPECT_TRUE(equal(history.now(), all[i]));
    history.undo();
  }
  EXPECT_TRUE(equal(history.now(), all[0]));
  for (size_t i = 1; i < all.size(); ++i) history.redo();
  EXPECT_TRUE(equal(history.now(), all.back()));
}

TEST(BindingFindings, WhatCannotBeBoundIsRefused) {
  Keys k;
  Sign arrow;
  arrow.name = "ArrowUp";
  History history(k.project);
  EXPECT_FALSE(history.perform(bind({}, Sign::Of::Key, Does::Accept, {}, {arrow})));
  std::vector<Sign> many;
  for (const std::string_view name : signNames(Sign::Of::Key))
    for (const unsigned with : {0U, 1U, 2U, 3U, 4U, 5U, 6U, 7U})
      many.push_back(
          {Sign::Of::Key, std::string(name), (with & 1U) != 0, (with & 2U) != 0, (with & 4U) != 0});
  ASSERT_GT(many.size(), 500U);
  EXPECT_FALSE(history.perform(bind({}, Sign::Of::Key, Does::Up, {}, many)));
}

}  // namespace
}  // namespace bristle
