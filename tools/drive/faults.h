// Faults of all sorts, planted into a sound project: whoever looks for them must find each.
#pragma once
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// At least twenty, each somewhere else. The names of the rules (core/findings/rule_info.h) that
// they break, in the order of planting. The project has two screens with a button each, and a
// language.
std::vector<std::string> plantFaults(Project& project);

}  // namespace bristle
