// Fonts and painting without a display, for the subcommands that measure or draw.
#pragma once
#include <QGuiApplication>
#include <QtGlobal>
#include <memory>

namespace bristle {

// Starts what fonts need, off screen; nothing when the program has it already (tests).
class Graphics {
 public:
  Graphics() {
    if (QCoreApplication::instance()) return;
    qputenv("QT_QPA_PLATFORM", "offscreen");
    app_ = std::make_unique<QGuiApplication>(argc_, argv_);
  }

 private:
  int argc_ = 1;
  char name_[8] = "bristle";
  char* argv_[2] = {name_, nullptr};
  std::unique_ptr<QGuiApplication> app_;
};

}  // namespace bristle
