// Keeps the copies of placed groups alike (in_step.h).
#pragma once
#include "runtime/document/project.h"

namespace bristle {

// What was changed in a copy that was there before goes into its group; then every copy is made as
// its group says, but for what it has of its own. What is in no copy any more forgets whose it was.
void keepCopies(const Project& before, Project& after);

// A copy of the group as new items with ids of their own, the container first; that has no parent.
std::vector<Shared<Item>> copyOfGroup(Project& project, const Group& group);

}  // namespace bristle
