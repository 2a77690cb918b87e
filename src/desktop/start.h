// Starts the window.
#pragma once
#include <string>

namespace bristle {

// Opens the window, with a project where `file` names one, and runs until it is closed. The
// program's exit code: 0, or 2 where the file or a display cannot be used.
int startDesktop(int argc, char** argv, const std::string& file);

}  // namespace bristle
