// Benchmarks of the real window, off screen.
#pragma once
#include <QApplication>
#include <QDir>

#include "desktop/benches.h"
#include "desktop/frame/window.h"
#include "measure.h"

namespace bristle::bench {

// Opens a window of 1280 × 800, hands it to `prepare`, and runs all that is registered; a program's
// main.
template <class Prepare>
int runInWindow(int argc, char** argv, Prepare prepare) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(argc, argv);
  Window window(benches(), QDir::temp().filePath(QStringLiteral("bristle-bench.ini")));
  window.resize(1280, 800);
  window.show();
  prepare(window);
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}

}  // namespace bristle::bench
