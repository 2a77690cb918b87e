// What is handed over: a demo whole, the same again, sheets of a large project; and the library
// that runs it: loading, and a frame of two hundred buttons on their way.
#include <QGuiApplication>
#include <QTemporaryDir>
#include <cstring>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/formats/file_io.h"
#include "deliver/measures.h"
#include "deliver/outputs.h"
#include "deliver/web_page.h"
#include "library/bristle.h"
#include "measure.h"
#include "paint/convert.h"
#include "paint/project_fonts.h"
#include "runtime/formats/menu_file.h"
#include "runtime/formats/project_file.h"

namespace {

using namespace bristle;

const std::string kFolder = BRISTLE_SOURCE "/data/demo";

Project demo() {
  return parseProject(*readFile(kFolder + "/saltglass-deep.bristle"))->project;
}

Delivery everything() {
  Delivery out{{"d"}, "All", "all", {}};
  const bool page = pageRuntime().has_value();
  for (size_t i = page ? 0 : 1; i < outputNames().size(); ++i)
    out.outputs.push_back({static_cast<OutputSort>(i)});
  return out;
}

void demoWhole(benchmark::State& state) {
  const Project p = demo();
  const Delivery all = everything();
  useFontsOf(toQt(kFolder));
  bench::frames(state, [&] {
    const QTemporaryDir to;
    LookPainter looks;
    looks.pictures().setFolder(kFolder);
    OutputSetting with{p, looks, kFolder};
    const auto files = makeAll(all, with);
    bench::keep(handOver(fromQt(to.path()), *files, false, basisOf(all, with)));
  });
}
BENCHMARK(demoWhole)->UseManualTime()->Iterations(5)->Unit(benchmark::kMillisecond);

// Ratio: made anew.
void demoAgain(benchmark::State& state) {
  const Project p = demo();
  const Delivery all = everything();
  const QTemporaryDir to;
  LookPainter looks;
  looks.pictures().setFolder(kFolder);
  OutputSetting with{p, looks, kFolder};
  const auto make = [&] { return *makeAll(all, with); };
  (void)handOver(fromQt(to.path()), make(), false, basisOf(all, with));
  const auto again = [&] { bench::keep(isThere(fromQt(to.path()), basisOf(all, with))); };
  bench::frames(state, again);
  bench::ratioTo(
      state, [&] { bench::keep(make()); }, again, 1);
}
BENCHMARK(demoAgain)->UseManualTime()->Iterations(10)->Unit(benchmark::kMillisecond);

// Two hundred kinds of eight states.
void sheetsOfTwoHundredKinds(benchmark::State& state) {
  History history(emptyProject());
  for (int k = 0; k < 200; ++k)
    (void)history.perform(addKind("Entry " + std::to_string(k), Wins::Hover));
  Project p = history.now();
  for (auto& machine : p.machines) {
    Machine& m = machine.edit();
    while (m.states.size() < 8) {
      State more = m.states.back();
      more.id = freshId<StateId>(p, "st");
      more.name += " " + std::to_string(m.states.size());
      m.states.push_back(more);
    }
  }
  size_t files = 0;
  bench::frames(state, [&] {
    LookPainter looks;
    auto later = makeSheets(p, looks, {});
    files = later ? later->wait().value_or(std::vector<MadeFile>()).size() : 0;
  });
  state.counters["files"] = double(files);
}
BENCHMARK(sheetsOfTwoHundredKinds)->UseManualTime()->Iterations(1)->Unit(benchmark::kMillisecond);

void libraryLoads(benchmark::State& state) {
  LookPainter looks;
  looks.pictures().setFolder(kFolder);
  const Project p = demo();
  const std::string menu = writeMenu(p, measureAll(p, looks.pictures()));
  bench::frames(state, [&] {
    bristle_menu* opened = nullptr;
    bristle_open(menu.data(), menu.size(), &opened, nullptr, 0);
    bristle_close(opened);
  });
  state.counters["bytes"] = double(menu.size());
}
BENCHMARK(libraryLoads)->UseManualTime()->Iterations(50)->Unit(benchmark::kMillisecond);

// All two hundred follow a value that is set to and fro: each is on its way all the time.
void libraryFrame(benchmark::State& state) {
  History history(emptyProject());
  (void)history.perform(addKind("Entry", Wins::Hover));
  (void)history.perform(addScreen("Many"));
  Project p = history.now();
  for (int b = 0; b < 200; ++b)
    p = *addButton(p.screens[0]->id, p.kinds[0]->id, "Entry", double(b % 10) * 180,
                   double(b / 10) * 50)
             .apply(p);
  p.values.push_back({{"v1"}, "On", 1, ValueSort::Flag});
  for (auto& item : p.screens[0].edit().items)
    if (item->button()) item.edit().button()->when.enabled = "@v1 > 0";
  const std::string menu = writeMenu(p, {});
  bristle_menu* opened = nullptr;
  bristle_run* run = nullptr;
  if (bristle_open(menu.data(), menu.size(), &opened, nullptr, 0) ||
      bristle_start(opened, nullptr, nullptr, nullptr, &run, nullptr, 0))
    return state.SkipWithError("it cannot be run");
  std::int64_t at = 0;
  bristle_item item;
  std::memset(&item, 0, sizeof item);
  item.size = sizeof item;
  bench::frames(state, [&] {
    at += 16;
    if (at % 96 == 0) bristle_value_set(run, at, "v1", double(at / 96 % 2));
    bristle_step(run, at);
    for (size_t i = 0; bristle_item_at(run, 0, i, &item) == BRISTLE_OK; ++i) bench::keep(item);
    bristle_happened_clear(run);
  });
  bristle_stop(run);
  bristle_close(opened);
}
BENCHMARK(libraryFrame)->UseManualTime()->Iterations(1000)->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QGuiApplication app(argc, argv);
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
