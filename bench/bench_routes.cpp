// The focus solver: how good its routes are and how fast, beside plain ways to choose them.
#include <fmt/format.h>

#include "measure.h"
#include "plain_routes.h"
#include "runtime/focus/judge.h"
#include "searched_routes.h"
#include "support/layouts.h"

namespace {

using namespace bristle;

SolveInput inputOf(const std::string& family, std::uint64_t seed, int size) {
  SolveInput input;
  input.boxes = test::layoutOf(family, seed, size);
  return input;
}

// Sums over the layouts of a family; the worst layout counts, too.
struct Figures {
  double moves = 0, odd = 0, worstOdd = 0, wrong = 0, pairs = 1, reach = 1, steps = 0;
  double set = 0, stopgaps = 0, repairs = 0, missing = 0;

  void add(const Judgement& j) {
    moves += j.moves;
    odd += j.odd;
    wrong += j.violations();
    worstOdd = std::max(worstOdd, j.oddShare());
    pairs = std::min(pairs, j.pairs());
    reach = std::min(reach, j.reach);
    steps += j.meanSteps;
    stopgaps += j.stopgaps;
    repairs += j.repairs;
    missing += j.empty;
    ++set;
  }
  double share(double of) const { return 100 * of / std::max(1.0, moves); }
};

void print(const std::string& name, const Figures& f) {
  fmt::print("  {:22} {:6.2f} {:6.2f} {:6.2f} {:6.3f} {:6.2f} {:6.2f} {:6.2f} {:6.2f}\n", name,
             f.share(f.wrong), f.share(f.odd), 100 * f.worstOdd, f.pairs, f.reach, f.steps / f.set,
             f.share(f.stopgaps), f.share(f.repairs));
}

constexpr int kLayouts = 40;

// Layouts that no test uses; “searched” is the fewest steps that a search over all natural picks of
// a screen at once comes to. By the definitions of judge.h; of ours the stopgaps and repairs are
// marked and counted apart.
void printQuality() {
  fmt::print(
      "routes of {} layouts a family, 8 to 86 boxes each\n"
      "  {:22} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6}\n",
      kLayouts, "", "wrong%", "odd%", "worst%", "pairs", "reach", "steps", "stop%", "rep%");
  const std::pair<const char*, double (*)(const bench::Along&, const bench::Along&, Dir)> plain[] =
      {{"nearest centre", bench::halfPlane},
       {"45° by axis", bench::coneByAxis},
       {"CSS draft's distance", bench::spatialNavigation}};
  Figures strict, centres;
  for (const std::string& family : test::layoutFamilies()) {
    Figures ours, searched;
    std::array<Figures, 3> theirs;
    for (int i = 0; i < kLayouts; ++i) {
      const SolveInput input = inputOf(family, 700'000 + std::uint64_t(i), 8 + i * 2);
      const Routes routes = solve(input).routes;
      ours.add(judge(input.boxes, routes));
      searched.add(judge(input.boxes, bench::RouteSearch(input.boxes, routes).run()));
      strict.add(judge(input.boxes, routes, {.blocks = 0}));
      centres.add(judge(input.boxes, routes, {.byCentres = true}));
      for (size_t k = 0; k < theirs.size(); ++k)
        theirs[k].add(judge(input.boxes, bench::cheapest(input.boxes, plain[k].second)));
    }
    fmt::print("{}\n", family);
    print("ours", ours);
    print("ours, searched", searched);
    for (size_t k = 0; k < theirs.size(); ++k) print(plain[k].first, theirs[k]);
  }
  fmt::print("all of ours, where any overlap is in the way\n");
  print("", strict);
  fmt::print("all of ours, where the 45° are taken between centres\n");
  print("", centres);
}

constexpr std::array kFamilies{"scattered", "ragged grid", "bars", "staggered rows"};

// Ratio: all pairs in ours.
void solver(benchmark::State& state) {
  const char* family = kFamilies[size_t(state.range(0))];
  const SolveInput input = inputOf(family, 1, static_cast<int>(state.range(1)));
  for (auto _ : state) bench::keep(solve(input));
  state.SetLabel(family);
  bench::ratioTo(
      state, [&] { bench::keep(bench::cheapest(input.boxes, bench::spatialNavigation)); },
      [&] { bench::keep(solve(input)); }, state.range(1) > 5000 ? 1 : 5);
}
BENCHMARK(solver)->ArgsProduct({{0, 1, 2, 3}, {100, 1000, 10000}})->Unit(benchmark::kMillisecond);

// Ratio: from the beginning in brought up to date.
void solvedAgainAfterMovingOne(benchmark::State& state) {
  const char* family = kFamilies[size_t(state.range(0))];
  SolveInput input = inputOf(family, 1, static_cast<int>(state.range(1)));
  FocusSolver solver;
  solver.solve(input);
  double shift = 0;
  const auto move = [&] { input.boxes[input.boxes.size() / 2].x += shift = 3 - shift; };
  for (auto _ : state) {
    move();
    bench::keep(solver.solve(input));
  }
  state.SetLabel(family);
  bench::ratioTo(
      state, [&] { bench::keep(solve(input)); },
      [&] {
        move();
        bench::keep(solver.solve(input));
      },
      10);
}
BENCHMARK(solvedAgainAfterMovingOne)
    ->ArgsProduct({{0, 1, 2, 3}, {1000, 10000}})
    ->Unit(benchmark::kMillisecond);

}  // namespace

int main(int argc, char** argv) {
  benchmark::Initialize(&argc, argv);
  printQuality();
  benchmark::RunSpecifiedBenchmarks();
}
