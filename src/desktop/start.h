// Starts the window.
#pragma once
#include <string>

namespace bristle {

struct StartOptions {
  std::string file, play, picture, trace, shots;
};

int startDesktop(int argc, char** argv, const StartOptions& options);

}  // namespace bristle
