// Who holds what: each test is a sentence of behaviour.md §4 and §5.
#include <gmock/gmock.h>

#include <random>

#include "core/edit/templates.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::IsEmpty;
using testing::Not;

struct Column {
  Project project = test::columnMenu({"One", "Two", "Three"});
  std::vector<ItemId> ids = test::buttons(project);
  Column() = default;
  explicit Column(bool together) { project.settings.pointerMovesFocus = together; }
};

const Running& runningOf(Session& session, const ItemId& id) {
  for (const ButtonRun& b : session.stack().back().buttons)
    if (b.item->id == id) return b.running;
  throw std::runtime_error("no button " + id.text);
}
bool is(Playing& run, const ItemId& id, Signals::Bit bit) {
  return runningOf(run.session(), id).signals.has(bit);
}
std::vector<std::string> feed(Playing& run, InputEvent event) {
  event.at = run.now;
  run.session().feed(event);
  return run.lines();
}
InputEvent accept(Device device, bool down, int key = 0, int unit = 0) {
  return {.type = InputType::Accept, .device = device, .down = down, .unit = unit, .key = key};
}
InputEvent moving(Device device, Dir dir, bool down) {
  return {.type = InputType::Move, .device = device, .dir = dir, .down = down};
}
InputEvent pointing(Session& session, InputType type, const ItemId& id, Device device,
                    int unit = 0) {
  const ScreenRun& run = session.stack().back();
  for (size_t i = 0; i < run.buttons.size(); ++i)
    if (run.buttons[i].item->id == id) {
      const Box& b = run.routes.input.boxes[i];
      return {.type = type, .device = device, .x = b.x + b.w / 2, .y = b.y + b.h / 2, .unit = unit};
    }
  throw std::runtime_error("no button " + id.text);
}

TEST(Devices, OnlyWhatBeganAPressEndsIt) {
  Column m;
  Playing run(m.project);
  feed(run, accept(Device::Keyboard, true));
  EXPECT_THAT(feed(run, accept(Device::Keyboard, false, 2)), IsEmpty()) << "another key";
  EXPECT_THAT(feed(run, accept(Device::Controller, false)),
              Not(Contains("activate " + m.ids[0].text)));
  feed(run, {.type = InputType::Gone, .device = Device::Controller});
  feed(run, {.type = InputType::PointUp, .device = Device::Mouse, .x = -5, .y = -5});
  EXPECT_TRUE(is(run, m.ids[0], Signals::Down));
  EXPECT_THAT(feed(run, accept(Device::Keyboard, false)), Contains("activate " + m.ids[0].text));
}

TEST(Devices, OnlyItsOwnGoneTakesAPressAway) {
  Column m;
  Playing run(m.project);
  feed(run, accept(Device::Controller, true, 0, 3));
  feed(run, {.type = InputType::Gone, .device = Device::Controller, .unit = 4});
  EXPECT_TRUE(is(run, m.ids[0], Signals::Armed));
  feed(run, {.type = InputType::Gone, .device = Device::Controller, .unit = 3});
  EXPECT_FALSE(is(run, m.ids[0], Signals::Armed));
  EXPECT_THAT(feed(run, accept(Device::Controller, false, 0, 3)), IsEmpty());
}

TEST(Devices, ASecondDownAndAnUpOfNothingAreIgnored) {
  Column m;
  Playing run(m.project);
  feed(run, moving(Device::Keyboard, Dir::Down, true));
  feed(run, moving(Device::Keyboard, Dir::Down, true));
  EXPECT_EQ(run.session().focused(), m.ids[1]) << "moved once";
  feed(run, moving(Device::Keyboard, Dir::Down, false));
  EXPECT_THAT(run.wait(3000), IsEmpty()) << "and is let go by one release";
  EXPECT_THAT(feed(run, moving(Device::Keyboard, Dir::Up, false)), IsEmpty());
  EXPECT_THAT(feed(run, accept(Device::Keyboard, false)), IsEmpty());
  feed(run, {.type = InputType::Cancel, .down = true});
  EXPECT_THAT(feed(run, {.type = InputType::Cancel, .down = true}), IsEmpty());
}

TEST(Devices, AButtonHeldByOneIsNotPressedByAnother) {
  Column m;
  Playing run(m.project);
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[0], Device::Mouse));
  ASSERT_TRUE(is(run, m.ids[0], Signals::Armed));
  feed(run, accept(Device::Keyboard, true));
  EXPECT_THAT(feed(run, accept(Device::Keyboard, false)), IsEmpty()) << "the mouse still holds it";
  EXPECT_TRUE(is(run, m.ids[0], Signals::Down));
  EXPECT_THAT(feed(run, pointing(run.session(), InputType::PointUp, m.ids[0], Device::Mouse)),
              Contains("activate " + m.ids[0].text));
}

TEST(Devices, DifferentDevicesMayHoldDifferentButtons) {
  Column m(false);
  Playing run(m.project);
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[2], Device::Mouse));
  feed(run, moving(Device::Keyboard, Dir::Up, true));
  feed(run, moving(Device::Keyboard, Dir::Up, false));
  feed(run, accept(Device::Keyboard, true));
  EXPECT_TRUE(is(run, m.ids[1], Signals::Down));
  EXPECT_TRUE(is(run, m.ids[2], Signals::Down));
  EXPECT_THAT(feed(run, accept(Device::Keyboard, false)), Contains("activate " + m.ids[1].text));
  EXPECT_THAT(feed(run, pointing(run.session(), InputType::PointUp, m.ids[2], Device::Mouse)),
              Contains("activate " + m.ids[2].text));
}

TEST(Devices, AFingerIsAPointerOfItsOwnBesideTheMouse) {
  Column m(false);
  Playing run(m.project);
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[0], Device::Mouse));
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[1], Device::Touch, 1));
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[2], Device::Touch, 2));
  for (const ItemId& id : m.ids) EXPECT_TRUE(is(run, id, Signals::Down)) << id.text;
  EXPECT_THAT(feed(run, pointing(run.session(), InputType::PointUp, m.ids[1], Device::Touch, 1)),
              Contains("activate " + m.ids[1].text));
  EXPECT_FALSE(is(run, m.ids[1], Signals::Over));
  EXPECT_TRUE(is(run, m.ids[0], Signals::Down));
  EXPECT_TRUE(is(run, m.ids[2], Signals::Down));
  // A finger that is not down points at nothing.
  feed(run, pointing(run.session(), InputType::Point, m.ids[1], Device::Touch, 1));
  EXPECT_FALSE(is(run, m.ids[1], Signals::Over));
}

TEST(Devices, AFingerThatSlidesOffIsNotInsideWhateverTheMouseDoes) {
  Column m(false);
  Playing run(m.project);
  feed(run, pointing(run.session(), InputType::Point, m.ids[0], Device::Mouse));
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[0], Device::Touch));
  feed(run, {.type = InputType::Point, .device = Device::Touch, .x = -9, .y = -9});
  EXPECT_FALSE(is(run, m.ids[0], Signals::Down));
  EXPECT_THAT(feed(run, {.type = InputType::PointUp, .device = Device::Touch, .x = -9, .y = -9}),
              Not(Contains("activate " + m.ids[0].text)));
  EXPECT_TRUE(is(run, m.ids[0], Signals::Over)) << "the mouse is still there";
}

TEST(Devices, ALiftedFingerLeavesNoFlashOfHover) {
  Column m;
  Playing run(m.project);
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[1], Device::Touch));
  const auto lines =
      feed(run, pointing(run.session(), InputType::PointUp, m.ids[1], Device::Touch));
  EXPECT_THAT(lines, Contains("activate " + m.ids[1].text));
  EXPECT_THAT(lines, Contains("state " + m.ids[1].text + " pressed → focused"));
  EXPECT_THAT(lines, Not(Contains("state " + m.ids[1].text + " pressed → hover")));
}

TEST(Devices, OfHeldDirectionsTheNewestCountsThenTheNextNewest) {
  Column m;
  Playing run(m.project);
  feed(run, moving(Device::Keyboard, Dir::Down, true));  // to the second
  feed(run, moving(Device::Controller, Dir::Up, true));  // and back
  EXPECT_THAT(run.wait(400), Contains(testing::HasSubstr("bump " + m.ids[0].text + " (up")));
  feed(run, moving(Device::Controller, Dir::Up, false));
  EXPECT_THAT(run.wait(399), IsEmpty());
  EXPECT_THAT(run.wait(1), Contains(testing::HasSubstr("→ " + m.ids[1].text + " (down")));
  feed(run, {.type = InputType::Gone, .device = Device::Keyboard});
  EXPECT_THAT(run.wait(2000), IsEmpty());
}

TEST(Devices, OverIsWorkedOutAnewWhereAScreenOpensOrCloses) {
  History h{test::columnMenu({"One", "Two"})};
  const ScreenId first = h.now().screens[0]->id;
  test::must(h, addScreen("Top"));
  const ScreenId second = h.now().screens[1]->id;
  test::must(h, addButton(second, h.now().kinds[0]->id, "There", 100, 100));
  const auto ids = test::buttons(h.now());
  const ItemId there = test::buttons(h.now(), 1)[0];
  test::must(h, setAction(first, ids[0], {ActionType::PutOnTop, second, {}}));
  test::must(h, setEntry(first, ids[1]));
  Playing run(h.now());
  feed(run, pointing(run.session(), InputType::PointDown, ids[0], Device::Mouse));
  const auto lines = feed(run, pointing(run.session(), InputType::PointUp, ids[0], Device::Mouse));
  ASSERT_EQ(run.session().stack().size(), 2U);
  EXPECT_TRUE(is(run, there, Signals::Over)) << "it lies under the resting pointer";
  EXPECT_THAT(lines, Contains(testing::HasSubstr("state " + there.text)));
  feed(run, {.type = InputType::Cancel});
  EXPECT_TRUE(is(run, ids[0], Signals::Over));
}

TEST(Devices, AClickDoesNotBringBackTheHoverThatADirectionKeyHid) {
  Column m;
  Playing run(m.project);
  feed(run, pointing(run.session(), InputType::Point, m.ids[0], Device::Mouse));
  run.move(Dir::Down);
  EXPECT_FALSE(is(run, m.ids[0], Signals::Over));
  feed(run, pointing(run.session(), InputType::Point, m.ids[0], Device::Mouse));
  EXPECT_FALSE(is(run, m.ids[0], Signals::Over)) << "it has not moved";
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[0], Device::Mouse));
  EXPECT_TRUE(is(run, m.ids[0], Signals::Down)) << "but what is clicked is pressed";
  EXPECT_THAT(feed(run, pointing(run.session(), InputType::PointUp, m.ids[0], Device::Mouse)),
              Contains("activate " + m.ids[0].text));
  EXPECT_FALSE(is(run, m.ids[0], Signals::Over));
  InputEvent twitch = pointing(run.session(), InputType::Point, m.ids[0], Device::Mouse);
  twitch.x += 1;
  feed(run, twitch);
  EXPECT_TRUE(is(run, m.ids[0], Signals::Over));
}

// The same keys with and without a mouse that twitches over nothing: the same signals throughout.
TEST(Devices, ModalityChangesNoSignal) {
  for (const bool together : {true, false}) {
    Column m(together);
    Playing still(m.project), twitching(m.project);
    std::mt19937 random(7);
    for (int i = 0; i < 300; ++i) {
      InputEvent e = random() % 2 ? accept(Device::Keyboard, random() % 2)
                                  : moving(Device::Keyboard, kDirs[random() % 4], random() % 2);
      still.now = twitching.now += 10;
      feed(still, e);
      feed(twitching, {.type = InputType::Point,
                       .device = Device::Mouse,
                       .x = -100 - double(random() % 50),
                       .y = -100});
      feed(twitching, e);
      for (const ItemId& id : m.ids)
        ASSERT_EQ(runningOf(still.session(), id).signals,
                  runningOf(twitching.session(), id).signals)
            << "together " << together << ", step " << i;
    }
  }
}

TEST(Devices, ApartTheFocusLookIsHiddenWhileAPointerIsUsed) {
  Column m(false);
  Playing run(m.project);
  const auto look = [&](const ItemId& id) {
    for (const ButtonRun& b : run.session().stack().back().buttons)
      if (b.item->id == id) return b.kind->program->role(b.player.state());
    return Role::None;
  };
  EXPECT_EQ(look(m.ids[0]), Role::Focus);
  feed(run, pointing(run.session(), InputType::Point, m.ids[2], Device::Mouse));
  EXPECT_EQ(look(m.ids[0]), Role::Rest);
  EXPECT_EQ(look(m.ids[2]), Role::Hover);
  EXPECT_TRUE(is(run, m.ids[0], Signals::Focus));
  run.move(Dir::Down);
  EXPECT_EQ(look(m.ids[1]), Role::Focus);
}

TEST(Devices, TheHostEnablesSendsAndSets) {
  Column m;
  m.project.values.push_back({{"v"}, "depth", 0, {}});
  Playing run(m.project);
  feed(run, accept(Device::Keyboard, true));
  const auto lines = feed(run, {.type = InputType::Enable, .down = false, .name = m.ids[0].text});
  EXPECT_THAT(lines, Contains("state " + m.ids[0].text + " pressed → disabled"));
  EXPECT_THAT(feed(run, accept(Device::Keyboard, false)), IsEmpty());
  feed(run, {.type = InputType::Enable, .down = true, .name = m.ids[0].text});
  EXPECT_TRUE(is(run, m.ids[0], Signals::Enabled));
  EXPECT_THAT(feed(run, {.type = InputType::Message, .name = "flood"}),
              testing::ElementsAre("message flood"));
  EXPECT_THAT(feed(run, {.type = InputType::SetValue, .name = "v", .number = 7}),
              testing::ElementsAre("value v = 7"));
  EXPECT_EQ(run.session().value({"v"}), 7);
  EXPECT_THAT(feed(run, {.type = InputType::SetValue, .name = "w", .number = 7}),
              testing::ElementsAre("bump – (no value w)"));
  EXPECT_EQ(run.session().modality(), Device::Keyboard);
}

TEST(Session, WhatWasSentBeforeAScreenOpenedIsDeliveredOnTheNewOne) {
  History h{test::columnMenu({"One", "Two"})};
  const ScreenId first = h.now().screens[0]->id;
  test::must(h, addScreen("Empty"));
  const ScreenId second = h.now().screens[1]->id;
  const auto ids = test::buttons(h.now());
  test::must(h, setAction(first, ids[0], {ActionType::Open, second, {}}));
  Project p = h.now();
  for (Transition& t : edit(p, p.machines[0]->id)->transitions)
    if (t.on == Event::Release)
      t.effects = {{.type = EffectType::Activate},
                   {.type = EffectType::Message, .message = "gone"},
                   {.type = EffectType::Sound, .file = "bye.wav", .volume = 1},
                   {.type = EffectType::Activate}};
  Playing run(p);
  run.key(InputType::Accept, true);
  const auto lines = run.key(InputType::Accept, false);
  EXPECT_THAT(lines, Contains("open screen " + second.text));
  EXPECT_THAT(lines, Contains("message gone"));
  EXPECT_THAT(lines, Contains("sound bye.wav at 1"));
  EXPECT_EQ(std::count(lines.begin(), lines.end(), "activate " + ids[0].text), 1)
      << "what has gone does nothing more";
}

TEST(Session, AnEndlessChainEndsTheSessionAfterItWasCutAFewTimes) {
  Column m;
  Machine& machine = *edit(m.project, m.project.machines[0]->id);
  for (const char* from : {"normal", "focused"}) {
    Transition t;
    t.from = StateId{from};
    t.on = Event::Message;
    t.message = "ping";
    t.to = {from};
    t.effects = {{.type = EffectType::Message, .message = "ping"}};
    machine.transitions.push_back(t);
  }
  Playing run(m.project);
  for (int i = 0; i < 20 && !run.session().ended(); ++i) {
    run.now += 10;
    run.session().feed({.at = run.now, .type = InputType::Message, .name = "ping"});
  }
  EXPECT_TRUE(run.session().gaveUp());
}

TEST(Session, ManyButtonsWhoseTimersAreDueAtOnceAreNoEndlessChain) {
  std::vector<std::string> captions(1500, "x");
  Project p = test::columnMenu(captions);
  Machine& machine = *edit(p, p.machines[0]->id);
  Transition t;
  t.from = StateId{"normal"};
  t.on = Event::After;
  t.after = 100;
  t.to = {"hover"};
  machine.transitions.push_back(t);
  Playing run(p);
  const auto lines = run.wait(100);
  EXPECT_EQ(std::count_if(lines.begin(), lines.end(),
                          [](const std::string& l) { return l.ends_with("normal → hover"); }),
            1499);
}

TEST(Hold, FiresOnceForAPressHoweverItIsDraggedAbout) {
  Column m;
  Machine& machine = *edit(m.project, m.project.machines[0]->id);
  machine = fromTemplate(Template::HoldToConfirm, machine.id, "hold", Wins::Hover);
  machine.hold = 300;
  Playing run(m.project);
  const auto count = [](const std::vector<std::string>& lines) {
    return std::count_if(lines.begin(), lines.end(),
                         [](const std::string& l) { return l.starts_with("activate"); });
  };
  feed(run, pointing(run.session(), InputType::PointDown, m.ids[1], Device::Mouse));
  EXPECT_EQ(count(run.wait(299)), 0);
  feed(run, {.type = InputType::Point, .device = Device::Mouse, .x = -9, .y = -9});
  feed(run, pointing(run.session(), InputType::Point, m.ids[1], Device::Mouse));
  EXPECT_EQ(count(run.wait(299)), 0) << "the hold begins anew";
  EXPECT_EQ(count(run.wait(1)), 1);
  feed(run, {.type = InputType::Point, .device = Device::Mouse, .x = -9, .y = -9});
  feed(run, pointing(run.session(), InputType::Point, m.ids[1], Device::Mouse));
  EXPECT_EQ(count(run.wait(2000)), 0) << "not again until a new press";
}

}  // namespace
}  // namespace bristle
