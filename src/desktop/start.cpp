#include "desktop/start.h"

#include <unistd.h>

#include <QApplication>
#include <QTimer>
#include <iostream>

#include "desktop/benches.h"
#include "desktop/frame/window.h"
#include "desktop/player.h"
#include "desktop/shots.h"
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

int startDesktop(int argc, char** argv, const StartOptions& options) {
  usual = qInstallMessageHandler(tellNoDisplay);
  QApplication app(argc, argv);
  qInstallMessageHandler(usual);
  QApplication::setApplicationName(QStringLiteral("bristle"));
  QApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/bristle.svg")));
  Window window(benches(), qEnvironmentVariable("BRISTLE_SETTINGS"));
  if (!options.file.empty()) {
    const auto note = window.files().load(toQt(options.file));
    if (!note) {
      std::cerr << "bristle: " << note.error().text() << "\n";
      return 2;
    }
    if (!note->isEmpty()) window.work().tell(*note, true);
  }
  window.show();
  if (!options.play.empty())
    return playInWindow(window, {options.play, options.picture, options.trace});
  if (!options.shots.empty()) return makeShots(window, toQt(options.shots));
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
