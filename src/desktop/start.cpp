#include "desktop/start.h"

#include <spdlog/spdlog.h>
#include <unistd.h>

#include <QApplication>
#include <QTimer>
#include <iostream>

#include "desktop/benches.h"
#include "desktop/frame/window.h"
#include "desktop/work/work.h"
#include "paint/convert.h"

namespace bristle {

namespace {

QtMessageHandler usual = nullptr;

// Qt ends the program where there is no display, with a dump; a sentence is enough.
void tellNoDisplay(QtMsgType type, const QMessageLogContext& context, const QString& text) {
  if (type == QtFatalMsg) {
    std::cerr << "bristle: the window cannot be opened: there is no display that can be used. The "
                 "subcommands need none: bristle --help\n";
    std::cerr.flush();
    ::_exit(2);
  }
  if (type != QtDebugMsg && type != QtInfoMsg &&
      !text.contains(QStringLiteral("platform plugin")) &&
      !text.contains(QStringLiteral("display")) && usual)
    usual(type, context, text);
}

}  // namespace

int startDesktop(int argc, char** argv, const std::string& file) {
  usual = qInstallMessageHandler(tellNoDisplay);
  QApplication app(argc, argv);
  qInstallMessageHandler(usual);
  QApplication::setApplicationName(QStringLiteral("bristle"));
  QApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/bristle.svg")));
  Window window(benches(), qEnvironmentVariable("BRISTLE_SETTINGS"));
  if (!file.empty()) {
    const auto note = window.files().load(toQt(file));
    if (!note) {
      std::cerr << "bristle: " << note.error().text() << "\n";
      return 2;
    }
    if (!note->isEmpty()) window.work().tell(*note, window.work().readOnly());
  }
  spdlog::info("window opened");
  window.show();
  window.offerUnsaved();
  if (qEnvironmentVariableIsSet("BRISTLE_FIRST_FRAME")) {
    // For the cold-start benchmark: ends as soon as the first frame is on the screen, without
    // tidying up.
    QTimer::singleShot(0, &app, [&] {
      window.grab();
      ::_exit(0);
    });
  }
  return QApplication::exec();
}

}  // namespace bristle
