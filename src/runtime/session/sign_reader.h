// Turns what is pressed on keyboards and controllers into input events, by a project's bindings.
//
//   SignReader reader;
//   if (auto event = reader.down(project, topScreen, sign, unit)) session.feed(*event);
#pragma once
#include <optional>
#include <string>
#include <vector>

#include "runtime/document/project.h"
#include "runtime/session/input.h"

namespace bristle {

// What went down as one thing goes up as that, whatever screen or modifiers there are by then.
class SignReader {
 public:
  // Nothing where the sign does nothing there, or is down already. `screen` may be null.
  std::optional<InputEvent> down(const Project& project, const Screen* screen, const Sign& sign,
                                 int unit = 0);
  // Modifiers do not matter. Nothing where it did nothing when it went down.
  std::optional<InputEvent> up(const Sign& sign, int unit = 0);
  // The device was taken away, or its keys go elsewhere.
  void forget(Sign::Of of, int unit = 0);

 private:
  struct Held {
    Sign::Of of;
    std::string name;
    int unit;
    InputEvent event;
  };
  std::vector<Held> held_;
};

}  // namespace bristle
