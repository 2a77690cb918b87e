#include "drive/pad_pipe.h"

#include <fcntl.h>

#include <QTimer>
#include <iostream>

namespace bristle {
namespace {

constexpr int kPress = 100;  // ms

}  // namespace

PadPipe::PadPipe(const QString& path) : pipe_(path) {
  // Read and write: else it ends whenever nobody writes.
  const int fd = ::open(path.toLocal8Bit().constData(), O_RDWR | O_NONBLOCK | O_CLOEXEC);
  if (fd < 0 || !pipe_.open(fd, QIODevice::ReadOnly, QFile::AutoCloseHandle)) {
    std::cerr << "bristle_drive: no pipe at " << path.toStdString() << "\n";
    return;
  }
  notifier_ = std::make_unique<QSocketNotifier>(fd, QSocketNotifier::Read);
  connect(notifier_.get(), &QSocketNotifier::activated, this, &PadPipe::read);
}

void PadPipe::read() {
  char text[512];
  for (qint64 n; (n = pipe_.readLine(text, sizeof text)) > 0;)
    obey(QString::fromUtf8(text, static_cast<int>(n)).trimmed());
}

void PadPipe::obey(const QString& line) {
  const QStringList words = line.split(QLatin1Char(' '), Qt::SkipEmptyParts);
  if (words.isEmpty()) return;
  if (words[0] == QLatin1String("stick") && words.size() == 3)
    return pad_.stick(words[1].toDouble(), words[2].toDouble());
  const int button = SDL_GameControllerGetButtonFromString(words[0].toLatin1().constData());
  if (button < 0) {
    std::cerr << "bristle_drive: no controller button “" << words[0].toStdString() << "”\n";
    return;
  }
  pad_.button(button, true);
  QTimer::singleShot(words.size() > 1 ? words[1].toInt() : kPress, this,
                     [this, button] { pad_.button(button, false); });
}

}  // namespace bristle
