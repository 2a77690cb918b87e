// What buttons do, what values change, and what is heard (behaviour: screens, actions, values).
#include <gmock/gmock.h>

#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::ElementsAre;
using testing::HasSubstr;
using testing::IsEmpty;
using testing::Not;

// A column of four on the first screen, one button on each of two others; a number, a flag and a
// choice.
struct Doing {
  Project project = test::columnMenu({"a", "b", "c", "d"});
  std::vector<ScreenId> screens;
  std::vector<ItemId> ids;
  Doing() {
    History h{project};
    for (const char* name : {"Second", "Third"}) {
      test::must(h, addScreen(name));
      test::must(h, addButton(h.now().screens.back()->id, h.now().kinds[0]->id, "x", 10, 10));
    }
    project = h.now();
    for (const auto& screen : project.screens) screens.push_back(screen->id);
    ids = test::buttons(project);
    project.values = {{.id = {"n"}, .name = "count", .least = 0, .most = 10, .step = 2},
                      {.id = {"f"}, .name = "lamp", .sort = ValueSort::Flag},
                      {.id = {"w"},
                       .name = "depth",
                       .sort = ValueSort::Choice,
                       .options = {"shallow", "mid", "deep"}}};
  }
  Item& item(size_t i) { return *edit(*edit(project, screens[0]), ids[i]); }
  ButtonData& data(size_t i) { return *item(i).button(); }
  ButtonData& only(size_t screen) {
    return *edit(*edit(project, screens[screen]), test::buttons(project, screen)[0])->button();
  }
  std::string name(size_t i) const { return ids[i].text; }
};

// What a person's press brings about beside the states of machines and the device.
std::vector<std::string> press(Playing& run) {
  std::vector<std::string> out = run.key(InputType::Accept, true);
  for (const std::string& line : run.key(InputType::Accept, false)) out.push_back(line);
  std::erase_if(out, [](const std::string& line) {
    return line.starts_with("state") || line.starts_with("device") || line.starts_with("activate");
  });
  return out;
}

Signals signals(Playing& run, size_t button, size_t depth = 0) {
  return run.session().stack()[depth].buttons[button].running.signals;
}

// Over, and on to the next one; after the last the first.
TEST(Actions, FlipGoesRound) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::Flip, .value = {"f"}},
                       {.type = ActionType::Flip, .value = {"w"}},
                       {.type = ActionType::Flip, .value = {"n"}}};
  m.project.values[0].start = 8;
  Playing run(m.project);
  press(run);
  EXPECT_EQ(run.session().value({"f"}), 1);
  EXPECT_EQ(run.session().value({"w"}), 1);
  EXPECT_EQ(run.session().value({"n"}), 10);
  press(run);
  press(run);
  EXPECT_EQ(run.session().value({"f"}), 1);
  EXPECT_EQ(run.session().value({"w"}), 0);
  EXPECT_EQ(run.session().value({"n"}), 2);
}

TEST(Actions, AreDoneInOrderUntilOneChangesTheStack) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::Set, .value = {"n"}, .number = 4},
                       {.type = ActionType::Message, .message = "hi"},
                       {.type = ActionType::Open, .screen = m.screens[1]},
                       {.type = ActionType::Message, .message = "never"}};
  Playing run(m.project);
  run.lines();
  const auto lines = press(run);
  EXPECT_EQ(lines[0], "value n = 4");
  EXPECT_EQ(lines[1], "message hi");
  EXPECT_EQ(lines[2], "open screen " + m.screens[1].text);
  EXPECT_THAT(lines, Not(Contains("message never")));
}

// What cannot be done changes nothing, so the next is done.
TEST(Actions, GoOnWhereTheStackStaysAsItIs) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::Back}, {.type = ActionType::Message, .message = "on"}};
  Playing run(m.project);
  run.lines();
  EXPECT_THAT(press(run),
              ElementsAre("bump " + m.name(0) + " (nothing to go back to)", "message on"));
}

TEST(Actions, AreDoneOnlyIfTheirConditionHoldsThen) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::Message, .message = "few", .when = "@n < 2"},
                       {.type = ActionType::Step, .value = {"n"}, .number = 1},
                       {.type = ActionType::Message, .message = "enough", .when = "@n >= 2"}};
  Playing run(m.project);
  run.lines();
  EXPECT_THAT(press(run), ElementsAre("message few", "value n = 2", "message enough"));
  EXPECT_THAT(press(run), ElementsAre("value n = 4", "message enough"));
}

TEST(Actions, GoBackToAScreenBeneath) {
  Doing m;
  m.data(1).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[1]}};
  m.only(1).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[2]}};
  m.only(2).actions = {{.type = ActionType::BackTo, .screen = m.screens[0]}};
  Playing run(m.project);
  run.move(Dir::Down);
  press(run);
  press(run);
  ASSERT_EQ(run.session().stack().size(), 3u);
  EXPECT_THAT(press(run), Contains("back to " + m.screens[0].text));
  EXPECT_EQ(run.session().stack().size(), 1u);
  EXPECT_EQ(run.session().focused(), m.ids[1]) << "as it was";
  m.data(1).actions = {{.type = ActionType::BackTo, .screen = m.screens[2]}};
  Playing other(m.project);
  other.move(Dir::Down);
  EXPECT_THAT(press(other), ElementsAre("bump " + m.name(1) + " (that screen is not beneath)"));
}

TEST(Actions, ThatReferToWhatIsGoneDoNothingAndSaySo) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::Open, .screen = {"gone"}},
                       {.type = ActionType::BackTo, .screen = {"gone"}},
                       {.type = ActionType::Hide, .item = {"gone"}},
                       {.type = ActionType::Panel, .item = m.ids[2]},
                       {.type = ActionType::Set, .value = {"gone"}},
                       {.type = ActionType::Link, .message = "javascript:alert(1)"},
                       {.type = ActionType::Link, .message = "HTTPS://example.org/a"}};
  Playing run(m.project);
  run.lines();
  const auto lines = press(run);
  ASSERT_EQ(lines.size(), 7u);
  for (size_t i = 0; i < 6; ++i) EXPECT_TRUE(lines[i].starts_with("broken")) << lines[i];
  EXPECT_EQ(lines[6], "link HTTPS://example.org/a");
  EXPECT_TRUE(run.session().stack()[0].isThere(2));
}

TEST(Values, StayWithinWhatTheyMayBe) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::Set, .value = {"n"}, .number = 99},
                       {.type = ActionType::Set, .value = {"f"}, .number = 7},
                       {.type = ActionType::Step, .value = {"w"}, .number = 5},
                       {.type = ActionType::Step, .value = {"n"}, .number = -2}};
  Playing run(m.project);
  run.lines();
  EXPECT_THAT(press(run), ElementsAre("value n = 10", "value f = 1", "value w = 2", "value n = 6"));
  run.session().feed({.at = run.now, .type = InputType::SetValue, .name = "n", .number = -3});
  EXPECT_EQ(run.session().value({"n"}), 0) << "the host, too";
}

// Of a set of panels one is shown; the button that shows it is current.
struct Tabs3 : Doing {
  std::vector<ItemId> panels;
  Tabs3() {
    Screen& s = *edit(project, screens[0]);
    Item set;
    set.id = {"set"};
    set.place = {{.offset = 500}, {.offset = 0}};
    ContainerData how;
    how.flow = bristle::Flow::Free;
    how.panels = true;
    set.what = how;
    s.items.emplace_back(set);
    for (const char* id : {"p0", "p1", "p2"}) {
      Item panel;
      panel.id = {id};
      panel.parent = {"set"};
      panel.what = ContainerData{};
      s.items.emplace_back(panel);
      Item in;
      in.id = {std::string(id) + "-b"};
      in.parent = panel.id;
      ButtonData button;
      button.kind = project.kinds[0]->id;
      button.caption = id;
      in.what = button;
      s.items.emplace_back(in);
      panels.push_back({id});
    }
    for (size_t i = 0; i < 3; ++i)
      data(i).actions = {{.type = ActionType::Panel, .item = panels[i]}};
  }
};

TEST(Panels, OneOfASetIsShownAndItsTabIsCurrent) {
  Tabs3 m;
  Playing run(m.project);
  EXPECT_THAT(run.lines(), Not(Contains(HasSubstr("show"))));
  const auto shown = [&] {
    std::string out;
    for (size_t b = 4; b < 7; ++b) out += run.session().stack()[0].isThere(int(b)) ? '1' : '0';
    return out;
  };
  EXPECT_EQ(shown(), "100");
  EXPECT_TRUE(signals(run, 0).has(Signals::Current));
  run.move(Dir::Down);
  EXPECT_THAT(press(run), ElementsAre("hide p0", "show p1"));
  EXPECT_EQ(shown(), "010");
  EXPECT_FALSE(signals(run, 0).has(Signals::Current));
  EXPECT_TRUE(signals(run, 1).has(Signals::Current));
  EXPECT_THAT(press(run), IsEmpty()) << "it is shown already";
  // Directions lead into the one that is shown.
  EXPECT_THAT(run.move(Dir::Right), Contains(HasSubstr("→ p1-b")));
}

TEST(Shown, WhatIsHiddenHandsFocusBackAlongItsMoves) {
  Doing m;
  m.data(2).actions = {{.type = ActionType::Hide, .item = m.ids[2]},
                       {.type = ActionType::Hide, .item = m.ids[1]}};
  Playing run(m.project);
  run.move(Dir::Down);
  run.move(Dir::Down);
  ASSERT_EQ(run.session().focused(), m.ids[2]);
  press(run);
  EXPECT_EQ(run.session().focused(), m.ids[0]) << "where it came from is hidden, too";
  run.move(Dir::Down);
  EXPECT_EQ(run.session().focused(), m.ids[3]) << "past what is hidden";
}

TEST(Shown, WithoutAWayBackFocusGoesToTheNearestOrNowhere) {
  Doing m;
  edit(m.project, m.screens[0])->entry = m.ids[3];
  for (size_t i = 0; i < 4; ++i) m.item(i).shownWhen = "@n < " + std::to_string(i + 1);
  Playing run(m.project);
  const auto set = [&](double to) {
    run.session().feed({.at = run.now, .type = InputType::SetValue, .name = "n", .number = to});
    return run.lines();
  };
  ASSERT_EQ(run.session().focused(), m.ids[3]);
  run.lines();
  EXPECT_THAT(set(3), ElementsAre("value n = 3", "hide " + m.name(0), "hide " + m.name(1),
                                  "hide " + m.name(2)));
  const auto gone = set(4);
  EXPECT_THAT(gone, Contains("focus " + m.name(3) + " → – (hidden)"));
  EXPECT_EQ(run.session().focused(), ItemId{});
  set(1);
  run.move(Dir::Down);
  EXPECT_EQ(run.session().focused(), m.ids[3]) << "where focus starts";
}

TEST(Shown, APressOnWhatIsHiddenIsAbandoned) {
  Doing m;
  m.item(0).shownWhen = "@n = 0";
  Playing run(m.project);
  run.key(InputType::Accept, true);
  run.session().feed({.at = run.now, .type = InputType::SetValue, .name = "n", .number = 1});
  EXPECT_FALSE(signals(run, 0).has(Signals::Armed));
  EXPECT_THAT(run.key(InputType::Accept, false), Not(Contains(HasSubstr("activate"))));
  run.session().feed({.at = run.now, .type = InputType::SetValue, .name = "n", .number = 0});
  EXPECT_TRUE(run.session().stack()[0].isThere(0));
}

TEST(Shown, TogglesByTurns) {
  Doing m;
  m.item(3).hidden = true;
  m.data(0).actions = {{.type = ActionType::Toggle, .item = m.ids[3]}};
  Playing run(m.project);
  run.lines();
  EXPECT_THAT(press(run), ElementsAre("show " + m.name(3)));
  EXPECT_THAT(press(run), ElementsAre("hide " + m.name(3)));
}

// Rows that come later can be scrolled to.
TEST(Shown, AScrollerIsAsLongAsWhatIsShownInIt) {
  Doing m;
  for (auto& item : edit(m.project, m.screens[0])->items)
    if (item->container()) {
      item.edit().container()->scrolls = Scrolls::Down;
      item.edit().place.y.size = 120;
    }
  for (size_t i = 1; i < 4; ++i) m.item(i).shownWhen = "@f";
  Playing run(m.project);
  const auto& layout = run.session().stack()[0].layout;
  const Px before = layout.scrollers[0].content;
  run.session().feed({.at = 0, .type = InputType::SetValue, .name = "f", .number = 1});
  EXPECT_GT(layout.scrollers[0].content, before);
  for (int i = 0; i < 3; ++i) run.move(Dir::Down);
  EXPECT_GT(layout.scrollers[0].offset, 0);
}

TEST(Visited, CountsButtonsPressedAndScreensOpened) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[1]}};
  m.only(1).actions = {{.type = ActionType::Back}};
  m.data(3).when.enabled = "visited(@" + m.name(0) + ") and visited(@" + m.screens[1].text + ")";
  m.data(2).when.enabled = "open(@" + m.screens[1].text + ")";
  m.data(1).when.enabled = "visited(@" + m.screens[2].text + ")";
  Playing run(m.project);
  EXPECT_FALSE(signals(run, 3).has(Signals::Enabled));
  press(run);
  EXPECT_TRUE(signals(run, 3).has(Signals::Enabled)) << "beneath, too";
  EXPECT_TRUE(signals(run, 2).has(Signals::Enabled));
  press(run);
  EXPECT_TRUE(signals(run, 3).has(Signals::Enabled)) << "kept";
  EXPECT_FALSE(signals(run, 2).has(Signals::Enabled)) << "open no more";
  EXPECT_FALSE(signals(run, 1).has(Signals::Enabled));
}

// Unlocked for the first time, a machine has its moment; not again.
TEST(Unlock, IsToldOnceWhenSomethingBecomesAvailable) {
  Doing m;
  m.data(3).when.enabled = "@n >= 4";
  Machine& machine = *edit(m.project, m.project.machines[0]->id);
  State flourish{{"new"}, "New"};
  machine.states.push_back(flourish);
  Transition t;
  t.on = Event::Unlock;
  t.to = {"new"};
  machine.transitions.push_back(t);
  Playing run(m.project);
  run.lines();
  const auto set = [&](double to) {
    run.session().feed({.at = run.now, .type = InputType::SetValue, .name = "n", .number = to});
    return run.lines();
  };
  EXPECT_THAT(set(2), ElementsAre("value n = 2"));
  EXPECT_THAT(set(4), ElementsAre("value n = 4", "state " + m.name(3) + " disabled → normal",
                                  "unlock " + m.name(3), "state " + m.name(3) + " normal → new"));
  set(0);
  EXPECT_THAT(set(6), Not(Contains(HasSubstr("unlock"))));
}

TEST(Unlock, WaitsForTheScreenToOpenAndComesAfterItsFocus) {
  Doing m;
  m.data(3).when.enabled = "visited(@" + m.screens[1].text + ")";
  m.data(0).actions = {{.type = ActionType::Open, .screen = m.screens[1]}};
  m.only(1).actions = {{.type = ActionType::Open, .screen = m.screens[0]}};
  Playing run(m.project);
  run.lines();
  EXPECT_THAT(press(run), Not(Contains(HasSubstr("unlock")))) << "its screen is gone";
  const auto lines = press(run);
  const auto at = [&](const std::string& part) {
    return std::find_if(lines.begin(), lines.end(),
                        [&](const std::string& line) { return line.starts_with(part); }) -
           lines.begin();
  };
  ASSERT_LT(at("unlock " + m.name(3)), ptrdiff_t(lines.size()));
  EXPECT_LT(at("focus"), at("unlock"));
  EXPECT_LT(at("open screen"), at("focus"));
}

// Screens that open one another as soon as they are there: cut, told, and soon.
TEST(Actions, ThatOpenOneAnotherInACircleAreCut) {
  Doing m;
  m.only(1).actions = {{.type = ActionType::Open, .screen = m.screens[2]}};
  m.only(2).actions = {{.type = ActionType::Open, .screen = m.screens[1]}};
  m.data(0).actions = {{.type = ActionType::Open, .screen = m.screens[1]}};
  Machine& machine = *edit(m.project, m.project.machines[0]->id);
  for (Transition& t : machine.transitions)
    if (t.on == Event::FocusGain) t.effects = {{.type = EffectType::Activate}};
  Playing run(m.project);
  const auto lines = run.lines();
  const auto opened = std::count_if(lines.begin(), lines.end(), [](const std::string& line) {
    return line.starts_with("open screen");
  });
  EXPECT_LE(opened, Session::kMostOpened + 1);
  EXPECT_THAT(lines, Contains(HasSubstr("stopped an endless chain")));
  EXPECT_EQ(run.session().stack().size(), 1u);
}

// The same screen on top of itself, again and again: as many as there may be, then it says so.
TEST(Actions, TheSameScreenAThousandTimesOnTopEndsInABump) {
  Doing m;
  m.only(1).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[1]}};
  m.project.first = m.screens[1];
  Playing run(m.project);
  for (int i = 0; i < 1000; ++i) press(run);
  EXPECT_EQ(run.session().stack().size(), Session::kMostScreens);
  EXPECT_THAT(press(run), Contains(HasSubstr("as many screens are on top")));
}

// A machine's timer stands still while its screen sleeps.
TEST(Sleeping, TimersGoOnFromWhereTheyStood) {
  for (const bool sleeps : {false, true}) {
    Doing m;
    edit(m.project, m.screens[0])->sleeps = sleeps;
    m.data(0).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[1]}};
    m.only(1).actions = {{.type = ActionType::Back}};
    Machine& machine = *edit(m.project, m.project.machines[0]->id);
    machine.states.push_back({{"late"}, "Late"});
    Transition t;
    t.from = StateId{"normal"};
    t.on = Event::After;
    t.after = 1000;
    t.to = {"late"};
    machine.transitions.push_back(t);
    Playing run(m.project);
    run.wait(300);
    press(run);
    const auto late = [&](const std::vector<std::string>& lines) {
      return std::count(lines.begin(), lines.end(), "state " + m.name(3) + " normal → late");
    };
    EXPECT_EQ(late(run.wait(5000)), sleeps ? 0 : 1);
    press(run);
    if (!sleeps) continue;
    EXPECT_EQ(late(run.wait(690)), 0);
    EXPECT_EQ(late(run.wait(20)), 1);
  }
}

TEST(Music, IsThatOfTheTopmostScreenThatHasAny) {
  Doing m;
  m.data(0).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[1]}};
  m.only(1).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[2]}};
  m.only(2).actions = {{.type = ActionType::BackTo, .screen = m.screens[0]}};
  const auto music = [](const std::vector<std::string>& lines) {
    std::string out;
    for (const std::string& line : lines)
      if (line.starts_with("music")) out += line + ";";
    return out;
  };
  edit(m.project, m.screens[0])->music = {"deep.ogg", 0.5, Beneath::Quieter};
  edit(m.project, m.screens[2])->music = {"other.ogg", 1, Beneath::Stops};
  Playing run(m.project);
  EXPECT_EQ(music(run.lines()), "music deep.ogg at 0.5;");
  EXPECT_EQ(music(press(run)), "music deep.ogg at 0.175;");
  EXPECT_EQ(music(press(run)), "music other.ogg at 1;");
  EXPECT_EQ(music(press(run)), "music deep.ogg at 0.5;");
  edit(m.project, m.screens[0])->music.beneath = Beneath::Stops;
  m.project.settings.musicVolume = {"n"};
  m.project.values[0].start = 5;
  Playing other(m.project);
  EXPECT_EQ(music(other.lines()), "music deep.ogg at 0.25;") << "half of what there is";
  EXPECT_EQ(music(press(other)), "music stops;");
}

TEST(Cues, AreHeardAsLoudAsTheProjectSays) {
  Doing m;
  m.project.settings.openSound = "open.wav";
  m.project.settings.backSound = "back.wav";
  m.project.settings.bumpSound = "bump.wav";
  m.project.settings.cueVolume = {"w"};
  m.project.values[2].start = 1;
  m.data(0).actions = {{.type = ActionType::PutOnTop, .screen = m.screens[1]}};
  m.only(1).actions = {{.type = ActionType::Back}};
  Playing run(m.project);
  EXPECT_THAT(run.lines(), Not(Contains(HasSubstr("sound")))) << "nobody opened the first";
  EXPECT_THAT(run.move(Dir::Up), Contains("sound bump.wav at 0.5"));
  EXPECT_THAT(press(run), Contains("sound open.wav at 0.5"));
  EXPECT_THAT(press(run), Contains("sound back.wav at 0.5"));
}

}  // namespace
}  // namespace bristle
