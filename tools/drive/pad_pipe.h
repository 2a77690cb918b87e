// A controller for whoever has none: what is written into a pipe is pressed on a virtual one.
#pragma once
#include <QFile>
#include <QSocketNotifier>
#include <QString>
#include <memory>

#include "drive/virtual_pad.h"

namespace bristle {

// Reads lines from a pipe: buttons by SDL's names (“a”, “dpup”, “leftshoulder”), each pressed for a
// tenth of a second, or as long as “a 600” says, ms; “stick 1 0” moves the left one, −1…1. What
// cannot be read is told on the standard error stream.
class PadPipe : public QObject {
 public:
  explicit PadPipe(const QString& path);

 private:
  void read();
  void obey(const QString& line);

  QFile pipe_;
  std::unique_ptr<QSocketNotifier> notifier_;
  VirtualPad pad_;
};

}  // namespace bristle
