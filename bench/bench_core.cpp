// The core: solver, interpreter, opening and saving.
#include <array>
#include <cmath>
#include <nlohmann/json.hpp>
#include <random>
#include <vector>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/templates.h"
#include "core/laws/check.h"
#include "measure.h"
#include "runtime/focus/solver.h"
#include "runtime/formats/project_file.h"
#include "runtime/machine/interpreter.h"
#include "support/layouts.h"

namespace {

using namespace bristle;
using bench::best;

// The plain reference: for every box and direction all others are looked at, and the nearest in the
// cone that is not behind something in the strip is taken. No pairs, no repair.
long allPairs(const std::vector<Box>& boxes) {
  long sum = 0;
  for (size_t a = 0; a < boxes.size(); ++a) {
    for (int dir = 0; dir < 4; ++dir) {
      const bool across = dir >= 2;
      const double sign = dir % 2 ? 1 : -1;
      const auto near = [&](const Box& b) {
        return sign > 0 ? (across ? b.x : b.y) : -(across ? b.x + b.w : b.y + b.h);
      };
      const auto far = [&](const Box& b) {
        return sign > 0 ? (across ? b.x + b.w : b.y + b.h) : -(across ? b.x : b.y);
      };
      const auto lo = [&](const Box& b) { return across ? b.y : b.x; };
      const auto hi = [&](const Box& b) { return across ? b.y + b.h : b.x + b.w; };
      double bestScore = 1e300;
      long target = -1;
      for (size_t b = 0; b < boxes.size(); ++b) {
        const double gap = near(boxes[b]) - far(boxes[a]);
        if (gap < -1) continue;
        const double lateral =
            std::max({0.0, lo(boxes[b]) - hi(boxes[a]), lo(boxes[a]) - hi(boxes[b])});
        if (lateral > gap && lateral > 0) continue;
        const double score = gap + 2 * lateral;
        if (score < bestScore) {
          bestScore = score;
          target = static_cast<long>(b);
        }
      }
      sum += target;
    }
  }
  return sum;
}

void solver() {
  std::printf("solver                          ours ms   all pairs ms   ratio\n");
  for (const char* family : {"scattered", "ragged grid", "bars", "staggered rows"}) {
    for (const int size : {100, 1000, 10000}) {
      SolveInput input;
      input.boxes = test::layoutOf(family, 1, size);
      const double ours = best(size > 5000 ? 5 : 20, [&] { bench::keep(solve(input)); });
      const double plain = best(size > 5000 ? 1 : 3, [&] { bench::keep(allPairs(input.boxes)); });
      std::printf("  %-16s %6zu boxes  %8.2f   %12.2f   %5.1f×\n", family, input.boxes.size(), ours,
                  plain, plain / ours);
    }
  }
  SolveInput input;
  input.boxes = test::layoutOf("ragged grid", 1, 1200);
  input.boxes.resize(std::min<size_t>(input.boxes.size(), 1000));
  double shift = 0;
  const double again = best(30, [&] {
    input.boxes[500].x += shift = 3 - shift;
    bench::keep(solve(input));
  });
  std::printf("  solved again after moving one of %zu: %.2f ms\n", input.boxes.size(), again);
}

// The plain reference: a table from state and event to state, and nothing else.
void interpreter() {
  Symbols symbols;
  const Machine machine = menuButton({"m"}, "m", Wins::Hover);
  const auto program = *Program::compile(machine, symbols);
  constexpr int kEvents = 6'000'000;
  std::array<std::array<std::uint8_t, 8>, 5> table{};
  for (size_t s = 0; s < 5; ++s)
    for (size_t e = 0; e < 8; ++e) table[s][e] = static_cast<std::uint8_t>((s * 3 + e) % 5);
  const double plain = best(3, [&] {
    std::uint8_t state = 0;
    std::uint32_t mix = 1;
    for (int i = 0; i < kEvents; ++i) {
      mix = mix * 1664525 + 1013904223;
      state = table[state][mix >> 29];
    }
    bench::keep(state);
  });
  std::vector<Outcome> out;
  out.reserve(64);
  const double ours = best(3, [&] {
    Running run;
    const StepContext context{0, {}, &out};
    for (int i = 0; i < kEvents / 6; ++i) {
      setOver(program, run, true, context);
      beginPress(program, run, false, context);
      setOver(program, run, false, context);
      setOver(program, run, true, context);
      endPress(program, run, context);
      setOver(program, run, false, context);
      out.clear();
    }
    bench::keep(run);
  });
  std::printf(
      "interpreter: %.1f million events a second; a bare table %.0f million; ratio 1 : %.1f\n",
      kEvents / ours / 1e3, kEvents / plain / 1e3, ours / plain);
}

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

void files() {
  const Project project = large(10000);
  const std::string text = writeProject(project);
  const double parse = best(5, [&] { bench::keep(nlohmann::json::parse(text)); });
  const double open = best(5, [&] { bench::keep(parseProject(text)); });
  const auto json = nlohmann::ordered_json::parse(text);
  const double dump = best(5, [&] { bench::keep(json.dump(2)); });
  const double save = best(5, [&] { bench::keep(writeProject(project)); });
  std::printf(
      "10,000 buttons, %.1f MB: open %.0f ms, bare parsing %.0f ms, ratio %.2f; save %.0f ms, bare "
      "writing %.0f ms, ratio %.2f\n",
      static_cast<double>(text.size()) / 1e6, open, parse, open / parse, save, dump, save / dump);
}

// 30 states in a ring of menus with timers, three guards and two values.
Machine largeMachine() {
  Machine m = menuButton({"m"}, "large", Wins::Hover);
  for (int i = 0; i < 25; ++i) {
    const StateId id{"s" + std::to_string(i)};
    m.states.push_back({id, id.text, Role::None, false, {}});
    const auto add = [&](std::optional<StateId> from, Event on, StateId to, std::string guard) {
      Transition t;
      t.from = std::move(from);
      t.on = on;
      t.after = on == Event::After ? 100 + 37 * i : 0;
      t.to = std::move(to);
      t.guard = std::move(guard);
      if (i % 5 == 0) t.effects.push_back({EffectType::SetValue, {}, {"v1"}, "2 - @v1"});
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

void laws() {
  std::printf("\nlaws                             ms   situations\n");
  Project project;
  project.values = {{{"v1"}, "one", 0, {}}, {{"v2"}, "two", 0, {}}};
  const auto one = [&](const std::string& name, const Machine& machine) {
    const auto ready = makeReady(machine, project);
    LawReport report;
    const double ms = best(5, [&] {
      report =
          checkLaws({machine, ready->program, ready->symbols, ready->values, nullptr, nullptr});
    });
    std::printf("%-26s %8.2f   %10zu%s\n", name.c_str(), ms, report.visited,
                report.whole ? "" : " (not all)");
  };
  for (const Template t : allTemplates())
    one(std::string(nameOf(t)), fromTemplate(t, {"m"}, "m", Wins::Hover));
  one("30 states, 2 values (500 ms)", largeMachine());
}

}  // namespace

int main() {
  solver();
  interpreter();
  laws();
  files();
}
