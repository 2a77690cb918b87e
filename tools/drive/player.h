// Plays a take in the window by real input events: keys and mouse through the window system's own
// entry, the controller through the on-screen one. The clock is driven, so that the trace is the
// same every time.
#pragma once
#include <string>

namespace bristle {

class Window;

struct PlayOptions {
  std::string take, picture, trace;
};

// 0 when all was as expected, 1 when not, 2 when it could not be played.
int playInWindow(Window& window, const PlayOptions& options);

}  // namespace bristle
