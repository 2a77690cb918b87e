// The Motion bench: the scope scrubbed with ten seconds of signals and six curves, and a mend
// found.
#include <QApplication>
#include <QDir>

#include "core/edit/kind_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/state_edits.h"
#include "core/laws/mend.h"
#include "desktop/frame/window.h"
#include "desktop/motion/motion_bench.h"
#include "measure.h"

namespace {

using namespace bristle;

// Ten parts, six numbers that move, eight states, one of which moves by itself.
void makeKind(Work& work) {
  (void)work.perform(addKind("Busy", Wins::Hover));
  const KindId kind = work.project().kinds.back()->id;
  work.pickKind(kind);
  for (int i = 0; i < 6; ++i) (void)work.perform(addPart(kind, PartType::Shape, "P"));
  for (const char* state : {"current", "visited", "locked"})
    (void)work.perform(addState(kind, state, Role::None, StateId{"hover"}));
  const auto& parts = work.kind()->parts;
  for (size_t i = 0; i < 6; ++i)
    (void)work.perform(
        setLook(kind, {StateId{"hover"}}, {parts[i].id, Prop::OffsetX}, 3.0 + double(i)));
  (void)work.perform(setMotion(kind, {"hover"}, flourish(Flourish::Pulse, {}), "move"));
}

Score tenSeconds() {
  Score score;
  score.length = 10'000;
  for (Ms at = 100; at < 9800; at += 200) setLane(score, Lane::Over, at, at + 120, true);
  for (Ms at = 150; at < 9800; at += 600) setLane(score, Lane::Press, at, at + 50, true);
  for (Ms at = 400; at < 9800; at += 1400) setLane(score, Lane::Focus, at, at + 700, true);
  return score;
}

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(argc, argv);
  Window window(QDir::temp().filePath(QStringLiteral("bristle-bench.ini")));
  window.resize(1280, 800);
  window.show();
  Work& work = window.work();
  makeKind(work);
  window.openBench(QStringLiteral("motion"));
  auto& bench = *static_cast<MotionBench*>(window.bench(QStringLiteral("motion")));
  MotionView& view = bench.view();
  view.setScore(tenSeconds());
  QApplication::processEvents();
  double sum = 0, worst = 0;
  constexpr int kFrames = 240;
  // To and fro, as a hand does it: going back is the dear part.
  for (int i = 0; i < kFrames; ++i) {
    const Ms at = i % 80 < 40 ? i % 80 * 250 : (80 - i % 80) * 250;
    const double ms = bench::best(1, [&] {
      view.setTime(at);
      QApplication::processEvents();
    });
    sum += ms;
    worst = std::max(worst, ms);
  }
  const double still = bench::best(9, [&] { bench.scope().repaint(); });
  std::printf(
      "scope scrubbed, 10 s of signals, 6 curves, 8 states: mean %.1f ms a frame, worst %.1f ms "
      "(aim "
      "16); the scope alone, unchanged %.1f ms, ratio %.1f\n",
      sum / kFrames, worst, still, sum / kFrames / still);
  const double drawn = bench::best(9, [&] {
    Score next = view.score();
    setLane(next, Lane::Over, 120, 9000, next.stretches.size() > 20);
    view.setScore(next);
    QApplication::processEvents();
  });
  std::printf("an edge drawn on it: %.1f ms (aim 16)\n", drawn);

  Machine lost = menuButton({"m"}, "menu button", Wins::Hover);
  std::erase_if(lost.transitions, [](const Transition& t) {
    return t.from == StateId{"hover"} && t.on == Event::OverEnd && t.guard.empty();
  });
  const auto ready = makeReady(lost, {});
  const double check = bench::best(9, [&] {
    bench::keep(checkLaws({lost, ready->program, ready->symbols, ready->values, nullptr, nullptr}));
  });
  const double mend = bench::best(5, [&] { bench::keep(mendFor(lost, {}, Law::Follows)); });
  std::printf("a mend of the menu button: %.1f ms; one check of its laws %.3f ms, ratio %.0f\n",
              mend, check, mend / check);
}
