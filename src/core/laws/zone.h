// A set of clock readings, as the differences that they may have: a difference bound matrix (Dill
// 1989; Bengtsson & Yi, "Timed Automata: Semantics, Algorithms and Tools", 2004). Bounds are whole
// ms and inclusive; times are whole ms, so that nothing is lost.
#pragma once
#include <array>
#include <cstdint>

#include "runtime/document/basics.h"

namespace bristle {

enum class Clock : std::uint8_t { State = 1, Down = 2, Repeat = 3 };

class Zone {
 public:
  // All clocks at 0.
  Zone();
  // Time passes, any amount.
  void elapse();
  void reset(Clock clock);
  // What a clock reads does not matter from now on.
  void forget(Clock clock);
  void atMost(Clock clock, Ms ms);
  void atLeast(Clock clock, Ms ms);
  bool empty() const { return empty_; }
  bool contains(const Zone& other) const;

 private:
  static constexpr size_t kSize = 4;
  static constexpr Ms kNone = Ms{1} << 52;
  Ms& d(size_t i, size_t j) { return bounds_[i * kSize + j]; }
  Ms d(size_t i, size_t j) const { return bounds_[i * kSize + j]; }
  void tighten(size_t i, size_t j, Ms bound);

  std::array<Ms, kSize * kSize> bounds_;  // clock i − clock j ≤ d(i, j); clock 0 reads 0
  bool empty_ = false;
};

}  // namespace bristle
