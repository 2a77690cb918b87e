// Brings up what was read from a file of format 1.
//
// Format 1 had the items of a screen in one list, in painting order, each naming the container that
// it was `in`; format 2 has them as a tree (tree.h).
#pragma once
#include <string>
#include <vector>

#include "runtime/document/project.h"

namespace bristle {

// Makes a tree of each screen's items: a container goes to where the first that is in it was, since
// it paints nothing itself. Gives a line for each change that could be seen or that lost something:
// an item that is painted in another order, a container that is not there.
std::vector<std::string> bringUpItems(Project& project);

}  // namespace bristle
