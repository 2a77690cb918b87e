// Game controllers through SDL (only its game controller part, no video) to input events: D-pad and
// left stick become `move`, the lower face button accepts, the right one cancels. Plugging in and
// pulling out at any time is fine; a controller that is pulled out lets go of all it held.
//
//   Controllers controllers;
//   for (const InputEvent& event : controllers.poll(now)) session.feed(event);
#pragma once
#include <memory>
#include <string>
#include <vector>

#include "runtime/session/input.h"

namespace bristle {

class Controllers {
 public:
  Controllers();
  ~Controllers();
  Controllers(const Controllers&) = delete;
  Controllers& operator=(const Controllers&) = delete;

  // What happened since the last call, stamped with `now`. Call every few ms from one thread.
  std::vector<InputEvent> poll(Ms now);
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
