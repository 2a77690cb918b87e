// The files that a project refers to, all beside it: pictures, icons and sounds.
#pragma once
#include <set>
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

struct UsedFiles {
  std::set<std::string> pictures, sounds;  // without the fragment that names a group of an SVG
};
// Pictures and sounds that anything in the project names, each once.
UsedFiles filesOf(const Project& project);
// Only what these kinds and their machines use.
UsedFiles filesOf(const Project& project, const std::vector<KindId>& kinds);

}  // namespace bristle
