// The core: interpreter, opening and saving.
#include <algorithm>
#include <array>
#include <cmath>
#include <nlohmann/json.hpp>
#include <random>
#include <vector>

#include "core/derive/lay_out_again.h"
#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/templates.h"
#include "core/laws/check.h"
#include "measure.h"
#include "runtime/formats/project_file.h"
#include "runtime/layout/layout.h"
#include "runtime/machine/interpreter.h"

namespace {

using namespace bristle;

// The plain reference: a table from state and event to state, and nothing else.
// Ratio: ours in bare tables.
void interpreter(benchmark::State& state) {
  Symbols symbols;
  const Machine machine = menuButton({"m"}, "m", Wins::Hover);
  const auto program = *Program::compile(machine, symbols);
  constexpr int kRounds = 10'000, kEvents = 6 * kRounds;
  std::array<std::array<std::uint8_t, 8>, 5> table{};
  for (size_t s = 0; s < 5; ++s)
    for (size_t e = 0; e < 8; ++e) table[s][e] = static_cast<std::uint8_t>((s * 3 + e) % 5);
  const auto plain = [&] {
    std::uint8_t at = 0;
    std::uint32_t mix = 1;
    for (int i = 0; i < kEvents; ++i) {
      mix = mix * 1664525 + 1013904223;
      at = table[at][mix >> 29];
    }
    bench::keep(at);
  };
  std::vector<Outcome> out;
  out.reserve(64);
  const auto ours = [&] {
    Running run;
    const StepContext context{0, {}, &out};
    for (int i = 0; i < kRounds; ++i) {
      setOver(program, run, true, context);
      beginPress(program, run, false, context);
      setOver(program, run, false, context);
      setOver(program, run, true, context);
      endPress(program, run, context);
      setOver(program, run, false, context);
      out.clear();
    }
    bench::keep(run);
  };
  for (auto _ : state) ours();
  state.SetItemsProcessed(state.iterations() * kEvents);
  bench::ratioTo(state, ours, plain, 20);
}
BENCHMARK(interpreter)->Unit(benchmark::kMillisecond);

Project large(int buttons) {
  History history(emptyProject());
  (void)history.perform(addKind("Entry", Wins::Hover));
  for (int s = 0; s < 10; ++s) {
    (void)history.perform(addScreen("Screen"));
    std::vector<std::string> captions;
    for (int i = 0; i < buttons / 10; ++i) captions.push_back("Button " + std::to_string(i));
    (void)history.perform(addSeries(history.now().screens.back()->id, history.now().kinds[0]->id,
                                    captions, Flow::Column, 0, 0));
  }
  return history.now();
}

// Ratio: ours in bare parsing of JSON.
void openTenThousand(benchmark::State& state) {
  const std::string text = writeProject(large(10000));
  const auto ours = [&] { bench::keep(parseProject(text)); };
  for (auto _ : state) ours();
  state.SetBytesProcessed(state.iterations() * static_cast<std::int64_t>(text.size()));
  bench::ratioTo(state, ours, [&] { bench::keep(nlohmann::json::parse(text)); });
}
BENCHMARK(openTenThousand)->Unit(benchmark::kMillisecond);

// Ratio: ours in bare writing of JSON.
void saveTenThousand(benchmark::State& state) {
  const Project project = large(10000);
  const auto json = nlohmann::ordered_json::parse(writeProject(project));
  const auto ours = [&] { bench::keep(writeProject(project)); };
  for (auto _ : state) ours();
  bench::ratioTo(state, ours, [&] { bench::keep(json.dump(2)); });
}
BENCHMARK(saveTenThousand)->Unit(benchmark::kMillisecond);

// All on one screen. Ratio: ours in walking the items once for their kinds.
void layoutOfScreen(benchmark::State& state) {
  const Project project = large(static_cast<int>(state.range(0)) * 10);
  const Screen& screen = *project.screens[0];
  const PlainMeasure measure;
  const auto ours = [&] { bench::keep(layOut(project, screen, project.displays[0], measure)); };
  for (auto _ : state) ours();
  bench::ratioTo(state, ours, [&] {
    double sum = 0;
    for (const auto& item : screen.items)
      if (const ButtonData* b = item->button()) sum += find(project, b->kind)->width;
    bench::keep(sum);
  });
}
BENCHMARK(layoutOfScreen)->Arg(1000)->Arg(10000)->Unit(benchmark::kMillisecond);

// All stand on the screen itself, and one of them is moved. Ratio: in laying all of them out.
void layoutAgain(benchmark::State& state) {
  Project project = large(static_cast<int>(state.range(0)) * 10);
  Screen& loose = *edit(project, project.screens[0]->id);
  std::erase_if(loose.items, [](const auto& item) { return item->container(); });
  for (auto& item : loose.items) item.edit().parent = {};
  const PlainMeasure measure;
  const ShownScreen was{project, project.screens[0]->id, {project.displays[0]}};
  const Layout laid = layOut(project, *was.find(), was.showing, measure);
  Project moved = project;
  edit(moved, was.screen)->items[size_t(state.range(0)) / 2].edit().place.x.offset += 5;
  const ShownScreen now{moved, was.screen, was.showing};
  if (!layOutAgain(was, laid, now, measure)) return state.SkipWithError("all was to be laid out");
  const auto ours = [&] { bench::keep(layOutAgain(was, laid, now, measure)); };
  for (auto _ : state) ours();
  bench::ratioTo(state, ours,
                 [&] { bench::keep(layOut(moved, *now.find(), now.showing, measure)); });
}
BENCHMARK(layoutAgain)->Arg(1000)->Arg(10000)->Unit(benchmark::kMillisecond);

// A thousand items in containers six deep: rows that wrap, grids, columns, with shares and bounds.
void layoutSixDeep(benchmark::State& state) {
  Project project = emptyProject();
  Screen screen;
  std::vector<ItemId> around;
  for (int i = 0; i < 1000; ++i) {
    Item item;
    item.id = {"i" + std::to_string(i)};
    if (!around.empty()) item.parent = around.back();
    item.place.x = {.rest = i % 3 == 0 ? 1.0 : 0, .least = double(i % 5), .most = i % 7 ? 0.0 : 90};
    if (i % 8 < 6 && i % 48 < 6) {
      if (i % 48 == 0) around.clear();
      item.parent = around.empty() ? ItemId{} : around.back();
      item.what = ContainerData{.flow = static_cast<Flow>(i % 3), .wraps = true};
      around.push_back(item.id);
    } else {
      item.what = PanelData{};
      item.place.x.size = 20 + i % 30;
      item.place.y.size = 10 + i % 20;
    }
    screen.items.emplace_back(std::move(item));
  }
  const PlainMeasure measure;
  for (auto _ : state) bench::keep(layOut(project, screen, project.displays[0], measure));
}
BENCHMARK(layoutSixDeep)->Unit(benchmark::kMillisecond);

// 30 states in a ring of menus with timers, three guards and two values.
Machine largeMachine() {
  Machine m = menuButton({"m"}, "large", Wins::Hover);
  for (int i = 0; i < 25; ++i) {
    const StateId id{"s" + std::to_string(i)};
    m.states.push_back({.id = id, .name = id.text});
    const auto add = [&](std::optional<StateId> from, Event on, StateId to, std::string guard) {
      Transition t;
      t.from = std::move(from);
      t.on = on;
      t.after = on == Event::After ? 100 + 37 * i : 0;
      t.to = std::move(to);
      t.guard = std::move(guard);
      if (i % 5 == 0)
        t.effects.push_back({.type = EffectType::SetValue, .value = {"v1"}, .formula = "2 - @v1"});
      m.transitions.push_back(std::move(t));
    };
    const StateId next{i == 24 ? "normal" : "s" + std::to_string(i + 1)};
    add(i ? StateId{"s" + std::to_string(i - 1)} : StateId{"hover"}, Event::After, id,
        i % 3 == 0   ? "@v1 > 1"
        : i % 3 == 1 ? "over or @v2 = 3"
                     : "");
    add(id, Event::OverEnd, {"normal"}, "not focus");
    add(id, Event::Press, {"pressed"}, "");
    add(id, Event::After, next, "@v2 < 2");
  }
  return m;
}

void laws(benchmark::State& state, const Machine& machine) {
  Project project;
  project.values = {{{"v1"}, "one", 0, {}}, {{"v2"}, "two", 0, {}}};
  const auto ready = makeReady(machine, project);
  LawReport report;
  for (auto _ : state)
    report = checkLaws({machine, ready->program, ready->symbols, ready->values, nullptr, nullptr});
  state.counters["situations"] = static_cast<double>(report.visited);
  state.counters["whole"] = report.whole;
}

}  // namespace

int main(int argc, char** argv) {
  for (const Template t : allTemplates())
    benchmark::RegisterBenchmark(("laws/" + std::string(nameOf(t))).c_str(), laws,
                                 fromTemplate(t, {"m"}, "m", Wins::Hover))
        ->Unit(benchmark::kMillisecond);
  benchmark::RegisterBenchmark("laws/30 states, 2 values", laws, largeMachine())
      ->Unit(benchmark::kMillisecond);
  benchmark::Initialize(&argc, argv);
  benchmark::RunSpecifiedBenchmarks();
}
