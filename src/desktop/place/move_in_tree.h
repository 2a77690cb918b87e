// Things go elsewhere in the tree of the picked screen, and stay where they lie as far as they can.
#pragma once
#include "core/edit/tree_edits.h"

namespace bristle {

class Work;

// False where it was refused; the person has been told why then.
bool moveInTree(Work& work, const std::vector<ItemId>& items, const Spot& to);
// What is picked goes to the end of the container before it, or behind the one that it is in.
bool moveInward(Work& work);
bool moveOutward(Work& work);

}  // namespace bristle
