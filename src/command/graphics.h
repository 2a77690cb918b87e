// Fonts and painting without a display, for the subcommands that measure or draw.
#pragma once
#include <sys/stat.h>
#include <unistd.h>
#include <QGuiApplication>
#include <QtGlobal>

#include <memory>
#include <string>

#include "core/formats/file_io.h"
#include "paint/project_fonts.h"

namespace bristle {

// Starts what fonts need, off screen, unless the program has it already (tests); the fonts that the
// project in that file carries along are there from then on.
class Graphics {
 public:
  explicit Graphics(const std::string& project) {
    start();
    useFontsOf(QString::fromStdString(folderOf(project)));
  }

 private:
  void start() {
    if (QCoreApplication::instance()) return;
    qputenv("QT_QPA_PLATFORM", "offscreen");
    // Without this folder Qt warns on stderr, where only our own words should be.
    if (!qEnvironmentVariableIsSet("XDG_RUNTIME_DIR")) {
      const std::string folder = "/tmp/bristle-runtime-" + std::to_string(::getuid());
      ::mkdir(folder.c_str(), 0700);
      qputenv("XDG_RUNTIME_DIR", folder.c_str());
    }
    app_ = std::make_unique<QGuiApplication>(argc_, argv_);
  }

  int argc_ = 1;
  char name_[8] = "bristle";
  char* argv_[2] = {name_, nullptr};
  std::unique_ptr<QGuiApplication> app_;
};

}  // namespace bristle
