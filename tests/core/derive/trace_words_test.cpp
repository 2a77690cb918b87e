#include "core/derive/trace_words.h"

#include <gmock/gmock.h>

#include "support/menus.h"

namespace bristle {
namespace {

using testing::HasSubstr;

TEST(TraceWords, TellWhatWasDoneByWhat) {
  const Project p = test::columnMenu({"One", "Two"});
  InputEvent e;
  e.type = InputType::Move;
  e.dir = Dir::Right;
  e.device = Device::Controller;
  EXPECT_EQ(inWords(e, p), "right, controller");
  e.type = InputType::Accept;
  e.device = Device::Keyboard;
  e.down = false;
  EXPECT_EQ(inWords(e, p), "accept let go, keyboard");
  e.type = InputType::PointDown;
  e.device = Device::Mouse;
  e.name = test::buttons(p)[1].text;
  EXPECT_EQ(inWords(e, p), "press at Two, mouse");
}

// The very transition, by the number that the Motion bench gives it.
TEST(TraceWords, TellWhichTransitionAndWhichGuard) {
  Project p = test::columnMenu({"One", "Two"});
  p.values.push_back({.id = {"v"}, .name = "crew", .start = 4});
  Machine& m = *edit(p, p.machines[0]->id);
  for (Transition& t : m.transitions)
    if (t.on == Event::Press) t.guard = "@v > 3";
  test::Playing run(p);
  run.key(InputType::Accept, true);
  bool found = false;
  for (const TraceEntry& entry : run.session().trace()) {
    if (entry.type != TraceType::State) continue;
    const Transition* transition = transitionOf(entry, p);
    ASSERT_TRUE(transition) << toLine(entry);
    EXPECT_EQ(transition->to, entry.toState);
    if (transition->on != Event::Press) continue;
    found = true;
    EXPECT_THAT(inWords(entry, p), HasSubstr("One: "));
    EXPECT_THAT(whyInWords(entry, p), HasSubstr("by press"));
    EXPECT_THAT(whyInWords(entry, p), HasSubstr("only if @crew > 3"));
  }
  EXPECT_TRUE(found);
}

TEST(TraceWords, WhatIsGoneIsToldByItsId) {
  const Project p = test::columnMenu({"One"});
  TraceEntry entry{.type = TraceType::State, .item = {"gone"}, .toState = {"odd"}, .number = 99};
  EXPECT_EQ(transitionOf(entry, p), nullptr);
  EXPECT_EQ(inWords(entry, p), "gone:  → odd");
  EXPECT_EQ(whyInWords(entry, p), "");
}

}  // namespace
}  // namespace bristle
