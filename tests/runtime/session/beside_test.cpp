// A press beside all that stands on a screen which lies on another: it blocks, is left, or lets
// through (behaviour: life of a screen).
#include <gmock/gmock.h>

#include "core/edit/screen_edits.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::Playing;
using testing::Contains;
using testing::HasSubstr;
using testing::Not;

// A column of two buttons; the second puts a screen on top that has a button and a panel, both far
// from the column.
struct Lying {
  Project project = test::columnMenu({"One", "Top"});
  ScreenId below = project.screens[0]->id, top;
  ItemId one = test::buttons(project)[0], opens = test::buttons(project)[1], within;
  explicit Lying(Beside beside) {
    History h{project};
    test::must(h, addScreen("Over"));
    top = h.now().screens[1]->id;
    test::must(h, addButton(top, h.now().kinds[0]->id, "In", 1500, 900));
    Item panel;
    panel.place = {{Pin::Start, 1400, 300}, {Pin::Start, 100, 300}};
    panel.what = PanelData{};
    test::must(h, addItem(top, "Sheet", panel));
    project = h.now();
    within = test::buttons(project, 1)[0];
    edit(project, top)->beside = beside;
    edit(*edit(project, below), opens)->button()->actions = {{ActionType::PutOnTop, top, {}}};
  }
};

constexpr Device kPointers[] = {Device::Mouse, Device::Touch};

std::vector<std::string> click(Playing& run, double x, double y, Device device = Device::Mouse) {
  auto lines = run.point(InputType::PointDown, x, y, device);
  for (auto& line : run.point(InputType::PointUp, x, y, device)) lines.push_back(line);
  return lines;
}

void open(Playing& run, const Lying& menu) {
  run.lines();
  run.point(InputType::PointDown, menu.opens);
  run.point(InputType::PointUp, menu.opens);
  ASSERT_EQ(run.session().stack().size(), 2u);
}

// On `one` of the screen below.
std::vector<std::string> clickOne(Playing& run, const Lying& menu, Device device) {
  const ScreenRun& below = run.session().stack()[0];
  for (size_t i = 0; i < below.buttons.size(); ++i)
    if (below.buttons[i].item->id == menu.one) {
      const Box& box = below.routes.input.boxes[i];
      return click(run, box.x + box.w / 2, box.y + box.h / 2, device);
    }
  ADD_FAILURE();
  return {};
}

TEST(Beside, APressBesideABlockingScreenDoesNothing) {
  for (const Device device : kPointers) {
    Lying menu(Beside::Blocks);
    Playing run(menu.project);
    open(run, menu);
    const auto lines = clickOne(run, menu, device);
    EXPECT_THAT(lines, Not(Contains(HasSubstr("back to"))));
    EXPECT_THAT(lines, Not(Contains(HasSubstr("activate"))));
    EXPECT_EQ(run.session().stack().size(), 2u);
  }
}

TEST(Beside, OneThatIsLeftUsesThePressUp) {
  for (const Device device : kPointers) {
    Lying menu(Beside::Leaves);
    Playing run(menu.project);
    open(run, menu);
    const auto lines = clickOne(run, menu, device);
    EXPECT_THAT(lines, Contains("back to " + menu.below.text));
    EXPECT_THAT(lines, Not(Contains(HasSubstr("activate"))));
    EXPECT_THAT(clickOne(run, menu, device), Contains("activate " + menu.one.text));
  }
}

TEST(Beside, OneThatLetsThroughIsLeftAndThenTheButtonBelowIsPressed) {
  for (const Device device : kPointers) {
    Lying menu(Beside::Through);
    Playing run(menu.project);
    open(run, menu);
    const auto lines = clickOne(run, menu, device);
    const auto back = std::find(lines.begin(), lines.end(), "back to " + menu.below.text);
    ASSERT_NE(back, lines.end());
    EXPECT_NE(std::find(back, lines.end(), "activate " + menu.one.text), lines.end());
  }
}

TEST(Beside, WhatStandsOnTheScreenIsNotBesideIt) {
  Lying menu(Beside::Through);
  Playing run(menu.project);
  open(run, menu);
  click(run, 1450, 150);  // the panel
  run.point(InputType::PointDown, menu.within);
  run.point(InputType::PointUp, menu.within);
  EXPECT_EQ(run.session().stack().size(), 2u);
}

TEST(Beside, TheOnlyScreenIsNotLeftAndOneThatIsNotShownYetNeither) {
  Lying menu(Beside::Leaves);
  edit(menu.project, menu.below)->beside = Beside::Leaves;
  edit(menu.project, menu.top)->comes = {ScreenMotionForm::Fade, 200};
  edit(menu.project, menu.top)->waitUntilShown = true;
  Playing run(menu.project);
  run.lines();
  EXPECT_THAT(click(run, 1800, 20), Not(Contains(HasSubstr("bump"))));
  open(run, menu);
  click(run, 1800, 20);
  EXPECT_EQ(run.session().stack().size(), 2u) << "it comes, and takes no input before it has";
  run.wait(300);
  click(run, 1800, 20);
  EXPECT_EQ(run.session().stack().size(), 1u);
}

// A button that is down already is not pressed anew, whatever a driver repeats.
TEST(Beside, ARepeatedDownIsIgnored) {
  Lying menu(Beside::Leaves);
  Playing run(menu.project);
  open(run, menu);
  run.point(InputType::PointDown, menu.within);
  run.point(InputType::PointDown, 1800, 20);
  EXPECT_EQ(run.session().stack().size(), 2u);
}

}  // namespace
}  // namespace bristle
