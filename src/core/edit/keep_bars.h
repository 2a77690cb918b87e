// Keeps bars in step with their lists of screens (in_step.h).
#pragma once
#include "runtime/document/project.h"

namespace bristle {

// Screens that are gone leave the lists; each bar gets a button for each screen of its list, in its
// order, made like the first that it has. Buttons that lead elsewhere, and all else, stand after.
void keepBars(const Project& before, Project& after);

}  // namespace bristle
