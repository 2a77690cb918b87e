// Which boxes can reach one another: strongly connected parts of the routes.
#pragma once
#include <vector>

#include "runtime/focus/solver.h"

namespace bristle {

// Tarjan's algorithm (1972), without recursion. `part[i]` is the number of box i's part.
struct Parts {
  std::vector<int> part;
  int count = 0;
};
// Strongly connected components, by Tarjan’s algorithm (SIAM J. Comput. 1, 1972); no recursion.
Parts strongParts(const std::vector<std::vector<int>>& graph);
Parts strongParts(const Routes& routes);

}  // namespace bristle
