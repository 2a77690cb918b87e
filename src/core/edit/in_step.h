// Keeps alike what is to be alike after an edit: copies of placed groups, and bars of lists of
// screens. Every edit passes it, so nothing else has to think of copies.
#pragma once
#include "runtime/document/project.h"

namespace bristle {

// What an edit changed in one copy of a group, the group takes over, and with it all other copies;
// but for what each has of its own. A bar has a button for each screen of its list, in its order;
// one whose caption was the screen's name follows that. `before` is the project before the edit.
Project keptInStep(const Project& before, Project after);

}  // namespace bristle
