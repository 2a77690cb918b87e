// Game controllers through SDL (only its game controller part, no video): D-pad and left stick
// become `move`, buttons and triggers are told by their places, for a SignReader to say what they
// do. Plugging in and pulling out at any time is fine; a controller that is pulled out lets go of
// all it held.
//
//   Controllers controllers;
//   for (const ControllerEvent& event : controllers.poll(now)) …
#pragma once
#include <memory>
#include <optional>
#include <string>
#include <vector>

#include "runtime/document/binding.h"
#include "runtime/session/input.h"

namespace bristle {

// A button that went down or up, or an event as it is: a move, or that the controller is gone.
struct ControllerEvent {
  InputEvent event;          // of a button only `at`, `down`, `device` and `unit`
  std::optional<Sign> sign;  // the button
};

class Controllers {
 public:
  Controllers();
  ~Controllers();
  Controllers(const Controllers&) = delete;
  Controllers& operator=(const Controllers&) = delete;

  // What happened since the last call, stamped with `now`. Call every few ms from one thread.
  std::vector<ControllerEvent> poll(Ms now);
  // The names of those that are plugged in.
  std::vector<std::string> names() const;
  // Why there are none, when SDL itself could not start; empty otherwise.
  const std::string& problem() const { return problem_; }

 private:
  struct State;
  std::unique_ptr<State> state_;
  std::string problem_;
};

}  // namespace bristle
