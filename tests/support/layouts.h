// Families of irregular layouts, drawn from a seed. For the solver's property tests and benchmarks.
#pragma once
#include <cstdint>
#include <string>
#include <vector>

#include "runtime/focus/solver.h"

namespace bristle::test {

// A small generator of our own, so that a seed gives the same layout on every machine.
class Dice {
 public:
  explicit Dice(std::uint64_t seed) : state_(seed * 0x9e3779b97f4a7c15ULL + 0x1234567) {}
  std::uint64_t bits() {
    state_ += 0x9e3779b97f4a7c15ULL;
    std::uint64_t z = state_;
    z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9ULL;
    z = (z ^ (z >> 27)) * 0x94d049bb133111ebULL;
    return z ^ (z >> 31);
  }
  double real(double low, double high) {
    return low + (high - low) * (static_cast<double>(bits() >> 11) * 0x1.0p-53);
  }
  int whole(int low, int high) {
    return low + static_cast<int>(bits() % static_cast<std::uint64_t>(high - low + 1));
  }
  bool chance(double p) { return real(0, 1) < p; }

 private:
  std::uint64_t state_;
};

const std::vector<std::string>& layoutFamilies();
// About `size` boxes of that family, with distinct centres.
std::vector<Box> layoutOf(const std::string& family, std::uint64_t seed, int size);

}  // namespace bristle::test
