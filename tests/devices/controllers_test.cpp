#define SDL_MAIN_HANDLED
#include "devices/controllers.h"

#include <SDL.h>
#include <gmock/gmock.h>

#include <optional>

#include "drive/virtual_pad.h"
#include "runtime/session/sign_reader.h"
#include "support/menus.h"

namespace bristle {
namespace {



class Pads : public testing::Test {
 protected:
  // What arrives, as short texts.
  std::vector<std::string> poll() {
    SDL_JoystickUpdate();
    std::vector<std::string> out;
    for (const ControllerEvent& e : controllers.poll(5)) {
      EXPECT_EQ(e.event.device, Device::Controller);
      EXPECT_EQ(e.event.at, 5);
      const std::string what = e.sign                            ? e.sign->name
                               : e.event.type == InputType::Move ? std::string(nameOf(e.event.dir))
                                                                 : "gone";
      out.push_back((e.event.down ? "+" : "-") + what);
    }
    return out;
  }
  // As a program does that runs a menu.
  void feed(Session& session, Ms now) {
    SDL_JoystickUpdate();
    for (const ControllerEvent& e : controllers.poll(now)) {
      if (!e.sign) {
        session.feed(e.event);
        continue;
      }
      auto event = e.event.down ? signs.down(session.project(), nullptr, *e.sign, e.event.unit)
                                : signs.up(*e.sign, e.event.unit);
      if (!event) continue;
      event->at = now;
      session.feed(*event);
    }
  }
  Controllers controllers;
  SignReader signs;
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
  EXPECT_THAT(poll(), testing::UnorderedElementsAre("-down", "+lower button"));
  pad->button(SDL_CONTROLLER_BUTTON_A, false);
  pad->button(SDL_CONTROLLER_BUTTON_B, true);
  EXPECT_THAT(poll(), testing::UnorderedElementsAre("-lower button", "+right button"));
  pad->button(SDL_CONTROLLER_BUTTON_B, false);
  poll();
  pad->button(SDL_CONTROLLER_BUTTON_LEFTSHOULDER, true);
  EXPECT_THAT(poll(), ElementsAre("+left shoulder"));
  pad->button(SDL_CONTROLLER_BUTTON_LEFTSHOULDER, false);
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
  feed(run.session(), 10);
  EXPECT_EQ(run.session().stack()[0].buttons[0].running.state, 2) << "pressed";
  pad.reset();
  feed(run.session(), 20);
  EXPECT_EQ(run.session().stack()[0].buttons[0].running.state, 3) << "back to focused";
  for (const std::string& line : run.lines()) EXPECT_EQ(line.find("activate"), std::string::npos);
}

}  // namespace
}  // namespace bristle
