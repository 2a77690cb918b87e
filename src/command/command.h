// The command line: every subcommand runs without a display.
#pragma once
#include <functional>
#include <iosfwd>
#include <optional>
#include <string>
#include <vector>

#include "runtime/formats/project_file.h"

namespace CLI {
class App;
}

namespace bristle {

// 0 fine, 1 found something, 2 wrong use or unreadable input.
enum ExitCode { kFine = 0, kFound = 1, kUnusable = 2 };

struct Streams {
  std::ostream& out;
  std::ostream& err;
};

// A subcommand adds itself to the parser and returns what runs when it was asked for.
using Run = std::function<int(Streams)>;
struct Subcommand {
  CLI::App* app;
  Run run;
};
// Each adds its subcommand; what it hands back runs it and gives the exit code.
Subcommand addCheck(CLI::App& app);
Subcommand addRoutes(CLI::App& app);
Subcommand addRehearse(CLI::App& app);
Subcommand addPicture(CLI::App& app);
Subcommand addDeliver(CLI::App& app);
Subcommand addNew(CLI::App& app);
Subcommand addLaws(CLI::App& app);
Subcommand addFindings(CLI::App& app);

// What the window is asked for on the command line.
struct WindowWish {
  bool wanted = false;  // no subcommand was named
  std::string file;     // the project to open; may be empty
};

// Runs the subcommand that the arguments name; when they name none, fills in the wish instead.
int runCommand(int argc, char** argv, Streams streams, WindowWish& wish);

// Reads a project, telling why not, or what was brought up, on `err`.
std::optional<OpenedProject> openFile(const std::string& file, Streams streams);
bool openProject(const std::string& file, Project& project, Streams streams);
int tell(Streams streams, const Error& error);
// What a picture cannot show is found, not wrong use: exit code 1, and nothing is written.
int tellMissing(Streams streams, const Error& missing);

}  // namespace bristle
