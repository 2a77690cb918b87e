#define SDL_MAIN_HANDLED
#include "devices/controllers.h"

#include <SDL.h>
#include <gmock/gmock.h>

#include <optional>

#include "devices/virtual_pad.h"
#include "support/menus.h"

namespace bristle {
namespace {

using test::VirtualPad;

class Pads : public testing::Test {
 protected:
  // What arrives, as short texts.
  std::vector<std::string> poll() {
    SDL_JoystickUpdate();
    std::vector<std::string> out;
    for (const InputEvent& e : controllers.poll(5)) {
      EXPECT_EQ(e.device, Device::Controller);
      EXPECT_EQ(e.at, 5);
      const std::string what = e.type == InputType::Move     ? std::string(nameOf(e.dir))
                               : e.type == InputType::Accept ? "accept"
                               : e.type == InputType::Cancel ? "cancel"
                                                             : "gone";
      out.push_back((e.down ? "+" : "-") + what);
    }
    return out;
  }
  Controllers controllers;
};

TEST_F(Pads, PlugInPressAndStickAndPullOut) {
  using testing::ElementsAre;
  ASSERT_EQ(controllers.problem(), "");
  poll();
  EXPECT_TRUE(controllers.names().empty());
  std::optional<VirtualPad> pad(std::in_place);
  poll();
  ASSERT_EQ(controllers.names().size(), 1U);
  pad->button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, true);
  EXPECT_THAT(poll(), ElementsAre("+down"));
  pad->button(SDL_CONTROLLER_BUTTON_DPAD_DOWN, false);
  pad->button(SDL_CONTROLLER_BUTTON_A, true);
  EXPECT_THAT(poll(), testing::UnorderedElementsAre("-down", "+accept"));
  pad->button(SDL_CONTROLLER_BUTTON_A, false);
  pad->button(SDL_CONTROLLER_BUTTON_B, true);
  EXPECT_THAT(poll(), testing::UnorderedElementsAre("-accept", "+cancel"));
  pad->button(SDL_CONTROLLER_BUTTON_B, false);
  poll();
  pad->stick(0.9, 0);
  EXPECT_THAT(poll(), ElementsAre("+right"));
  pad->stick(0.4, 0);
  EXPECT_THAT(poll(), testing::IsEmpty()) << "within the hysteresis";
  pad->stick(0.1, -0.95);
  EXPECT_THAT(poll(), ElementsAre("-right", "+up"));
  pad.reset();
  EXPECT_THAT(poll(), testing::Contains("-gone"));
  EXPECT_TRUE(controllers.names().empty());
}

TEST_F(Pads, PulledOutWhileHeldThePressIsGivenUp) {
  const Project project = test::columnMenu({"One", "Two"});
  test::Playing run(project);
  std::optional<VirtualPad> pad(std::in_place);
  poll();
  pad->button(SDL_CONTROLLER_BUTTON_A, true);
  SDL_JoystickUpdate();
  for (InputEvent e : controllers.poll(10)) run.session().feed(e);
  EXPECT_EQ(run.session().stack()[0].buttons[0].running.state, 2) << "pressed";
  pad.reset();
  SDL_JoystickUpdate();
  for (InputEvent e : controllers.poll(20)) run.session().feed(e);
  EXPECT_EQ(run.session().stack()[0].buttons[0].running.state, 3) << "back to focused";
  for (const std::string& line : run.lines()) EXPECT_EQ(line.find("activate"), std::string::npos);
}

}  // namespace
}  // namespace bristle
