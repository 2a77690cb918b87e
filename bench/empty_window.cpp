// The plain reference for the cold start: an empty main window up to its first frame.
#include <unistd.h>

#include <QApplication>
#include <QMainWindow>
#include <QTimer>

int main(int argc, char** argv) {
  QApplication app(argc, argv);
  QMainWindow window;
  window.resize(1280, 800);
  window.show();
  QTimer::singleShot(0, &app, [&] {
    window.grab();
    ::_exit(0);
  });
  return QApplication::exec();
}
