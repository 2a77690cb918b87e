// Counts what this thread allocates, to show what allocates nothing.
#pragma once

namespace bristle::test {

long allocations();

}  // namespace bristle::test
