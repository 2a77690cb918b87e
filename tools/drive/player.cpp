#include "drive/player.h"
#include "core/rehearse/reel.h"
#include "desktop/rehearse/rehearsal.h"

#include <QApplication>
#include <QTest>
#include <iostream>

#include "core/formats/file_io.h"
#include "core/formats/take_files.h"
#include "desktop/frame/window.h"
#include "desktop/rehearse/rehearse_bench.h"
#include "desktop/rehearse/running_menu.h"
#include "drive/picture.h"
#include "paint/convert.h"
#include "runtime/session/take_player.h"

namespace bristle {
namespace {

Qt::Key keyFor(const InputEvent& e) {
  if (e.type == InputType::Accept) return Qt::Key_Return;
  if (e.type == InputType::Cancel) return Qt::Key_Escape;
  if (e.type == InputType::Step) return e.down ? Qt::Key_Tab : Qt::Key_Backtab;
  constexpr Qt::Key kArrows[] = {Qt::Key_Up, Qt::Key_Down, Qt::Key_Left, Qt::Key_Right};
  return kArrows[size_t(e.dir)];
}

class Player {
 public:
  Player(Window& window, RehearseBench& bench) : window_(window), bench_(bench) {}

  bool run(const Take& take) {
    Rehearsal& rehearsal = bench_.rehearsal();
    TakeCheck check;
    size_t told = 0;
    for (const TakeStep& step : take.steps) {
      const auto* expected = std::get_if<Expectation>(&step.what);
      rehearsal.driveTo(expected ? expected->at : std::get<InputEvent>(step.what).at);
      for (; told < rehearsal.trace().size(); ++told) check.happened(rehearsal.trace()[told]);
      if (expected) {
        check.check(step);
      } else if (const auto event = eventOf(step, *rehearsal.session())) {
        send(*event);
        QCoreApplication::processEvents();
      } else {
        std::cerr << "bristle: line " << step.source << ": it points at what is not there\n";
        return false;
      }
    }
    for (const TakeFailure& f : check.failures())
      std::cerr << "bristle: line " << f.source << ": expected “" << f.expected << "”\n";
    return check.failures().empty();
  }

 private:
  void send(const InputEvent& e) {
    if (e.type == InputType::Tick) return;
    const bool isKey = e.type == InputType::Move || e.type == InputType::Accept ||
                       e.type == InputType::Cancel || e.type == InputType::Step;
    if (e.device == Device::Keyboard && isKey) {
      const auto modifiers = keyFor(e) == Qt::Key_Backtab ? Qt::ShiftModifier : Qt::NoModifier;
      const bool press = e.type == InputType::Step || e.down;
      if (press) QTest::keyPress(window_.windowHandle(), keyFor(e), modifiers);
      if (!press || e.type == InputType::Step)
        QTest::keyRelease(window_.windowHandle(), keyFor(e), modifiers);
    } else if (e.device == Device::Mouse && isByPerson(e.type) && e.type != InputType::Scroll) {
      const QPoint at =
          bench_.menu().mapTo(&window_, bench_.menu().toWidget(QPointF(e.x, e.y)).toPoint());
      QWindow* handle = window_.windowHandle();
      if (e.type == InputType::Point) QTest::mouseMove(handle, at);
      if (e.type == InputType::PointDown) QTest::mousePress(handle, Qt::LeftButton, {}, at);
      if (e.type == InputType::PointUp) QTest::mouseRelease(handle, Qt::LeftButton, {}, at);
    } else {
      bench_.rehearsal().send(e);
    }
  }

  Window& window_;
  RehearseBench& bench_;
};

bool write(const std::string& path, const std::string& text) {
  const auto written = writeFile(path, text);
  if (!written) std::cerr << "bristle: " << written.error().text() << "\n";
  return written.has_value();
}

}  // namespace

int playInWindow(Window& window, const PlayOptions& options) {
  const auto take = readTake(options.take);
  if (!take) {
    std::cerr << "bristle: " << take.error().text() << "\n";
    return 2;
  }
  if (take->display) window.work().pickDisplay(take->display);
  window.activateWindow();
  if (!QTest::qWaitForWindowExposed(&window)) return 2;
  window.openBench(QStringLiteral("rehearse"));
  auto& bench = static_cast<RehearseBench&>(*window.bench(QStringLiteral("rehearse")));
  if (!bench.restartFor(*take)) {
    std::cerr << "bristle: the take can’t be played: " << fromQt(bench.rehearsal().problem())
              << "\n";
    return 2;
  }
  bench.rehearsal().driveTo(0);
  QCoreApplication::processEvents();
  const bool passed = Player(window, bench).run(*take);
  QCoreApplication::processEvents();
  if (!options.picture.empty() && !savePicture(window, toQt(options.picture))) return 2;
  std::string trace;
  for (const TraceEntry& e : bench.rehearsal().trace())
    trace += std::to_string(e.at) + "\t" + toLine(e) + "\n";
  if (!options.trace.empty() && !write(options.trace, trace)) return 2;
  std::cout << (passed ? "the take passed\n" : "the take failed\n");
  return passed ? 0 : 1;
}

}  // namespace bristle
