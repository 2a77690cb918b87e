// The largest matching between two sides, cheap ones first.
#pragma once
#include <span>
#include <vector>

namespace bristle {

struct MatchEdge {
  int from, to;  // from 0 on, on either side
  float cost;
};

// For each of the one side its partner on the other, −1 without. The number of pairs is the largest
// possible (Hopcroft and Karp, SIAM J. Comput. 2, 1973); among such matchings this is a cheap one:
// it begins with the cheapest pairs and swaps partners where that costs less. Ties go to the lower
// numbers. `edges`: by `from`, each pair once.
std::vector<int> mostPairs(size_t from, size_t to, std::span<const MatchEdge> edges);

}  // namespace bristle
