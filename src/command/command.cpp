#include "command/command.h"

#include <CLI/CLI.hpp>
#include <ostream>

#include "core/formats/file_io.h"
#include "core/formats/project_file.h"

namespace bristle {

int tell(Streams streams, const Error& error) {
  streams.err << "bristle: " << error.text() << "\n";
  return kUnusable;
}

bool openProject(const std::string& file, Project& project, Streams streams) {
  const auto text = readFile(file);
  if (!text) {
    tell(streams, text.error());
    return false;
  }
  auto opened = parseProject(*text);
  if (!opened) {
    tell(streams, {file + " " + opened.error().place, opened.error().reason});
    return false;
  }
  if (!opened->note.empty()) streams.err << "bristle: " << opened->note << "\n";
  project = std::move(opened->project);
  return true;
}

int runCommand(int argc, char** argv, Streams streams, WindowWish& wish) {
  CLI::App app(
      "Bristle: designs, routes, rehearses and delivers menus. Without a subcommand it opens "
      "the window.",
      "bristle");
  app.add_option("project", wish.file, "The project to open in the window");
  auto* play = app.add_option("--play", wish.play,
                              "Play a take in the window by real input events, then end");
  app.add_option("--picture", wish.picture, "… and write the window's picture there")->needs(play);
  app.add_option("--trace", wish.trace, "… and write the trace there")->needs(play);
  app.add_option("--shots", wish.shots,
                 "Write a picture of every bench into this folder, then end");
  app.require_subcommand(0, 1);
  std::vector<Subcommand> all;
  for (const auto add : {addCheck, addLaws, addRoutes, addRehearse, addPicture, addDeliver, addNew})
    all.push_back(add(app));
  try {
    app.parse(argc, argv);
  } catch (const CLI::ParseError& e) {
    const int code = app.exit(e, streams.out, streams.err);
    return code == 0 ? kFine : kUnusable;  // help is fine, all else is wrong use
  }
  for (const Subcommand& each : all)
    if (each.app->parsed()) return each.run(streams);
  wish.wanted = true;
  return kFine;
}

}  // namespace bristle
