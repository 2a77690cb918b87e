// A controller without hardware: SDL's virtual joystick, so that the real path is taken.
#pragma once
#include <SDL.h>

namespace bristle {

class VirtualPad {
 public:
  VirtualPad() {
    SDL_VirtualJoystickDesc desc{};
    desc.version = SDL_VIRTUAL_JOYSTICK_DESC_VERSION;
    desc.type = SDL_JOYSTICK_TYPE_GAMECONTROLLER;
    desc.naxes = SDL_CONTROLLER_AXIS_MAX;
    desc.nbuttons = SDL_CONTROLLER_BUTTON_MAX;
    desc.name = "Test pad";
    index_ = SDL_JoystickAttachVirtualEx(&desc);
    joystick_ = SDL_JoystickOpen(index_);
    for (int trigger : {SDL_CONTROLLER_AXIS_TRIGGERLEFT, SDL_CONTROLLER_AXIS_TRIGGERRIGHT})
      SDL_JoystickSetVirtualAxis(joystick_, trigger, -32768);
  }
  ~VirtualPad() {
    SDL_JoystickDetachVirtual(index_);
    SDL_JoystickClose(joystick_);
  }
  VirtualPad(const VirtualPad&) = delete;
  VirtualPad& operator=(const VirtualPad&) = delete;

  void button(int which, bool down) {
    SDL_JoystickSetVirtualButton(joystick_, which, down ? 1 : 0);
    SDL_JoystickUpdate();  // else what is let go before it is asked for was never pressed
  }
  // −1…1, y downwards.
  void stick(double x, double y) {
    SDL_JoystickSetVirtualAxis(joystick_, SDL_CONTROLLER_AXIS_LEFTX,
                               static_cast<Sint16>(x * 32767));
    SDL_JoystickSetVirtualAxis(joystick_, SDL_CONTROLLER_AXIS_LEFTY,
                               static_cast<Sint16>(y * 32767));
  }

 private:
  int index_ = -1;
  SDL_Joystick* joystick_ = nullptr;
};

}  // namespace bristle
