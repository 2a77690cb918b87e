// Timing for benchmarks: the best of several runs, since what disturbs a run only makes it slower.
#pragma once
#include <algorithm>
#include <chrono>
#include <cstdio>

namespace bristle::bench {

// Milliseconds of the fastest of `runs`.
template <class Work>
double best(int runs, Work work) {
  double out = 1e300;
  for (int i = 0; i < runs; ++i) {
    const auto start = std::chrono::steady_clock::now();
    work();
    out = std::min(
        out, std::chrono::duration<double, std::milli>(std::chrono::steady_clock::now() - start)
                 .count());
  }
  return out;
}

// Keeps the optimizer from leaving out what is measured.
template <class T>
void keep(const T& value) {
  asm volatile("" : : "g"(&value) : "memory");
}

}  // namespace bristle::bench
