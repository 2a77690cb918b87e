// The Motion bench: the scope scrubbed with ten seconds of signals and six curves, and a mend
// found.

#include "core/edit/kind_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/state_edits.h"
#include "core/laws/mend.h"
#include "desktop/motion/motion_bench.h"
#include "desktop/motion/motion_view.h"
#include "desktop/motion/scope_view.h"
#include "in_window.h"

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

MotionBench* motion = nullptr;

// To and fro, as a hand does it: going back is the dear part. Ratio: in the scope alone, unchanged.
void scopeScrubbed(benchmark::State& state) {
  motion->view().setScore(tenSeconds());
  QApplication::processEvents();
  int i = 0;
  const auto frame = [&] {
    motion->view().setTime(i % 80 < 40 ? i % 80 * 250 : (80 - i % 80) * 250);
    QApplication::processEvents();
    ++i;
  };
  bench::frames(state, frame);
  bench::ratioTo(
      state, frame, [&] { motion->scope().repaint(); }, 9);
}
BENCHMARK(scopeScrubbed)->UseManualTime()->Iterations(240)->Unit(benchmark::kMillisecond);

void edgeDrawn(benchmark::State& state) {
  motion->view().setScore(tenSeconds());
  bench::frames(state, [&] {
    Score next = motion->view().score();
    setLane(next, Lane::Over, 120, 9000, next.stretches.size() > 20);
    motion->view().setScore(next);
    QApplication::processEvents();
  });
}
BENCHMARK(edgeDrawn)->UseManualTime()->Iterations(40)->Unit(benchmark::kMillisecond);

// Ratio: in one check of its laws.
void mendOfTheMenuButton(benchmark::State& state) {
  Machine lost = menuButton({"m"}, "menu button", Wins::Hover);
  std::erase_if(lost.transitions, [](const Transition& t) {
    return t.from == StateId{"hover"} && t.on == Event::OverEnd && t.guard.empty();
  });
  const auto ready = makeReady(lost, {});
  const auto mend = [&] { bench::keep(mendFor(lost, {}, Law::Follows)); };
  for (auto _ : state) mend();
  bench::ratioTo(
      state, mend,
      [&] {
        bench::keep(
            checkLaws({lost, ready->program, ready->symbols, ready->values, nullptr, nullptr}));
      },
      9);
}
BENCHMARK(mendOfTheMenuButton)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  return bench::runInWindow(argc, argv, [](Window& window) {
    makeKind(window.work());
    window.openBench(QStringLiteral("motion"));
    motion = static_cast<MotionBench*>(window.bench(QStringLiteral("motion")));
  });
}
