#include "core/laws/zone.h"

#include <algorithm>

namespace bristle {

Zone::Zone() {
  bounds_.fill(0);
}

void Zone::elapse() {
  for (size_t i = 1; i < kSize; ++i) d(i, 0) = kNone;
}

void Zone::reset(Clock clock) {
  const auto c = static_cast<size_t>(clock);
  for (size_t i = 0; i < kSize; ++i) {
    d(c, i) = d(0, i);
    d(i, c) = d(i, 0);
  }
  d(c, c) = 0;
}

void Zone::forget(Clock clock) {
  const auto c = static_cast<size_t>(clock);
  for (size_t i = 0; i < kSize; ++i) {
    if (i == c) continue;
    d(c, i) = kNone;
    d(i, c) = d(i, 0);
  }
}

void Zone::atMost(Clock clock, Ms ms) {
  tighten(static_cast<size_t>(clock), 0, ms);
}

void Zone::atLeast(Clock clock, Ms ms) {
  tighten(0, static_cast<size_t>(clock), -ms);
}

// Keeps all bounds as tight as they can be.
void Zone::tighten(size_t i, size_t j, Ms bound) {
  if (bound >= d(i, j)) return;
  if (d(j, i) < kNone && d(j, i) + bound < 0) {
    empty_ = true;
    return;
  }
  d(i, j) = bound;
  for (size_t a = 0; a < kSize; ++a)
    for (size_t b = 0; b < kSize; ++b)
      if (d(a, i) < kNone && d(j, b) < kNone)
        d(a, b) = std::min(d(a, b), d(a, i) + bound + d(j, b));
}

bool Zone::contains(const Zone& other) const {
  for (size_t i = 0; i < bounds_.size(); ++i)
    if (other.bounds_[i] > bounds_[i]) return false;
  return true;
}

}  // namespace bristle
