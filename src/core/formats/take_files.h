// The takes that lie beside a project.
#pragma once
#include <string>
#include <vector>

#include "runtime/session/take.h"

namespace bristle {

// Paths of those in the project's folder, then in its folder `takes`, each by name.
std::vector<std::string> takeFilesIn(const std::string& folder);
Result<Take> readTake(const std::string& path);

}  // namespace bristle
