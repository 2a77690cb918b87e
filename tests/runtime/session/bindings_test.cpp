// behaviour.md §5, §6a: what keys and controller buttons do, buttons that answer, tabs.
#include <gmock/gmock.h>

#include "runtime/session/sign_reader.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::HasSubstr;
using testing::Not;

Sign key(const char* text) {
  return *parseSign(Sign::Of::Key, text);
}
Sign button(const char* text) {
  return *parseSign(Sign::Of::Button, text);
}

// What is pressed on a keyboard and a controller, as a program does that runs a menu.
struct Menu {
  Project project = test::columnMenu({"One", "Two", "Three"});
  std::vector<ItemId> ids = test::buttons(project);
  SignReader reader;
  std::optional<Playing> run;
  Screen& screen() { return *edit(project, project.screens[0]->id); }
  ButtonData& data(size_t i) { return *edit(screen(), ids[i])->button(); }
  ContainerData& column() {
    for (auto& item : screen().items)
      if (item->container()) return *item.edit().container();
    return *screen().items[0].edit().container();
  }
  ShortcutId addShortcut(const char* id, const char* on, std::optional<Action> action = {}) {
    project.shortcuts.push_back({{id}, id, action ? Actions{*action} : Actions{}});
    project.bindings.push_back({key(on), Does::Shortcut, {id}});
    return {id};
  }
  std::vector<std::string> send(std::optional<InputEvent> event) {
    if (!event) return {"(nothing)"};
    event->at = run->now;
    run->session().feed(*event);
    return run->lines();
  }
  std::vector<std::string> down(const Sign& sign) {
    if (!run) run.emplace(project);
    const Session& session = run->session();
    return send(reader.down(session.project(), session.stack().back().screen, sign));
  }
  std::vector<std::string> up(const Sign& sign) { return send(reader.up(sign)); }
  std::vector<std::string> press(const Sign& sign) {
    auto out = down(sign);
    for (auto& line : up(sign)) out.push_back(std::move(line));
    return out;
  }
  ItemId focused() {
    if (!run) run.emplace(project);
    return run->session().focused();
  }
};

TEST(Signs, AreReadAsTheyAreWritten) {
  for (const Sign::Of of : {Sign::Of::Key, Sign::Of::Button})
    for (const std::string_view name : signNames(of)) {
      Sign sign{of, std::string(name)};
      EXPECT_EQ(parseSign(of, toText(sign)), sign);
      if (of == Sign::Of::Button) continue;
      sign.ctrl = sign.shift = true;
      EXPECT_EQ(parseSign(of, toText(sign)), sign);
    }
  EXPECT_EQ(key("ctrl + alt+q"), (Sign{Sign::Of::Key, "Q", true, true, false}));
  for (const char* none : {"", "Ctrl+", "ArrowUp", "Tab", "Hyper+Q", "lower button", "QQ", "+"})
    EXPECT_FALSE(parseSign(Sign::Of::Key, none)) << none;
  EXPECT_FALSE(parseSign(Sign::Of::Button, "Enter"));
}

TEST(Bindings, AtFirstEnterAcceptsAndTheLowerButtonDoes) {
  Menu m;
  EXPECT_THAT(m.press(key("Enter")), Contains(HasSubstr("activate")));
  EXPECT_THAT(m.press(key("NumpadEnter")), Contains(HasSubstr("activate")));
  EXPECT_THAT(m.press(button("lower button")), Contains(HasSubstr("activate")));
  EXPECT_THAT(m.press(key("Q")), Contains("(nothing)"));
  EXPECT_THAT(m.press(key("Shift+Enter")), Contains(HasSubstr("activate")))
      << "a modifier that nothing is bound with does not matter";
  EXPECT_THAT(m.press(key("Ctrl+Enter")), Contains("(nothing)"));
}

TEST(Bindings, OfAScreenCountMoreThanThoseOfTheProject) {
  Menu m;
  m.project.bindings = {{key("Q"), Does::Accept, {}}, {key("W"), Does::Up, {}}};
  m.screen().bindings = {{key("Q"), Does::Nothing, {}}, {key("E"), Does::Down, {}}};
  EXPECT_THAT(m.press(key("Q")), Contains("(nothing)"));
  m.press(key("E"));
  EXPECT_EQ(m.focused(), m.ids[1]);
  m.press(key("W"));
  EXPECT_EQ(m.focused(), m.ids[0]);
}

// What went down as one thing goes up as that.
TEST(Bindings, AKeyLetsGoOfWhatItBegan) {
  Menu m;
  m.project.bindings.push_back({key("Ctrl+Q"), Does::Accept, {}});
  m.down(key("Ctrl+Q"));
  EXPECT_THAT(m.down(key("Q")), Contains("(nothing)")) << "it is down already";
  EXPECT_THAT(m.up(key("Q")), Contains(HasSubstr("activate"))) << "the modifier was let go first";
  EXPECT_THAT(m.up(key("Q")), Contains("(nothing)"));
  // Two keys for the same: each ends only its own press.
  m.down(key("Enter"));
  m.down(key("Space"));
  EXPECT_THAT(m.up(key("Space")), Not(Contains(HasSubstr("activate"))));
  EXPECT_THAT(m.up(key("Enter")), Contains(HasSubstr("activate")));
}

TEST(Bindings, SignsAreToldForPrompts) {
  Menu m;
  const Screen* screen = &m.screen();
  EXPECT_EQ(signsFor(m.project, screen, Sign::Of::Key, Does::Cancel),
            std::vector<Sign>{key("Escape")});
  m.screen().bindings = {{key("Escape"), Does::Accept, {}}, {key("B"), Does::Cancel, {}}};
  screen = &m.screen();
  EXPECT_EQ(signsFor(m.project, screen, Sign::Of::Key, Does::Cancel), std::vector<Sign>{key("B")});
  EXPECT_EQ(signsFor(m.project, screen, Sign::Of::Key, Does::Accept).front(), key("Escape"));
  EXPECT_EQ(signsFor(m.project, screen, Sign::Of::Button, Does::TabRight),
            std::vector<Sign>{button("right shoulder")});
}

TEST(Shortcuts, PressTheButtonThatAnswersFromWhereverFocusIs) {
  Menu m;
  m.data(2).answers.shortcut = m.addShortcut("drop", "X", Action{ActionType::Quit, {}, {}});
  EXPECT_THAT(m.down(key("X")),
              testing::AllOf(Contains("shortcut drop"),
                             Contains(HasSubstr(m.ids[2].text + " normal → pressed")),
                             Not(Contains(HasSubstr("activate")))));
  EXPECT_EQ(m.focused(), m.ids[0]) << "focus stays";
  EXPECT_THAT(m.up(key("X")),
              testing::AllOf(Contains("activate " + m.ids[2].text), Not(Contains("quit"))));
}

TEST(Shortcuts, DoWhatTheyDoWhereNothingAnswers) {
  Menu m;
  m.addShortcut("hint", "H", Action{ActionType::Message, {}, "hint.shown"});
  EXPECT_THAT(m.press(key("H")), Contains("message hint.shown"));
  m.addShortcut("idle", "I");
  m.run.reset();
  EXPECT_THAT(m.press(key("I")), Contains(HasSubstr("bump")));
  InputEvent gone;
  gone.type = InputType::Shortcut;
  gone.name = "nobody";
  EXPECT_THAT(m.send(gone), Contains(HasSubstr("no such shortcut")));
}

TEST(Shortcuts, DoNotPressWhatIsDisabledOrOnAnotherScreen) {
  Menu m;
  m.data(1).answers.shortcut = m.addShortcut("drop", "X", Action{ActionType::Quit, {}, {}});
  m.data(1).disabled = true;
  EXPECT_THAT(m.press(key("X")),
              testing::AllOf(Contains(HasSubstr("disabled")), Not(Contains(HasSubstr("activate"))),
                             Not(Contains("quit"))));
}

TEST(Answers, CancelPressesTheButtonInsteadOfGoingBack) {
  Menu m;
  m.data(1).answers.cancel = true;
  EXPECT_THAT(m.down(key("Escape")), Contains(HasSubstr(m.ids[1].text + " normal → pressed")));
  EXPECT_THAT(m.up(key("Escape")), Contains("activate " + m.ids[1].text));
  // A press that is held comes first: cancel gives it up, and does nothing else.
  m.down(key("Enter"));
  EXPECT_THAT(m.press(key("Escape")), Not(Contains(HasSubstr("activate"))));
  EXPECT_THAT(m.up(key("Enter")), Not(Contains(HasSubstr("activate"))));
}

TEST(Asides, NeverHaveFocusButArePressed) {
  Menu m;
  m.data(1).aside = true;
  m.data(1).answers.cancel = true;
  Playing run(m.project);
  run.move(Dir::Down);
  EXPECT_EQ(run.session().focused(), m.ids[2]) << "the direction passes it by";
  InputEvent step;
  step.type = InputType::Step;
  for (int i = 0; i < 4; ++i) {
    run.session().feed(step);
    EXPECT_NE(run.session().focused(), m.ids[1]);
  }
  const ItemId before = run.session().focused();
  run.point(InputType::Point, m.ids[1]);
  EXPECT_EQ(run.session().focused(), before) << "the pointer brings no focus to it";
  EXPECT_THAT(run.point(InputType::PointDown, m.ids[1]), Not(Contains(HasSubstr("focus "))));
  EXPECT_THAT(run.point(InputType::PointUp, m.ids[1]), Contains("activate " + m.ids[1].text));
  EXPECT_THAT(run.key(InputType::Cancel, true), Contains(HasSubstr(m.ids[1].text)));
}

TEST(Asides, AreNotWhereFocusStartsNorWhereARouteLeads) {
  Menu m;
  m.data(0).aside = true;
  m.screen().entry = m.ids[0];
  m.data(1).routes[Dir::Up] = {RouteType::Pinned, m.ids[0]};
  m.data(1).routes[Dir::Down] = {RouteType::Wrap, {}};
  Playing run(m.project);
  EXPECT_EQ(run.session().focused(), m.ids[1]);
  run.move(Dir::Up);
  EXPECT_EQ(run.session().focused(), m.ids[1]);
}

struct TabMenu : Menu {
  TabMenu(Tabs tabs) {
    column().tabs = tabs;
    for (size_t i = 0; i < ids.size(); ++i)
      data(i).actions = {{ActionType::Message, {}, "tab." + std::to_string(i)}};
  }
};

TEST(TabRows, StepOnAndStopAtTheEnds) {
  TabMenu m(Tabs::Stop);
  EXPECT_THAT(m.press(key("PageDown")), Contains("message tab.1"));
  EXPECT_EQ(m.focused(), m.ids[1]) << "focus that was on a tab goes along";
  EXPECT_THAT(m.press(button("right shoulder")), Contains("message tab.2"));
  EXPECT_THAT(m.press(button("right shoulder")), Contains(HasSubstr("no further tab")));
  EXPECT_THAT(m.press(button("left shoulder")), Contains("message tab.1"));
}

TEST(TabRows, GoRoundAndPassOverWhatIsDisabled) {
  TabMenu m(Tabs::Round);
  m.data(2).disabled = true;
  m.press(key("PageDown"));
  EXPECT_THAT(m.press(key("PageDown")), Contains("message tab.0"));
  EXPECT_THAT(m.press(key("PageUp")), Contains("message tab.1"));
}

TEST(TabRows, GoOnFromTheCurrentOneWhereverFocusIs) {
  TabMenu m(Tabs::Stop);
  m.data(1).actions = {{ActionType::Open, m.project.screens[0]->id, {}}};
  m.data(0).actions = {{ActionType::Open, m.project.screens[0]->id, {}}};
  m.data(0).when.current = "@v > 5";
  m.project.values.push_back({{"v"}, "v", 0, {}});
  // Two is current, focus starts at One.
  ASSERT_EQ(m.focused(), m.ids[0]);
  EXPECT_THAT(m.press(key("PageDown")), Contains("message tab.2"));
}

TEST(TabRows, OfARowAreMirroredWithTheScreen) {
  TabMenu m(Tabs::Stop);
  m.column().flow = Flow::Row;
  m.project.languages.front().rightToLeft = true;
  EXPECT_THAT(m.press(button("right shoulder")), Contains(HasSubstr("no further tab")));
  EXPECT_THAT(m.press(button("left shoulder")), Contains("message tab.1"));
}

TEST(TabRows, WithoutAnyItIsABump) {
  Menu m;
  EXPECT_THAT(m.press(key("PageDown")), Contains(HasSubstr("no tabs here")));
}

}  // namespace
}  // namespace bristle
