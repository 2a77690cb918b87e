#define SDL_MAIN_HANDLED
#include "devices/controllers.h"

#include <SDL.h>

#include <map>
#include <set>

#include "runtime/session/stick.h"

namespace bristle {
namespace {

// What one controller holds down, so that pulling it out can let go of it.
struct Pad {
  SDL_GameController* handle = nullptr;
  std::string name;
  Stick stick;
  double x = 0, y = 0;
  bool dpad[4] = {};                // by Dir
  std::set<std::string_view> down;  // buttons and triggers, by their names
};

std::optional<Dir> dpadDir(int button) {
  switch (button) {
    case SDL_CONTROLLER_BUTTON_DPAD_UP:
      return Dir::Up;
    case SDL_CONTROLLER_BUTTON_DPAD_DOWN:
      return Dir::Down;
    case SDL_CONTROLLER_BUTTON_DPAD_LEFT:
      return Dir::Left;
    case SDL_CONTROLLER_BUTTON_DPAD_RIGHT:
      return Dir::Right;
    default:
      return {};
  }
}

std::string_view nameOf(int button) {
  switch (button) {
    case SDL_CONTROLLER_BUTTON_A:
      return "lower button";
    case SDL_CONTROLLER_BUTTON_B:
      return "right button";
    case SDL_CONTROLLER_BUTTON_X:
      return "left button";
    case SDL_CONTROLLER_BUTTON_Y:
      return "upper button";
    case SDL_CONTROLLER_BUTTON_LEFTSHOULDER:
      return "left shoulder";
    case SDL_CONTROLLER_BUTTON_RIGHTSHOULDER:
      return "right shoulder";
    case SDL_CONTROLLER_BUTTON_BACK:
      return "select";
    case SDL_CONTROLLER_BUTTON_START:
      return "start";
    case SDL_CONTROLLER_BUTTON_LEFTSTICK:
      return "left stick press";
    case SDL_CONTROLLER_BUTTON_RIGHTSTICK:
      return "right stick press";
    default:
      return {};
  }
}

// A trigger counts as down from half its way on, until it is nearly let go.
constexpr double kTriggerDown = 0.5, kTriggerUp = 0.35;

}  // namespace

struct Controllers::State {
  std::map<SDL_JoystickID, Pad> pads;
  std::vector<ControllerEvent> out;
  Ms now = 0;

  // The stick and the D-pad of one controller are two keys, each of which ends only its own.
  static constexpr int kPad = 0, kStick = 1;
  void send(SDL_JoystickID from, InputType type, Dir dir, bool down, int key = kPad) {
    out.push_back({{.at = now,
                    .type = type,
                    .device = Device::Controller,
                    .dir = dir,
                    .down = down,
                    .unit = static_cast<int>(from),
                    .key = key},
                   {}});
  }
  // Told once for each time that it changes.
  void press(SDL_JoystickID from, Pad& pad, std::string_view name, bool down) {
    if (name.empty() || pad.down.contains(name) == down) return;
    down ? static_cast<void>(pad.down.insert(name)) : static_cast<void>(pad.down.erase(name));
    Sign sign;
    sign.of = Sign::Of::Button;
    sign.name = std::string(name);
    out.push_back(
        {{.at = now, .device = Device::Controller, .down = down, .unit = static_cast<int>(from)},
         std::move(sign)});
  }

  void plugIn(int index) {
    SDL_GameController* handle = SDL_GameControllerOpen(index);
    if (!handle) return;
    const SDL_JoystickID id = SDL_JoystickInstanceID(SDL_GameControllerGetJoystick(handle));
    const char* name = SDL_GameControllerName(handle);
    Pad& pad = pads[id];
    if (pad.handle) SDL_GameControllerClose(pad.handle);  // opened twice: SDL counts, so must we
    pad.handle = handle;
    pad.name = name ? name : "controller";
  }

  void pullOut(SDL_JoystickID id) {
    const auto at = pads.find(id);
    if (at == pads.end()) return;
    send(id, InputType::Gone, Dir::Up, false);
    SDL_GameControllerClose(at->second.handle);
    pads.erase(at);
  }

  void button(SDL_JoystickID id, int which, bool down) {
    const auto at = pads.find(id);
    if (at == pads.end()) return;
    Pad& pad = at->second;
    if (const auto dir = dpadDir(which)) {
      if (pad.dpad[size_t(*dir)] == down) return;
      pad.dpad[size_t(*dir)] = down;
      send(id, InputType::Move, *dir, down);
    } else {
      press(id, pad, nameOf(which), down);
    }
  }

  void axis(SDL_JoystickID id, int which, int value) {
    const auto at = pads.find(id);
    if (at == pads.end()) return;
    Pad& pad = at->second;
    const double deflection = value / 32767.0;
    for (const auto& [axis, name] :
         {std::pair(SDL_CONTROLLER_AXIS_TRIGGERLEFT, std::string_view("left trigger")),
          std::pair(SDL_CONTROLLER_AXIS_TRIGGERRIGHT, std::string_view("right trigger"))})
      if (which == axis && (deflection >= kTriggerDown || deflection <= kTriggerUp))
        press(id, pad, name, deflection >= kTriggerDown);
    if (which == SDL_CONTROLLER_AXIS_LEFTX) pad.x = deflection;
    if (which == SDL_CONTROLLER_AXIS_LEFTY) pad.y = deflection;
    const auto before = pad.stick.held();
    const auto after = pad.stick.update(pad.x, pad.y);
    if (before == after) return;
    if (before) send(id, InputType::Move, *before, false, kStick);
    if (after) send(id, InputType::Move, *after, true, kStick);
  }
};

Controllers::Controllers() : state_(std::make_unique<State>()) {
  SDL_SetMainReady();
  SDL_SetHint(SDL_HINT_NO_SIGNAL_HANDLERS, "1");
  SDL_SetHint(SDL_HINT_JOYSTICK_ALLOW_BACKGROUND_EVENTS, "1");
  if (SDL_InitSubSystem(SDL_INIT_GAMECONTROLLER) != 0) problem_ = SDL_GetError();
}

Controllers::~Controllers() {
  for (auto& entry : state_->pads) SDL_GameControllerClose(entry.second.handle);
  if (problem_.empty()) SDL_QuitSubSystem(SDL_INIT_GAMECONTROLLER);
}

std::vector<ControllerEvent> Controllers::poll(Ms now) {
  state_->now = now;
  state_->out.clear();
  if (!problem_.empty()) return {};
  std::vector<SDL_Event> events;
  std::set<SDL_JoystickID> gone;
  for (SDL_Event event; SDL_PollEvent(&event);) {
    events.push_back(event);
    if (event.type == SDL_CONTROLLERDEVICEREMOVED) gone.insert(event.cdevice.which);
  }
  for (const SDL_Event& event : events) {
    // SDL lets go of all buttons of a controller that is pulled out; that is no release.
    const bool lastWords =
        (event.type == SDL_CONTROLLERBUTTONUP && gone.contains(event.cbutton.which)) ||
        (event.type == SDL_CONTROLLERAXISMOTION && gone.contains(event.caxis.which));
    if (lastWords) continue;
    switch (event.type) {
      case SDL_CONTROLLERDEVICEADDED:
        state_->plugIn(event.cdevice.which);
        break;
      case SDL_CONTROLLERDEVICEREMOVED:
        state_->pullOut(event.cdevice.which);
        break;
      case SDL_CONTROLLERBUTTONDOWN:
      case SDL_CONTROLLERBUTTONUP:
        state_->button(event.cbutton.which, event.cbutton.button,
                       event.type == SDL_CONTROLLERBUTTONDOWN);
        break;
      case SDL_CONTROLLERAXISMOTION:
        state_->axis(event.caxis.which, event.caxis.axis, event.caxis.value);
        break;
      default:
        break;
    }
  }
  return std::move(state_->out);
}

std::vector<std::string> Controllers::names() const {
  std::vector<std::string> out;
  for (const auto& entry : state_->pads) out.push_back(entry.second.name);
  return out;
}

}  // namespace bristle
