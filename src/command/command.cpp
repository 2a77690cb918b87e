#include "command/command.h"

#include <spdlog/spdlog.h>

#include <CLI/CLI.hpp>
#include <ostream>

#include "core/formats/project_store.h"
#include "log/log.h"

namespace bristle {

int tellMissing(Streams s, const Error& missing) {
  s.err << "bristle: " << missing.reason
        << "\n(--allow-missing draws a stand-in in their places)\n";
  return kFound;
}

int tell(Streams streams, const Error& error) {
  streams.err << "bristle: " << error.text() << "\n";
  return kUnusable;
}

std::optional<OpenedProject> openFile(const std::string& file, Streams streams) {
  auto stored = loadProject(file);
  if (!stored) {
    tell(streams, stored.error());
    return {};
  }
  if (!stored->opened.note.empty()) streams.err << "bristle: " << stored->opened.note << "\n";
  for (const std::string& line : stored->opened.broughtUp)
    streams.err << "bristle: " << line << "\n";
  return std::move(stored->opened);
}

bool openProject(const std::string& file, Project& project, Streams streams) {
  auto opened = openFile(file, streams);
  if (!opened) return false;
  project = std::move(opened->project);
  return true;
}

namespace {

// What was printed must have arrived: a full disk or a closed pipe is no success.
int checked(int code, Streams streams) {
  streams.out.flush();
  if (streams.out) return code;
  return tell(streams, {"output", "could not be written in full"});
}

}  // namespace

int runCommand(int argc, char** argv, Streams streams, WindowWish& wish) {
  CLI::App app(
      "Bristle: designs, routes, rehearses and delivers menus. Without a subcommand it opens "
      "the window.",
      "bristle");
  app.add_option("project", wish.file, "The project to open in the window");
  bool verbose = false;
  app.add_flag("--verbose", verbose, "Log more, on stderr, too; it may name what you work on");
  app.require_subcommand(0, 1);
  std::vector<Subcommand> all;
  for (const auto add :
       {addCheck, addLaws, addRoutes, addRehearse, addPicture, addDeliver, addNew, addFindings})
    all.push_back(add(app));
  try {
    app.parse(argc, argv);
  } catch (const CLI::ParseError& e) {
    const int code = app.exit(e, streams.out, streams.err);
    return checked(code == 0 ? kFine : kUnusable, streams);  // help is fine, all else is wrong use
  }
  startLog(verbose);
  for (const Subcommand& each : all) {
    if (!each.app->parsed()) continue;
    const int code = checked(each.run(streams), streams);
    spdlog::info("{} ended with {}", each.app->get_name(), code);
    return code;
  }
  wish.wanted = true;
  return kFine;
}

}  // namespace bristle
