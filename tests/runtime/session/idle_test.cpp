// What comes by itself, another language, and one highlight wherever a pointer rests.
#include <gmock/gmock.h>

#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::Not;

// Two screens; from the second the first is opened by itself after 3 s.
Project attracted() {
  History h{test::columnMenu({"One", "Two"})};
  test::must(h, addScreen("Second"));
  test::must(h, addButton(h.now().screens[1]->id, h.now().kinds[0]->id, "Back", 40, 40));
  Project p = h.now();
  edit(p.screens[0].edit(), test::buttons(p)[0])->button()->actions = {
      {.type = ActionType::Open, .screen = p.screens[1]->id}};
  p.screens[1].edit().idle = {3'000, {{.type = ActionType::Open, .screen = p.screens[0]->id}}};
  return p;
}

TEST(Idle, ActsOnceAfterItsTimeSinceSomebodyDidSomething) {
  const Project p = attracted();
  Playing run(p);
  run.lines();
  EXPECT_THAT(run.wait(100'000), testing::IsEmpty()) << "the first screen has nothing to do";
  run.key(InputType::Accept, true);
  run.key(InputType::Accept, false);
  run.lines();
  run.wait(2'000);
  EXPECT_THAT(run.move(Dir::Up), Not(Contains("open screen " + p.screens[0]->id.text)));
  EXPECT_THAT(run.wait(2'900), Not(Contains("idle on " + p.screens[1]->id.text)));
  const auto lines = run.wait(200);
  EXPECT_THAT(lines, Contains("idle on " + p.screens[1]->id.text));
  EXPECT_THAT(lines, Contains("open screen " + p.screens[0]->id.text));
  EXPECT_THAT(run.wait(100'000), testing::IsEmpty());
}

TEST(Idle, ItsTimeIsExactHoweverTimeIsHandedIn) {
  const Project p = attracted();
  Playing coarse(p), fine(p);
  for (Playing* run : {&coarse, &fine}) {
    run->key(InputType::Accept, true);
    run->key(InputType::Accept, false);
  }
  coarse.wait(10'000);
  for (int i = 0; i < 1'000; ++i) fine.wait(10);
  EXPECT_EQ(coarse.session().trace(), fine.session().trace());
}

// Nobody's doing anything is told in the order of times with what is held, timers and phases.
TEST(Idle, ComesInTheOrderOfTimes) {
  Project p = test::columnMenu({"One", "Two", "Three"});
  p.settings.repeatDelay = 400;
  Screen& screen = p.screens[0].edit();
  screen.idle = {200, {{.type = ActionType::Message, .message = "asleep"}}};
  screen.comes = {ScreenMotionForm::Fade, 700, {}};
  Playing coarse(p), fine(p);
  for (Playing* run : {&coarse, &fine}) run->key(InputType::Move, true);  // held
  coarse.wait(3'000);
  for (int i = 0; i < 300; ++i) fine.wait(10);
  EXPECT_EQ(coarse.session().trace(), fine.session().trace());
  const auto& trace = coarse.session().trace();
  EXPECT_TRUE(std::is_sorted(trace.begin(), trace.end(),
                             [](const auto& a, const auto& b) { return a.at < b.at; }));
  EXPECT_TRUE(std::any_of(trace.begin(), trace.end(), [](const TraceEntry& e) {
    return e.type == TraceType::Idle && e.at == 200;
  }));
}

TEST(Idle, OneThatDoesNothingToTheStackComesAgainOnlyAfterAnInput) {
  Project p = test::columnMenu({"One", "Two"});
  p.screens[0].edit().idle = {500, {{.type = ActionType::Message, .message = "asleep"}}};
  Playing run(p);
  run.lines();
  EXPECT_THAT(run.wait(5'000),
              testing::ElementsAre("idle on " + p.screens[0]->id.text, "message asleep"));
  run.move(Dir::Down);
  EXPECT_THAT(run.wait(5'000), Contains("message asleep"));
}

TEST(Speak, LaysTheScreensOutAnewAndKeepsFocusAndStates) {
  Project p = test::columnMenu({"One", "Two"});
  p.languages.push_back({.id = {"fi"}, .tag = "fi", .name = "Suomi"});
  const auto ids = test::buttons(p);
  Item& second = *edit(p.screens[0].edit(), ids[1]);
  second.button()->caption.others[{"fi"}] = "Kaksi on paljon pidempi teksti kuin kaksi";
  second.button()->actions = {{.type = ActionType::Speak, .language = {"fi"}},
                              {.type = ActionType::Speak, .language = {"xx"}}};
  Playing run(p);
  run.move(Dir::Down);
  run.key(InputType::Accept, true);
  const auto lines = run.key(InputType::Accept, false);
  EXPECT_THAT(lines, Contains("speak fi"));
  EXPECT_THAT(lines, Contains("broken " + ids[1].text + " (its language is not there)"));
  EXPECT_EQ(run.session().language().text, "fi");
  EXPECT_EQ(run.session().focused(), ids[1]);
  EXPECT_EQ(run.session().stack().back().layout.language.text, "fi");
  EXPECT_THAT(run.move(Dir::Up),
              Contains("focus " + ids[1].text + " → " + ids[0].text + " (up, solved)"));
}

int highlights(const Session& session) {
  int out = 0;
  for (const ButtonRun& run : session.stack().back().buttons) {
    const Role role = run.kind->program->role(run.running.state);
    out += role == Role::Hover || role == Role::Focus;
  }
  return out;
}

// A screen that opens beneath a resting pointer; a press let go over another button; keys after it.
TEST(PointerAndFocus, TogetherTheyAreNeverTwoHighlights) {
  Project p = test::placedMenu({{40, 40, 200, 60}, {40, 140, 200, 60}});
  const auto ids = test::buttons(p);
  Screen other = *p.screens[0];
  other.id = {"other"};
  for (auto& item : other.items) item.edit().id.text += "-o";
  p.screens.push_back(other);
  edit(p.screens[0].edit(), ids[1])->button()->actions = {
      {.type = ActionType::PutOnTop, .screen = {"other"}}};
  Playing run(p);
  for (const InputType type : {InputType::Point, InputType::PointDown, InputType::PointUp})
    run.point(type, 100, 170);
  ASSERT_EQ(run.session().stack().size(), 2u);
  EXPECT_EQ(highlights(run.session()), 1);
  EXPECT_EQ(run.session().focused().text, ids[1].text + "-o") << "the one under the pointer";
  run.point(InputType::PointDown, 100, 170);
  run.point(InputType::Point, 100, 60);
  run.point(InputType::PointUp, 100, 60);
  EXPECT_EQ(highlights(run.session()), 1);
  EXPECT_EQ(run.session().focused().text, ids[0].text + "-o");
  run.point(InputType::PointDown, 100, 170, Device::Touch);
  run.point(InputType::PointUp, 100, 170, Device::Touch);
  EXPECT_EQ(highlights(run.session()), 1) << "a finger beside the mouse that rests";
  run.key(InputType::Cancel, true);
  EXPECT_EQ(highlights(run.session()), 1);
  EXPECT_EQ(run.session().focused(), ids[1]) << "by a key: where it was, not where the mouse is";
}

}  // namespace
}  // namespace bristle
