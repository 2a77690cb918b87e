// Fonts and painting without a display, for the subcommands that measure or draw.
#pragma once
#include <sys/stat.h>
#include <unistd.h>
#include <QGuiApplication>
#include <QtGlobal>

#include <memory>
#include <string>

namespace bristle {

// Starts what fonts need, off screen; nothing when the program has it already (tests).
class Graphics {
 public:
  Graphics() {
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

 private:
  int argc_ = 1;
  char name_[8] = "bristle";
  char* argv_[2] = {name_, nullptr};
  std::unique_ptr<QGuiApplication> app_;
};

}  // namespace bristle
