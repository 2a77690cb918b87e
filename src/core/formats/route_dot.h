// Routes as a graph in DOT, for other tools to draw: boxes where they stand, an edge for each
// direction that leads somewhere, labelled with it; dashed where it is a stopgap or a repair.
#pragma once
#include <string>

#include "runtime/focus/solver.h"

namespace bristle {

// `names` by box, as they are to be read; ids are the input's names.
std::string writeDot(const SolveInput& input, const Routes& routes,
                     const std::vector<std::string>& names);

}  // namespace bristle
