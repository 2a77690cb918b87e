// What the benchmarks share: frames timed one by one, and ratios to a plain reference measured in
// the same run, as counters beside the time. Figures of two versions are compared by Google
// Benchmark's own tools from their JSON (`./dev bench --json FILE`).
#pragma once
#include <benchmark/benchmark.h>

#include <algorithm>
#include <chrono>

namespace bristle::bench {

// Milliseconds that one call takes.
template <class Work>
double once(Work work) {
  const auto start = std::chrono::steady_clock::now();
  work();
  return std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start)
      .count();
}

// Of the fastest of `runs`, since what disturbs a run only makes it slower.
template <class Work>
double best(int runs, Work work) {
  double out = once(work);
  while (--runs > 0) out = std::min(out, once(work));
  return out;
}

// Sets "ratio": how many times as long the reference takes (or, turned, how many times ours does).
template <class Ours, class Plain>
void ratioTo(benchmark::State& state, Plain plain, Ours ours, int runs = 3) {
  state.counters["ratio"] = best(runs, plain) / best(runs, ours);
}

// Times each frame by itself: mean as the benchmark's time, the worst as a counter, against 16 ms.
template <class Frame>
void frames(benchmark::State& state, Frame frame) {
  double worst = 0;
  for (auto _ : state) {
    const double ms = once(frame);
    worst = std::max(worst, ms);
    state.SetIterationTime(ms / 1e3);
  }
  state.counters["worst_ms"] = worst;
}

// Keeps the optimizer from leaving out what is measured.
template <class T>
void keep(const T& value) {
  benchmark::DoNotOptimize(&value);
  benchmark::ClobberMemory();
}

}  // namespace bristle::bench
