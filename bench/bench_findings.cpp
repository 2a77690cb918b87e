// The review: whole demos from cold, after an edit of one button, a large project, and giving up.
#include <QGuiApplication>
#include <algorithm>
#include <atomic>
#include <thread>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/findings/check.h"
#include "core/findings/review.h"
#include "core/formats/file_io.h"
#include "everywhere.h"
#include "measure.h"
#include "paint/painted_eyes.h"
#include "runtime/formats/project_file.h"

namespace {

using namespace bristle;

// On six displays and in three languages, whatever it has.
Project demo(const std::string& file) {
  Project p = parseProject(*readFile(std::string(BRISTLE_SOURCE) + "/data/" + file))->project;
  everywhere(p);
  return p;
}

Project saltglass() {
  return demo("demo/saltglass-deep.bristle");
}
Project fernhollow() {
  return demo("glasshouse/fernhollow-glasshouse.bristle");
}

Findings lookAt(const Project& project, const ManyEyes& eyes,
                const std::atomic<bool>* stop = nullptr) {
  Probes probes;
  eyes.lookFor(probes);
  probes.stop = stop;
  return check(project, probes);
}

void bothDemosFromCold(benchmark::State& state) {
  const Project one = saltglass(), other = fernhollow();
  size_t found = 0;
  bench::frames(state, [&] {
    found = lookAt(one, ManyEyes(QStringLiteral(BRISTLE_SOURCE "/data/demo"))).size();
    found += lookAt(other, ManyEyes(QStringLiteral(BRISTLE_SOURCE "/data/glasshouse"))).size();
  });
  state.counters["findings"] = double(found);
}
BENCHMARK(bothDemosFromCold)->UseManualTime()->Iterations(3)->Unit(benchmark::kMillisecond);

// Ratio: all of it looked at again.
void afterAnEditOfOneButton(benchmark::State& state) {
  Project p = saltglass();
  PaintedEyes eyes(QStringLiteral(BRISTLE_SOURCE "/data/demo"));
  Review review;
  (void)review.check(p, {.eyes = &eyes});
  Screen& screen = p.screens[0].edit();
  const auto at = std::find_if(screen.items.begin(), screen.items.end(),
                               [](const Shared<Item>& item) { return item->button(); });
  int nudged = 0;
  const auto edited = [&] {
    at->edit().place.x.offset += ++nudged % 2 ? 1 : -1;
    (void)review.check(p, {.eyes = &eyes});
  };
  bench::frames(state, edited);
  bench::ratioTo(
      state, [&] { (void)check(p, {.eyes = &eyes}); }, edited, 1);
}
BENCHMARK(afterAnEditOfOneButton)->UseManualTime()->Iterations(6)->Unit(benchmark::kMillisecond);

// Two hundred kinds on a hundred screens of twenty buttons.
Project large() {
  History history(emptyProject());
  for (int k = 0; k < 200; ++k)
    (void)history.perform(addKind("Entry " + std::to_string(k), Wins::Hover));
  for (int s = 0; s < 100; ++s) (void)history.perform(addScreen("Screen " + std::to_string(s)));
  Project p = history.now();
  std::vector<ScreenId> ids;
  for (const auto& screen : p.screens) ids.push_back(screen->id);
  for (size_t s = 0; s < ids.size(); ++s)
    for (size_t b = 0; b < 20; ++b)
      p = *addButton(ids[s], p.kinds[(s * 2 + b * 10) % 200]->id, "Entry " + std::to_string(b),
                     60 + double(b % 4) * 400, 60 + double(b / 4) * 160)
               .apply(p);
  return p;
}

void twoHundredKindsOnAHundredScreens(benchmark::State& state) {
  const Project p = large();
  bench::frames(state, [&] { (void)lookAt(p, ManyEyes()); });
}
BENCHMARK(twoHundredKindsOnAHundredScreens)
    ->UseManualTime()
    ->Iterations(1)
    ->Unit(benchmark::kMillisecond);

// From when it is told to stop, at some moment of it, until it has stopped.
void stopped(benchmark::State& state) {
  const Project p = large();
  int after = 0;
  double worst = 0;
  for (auto _ : state) {
    std::atomic<bool> stop = false;
    std::chrono::steady_clock::time_point told;
    std::thread teller([&] {
      std::this_thread::sleep_for(std::chrono::milliseconds(after += 150));
      told = std::chrono::steady_clock::now();
      stop = true;
    });
    const ManyEyes eyes;
    (void)lookAt(p, eyes, &stop);
    const auto back = std::chrono::steady_clock::now();
    teller.join();
    const double ms = std::max(0.0, std::chrono::duration<double, std::milli>(back - told).count());
    worst = std::max(worst, ms);
    state.SetIterationTime(ms / 1e3);
  }
  state.counters["worst_ms"] = worst;
}
BENCHMARK(stopped)->UseManualTime()->Iterations(16)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QGuiApplication app(argc, argv);
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
