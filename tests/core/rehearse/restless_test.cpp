#include "core/rehearse/restless.h"

#include <gmock/gmock.h>

#include "core/formats/file_io.h"
#include "runtime/formats/project_file.h"
#include "runtime/session/take_player.h"
#include "support/menus.h"

namespace bristle {
namespace {

Session begun(const Project& project) {
  static const PlainMeasure measure;
  auto out = Session::start(project, project.displays[0], measure);
  EXPECT_TRUE(out);
  return std::move(*out);
}

// A screen that is left by going back, and does something.
Project sound() {
  Project p = test::columnMenu({"a", "b", "c"});
  for (const ItemId& id : test::buttons(p))
    edit(p.screens[0].edit(), id)->button()->actions = {
        {.type = ActionType::Message, .message = "x"}};
  return p;
}

std::vector<Trouble> troubles(const Restless& all) {
  std::vector<Trouble> out;
  for (const Found& each : all.found) out.push_back(each.trouble);
  return out;
}

TEST(Restless, FindsNothingInAMenuThatIsSound) {
  const auto all = visit(begun(sound()), 20'000, 1);
  EXPECT_EQ(all.events, 20'000u);
  EXPECT_THAT(troubles(all), testing::IsEmpty());
}

TEST(Restless, FindsNothingInTheDemo) {
  const auto text = readFile(test::sourcePath("data/demo/saltglass-deep.bristle"));
  const auto all = visit(begun(parseProject(*text)->project), 10'000, 2);
  EXPECT_THAT(troubles(all), testing::IsEmpty())
      << (all.found.empty() ? "" : all.found[0].item.text + " " + all.found[0].screen.text);
}

// Where nothing leads anywhere one is stuck from the begin: no event is needed to get there.
TEST(Restless, IsStuckWhereNothingDoesAnything) {
  const auto all = visit(begun(test::columnMenu({"a", "b"})), 1'000, 3);
  ASSERT_THAT(troubles(all), testing::ElementsAre(Trouble::Stuck));
  EXPECT_TRUE(isStuck(begun(test::columnMenu({"a", "b"}))));
  EXPECT_FALSE(isStuck(begun(sound())));
}

// A dead end two steps in, whose one way there is found and shortened.
TEST(Restless, ShowsTheShortestWayToADeadEnd) {
  Project p = sound();
  Screen end = *p.screens[0];
  end.id = {"end"};
  for (auto& item : end.items) {
    item.edit().id.text += "-end";
    if (item->parent) item.edit().parent.text += "-end";
    if (item->button()) item.edit().button()->actions.clear();
  }
  p.screens.push_back(end);
  const ItemId last = test::buttons(p).back();
  edit(p.screens[0].edit(), last)->button()->actions = {
      {.type = ActionType::Open, .screen = {"end"}}};
  const auto all = visit(begun(p), 20'000, 4);
  ASSERT_THAT(troubles(all), testing::ElementsAre(Trouble::Stuck));
  const Found& found = all.found[0];
  EXPECT_EQ(found.screen.text, "end");
  // A press and its end are the least that opens something; a pointer needs no more than these.
  int events = 0;
  for (const TakeStep& step : found.take.steps)
    events += std::get<InputEvent>(step.what).type != InputType::Tick;
  EXPECT_LE(events, 4);
  const auto played = play(p, found.take, PlainMeasure());
  ASSERT_TRUE(played) << played.error().text();
  EXPECT_EQ(played->trace.empty(), false);
  bool opened = false;
  for (const TraceEntry& e : played->trace) opened = opened || e.screen.text == "end";
  EXPECT_TRUE(opened);
}

Machine& machineOf(Project& p) {
  return *edit(p, p.machines[0]->id);
}

// A state that is never left by what should leave it.
TEST(Restless, FindsTwoHighlights) {
  Project p = sound();
  std::erase_if(machineOf(p).transitions,
                [](const Transition& t) { return t.on == Event::FocusLose; });
  const auto all = visit(begun(p), 5'000, 5);
  EXPECT_THAT(troubles(all), testing::Contains(Trouble::Highlights));
}

TEST(Restless, FindsAPressThatIsLeft) {
  Project p = sound();
  std::erase_if(machineOf(p).transitions, [](const Transition& t) {
    return t.on == Event::Release || t.on == Event::Abandon;
  });
  const auto all = visit(begun(p), 5'000, 6);
  EXPECT_THAT(troubles(all), testing::Contains(Trouble::PressLeft));
}

TEST(Restless, FindsAChainWithoutEnd) {
  Project p = sound();
  for (auto& t : machineOf(p).transitions)
    if (t.on == Event::FocusGain)
      t.effects.push_back({.type = EffectType::Message, .message = "x"});
  Transition answer;
  answer.from = p.machines[0]->states[0].id;
  answer.on = Event::Message;
  answer.message = "x";
  answer.to = p.machines[0]->states[0].id;
  answer.effects = {{.type = EffectType::Message, .message = "x"}};
  machineOf(p).transitions.push_back(answer);
  const auto all = visit(begun(p), 60, 7);
  EXPECT_THAT(troubles(all), testing::Contains(Trouble::Endless));
}

TEST(Restless, TheSameSeedDoesTheSame) {
  Project p = sound();
  std::erase_if(machineOf(p).transitions,
                [](const Transition& t) { return t.on == Event::FocusLose; });
  const auto one = visit(begun(p), 3'000, 8), two = visit(begun(p), 3'000, 8);
  ASSERT_EQ(one.found.size(), two.found.size());
  for (size_t i = 0; i < one.found.size(); ++i) {
    EXPECT_EQ(one.found[i].item, two.found[i].item);
    ASSERT_EQ(one.found[i].take.steps.size(), two.found[i].take.steps.size());
  }
}

TEST(Restless, CanBeEnded) {
  int asked = 0;
  const auto all = visit(begun(sound()), 1'000'000, 9, [&](std::uint64_t) { return ++asked < 4; });
  EXPECT_LT(all.events, 1'000u);
}

}  // namespace
}  // namespace bristle
