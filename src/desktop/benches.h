// The benches that there are, in the order of the work. A new one is a folder with a class and a
// line here.
#pragma once
#include "desktop/work/bench.h"

namespace bristle {

// In the order of the work.
const std::vector<BenchInfo>& benches();

}  // namespace bristle
