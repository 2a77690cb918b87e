// A tool for those who make Bristle: the real window, driven. It plays a take by real input events,
// or makes the pictures of docs/screenshots.
#include <CLI/CLI.hpp>
#include <QApplication>
#include <QIcon>
#include <iostream>

#include "core/formats/file_io.h"
#include "desktop/benches.h"
#include "desktop/frame/window.h"
#include "drive/faults.h"
#include "drive/pad_pipe.h"
#include "drive/player.h"
#include "drive/shots.h"
#include "log/log.h"
#include "paint/convert.h"
#include "runtime/formats/project_file.h"

int main(int argc, char** argv) {
  std::string file, shots, bench, shot, pad, plant;
  bristle::PlayOptions play;
  CLI::App options("Drives the real window, then ends", "bristle_drive");
  options.add_option("project", file, "The project to open")->required();
  auto* take = options.add_option("--play", play.take, "Play a take by real input events");
  options.add_option("--picture", play.picture, "… and write the window's picture there")
      ->needs(take);
  options.add_option("--trace", play.trace, "… and write the trace there")->needs(take);
  options.add_option("--shots", shots, "Write a picture of every bench into this folder")
      ->excludes(take);
  auto* one = options.add_option("--bench", bench, "Write a picture of this bench alone");
  options.add_option("--shot", shot, "… there")->needs(one);
  options
      .add_option("--pad", pad, "Stay open, with a controller that is pressed through this pipe")
      ->excludes(take);
  options.add_option("--plant", plant, "Write a copy with faults of all sorts there, and end")
      ->excludes(take);
  CLI11_PARSE(options, argc, argv);
  bristle::startLog(false);
  QApplication app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("bristle"));
  bristle::Window window(bristle::benches(), qEnvironmentVariable("BRISTLE_SETTINGS"));
  if (const auto opened = window.files().load(bristle::toQt(file)); !opened) {
    std::cerr << "bristle_drive: " << opened.error().text() << "\n";
    return 2;
  }
  if (!plant.empty()) {
    bristle::Project project = window.work().project();
    for (const std::string& rule : bristle::plantFaults(project)) std::cout << rule << "\n";
    const auto written = bristle::writeFile(plant, bristle::writeProject(project));
    return written ? 0 : 2;
  }
  window.show();
  if (!pad.empty()) {
    const bristle::PadPipe pipe(bristle::toQt(pad));
    return QApplication::exec();
  }
  if (!bench.empty()) return makeShot(window, bristle::toQt(bench), bristle::toQt(shot));
  return shots.empty() ? playInWindow(window, play) : makeShots(window, bristle::toQt(shots));
}
